import type { Bed, Layer, Material } from "../api/client";

/** Pure edits of a bed: each gives a new bed and leaves the old one as it was. */

export type Amount = { thickness_m: number } | { volume_m3: number } | { share: number } | { fill: true };

const NO_AMOUNT = { thickness_m: null, volume_m3: null, share: null, fill: null } as const;
const NO_SHEET = {
  plies: null,
  lap_m: null,
  up_sides_m: null,
  skirt_m: null,
  piece_m: null,
  roll_width_m: null,
  on_hand: null,
} as const;
const FIRST_THICKNESS_M = 0.1;

export function withLayers(bed: Bed, layers: Layer[]): Bed {
  return { ...bed, layers };
}

/** The bed with a finding marked as seen with a reason, or (null) to be looked at again. */
export function withSeen(bed: Bed, code: string, reason: string | null): Bed {
  const others = (bed.seen ?? []).filter((each) => each.code !== code);
  return { ...bed, seen: reason === null ? others : [...others, { code, reason }] };
}

export function changeLayer(bed: Bed, index: number, change: Partial<Layer>): Bed {
  return withLayers(
    bed,
    bed.layers.map((layer, at) => (at === index ? { ...layer, ...change } : layer)),
  );
}

/** Set how much of a layer there is. A layer that comes to fill the rest takes that over from the one that did. */
export function setAmount(bed: Bed, index: number, amount: Amount, standing_m: readonly number[]): Bed {
  const layers = bed.layers.map((layer, at) => {
    if (at === index) return { ...layer, ...NO_AMOUNT, ...amount };
    if ("fill" in amount && layer.fill) return { ...layer, ...NO_AMOUNT, thickness_m: standing_m[at] ?? 0 };
    return layer;
  });
  return withLayers(bed, layers);
}

/** A layer of a material where it makes sense at once: a sheet bare, the first layer filling the rest, others 10 cm. */
export function newLayer(material: Material, bed: Bed): Layer {
  if (material.is_sheet)
    return { material: material.key, plies: material.key === "cardboard" ? 2 : 1, lap_m: 0.15 };
  // a flat patch has no rim to fill to
  const filled = bed.shape.kind === "flat_area" || bed.layers.some((layer) => layer.fill);
  return filled
    ? { material: material.key, thickness_m: FIRST_THICKNESS_M }
    : { material: material.key, fill: true };
}

export function addLayer(bed: Bed, at: number, layer: Layer): Bed {
  return withLayers(bed, [...bed.layers.slice(0, at), layer, ...bed.layers.slice(at)]);
}

export function removeLayer(bed: Bed, index: number): Bed {
  return withLayers(
    bed,
    bed.layers.filter((_, at) => at !== index),
  );
}

export function moveLayer(bed: Bed, index: number, by: 1 | -1): Bed {
  const target = index + by;
  const layer = bed.layers[index];
  if (!layer || target < 0 || target >= bed.layers.length) return bed;
  const rest = bed.layers.filter((_, at) => at !== index);
  return withLayers(bed, [...rest.slice(0, target), layer, ...rest.slice(target)]);
}

/**
 * Two layers of half the amount each. The lower half of a filling layer gets its thickness; where others share what is
 * left it gets a share instead, so that theirs stay as they are.
 */
export function splitLayer(bed: Bed, index: number, thickness_m: number): Bed {
  const layer = bed.layers[index];
  if (!layer || layer.plies) return bed;
  const shared = bed.layers.reduce((sum, each) => sum + (each.share ?? 0), 0);
  const [lower, upper] = halves(layer, thickness_m, shared);
  return withLayers(bed, [...bed.layers.slice(0, index), lower, upper, ...bed.layers.slice(index + 1)]);
}

function halves(layer: Layer, thickness_m: number, shared: number): [Layer, Layer] {
  if (layer.thickness_m != null) return twice({ ...layer, thickness_m: layer.thickness_m / 2 });
  if (layer.volume_m3 != null) return twice({ ...layer, volume_m3: layer.volume_m3 / 2 });
  if (layer.share != null) return twice({ ...layer, share: layer.share / 2 });
  const half = shared > 0 ? { share: (1 - shared) / 2 } : { thickness_m: thickness_m / 2 };
  return [{ ...layer, ...NO_AMOUNT, ...half }, layer];
}

