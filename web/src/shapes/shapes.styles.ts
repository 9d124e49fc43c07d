import ButtonBase from "@mui/material/ButtonBase";
import { styled } from "@mui/material/styles";

export const ShapeRow = styled("div")({ display: "flex", gap: 6, flexWrap: "wrap", marginBottom: 8 });

export const ShapeGroup = styled("span")(({ theme }) => ({
  width: "100%",
  color: theme.vars.palette.soft,
  fontSize: "var(--text-note)",
}));

export const ShapeChoice = styled(ButtonBase)(({ theme }) => ({
  display: "flex",
  flexDirection: "column",
  gap: 4,
  alignItems: "center",
  justifyContent: "space-between",
  width: 96,
  minHeight: 78,
  padding: "8px 4px 6px",
  border: `1px solid ${theme.vars.palette.line}`,
  borderRadius: 4,
  color: theme.vars.palette.ink,
  fontFamily: "inherit",
  fontWeight: 600,
  fontSize: "var(--text-note)",
  lineHeight: 1.15,
  textAlign: "center",
  "&:hover": { borderColor: theme.vars.palette.soft },
  "&[data-chosen]": {
    borderColor: theme.vars.palette.iron,
    outline: `1px solid ${theme.vars.palette.iron}`,
  },
}));

export const CornersBoth = styled("div")({ display: "flex", gap: 20, flexWrap: "wrap" });
