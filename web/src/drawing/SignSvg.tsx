import { styled } from "@mui/material/styles";

/** A sign: plain strokes in the colour of the words beside it. */
export const SignSvg = styled("svg")({
  flex: "none",
  fill: "none",
  stroke: "currentColor",
  strokeWidth: 1.7,
  strokeLinecap: "round",
  strokeLinejoin: "round",
});
