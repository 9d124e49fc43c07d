import type { Bed } from "../api/client";

/**
 * Ids of a changed bed's layers: an untouched layer keeps its own wherever it went; a changed one keeps that of its
 * place while the number of layers is the same; a new one gets a new one.
 */
export function carryIds(before: Bed, ids: readonly number[], after: Bed): number[] {
  const taken = new Set<number>();
  const kept = after.layers.map((layer) => {
    const at = before.layers.findIndex((each, index) => each === layer && !taken.has(index));
    if (at >= 0) taken.add(at);
    return at;
  });
  const alike = before.layers.length === after.layers.length;
  let next = Math.max(-1, ...ids) + 1;
  return kept.map((at, index) => {
    const place = at >= 0 ? at : alike && !taken.has(index) ? index : -1;
    return ids[place] ?? next++;
  });
}
