/** The sizes that text comes in [px]; styles name them as var(--text-NAME). */
export const TEXT_PX = {
  micro: 11.5,
  ruler: 12,
  note: 12.5,
  small: 13,
  plain: 13.5,
  body: 14,
  lead: 14.5,
  line: 16,
  sheet: 18,
  large: 21,
  huge: 29,
  door: 44,
} as const;

/** Them as custom properties for the page's root. */
export const TEXT_VARS = Object.fromEntries(
  Object.entries(TEXT_PX).map(([name, px]) => [`--text-${name}`, `${px}px`]),
);

/** What is acted on at the screen, and left out on paper. */
export const SCREEN_ONLY = { "@media print": { display: "none" } };
