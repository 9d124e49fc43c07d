import { RULES } from "../../api/rules";
import { trimmed, type Units } from "../format";
import { readNumber } from "./numbers";
import { everywhere, found, unitNamed, unitsOf, Unread, type Comma, type Named, type Unit } from "./rules";

/** One measure as read. assumed: more was taken for it than was typed. */
export type Measure = { value: number; understood: string; assumed: boolean };
type Term = { amount: number; unit: Unit | null };

const KIND_NAMES: Readonly<Record<string, string>> = {
  length: "length",
  volume: "volume",
  mass: "mass",
  area: "area",
};
const aKind = (kind: string) => (kind === "area" ? "an area" : `a ${KIND_NAMES[kind]}`);

export function refuseBelowNothing(text: string, label: string): void {
  if (/^[$€£]?\s*-/.test(text)) throw new Unread(`${label} can't be less than nothing`);
}

/** The measures in a spelled-out text: one, or of dimensions two or three lengths. */
export function readMeasures(
  spelled: string,
  kind: string,
  units: Named,
  comma: Comma,
  bare: readonly Unit[],
): Measure[] {
  const single = kind === "dimensions" ? "length" : kind;
  refuseBelowNothing(spelled, aKind(single));
  const text = spelled.replace(everywhere("noise"), "").trim().replace(everywhere("feet_and_inches"), "$1 ");
  const ends = kind === "dimensions" ? null : endsOfRange(text);
  const parts = ends ?? (single === "length" ? text.split(everywhere("cross")) : [text]);
  if (!ends) checkParts(parts, kind);
  const terms = parts.map((part) => readTerms(part, single, units, comma));
  const lent = lendUnits(terms, ends ? bare.slice(0, 1) : bare);
  const measures = terms.map((part, index) => measureOf(part, lent[index] ?? null));
  return ends ? [middleOf(measures)] : measures;
}

function endsOfRange(text: string): string[] | null {
  const plain = text.replace(everywhere("hyphened_fraction"), (mixed) => mixed.replaceAll("-", " "));
  const ends = found("range", plain)?.groups;
  return ends ? [ends["least"] ?? "", ends["most"] ?? ""] : null;
}

function middleOf([least, most]: readonly Measure[]): Measure {
  if (!least || !most || least.value >= most.value)
    throw new Unread("a range goes from the less to the more, as in 5 to 7");
  const understood = `the middle of ${least.understood} to ${most.understood}`;
  return { value: (least.value + most.value) / 2, understood, assumed: true };
}

function checkParts(parts: readonly string[], kind: string): void {
  const gap = parts.some((part) => !part);
  if (kind === "dimensions") {
    if (parts.length > 1 && !parts[parts.length - 1])
      throw new Unread("the measure after the last x is missing");
    if (parts.length !== 2 && parts.length !== 3)
      throw new Unread(`two or three lengths are wanted here, this has ${parts.length}`);
  } else if (parts.length > 1) {
    if (gap) throw new Unread("a measure beside the x is missing, and one length alone is wanted here");
    throw new Unread(`one length is wanted here, this has ${parts.length}`);
  }
  if (gap) throw new Unread("a measure beside the x is missing");
}

function readTerms(typed: string, kind: string, units: Named, comma: Comma): Term[] {
  const part = typed.replace(/\band\b|\+|&/g, " ").trim();
  if (!part) throw new Unread("no number found");
  const term = new RegExp(RULES.patterns.term, "y");
  const terms: Term[] = [];
  let position = 0;
  while (position < part.length) {
    term.lastIndex = position;
    const match = term.exec(part);
    if (!match) throw new Unread(unread(part, position, kind));
    terms.push({
      amount: readNumber(match.groups?.["number"] ?? "", comma),
      unit: unitOf(match.groups?.["unit"], kind, units),
    });
    position += match[0].length;
    while (part[position] === " ") position += 1;
  }
  return fillBareTerms(terms, kind);
}

function unread(part: string, position: number, kind: string): string {
  if (!/\d/.test(part)) return "no number found";
  const rest = part.slice(position).trim();
  if (rest.startsWith("#"))
    return "a # pot is a trade class, a range and not a volume: type the litres or quarts it holds";
  return `“${rest}” can't be read as part of ${aKind(kind)}`;
}

function unitOf(name: string | undefined, kind: string, units: Named): Unit | null {
  if (name === undefined) return null;
  const plain = name.replaceAll(".", "").replaceAll("-", " ").trim();
  const unit = unitNamed(units, plain);
  if (unit) return unit;
  for (const other of ["length", "volume", "mass"]) {
    if (other !== kind && unitNamed(unitsOf(other, "metric", "media"), plain))
      throw new Unread(`“${name}” measures ${KIND_NAMES[other]}, and ${aKind(kind)} is wanted here`);
  }
  if (/2$|^sq/.test(plain)) throw new Unread(`“${name}” measures area, and ${aKind(kind)} is wanted here`);
  throw new Unread(`“${name}” isn't a unit of ${KIND_NAMES[kind]} known here`);
}

const named = (kind: "length" | "mass", name: string): Unit | null =>
  unitNamed(unitsOf(kind, "metric", "media"), name);

