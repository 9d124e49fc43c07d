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
  worth?: string;
  words?: string;
  material?: string;
  differently?: boolean;
};

const MM_A_M = 1000;

/** The entry that is typed, null while what it needs isn't there. */
export function entryOf(kind: EntryKind, bed: string, on: string, typed: Typed): Entry | null {
  const { length_m, volume_m3, mass_kg, count, temp_c, ph, organic_share } = typed;
  const words = typed.words?.trim() ?? "";
  const somewhere = bed === "" ? {} : { bed };
  switch (kind) {
    case "surface":
      return length_m === undefined ? null : { kind, bed, on, height_m: length_m };
    case "harvest":
      if (!words || (mass_kg === undefined && count === undefined)) return null;
      return { kind, bed, on, crop: words, mass_kg, count, worth: typed.worth };
    case "watered":
    case "refill":
      return { kind, bed, on, volume_m3 };
    case "note":
      return words ? { kind, ...somewhere, on, text: words, differently: typed.differently ?? false } : null;
    case "rain":
      return length_m === undefined ? null : { kind, ...somewhere, on, mm: length_m * MM_A_M };
    case "sown":
      return words ? { kind, bed, on, crop: words, count } : null;
    case "top_up":
      if (volume_m3 === undefined) return null;
      return { kind, bed, on, material: typed.material ?? "compost", volume_m3 };
    case "soil_temperature":
      return temp_c === undefined ? null : { kind, bed, on, temp_c };
    case "soil_test":
      if (ph === undefined && organic_share === undefined) return null;
      return { kind, ...somewhere, on, ph, organic_share };
  }
}
