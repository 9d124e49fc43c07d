import { useState } from "react";
import type { Units } from "./format";

const OTHERS: Record<Units, RegExp> = {
  ft_in: /\d\s*(?:mm|cm|m|l|litres?|liters?|g|kg)\b/i,
  metric: /\d\s*(?:["'′″]|in\b|inch|ft\b|feet\b|foot\b|cu ft|gal|qt|lb|oz|yd)/i,
};

/**
 * What was typed in the other system reads back as it was typed, and not as the nearest eighth of an inch, until the
 * value changes by other means.
 */
export function useAsTyped(shown: string, units: Units): [string | null, (typed: string | null) => void] {
  const [mine, setMine] = useState<{ typed: string; of: string | null } | null>(null);
  if (mine?.of === null) setMine({ ...mine, of: shown });
  else if (mine && mine.of !== shown) setMine(null);
  const keep = (typed: string | null) =>
    setMine(typed && OTHERS[units].test(typed) ? { typed: typed.trim(), of: null } : null);
  return [mine && mine.of === shown ? mine.typed : null, keep];
}
