import type { Entry, EntryKind } from "./seasonApi";

/** What is typed of an entry so far. */
export type Typed = {
  length_m?: number;
  volume_m3?: number;
  mass_kg?: number;
  count?: number;
  temp_c?: number;
  ph?: number;
  organic_share?: number;
  nitrogen_mg_kg?: number;
  phosphorus_mg_kg?: number;
  potassium_mg_kg?: number;
  lead_mg_kg?: number;
  worth?: string;
  words?: string;
  material?: string;
  half?: "left" | "right";
  differently?: boolean;
  /** What fell due, where a note says that it was done. */
  upkeep?: string;
};

const MM_A_M = 1000;

/** The entry that is typed, null while what it needs isn't there. */
export function entryOf(kind: EntryKind, bed: string, on: string, who: string, typed: Typed): Entry | null {
  const { length_m, volume_m3, mass_kg, count, temp_c } = typed;
  const words = typed.words?.trim() ?? "";
  const seen = { on, ...(who.trim() && { who: who.trim() }) };
  const somewhere = { ...seen, ...(bed && { bed }) };
  const there = { ...seen, bed };
  switch (kind) {
    case "surface":
      return length_m === undefined ? null : { kind, ...there, height_m: length_m };
    case "dip":
      return length_m === undefined ? null : { kind, bed, on: momentOn(on), level_m: length_m };
    case "harvest":
      if (!words || (mass_kg === undefined && count === undefined)) return null;
      return { kind, ...there, crop: words, mass_kg, count, worth: typed.worth, half: typed.half };
    case "watered":
    case "refill":
      return { kind, ...there, volume_m3 };
    case "note":
      if (!words) return null;
      return {
        kind,
        ...somewhere,
        text: words,
        differently: typed.differently ?? false,
        upkeep: typed.upkeep,
      };
    case "rain":
      return length_m === undefined ? null : { kind, ...somewhere, mm: length_m * MM_A_M };
    case "sown":
      return words ? { kind, ...there, crop: words, count } : null;
    case "top_up":
      if (volume_m3 === undefined) return null;
      return { kind, ...there, material: typed.material ?? "compost", volume_m3 };
    case "soil_temperature":
      return temp_c === undefined ? null : { kind, ...there, temp_c };
    case "soil_test": {
      const { ph, organic_share, nitrogen_mg_kg, phosphorus_mg_kg, potassium_mg_kg, lead_mg_kg } = typed;
      const found = { ph, organic_share, nitrogen_mg_kg, phosphorus_mg_kg, potassium_mg_kg, lead_mg_kg };
      if (Object.values(found).every((each) => each === undefined)) return null;
      return { kind, ...somewhere, ...found };
    }
  }
}

/** The moment on a day at which something is written down. */
function momentOn(day: string): string {
  const [, time = "12:00:00"] = new Date().toTimeString().match(/^(\d\d:\d\d:\d\d)/) ?? [];
  return new Date(`${day}T${time}`).toISOString();
}

/** What would have been typed for an entry. */
export function typedOf(entry: Entry): Typed {
  switch (entry.kind) {
    case "surface":
      return { length_m: entry.height_m };
    case "dip":
      return { length_m: entry.level_m };
    case "harvest":
      return {
        words: entry.crop,
        mass_kg: entry.mass_kg ?? undefined,
        count: entry.count ?? undefined,
        worth: entry.worth == null ? undefined : String(entry.worth),
        half: entry.half ?? undefined,
      };
    case "watered":
    case "refill":
      return { volume_m3: entry.volume_m3 ?? undefined };
    case "note":
      return { words: entry.text, differently: entry.differently, upkeep: entry.upkeep ?? undefined };
    case "rain":
      return { length_m: entry.mm / MM_A_M };
    case "sown":
      return { words: entry.crop, count: entry.count ?? undefined };
    case "top_up":
      return { material: entry.material, volume_m3: entry.volume_m3 };
    case "soil_temperature":
      return { temp_c: entry.temp_c };
    case "soil_test":
      return {
        ph: entry.ph ?? undefined,
        organic_share: entry.organic_share ?? undefined,
        nitrogen_mg_kg: entry.nitrogen_mg_kg ?? undefined,
        phosphorus_mg_kg: entry.phosphorus_mg_kg ?? undefined,
        potassium_mg_kg: entry.potassium_mg_kg ?? undefined,
        lead_mg_kg: entry.lead_mg_kg ?? undefined,
      };
  }
}