function fillBareTerms(terms: readonly Term[], kind: string): Term[] {
  const filled = [...terms];
  if (terms.length < 2) return filled;
  terms.forEach((term, index) => {
    const before = index > 0 ? (filled[index - 1]?.unit ?? null) : null;
    if (!term.unit) filled[index] = { amount: term.amount, unit: unitBelow(before, term.amount, kind) };
    if (before && (filled[index]?.unit?.size ?? 0) >= before.size)
      throw new Unread("a smaller unit has to follow a larger one, as in 3 ft 6 in");
  });
  if (filled.slice(0, -1).some(({ amount }) => !Number.isInteger(amount)))
    throw new Unread("only the last part can have a fraction");
  return filled;
}

function unitBelow(before: Unit | null, amount: number, kind: string): Unit | null {
  if (before?.one === "ft") return named("length", "in");
  if (before?.one === "m" && amount >= 10 && amount < 100 && Number.isInteger(amount))
    return named("length", "cm");
  if (before?.one === "lb") return { one: "oz", many: "oz", size: before.size / 16, usual: false };
  throw new Unread(`two numbers without a unit between them don't make ${aKind(kind)}`);
}

function lendUnits(parts: readonly Term[][], bare: readonly Unit[]): (Unit | null)[] {
  const typed = parts.map((part) => part[0]?.unit ?? null);
  return typed.map((_unit, index) => {
    const toRight = typed.slice(index).find((unit) => unit);
    const toLeft = typed.slice(0, index).findLast((unit) => unit);
    return toRight ?? toLeft ?? bare[Math.min(index, bare.length - 1)] ?? null;
  });
}

function measureOf(part: readonly Term[], lent: Unit | null): Measure {
  let [value, assumed] = [0, false];
  const said: string[] = [];
  for (const { amount, unit: typed } of part) {
    const unit = typed ?? lent;
    if (!unit) throw new Unread("no unit found");
    value += amount * unit.size;
    assumed = assumed || unit.usual;
    said.push(`${trimmed(amount, 4)} ${amount === 1 ? unit.one : unit.many}`);
  }
  return { value, understood: said.join(" "), assumed };
}

/** A mass on an area [kg/m2]. */
export function readLoad(spelled: string, units: Units, comma: Comma): Measure {
  const text = spelled.replace(/\s*psf$/, " lb/sq ft");
  const parts = found("on_area", text)?.groups;
  const said = (parts?.["area"] ?? "").replaceAll(".", "").trim();
  const massText = parts?.["mass"] ?? text;
  const areas = unitsOf("area", units, "media");
  const area = said ? unitNamed(areas, said) : usualArea(massText, units, areas);
  if (!area) throw new Unread(`“${said}” isn't a unit of area known here`);
  return perUnit(massText, units, comma, area);
}

function usualArea(massText: string, units: Units, areas: Named): Unit | null {
  if (/lb|pound|oz|ounce/.test(massText)) return unitNamed(areas, "sq ft");
  const metric = units === "metric" || /\dg|\bg|kg|kilo/.test(massText);
  return unitNamed(areas, metric ? "m2" : "sq ft");
}

/** A mass of a volume [kg/m3]. poundsOf: what pounds are of where no volume is said. */
export function readDensity(spelled: string, units: Units, comma: Comma, poundsOf: Unit): Measure {
  const text = spelled.replaceAll("³", "3");
  const parts = found("of_volume", text)?.groups;
  const said = (parts?.["volume"] ?? "").replaceAll(".", "").trim();
  const massText = parts?.["mass"] ?? text;
  const inPounds = (units === "ft_in" && !/kg|kilo/.test(massText)) || /lb|pound/.test(massText);
  const volumes = unitsOf("volume", units, "media");
  const volume = inPounds && !said ? poundsOf : unitNamed(volumes, said || "m3");
  // the mass is read first, so that its problem is the one that is told
  const measure = volume ? perUnit(massText, units, comma, volume) : massOf(massText, units, comma);
  if (!volume) throw new Unread(`“${said}” isn't a unit of volume known here`);
  return measure;
}

function perUnit(massText: string, units: Units, comma: Comma, unit: Unit): Measure {
  const mass = massOf(massText, units, comma);
  return {
    value: mass.value / unit.size,
    understood: `${mass.understood} a ${unit.one}`,
    assumed: false,
  };
}

function massOf(text: string, units: Units, comma: Comma): Measure {
  const own = named("mass", units === "ft_in" ? "lb" : "kg");
  const [mass] = readMeasures(text, "mass", unitsOf("mass", units, "media"), comma, own ? [own] : []);
  if (!mass) throw new Unread("no number found");
  return mass;
}

/** A temperature [C]; a bare number is on the garden's own scale. */
export function readTemperature(text: string, units: Units, comma: Comma): Measure {
  const parts = found("temperature", text)?.groups;
  if (!parts) throw new Unread("no temperature found");
  const degrees = readNumber(parts["number"] ?? "", comma) * (parts["sign"] ? -1 : 1);
  const scale = parts["scale"];
  const fahrenheit = scale === "f" || (scale === undefined && units === "ft_in");
  const understood = `${trimmed(degrees, 2)} °${fahrenheit ? "F" : "C"}`;
  return { value: fahrenheit ? ((degrees - 32) * 5) / 9 : degrees, understood, assumed: false };
}
