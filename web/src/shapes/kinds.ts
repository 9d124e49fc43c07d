import type { Bed, LimitName, Shape, ShapeKind } from "../api/client";
import { SHAPES } from "../api/words";
import { DRAWINGS, type ShapeDrawing } from "../drawing/drawings";

/** A measure of a shape: its key in the plan file, what the tape measures, and what one may type. */
export type Measure = { key: string; label: string; limit: LimitName; ft: string; metric: string };

export type Kind = {
  kind: ShapeKind;
  name: string;
  measures: readonly Measure[];
  drawing: ShapeDrawing;
};

/** A measure that people say in feet is a side of a bed, one that they say in inches a length. */
const measure = (key: string, label: string, ft: string, metric: string, limit?: LimitName): Measure => ({
  key,
  label,
  limit: limit ?? (ft.endsWith("ft") ? "bed" : "length"),
  ft,
  metric,
});
const length = measure("length_m", "Length", "8 ft", "2.4 m");
const width = measure("width_m", "Width", "4 ft", "1.2 m");
const depth = measure("depth_m", "Depth", "10 in", "30 cm", "depth");
const height = measure("height_m", "Height", "28 in", "70 cm", "depth");
const across = measure("diameter_m", "Across", "4 ft", "1.2 m");
const count = (key: string, label: string, example: string) => measure(key, label, example, example, "count");

const kind = (kind: ShapeKind, name: string, measures: readonly Measure[]): Kind => ({
  kind,
  name,
  measures,
  drawing: DRAWINGS[kind],
});

/** Every shape, in the order of the picker. */
export const KINDS: readonly Kind[] = [
  kind("box", "Box", [length, width, depth]),
  kind("l_box", "L-shaped box", [
    length,
    width,
    measure("notch_length_m", "Notch length", "4 ft", "1.2 m"),
    measure("notch_width_m", "Notch width", "2 ft", "60 cm"),
    depth,
  ]),
  kind("polygon", "Corners as measured", [depth]),
  kind("circle", "Round", [across, depth]),
  kind("ellipse", "Oval", [length, width, depth]),
  kind("stadium", "Tank with round ends", [length, width, depth]),
  kind("regular_polygon", "Even sides", [
    count("sides", "Sides", "6"),
    measure("across_flats_m", "Across the flats", "5 ft", "1.5 m"),
    depth,
  ]),
  kind("keyhole", "Keyhole", [
    across,
    measure("path_width_m", "Path width", "18 in", "45 cm"),
    measure("basket_diameter_m", "Basket across", "20 in", "50 cm"),
    depth,
  ]),
  kind("round_tub", "Round tub or pot", [
    measure("base_diameter_m", "Base across", "16 in", "40 cm"),
    measure("rim_diameter_m", "Rim across", "22 in", "55 cm"),
    depth,
  ]),
  kind("trough", "Trough", [
    measure("base_length_m", "Base length", "30 in", "80 cm"),
    measure("base_width_m", "Base width", "12 in", "30 cm"),
    measure("rim_length_m", "Rim length", "40 in", "1 m"),
    measure("rim_width_m", "Rim width", "16 in", "40 cm"),
    depth,
  ]),
  kind("lying_barrel", "Barrel on its side", [
    across,
    length,
    measure("opening_width_m", "Opening width", "22 in", "55 cm"),
  ]),
  kind("crates", "Crates", [
    count("columns", "Crates along", "3"),
    count("rows", "Crates across", "2"),
    measure("length_m", "One crate's length", "24 in", "60 cm"),
    measure("width_m", "One crate's width", "16 in", "40 cm"),
    depth,
  ]),
  kind("trench", "Trench", [
    measure("top_length_m", "Top length", "12 ft", "4 m"),
    measure("top_width_m", "Top width", "30 in", "80 cm"),
    measure("bottom_length_m", "Bottom length", "12 ft", "3.8 m"),
    measure("bottom_width_m", "Bottom width", "24 in", "60 cm"),
    depth,
  ]),
  kind("hipped_mound", "Mound, straight sides", [
    length,
    width,
    height,
    measure("slope_deg", "Slope of the sides, °", "45", "45", "slope"),
  ]),
  kind("round_mound", "Mound, rounded", [length, width, height]),
  kind("herb_spiral", "Spiral", [
    across,
    measure("path_width_m", "Bed width", "14 in", "35 cm"),
    measure("wall_m", "Wall thickness", "4 in", "10 cm", "wall"),
    measure("outer_height_m", "Height outside", "8 in", "20 cm", "depth"),
    measure("centre_height_m", "Height in the middle", "32 in", "80 cm", "depth"),
  ]),
  kind("ring_spiral", "Spiral in a ring", [
    across,
    measure("path_width_m", "Bed width", "14 in", "35 cm"),
    measure("wall_m", "Wall thickness", "4 in", "10 cm", "wall"),
    measure("ring_height_m", "Height of the ring", "10 in", "25 cm", "depth"),
    measure("centre_height_m", "Height in the middle", "32 in", "80 cm", "depth"),
  ]),
  kind("flat_area", "Flat patch", [
    length,
    width,
    measure("feather_m", "Its edge slopes out over (0: sharp)", "12 in", "30 cm", "offset"),
  ]),
];

