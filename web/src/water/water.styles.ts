import { styled } from "@mui/material/styles";

export const WaterTop = styled("div")({
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr) 300px",
  gap: 18,
  "@media (max-width: 1100px)": { gridTemplateColumns: "minmax(0, 1fr)" },
});

/** The bed cut open, and under it the year of its water. */
export const WaterSeen = styled("div")({
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr)",
  gap: 10,
  alignContent: "start",
  minWidth: 0,
});

export const WaterCut = styled("div")(({ theme }) => ({
  minWidth: 0,
  overflow: "hidden",
  "& text": { ...theme.typography.caption, fill: theme.vars.palette.ink, fontWeight: 550 },
}));

export const SlideList = styled("div")({ display: "grid", gap: 2, alignContent: "start" });

export const SlideBox = styled("div")(({ theme }) => ({
  display: "grid",
  gridTemplateColumns: "1fr auto",
  gap: "0 10px",
  alignItems: "baseline",
  ...theme.typography.body2,
  "& > .MuiSlider-root": { gridColumn: "1 / -1", color: theme.vars.palette.water },
}));

export const WaterList = styled("ul")(({ theme }) => ({
  ...theme.typography.body2,
  "& li": {
    display: "flex",
    flexWrap: "wrap",
    gap: "2px 10px",
    alignItems: "center",
    minHeight: 34,
    borderTop: `1px solid ${theme.vars.palette.line}`,
  },
  "& li > span:first-of-type": { flex: "0 0 72px" },
  "& li > button": { marginLeft: "auto" },
}));
