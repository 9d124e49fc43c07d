/** What was drawn before and what was undone; the present one between them. Steps that belong together merge. */
export type History<T> = {
  past: readonly T[];
  present: T;
  future: readonly T[];
  /** What the last step was part of; the next step of the same gesture takes its place. */
  gesture: string | null;
};

const KEPT_STEPS = 200;

export function begin<T>(present: T): History<T> {
  return { past: [], present, future: [], gesture: null };
}

export function step<T>(history: History<T>, next: T, gesture: string | null): History<T> {
  if (next === history.present) return history;
  if (gesture && gesture === history.gesture) return { ...history, present: next, future: [] };
  return { past: [...history.past, history.present].slice(-KEPT_STEPS), present: next, future: [], gesture };
}

export function endGesture<T>(history: History<T>): History<T> {
  return history.gesture ? { ...history, gesture: null } : history;
}

export function undo<T>(history: History<T>): History<T> {
  const before = history.past.at(-1);
  if (before === undefined) return history;
  return {
    past: history.past.slice(0, -1),
    present: before,
    future: [history.present, ...history.future],
    gesture: null,
  };
}

export function redo<T>(history: History<T>): History<T> {
  const [after, ...rest] = history.future;
  if (after === undefined) return history;
  return { past: [...history.past, history.present], present: after, future: rest, gesture: null };
}

/** Put what was kept before and after under what is drawn now; used while nothing nearer is there. */
export function withKept<T>(history: History<T>, past: readonly T[], future: readonly T[]): History<T> {
  return { ...history, past: [...past, ...history.past], future: [...history.future, ...future] };
}
