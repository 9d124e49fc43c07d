import Alert from "@mui/material/Alert";
import Paper from "@mui/material/Paper";
import { styled } from "@mui/material/styles";

export const PlotPage = styled("main")({
  padding: "14px 20px 24px",
  "& [data-part=plot-view]": {
    padding: "18px 0 0",
  },
  "@media (max-width: 1100px)": {
    padding: "12px 12px 40px",
    "& [data-part=plot-view]": {
      padding: "18px 0 0",
    },
  },
});

export const PlotStage = styled("div")({
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr) 316px",
  gap: 22,
  alignItems: "start",
  "@media (max-width: 1100px)": {
    gridTemplateColumns: "minmax(0, 1fr)",
  },
});

export const PlotLeft = styled("div")({
  position: "sticky",
  top: 0,
  minWidth: 0,
  "@media (max-width: 1100px)": {
    position: "static",
  },
});

export const PlotAside = styled("div")({
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr)",
  minWidth: 0,
  gap: 12,
});

export const PlotPanel = styled(Paper)({
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr)",
  gap: 10,
  padding: "12px 14px 14px",
  "& h2": {
    margin: 0,
    fontWeight: 650,
    fontSize: "var(--text-lead)",
  },
  "& h3": {
    margin: "4px 0 0",
    fontWeight: 650,
    fontSize: "var(--text-small)",
  },
}) as typeof Paper;

export const PlotUnplaced = styled("section")({
  display: "grid",
  gap: 8,
  marginTop: 12,
  "& h2": {
    margin: 0,
    fontWeight: 650,
    fontSize: "var(--text-lead)",
  },
  "& ul": {
    display: "flex",
    flexWrap: "wrap",
    gap: 8,
  },
  "& [data-part=text-button]": {
    display: "flex",
    gap: 8,
    alignItems: "center",
  },
});

export const PlotHeading = styled("h2")({
  margin: "0 0 10px",
  fontWeight: 680,
  fontSize: "var(--text-sheet)",
});

export const PlotHint = styled("p")({
  margin: 0,
  color: "var(--palette-soft)",
  fontSize: "var(--text-note)",
  marginTop: 6,
});

export const PlotCourses = styled("ol")({
  display: "grid",
  gap: 8,
  margin: 0,
  padding: 0,
  listStyle: "none",
  "& li": {
    display: "flex",
    gap: 8,
    alignItems: "center",
  },
  "& li > div:nth-child(2)": {
    display: "grid",
    flex: "1",
    minWidth: 0,
  },
  "& strong": {
    fontSize: "var(--text-plain)",
  },
  "& [data-part=plot-fact]": {
    fontSize: "var(--text-ruler)",
  },
});

export const PlotThings = styled("ul")({
  display: "grid",
  gap: 8,
  margin: 0,
  padding: 0,
  listStyle: "none",
  "& li": {
    display: "grid",
    gridTemplateColumns: "minmax(0, 1fr) auto auto",
    gap: 6,
    alignItems: "center",
  },
  "& [data-part=measure-input]": {
    width: "100%",
  },
});

export const PlotSpots = styled("ul")({
  display: "grid",
  gap: 8,
  margin: 0,
  padding: 0,
  listStyle: "none",
  "& li": {
    display: "flex",
    gap: 8,
    alignItems: "center",
  },
  "& li > span": {
    flex: "1",
    color: "var(--palette-soft)",
    fontSize: "var(--text-note)",
    fontVariantNumeric: "tabular-nums",
  },
});

export const PlotPacking = styled("ul")({
  display: "grid",
  gap: 8,
  margin: 0,
  padding: 0,
  listStyle: "none",
  "& li": {
    display: "flex",
    justifyContent: "space-between",
    fontSize: "var(--text-small)",
  },
});

export const PlotPoints = styled("div")({
  gridColumn: "1 / -1",
  color: "var(--palette-soft)",
  fontSize: "var(--text-note)",
  "& summary": {
    padding: "4px 0",
    minHeight: 24,
  },
});

export const PlotPlacing = styled(Alert)({ fontWeight: 600 });

export const MeasureGroundBox = styled(Paper)({
  display: "grid",
  gap: 12,
  justifyItems: "start",
  maxWidth: 560,
  padding: "16px 18px",
  "& h2": {
    margin: 0,
  },
  "& p": {
    margin: 0,
  },
}) as typeof Paper;

export const SizingList = styled("ul")({
  display: "grid",
  gap: 4,
  margin: 0,
  padding: 0,
  listStyle: "none",
  fontSize: "var(--text-plain)",
  "& li": {
    display: "flex",
    gap: 10,
    justifyContent: "space-between",
  },
});

export const SizingBox = styled("div")({
  display: "grid",
  gap: 12,
});
