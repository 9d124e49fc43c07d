import {
  fixed,
  showDose,
  showLength,
  showMass,
  showMoney,
  showVolume,
  type Units,
} from "../quantities/format";
import type { NarrowWay, SureFigure } from "./sureApi";

type Name = SureFigure["figure"];
type Source = SureFigure["rests_on"][number]["source"];

export const FIGURES: Record<Name, string> = {
  placed_m3: "Volume in the bed",
  loose_m3: "To fill it, loose",
  mass_moist_kg: "Weight as delivered",
  mass_saturated_kg: "Weight, wet through",
  first_spring_m: "Surface after the first winter",
  third_spring_m: "Surface in the third spring",
  nitrogen_short_kg: "Nitrogen short, first season",
  lasting_days: "A full reservoir lasts",
  to_buy_m3: "To buy, loose",
  bags: "In bags",
  total: "The whole haul",
};

const SOURCES: Record<Source, string> = {
  tape: "the tape",
  raking: "how level layers are raked",
  hand: "one hand rakes all beds",
  load: "what the loader puts on",
  loose_factor: "how loose it lies",
  label: "what a bag holds of its label",
  dry_density_kg_m3: "how dense it is",
  moisture: "how moist it comes",
  void_share: "how much is gaps",
  carbon: "its carbon",
  nitrogen: "its nitrogen",
  decay_per_year: "how fast it rots",
  settles_share: "how far it settles",
  stays_share: "how much of it stays",
  warmth: "how warm the years are",
  dampness: "how damp the fill stays",
  running_down: "how much runs down into gaps",
  available: "water that the soil gives",
  rise: "how high it wicks",
  crop_factor: "how thirsty the plants are",
  weather: "the weather",
  price: "how old the prices are",
};

/** What a spread comes from, with what it is of. */
export function sourceSaid({ source, name }: SureFigure["rests_on"][number]): string {
  return name ? `${name}: ${SOURCES[source]}` : SOURCES[source].replace(/^./, (first) => first.toUpperCase());
}

/** What would narrow a figure, as a thing to do. */
export function waySaid({ way, name }: Pick<NarrowWay, "way" | "name">): string {
  switch (way) {
    case "tape_again":
      return `${name}: take each measure three times`;
    case "depth_places":
      return `${name}: measure how thick the layers lie at five places`;
    case "tread_bucket":
      return `${name}: tread a bucket of it down`;
    case "weigh_bucket":
      return `${name}: weigh a bucket of it`;
    case "fill_voids":
      return `${name}: fill the gaps of a bucket of it with water`;
    case "check_bag":
      return `${name}: tip out one bag and measure it`;
    case "dip_twice":
      return `${name}: dip its reservoir twice, some days apart`;
    case "ask_price":
      return `${name}: ask what it costs today`;
  }
}

/** How much narrower a band gets, in words. */
export function narrowerSaid(leaves: number): string {
  return leaves < 0.05 ? "known" : `${fixed((1 - leaves) * 100, 0)} % narrower`;
}

type Shown = Pick<SureFigure, "figure">;

/** A figure that has a band, in the garden's units. beside: the largest it stands beside. */
export function showSure({ figure }: Shown, value: number, units: Units, currency: string, beside = value) {
  switch (figure) {
    case "bags":
      return Math.round(value) === 1 ? "1 bag" : `${fixed(value, 0)} bags`;
    case "lasting_days":
      return Math.round(value) === 1 ? "1 day" : `${fixed(value, 0)} days`;
    case "total":
      return showMoney(value.toFixed(0), currency).replace(/\.00$/, "");
    case "mass_moist_kg":
    case "mass_saturated_kg":
      return showMass(value, units, beside);
    case "nitrogen_short_kg":
      return showDose(value, units, beside);
    case "first_spring_m":
    case "third_spring_m":
      return showLength(value, units);
    default:
      return showVolume(value, units);
  }
}

/** A band: "35 to 41 bags", the unit once where both ends have the same. */
export function showBand(figure: SureFigure, units: Units, currency: string): string {
  const low = showSure(figure, figure.low, units, currency, figure.high);
  const high = showSure(figure, figure.high, units, currency, figure.high);
  if (low === high) return high;
  const unit = / [^\d]+$/.exec(high)?.[0] ?? "";
  const bare = unit && (low.endsWith(unit) ? low.slice(0, -unit.length) : low.replace(/ (bag|day)$/, ""));
  return `${bare || low} to ${high}`;
}
