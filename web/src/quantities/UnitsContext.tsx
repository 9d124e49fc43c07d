import { createContext, useContext } from "react";
import type { Units } from "./format";

export type Showing = {
  units: Units;
  /** The units that the core tells in: behind what is shown until a change of them is kept. */
  told_in: Units;
  currency: string;
  /** What the gardener's own handful weighs, once it was on the scales. */
  handful_kg?: number;
};

const Context = createContext<Showing>({ units: "ft_in", told_in: "ft_in", currency: "USD" });

export const ShowingProvider = Context.Provider;

/** The units and currency that this garden is shown in. */
export function useShowing(): Showing {
  return useContext(Context);
}
