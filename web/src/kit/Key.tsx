import { styled } from "@mui/material/styles";

/** A key of the keyboard. */
export const Key = styled("kbd")(({ theme }) => ({
  display: "inline-block",
  padding: "0 5px",
  border: `1px solid ${theme.vars.palette.line}`,
  borderRadius: 3,
  backgroundColor: theme.vars.palette.sheet,
  color: theme.vars.palette.ink,
  fontFamily: "inherit",
  fontSize: "var(--text-micro)",
  fontWeight: 600,
}));
