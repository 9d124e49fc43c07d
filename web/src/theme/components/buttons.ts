import { CONTROL_PX, tall, THUMB, THUMB_PX, type Family } from "./parts";

declare module "@mui/material/Button" {
  interface ButtonPropsVariantOverrides {
    /** Words in a sentence or a row of words that do something. */
    link: true;
  }
}

/** What is pressed. Plain ones are outlined; the one that acts is filled with iron. */
export const BUTTONS: Family = {
  MuiButton: {
    defaultProps: { variant: "outlined", color: "inherit", disableElevation: true, size: "small" },
    styleOverrides: {
      root: ({ theme }) => ({
        ...tall,
        minWidth: 0,
        [THUMB]: { minWidth: THUMB_PX, minHeight: THUMB_PX },
        padding: "4px 11px",
        borderRadius: 4,
        whiteSpace: "nowrap",
        "&.Mui-disabled": { opacity: 0.5, color: "inherit" },
        "&:hover": { backgroundColor: theme.vars.palette.wash },
      }),
      outlined: ({ theme }) => ({ borderColor: theme.vars.palette.line }),
      contained: ({ theme }) => ({
        backgroundColor: theme.vars.palette.iron,
        color: theme.vars.palette.onIron,
        fontWeight: 650,
        "&:hover": { backgroundColor: theme.vars.palette.ink, color: theme.vars.palette.sheet },
        "&.Mui-disabled": { backgroundColor: theme.vars.palette.iron, color: theme.vars.palette.onIron },
      }),
      text: { padding: "4px 8px" },
    },
    variants: [
      {
        props: { variant: "link" },
        style: ({ theme }) => ({
          ...tall,
          [THUMB]: { minWidth: THUMB_PX, minHeight: THUMB_PX, justifyContent: "flex-start" },
          padding: 0,
          textDecoration: "underline",
          textUnderlineOffset: 2,
          whiteSpace: "normal",
          textAlign: "left",
          "&:hover": {
            textDecoration: "underline",
            backgroundColor: "transparent",
            color: theme.vars.palette.iron,
          },
        }),
      },
      {
        props: { variant: "link", color: "primary" },
        style: ({ theme }) => ({ color: theme.vars.palette.iron }),
      },
    ],
  },
  MuiIconButton: {
    defaultProps: { size: "small", color: "inherit" },
    styleOverrides: {
      root: ({ theme }) => ({
        minWidth: CONTROL_PX,
        minHeight: CONTROL_PX,
        border: `1px solid ${theme.vars.palette.line}`,
        borderRadius: 4,
        padding: 4,
        fontFamily: "inherit",
        fontSize: 14,
        fontWeight: 650,
        "&:hover": { backgroundColor: theme.vars.palette.wash },
        [THUMB]: { minWidth: THUMB_PX, minHeight: THUMB_PX },
      }),
    },
  },
};
