import type { Meaning } from "../api/client";
import { backOff } from "../api/backOff";

type Left = { typed: string; forget: () => void };

const left = new Map<string, Left>();

/**
 * A measure whose field has gone from the screen before it was read: it waits for the connection and is then taken. What
 * can't be taken as one thing stays as it was typed, for the field to take back. place: whose measure it is, and its name.
 */
export function leaveWaiting(
  place: string,
  typed: string,
  read: () => Promise<readonly Meaning[]>,
  onMeaning: (meaning: Meaning) => void,
): void {
  left.get(place)?.forget();
  let timer = 0;
  let failures = 0;
  const again = () => {
    window.clearTimeout(timer);
    read().then(
      ([only, other]) => {
        window.removeEventListener("online", again);
        if (left.get(place) !== mine || !only || other) return;
        left.delete(place);
        onMeaning(only);
      },
      () => {
        if (left.get(place) === mine) timer = window.setTimeout(again, backOff(failures));
        failures += 1;
      },
    );
  };
  const mine: Left = {
    typed,
    forget: () => {
      window.clearTimeout(timer);
      window.removeEventListener("online", again);
      left.delete(place);
    },
  };
  left.set(place, mine);
  window.addEventListener("online", again);
  again();
}

/** What was left waiting at a place, for its field to show again; it waits there no longer. */
export function takeBack(place: string): string | null {
  const found = left.get(place);
  found?.forget();
  return found?.typed ?? null;
}
