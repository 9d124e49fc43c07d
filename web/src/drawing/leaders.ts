import type { BedFigures, LayerFigures } from "../api/client";
import { xOf, yOf, type Geometry, type Point } from "./geometry";
import type { Box } from "./labels";

/** Where a layer's middle lies under others, its line to its card runs over them. */
export const RUN_OVER: ReadonlySet<string> = new Set(["mound", "spiral", "flat", "trench"]);

/** Where the line from a layer to its card begins. */
export function leaderFrom(geometry: Geometry, layer: Pick<LayerFigures, "anchor" | "sheet">): Point {
  return [xOf(geometry, layer.anchor[0]), yOf(geometry, layer.anchor[1]) - (layer.sheet ? 2 : 0)];
}

/** The lines that run over the drawing, as boxes that a label had better not lie over. */
export function leaderBoxes(figures: BedFigures, geometry: Geometry): Box[] {
  if (!RUN_OVER.has(figures.section.form)) return [];
  return figures.layers.map((layer) => {
    const [x, y] = leaderFrom(geometry, layer);
    return { x: x - 4, y: y - 3, width: geometry.width - x, height: 6 };
  });
}
