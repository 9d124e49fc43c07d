import type { BedFigures } from "../api/client";

export type Point = readonly [number, number];
export type Outline = readonly Point[];

/** Where a section stands on its sheet, in px for a metre; both ways alike but where heights are drawn larger. */
export type Geometry = {
  width: number;
  height: number;
  scale: number;
  /** How many times larger heights are drawn than lengths. */
  stretch: number;
  /** Outermost edges, walls with them, and the inside at the rim; floor and rim; the ground outside [px]. */
  left: number;
  right: number;
  insideLeft: number;
  insideRight: number;
  floor: number;
  rim: number;
  ground: number;
  /** The highest of rim and fill. */
  top: number;
  /** How deep the pit below is drawn [px]. */
  deep: number;
  /** Middle of the break where the bed is wider than its sheet, else null. */
  breakAt: number | null;
  left_m: number;
  right_m: number;
};

export const BREAK_GAP = 22;
const MARGIN = { left: 66, right: 58, top: 64, bottom: 44 };
const WIDEST_BREAK = 3.4;
/** A bed that nearly fits is drawn whole and a little smaller, rather than broken. */
const NEARLY_WHOLE = 0.6;
const LARGEST_SCALE = 2000;
const LEAST_DEPTH = 90;
const MOST_STRETCH = 5;
const BREAK_PLACE = 0.62;
const SKIN = 5;

/** What of a bed's figures says how large it is drawn. */
type Fitted = Pick<BedFigures, "section" | "rim_m">;

/** Fit a bed's section into a width and a height. A wide bed is broken in the middle so that its depth stays readable. */
export function fitSection(figures: Fitted, width: number, height: number, broken = true): Geometry {
  const { section } = figures;
  const { left_m, right_m } = section;
  const top_m = Math.max(section.top_m, 0.05);
  const room = width - MARGIN.left - MARGIN.right - 2 * SKIN;
  const toFit = room / (right_m - left_m);
  const deep_m = section.pit?.depth_m ?? 0;
  const toFill = (height - MARGIN.top - MARGIN.bottom) / (top_m + deep_m);
  const scale = broken ? scaleOf(figures, toFit, toFill, top_m) : Math.min(toFit, toFill, LARGEST_SCALE);
  const along = section.form === "spiral" ? Math.min(toFit, scale) : scale;
  const wanted = (right_m - left_m) * along;
  const inside = Math.min(wanted, room);
  const left = MARGIN.left + SKIN + (room - inside) / 2;
  const floor = MARGIN.top + top_m * scale;
  const geometry: Geometry = {
    width,
    height: Math.min(height, floor + deep_m * scale + MARGIN.bottom),
    scale: along,
    stretch: scale / along,
    left,
    right: left + inside,
    insideLeft: left,
    insideRight: left + inside,
    floor,
    rim: floor - figures.rim_m * scale,
    ground: floor - section.ground_m * scale,
    top: MARGIN.top,
    deep: deep_m * scale,
    breakAt: wanted > inside + 1 ? left + inside * BREAK_PLACE : null,
    left_m,
    right_m,
  };
  const edges = section.hollow.flat().map(([x]) => x);
  geometry.insideLeft = xOf(geometry, Math.min(...edges));
  geometry.insideRight = xOf(geometry, Math.max(...edges));
  return geometry;
}

/** What labels take beside a section [px]. */
export const SECTION_BESIDE = [MARGIN.left + MARGIN.right + 2 * SKIN, MARGIN.top + MARGIN.bottom] as const;

/** A bed's section at a scale of its own, as large as it comes out. */
export function sectionAt(figures: Fitted, px_per_m: number): Geometry {
  const { left_m, right_m, top_m, pit } = figures.section;
  const deep_m = Math.max(top_m, 0.05) + (pit?.depth_m ?? 0);
  const [besideX, besideY] = SECTION_BESIDE;
  // a hair more, so that no rounding makes it a hair smaller
  const width = (right_m - left_m) * px_per_m + besideX + 1e-6;
  return fitSection(figures, width, deep_m * px_per_m + besideY + 1e-6, false);
}

