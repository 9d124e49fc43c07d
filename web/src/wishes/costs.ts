import { showArea, showDay, showHours, showLength, showMoney, type Units } from "../quantities/format";
import type { Ease, Proposal } from "./wishesApi";

export const COSTS = ["money", "money_ten_years", "hours", "sinks_m", "first_sowing", "area_m2"] as const;
export type Cost = (typeof COSTS)[number];

export const COST_NAMES: Record<Cost, string> = {
  money: "Money now",
  money_ten_years: "Money over ten years",
  hours: "Hours of work",
  sinks_m: "Sinks in three years",
  first_sowing: "First sowing",
  area_m2: "Growing area",
};

const DAY_MS = 86_400_000;

/** A proposal's cost as a number to draw it by; null where it isn't known. */
export function costOf(proposal: Proposal, cost: Cost): number | null {
  const value = proposal[cost];
  if (value == null) return null;
  return cost === "first_sowing" ? Date.parse(String(value)) / DAY_MS : Number(value);
}

/** A cost in the garden's units. */
export function showCost(value: number, cost: Cost, units: Units, currency: string): string {
  switch (cost) {
    case "money":
    case "money_ten_years":
      return showMoney(value.toFixed(2), currency);
    case "hours":
      return showHours(value);
    case "sinks_m":
      return showLength(Math.max(value, 0), units);
    case "area_m2":
      return showArea(value, units);
    case "first_sowing":
      return showDay(new Date(value * DAY_MS).toISOString().slice(0, 10));
  }
}

/** What a bed is, in a line. */
export function proposalSaid(proposal: Proposal, units: Units): string {
  const { count, courses } = proposal;
  const size = `${showLength(proposal.outer_length_m, units)} × ${showLength(proposal.outer_width_m, units)}`;
  const high = courses === 0 ? "no frame" : courses === 1 ? "one board high" : `${courses} boards high`;
  return `${count === 1 ? "one bed" : `${count} beds`} ${size}, ${high}`;
}

/** What to ease, and how much it brings. */
export function easeSaid(ease: Ease, units: Units, currency: string): string {
  const opens = ease.opens === 1 ? "one way opens" : `${ease.opens} ways open`;
  switch (ease.kind) {
    case "money":
      return `With ${showMoney(ease.takes.toFixed(2), currency)} instead of ${showMoney(ease.has.toFixed(2), currency)} ${opens}.`;
    case "days":
      return `With ${Math.ceil(ease.takes * 2) / 2} days of work instead of ${ease.has} ${opens}.`;
    case "load":
      return `It would weigh ${Math.ceil(ease.takes)} kg on a m² where ${Math.floor(ease.has)} are allowed; ask who knows what it bears. ${opens.replace(/^./, (first) => first.toUpperCase())} then.`;
    case "height":
      return `With a rim of ${showLength(ease.takes, units)} instead of ${showLength(ease.has, units)} ${opens}.`;
    case "sow_on":
      return `Sown from ${showDay(ease.takes_day ?? "")} instead of ${showDay(ease.has_day ?? "")} ${opens}.`;
    case "crops":
      return `Without ${ease.named.join(", ")} ${opens}.`;
    case "offered":
      return `Nobody offers ${ease.named.join(", ").toLowerCase()} yet: with a price for it ${opens}.`;
  }
}
