import type { Bed, BedFigures, Material, Reservoir } from "../api/client";

const FIRST_HEIGHT_M = 0.2;
/** Of a bed that doesn't say, as the plan file has it. */
export const USUAL_CROP_FACTOR = 1.05;

const LEAST_SOIL_M = 0.1;

/** The reservoir that a bed starts with: 20 cm of gravel with an overflow at its top and soil columns as wicks. */
export function firstReservoir(bed: Bed): Reservoir {
  const depth = depthOf(bed);
  const height_m =
    Math.round(Math.max(Math.min(FIRST_HEIGHT_M, (depth - LEAST_SOIL_M) / 2), 0.02) * 1000) / 1000;
  return {
    height_m,
    overflow_m: height_m,
    medium: "gravel_20",
    pipes: [],
    crates: [],
    wicks: [{ kind: "fabric", count: 1 }],
    catchment_m2: 0,
  };
}

function depthOf({ shape }: Bed): number {
  if ("depth_m" in shape) return shape.depth_m;
  return "diameter_m" in shape ? shape.diameter_m : 0.5;
}

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
