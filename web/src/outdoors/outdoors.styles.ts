import Button from "@mui/material/Button";
import { styled } from "@mui/material/styles";

/** What a thumb in a wet glove hits [px]. */
const GLOVED = 64;

export const Outdoors = styled("main")(({ theme }) => ({
  position: "fixed",
  inset: 0,
  display: "grid",
  gridTemplateRows: "auto minmax(0, 1fr) auto",
  background: theme.vars.palette.sheet,
  color: theme.vars.palette.ink,
  "& header": {
    display: "flex",
    gap: 8,
    alignItems: "center",
    flexWrap: "wrap",
    padding: "8px 12px",
    borderBottom: `2px solid ${theme.vars.palette.ink}`,
  },
}));

export const OneThing = styled("section")({
  overflow: "auto",
  padding: "14px 16px",
  display: "grid",
  gap: 14,
  alignContent: "start",
  fontSize: 19,
  lineHeight: 1.35,
  "& h1": { fontSize: 30, fontWeight: 720, lineHeight: 1.15 },
  "& li": { marginBottom: 6 },
});

/** The one figure that is wanted now. */
export const Mark = styled("p")(({ theme }) => ({
  fontSize: 38,
  fontWeight: 760,
  fontStretch: "112%",
  lineHeight: 1.1,
  borderLeft: `8px solid ${theme.vars.palette.iron}`,
  paddingLeft: 14,
}));

/** Within reach of the thumb of one hand. */
export const Hand = styled("footer")(({ theme }) => ({
  display: "flex",
  gap: 10,
  padding: "10px 12px 14px",
  borderTop: `2px solid ${theme.vars.palette.ink}`,
  "&[data-hand=left]": { flexDirection: "row-reverse" },
}));

export const Large = styled(Button)({
  "&&": { minHeight: GLOVED, minWidth: GLOVED, fontSize: 20 },
}) as typeof Button;
