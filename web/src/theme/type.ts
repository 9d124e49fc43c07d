import type { TypographyVariantsOptions } from "@mui/material/styles";

declare module "@mui/material/styles" {
  interface TypographyVariants {
    view: React.CSSProperties;
    sheetTitle: React.CSSProperties;
    panelTitle: React.CSSProperties;
    strong: React.CSSProperties;
    note: React.CSSProperties;
    figure: React.CSSProperties;
    ruler: React.CSSProperties;
  }
  interface TypographyVariantsOptions {
    view?: React.CSSProperties;
    sheetTitle?: React.CSSProperties;
    panelTitle?: React.CSSProperties;
    strong?: React.CSSProperties;
    note?: React.CSSProperties;
    figure?: React.CSSProperties;
    ruler?: React.CSSProperties;
  }
}
declare module "@mui/material/Typography" {
  interface TypographyPropsVariantOverrides {
    view: true;
    sheetTitle: true;
    panelTitle: true;
    strong: true;
    note: true;
    figure: true;
    ruler: true;
    h1: false;
    h2: false;
    h3: false;
    h4: false;
    h5: false;
    h6: false;
    overline: false;
    subtitle1: false;
    subtitle2: false;
  }
}

export const FAMILY = '"Archivo Variable", Archivo, system-ui, sans-serif';

/** Archivo on its width axis: wider for headings and great figures, as it is for what is read. */
export const TYPE: TypographyVariantsOptions = {
  fontFamily: FAMILY,
  fontSize: 14,
  fontWeightRegular: 400,
  fontWeightMedium: 600,
  fontWeightBold: 650,
  body1: { fontSize: 14, lineHeight: 1.45 },
  body2: { fontSize: 13, lineHeight: 1.4 },
  button: { fontSize: 13, fontWeight: 600, lineHeight: 1.2, textTransform: "none", letterSpacing: 0 },
  caption: { fontSize: 12, lineHeight: 1.35 },
  view: { fontSize: 29, fontWeight: 720, fontStretch: "112%", lineHeight: 1.2 },
  sheetTitle: { fontSize: 18, fontWeight: 680, fontStretch: "106%", lineHeight: 1.2 },
  panelTitle: { fontSize: 14, fontWeight: 650, lineHeight: 1.3 },
  strong: { fontSize: 13.5, fontWeight: 650, lineHeight: 1.35 },
  note: { fontSize: 12.5, lineHeight: 1.45 },
  figure: { fontSize: 30, fontWeight: 700, fontStretch: "112%", lineHeight: 1.1 },
  ruler: { fontSize: 12, fontWeight: 650, fontStretch: "92%", lineHeight: 1.2 },
};
