import { useEffect, useSyncExternalStore } from "react";
import { Refused } from "../api/client";
import { seasonApi, type Entry } from "./seasonApi";

/** An entry on its way. problem: why the server would not have it. */
export type Waiting = { gardenId: number; key: string; revision: number; entry: Entry; problem?: string };

const STORED = "nolbet.season.waiting";
const BUSY = [502, 503, 504];

let waiting: readonly Waiting[] = stored();
let sending: Promise<void> | null = null;
const listeners = new Set<() => void>();
const arrivals = new Set<(gardenId: number) => void>();

function stored(): readonly Waiting[] {
  try {
    return JSON.parse(localStorage.getItem(STORED) ?? "[]") as Waiting[];
  } catch {
    return [];
  }
}

function change(next: readonly Waiting[]): void {
  waiting = next;
  // a browser that keeps nothing still sends what is there while the page is open
  try {
    localStorage.setItem(STORED, JSON.stringify(next));
  } catch {
    /* told by the entry itself: it stands as waiting until it arrived */
  }
  for (const listener of listeners) listener();
}

/** Put an entry on its way; it waits here until it arrived. The key makes it arrive once. */
export function send(entry: Omit<Waiting, "problem">): void {
  change([...waiting.filter(({ key }) => key !== entry.key), entry]);
  void sendAll();
}

/** Take an entry back that is still waiting. */
export function takeBack(key: string): void {
  change(waiting.filter((each) => each.key !== key));
}

/** Forget all that waits, as when another gardener is to sign in. */
export function forgetWaiting(): void {
  change([]);
}

/** Send what waits, the first first; stop where there is no connection. */
export function sendAll(): Promise<void> {
  sending ??= inOrder().finally(() => (sending = null));
  return sending;
}

async function inOrder(): Promise<void> {
  const tried = new Set<Waiting>();
  for (;;) {
    const next = waiting.find((each) => each.problem === undefined && !tried.has(each));
    if (!next) return;
    tried.add(next);
    try {
      await seasonApi.keep(next.gardenId, next.key, next.revision, next.entry);
      change(waiting.filter((each) => each !== next));
      for (const arrived of arrivals) arrived(next.gardenId);
    } catch (error) {
      if (!(error instanceof Refused) || BUSY.includes(error.problem.status)) return;
      const { detail } = error.problem;
      change(waiting.map((each) => (each === next ? { ...each, problem: detail } : each)));
    }
  }
}

/** A garden's entries on their way, sent again when the connection is back. */
export function useOutbox(gardenId: number, onArrived: () => void): readonly Waiting[] {
  const all = useSyncExternalStore(subscribe, () => waiting);
  useEffect(() => {
    const arrived = (garden: number) => garden === gardenId && onArrived();
    const again = () => void sendAll();
    arrivals.add(arrived);
    window.addEventListener("online", again);
    again();
    return () => {
      arrivals.delete(arrived);
      window.removeEventListener("online", again);
    };
  }, [gardenId, onArrived]);
  return all.filter((each) => each.gardenId === gardenId);
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}
