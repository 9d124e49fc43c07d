import type { Mix, MixPart, MixTarget, MixUse } from "./blendApi";

const MOST_PARTS = 1000;
const STEP = 0.25;

const NAMES: Record<MixUse, string> = {
  raised_bed: "raised bed",
  deep_container: "deep container",
  wicking_bed: "wicking bed",
  seed_sowing: "sowing seed",
  dry_herb: "dry herbs",
  moist_herb: "moist herbs",
};

export const USES = Object.entries(NAMES) as [MixUse, string][];

/** The recipe that a new mix starts with. */
export function firstMix(name: string): Mix {
  const parts = ["topsoil", "compost"].map((material) => ({ material, parts: 1 }));
  return { key: "new_mix", name, parts, target: { use: "raised_bed", limits: [] } };
}

/** The mix with a part changed. */
export function withPart(mix: Mix, index: number, change: Partial<MixPart>): Mix {
  return {
    ...mix,
    parts: mix.parts.map((part, at) => (at === index ? { ...part, ...change } : part)),
  };
}

/** The mix with so many parts more or less of one, never less than none. */
export function stepped(mix: Mix, index: number, by: number): Mix {
  const part = mix.parts[index];
  return part ? withPart(mix, index, { parts: toStep(part.parts + by) }) : mix;
}

/** Parts as a dragged bucket holds them: in quarters. */
export function toStep(parts: number): number {
  return Math.min(Math.max(Math.round(parts / STEP) * STEP, 0), MOST_PARTS);
}

/** The mix with one part more of a material, or a new part of it. */
export function added(mix: Mix, material: string): Mix {
  const there = mix.parts.findIndex((part) => part.material === material);
  if (there >= 0) return stepped(mix, there, 1);
  return { ...mix, parts: [...mix.parts, { material, parts: 1 }] };
}

/** The mix without a part; the last one stays. */
export function without(mix: Mix, index: number): Mix {
  return mix.parts.length > 1 ? { ...mix, parts: mix.parts.filter((_, at) => at !== index) } : mix;
}

/** The mix with so much of something mixed in by weight, for each loose m3 [kg/m3]. */
export function withDose(mix: Mix, material: string, dose_kg_m3: number): Mix {
  const doses = mix.doses ?? [];
  const dose = { material, dose_kg_m3 };
  const there = doses.some((each) => each.material === material);
  return {
    ...mix,
    doses: there ? doses.map((each) => (each.material === material ? dose : each)) : [...doses, dose],
  };
}

/** The mix without something that is mixed in by weight. */
export function withoutDose(mix: Mix, material: string): Mix {
  return { ...mix, doses: (mix.doses ?? []).filter((each) => each.material !== material) };
}

/** The mix with its target changed; another use begins with that use's own bands. */
export function withTarget(mix: Mix, change: Partial<MixTarget>): Mix {
  const target: MixTarget = { limits: [], use: "raised_bed", ...mix.target };
  if (change.use && change.use !== target.use)
    return { ...mix, target: { use: change.use, limits: target.limits } };
  return { ...mix, target: { ...target, ...change } };
}

/** The mix with the limits of a material set or changed; the other edge gives way. */
export function withLimit(mix: Mix, material: string, change: { least?: number; most?: number }): Mix {
  const limits = mix.target?.limits ?? [];
  const { least, most } = {
    least: 0,
    most: 1,
    ...limits.find((each) => each.material === material),
    ...change,
  };
  const limit = {
    material,
    least: change.most === undefined ? least : Math.min(least, most),
    most: change.least === undefined ? most : Math.max(least, most),
  };
  const there = limits.some((each) => each.material === material);
  return withTarget(mix, {
    limits: there ? limits.map((each) => (each.material === material ? limit : each)) : [...limits, limit],
  });
}

/** The mix without limits of a material. */
export function withoutLimit(mix: Mix, material: string): Mix {
  return withTarget(mix, {
    limits: (mix.target?.limits ?? []).filter((each) => each.material !== material),
  });
}

type Edged = "air_filled" | "water_held" | "ph" | "organic_matter";

/** The mix with the least or the most of a band changed; the other edge is its own, else the one shown, and gives way. */
export function withEdge(
  mix: Mix,
  band: Edged,
  edge: "least" | "most",
  value: number,
  shown: readonly [number, number],
): Mix {
  const [least = 0, most = 0] = mix.target?.[band] ?? shown;
  const edges = edge === "least" ? [value, Math.max(value, most)] : [Math.min(value, least), value];
  return withTarget(mix, { [band]: edges });
}

/** The mix with another recipe, by shares; what was tried in a bucket was the old one. */
export function withRecipe(mix: Mix, parts: readonly MixPart[]): Mix {
  return {
    ...mix,
    parts: parts.map(({ material, parts: count }) => ({ material, parts: count })),
    bucket_test: null,
  };
}

/** A copy to be kept under a name of its own. */
export function copyOf(mix: Mix): Mix {
  return { ...mix, name: `${mix.name ?? mix.key} copy`.slice(0, 80) };
}

/** How many parts the buckets are drawn for. */
export function bucketSize(mix: Mix): number {
  const most = Math.max(...mix.parts.map(({ parts }) => parts), 1);
  return most <= 4 ? 5 : most * 1.25;
}
