import ButtonBase from "@mui/material/ButtonBase";
import Paper from "@mui/material/Paper";
import { styled } from "@mui/material/styles";
import { tall } from "../theme/components/parts";

export const LayerCards = styled("ol")({ display: "flex", flexDirection: "column", gap: 9 });

export const LayerCardBox = styled(Paper)({
  display: "flex",
  gap: 12,
  padding: "8px 10px",
  "&[data-selected]": {
    borderColor: "var(--palette-iron)",
    outline: "1px solid var(--palette-iron)",
  },
}) as typeof Paper;

export const LayerMain = styled("div")({ flex: "1", minWidth: 0 });

export const LayerTop = styled("div")({
  display: "flex",
  gap: 8,
  alignItems: "flex-start",
  justifyContent: "space-between",
});

export const LayerName = styled(ButtonBase)({
  ...tall,
  paddingBottom: 6,
  color: "var(--palette-ink)",
  fontFamily: "inherit",
  fontWeight: 650,
  fontSize: "var(--text-lead)",
  lineHeight: 1.25,
  textAlign: "left",
  justifyContent: "flex-start",
  overflowWrap: "anywhere",
});

export const LayerFigure = styled("div")({
  flex: "none",
  fontSize: "var(--text-note)",
  lineHeight: 1.3,
  textAlign: "right",
  "& b": { display: "block", fontSize: "var(--text-plain)", fontWeight: 650 },
  "& > span": { color: "var(--palette-soft)" },
});

export const LayerHow = styled("div")({
  display: "flex",
  gap: 8,
  flexWrap: "wrap",
  alignItems: "center",
  minHeight: 32,
});

export const LayerAside = styled("span")({ color: "var(--palette-soft)", fontSize: "var(--text-note)" });

export const LayerOpen = styled("span")({
  color: "var(--palette-iron)",
  fontSize: "var(--text-note)",
  fontWeight: 650,
});

export const LayerBar = styled("div")({
  height: 5,
  marginTop: 6,
  borderRadius: 3,
  backgroundColor: "var(--palette-wash)",
  "& > div": { height: "100%", borderRadius: 3 },
});

export const LayerToolsBox = styled("div")({
  display: "grid",
  gap: 10,
  marginTop: 12,
  paddingTop: 10,
  borderTop: "1px solid var(--palette-line)",
});
