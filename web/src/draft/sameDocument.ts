/** Whether two documents say the same: the order of keys doesn't count, nor whether a key is left out or null. */
export function sameDocument(one: unknown, two: unknown): boolean {
  return one === two || plain(one) === plain(two);
}

function plain(thing: unknown): string {
  if (Array.isArray(thing)) return `[${thing.map(plain).join(",")}]`;
  if (typeof thing !== "object" || thing === null) return JSON.stringify(thing ?? null);
  const said = Object.entries(thing)
    .filter(([, value]) => value !== null && value !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([key, value]) => `${JSON.stringify(key)}:${plain(value)}`);
  return `{${said.join(",")}}`;
}
