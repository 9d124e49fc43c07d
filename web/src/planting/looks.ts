/** Fills that tell crops apart, each with its own stroke, so that they differ without colour too. */
const LOOKS = [
  { fill: "var(--palette-moss)", dash: undefined },
  { fill: "var(--palette-straw)", dash: "3 2" },
  { fill: "var(--palette-water)", dash: "1 2" },
  { fill: "var(--palette-brick)", dash: "6 2" },
  { fill: "var(--palette-stone)", dash: "2 4" },
  { fill: "var(--palette-iron)", dash: "6 2 1 2" },
  { fill: "var(--palette-timber)", dash: "4 4" },
] as const;

/** How a crop's circles look, by its place in the bed's list. */
export function lookOf(place: number) {
  return LOOKS[place % LOOKS.length] ?? LOOKS[0];
}

/** The letters that stand in a crop's circles, and before its name in the key. */
export function lettersOf(name: string): string {
  const [first = "", second] = name.split(" ");
  return second ? `${first[0] ?? ""}${second[0] ?? ""}` : first.slice(0, 2);
}
