import {
  showDay,
  showHarvest,
  showHeld,
  showLength,
  showMoney,
  showRain,
  showShare,
  showTemperature,
  showVolume,
  trimmed,
  type Units,
} from "../quantities/format";

import type { Entry, EntryKind } from "./seasonApi";

export const KIND_NAMES: Readonly<Record<EntryKind, string>> = {
  surface: "Surface",
  dip: "Dip",
  harvest: "Harvest",
  watered: "Watered",
  note: "Note",
  refill: "Refill",
  rain: "Rain",
  sown: "Sown",
  top_up: "Laid on",
  soil_temperature: "Soil warmth",
  soil_test: "Soil test",
};

const DAY = 10;

/** The day of an entry, as it is shown. */
export function dayOf(entry: Entry): string {
  return showDay(entry.on.slice(0, DAY));
}

type Shown = { units: Units; currency: string; materialName: (key: string) => string };

/** What an entry says, in words with units. */
export function said(entry: Entry, { units, currency, materialName }: Shown): string {
  switch (entry.kind) {
    case "surface":
      return `stands ${showLength(entry.height_m, units)} over the floor`;
    case "dip":
      return `water stands at ${showLength(entry.level_m, units)}`;
    case "harvest":
      return [
        entry.crop,
        entry.mass_kg != null && showHarvest(entry.mass_kg, units),
        entry.count != null && `${entry.count} pieces`,
        entry.half != null && `${entry.half} half`,
        entry.worth != null && `worth ${showMoney(entry.worth, currency)}`,
      ]
        .filter(Boolean)
        .join(", ");
    case "watered":
    case "refill":
      return entry.volume_m3 == null ? "not measured" : `with ${showHeld(entry.volume_m3, units)}`;
    case "note":
      return entry.text;
    case "rain":
      return showRain(entry.mm, units);
    case "sown":
      return entry.count == null ? entry.crop : `${entry.crop}, ${entry.count}`;
    case "top_up":
      return `${showVolume(entry.volume_m3, units)} of ${materialName(entry.material)}, loose`;
    case "soil_temperature":
      return showTemperature(entry.temp_c, units);
    case "soil_test":
      return testSaid(entry);
  }
}

/** What an entry said before it was changed; its words were read when they were kept. */
export function saidBefore(before: Record<string, unknown>, shown: Shown): string {
  const entry = before as Entry;
  return `${dayOf(entry)}, ${said(entry, shown)}`;
}

function testSaid(test: Extract<Entry, { kind: "soil_test" }>): string {
  const nutrient = (name: string, value: number | null | undefined) =>
    value == null ? null : `${name} ${trimmed(value, 1)} mg/kg`;
  return [
    test.ph == null ? null : `pH ${trimmed(test.ph, 1)}`,
    test.organic_share == null ? null : `${showShare(test.organic_share)} organic`,
    nutrient("nitrogen", test.nitrogen_mg_kg),
    nutrient("phosphorus", test.phosphorus_mg_kg),
    nutrient("potassium", test.potassium_mg_kg),
    nutrient("lead", test.lead_mg_kg),
  ]
    .filter(Boolean)
    .join(", ");
}
