import { useEffect, useState } from "react";
import { api, type LimitName, type Meaning, type Reading } from "../api/client";
import { readWithoutConnection, type Question } from "./confirming";
import { useShowing } from "./UnitsContext";

export type ReadState =
  | { state: "empty" }
  | { state: "asking" }
  /** here: what was asked, where the page itself had to answer and the core is to say it again. */
  | { state: "read"; meaning: Meaning; here: Question | null }
  | { state: "either"; meanings: Meaning[]; here: Question | null }
  | { state: "refused"; problem: string }
  | { state: "waiting" };

const PAUSE_MS = 120;

function stateOf({ meanings: [first, ...others], problem }: Reading, here: Question | null): ReadState {
  if (!first) return { state: "refused", problem: problem ?? "this can't be read" };
  if (others.length > 0) return { state: "either", meanings: [first, ...others], here };
  return { state: "read", meaning: first, here };
}

/**
 * What the core understands a typed text as; null asks nothing. Without a connection the page's own reader answers by
 * the same rules; where that can't be had the text waits, unread, and is asked for again when the line is back.
 */
export function useReading(
  typed: string | null,
  limit: LimitName,
  dimensions: boolean,
  density_kg_m3?: number,
): ReadState {
  const { units, currency, handful_kg } = useShowing();
  const [found, setFound] = useState<{ typed: string; state: ReadState } | null>(null);
  const [tries, setTries] = useState(0);

  useEffect(() => {
    const retry = () => setTries((count) => count + 1);
    window.addEventListener("online", retry);
    return () => window.removeEventListener("online", retry);
  }, []);

  useEffect(() => {
    if (typed === null || !typed.trim()) return;
    const asked = new AbortController();
    const timer = setTimeout(() => {
      const question: Question = {
        typed: typed.slice(0, 400),
        limit,
        dimensions,
        units,
        currency,
        contents: "media",
        density_kg_m3,
        handful_kg,
      };
      api
        .read(question, asked.signal)
        .then((answer) => setFound({ typed, state: stateOf(answer, null) }))
        .catch(async () => {
          const answer = asked.signal.aborted ? null : await readWithoutConnection(question);
          if (asked.signal.aborted) return;
          if (answer) return setFound({ typed, state: stateOf(answer, question) });
          setFound({ typed, state: { state: "waiting" } });
          setTimeout(() => setTries((count) => count + 1), 3000);
        });
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      asked.abort();
    };
  }, [typed, limit, dimensions, units, currency, density_kg_m3, handful_kg, tries]);

  if (typed === null || !typed.trim()) return { state: "empty" };
  if (found?.typed !== typed) return { state: "asking" };
  return found.state;
}
