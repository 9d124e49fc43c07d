import type { Components, Theme } from "@mui/material/styles";

/** A family of components as the theme takes them. */
export type Family = Components<Omit<Theme, "components">>;

/** Where targets are made for a thumb: on a phone, and wherever the pointer is coarse. */
export const THUMB = "@media (max-width: 760px), (pointer: coarse)";

/** A control's height [px], and on a phone. */
export const CONTROL_PX = 32;
export const THUMB_PX = 44;

export const tall = { minHeight: CONTROL_PX, [THUMB]: { minHeight: THUMB_PX } } as const;
