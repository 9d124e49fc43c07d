import { MONTHS } from "../quantities/format";

/** The first day of each month, counted from 0. */
export const STARTS = [0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334];

/** Day of the year, 0 to 364, of a moment. */
export function dayOf(moment: string): number {
  const at = new Date(moment);
  const start = STARTS[at.getMonth()] ?? 0;
  return Math.min(start + at.getDate() - 1, 364);
}

/** The date of a day of the year, counted from 1. */
export function dateOf(day: number): string {
  const at = new Date(Date.UTC(2027, 0, day));
  return `${at.getUTCDate()} ${MONTHS[at.getUTCMonth()]}`;
}
