import type { PaletteOptions } from "@mui/material/styles";
import type {} from "@mui/material/themeCssVarsAugmentation";
import type { Roles } from "./roles";

declare module "@mui/material/styles" {
  interface Palette extends Roles {
    mode: "light" | "dark";
  }
  interface PaletteOptions extends Partial<Roles> {
    mode?: "light" | "dark";
  }
}

/** The library's own palette said in our roles, with the roles beside it. */
export function paletteOf(mode: "light" | "dark", roles: Roles): PaletteOptions {
  const plain = (main: string) => ({ main, light: main, dark: main, contrastText: roles.onIron });
  return {
    mode,
    ...roles,
    primary: plain(roles.iron),
    secondary: { ...plain(roles.ink), contrastText: roles.sheet },
    error: plain(roles.iron),
    warning: { ...plain(roles.straw), contrastText: roles.tag },
    info: plain(roles.water),
    success: plain(roles.moss),
    text: { primary: roles.ink, secondary: roles.soft, disabled: roles.soft },
    divider: roles.line,
    background: { default: roles.ground, paper: roles.sheet },
    action: { hover: roles.wash, selected: roles.wash, focus: roles.wash, active: roles.ink },
  };
}
