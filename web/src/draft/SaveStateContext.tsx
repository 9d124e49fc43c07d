import { createContext, useContext, useLayoutEffect } from "react";
import type { SaveState } from "./Draft";

type Tell = (state: SaveState | null) => void;

const Context = createContext<Tell>(() => undefined);

export const SaveStateProvider = Context.Provider;

/** Tell the top bar how what is shown is kept. */
export function useSaveState(state: SaveState): void {
  const tell = useContext(Context);
  useLayoutEffect(() => {
    tell(state);
    return () => tell(null);
  }, [tell, state]);
}
