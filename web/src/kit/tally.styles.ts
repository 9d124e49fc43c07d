import { styled } from "@mui/material/styles";

/** The one great figure of a tally, with what it is. */
export const TallyVolume = styled("p")(({ theme }) => ({
  color: theme.vars.palette.soft,
  fontSize: "var(--text-lead)",
  "& b": {
    color: theme.vars.palette.ink,
    fontSize: "var(--text-huge)",
    fontWeight: 700,
    fontStretch: "112%",
  },
}));

export const TallyBox = styled("section")(({ theme }) => ({
  "&[aria-busy=true] b, &[aria-busy=true] dd": { color: theme.vars.palette.soft },
}));
