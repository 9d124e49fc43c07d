import ButtonBase from "@mui/material/ButtonBase";
import { styled } from "@mui/material/styles";

export const ShapePickerBox = styled("fieldset")({
  margin: 0,
  padding: 0,
  border: "0",
});

export const ShapeRow = styled("div")({
  display: "flex",
  gap: 6,
  flexWrap: "wrap",
  marginBottom: 8,
});

export const ShapeGroup = styled("span")({
  width: "100%",
  color: "var(--palette-soft)",
  fontSize: "var(--text-note)",
});

export const ShapeChoice = styled(ButtonBase)({
  display: "flex",
  flexDirection: "column",
  gap: 4,
  alignItems: "center",
  justifyContent: "space-between",
  width: 96,
  minHeight: 78,
  padding: "8px 4px 6px",
  border: "1px solid var(--palette-line)",
  borderRadius: 4,
  background: "none",
  color: "var(--palette-ink)",
  fontWeight: 600,
  fontSize: "var(--text-note)",
  lineHeight: 1.15,
  textAlign: "center",
  "&:hover": {
    borderColor: "var(--palette-soft)",
  },
  "&[data-chosen]": {
    borderColor: "var(--palette-iron)",
    outline: "1px solid var(--palette-iron)",
  },
});

export const CornerTableBox = styled("div")({
  display: "grid",
  gap: 6,
});

export const CornersBox = styled("div")({
  display: "grid",
  gap: 10,
  justifyItems: "start",
});

export const CornersBoth = styled("div")({
  display: "flex",
  gap: 20,
  flexWrap: "wrap",
});
