import { createTheme } from "@mui/material/styles";
import { BUTTONS } from "./components/buttons";
import { CHOICES } from "./components/choices";
import { FIELDS } from "./components/fields";
import { BASE } from "./components/base";
import { MESSAGES } from "./components/messages";
import { OVERLAYS } from "./components/overlays";
import { SURFACES } from "./components/surfaces";
import { TABLES } from "./components/tables";
import { paletteOf } from "./palette";
import { DARK, LIGHT } from "./roles";
import { TYPE } from "./type";

/** What is a phone here: one column, places at the foot, targets for a thumb. */
export const PHONE_PX = 760;
/** Below this the page is one column, though it has a mouse. */
export const NARROW_PX = 1100;

/** The one theme: our roles, type and measures, light and dark, for every control of the page. */
export const theme = createTheme({
  cssVariables: { cssVarPrefix: "", colorSchemeSelector: "data-scheme" },
  colorSchemes: {
    light: { palette: paletteOf("light", LIGHT) },
    dark: { palette: paletteOf("dark", DARK) },
  },
  breakpoints: { values: { xs: 0, sm: PHONE_PX, md: NARROW_PX, lg: 1280, xl: 1600 } },
  shape: { borderRadius: 4 },
  spacing: 4,
  shadows: Array.from({ length: 25 }, () => "none") as never,
  transitions: { create: () => "none" },
  typography: TYPE,
  components: {
    ...BASE,
    ...BUTTONS,
    ...CHOICES,
    ...FIELDS,
    ...MESSAGES,
    ...OVERLAYS,
    ...SURFACES,
    ...TABLES,
  },
});
