import type { Bed } from "../api/client";

/** What was drawn before and what was undone; the present one between them. Steps that belong together merge. */
export type History = {
  past: readonly Bed[];
  present: Bed;
  future: readonly Bed[];
  /** What the last step was part of; the next step of the same gesture takes its place. */
  gesture: string | null;
};

const KEPT_STEPS = 200;

export function begin(bed: Bed): History {
  return { past: [], present: bed, future: [], gesture: null };
}

export function step(history: History, bed: Bed, gesture: string | null): History {
  if (bed === history.present) return history;
  if (gesture && gesture === history.gesture) return { ...history, present: bed, future: [] };
  return { past: [...history.past, history.present].slice(-KEPT_STEPS), present: bed, future: [], gesture };
}

export function endGesture(history: History): History {
  return history.gesture ? { ...history, gesture: null } : history;
}

export function undo(history: History): History {
  const before = history.past.at(-1);
  if (!before) return history;
  return {
    past: history.past.slice(0, -1),
    present: before,
    future: [history.present, ...history.future],
    gesture: null,
  };
}

export function redo(history: History): History {
  const [after, ...rest] = history.future;
  if (!after) return history;
  return { past: [...history.past, history.present], present: after, future: rest, gesture: null };
}

/** Put what was kept before and after under what is drawn now; used while nothing nearer is there. */
export function withKept(history: History, past: readonly Bed[], future: readonly Bed[]): History {
  return { ...history, past: [...past, ...history.past], future: [...history.future, ...future] };
}
