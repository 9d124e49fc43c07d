/** Where bags, heaps and logs stand in a drive, side by side. Sizes grow with the cube root of the volume. */

export type Placed = { x: number; width: number; height: number };

const HEAP_WIDTH = 118;
const LEAST_HEAP = 46;
const MOST_HEAP = 230;

/** A heap's outline for a loose volume [m3]: as wide as its cube root, a third as high. */
export function heapSize(volume_m3: number): { width: number; height: number } {
  const width = Math.min(Math.max(HEAP_WIDTH * Math.cbrt(volume_m3), LEAST_HEAP), MOST_HEAP);
  return { width, height: width * 0.28 };
}

export const BAG = { width: 26, height: 12, gap: 2 } as const;
const STACK_HEIGHT = 4;
const MOST_DRAWN = 48;

/** Bags stacked four high, filled from the left; what is beyond the drawing is told in figures. */
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
