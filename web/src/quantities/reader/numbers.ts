import { RULES } from "../../api/rules";
import { everywhere, Unread, whole, type Comma } from "./rules";

/** The text with typographic quotes, crosses, spaces and vulgar fractions as plain characters, in lower case. */
export function spellOut(typed: string): string {
  let text = typed;
  for (const [sign, plain] of Object.entries(RULES.vulgar)) {
    text = text.replace(new RegExp(`(\\d)\\s*${sign}`, "g"), `$1 ${plain}`).replaceAll(sign, plain);
  }
  const signs: Readonly<Record<string, string>> = RULES.plain_signs;
  const plain = [...text].map((sign) => signs[sign] ?? sign).join("");
  return plain.replaceAll("''", '"').toLowerCase().replace(/\s+/g, " ").trim();
}

/** Number words up to twelve, and halves, quarters and thirds, in digits. */
export function digitsForWords(spelled: string): string {
  const { numbers, parts } = RULES.words;
  const part = (name: string | undefined) => `1/${(parts as Record<string, number>)[name ?? ""]}`;
  return spelled
    .replace(everywhere("whole"), (word) => String((numbers as readonly string[]).indexOf(word) + 1))
    .replace(everywhere("some_parts"), (_all, count: string, name: string) => count + part(name).slice(1))
    .replace(everywhere("one_part"), (_all, name: string) => part(name))
    .replace(everywhere("one"), "1 ")
    .replace(
      everywhere("and_a_part"),
      (_all, count: string, unit: string | undefined, name: string | undefined, digits: string | undefined) =>
        `${count} ${digits ?? part(name)}${unit ?? ""}`,
    );
}

/** The number that a text stands for which the core's number pattern matches. */
export function readNumber(text: string, comma: Comma): number {
  const mixed = whole("mixed", text);
  const value = mixed ? readFraction(mixed) : readDecimal(text.replaceAll(" ", ""), comma);
  if (value > 1e12) throw new Unread("far too much");
  return value;
}

function readFraction([, before, top = "", bottom = ""]: RegExpExecArray): number {
  const [above, below] = [Number(top), Number(bottom)];
  if (below === 0) throw new Unread("nothing can be divided by 0");
  if (before === undefined) return above / below;
  if (above >= below)
    throw new Unread(
      `the fraction ${plainDigits(top)}/${plainDigits(bottom)} after ${before} is one or more`,
    );
  return Number(before) + above / below;
}

const plainDigits = (digits: string) => String(BigInt(digits));

function readDecimal(text: string, comma: Comma): number {
  const commas = text.split(",").length - 1;
  const dots = text.split(".").length - 1;
  if (commas && dots) return readGroupedDecimal(text);
  if (dots > 1 || commas > 1) {
    const sign = commas ? "," : ".";
    if (!isGrouped(text.split(sign))) throw new Unread(`${text} has more than one decimal sign`);
    return Number(text.replaceAll(sign, ""));
  }
  if (commas === 1) return readSingleMark(text, ",", comma);
  // nobody writes thousandths that are nothing, many write thousands so
  if (text.endsWith(".000")) return readSingleMark(text, ".", comma);
  return Number(text);
}

function readGroupedDecimal(text: string): number {
  const decimal = text.lastIndexOf(",") > text.lastIndexOf(".") ? "," : ".";
  const grouping = decimal === "," ? "." : ",";
  const at = text.lastIndexOf(decimal);
  const before = text.slice(0, at);
  if (before.includes(decimal) || !isGrouped(before.split(grouping)))
    throw new Unread(`the commas and points in ${text} don't group by three`);
  return Number(`${before.replaceAll(grouping, "")}.${text.slice(at + 1)}`);
}

function readSingleMark(text: string, mark: string, comma: Comma): number {
  const [before = "", after = ""] = text.split(mark);
  const either = after.length === 3 && isGrouped([before, after]);
  return either && comma === "thousands" ? Number(before + after) : Number(`${before || "0"}.${after}`);
}

function isGrouped([first = "", ...others]: readonly string[]): boolean {
  const starts = first.length >= 1 && first.length <= 3 && !first.startsWith("0");
  return starts && others.every((group) => group.length === 3);
}
