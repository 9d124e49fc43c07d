import { useCallback, useState } from "react";
import type { ReadState } from "./useReading";

type State = ReadState["state"];

/** How far the measures of a form are read, by their names, so that its keeping can wait for them. */
export function useReadings() {
  const [states, setStates] = useState<Readonly<Record<string, State>>>({});
  const of = useCallback(
    (name: string) => (state: State) =>
      setStates((before) => (before[name] === state ? before : { ...before, [name]: state })),
    [],
  );
  const names = (wanted: readonly State[]) =>
    Object.entries(states).flatMap(([name, state]) => (wanted.includes(state) ? [name] : []));
  return {
    of,
    asking: names(["asking"]).length > 0,
    /** The first that was not understood, or null. */
    refused: () => names(["refused", "either", "waiting"])[0] ?? null,
  };
}
