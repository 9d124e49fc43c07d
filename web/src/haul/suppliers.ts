import type { Sources, Supplier } from "../api/client";

/** Sources with a supplier in the place of the one of its key, or beside those there are. */
export function withSupplier(sources: Sources, changed: Supplier): Sources {
  const there = sources.suppliers.some(({ key }) => key === changed.key);
  return {
    ...sources,
    suppliers: there
      ? sources.suppliers.map((each) => (each.key === changed.key ? changed : each))
      : [...sources.suppliers, changed],
  };
}
