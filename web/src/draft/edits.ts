import type { Bed, Layer, LayerFigures, Material } from "../api/client";
import { SHAPES, USUAL_M } from "../api/words";
import type { Units } from "../quantities/format";

/** Pure edits of a bed: each gives a new bed and leaves the old one as it was. */

export type Amount = { thickness_m: number } | { volume_m3: number } | { share: number } | { fill: true };

/** An edit of a layer, told to whatever the bed has become meanwhile and wherever the layer is in it now. */
export type LayerEdit = (change: (bed: Bed, index: number) => Bed) => void;

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

export function withLayers(bed: Bed, layers: Layer[]): Bed {
  return bed.laid?.length ? { ...bed, layers, laid: carriedLaid(bed, layers) } : { ...bed, layers };
}

/** How much of each layer is laid, after layers were moved, changed, added or taken out. */
function carriedLaid(bed: Bed, layers: readonly Layer[]): number[] {
  const inPlace = layers.length === bed.layers.length;
  return layers.map((layer, at) => {
    const was = bed.layers.indexOf(layer);
    return bed.laid?.[was < 0 && inPlace ? at : was] ?? 0;
  });
}

/** The bed with so much of a layer laid; what lies below it is laid as well. */
export function withLaid(bed: Bed, index: number, share: number): Bed {
  const laid = bed.layers.map((_, at) =>
    at === index ? share : share > 0 && at < index ? 1 : (bed.laid?.[at] ?? 0),
  );
  return { ...withState(bed, "filling"), laid };
}

/** The bed as it has come so far; what only belongs to another state is dropped. */
export function withState(bed: Bed, state: NonNullable<Bed["state"]>): Bed {
  return {
    ...bed,
    state,
    laid: state === "filling" ? bed.laid : [],
    emptied_on: state === "emptied" ? bed.emptied_on : null,
  };
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

/** A layer of a material where it makes sense at once: as the core starts it, or filling the rest where nothing does. */
export function newLayer(material: Material, bed: Bed, units: Units): Layer {
  const fills = SHAPES[bed.shape.kind].fills && !bed.layers.some((layer) => layer.fill);
  if (!material.is_sheet && fills) return { material: material.key, fill: true };
  const first = firstLayer(material);
  const { lap_m, thickness_m } = USUAL_M[units];
  return material.is_sheet
    ? { ...first, lap_m: material.is_liner ? first.lap_m : lap_m }
    : { ...first, thickness_m };
}

function firstLayer(material: Material): Layer {
  return material.first_layer as Layer;
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

/** Two layers in place of one, each of the amount that its figures say; a sheet has no halves. */
export function splitLayer(bed: Bed, index: number, halves: LayerFigures["split"]): Bed {
  const layer = bed.layers[index];
  if (!layer || !halves) return bed;
  const [lower, upper] = [halves.lower, halves.upper].map((half) => ({ ...layer, ...NO_AMOUNT, ...half }));
  return withLayers(bed, [
    ...bed.layers.slice(0, index),
    lower,
    upper,
    ...bed.layers.slice(index + 1),
  ] as Layer[]);
}

/** Make a layer of something else; what a sheet has and a bulk layer has not is dropped, and the other way round. */
export function changeMaterial(bed: Bed, index: number, material: Material, standing_m: number): Bed {
  const layer = bed.layers[index];
  if (!layer) return bed;
  const wasSheet = layer.thickness_m == null && layer.volume_m3 == null && layer.share == null && !layer.fill;
  if (material.is_sheet) {
    const bare = wasSheet ? layer : firstLayer(material);
    return changeLayer(bed, index, {
      ...NO_AMOUNT,
      infill: null,
      lifts: null,
      ripeness: null,
      ...bare,
      material: material.key,
    });
  }
  const infill = material.takes_fines ? layer.infill : null;
  const amount = wasSheet ? { ...NO_SHEET, thickness_m: standing_m || firstLayer(material).thickness_m } : {};
  return changeLayer(bed, index, { material: material.key, infill, ripeness: null, ...amount });
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
    return setAmount(
      bed,
      index,
      { thickness_m: snapped((height_m - own.bottom_m) * own.thick_per_m, snap_m) },
      [],
    );
  const above = spans.findIndex((span, at) => at > index && !span.sheet);
  const next = spans[above];
  if (!next) return bed;
  return setAmount(
    bed,
    above,
    { thickness_m: snapped((next.top_m - height_m) * next.thick_per_m, snap_m) },
    [],
  );
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

export type Span = Pick<LayerFigures, "bottom_m" | "top_m" | "thickness_m" | "sheet" | "thick_per_m">;

/** Figures of a draft's layer: its own where it is untouched since they were worked out, else those in its place. */
export function figuresAt<T>(draft: Bed, figured: Bed, figures: readonly T[], index: number): T | undefined {
  const layer = draft.layers[index];
  const untouched = layer ? figured.layers.indexOf(layer) : -1;
  if (untouched >= 0) return figures[untouched];
  return draft.layers.length === figured.layers.length ? figures[index] : undefined;
}
