/** Placing labels so that none lies over another or over what must stay seen. */

export type Box = { x: number; y: number; width: number; height: number };

/** A label: the places it may stand in, the best first. */
export type Wanted = { places: readonly Box[] };

/**
 * A place for each label, or null where there is none. obstacles: what no label may lie over. Labels are placed in
 * their order, so the ones that matter most come first.
 */
export function placeLabels(labels: readonly Wanted[], obstacles: readonly Box[]): (Box | null)[] {
  const taken = [...obstacles];
  return labels.map(({ places }) => {
    const free = places.find((place) => !taken.some((other) => overlap(place, other)));
    if (free) taken.push(free);
    return free ?? null;
  });
}

export function overlap(one: Box, two: Box): boolean {
  return (
    one.x < two.x + two.width &&
    two.x < one.x + one.width &&
    one.y < two.y + two.height &&
    two.y < one.y + one.height
  );
}

/** A text that takes at most so much [px], its end left out where it would take more. */
export function shortened(text: string, size_px: number, most_px: number): string {
  if (textWidth(text, size_px) <= most_px) return text;
  const kept = Math.max(Math.floor(most_px / textWidth("n", size_px)) - 1, 1);
  return `${text.slice(0, kept).trimEnd()}…`;
}

/** About how wide a text is in the page's type at a size [px]. */
export function textWidth(text: string, size_px: number): number {
  return text.length * size_px * 0.53;
}
