import { useEffect } from "react";

export type SectionKeys = {
  choose: (by: 1 | -1) => void;
  nudge: (steps: 1 | -1) => void;
  move: (by: 1 | -1) => void;
  add: () => void;
  split: () => void;
  remove: () => void;
  undo: () => void;
  redo: () => void;
};

/** Whether a key is typed into a field, whose own it then is. */
export function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))
  );
}

/** The section's keys. While a field is typed in, its own keys hold; undo and redo then are the field's. */
export function useSectionKeys(keys: SectionKeys): void {
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent) => {
      if (event.defaultPrevented || isTyping(event.target)) return;
      const action = actionFor(event, keys);
      if (!action) return;
      event.preventDefault();
      action();
    };
    window.addEventListener("keydown", onKeyDown);
    return () => window.removeEventListener("keydown", onKeyDown);
  }, [keys]);
}

function actionFor(event: KeyboardEvent, keys: SectionKeys): (() => void) | null {
  const command = event.ctrlKey || event.metaKey;
  const key = event.key.toLowerCase();
  if (command && key === "z") return event.shiftKey ? keys.redo : keys.undo;
  if (command && key === "y") return keys.redo;
  if (command) return null;
  const way = key === "arrowup" ? 1 : key === "arrowdown" ? -1 : null;
  if (way && event.altKey) return () => keys.move(way);
  if (way && event.shiftKey) return () => keys.nudge(way);
  if (way) return () => keys.choose(way);
  if (event.altKey) return null;
  if (key === "a") return keys.add;
  if (key === "s") return keys.split;
  if (key === "delete" || key === "backspace") return keys.remove;
  return null;
}
