import type { UseQueryResult } from "@tanstack/react-query";

/** When this page was opened. */
const OPENED = Date.now();

/**
 * Whether something is still as this browser kept it before the page was opened, while it is being asked for anew: what
 * is to be changed waits for the answer, unless there is no connection.
 */
export function isFromBefore({ dataUpdatedAt, fetchStatus, failureCount }: UseQueryResult): boolean {
  return dataUpdatedAt < OPENED && fetchStatus === "fetching" && failureCount === 0;
}
