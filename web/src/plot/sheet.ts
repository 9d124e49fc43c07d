import type { Plot } from "../api/client";
import type { Point } from "../drawing/geometry";

/** How the ground lies on its sheet: px for a metre, and where the plot's corner (0, 0) is. */
export type Sheet = { width: number; height: number; scale: number; originX: number; originY: number };

const MARGIN = 34;

/** Fit the ground into a width, at most so high. */
export function fitGround(plot: Plot, width: number, most: number): Sheet {
  const xs = plot.corners_m.map(([x = 0]) => x);
  const ys = plot.corners_m.map(([, y = 0]) => y);
  const [left, low] = [Math.min(...xs), Math.min(...ys)];
  const [wide, high] = [Math.max(...xs) - left, Math.max(...ys) - low];
  const scale = Math.max(Math.min((width - 2 * MARGIN) / wide, (most - 2 * MARGIN) / high), 1);
  const height = high * scale + 2 * MARGIN;
  return {
    width,
    height,
    scale,
    originX: (width - wide * scale) / 2 - left * scale,
    originY: height - MARGIN + low * scale,
  };
}

/** What labels take beside the ground [px]. */
export const GROUND_BESIDE = [2 * MARGIN, 2 * MARGIN] as const;

/** How large the ground is, across and up [m]. */
export function sizeOfGround({ corners_m }: Plot): [number, number] {
  const spread = (axis: 0 | 1) => {
    const at = corners_m.map((corner) => corner[axis] ?? 0);
    return Math.max(...at) - Math.min(...at);
  };
  return [spread(0), spread(1)];
}

/** The ground at a scale of its own, as large as it comes out. */
export function groundAt(plot: Plot, px_per_m: number): Sheet {
  const [wide_m, high_m] = sizeOfGround(plot);
  return fitGround(plot, wide_m * px_per_m + 2 * MARGIN, high_m * px_per_m + 2 * MARGIN);
}

export function toSheet(sheet: Sheet, [x = 0, y = 0]: readonly number[]): Point {
  return [sheet.originX + x * sheet.scale, sheet.originY - y * sheet.scale];
}

/** A place on the ground for a place on the sheet, to the centimetre. */
/** How far a side's length stands off its side [px]. */
const SIDE_OFF = 14;

/** Where a side's length stands, outside the ground, and how it is turned; null where the side is too short for it. */
export function sideLabel(
  sheet: Sheet,
  from: readonly number[],
  to: readonly number[],
): { x: number; y: number; turn_deg: number } | null {
  const [x1, y1] = toSheet(sheet, from);
  const [x2, y2] = toSheet(sheet, to);
  const length = Math.hypot(x2 - x1, y2 - y1);
  if (length < 50) return null;
  const [nx, ny] = [-(y2 - y1) / length, (x2 - x1) / length];
  const turn = (Math.atan2(y2 - y1, x2 - x1) * 180) / Math.PI;
  return {
    x: (x1 + x2) / 2 + nx * SIDE_OFF,
    y: (y1 + y2) / 2 + ny * SIDE_OFF,
    turn_deg: turn > 90 || turn < -90 ? turn + 180 : turn,
  };
}

export function toGround(sheet: Sheet, x: number, y: number): [number, number] {
  return [to_cm((x - sheet.originX) / sheet.scale), to_cm((sheet.originY - y) / sheet.scale)];
}

export function to_cm(value_m: number): number {
  return Math.round(value_m * 100) / 100;
}

export function linePath(sheet: Sheet, line: readonly (readonly number[])[], close = false): string {
  const points = line.map((point) =>
    toSheet(sheet, point)
      .map((each) => each.toFixed(1))
      .join(" "),
  );
  return `M${points.join("L")}${close ? "Z" : ""}`;
}
