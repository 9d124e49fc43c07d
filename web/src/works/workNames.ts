import type { Schemas } from "../api/client";

type WorkKind = Schemas["WorkStep"]["work"];

/** Kinds of work as they are called. */
export const WORK_NAMES: Readonly<Record<WorkKind, string>> = {
  digging: "Digging",
  moving: "Shovelling and barrowing",
  cutting: "Cutting",
  fastening: "Putting together",
  sheets: "Laying sheets",
  walling: "Walling",
  mixing: "Mixing",
  planting: "Planting",
  care: "Checks and care",
};
