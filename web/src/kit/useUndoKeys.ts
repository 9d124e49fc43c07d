import { useEffect } from "react";
import { isTyping } from "./isTyping";

/** Ctrl Z and Ctrl Shift Z, but where somebody types: there they are the field's own. */
export function useUndoKeys(undo: () => void, redo: () => void): void {
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent) => {
      const command = event.ctrlKey || event.metaKey;
      if (!command || event.key.toLowerCase() !== "z" || isTyping(event.target)) return;
      event.preventDefault();
      if (event.shiftKey) redo();
      else undo();
    };
    window.addEventListener("keydown", onKeyDown);
    return () => window.removeEventListener("keydown", onKeyDown);
  }, [undo, redo]);
}
