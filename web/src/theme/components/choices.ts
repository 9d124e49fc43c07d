import { CONTROL_PX, tall, THUMB, THUMB_PX, type Family } from "./parts";

/** One of a few, yes or no, and what is slid. */
export const CHOICES: Family = {
  MuiToggleButtonGroup: {
    defaultProps: { exclusive: true, size: "small" },
    styleOverrides: {
      root: ({ theme }) => ({
        border: `1px solid ${theme.vars.palette.line}`,
        borderRadius: 4,
        overflow: "hidden",
        backgroundColor: theme.vars.palette.sheet,
      }),
      grouped: ({ theme }) => ({
        border: 0,
        borderRadius: 0,
        borderRight: `1px solid ${theme.vars.palette.line}`,
        marginLeft: 0,
        "&:last-of-type": { borderRight: 0 },
      }),
    },
  },
  MuiToggleButton: {
    styleOverrides: {
      root: ({ theme }) => ({
        // as wide as its words: of equal shares the longest would run over its edges
        flex: "1 1 auto",
        minHeight: CONTROL_PX,
        padding: "3px 9px",
        color: theme.vars.palette.soft,
        fontSize: 12.5,
        whiteSpace: "nowrap",
        [THUMB]: { minWidth: THUMB_PX, minHeight: THUMB_PX },
        "&:hover": { backgroundColor: theme.vars.palette.wash },
        "&.Mui-selected, &.Mui-selected:hover": {
          backgroundColor: theme.vars.palette.ink,
          color: theme.vars.palette.sheet,
        },
        "&.Mui-focusVisible": { outlineOffset: -3 },
      }),
    },
  },
  MuiCheckbox: {
    defaultProps: { size: "small", color: "primary" },
    styleOverrides: {
      root: ({ theme }) => ({
        ...tall,
        minWidth: CONTROL_PX,
        padding: 5,
        color: theme.vars.palette.soft,
        [THUMB]: { minHeight: THUMB_PX, minWidth: THUMB_PX },
        "&:hover": { backgroundColor: "transparent" },
        "&.Mui-focusVisible": { outline: `2px solid ${theme.vars.palette.iron}`, borderRadius: 4 },
      }),
    },
  },
  MuiFormControlLabel: {
    styleOverrides: { root: { marginLeft: -6, marginRight: 0 }, label: { fontSize: 13.5 } },
  },
  MuiSlider: {
    defaultProps: { size: "small" },
    styleOverrides: {
      root: ({ theme }) => ({
        height: 6,
        padding: "13px 0",
        color: theme.vars.palette.iron,
        [THUMB]: { padding: "19px 0" },
      }),
      rail: ({ theme }) => ({
        border: `1px solid ${theme.vars.palette.leader}`,
        backgroundColor: theme.vars.palette.sheet,
        opacity: 1,
      }),
      track: { border: 0 },
      thumb: ({ theme }) => ({
        width: 14,
        height: 14,
        boxShadow: "none",
        "&:before": { display: "none" },
        // what is pressed is larger than what is seen
        "&::after": { width: 36, height: 36 },
        [THUMB]: { "&::after": { width: 44, height: 44 } },
        "&:hover, &.Mui-active": { boxShadow: "none" },
        "&.Mui-focusVisible": {
          boxShadow: "none",
          outline: `2px solid ${theme.vars.palette.iron}`,
          outlineOffset: 2,
        },
      }),
      mark: { display: "none" },
      markLabel: ({ theme }) => ({ color: theme.vars.palette.soft, fontSize: 12.5 }),
    },
  },
};