const BY_KIND = new Map(KINDS.map((each) => [each.kind, each]));

export function kindOf(shape: { kind: ShapeKind }): Kind {
  const found = BY_KIND.get(shape.kind);
  if (!found) throw new Error(`no shape is called ${shape.kind}`);
  return found;
}

/** A measure's value in a shape, nothing where it isn't given. */
export function valueOf(shape: Shape, key: string): number | undefined {
  const value: unknown = (shape as Record<string, unknown>)[key];
  return typeof value === "number" ? value : undefined;
}

/** How much less a tape across shows than the plan file's diameter of a shape, twice its largest radius [m]. */
export function acrossLess(shape: { kind: ShapeKind }, key: string): number {
  const { path_width_m = 0, wall_m = 0 } = shape as { path_width_m?: number; wall_m?: number };
  return key === "diameter_m" ? SHAPES[shape.kind].across_less * (path_width_m + wall_m) : 0;
}

/** The bed with one measure of its shape changed. */
export function withMeasure(bed: Bed, key: string, value: unknown): Bed {
  return { ...bed, shape: { ...bed.shape, [key]: value } as Shape };
}

type Size = { length_m: number; width_m: number; depth_m: number };

/** A first guess at another shape of about the same size, to be measured then. */
export function shapeLike(kind: ShapeKind, { length_m, width_m, depth_m }: Size): Shape {
  const [long, wide] = [Math.max(length_m, width_m), Math.min(length_m, width_m)];
  const guesses: Record<string, number> = {
    length_m: long,
    width_m: wide,
    depth_m,
    height_m: Math.min(depth_m, wide * 0.4),
    diameter_m: wide,
    notch_length_m: long / 2,
    notch_width_m: wide / 2,
    sides: 6,
    across_flats_m: wide,
    path_width_m: kind.endsWith("spiral") ? wide / 6 : wide / 5,
    basket_diameter_m: wide / 4,
    base_diameter_m: wide * 0.8,
    rim_diameter_m: wide,
    base_length_m: long * 0.9,
    base_width_m: wide * 0.8,
    rim_length_m: long,
    rim_width_m: wide,
    opening_width_m: wide * 0.9,
    columns: 2,
    rows: 1,
    top_length_m: long,
    top_width_m: wide,
    bottom_length_m: long * 0.95,
    bottom_width_m: wide * 0.8,
    slope_deg: 45,
    wall_m: 0.1,
    outer_height_m: 0.2,
    ring_height_m: 0.25,
    centre_height_m: Math.max(depth_m, 0.6),
    feather_m: 0,
  };
  if (kind === "polygon") {
    const corners_m = [
      [0, 0],
      [long, 0],
      [long, wide],
      [0, wide],
    ];
    return { kind, corners_m, depth_m };
  }
  const measures = kindOf({ kind }).measures.map(({ key }) => [key, guesses[key] ?? 0]);
  return { kind, ...Object.fromEntries(measures) } as Shape;
}

/** The bed in another shape; what the new shape can't have is dropped. */
export function withShape(bed: Bed, shape: Shape): Bed {
  const { walled, cornered, fills } = SHAPES[shape.kind];
  return {
    ...bed,
    shape,
    ...(walled ? {} : { wall_m: 0, headspace_m: null, buried: [] }),
    ...(cornered ? {} : { corner_depths_m: null }),
    layers: fills ? bed.layers : bed.layers.map(withoutFill),
  };
}

const FLAT_LAYER_M = 0.1;

function withoutFill(layer: Bed["layers"][number]): Bed["layers"][number] {
  return layer.fill || layer.share != null
    ? { ...layer, fill: null, share: null, thickness_m: FLAT_LAYER_M }
    : layer;
}

/** Where the tape lay, on a shape with walls. */
export const TAPE_LAY = [
  ["inside", "inside"],
  ["outside", "outside"],
] as const;
