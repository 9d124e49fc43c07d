import { useEffect, useState } from "react";
import { api, type LimitName, type Meaning } from "../api/client";
import { useShowing } from "./UnitsContext";

export type ReadState =
  | { state: "empty" }
  | { state: "asking" }
  | { state: "read"; meaning: Meaning }
  | { state: "either"; meanings: Meaning[] }
  | { state: "refused"; problem: string }
  | { state: "waiting" };

const PAUSE_MS = 120;

/**
 * What the core understands a typed text as; null asks nothing. Without a connection the text waits, unread, and is asked
 * for again when the line is back.
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
      api
        .read(
          {
            typed: typed.slice(0, 400),
            limit,
            dimensions,
            units,
            currency,
            contents: "media",
            density_kg_m3,
            handful_kg,
          },
          asked.signal,
        )
        .then(({ meanings, problem }) => {
          const [first, second] = meanings;
          if (first && second) setFound({ typed, state: { state: "either", meanings } });
          else if (first) setFound({ typed, state: { state: "read", meaning: first } });
          else setFound({ typed, state: { state: "refused", problem: problem ?? "this can't be read" } });
        })
        .catch(() => {
          if (asked.signal.aborted) return;
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
