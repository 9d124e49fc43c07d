import { CONTROL_PX, THUMB, THUMB_PX, type Family } from "./parts";

/** What is typed in: the label stands over its field, the field is as high as a button. */
export const FIELDS: Family = {
  MuiTextField: { defaultProps: { size: "small", variant: "outlined", autoComplete: "off" } },
  MuiFormControl: { defaultProps: { size: "small" } },
  MuiInputLabel: {
    defaultProps: { shrink: true, required: false },
    styleOverrides: {
      root: ({ theme }) => ({
        position: "static",
        transform: "none",
        maxWidth: "none",
        marginBottom: 4,
        color: theme.vars.palette.soft,
        fontSize: 13,
        lineHeight: 1.3,
        whiteSpace: "nowrap",
        overflow: "visible",
        pointerEvents: "auto",
        "&.Mui-focused, &.Mui-error": { color: theme.vars.palette.soft },
      }),
    },
  },
  MuiFormLabel: { styleOverrides: { asterisk: { display: "none" } } },
  MuiOutlinedInput: {
    defaultProps: { notched: false },
    styleOverrides: {
      root: ({ theme }) => ({
        borderRadius: 4,
        backgroundColor: theme.vars.palette.sheet,
        fontSize: 13.5,
        fontWeight: 600,
        "&:hover .MuiOutlinedInput-notchedOutline": { borderColor: theme.vars.palette.soft },
        "&.Mui-focused .MuiOutlinedInput-notchedOutline": {
          borderWidth: 2,
          borderColor: theme.vars.palette.iron,
        },
        "&.Mui-error .MuiOutlinedInput-notchedOutline": { borderColor: theme.vars.palette.iron },
      }),
      notchedOutline: ({ theme }) => ({
        top: 0,
        borderColor: theme.vars.palette.line,
        "& legend": { display: "none" },
      }),
      input: {
        height: CONTROL_PX,
        boxSizing: "border-box",
        padding: "0 8px",
        [THUMB]: { height: THUMB_PX },
        "&:focus-visible": { outline: "none" },
      },
      multiline: { padding: 8 },
    },
  },
  MuiInputBase: {
    styleOverrides: {
      input: ({ theme }) => ({
        "&::placeholder": { color: theme.vars.palette.soft, opacity: 1, fontWeight: 400 },
      }),
    },
  },
  MuiInputAdornment: {
    styleOverrides: {
      root: { fontSize: 12.5, "& p": { fontSize: 12.5 } },
      positionEnd: { marginLeft: 0 },
    },
  },
  MuiFormHelperText: {
    styleOverrides: {
      root: ({ theme }) => ({
        position: "absolute",
        // it lies over what is pressed next, and must never be in its way
        pointerEvents: "none",
        "& button": { pointerEvents: "auto" },
        zIndex: theme.zIndex.appBar,
        top: "calc(100% + 3px)",
        left: 0,
        width: "max-content",
        maxWidth: "min(272px, 84vw)",
        margin: 0,
        padding: "4px 8px",
        border: `1px solid ${theme.vars.palette.line}`,
        borderRadius: 4,
        backgroundColor: theme.vars.palette.sheet,
        color: theme.vars.palette.soft,
        fontSize: 12.5,
        lineHeight: 1.35,
        "&.Mui-error": { borderColor: theme.vars.palette.iron, color: theme.vars.palette.iron },
      }),
    },
  },
  MuiNativeSelect: { styleOverrides: { select: { paddingRight: "26px !important" } } },
  MuiSelect: { defaultProps: { native: true } },
  MuiAutocomplete: {
    defaultProps: { size: "small", autoHighlight: true, forcePopupIcon: false, disablePortal: false },
    styleOverrides: {
      inputRoot: { padding: "0 !important" },
      input: { padding: "0 8px !important" },
      paper: ({ theme }) => ({ marginTop: 3, border: `1px solid ${theme.vars.palette.soft}` }),
      listbox: { maxHeight: "min(340px, 44vh)", padding: 4 },
      option: ({ theme }) => ({
        minHeight: `${CONTROL_PX + 4}px !important`,
        gap: 10,
        padding: "5px 8px !important",
        borderRadius: 4,
        fontSize: 13.5,
        [THUMB]: { minHeight: `${THUMB_PX}px !important` },
        "&.Mui-focused": { backgroundColor: `${theme.vars.palette.wash} !important` },
      }),
      noOptions: { fontSize: 13.5 },
    },
  },
};
