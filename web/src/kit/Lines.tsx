import Box from "@mui/material/Box";
import { styled } from "@mui/material/styles";
import type { ReactNode } from "react";

const List = styled("dl")({ margin: "6px 0 0" });

const Line = styled("div")(({ theme }) => ({
  display: "flex",
  gap: 12,
  justifyContent: "space-between",
  padding: "5px 0",
  borderTop: `1px solid ${theme.vars.palette.line}`,
  ...theme.typography.body2,
  "& dd": { margin: 0, fontWeight: 650, textAlign: "right", whiteSpace: "nowrap" },
}));

/** Figures line by line: what it is, and how much. */
export function Lines({ children }: { children: ReactNode }) {
  return <List>{children}</List>;
}

/** One line of them. */
export function FactLine({ name, children }: { name: ReactNode; children: ReactNode }) {
  return (
    <Line data-part="fact">
      <dt>{name}</dt>
      <Box component="dd">{children}</Box>
    </Line>
  );
}
