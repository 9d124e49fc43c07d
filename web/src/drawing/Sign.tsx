import { SignSvg } from "./SignSvg";

/** The rail's own signs, drawn on a 22 px square. */

const SIGNS = {
  plot: "M3 3h7v9H3zM13 3h6v5h-6zM13 11h6v8h-6zM3 15h7v4H3z",
  section: "M4 3v16h14V3M4 9h14M4 14h14",
  blend: "M4 8L6 19H16L18 8M2.5 8h17M7 8a4 4 0 0 1 8 0M8 13h6",
  water: "M2 8c3-3 6-3 9 0s6 3 9 0M2 13c3-3 6-3 9 0s6 3 9 0M2 18c3-3 6-3 9 0s6 3 9 0",
  planting: "M11 19V9M11 13c-5 0-7-3-7-7 5 0 7 3 7 7zM11 10c0-4 2-6 7-6 0 4-2 6-7 6zM4 19h14",
  frame: "M2 6h18v5H2zM2 11h18v5H2zM6 6v5M16 11v5",
  haul: "M5.5 5H20.5L17 12H8.5ZM1.5 8.5L8.5 12L15.5 16M9 12L7.5 18.5M20 16.8a2.6 2.6 0 1 1-5.2 0a2.6 2.6 0 1 1 5.2 0",
  works: "M4 18V4M4 4.5h9l-2.5 3L13 10.5H4M9 18h3M15 18h3M9 14.5l2.5 2L17 11",
  season: "M2 16c4 0 4-8 9-8s5 5 9 5M5 4v3M11 3v2M17 5v4M2 19h18",
  shelf: "M2 9h18M2 18h18M5 9V4h4v5M13 9V5h5v4M4 18v-5h6v5M14 18v-4h4v4",
  sure: "M2 18h18M3 17c5 0 5-12 8-12s3 12 8 12M8 18V9.5M14 18V9.5",
  wishes: "M3 19V11h7v8M10 15h9v4H3M14.5 3v7M11 6.5h7M12 4l5 5M17 4l-5 5",
  outdoors: "M7 2h8v18H7zM10 17h2M4 6C2 9 2 13 4 16M18 6c2 3 2 7 0 10",
  share:
    "M15 7a2.5 2.5 0 1 0 0-.1M5 11a2.5 2.5 0 1 0 0-.1M15 17a2.5 2.5 0 1 0 0-.1M9.5 10l6-2.5M9.5 12.5l6 3.5",
  papers: "M5 2h9l4 4v14H5zM14 2v4h4M8 10h7M8 14h7",
  gardens: "M3 19V9l8-6 8 6v10zM8 19v-6h6v6",
  more: "M4 11h.5M11 11h.5M18 11h.5",
  find: "M9.5 3a6.5 6.5 0 1 1 0 13a6.5 6.5 0 1 1 0-13zM14.5 14.5L19 19",
  keys: "M2 6h18v10H2zM6 9.5h.5M10 9.5h.5M14 9.5h.5M17 9.5h.5M7 13h8",
  new: "M11 4v14M4 11h14",
} as const;

export type SignName = keyof typeof SIGNS;

export function Sign({ name }: { name: SignName }) {
  return (
    <SignSvg width="22" height="22" viewBox="0 0 22 22" aria-hidden="true" focusable="false">
      <path d={SIGNS[name]} />
    </SignSvg>
  );
}
