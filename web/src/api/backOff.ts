import { Refused } from "./client";

const FIRST_MS = 1000;
const LONGEST_MS = 30_000;

/** How long to wait before trying again [ms]: twice as long each time, up to half a minute. */
export function backOff(failures: number): number {
  return Math.min(FIRST_MS * 2 ** failures, LONGEST_MS);
}

/** Whether to try again: a refusal stays a refusal, a broken connection and who is busy for now come back. */
export function worthTrying(_failures: number, error: Error): boolean {
  return !(error instanceof Refused) || isBusy(error);
}

const ASKED_AGAIN = 2;
const BUSY_ASKED_AGAIN = 6;

/** As worthTrying, so often at most: somebody waits for the answer. */
export function worthAskingAgain(failures: number, error: Error): boolean {
  const most = error instanceof Refused && isBusy(error) ? BUSY_ASKED_AGAIN : ASKED_AGAIN;
  return failures < most && worthTrying(failures, error);
}

/** Too much at once of one, or of all, or nobody behind the door: that passes. */
function isBusy({ problem: { status } }: Refused): boolean {
  return status === 429 || status >= 502;
}
