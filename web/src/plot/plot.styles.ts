import Paper from "@mui/material/Paper";
import { Link } from "react-router";
import { styled } from "@mui/material/styles";

export const PlotViewBox = styled("div")({
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr) 316px",
  gap: 22,
  alignItems: "start",
  padding: "14px 20px 24px",
  "@media (max-width: 1100px)": {
    gridTemplateColumns: "minmax(0, 1fr)",
    padding: "12px 12px 40px",
  },
});

export const PlotBeds = styled("ul")({
  display: "grid",
  gridTemplateColumns: "repeat(auto-fill, minmax(262px, 1fr))",
  gap: 14,
  margin: 0,
  padding: 0,
  listStyle: "none",
});

export const PlotBed = styled(Link)({
  display: "flex",
  flexDirection: "column",
  gap: 2,
  height: "100%",
  padding: "12px 14px",
  border: "1px solid var(--palette-line)",
  borderRadius: 4,
  background: "var(--palette-sheet)",
  color: "var(--palette-ink)",
  textDecoration: "none",
  "&:hover": {
    borderColor: "var(--palette-soft)",
  },
  "& strong": {
    display: "flex",
    gap: 8,
    alignItems: "center",
    fontSize: "var(--text-line)",
    fontWeight: 680,
  },
});

export const PlotDrawing = styled("span")({
  display: "flex",
  alignItems: "flex-end",
  justifyContent: "center",
  minHeight: 138,
  marginBottom: 8,
});

export const PlotFact = styled("span")({
  color: "var(--palette-soft)",
  fontSize: "var(--text-small)",
});

export const PlotNew = styled(PlotBed)({
  alignItems: "center",
  justifyContent: "center",
  minHeight: 190,
  borderStyle: "dashed",
  borderColor: "var(--palette-soft)",
  background: "none",
  fontWeight: 600,
});

export const BagsAndDepthBox = styled(Paper)({
  display: "grid",
  gap: 12,
  marginTop: 46,
  padding: "14px 16px 16px",
  "& h2": {
    margin: 0,
    fontWeight: 650,
    fontSize: "var(--text-body)",
  },
  "@media (max-width: 1000px)": {
    marginTop: 0,
  },
}) as typeof Paper;

export const BagsAnswer = styled("p")({
  margin: "4px 0 0",
  color: "var(--palette-soft)",
  fontSize: "var(--text-plain)",
  "& b": {
    color: "var(--palette-ink)",
    fontSize: "var(--text-large)",
    fontWeight: 700,
    fontStretch: "110%",
  },
});
