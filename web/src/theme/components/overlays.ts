import { tall, type Family } from "./parts";

/** What opens over the page. */
export const OVERLAYS: Family = {
  MuiBackdrop: {
    styleOverrides: {
      root: ({ theme }) => ({ backgroundColor: theme.vars.palette.veil }),
      invisible: { backgroundColor: "transparent" },
    },
  },
  MuiDialog: {
    defaultProps: { transitionDuration: 0, fullWidth: true, maxWidth: "sm" },
    styleOverrides: {
      container: { alignItems: "flex-start", paddingTop: "7vh" },
      paper: ({ theme }) => ({
        margin: 16,
        maxHeight: "84vh",
        border: `1px solid ${theme.vars.palette.soft}`,
      }),
    },
  },
  MuiDialogTitle: {
    styleOverrides: {
      root: { padding: "16px 20px 8px", fontSize: 19, fontWeight: 700, fontStretch: "108%", lineHeight: 1.2 },
    },
  },
  MuiDialogContent: { styleOverrides: { root: { padding: "4px 20px 16px" } } },
  MuiDialogActions: {
    styleOverrides: { root: { padding: "0 20px 16px", justifyContent: "flex-start", gap: 8 } },
  },
  MuiDrawer: {
    defaultProps: { transitionDuration: 0 },
    styleOverrides: { paper: ({ theme }) => ({ borderColor: theme.vars.palette.soft }) },
  },
  MuiPopover: {
    defaultProps: { transitionDuration: 0 },
    styleOverrides: { paper: ({ theme }) => ({ border: `1px solid ${theme.vars.palette.soft}` }) },
  },
  MuiMenu: { defaultProps: { transitionDuration: 0 } },
  MuiMenuItem: {
    styleOverrides: { root: { ...tall, gap: 10, padding: "4px 14px", fontSize: 13.5 } },
  },
};
