import type { Units } from "../quantities/format";
import { FOOT_M } from "../quantities/format";

export type PaperSize = "a4" | "letter";

/** How large paper is, and what stays white round it [mm]. */
export const PAPERS: Readonly<Record<PaperSize, { label: string; width_mm: number; height_mm: number }>> = {
  a4: { label: "A4", width_mm: 210, height_mm: 297 },
  letter: { label: "Letter", width_mm: 215.9, height_mm: 279.4 },
};
export const MARGIN_MM = 12;
/** What heading, scale bar and key take of a page beside its drawing [mm]. */
const BESIDE_MM = 95;

export const PX_PER_MM = 96 / 25.4;

/** One metre of the garden is drawn as so many times less. */
const SCALES = [2, 5, 10, 15, 20, 25, 30, 40, 50, 75, 100, 150, 200, 250, 500, 1000] as const;

export type DrawnAt = {
  /** The drawing is so many times smaller than the garden. */
  times: number;
  px_per_m: number;
};

/** The largest of the usual scales at which so much fits on a page. beside_px: what labels take beside the drawing. */
export function scaleFor(
  paper: PaperSize,
  [width_m, height_m]: readonly [number, number],
  [besideX_px, besideY_px]: readonly [number, number],
): DrawnAt {
  const { width_mm, height_mm } = PAPERS[paper];
  const roomX_px = (width_mm - 2 * MARGIN_MM) * PX_PER_MM - besideX_px;
  const roomY_px = (height_mm - 2 * MARGIN_MM - BESIDE_MM) * PX_PER_MM - besideY_px;
  const px = (times: number) => (1000 / times) * PX_PER_MM;
  const times =
    SCALES.find((each) => width_m * px(each) <= roomX_px && height_m * px(each) <= roomY_px) ?? 1000;
  return { times, px_per_m: px(times) };
}

const BARS = { metric: [20, 10, 5, 2, 1, 0.5, 0.2, 0.1], ft_in: [50, 20, 10, 5, 3, 2, 1, 0.5] } as const;
const LONGEST_BAR_MM = 120;

/** How long a bar beside the drawing is [m], a round length of the garden's own units. */
export function barLength_m({ times }: DrawnAt, units: Units): number {
  const unit_m = units === "metric" ? 1 : FOOT_M;
  const fits = (count: number) => (count * unit_m * 1000) / times <= LONGEST_BAR_MM;
  return (BARS[units].find(fits) ?? BARS[units][BARS[units].length - 1] ?? 1) * unit_m;
}
