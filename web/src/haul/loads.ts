/** Where bags, heaps and logs stand in a drive, side by side. Sizes grow with the cube root of the volume. */

const HEAP_WIDTH = 118;
const LEAST_HEAP = 30;
/** The largest heap of a row is at most so wide; the others keep their proportion to it [px]. */
const MOST_HEAP = 240;
const SLOPE = 0.28;

/** How high a row of loads is drawn [px]: the largest heap stands whole in it. */
export const ROW_HEIGHT = Math.ceil(MOST_HEAP * SLOPE) + 4;

/** A heap's outline for a loose volume [m3]: as wide as its cube root, beside the largest of its row, a third as high. */
export function heapSize(volume_m3: number, largest_m3: number): { width: number; height: number } {
  const shrink = Math.min(MOST_HEAP / (HEAP_WIDTH * Math.cbrt(Math.max(largest_m3, volume_m3))), 1);
  const width = Math.max(HEAP_WIDTH * Math.cbrt(volume_m3) * shrink, LEAST_HEAP);
  return { width, height: width * SLOPE };
}

export const BAG = { width: 26, height: 12, gap: 2 } as const;
const STACK_HEIGHT = 5;
const MOST_DRAWN = 50;

/** Bags stacked five high, filled from the left; what is beyond the drawing is told in figures. */
export function stackBags(count: number): { x: number; y: number }[] {
  const drawn = Math.min(count, MOST_DRAWN);
  return Array.from({ length: drawn }, (_, index) => ({
    x: Math.floor(index / STACK_HEIGHT) * (BAG.width + BAG.gap),
    y: (index % STACK_HEIGHT) * (BAG.height + 1),
  }));
}

export function stackWidth(count: number): number {
  return Math.ceil(Math.min(count, MOST_DRAWN) / STACK_HEIGHT) * (BAG.width + BAG.gap);
}

/** Log ends piled in rows, each row one shorter than the one below. */
export function pileLogs(volume_m3: number): { x: number; y: number; r: number }[] {
  const bottom = Math.min(Math.max(Math.round(5 * Math.cbrt(volume_m3)), 2), 9);
  const rows = Math.min(3, bottom);
  const r = 10;
  return Array.from({ length: rows }, (_, row) =>
    Array.from({ length: bottom - row }, (_, at) => ({
      x: r + at * 2 * r + row * r,
      y: r + row * r * 1.74,
      r,
    })),
  ).flat();
}
