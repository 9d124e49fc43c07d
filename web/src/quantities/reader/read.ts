import type { Meaning, Reading } from "../../api/client";
import { RULES } from "../../api/rules";
import {
  otherUnits,
  showArea,
  showBulkVolume,
  showDensity,
  showLength,
  showLoad,
  showMass,
  showMixedIn,
  showMoney,
  showShare,
  showTemperature,
  showUnitPrice,
  showVolume,
  trimmed,
  type Units,
} from "../format";
import { cents, readMoney, readUnitPrice } from "./money";
import { digitsForWords, readNumber, spellOut } from "./numbers";
import {
  furtherUnits,
  LIMITS,
  unitNamed,
  unitsOf,
  Unread,
  whole,
  type Comma,
  type Context,
  type Limit,
  type Unit,
} from "./rules";
import {
  readDensity,
  readLoad,
  readMeasures,
  readTemperature,
  refuseBelowNothing,
  type Measure,
} from "./terms";

const SHOWN: Readonly<Record<string, (value: number, units: Units) => string>> = {
  length: showLength,
  volume: (value, units) =>
    value >= RULES.bulk_from_m3 ? showBulkVolume(value, units) : showVolume(value, units),
  mass: showMass,
  area: showArea,
  load: showLoad,
  density: showDensity,
  mixed_in: showMixedIn,
  temperature: showTemperature,
};
const PLAIN = ["count", "share", "ph", "number"];

const show = (value: number, kind: string, units: Units) => SHOWN[kind]?.(value, units) ?? trimmed(value, 4);

/**
 * What a typed text is understood as, by the core's own rules, for the time without a connection: the core says it again
 * once the line is back. name: of the limit that the text is typed within.
 */
export function readHere(typed: string, name: string, dimensions: boolean, context: Context): Reading {
  const limit = LIMITS[name];
  if (!limit) return { typed, meanings: [], problem: `${name} isn't known here` };
  const kind = dimensions && limit.kind === "length" ? "dimensions" : limit.kind;
  try {
    return { typed, meanings: meaningsOf(typed, limit, context, kind), problem: null };
  } catch (problem) {
    if (!(problem instanceof Unread)) throw problem;
    const examples: Readonly<Record<string, Record<Units, string>>> = RULES.examples;
    const said = [...typed.trim()].slice(0, RULES.longest_text).join("");
    const example = examples[kind]?.[context.units];
    return { typed, meanings: [], problem: `“${said}”: ${problem.message}. Try ${example}.` };
  }
}

function meaningsOf(typed: string, limit: Limit, context: Context, kind: string): Meaning[] {
  if ([...typed].length > RULES.longest_text)
    throw new Unread(`longer than the ${RULES.longest_text} characters that a measure takes`);
  const spelled = spellOut(typed);
  const text = kind === "money" || kind === "unit_price" ? spelled : digitsForWords(spelled);
  if (!text) throw new Unread("nothing typed yet");
  const meanings: Meaning[] = [];
  for (const bare of waysToTake(text, limit, context.units, kind)) {
    let problem: Unread | null = null;
    for (const comma of ["thousands", "decimal"] as const) {
      try {
        const meaning = meaningOf(text, limit, context, kind, comma, bare);
        if (!meanings.some((earlier) => isSame(earlier, meaning))) meanings.push(meaning);
      } catch (unread) {
        if (!(unread instanceof Unread)) throw unread;
        problem = unread;
      }
    }
    if (!meanings.length && problem) throw problem;
    if (meanings.some((meaning) => isUsual(meaning, limit))) break;
  }
  const [own, ...others] = meanings;
  const kept = others.filter((other) => text.includes(",") || isUsual(other, limit));
  return own ? [own, ...kept] : [];
}

