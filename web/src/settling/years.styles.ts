import { styled } from "@mui/material/styles";

export const YearsBox = styled("div")({
  display: "grid",
  gridTemplateColumns: "auto minmax(90px, 1fr)",
  gap: "2px 12px",
  alignItems: "center",
  height: 58,
  padding: "0 14px 4px 6px",
  "& input": {
    width: "100%",
    height: 24,
    margin: 0,
    accentColor: "var(--palette-iron)",
  },
});

export const YearsLabel = styled("label")({
  minWidth: 152,
  fontSize: "var(--text-small)",
  fontWeight: 650,
});

export const YearsStops = styled("div")({
  display: "flex",
  gridColumn: "1 / -1",
  gap: 4,
  "& button": {
    minHeight: 24,
    padding: "0 8px",
    border: "1px solid transparent",
    borderRadius: 4,
    background: "none",
    color: "var(--palette-soft)",
    fontWeight: 550,
    fontSize: "var(--text-note)",
  },
  '& button[aria-pressed="true"]': {
    borderColor: "var(--palette-line)",
    background: "var(--palette-sheet)",
    color: "var(--palette-ink)",
  },
});
