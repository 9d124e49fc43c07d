import { createContext, useContext, useLayoutEffect } from "react";
import type { PlotSave } from "../plot/plotSession";
import type { SaveState } from "../section/session";

/** How what is shown is kept. */
export type Kept = SaveState | PlotSave;

type Tell = (state: Kept | null) => void;

const Context = createContext<Tell>(() => undefined);

export const SaveStateProvider = Context.Provider;

/** Tell the top bar how the shown bed or plot is kept. */
export function useSaveState(state: Kept): void {
  const tell = useContext(Context);
  useLayoutEffect(() => {
    tell(state);
    return () => tell(null);
  }, [tell, state]);
}
