const STEPS = [0.5, 1, 2, 3, 5, 6, 10, 12, 20, 24, 50, 60, 100];
const MOST_MARKS = 4;

/** Some marks from nought up, at whole multiples of a unit. */
export function roundMarks(most: number, unit: number): number[] {
  const step = (STEPS.find((each) => most / (each * unit) < MOST_MARKS) ?? 100) * unit;
  return Array.from({ length: Math.floor(most / step + 1e-6) + 1 }, (_, at) => at * step);
}