function scaleOf(figures: Fitted, toFit: number, toFill: number, top_m: number): number {
  const { form, hollow } = figures.section;
  if (form === "spiral") return Math.min(toFill, toFit * MOST_STRETCH, LARGEST_SCALE);
  const odd =
    form === "mound" || figures.section.pit != null || hollow.length > 1 || (hollow[0]?.length ?? 0) > 8;
  const whole = odd || toFit > toFill * NEARLY_WHOLE;
  const widest = whole ? toFit : Math.max(toFit * WIDEST_BREAK, LEAST_DEPTH / top_m);
  return Math.min(toFill, widest, LARGEST_SCALE);
}

export function yOf(geometry: Geometry, height_m: number): number {
  return geometry.floor - height_m * geometry.scale * geometry.stretch;
}

/** Across the bed; what the break leaves out is drawn together into its gap. */
export function xOf(geometry: Geometry, x_m: number): number {
  const { left, right, left_m, right_m, scale, breakAt } = geometry;
  const fromLeft = left + (x_m - left_m) * scale;
  if (breakAt === null) return fromLeft;
  const gapLeft = breakAt - BREAK_GAP / 2;
  const gapRight = breakAt + BREAK_GAP / 2;
  if (fromLeft <= gapLeft) return fromLeft;
  const fromRight = right - (right_m - x_m) * scale;
  if (fromRight >= gapRight) return fromRight;
  const hidden = (right_m - left_m) * scale - (right - left) + BREAK_GAP;
  return gapLeft + ((fromLeft - gapLeft) / hidden) * BREAK_GAP;
}

/** An outline on the sheet [px]. */
export function onSheet(geometry: Geometry, outline: Outline): Point[] {
  return outline.map(([x, y]) => [xOf(geometry, x), yOf(geometry, y)] as const);
}

/** An outline as a path's data. */
export function pathOf(points: readonly Point[], close = true): string {
  const d = points.map(([x, y], index) => `${index ? "L" : "M"}${x.toFixed(2)} ${y.toFixed(2)}`).join("");
  return close ? `${d}Z` : d;
}

/** The line that a sheet lies along: the outer half of its outline, which has no thickness. */
export function sheetLine(outline: Outline): Outline {
  const level = outline[0]?.[1] ?? 0;
  if (outline.length <= 4 || outline.every(([, y]) => Math.abs(y - level) < 1e-6)) {
    const xs = outline.map(([x]) => x);
    return [
      [Math.min(...xs), level],
      [Math.max(...xs), level],
    ];
  }
  return outline.slice(0, Math.ceil(outline.length / 2));
}

/** Parts of an outline's width that are drawn: one, or those on both sides of the break [px]. */
export function drawnParts(geometry: Geometry, points: readonly Point[]): { x: number; width: number }[] {
  const xs = points.map(([x]) => x);
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  const { breakAt } = geometry;
  if (breakAt === null || left > breakAt || right < breakAt) return [{ x: left, width: right - left }];
  return [
    { x: left, width: breakAt - BREAK_GAP / 2 - left },
    { x: breakAt + BREAK_GAP / 2, width: right - breakAt - BREAK_GAP / 2 },
  ];
}

/** How far a place inside an outline is from its edge; nothing outside. */
export function roomIn(points: readonly Point[], x: number, y: number): number {
  let inside = false;
  let nearest = Infinity;
  for (let i = 0, j = points.length - 1; i < points.length; j = i, i += 1) {
    const [x1, y1] = points[i] ?? [0, 0];
    const [x2, y2] = points[j] ?? [0, 0];
    const length = (x2 - x1) ** 2 + (y2 - y1) ** 2;
    const t =
      length > 0 ? Math.min(Math.max(((x - x1) * (x2 - x1) + (y - y1) * (y2 - y1)) / length, 0), 1) : 0;
    nearest = Math.min(nearest, Math.hypot(x - x1 - t * (x2 - x1), y - y1 - t * (y2 - y1)));
    if (y1 > y !== y2 > y && x < ((x2 - x1) * (y - y1)) / (y2 - y1) + x1) inside = !inside;
  }
  return inside ? nearest : 0;
}

/** The highest point of an outline over a place. */
export function topOver(points: readonly Point[], x: number): number {
  let top = Infinity;
  for (let i = 0, j = points.length - 1; i < points.length; j = i, i += 1) {
    const [x1, y1] = points[i] ?? [0, 0];
    const [x2, y2] = points[j] ?? [0, 0];
    if (x1 === x2 || (x - x1) * (x - x2) > 0) continue;
    top = Math.min(top, y1 + ((x - x1) / (x2 - x1)) * (y2 - y1));
  }
  return top;
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
