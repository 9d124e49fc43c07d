/** What all charts look alike in. */
export const CHART = {
  "& .MuiLineElement-root": { strokeWidth: 2 },
  "& .MuiChartsAxis-line, & .MuiChartsAxis-tick": { stroke: "var(--palette-leader) !important" },
  "& .MuiChartsGrid-line": { stroke: "var(--palette-line) !important" },
  "& .MuiChartsAxis-tickLabel": {
    fill: "var(--palette-soft) !important",
    fontSize: "var(--text-micro) !important",
    fontFamily: "inherit !important",
  },
} as const;
