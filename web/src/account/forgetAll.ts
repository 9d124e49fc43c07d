import type { QueryClient } from "@tanstack/react-query";
import { forgetKept } from "../draft/keptQueries";
import { forgetConfirming } from "../quantities/confirming";
import { forgetWaiting } from "../season/outbox";
import { forgetTicks } from "../works/ticks";

const STORED = "nolbet.whose";

/** Forget all that this browser keeps of a gardener. */
export async function forgetAll(queries: QueryClient): Promise<void> {
  forgetWaiting();
  forgetTicks();
  forgetConfirming();
  localStorage.removeItem(STORED);
  await forgetKept(queries);
}

/** Somebody signed in: what lies here of anybody else goes; what waits of the same gardener stays. */
export async function signedIn(name: string, queries: QueryClient): Promise<void> {
  const whose = name.toLowerCase();
  if (localStorage.getItem(STORED) === whose) return queries.clear();
  await forgetAll(queries);
  localStorage.setItem(STORED, whose);
}
