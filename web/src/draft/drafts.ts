/** What is worked on, by name: it stays while the page does, so that another view and back loses nothing. */
type Working = { dispose: () => void; forget: () => void };

const working = new Map<string, Working>();

/** What is worked on under a name, made where there is none yet. */
export function draftOf<D extends Working>(name: string, make: () => D): D {
  const found = working.get(name) as D | undefined;
  if (found) return found;
  const made = make();
  working.set(name, made);
  return made;
}

/** Let go of what isn't there any more, and of what waits of it. */
export function forgetDraft(name: string): void {
  working.get(name)?.forget();
  working.delete(name);
}

/** Let go of all whose name starts so, as when a garden is left; what waits stays in this browser. */
export function disposeDrafts(start: string): void {
  for (const [name, draft] of working) {
    if (!name.startsWith(start)) continue;
    draft.dispose();
    working.delete(name);
  }
}
