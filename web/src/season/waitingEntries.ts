/** Where entries on their way lie in this browser. */
export const STORED_ENTRIES = "nolbet.season.waiting";

/** Whether any entry is on its way. */
export function hasWaitingEntries(): boolean {
  try {
    return (localStorage.getItem(STORED_ENTRIES) ?? "[]") !== "[]";
  } catch {
    return false;
  }
}
