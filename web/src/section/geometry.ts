import type { BedFigures } from "../api/client";

/** Where a section stands on its sheet: one scale both ways, in px for a metre. */
export type Geometry = {
  width: number;
  height: number;
  scale: number;
  /** Inside of the walls, floor and rim [px]. */
  left: number;
  right: number;
  floor: number;
  rim: number;
  /** The highest of rim and fill. */
  top: number;
  wall: number;
  /** Middle of the break where the bed is wider than its sheet, else null. */
  breakAt: number | null;
};

export const BREAK_GAP = 22;
const MARGIN = { left: 66, right: 58, top: 64, bottom: 44 };
const LEAST_WALL = 5;
const WIDEST_BREAK = 3.4;
const LARGEST_SCALE = 1500;
const LEAST_DEPTH = 90;

/** Fit a bed's section into a width and a height. A wide bed is broken in the middle so that its depth stays readable. */
export function fitSection(figures: BedFigures, width: number, height: number): Geometry {
  const top_m = Math.max(figures.rim_m, figures.layers.at(-1)?.top_m ?? 0);
  const wall_m = (figures.outer_width_m - figures.inside_width_m) / 2;
  const room = width - MARGIN.left - MARGIN.right;
  const toFit = room / (figures.inside_width_m + 2 * wall_m);
  const toFill = (height - MARGIN.top - MARGIN.bottom) / top_m;
  const scale = Math.min(toFill, Math.max(toFit * WIDEST_BREAK, LEAST_DEPTH / top_m), LARGEST_SCALE);
  const wall = Math.max(wall_m * scale, LEAST_WALL);
  const wanted = figures.inside_width_m * scale;
  const inside = Math.min(wanted, room - 2 * wall);
  const left = MARGIN.left + wall + (room - 2 * wall - inside) / 2;
  const floor = MARGIN.top + top_m * scale;
  return {
    width,
    height: Math.min(height, floor + MARGIN.bottom),
    scale,
    left,
    right: left + inside,
    floor,
    rim: floor - figures.rim_m * scale,
    top: MARGIN.top,
    wall,
    breakAt: wanted > inside + 1 ? left + inside * 0.62 : null,
  };
}

export function yOf(geometry: Geometry, height_m: number): number {
  return geometry.floor - height_m * geometry.scale;
}

/** Parts of the inside that are drawn: one, or those on both sides of the break. */
export function parts(geometry: Geometry): { x: number; width: number }[] {
  const { left, right, breakAt } = geometry;
  if (breakAt === null) return [{ x: left, width: right - left }];
  return [
    { x: left, width: breakAt - BREAK_GAP / 2 - left },
    { x: breakAt + BREAK_GAP / 2, width: right - breakAt - BREAK_GAP / 2 },
  ];
}

/** Marks of a ruler: every `minor`, with those that carry a label. */
export function rulerMarks(
  length: number,
  perUnit: number,
  steps: readonly (readonly [number, number])[],
  room: number,
) {
  const [label, minor] = steps.find(([step]) => step * perUnit >= room) ?? steps[steps.length - 1] ?? [1, 1];
  const count = Math.floor(length / minor + 1e-6);
  return Array.from({ length: count + 1 }, (_, index) => {
    const at = index * minor;
    return { at, labelled: Math.abs(at / label - Math.round(at / label)) < 1e-6 };
  });
}
