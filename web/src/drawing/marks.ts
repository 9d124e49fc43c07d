import type { Mark } from "./hatches";

/** The strokes of each mark in a tile; `fill` marks are filled shapes, the rest are lines of a width. */
export type Tile = { width: number; height: number; path: string; fill?: boolean; stroke?: number };

const dot = (x: number, y: number, r: number) =>
  `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`;

const dots = (...places: [number, number, number][]) => places.map(([x, y, r]) => dot(x, y, r)).join("");

export const TILES: Record<Mark, Tile> = {
  grain: {
    width: 16,
    height: 14,
    fill: true,
    path: dots([3, 3, 1], [11, 5, 1.1], [6, 10, 0.9], [14, 12, 0.8]),
  },
  crumbs: {
    width: 18,
    height: 16,
    fill: true,
    path: "M2 3l3-1 1 2-2 2-2-1zM10 2l2 1v2l-3 1-1-2zM14 9l3-1v3l-2 1zM5 10l3-1 2 2-2 3-3-1zM12 13l2 0 0 2-2 0z",
  },
  worms: { width: 20, height: 14, stroke: 2, path: "M2 4q2-3 4 0t4 0M12 10q2-3 4 0t3 0M3 12q1-2 3-1" },
  curls: {
    width: 20,
    height: 14,
    stroke: 1.6,
    path: "M2 7a4 4 0 0 1 7 0M12 13a4 4 0 0 1 7 0M13 5a3 3 0 0 1 5 0M4 13a3 3 0 0 1 4-1",
  },
  twigs: { width: 26, height: 18, stroke: 2.4, path: "M2 5l11-2M15 8l9-4M4 14l8-3M14 15l11-2M9 8l4 1" },
  straws: { width: 24, height: 16, stroke: 1.2, path: "M1 4l10-2M8 9l13-3M2 13l8 1M13 13l10-2M14 3l7 2" },
  pebbles: {
    width: 24,
    height: 18,
    stroke: 1.4,
    path: "M2 6q0-4 4-4t5 3-3 5-6-1zM14 5q1-3 5-2t3 4-4 3-4-5zM8 14q1-3 4-3t4 3-3 3-5-3zM19 14q2-2 4 0t-1 3-3-3zM1 14q2-2 4 0t-2 3-2-3z",
  },
  rings: {
    width: 20,
    height: 18,
    stroke: 1.4,
    path: dots([5, 5, 3.4], [15, 5, 2.6], [10, 13, 3.2], [18, 14, 1.6], [2, 14, 1.6]),
  },
  chips: {
    width: 22,
    height: 16,
    fill: true,
    path: "M2 3l6-2 1 3-6 2zM12 5l6 1-1 3-6-1zM4 10l4 2-2 3-4-2zM13 12l6-2 1 3-6 2z",
  },
  shards: {
    width: 22,
    height: 18,
    stroke: 1.3,
    path: "M2 3l6-1 2 5-5 3zM13 2l6 2-1 5-6-2zM8 12l6-1 1 5-5 1zM17 12l4 1-1 3-3 0zM1 13l4 0-1 4-3-1z",
  },
  speckle: {
    width: 10,
    height: 10,
    fill: true,
    path: dots([2, 2, 0.8], [7, 3, 0.7], [4, 7, 0.8], [9, 8, 0.6]),
  },
  blades: {
    width: 18,
    height: 16,
    stroke: 1.5,
    path: "M3 8q1-4 3-6M7 9q0-4-2-6M12 15q1-4 3-6M16 15q0-4-2-6",
  },
  logs: { width: 22, height: 22, stroke: 1.8, path: dots([11, 11, 9.6], [11, 11, 5.4], [11, 11, 1.6]) },
  plies: { width: 16, height: 10, fill: true, path: "M0 2h12v2.4h-12zM4 7h12v2.4h-12z" },
  lines: { width: 20, height: 8, stroke: 1.2, path: "M0 2h14M6 6h14" },
  weave: { width: 12, height: 12, stroke: 1.3, path: "M0 3h6M6 9h6M3 6v6M9 0v6" },
  waves: { width: 20, height: 10, stroke: 1.5, path: "M0 5q5-5 10 0t10 0" },
  mesh: { width: 12, height: 12, stroke: 1.1, path: "M0 0l12 12M12 0l-12 12" },
  blend: {
    width: 22,
    height: 18,
    fill: true,
    path:
      dots([4, 4, 1.2], [16, 12, 1.2]) +
      "M10 3l3-1 1 2-2 2zM5 11l3-1 1 3-3 1zM17 4l3 1-1 2-2-1zM12 14l3 1-1 2-2-1z",
  },
};
