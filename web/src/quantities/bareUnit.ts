import type { LimitName } from "../api/client";
import { BARE_UNITS } from "../api/words";
import type { Units } from "./format";

/** The unit that a number without one is taken in, while that is all the field holds. */
export function bareUnit(text: string, limit: LimitName, units: Units): string | null {
  if (!/^[\d\s.,/½¼¾x×-]*$/.test(text)) return null;
  return BARE_UNITS[limit]?.[units] ?? null;
}
