export const SCHEME_PLACE = "nolbet.scheme";

/** Put the chosen scheme on the page before anything is drawn, so that nothing flashes. */
export function setFirstScheme(): void {
  const chosen = keptScheme();
  const dark =
    chosen === "dark" || (chosen !== "light" && matchMedia("(prefers-color-scheme: dark)").matches);
  document.documentElement.setAttribute("data-scheme", dark ? "dark" : "light");
}

function keptScheme(): string | null {
  try {
    return localStorage.getItem(SCHEME_PLACE);
  } catch {
    return null; // the browser keeps nothing: the system's scheme it is
  }
}
