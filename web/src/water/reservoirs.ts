import type { Bed, BedFigures, Material, Reservoir } from "../api/client";

/** The bed with its reservoir changed. */
export function withReservoir(bed: Bed, change: Partial<Reservoir>): Bed {
  return bed.reservoir ? { ...bed, reservoir: { ...bed.reservoir, ...change } } : bed;
}

/** The index of the thickest soil over the reservoir, by its figures; -1 where there is none. */
export function soilLayer({ layers }: BedFigures, materials: ReadonlyMap<string, Material>): number {
  let found = -1;
  layers.forEach((layer, index) => {
    const soil = !layer.sheet && (materials.get(layer.material)?.group ?? "soil") === "soil";
    if (soil && layer.thickness_m > (layers[found]?.thickness_m ?? 0)) found = index;
  });
  return found;
}

/** The bed with its reservoir so high; an overflow at the top stays there, one below is kept under it. */
export function withHeight(bed: Bed, height_m: number): Bed {
  const { reservoir } = bed;
  if (!reservoir) return bed;
  const at = reservoir.overflow_m;
  const top = at == null || at >= reservoir.height_m;
  return withReservoir(bed, {
    height_m,
    overflow_m: at == null ? at : top ? height_m : Math.min(at, height_m),
  });
}
