import Paper from "@mui/material/Paper";
import { styled } from "@mui/material/styles";

export const GardensViewBox = styled("main")({
  gridColumn: "1 / -1",
  gridRow: "1 / -1",
  maxWidth: 1180,
  width: "100%",
  height: "100dvh",
  margin: "0 auto",
  padding: "22px 20px 60px",
  overflow: "auto",
});

export const GardenList = styled("ul")({
  display: "grid",
  gridTemplateColumns: "repeat(auto-fill, minmax(300px, 1fr))",
  gap: 14,
  alignItems: "start",
  margin: 0,
  padding: 0,
  listStyle: "none",
});

export const GardenPanel = styled(Paper)({
  margin: "0 0 16px",
  padding: "14px 16px",
  "& h2": {
    margin: "0 0 10px",
    fontWeight: 680,
    fontSize: "var(--text-line)",
    fontStretch: "106%",
  },
  "& p": {
    margin: "4px 0 10px",
    color: "var(--palette-soft)",
  },
  '& [role="alert"]': {
    color: "var(--palette-iron)",
  },
}) as typeof Paper;

export const GardenName = styled("input")({
  width: "100%",
  padding: "0 2px",
  border: "1px solid transparent",
  borderRadius: 4,
  background: "none",
  color: "var(--palette-ink)",
  fontWeight: 700,
  fontSize: "var(--text-sheet)",
  fontStretch: "106%",
  "&:hover": {
    borderColor: "var(--palette-line)",
  },
});

export const GardenActions = styled("p")({
  "& [data-part=main-button]": {
    display: "inline-grid",
    placeItems: "center",
    height: 32,
    textDecoration: "none",
  },
});

export const GardenNew = styled("form")({
  display: "grid",
  gap: 12,
  justifyItems: "start",
  "& [data-part=measure-input]": {
    width: 240,
    height: 34,
  },
});

export const GardenForm = styled("form")({
  display: "grid",
  gap: 12,
  justifyItems: "start",
  marginBottom: 14,
  "& [data-part=measure-input]": {
    width: 240,
    height: 34,
  },
});

export const ImportRow = styled("div")({
  display: "flex",
  gap: 24,
  flexWrap: "wrap",
  "& [data-part=measure-input]": {
    width: 240,
    height: 34,
  },
});

export const ImportReview = styled("div")({
  "& ul": {
    margin: "8px 0 12px",
    padding: 0,
    listStyle: "none",
  },
  "& li": {
    display: "flex",
    gap: 14,
    alignItems: "center",
    padding: "5px 0",
    borderTop: "1px solid var(--palette-line)",
  },
  "& li span:first-child": {
    width: 74,
    color: "var(--palette-soft)",
  },
  "& [data-changed] span:last-child": {
    color: "var(--palette-iron)",
    fontWeight: 600,
  },
  "& [data-same]": {
    opacity: 0.7,
  },
});

export const ImportProblems = styled("div")({
  "& ul": {
    margin: "8px 0 12px",
    padding: 0,
    listStyle: "none",
  },
  "& li": {
    padding: "5px 0",
    borderTop: "1px solid var(--palette-line)",
  },
  "& code": {
    marginRight: 8,
    fontWeight: 700,
  },
});

export const GardenBin = styled("ul")({
  margin: "8px 0 12px",
  padding: 0,
  listStyle: "none",
  "& li": {
    display: "flex",
    gap: 14,
    alignItems: "center",
    padding: "5px 0",
    borderTop: "1px solid var(--palette-line)",
  },
});

export const PlotBin = styled("section")({
  marginTop: 26,
  "& h2": {
    margin: "0 0 10px",
    fontWeight: 680,
    fontSize: "var(--text-line)",
  },
});