function twice(layer: Layer): [Layer, Layer] {
  return [layer, { ...layer }];
}

/** Make a layer of something else; what a sheet has and a bulk layer has not is dropped, and the other way round. */
export function changeMaterial(bed: Bed, index: number, material: Material, standing_m: number): Bed {
  const layer = bed.layers[index];
  if (!layer) return bed;
  const wasSheet = layer.thickness_m == null && layer.volume_m3 == null && layer.share == null && !layer.fill;
  if (material.is_sheet) {
    const bare = wasSheet ? layer : newLayer(material, bed);
    return changeLayer(bed, index, {
      ...NO_AMOUNT,
      infill: null,
      lifts: null,
      ...bare,
      material: material.key,
    });
  }
  const infill = material.void_share > 0 ? layer.infill : null;
  const amount = wasSheet ? { ...NO_SHEET, thickness_m: standing_m || FIRST_THICKNESS_M } : {};
  return changeLayer(bed, index, { material: material.key, infill, ...amount });
}

/**
 * Put a layer's top at a height. The layer takes the thickness; where it fills the rest, the next bulk layer above
 * gives or takes instead, so that the line under the pointer is the one that moves. The thickness snaps to a step, 0 for
 * none.
 */
export function moveBoundary(
  bed: Bed,
  index: number,
  height_m: number,
  spans: readonly Span[],
  snap_m: number,
): Bed {
  const own = spans[index];
  const layer = bed.layers[index];
  if (!own || !layer) return bed;
  if (!layer.fill)
    return setAmount(bed, index, { thickness_m: snapped(thick(own, height_m - own.bottom_m), snap_m) }, []);
  const above = spans.findIndex((span, at) => at > index && !span.sheet);
  const next = spans[above];
  if (!next) return bed;
  return setAmount(bed, above, { thickness_m: snapped(thick(next, next.top_m - height_m), snap_m) }, []);
}

/** Raise or lower a layer's top by a step; what is typed on its card counts, not where it stood when last drawn. */
export function nudgeBoundary(bed: Bed, index: number, by_m: number, spans: readonly Span[]): Bed {
  const above = bed.layers[index]?.fill ? spans.findIndex((span, at) => at > index && !span.sheet) : -1;
  const at = above >= 0 ? above : index;
  const span = spans[at];
  const layer = bed.layers[at];
  if (!span || !layer || layer.fill) return bed;
  const thickness_m = layer.thickness_m ?? span.thickness_m;
  return setAmount(bed, at, { thickness_m: snapped(thickness_m + (above >= 0 ? -by_m : by_m), 0) }, []);
}

const THICKEST_M = 3;

function snapped(thickness_m: number, snap_m: number): number {
  const within = Math.min(Math.max(thickness_m, 0), THICKEST_M);
  return snap_m > 0 ? Math.round(within / snap_m) * snap_m : within;
}

export type Span = { bottom_m: number; top_m: number; thickness_m: number; sheet: boolean };

/** How thick a layer is for a height of its own: in a mound, where it lies square to the slope, less than its height. */
function thick(span: Span, height_m: number): number {
  const tall_m = span.top_m - span.bottom_m;
  return tall_m > 1e-9 ? (height_m * span.thickness_m) / tall_m : height_m;
}

/** Figures of a draft's layer: its own where it is untouched since they were worked out, else those in its place. */
export function figuresAt<T>(draft: Bed, figured: Bed, figures: readonly T[], index: number): T | undefined {
  const layer = draft.layers[index];
  const untouched = layer ? figured.layers.indexOf(layer) : -1;
  if (untouched >= 0) return figures[untouched];
  return draft.layers.length === figured.layers.length ? figures[index] : undefined;
}

/** Whether a layer's top can be moved: it is bulk, and where it fills the rest something lies above it. */
export function canMoveBoundary(bed: Bed, index: number, spans: readonly Span[]): boolean {
  const own = spans[index];
  if (!own || own.sheet) return false;
  return !bed.layers[index]?.fill || spans.some((span, at) => at > index && !span.sheet);
}
