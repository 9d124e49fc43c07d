const STORED = "nolbet.back";

/** Remember where somebody was who had to sign in again. */
export function leftFrom(path: string): void {
  sessionStorage.setItem(STORED, path);
}

/** Where to go after signing in: where the same gardener was, or the beginning. */
export function wayBack(isSame: boolean): string {
  const path = sessionStorage.getItem(STORED);
  sessionStorage.removeItem(STORED);
  return isSame && path !== null ? path : "/";
}
