import { TEXT_VARS } from "../sizes";
import type { Family } from "./parts";

/** The page itself, and what every component shares. */
export const BASE: Family = {
  MuiCssBaseline: {
    styleOverrides: (theme) => ({
      ":root": TEXT_VARS,
      body: { fontVariantNumeric: "tabular-nums" },
      "#root": { height: "100dvh" },
      "h1, h2, h3, p, ul, ol, dl, dd, figure": { margin: 0 },
      "ul, ol": { padding: 0, listStyle: "none" },
      ":focus-visible": { outline: `2px solid ${theme.vars.palette.iron}`, outlineOffset: 1 },
      b: { fontWeight: 650 },
      "@media print": { body: { background: "none" } },
    }),
  },
  MuiButtonBase: {
    defaultProps: { disableRipple: true },
    styleOverrides: {
      root: ({ theme }) => ({
        "&.Mui-focusVisible": { outline: `2px solid ${theme.vars.palette.iron}`, outlineOffset: 1 },
      }),
    },
  },
  MuiTypography: {
    defaultProps: {
      variantMapping: {
        view: "h1",
        sheetTitle: "h2",
        panelTitle: "h2",
        strong: "strong",
        note: "p",
        figure: "b",
        ruler: "span",
        body1: "p",
        body2: "p",
      },
    },
    styleOverrides: {
      root: ({ ownerState, theme }) => ({
        ...(ownerState.variant === "note" && !ownerState.color && { color: theme.vars.palette.soft }),
      }),
    },
  },
  MuiLink: {
    defaultProps: { color: "inherit", underline: "always" },
    styleOverrides: { root: { textUnderlineOffset: 2, fontWeight: 600 } },
  },
  MuiSvgIcon: { defaultProps: { fontSize: "small" } },
};
