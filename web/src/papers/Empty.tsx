import { styled } from "@mui/material/styles";

/** A box to tick with a pencil. */
export const Empty = styled("span")(({ theme }) => ({
  display: "inline-block",
  width: 13,
  height: 13,
  verticalAlign: "-2px",
  border: `1.5px solid ${theme.vars.palette.ink}`,
  borderRadius: 2,
}));
