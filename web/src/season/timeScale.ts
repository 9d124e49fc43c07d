const DAY_MS = 86_400_000;
const DAYS_A_MONTH = 30.4375;
const MOST_YEARS = 4;
const AHEAD_MONTHS = 12;

/** A day as the number of days since 1970. */
export function dayNumber(day: string): number {
  return Date.parse(`${day.slice(0, 10)}T00:00:00Z`) / DAY_MS;
}

/** The day so many months after another, in days. */
export function monthsAfter(day: number, months: number): number {
  return day + months * DAYS_A_MONTH;
}

export type TimeScale = {
  from: number;
  until: number;
  /** Where a day stands, in px. */
  at: (day: number) => number;
};

/** Days over a width: from the first that anything is known of, four years back at most, to a year ahead. */
export function timeScale(days: readonly number[], today: number, left: number, right: number): TimeScale {
  const until = monthsAfter(today, AHEAD_MONTHS);
  const earliest = Math.min(...days, monthsAfter(today, -AHEAD_MONTHS));
  const from = Math.max(earliest - DAYS_A_MONTH, monthsAfter(today, -12 * MOST_YEARS));
  return { from, until, at: (day) => left + ((day - from) / (until - from)) * (right - left) };
}

/** The first days of quarters within a scale; the first of a year is named by it. */
export function quarters({ from, until }: TimeScale): { day: number; year: number | null }[] {
  const found: { day: number; year: number | null }[] = [];
  const first = new Date(from * DAY_MS).getUTCFullYear();
  for (let year = first; ; year += 1)
    for (const month of [0, 3, 6, 9]) {
      const day = Date.UTC(year, month, 1) / DAY_MS;
      if (day > until) return found;
      if (day >= from) found.push({ day, year: month === 0 ? year : null });
    }
}
