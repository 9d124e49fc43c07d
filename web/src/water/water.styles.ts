import Paper from "@mui/material/Paper";
import { styled } from "@mui/material/styles";

export const WaterViewBox = styled("main")({
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr) 330px",
  gap: 20,
  height: "100%",
  padding: "14px 20px 16px",
  "@media (max-width: 1100px)": {
    gridTemplateColumns: "minmax(0, 1fr)",
    height: "auto",
    padding: "12px 12px 90px",
  },
});

export const WaterWork = styled("div")({
  minWidth: 0,
  minHeight: 0,
  overflow: "auto",
});

export const WaterAside = styled(Paper)({
  minHeight: 0,
  padding: "14px 16px",
  overflow: "auto",
  "& h2": {
    margin: "0 0 6px",
    fontWeight: 650,
    fontSize: "var(--text-body)",
  },
  "& section + section": {
    marginTop: 18,
  },
}) as typeof Paper;

export const WaterHead = styled("header")({
  display: "flex",
  gap: "8px 14px",
  alignItems: "center",
  flexWrap: "wrap",
  marginBottom: 8,
  "& [data-part=view-title]": {
    margin: "0 auto 0 0",
  },
  "& a": {
    display: "inline-grid",
    placeItems: "center",
    textDecoration: "none",
  },
});

export const WaterTop = styled("div")({
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr) 300px",
  gap: 18,
  "@media (max-width: 1100px)": {
    gridTemplateColumns: "minmax(0, 1fr)",
    height: "auto",
  },
});

export const WaterCut = styled("div")({
  "& text": {
    fill: "var(--palette-ink)",
    fontWeight: 550,
    fontSize: "var(--text-ruler)",
    fontVariantNumeric: "tabular-nums",
  },
});

export const WaterYear = styled("div")({
  "& text": {
    fill: "var(--palette-ink)",
    fontWeight: 550,
    fontSize: "var(--text-ruler)",
    fontVariantNumeric: "tabular-nums",
  },
});

export const WaterSliders = styled("div")({
  display: "grid",
  gap: 10,
  alignContent: "start",
});

export const WaterSlider = styled("label")({
  display: "grid",
  gridTemplateColumns: "1fr auto",
  gap: "0 10px",
  alignItems: "baseline",
  fontSize: "var(--text-small)",
  "& label": {
    display: "grid",
    gridTemplateColumns: "1fr auto",
    gap: "0 10px",
    alignItems: "baseline",
    fontSize: "var(--text-small)",
  },
  "& b": {
    fontWeight: 650,
  },
  "& input": {
    gridColumn: "1 / -1",
    width: "100%",
    height: 24,
    margin: 0,
    accentColor: "var(--palette-water)",
  },
});

export const WaterFields = styled("div")({
  display: "flex",
  gap: 10,
  alignItems: "flex-end",
  flexWrap: "wrap",
});

export const WaterTold = styled("p")({
  padding: "8px 12px",
  border: "1px solid var(--palette-line)",
  borderRadius: 4,
  fontSize: "var(--text-plain)",
  "&[data-leak]": {
    borderColor: "var(--palette-iron)",
    color: "var(--palette-iron)",
    fontWeight: 650,
  },
});

export const WaterList = styled("ul")({
  margin: 0,
  padding: 0,
  listStyle: "none",
  fontSize: "var(--text-small)",
  "& li": {
    display: "flex",
    gap: 10,
    alignItems: "center",
    minHeight: 28,
    borderTop: "1px solid var(--palette-line)",
  },
  "& li > span:first-child": {
    flex: "0 0 72px",
  },
  "& button": {
    marginLeft: "auto",
  },
});

export const WaterDipEntry = styled("div")({
  display: "flex",
  marginBottom: 8,
  gap: 8,
  alignItems: "flex-end",
  "& [data-part=main-button]": {
    height: 44,
    flex: "1",
  },
});

export const WaterStart = styled(Paper)({
  maxWidth: 560,
  padding: 20,
}) as typeof Paper;
