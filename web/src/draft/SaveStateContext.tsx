import { createContext, useContext, useLayoutEffect, useState, type ReactNode } from "react";
import type { SaveState } from "./Draft";

type Tell = (state: SaveState | null) => void;

const Telling = createContext<Tell>(() => undefined);
const Told = createContext<SaveState | null>(null);

/** Between the views that save and who says so: telling draws nothing anew but what reads it. */
export function SaveStateProvider({ children }: { children: ReactNode }) {
  const [told, tell] = useState<SaveState | null>(null);
  return (
    <Telling value={tell}>
      <Told value={told}>{children}</Told>
    </Telling>
  );
}

/** Tell the top bar how what is shown is kept. */
export function useSaveState(state: SaveState): void {
  const tell = useContext(Telling);
  useLayoutEffect(() => {
    tell(state);
    return () => tell(null);
  }, [tell, state]);
}

/** How what is shown is kept, as its view told; null where nothing is. */
export function useToldSaveState(): SaveState | null {
  return useContext(Told);
}
