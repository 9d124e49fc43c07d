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

const hatch = (mark: Mark, ground: string, ink: string, size = 1, turn = 0): Hatch => ({
  mark,
  ground,
  ink,
  size,
  turn,
});

export const HATCHES: Record<string, Hatch> = {
  topsoil: hatch("grain", "#7d5a3c", "#d9bd9a", 1.1),
  garden_soil: hatch("grain", "#6b5140", "#b99a78", 1.5, 30),
  compost: hatch("crumbs", "#463122", "#775539"),
  worm_compost: hatch("worms", "#4f3a2c", "#94704f"),
  mushroom_compost: hatch("crumbs", "#5a4636", "#b09a82", 1.4, 40),
  leaf_mould: hatch("curls", "#5b4028", "#96703f", 0.8, 20),
  aged_manure: hatch("worms", "#5c4a2e", "#a58b56", 1.4, 60),
  poultry_pellets: hatch("rings", "#b39a6b", "#5e4a28", 0.7),
  coop_litter: hatch("straws", "#a98f5f", "#5b4527", 0.8, 15),
  peat: hatch("lines", "#4a3527", "#7b5c45", 0.7),
  coir: hatch("straws", "#8a5f3c", "#4e3320", 0.7, 70),
  potting_mix: hatch("grain", "#54402f", "#e6dccb", 0.8),
  raised_bed_mix: hatch("grain", "#8b6747", "#efdcc3", 0.9, 12),
  composted_bark: hatch("chips", "#5f412b", "#a0744c", 0.8),
  perlite: hatch("rings", "#e4e2da", "#8d8a80", 0.8),
  vermiculite: hatch("shards", "#c9ae74", "#7c6430", 0.7),
  pumice: hatch("pebbles", "#d9d4c8", "#8c8577", 0.7),
  expanded_clay: hatch("rings", "#b8694a", "#6a2f1a", 1.2),
  crushed_tile: hatch("shards", "#c07a58", "#7a3a20", 1),
  cork: hatch("pebbles", "#c49a62", "#7d5a2c", 0.6),
  coarse_sand: hatch("speckle", "#dcc48a", "#8f7437", 1),
  grit: hatch("speckle", "#b9b4a6", "#5f5b50", 1.6),
  leaves: hatch("curls", "#b88a35", "#6f4b12"),
  straw: hatch("straws", "#e0c473", "#98782b"),
  hay: hatch("straws", "#b9b566", "#6c6a2a", 1, 50),
  grass_clippings: hatch("blades", "#86a053", "#48622a"),
  green_trimmings: hatch("blades", "#6f8f55", "#2f4d22", 1.5, 25),
  kitchen_scraps: hatch("shards", "#a9a05a", "#5c6b2c", 0.9, 20),
  coffee_grounds: hatch("speckle", "#3d2a20", "#8a6a54", 0.7),
  turf: hatch("blades", "#7a6440", "#3f5a26", 1, 180),
  shredded_hardwood: hatch("twigs", "#a67a4e", "#603d1e", 0.7, 80),
  bark_mulch: hatch("chips", "#7b4f30", "#3f2513", 1.1),
  wood_chips: hatch("chips", "#c39a67", "#7d5629"),
  sawdust: hatch("speckle", "#d9bd8e", "#9a7440", 0.8),
  conifer_logs: hatch("logs", "#c79a63", "#7a4d24", 0.8),
  broadleaf_logs: hatch("logs", "#b98a5a", "#5d4026"),
  durable_logs: hatch("logs", "#9b7048", "#452c17", 1.25),
  walnut_logs: hatch("logs", "#7d5940", "#36231a", 1.1),
  cedar_logs: hatch("logs", "#b9704a", "#5f2f1c", 0.9),
  branches: hatch("twigs", "#a3825c", "#5b3f27"),
  brush: hatch("twigs", "#c2ab86", "#6b5233", 1.4, 35),
  pea_gravel: hatch("pebbles", "#cfc6b4", "#7c7464", 0.9),
  gravel_20: hatch("pebbles", "#b6bdbb", "#65706f", 1.4),
  scoria: hatch("pebbles", "#a4604c", "#5a2a1e", 1.1),
  rubble: hatch("shards", "#aca9a1", "#585650", 1.6),
  path_base: hatch("shards", "#c3c4be", "#7b7d76", 1.1, 40),
  blood_meal: hatch("speckle", "#8c3a2c", "#e0a493", 0.9, 20),
  bone_meal: hatch("speckle", "#ebe5d4", "#9d927a", 0.7, 30),
  feather_meal: hatch("blades", "#cbbf9f", "#7d7150", 0.7, 90),
  cardboard: hatch("plies", "#c79a5d", "#8a6230"),
  newspaper: hatch("lines", "#e6e4dc", "#77756c", 0.8),
  geotextile: hatch("weave", "#d7dcda", "#6d7a78", 0.8),
  weed_mat: hatch("weave", "#47525a", "#8f9ba3", 1.1),
  wicking_fabric: hatch("waves", "#cfe3e6", "#0f6e84"),
  pond_liner: hatch("lines", "#2f3b40", "#6b7a80", 1.2, 90),
  food_film: hatch("lines", "#dbe9ea", "#7aa3a8", 1, 45),
  wire_mesh: hatch("mesh", "#eceae2", "#7c7f7b"),
};

/** What a mix may look like: which of them goes by its key, so that mixes side by side differ. */
export const MIX_HATCHES: readonly Hatch[] = [
  hatch("blend", "#7a5c42", "#e9dcc6"),
  hatch("blend", "#5b4a3a", "#c9a77a", 0.9, 40),
  hatch("blend", "#9a8467", "#4d3b2a", 1.1, 75),
  hatch("blend", "#b7a587", "#6d5233", 0.8, 20),
  hatch("blend", "#6a5f45", "#d8d2b4", 1.2, 55),
  hatch("blend", "#4a3a2e", "#e0cfae", 1.3, 10),
  hatch("blend", "#8a6a55", "#2f241b", 0.75, 65),
];

function mixHatch(key: string): string {
  let sum = 0;
  for (const letter of key) sum = (sum * 31 + letter.charCodeAt(0)) % 9973;
  return `mix-${sum % MIX_HATCHES.length}`;
}

const EMPTY_HATCH: Hatch = hatch("grain", "#8b6747", "#efdcc3");

/** The hatch of a material by its key; an own material has that of the one it is like, a mix has the mixes' own. */
export function hatchOf(key: string, like: string | null | undefined): Hatch {
  const name = hatchKey(key, like);
  return HATCHES[name] ?? MIX_HATCHES[Number(name.slice(4))] ?? EMPTY_HATCH;
}

export function hatchKey(key: string, like: string | null | undefined): string {
  if (HATCHES[key]) return key;
  return like && HATCHES[like] ? like : mixHatch(key);
}
