import type { QueryClient } from "@tanstack/react-query";
import { forgetKept } from "../draft/keptQueries";
import { forgetConfirming } from "../quantities/confirming";
import { forgetWaiting } from "../season/outbox";
import { forgetTicks } from "../works/ticks";
import { wayBack } from "./wayBack";

const STORED = "nolbet.whose";

/** Forget all that this browser keeps of a gardener. */
export async function forgetAll(queries: QueryClient): Promise<void> {
  forgetWaiting();
  forgetTicks();
  forgetConfirming();
  localStorage.removeItem(STORED);
  await forgetKept(queries);
}

/**
 * Somebody signed in: what lies here of anybody else goes; what waits of the same gardener stays. Where to go now: where
 * the same gardener was when their session ended, or the beginning.
 */
export async function signedIn(name: string, queries: QueryClient): Promise<string> {
  const whose = name.toLowerCase();
  const isSame = localStorage.getItem(STORED) === whose;
  if (isSame) queries.clear();
  else await forgetAll(queries);
  localStorage.setItem(STORED, whose);
  return wayBack(isSame);
}
