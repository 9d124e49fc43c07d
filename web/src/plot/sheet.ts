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

export function toSheet(sheet: Sheet, [x = 0, y = 0]: readonly number[]): Point {
  return [sheet.originX + x * sheet.scale, sheet.originY - y * sheet.scale];
}

/** A place on the ground for a place on the sheet, to the centimetre. */
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
