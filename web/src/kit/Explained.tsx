import Tooltip from "@mui/material/Tooltip";
import { styled } from "@mui/material/styles";
import type { ReactNode } from "react";

const Word = styled("span")(({ theme }) => ({
  borderBottom: `1px dotted ${theme.vars.palette.soft}`,
  cursor: "help",
}));

/** A word of the work with what it means, on hover, on focus and under a finger held on it. */
export function Explained({ why, children }: { why: string; children: ReactNode }) {
  return (
    <Tooltip title={why} describeChild>
      <Word tabIndex={0}>{children}</Word>
    </Tooltip>
  );
}
