import type { KeyboardEvent } from "react";

/** Arrows in a group of radios: one stop for the tab key, the arrows go from one to the next and choose it. */
export function arrowChoice<T>(
  event: KeyboardEvent<HTMLElement>,
  values: readonly T[],
  chosen: T,
  onChoose: (value: T) => void,
): void {
  const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
  const radio = event.target instanceof HTMLElement && event.target.getAttribute("role") === "radio";
  if (!by || !radio) return;
  event.preventDefault();
  const at = (values.indexOf(chosen) + by + values.length) % values.length;
  onChoose(values[at] ?? chosen);
  event.currentTarget.querySelectorAll<HTMLElement>("[role=radio]")[at]?.focus();
}
