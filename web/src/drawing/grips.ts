import type { Bed, BedFigures, LayerFigures } from "../api/client";
import { onSheet, topOver, xOf, yOf, type Geometry } from "./geometry";
import type { Box } from "./labels";

/** Where a flat patch is broken its layers are full near the break [px]. */
const FROM_BREAK = 38;

/** What a grip takes to each side of its middle, so that a finger hits it [px]. */
export const GRIP = { half: 44, high: 16, pillHalf: 15 } as const;

/** Where the grip of a layer's top sits. */
export function gripOf(
  figures: BedFigures,
  geometry: Geometry,
  index: number,
): { x: number; y: number } | null {
  const layer = figures.layers[index];
  if (!layer) return null;
  const { breakAt } = geometry;
  const mound = figures.section.form === "mound";
  const beside =
    figures.section.form === "flat" ? FROM_BREAK : (geometry.breakAt ?? 0) / 2 - geometry.left / 2;
  const middle = breakAt === null ? xOf(geometry, layer.grip[0]) : breakAt - beside;
  // shells lie close together at the top: their grips stand side by side
  const x = mound ? middle + (index % 2 ? 19 : -19) : middle;
  const outline = layer.outlines[0];
  const y = mound && outline ? topOver(onSheet(geometry, outline), x) : yOf(geometry, layer.grip[1]);
  return { x, y };
}

/** The grips of all tops that can be moved, as boxes that no label may lie over. */
export function gripBoxes(bed: Bed, figures: BedFigures, geometry: Geometry): Box[] {
  return figures.layers.flatMap((_, index) => {
    const grip = canMoveBoundary(bed, index, figures.layers) ? gripOf(figures, geometry, index) : null;
    return grip
      ? [{ x: grip.x - GRIP.pillHalf - 4, y: grip.y - 7, width: 2 * GRIP.pillHalf + 8, height: 14 }]
      : [];
  });
}

type Span = Pick<LayerFigures, "sheet">;

/** Whether a layer's top can be moved: it is bulk, and where it fills the rest something lies above it. */
export function canMoveBoundary(bed: Bed, index: number, spans: readonly Span[]): boolean {
  const own = spans[index];
  if (!own || own.sheet) return false;
  return !bed.layers[index]?.fill || spans.some((span, at) => at > index && !span.sheet);
}
