import type { Bed, Layer, Reservoir, School, SetAside } from "../api/client";

/** How many ways of filling a bed can lie set aside beside its own. */
export const MOST_SET_ASIDE = 3;

export type Way = { name: string; school?: School | null; layers: Layer[]; reservoir?: Reservoir | null };

export function asideOf(bed: Bed): readonly SetAside[] {
  return bed.set_aside ?? [];
}

export function roomAside(bed: Bed): boolean {
  return asideOf(bed).length < MOST_SET_ASIDE;
}

/** Lay a way in the bed; what lies there now is set aside under a name, unless there is nothing. */
export function layWay(bed: Bed, way: Way, presentName: string): Bed {
  const present = presentWay(bed, presentName);
  const set_aside = bed.layers.length > 0 ? [...asideOf(bed), present] : [...asideOf(bed)];
  return { ...bed, ...filling(way), laid: [], set_aside };
}

/** Set a way aside to compare; the bed stays as it is. */
export function setAside(bed: Bed, way: Way): Bed {
  return { ...bed, set_aside: [...asideOf(bed), { name: way.name, ...filling(way) }] };
}

function filling({ school, layers, reservoir }: Way): Omit<SetAside, "name"> {
  return { school: school ?? null, layers, reservoir: reservoir ?? null };
}

function presentWay(bed: Bed, name: string): SetAside {
  return { name, ...filling({ ...bed, name }) };
}

/** Take a way over that was set aside; what lies in the bed now takes its place there, so that neither is lost. */
export function takeOver(bed: Bed, index: number, presentName: string): Bed {
  const wanted = asideOf(bed)[index];
  if (!wanted) return bed;
  const present = presentWay(bed, presentName);
  return {
    ...bed,
    ...filling(wanted),
    laid: [],
    set_aside: asideOf(bed).map((each, at) => (at === index ? present : each)),
  };
}

/** Leave a way out that was set aside. */
export function leaveOut(bed: Bed, index: number): Bed {
  return { ...bed, set_aside: asideOf(bed).filter((_, at) => at !== index) };
}

const SCHOOLS: Record<School, string> = {
  straight_fill: "Straight fill",
  wood_in_a_box: "Wood in a box",
  wood_in_a_trench: "Wood in a trench",
  wood_mound: "Wood mound",
  sheet_layers: "Sheet layers",
  no_dig_compost: "No-dig with compost",
  no_dig_straw: "No-dig with straw",
  shredded_wood: "Shredded wood with meals",
  dug_bed: "Plain dug bed",
  stone_drained: "Stone-drained tall bed",
  wicking: "Wicking bed",
  soaked_chips: "Soaked chips under soil",
  buried_pipe: "Buried soak pipe",
  spiral_zones: "Herb spiral in zones",
};

/** What a bed's filling is called: its school's name, numbered where that is taken among those set aside. */
export function wayName(bed: Bed): string {
  const name = bed.school ? SCHOOLS[bed.school] : "My own layers";
  const taken = new Set(asideOf(bed).map((each) => each.name));
  if (!taken.has(name)) return name;
  return [2, 3, 4, 5].map((n) => `${name} ${n}`).find((each) => !taken.has(each)) ?? name;
}

export function schoolName(school: School | null | undefined): string | null {
  return school ? SCHOOLS[school] : null;
}
