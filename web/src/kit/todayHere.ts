/** Today where the gardener is, as in 2026-10-20. */
export function todayHere(): string {
  const day = new Date();
  const parts = [day.getFullYear(), day.getMonth() + 1, day.getDate()];
  return parts.map((part) => String(part).padStart(2, "0")).join("-");
}
