import type { BedFigures } from "./client";

export type State = BedFigures["state"];

/** How far a bed has come, in words. */
export const STATES: Readonly<Record<State, string>> = {
  planned: "planned",
  filling: "being filled",
  filled: "filled",
  emptied: "taken apart",
};
