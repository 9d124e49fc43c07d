import { styled } from "@mui/material/styles";

export const NewBedBox = styled("main")({
  maxWidth: 760,
  padding: "18px 20px 90px",
  "& h1": {
    margin: "0 0 16px",
    fontWeight: 720,
    fontSize: "var(--text-huge)",
    fontStretch: "112%",
  },
  "& form": {
    display: "grid",
    gap: 16,
    justifyItems: "start",
    padding: 18,
    border: "1px solid var(--palette-line)",
    borderRadius: 4,
    background: "var(--palette-sheet)",
  },
});

export const NewRow = styled("div")({
  display: "flex",
  gap: 20,
  alignItems: "flex-end",
  flexWrap: "wrap",
  marginBottom: 18,
  "& [data-part=measure-input]": {
    height: 34,
  },
  "& [data-part=segments] button": {
    height: 32,
    padding: "0 16px",
  },
});

export const NewName = styled("label")({
  "& [data-part=measure-input]": {
    height: 34,
    width: 320,
    maxWidth: "80vw",
  },
});

export const NewFill = styled("div")({
  width: 220,
  "& [data-part=finder-input]": {
    height: 34,
  },
});

export const NewProblem = styled("p")({
  margin: 0,
  color: "var(--palette-iron)",
  fontWeight: 600,
});
