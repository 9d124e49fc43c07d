import { RULES } from "../../api/rules";
import { showMoney, type Units } from "../format";
import { refuseBelowNothing } from "./terms";
import { massUnits, unitNamed, unitsOf, Unread, weighedUnits, whole, type Context, type Unit } from "./rules";

/** An exact amount: so many of a part of the unit that has ten to the power of `places` of them. */
type Exact = { parts: bigint; places: number };

/** The amount that a text names, in the garden's currency, to the cent: a decimal string. */
export function readMoney(text: string, currency: string): string {
  refuseBelowNothing(text, "a price");
  const parts = whole("money", text)?.groups;
  if (!parts) throw new Unread(/\d/.test(text) ? "this can't be read as money" : "no amount of money found");
  for (const mark of [parts["sign"], parts["after"]]) {
    const signs: Readonly<Record<string, readonly string[]>> = RULES.money_signs;
    const meant = mark === undefined ? [currency] : (signs[mark] ?? [mark.toUpperCase()]);
    if (!meant.includes(currency)) throw new Unread(`this garden counts in ${currency}`);
  }
  return amountOf((parts["number"] ?? "").trim());
}

function amountOf(typed: string): string {
  const plain = typed.replace(/[' ](?=\d{3}(?!\d))/g, "");
  if (/[ ']/.test(plain)) throw new Unread("the digits don't group by three");
  const parts = /^(?<whole>[\d.,]*?)(?:[.,](?<cents>\d{1,2}))?$/.exec(plain)?.groups;
  if (!parts) throw new Unread("this can't be read as money");
  const units = wholeOf(parts["whole"] ?? "", plain) || "0";
  return `${units}.${parts["cents"] ?? "0"}`;
}

function wholeOf(text: string, plain: string): string {
  const signs = new Set(text.match(/[.,]/g));
  if (!signs.size) return text;
  const [first = "", ...others] = text.split(/[.,]/);
  const lonePoint = text === plain && signs.size === 1 && signs.has(".");
  const grouped = first.length >= 1 && first.length <= 3 && others.every((group) => group.length === 3);
  if (lonePoint || signs.size > 1 || !grouped)
    throw new Unread("money goes to the cent, with two digits after the point");
  return first + others.join("");
}

/** The price of a cubic metre that a text names, and how it was understood. */
export function readUnitPrice(text: string, { currency, units, density_kg_m3 }: Context) {
  const parts = whole("unit_price", text)?.groups;
  const amount = readMoney(parts?.["price"] ?? text, currency);
  const name = parts?.["unit"]?.replaceAll(".", "").trim() ?? (units === "ft_in" ? "yd" : "m3");
  const unit = bulkUnit(name, units, density_kg_m3);
  const price_per_m3 = divided(exact(amount), exact(String(unit.size)), 6);
  return { price_per_m3, understood: `${showMoney(cents(amount), currency)} a ${unit.one}` };
}

function bulkUnit(name: string, units: Units, density_kg_m3: number | null): Unit {
  const weighed = density_kg_m3 ? unitNamed(weighedUnits(density_kg_m3, units), name) : null;
  const unit = weighed ?? unitNamed(unitsOf("volume", units, "media"), name);
  if (unit) return unit;
  if (unitNamed(massUnits(units), name))
    throw new Unread("say first what it is: a price by weight needs to know how heavy it lies");
  throw new Unread(`“${name}” isn't a unit of volume known here`);
}

/** A decimal string with two digits after its point. */
export function cents(amount: string): string {
  const [units = "0", rest = ""] = amount.split(".");
  return `${BigInt(units)}.${rest.padEnd(2, "0")}`;
}

function exact(text: string): Exact {
  const [mantissa = "0", exponent = "0"] = text.split("e");
  const [units = "0", rest = ""] = mantissa.split(".");
  const places = rest.length - Number(exponent);
  const parts = BigInt(units + rest);
  return places >= 0 ? { parts, places } : { parts: parts * 10n ** BigInt(-places), places: 0 };
}

/** A quotient of two amounts to so many digits, a half upwards. */
function divided(above: Exact, below: Exact, digits: number): string {
  const top = above.parts * 10n ** BigInt(below.places + digits);
  const bottom = below.parts * 10n ** BigInt(above.places);
  const parts = (2n * top + bottom) / (2n * bottom);
  const text = String(parts).padStart(digits + 1, "0");
  return `${text.slice(0, -digits)}.${text.slice(-digits)}`;
}
