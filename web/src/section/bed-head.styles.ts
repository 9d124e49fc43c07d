import Paper from "@mui/material/Paper";
import { Link } from "react-router";
import { styled } from "@mui/material/styles";

export const BedHeadBox = styled("header")({
  display: "flex",
  gap: "6px 14px",
  alignItems: "center",
  flexWrap: "wrap",
  marginBottom: 4,
});

export const BedTitle = styled("h1")({
  margin: 0,
  "& input": {
    maxWidth: "70vw",
    padding: "0 2px",
    border: "1px solid transparent",
    borderRadius: 4,
    background: "none",
    color: "var(--palette-ink)",
    fontWeight: 720,
    fontSize: "var(--text-huge)",
    lineHeight: 1.2,
    fontStretch: "112%",
    fieldSizing: "content",
  },
  "& input:hover": {
    borderColor: "var(--palette-line)",
  },
  "@media (max-width: 760px)": {
    "& input": {
      maxWidth: "88vw",
      fontSize: "var(--text-large)",
    },
  },
});

export const BedMeasures = styled("div")({
  display: "flex",
  gap: 6,
  alignItems: "center",
  flexWrap: "wrap",
  color: "var(--palette-soft)",
  fontSize: "var(--text-plain)",
});

export const BedMeasure = styled("span")({
  display: "inline-flex",
  gap: 6,
  alignItems: "center",
});

export const ShapeChangeBox = styled("div")({
  display: "grid",
  gap: 10,
  width: "100%",
  justifyItems: "start",
});

export const BedChip = styled(Link)({
  marginLeft: 4,
  color: "var(--palette-ink)",
});

export const MoreMeasuresBox = styled(Paper)({
  display: "flex",
  gap: 16,
  alignItems: "flex-end",
  flexWrap: "wrap",
  width: "100%",
  padding: "10px 12px",
  "& [data-part=segments] button": {
    height: 26,
  },
}) as typeof Paper;

export const MoreNote = styled("p")({
  flex: "1 1 240px",
  margin: 0,
  color: "var(--palette-soft)",
  fontSize: "var(--text-small)",
});

export const CornerDepthsBox = styled("fieldset")({
  display: "flex",
  gap: 10,
  alignItems: "flex-end",
  flexWrap: "wrap",
  margin: 0,
  padding: 0,
  border: "0",
});

export const BuriedBox = styled("fieldset")({
  display: "grid",
  gap: 8,
  width: "100%",
  margin: 0,
  padding: 0,
  border: "0",
  "& [data-part=corner-row]": {
    alignItems: "flex-end",
    flexWrap: "wrap",
  },
  "& [data-part=corner-row] > strong": {
    width: 84,
    paddingBottom: 6,
    fontSize: "var(--text-plain)",
  },
});
