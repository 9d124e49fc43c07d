import type { Family } from "./parts";

/** What the page tells. */
export const MESSAGES: Family = {
  MuiAlert: {
    defaultProps: { variant: "outlined", icon: false },
    styleOverrides: {
      root: ({ theme }) => ({
        padding: "4px 12px",
        borderRadius: 4,
        backgroundColor: theme.vars.palette.sheet,
        color: theme.vars.palette.ink,
        fontSize: 13.5,
      }),
      message: { padding: "5px 0", width: "100%" },
    },
  },
  MuiSnackbar: {
    defaultProps: { anchorOrigin: { vertical: "bottom", horizontal: "center" } },
    styleOverrides: {
      // clear of a phone's places at the foot
      root: { "@media (max-width: 760px)": { bottom: 76 } },
    },
  },
  MuiSnackbarContent: {
    styleOverrides: {
      root: ({ theme }) => ({
        flexWrap: "nowrap",
        border: `1px solid ${theme.vars.palette.soft}`,
        borderRadius: 4,
        backgroundColor: theme.vars.palette.rail,
        color: theme.vars.palette.onRail,
        fontSize: 13.5,
      }),
    },
  },
  MuiTooltip: {
    defaultProps: { enterDelay: 250, enterTouchDelay: 350, leaveTouchDelay: 4000, disableInteractive: true },
    styleOverrides: {
      tooltip: ({ theme }) => ({
        padding: "4px 8px",
        borderRadius: 4,
        backgroundColor: theme.vars.palette.tag,
        color: theme.vars.palette.onTag,
        border: `1px solid ${theme.vars.palette.soft}`,
        fontSize: 12.5,
        fontWeight: 500,
        lineHeight: 1.4,
      }),
    },
  },
  MuiLinearProgress: {
    styleOverrides: {
      root: ({ theme }) => ({ height: 5, borderRadius: 3, backgroundColor: theme.vars.palette.wash }),
      bar: { borderRadius: 3 },
    },
  },
  MuiSkeleton: {
    defaultProps: { animation: false, variant: "rounded" },
    styleOverrides: { root: ({ theme }) => ({ backgroundColor: theme.vars.palette.wash }) },
  },
  MuiChip: {
    defaultProps: { size: "small" },
    styleOverrides: {
      root: ({ theme }) => ({
        height: 26,
        borderRadius: 13,
        backgroundColor: theme.vars.palette.wash,
        color: theme.vars.palette.ink,
        fontSize: 12.5,
        fontWeight: 600,
      }),
      label: { paddingLeft: 10, paddingRight: 10 },
      clickable: ({ theme }) => ({
        height: 32,
        borderRadius: 16,
        textDecoration: "underline",
        textUnderlineOffset: 2,
        "&:hover": { backgroundColor: theme.vars.palette.line },
        "@media (max-width: 760px), (pointer: coarse)": { height: 44, borderRadius: 22 },
      }),
    },
  },
};
