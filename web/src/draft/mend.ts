import type { Bed, Schemas } from "../api/client";

type Step = Schemas["StepFigures"];

/** The bed with a mend's steps taken, each on what the ones before left; what they don't touch stays the very same. */
export function mended(bed: Bed, steps: readonly Step[]): Bed {
  return steps.reduce((done, step) => stepped(done, partsOf(step.path), step) as Bed, bed);
}

/** The parts of a path as the plan file writes it: layers[2].thickness_m is layers, 2, thickness_m. */
function partsOf(path: string): (string | number)[] {
  return [...path.matchAll(/([a-z_0-9]+)|\[(\d+)\]/g)].map(([, key, place]) => key ?? Number(place));
}

function stepped(thing: unknown, [first, ...rest]: (string | number)[], step: Step): unknown {
  if (first === undefined) return thing;
  if (Array.isArray(thing)) {
    const list = thing as unknown[];
    const at = Number(first);
    if (rest.length === 0 && step.do === "add") return list.toSpliced(at, 0, step.value);
    if (rest.length === 0 && step.do === "remove") return list.toSpliced(at, 1);
    return list.with(at, rest.length === 0 ? step.value : stepped(list[at], rest, step));
  }
  const known = (thing ?? {}) as Record<string, unknown>;
  return { ...known, [first]: rest.length === 0 ? step.value : stepped(known[first], rest, step) };
}
