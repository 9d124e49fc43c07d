import { styled } from "@mui/material/styles";

/** Rows of a list with hairlines between them. */
export const RuledList = styled("ul")(({ theme }) => ({
  margin: "8px 0 12px",
  "& > li": {
    display: "flex",
    gap: 14,
    alignItems: "center",
    flexWrap: "wrap",
    padding: "5px 0",
    borderTop: `1px solid ${theme.vars.palette.line}`,
  },
  "& > li > span:first-of-type": { minWidth: 74, color: theme.vars.palette.soft },
  '& > li[data-state="changed"] > span:last-of-type': { color: theme.vars.palette.iron, fontWeight: 600 },
  '& > li[data-state="same"]': { opacity: 0.75 },
  "& code": { fontWeight: 700 },
}));
