import type { HaulLine, Purchase } from "../api/client";

/** A line of the haul as it was bought today. day: as in 2026-10-20. */
export function boughtOf(line: HaulLine, day: string): Purchase {
  return {
    kind: "purchase",
    on: day,
    supplier: line.supplier,
    material: line.material,
    form: line.form,
    price: line.price,
    ...(line.count != null && { count: line.count }),
    ...(line.volume_m3 > 0 && { volume_m3: line.volume_m3 }),
    ...(line.offer != null && { offer: line.offer }),
    ...(line.size_m.length > 0 && { size_m: line.size_m }),
  };
}

/** The list with one entry changed; without it, where it becomes nothing. */
export function withPurchase(
  bought: readonly Purchase[],
  at: number,
  change: Partial<Purchase> | null,
): Purchase[] {
  return bought.flatMap((each, index) =>
    index !== at ? [each] : change === null ? [] : [{ ...each, ...change }],
  );
}
