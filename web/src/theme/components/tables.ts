import type { Family } from "./parts";

/** Tables: hairlines, figures to the right by `align`. */
export const TABLES: Family = {
  MuiTable: { defaultProps: { size: "small" } },
  MuiTableCell: {
    styleOverrides: {
      root: ({ theme }) => ({
        padding: "5px 10px 5px 0",
        borderBottom: `1px solid ${theme.vars.palette.line}`,
        color: "inherit",
        fontSize: 13,
        lineHeight: 1.35,
        "&:last-child": { paddingRight: 0 },
      }),
      head: ({ theme }) => ({
        color: theme.vars.palette.soft,
        fontSize: 12.5,
        fontWeight: 600,
        verticalAlign: "bottom",
      }),
      body: { fontWeight: "inherit" },
      alignRight: { whiteSpace: "nowrap" },
    },
  },
};
