import { Refused } from "./client";

const FIRST_MS = 1000;
const LONGEST_MS = 30_000;

/** How long to wait before trying again [ms]: twice as long each time, up to half a minute. */
export function backOff(failures: number): number {
  return Math.min(FIRST_MS * 2 ** failures, LONGEST_MS);
}

/** Whether to try again: a refusal stays a refusal, a broken connection comes back. */
export function worthTrying(_failures: number, error: Error): boolean {
  return !(error instanceof Refused) || error.problem.status >= 502;
}
