import { RULES } from "../../api/rules";
import type { Units } from "../format";

/** A unit by its size in the SI base unit of its kind. usual: a size of its own is lacking, and the usual one is taken. */
export type Unit = { one: string; many: string; size: number; usual: boolean };
export type Named = Readonly<Record<string, Unit>>;
export type Comma = "thousands" | "decimal";

export type Limit = {
  label: string;
  kind: string;
  most: number;
  least: number;
  above_least: boolean;
  bare: Partial<Record<Units, Unit>> | null;
  usual: readonly [number, number] | null;
};

/** What a text is read with besides itself. */
export type Context = {
  units: Units;
  currency: string;
  contents: "media" | "liquid";
  density_kg_m3: number | null;
  handful_kg: number | null;
};

export type Pattern = keyof typeof RULES.patterns;

/** A text that can't be taken; its message is the reason, ready to show. */
export class Unread extends Error {}

export const LIMITS = RULES.limits as unknown as Readonly<Record<string, Limit>>;
const SHELF = RULES.units as unknown as Readonly<Record<"length" | "area" | "volume" | "mass", Named>>;

/** A pattern of the core's, found anywhere. */
export const found = (name: Pattern, text: string) => new RegExp(RULES.patterns[name]).exec(text);
/** A pattern of the core's over the whole of a text. */
export const whole = (name: Pattern, text: string) => new RegExp(`^(?:${RULES.patterns[name]})$`).exec(text);
export const everywhere = (name: Pattern) => new RegExp(RULES.patterns[name], "g");

/** A unit by how it is spelled; a name that every object has is none. */
export function unitNamed(units: Named, name: string): Unit | null {
  return Object.hasOwn(units, name) ? (units[name] ?? null) : null;
}

/** The units that a measure of a kind may be in, by spelling. */
export function unitsOf(kind: string, units: Units, contents: "media" | "liquid"): Named {
  if (kind === "length" || kind === "dimensions") return SHELF.length;
  if (kind === "area") return SHELF.area;
  if (kind === "volume") return { ...SHELF.volume, ...(RULES.quarts[contents] as Named) };
  return massUnits(units);
}

export function massUnits(units: Units): Named {
  return { ...SHELF.mass, ...(RULES.tons[units] as Named) };
}

/** Units whose size is the usual one, or goes by how heavy the stuff is. */
export function furtherUnits(kind: string, { units, density_kg_m3, handful_kg }: Context): Named {
  if (kind === "mass") return scooped(density_kg_m3, handful_kg);
  if (kind !== "volume") return {};
  return { ...(RULES.bags[units] as Named), ...(density_kg_m3 ? weighedUnits(density_kg_m3, units) : {}) };
}

/** Units of mass as units of a volume, by how heavy what is measured lies. */
export function weighedUnits(density_kg_m3: number, units: Units): Named {
  const at = `at ${roundedEven(density_kg_m3)} kg/m³`;
  return Object.fromEntries(
    Object.entries(massUnits(units)).map(([name, { one, many, size }]) => [
      name,
      { one: `${one} ${at}`, many: `${many} ${at}`, size: size / density_kg_m3, usual: true },
    ]),
  );
}

function scooped(density_kg_m3: number | null, handful_kg: number | null): Named {
  const { usual_handful_kg, handful_m3, cup_m3 } = RULES.scooped;
  const usual_kg = density_kg_m3 === null ? usual_handful_kg : handful_m3 * density_kg_m3;
  const hand_kg = handful_kg || usual_kg;
  const cup_kg = cup_m3 * (density_kg_m3 || usual_handful_kg / handful_m3);
  const named = (one: string, many: string, size: number): Unit => {
    const of = `of ${roundedEven(size * 1000)} g`;
    return { one: `${one} ${of}`, many: `${many} ${of}`, size, usual: true };
  };
  const [hand, cup] = [named("handful", "handfuls", hand_kg), named("cup", "cups", cup_kg)];
  return { handful: hand, handfuls: hand, cup, cups: cup };
}

/** A number without digits after its point, a half to the even one. */
function roundedEven(value: number): string {
  const below = Math.floor(value);
  const rest = value - below;
  const up = rest > 0.5 || (rest === 0.5 && below % 2 === 1);
  return String(up ? below + 1 : below);
}