/** The units that numbers without one may be in: the field's own first, then the others of the garden's system. */
function waysToTake(text: string, limit: Limit, units: Units, kind: string): (readonly Unit[])[] {
  const own = limit.bare?.[units];
  if (!own) return [[]];
  const forEach = forEachSide(own, limit, units, kind);
  if (!limit.usual || /[a-z'"]/.test(text.replace(/x|\bby\b/g, ""))) return [forEach];
  const lengths = unitsOf("length", units, "media");
  const others = (units === "ft_in" ? ["ft", "in"] : ["cm", "m"])
    .map((name) => unitNamed(lengths, name))
    .filter((unit) => unit !== null && unit.one !== own.one);
  return [forEach, ...others.map((unit) => (unit ? [unit] : []))];
}

/** A bed's third measure is its depth, and a number without a unit there is one of a depth. */
function forEachSide(own: Unit, limit: Limit, units: Units, kind: string): readonly Unit[] {
  const depth = LIMITS["depth"]?.bare?.[units];
  return kind === "dimensions" && limit === LIMITS["bed"] && depth ? [own, own, depth] : [own];
}

function isUsual({ values }: Meaning, { usual }: Limit): boolean {
  if (!usual) return true;
  const [least, most] = usual;
  return values.slice(0, 2).every((value) => least <= value && value <= most);
}

function isSame(one: Meaning, two: Meaning): boolean {
  const alike = one.values.every((value, index) => value === two.values[index]);
  return alike && one.values.length === two.values.length && one.money === two.money;
}

function meaningOf(
  text: string,
  limit: Limit,
  context: Context,
  kind: string,
  comma: Comma,
  bare: readonly Unit[],
): Meaning {
  const { units } = context;
  if (kind === "money" || kind === "unit_price") return priceOf(text, limit, context, kind);
  if (PLAIN.includes(kind)) {
    const value = readPlain(text, kind, comma);
    within(value, limit, units, kind === "share" ? showShare(limit.most) : trimmed(limit.most, 0));
    const shown = kind === "share" ? showShare(value) : trimmed(value, 4);
    return { values: [value], understood: shown, shown, other: "", assumed: false, money: null };
  }
  const measures = measured(text, context, kind, comma, bare);
  for (const { value } of measures) within(value, limit, units, show(limit.most, limit.kind, units));
  const said = (of: Units) => measures.map(({ value }) => show(value, limit.kind, of)).join(" × ");
  return {
    values: measures.map(({ value }) => value),
    understood: measures.map(({ understood }) => understood).join(" × "),
    shown: said(units),
    other: said(otherUnits(units)),
    assumed: measures.some(({ assumed }) => assumed),
    money: null,
  };
}

function measured(
  text: string,
  context: Context,
  kind: string,
  comma: Comma,
  bare: readonly Unit[],
): readonly Measure[] {
  const { units, contents } = context;
  if (kind === "load") return [readLoad(text, units, comma)];
  if (kind === "density") return [readDensity(text, units, comma, RULES.pounds_of.density)];
  if (kind === "mixed_in") return [readDensity(text, units, comma, RULES.pounds_of.mixed_in)];
  if (kind === "temperature") return [readTemperature(text, units, comma)];
  const named = { ...unitsOf(kind, units, contents), ...furtherUnits(kind, context) };
  return readMeasures(text, kind, named, comma, bare);
}

function priceOf(text: string, limit: Limit, context: Context, kind: string): Meaning {
  const { units, currency } = context;
  const most = showMoney(cents(String(limit.most)), currency);
  if (kind === "money") {
    const money = readMoney(text, currency);
    within(Number(money), limit, units, most);
    const shown = showMoney(cents(money), currency);
    return { values: [Number(money)], understood: shown, shown, other: "", assumed: false, money };
  }
  const { price_per_m3, understood } = readUnitPrice(text, context);
  within(Number(price_per_m3), limit, units, most);
  return {
    values: [Number(price_per_m3)],
    understood,
    shown: showUnitPrice(price_per_m3, { units, currency }),
    other: showUnitPrice(price_per_m3, { units: otherUnits(units), currency }),
    assumed: understood.includes(" at "),
    money: price_per_m3,
  };
}

/** A number without a unit: a whole count, a share (0.6 or 60 %), or a pH. */
function readPlain(spelled: string, kind: string, comma: Comma): number {
  refuseBelowNothing(spelled, kind === "ph" ? "pH" : `a ${kind}`);
  let text = spelled;
  if (kind === "ph") text = text.replace(/^ph/, "").trim();
  if (kind === "number") text = text.replace(new RegExp(RULES.patterns.after_number), "");
  const perCent = kind === "share" ? /\s*(?:%|per ?cent)$/.exec(text) : null;
  const number = perCent ? text.slice(0, perCent.index) : text;
  if (!whole("number", number))
    throw new Unread(/\d/.test(text) ? "only a number is wanted here" : "no number found");
  const value = readNumber(number, comma);
  if (kind === "count" && !Number.isInteger(value)) throw new Unread("a count is a whole number");
  if (perCent) return value / 100;
  if (kind === "share" && value > 1) {
    const said = trimmed(value, 2);
    throw new Unread(`a share goes from 0 to 1; for ${said} per cent type ${said} %`);
  }
  return value;
}

function within(value: number, limit: Limit, units: Units, mostShown: string): void {
  const { label, most, least, above_least } = limit;
  if (value > most) throw new Unread(`more than the ${mostShown} that ${label} may be`);
  if (value >= least && !(above_least && value <= least)) return;
  if (least && value > 0) throw new Unread(`less than the ${leastShown(limit, units)} that ${label} must be`);
  throw new Unread(`${label} must be more than nothing`);
}

function leastShown({ kind, least }: Limit, units: Units): string {
  if (kind === "length" && least < RULES.fine_m) return `${trimmed(least * 1000, 1)} mm`;
  return kind in SHOWN ? show(least, kind, units) : trimmed(least, 2);
}
