import { DEFAULTS } from "./words";

type Defaults = typeof DEFAULTS;

/** What a key of the plan file means, as it is said or where it is left out. */
export function meant<
  Model extends keyof Defaults,
  Key extends keyof Defaults[Model] & string,
  Part extends { [key in Key]?: unknown },
>(model: Model, part: Part, key: Key): NonNullable<Part[Key]> {
  return (part[key] ?? DEFAULTS[model][key]) as NonNullable<Part[Key]>;
}
