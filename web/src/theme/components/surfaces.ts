import { CONTROL_PX, tall, type Family } from "./parts";

/** Sheets with hairlines, what opens in them, and the tabs over them. */
export const SURFACES: Family = {
  MuiPaper: {
    defaultProps: { elevation: 0, square: false },
    styleOverrides: {
      root: { backgroundImage: "none" },
      outlined: ({ theme }) => ({ borderColor: theme.vars.palette.line }),
    },
  },
  MuiAccordion: {
    defaultProps: {
      disableGutters: true,
      elevation: 0,
      square: true,
      slotProps: {
        transition: { timeout: 0, unmountOnExit: true },
        heading: { component: "div" },
        region: { role: undefined },
      },
    },
    styleOverrides: {
      root: ({ theme }) => ({
        borderTop: `1px solid ${theme.vars.palette.line}`,
        backgroundColor: "transparent",
        "&:before": { display: "none" },
      }),
    },
  },
  MuiAccordionSummary: {
    styleOverrides: {
      root: { ...tall, padding: 0, fontFamily: "inherit", fontSize: 13 },
      content: {
        gap: 12,
        alignItems: "center",
        justifyContent: "space-between",
        margin: 0,
        "& > :first-child::before": { content: '"+ "' },
        ".Mui-expanded > & > :first-child::before": { content: '"− "' },
      },
    },
  },
  MuiAccordionDetails: { styleOverrides: { root: { padding: "0 0 10px" } } },
  MuiTabs: {
    styleOverrides: {
      root: { minHeight: CONTROL_PX },
      indicator: ({ theme }) => ({ height: 3, backgroundColor: theme.vars.palette.iron }),
    },
  },
  MuiTab: {
    styleOverrides: {
      root: ({ theme }) => ({
        ...tall,
        minWidth: 0,
        padding: "4px 12px",
        color: theme.vars.palette.soft,
        "&.Mui-selected": { color: theme.vars.palette.ink },
      }),
    },
  },
  MuiBreadcrumbs: {
    defaultProps: { separator: "›" },
    styleOverrides: { root: { fontSize: 13 }, separator: { marginLeft: 6, marginRight: 6 } },
  },
  MuiCard: { defaultProps: { variant: "outlined" } },
  MuiDivider: { styleOverrides: { root: ({ theme }) => ({ borderColor: theme.vars.palette.line }) } },
};
