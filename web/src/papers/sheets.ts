import type { KeptGarden, KeptSources } from "../api/client";

export type SheetKind =
  "build" | "planting" | "pile" | "list" | "saw" | "setting-out" | "zones" | "calendar" | "steps" | "year";

/** One sheet that can be printed. of: the bed or supplier that it is of, nothing where there is one of its kind. */
export type SheetChoice = { kind: SheetKind; of: string; label: string };

export const keyOf = ({ kind, of }: Pick<SheetChoice, "kind" | "of">) => (of ? `${kind}:${of}` : kind);

/** All sheets of a garden, in the order that they are wanted in. */
export function sheetsOf(garden: KeptGarden, sources: KeptSources | undefined): SheetChoice[] {
  const alone = (kind: SheetKind, label: string): SheetChoice => ({ kind, of: "", label });
  const ofBeds = (kind: SheetKind, said: string) =>
    garden.beds.map(({ key, bed }) => ({ kind, of: key, label: `${said}: ${bed.name ?? key}` }));
  const lists = (sources?.sources.suppliers ?? []).map(({ key, name }) => ({
    kind: "list" as const,
    of: key,
    label: `Shopping list: ${name ?? key}`,
  }));
  return [
    ...ofBeds("build", "Build sheet"),
    alone("pile", "Pile sheet: what goes to which bed"),
    ...lists,
    alone("saw", "Saw list"),
    ...(garden.garden.plot ? [alone("setting-out", "Setting out")] : []),
    ...ofBeds("planting", "Planting plan"),
    alone("zones", "Watering zones"),
    alone("calendar", "Sowing calendar"),
    alone("steps", "Steps to tick"),
    alone("year", "The year"),
  ];
}
