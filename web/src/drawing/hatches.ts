import { HATCH_COLOURS, MIX_COLOURS, UNKNOWN } from "../theme/hatchColours";

/** Each material's own hatch: a mark, its two colours, its size and turn. Nothing depends on colour alone. */

export type Mark =
  | "grain"
  | "crumbs"
  | "worms"
  | "curls"
  | "twigs"
  | "straws"
  | "pebbles"
  | "rings"
  | "chips"
  | "shards"
  | "speckle"
  | "blades"
  | "logs"
  | "plies"
  | "lines"
  | "weave"
  | "waves"
  | "mesh"
  | "blend";

export type Hatch = { mark: Mark; ground: string; ink: string; size: number; turn?: number };

type Strokes = Omit<Hatch, "ground" | "ink">;

const hatch = (mark: Mark, size = 1, turn = 0): Strokes => ({ mark, size, turn });

const STROKES: Record<string, Strokes> = {
  topsoil: hatch("grain", 1.1),
  garden_soil: hatch("grain", 1.5, 30),
  compost: hatch("crumbs"),
  worm_compost: hatch("worms"),
  mushroom_compost: hatch("crumbs", 1.4, 40),
  leaf_mould: hatch("curls", 0.8, 20),
  aged_manure: hatch("worms", 1.4, 60),
  poultry_pellets: hatch("rings", 0.7),
  coop_litter: hatch("straws", 0.8, 15),
  peat: hatch("lines", 0.7),
  coir: hatch("straws", 0.7, 70),
  potting_mix: hatch("grain", 0.8),
  raised_bed_mix: hatch("grain", 0.9, 12),
  composted_bark: hatch("chips", 0.8),
  perlite: hatch("rings", 0.8),
  vermiculite: hatch("shards", 0.7),
  pumice: hatch("pebbles", 0.7),
  expanded_clay: hatch("rings", 1.2),
  crushed_tile: hatch("shards", 1),
  cork: hatch("pebbles", 0.6),
  coarse_sand: hatch("speckle", 1),
  grit: hatch("speckle", 1.6),
  leaves: hatch("curls"),
  straw: hatch("straws"),
  hay: hatch("straws", 1, 50),
  grass_clippings: hatch("blades"),
  green_trimmings: hatch("blades", 1.5, 25),
  kitchen_scraps: hatch("shards", 0.9, 20),
  coffee_grounds: hatch("speckle", 0.7),
  turf: hatch("blades", 1, 180),
  shredded_hardwood: hatch("twigs", 0.7, 80),
  bark_mulch: hatch("chips", 1.1),
  wood_chips: hatch("chips"),
  sawdust: hatch("speckle", 0.8),
  conifer_logs: hatch("logs", 0.8),
  broadleaf_logs: hatch("logs"),
  durable_logs: hatch("logs", 1.25),
  walnut_logs: hatch("logs", 1.1),
  cedar_logs: hatch("logs", 0.9),
  branches: hatch("twigs"),
  brush: hatch("twigs", 1.4, 35),
  pea_gravel: hatch("pebbles", 0.9),
  gravel_20: hatch("pebbles", 1.4),
  scoria: hatch("pebbles", 1.1),
  rubble: hatch("shards", 1.6),
  walling_stone: hatch("shards", 2, 20),
  path_base: hatch("shards", 1.1, 40),
  blood_meal: hatch("speckle", 0.9, 20),
  bone_meal: hatch("speckle", 0.7, 30),
  feather_meal: hatch("blades", 0.7, 90),
  subsoil: hatch("grain", 1.3, 60),
  used_potting_soil: hatch("grain", 0.9, 50),
  aged_bedding: hatch("worms", 1.1, 20),
  horse_manure: hatch("worms", 1.7, 10),
  cow_manure: hatch("worms", 1.9, 80),
  sheep_manure: hatch("rings", 0.9, 30),
  poultry_manure: hatch("rings", 0.6, 60),
  biochar: hatch("shards", 0.6),
  screenings: hatch("speckle", 1.2, 15),
  conifer_needles: hatch("straws", 0.6, 30),
  old_straw: hatch("straws", 1.1, 20),
  legume_straw: hatch("straws", 0.9, 80),
  husks: hatch("shards", 0.5, 60),
  seaweed: hatch("blades", 1.3, 60),
  rotted_wood: hatch("logs", 0.9, 20),
  granular_fertiliser: hatch("rings", 0.5),
  lime: hatch("speckle", 0.6, 40),
  wood_ash: hatch("grain", 0.6, 20),
  cardboard: hatch("plies"),
  newspaper: hatch("lines", 0.8),
  geotextile: hatch("weave", 0.8),
  weed_mat: hatch("weave", 1.1),
  wicking_fabric: hatch("waves"),
  pond_liner: hatch("lines", 1.2, 90),
  food_film: hatch("lines", 1, 45),
  wire_mesh: hatch("mesh"),
  fleece: hatch("speckle", 0.6, 20),
  cover_film: hatch("lines", 1.5, 135),
  garden_net: hatch("mesh", 1.4, 45),
  insect_net: hatch("mesh", 0.6),
};

const MIX_STROKES: readonly Strokes[] = [
  hatch("blend"),
  hatch("blend", 0.9, 40),
  hatch("blend", 1.1, 75),
  hatch("blend", 0.8, 20),
  hatch("blend", 1.2, 55),
  hatch("blend", 1.3, 10),
  hatch("blend", 0.75, 65),
];

const coloured = (strokes: Strokes, [ground, ink]: readonly [string, string]): Hatch => ({
  ...strokes,
  ground,
  ink,
});

/** Each material's hatch by its key. */
export const HATCHES: Record<string, Hatch> = Object.fromEntries(
  Object.entries(STROKES).map(([key, strokes]) => [key, coloured(strokes, HATCH_COLOURS[key] ?? UNKNOWN)]),
);

/** What a mix may look like: which of them goes by its key, so that mixes side by side differ. */
export const MIX_HATCHES: readonly Hatch[] = MIX_STROKES.map((strokes, index) =>
  coloured(strokes, MIX_COLOURS[index] ?? UNKNOWN),
);

function mixHatch(key: string): string {
  let sum = 0;
  for (const letter of key) sum = (sum * 31 + letter.charCodeAt(0)) % 9973;
  return `mix-${sum % MIX_HATCHES.length}`;
}

const EMPTY_HATCH: Hatch = coloured(hatch("grain"), UNKNOWN);

/** The hatch of a material by its key; an own material has that of the one it is like, a mix has the mixes' own. */
export function hatchOf(key: string, like: string | null | undefined): Hatch {
  const name = hatchKey(key, like);
  return HATCHES[name] ?? MIX_HATCHES[Number(name.slice(4))] ?? EMPTY_HATCH;
}

export function hatchKey(key: string, like: string | null | undefined): string {
  if (HATCHES[key]) return key;
  return like && HATCHES[like] ? like : mixHatch(key);
}
