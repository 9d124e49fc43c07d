import { useEffect, useSyncExternalStore } from "react";
import { backOff } from "../api/backOff";
import { Refused } from "../api/client";
import { smallerPhoto } from "../kit/smallerPhoto";
import { freshKey } from "./freshKey";
import { seasonApi, type Entry } from "./seasonApi";
import { STORED_ENTRIES } from "./waitingEntries";
import { forgetPhoto, keepPhoto, waitingPhoto } from "./waitingPhotos";

/**
 * An entry on its way. photos: keys of photographs that go with it. arrived: the entry itself is there, and its
 * photographs are on their way. problem: why the server would not have it.
 */
export type Waiting = {
  gardenId: number;
  key: string;
  revision: number;
  entry: Entry;
  photos?: readonly string[];
  arrived?: boolean;
  problem?: string;
};

/** Answers that say nothing of the entry: signed out meanwhile, too many at once, or the server isn't there. */
const NOT_NOW = [401, 403, 429, 502, 503, 504];

let waiting: readonly Waiting[] = stored() ?? [];
/** Whether the browser has all that waits, and not this page alone. */
let isStored = true;
let sending: Promise<void> | null = null;
let failures = 0;
let timer = 0;
const listeners = new Set<() => void>();
const arrivals = new Set<(gardenId: number) => void>();

/** What this browser keeps, null where it keeps nothing: then it waits in this page alone. */
function stored(): readonly Waiting[] | null {
  try {
    return JSON.parse(localStorage.getItem(STORED_ENTRIES) ?? "[]") as Waiting[];
  } catch {
    return null;
  }
}

/** Change what waits, as all pages of this browser have it. */
function change(edit: (now: readonly Waiting[]) => readonly Waiting[]): void {
  waiting = edit((isStored ? stored() : null) ?? waiting);
  try {
    localStorage.setItem(STORED_ENTRIES, JSON.stringify(waiting));
    isStored = true;
  } catch {
    // full or forbidden: it stands as waiting in this page until it arrived
    isStored = false;
  }
  for (const listener of listeners) listener();
}

/**
 * Put an entry on its way; it waits here until it arrived, its photographs with it. The key makes it arrive once. One
 * that was waiting already says then what it says now.
 */
export async function send(entry: Waiting, pictures: readonly Blob[] = []): Promise<void> {
  const before = waiting.find(({ key }) => key === entry.key)?.photos ?? [];
  const added = pictures.map((picture) => ({ picture, photo: freshKey() }));
  for (const { picture, photo } of added) await keepPhoto(entry.key, photo, await smallerPhoto(picture));
  const sent = { ...entry, photos: [...before, ...added.map(({ photo }) => photo)] };
  change((now) => [...now.filter(({ key }) => key !== entry.key), sent]);
  sendAll();
}

/** Take an entry back that is still waiting. */
export function takeBack(entryKey: string): void {
  for (const photo of waiting.find(({ key }) => key === entryKey)?.photos ?? [])
    void forgetPhoto(entryKey, photo);
  change((now) => now.filter(({ key }) => key !== entryKey));
}

/** Forget all that waits, as when another gardener is to sign in. */
export function forgetWaiting(): void {
  for (const { key } of waiting) takeBack(key);
}

/** Send what waits, the first first; where there is no connection, again after a while. */
export function sendAll(): void {
  window.clearTimeout(timer);
  sending ??= inOrder().finally(() => (sending = null));
}

async function inOrder(): Promise<void> {
  for (;;) {
    const next = waiting.find(({ problem }) => problem === undefined);
    if (!next) return;
    try {
      await carry(next);
      failures = 0;
      takeBack(next.key);
      for (const arrived of arrivals) arrived(next.gardenId);
    } catch (error) {
      if (!(error instanceof Refused) || NOT_NOW.includes(error.problem.status)) {
        timer = window.setTimeout(sendAll, backOff(failures));
        failures += 1;
        return;
      }
      const { detail } = error.problem;
      edit(next.key, ({ arrived }) => ({
        problem: arrived ? `It is kept; its photograph ${detail}` : detail,
      }));
    }
  }
}

/** Bring an entry there, then one after the other its photographs. */
async function carry({ gardenId, key, revision, entry, photos = [], arrived }: Waiting): Promise<void> {
  if (!arrived) await seasonApi.keep(gardenId, key, revision, entry);
  if (photos.length > 0) edit(key, () => ({ arrived: true }));
  for (const photo of photos) {
    const picture = await waitingPhoto(key, photo);
    if (picture) await seasonApi.addPhoto(gardenId, key, photo, picture);
    await forgetPhoto(key, photo);
    edit(key, (now) => ({ photos: now.photos?.filter((each) => each !== photo) }));
  }
}

/** Change one that waits. */
function edit(entryKey: string, part: (now: Waiting) => Partial<Waiting>): void {
  change((now) => now.map((each) => (each.key === entryKey ? { ...each, ...part(each) } : each)));
}

/** A garden's entries on their way, sent again when the connection is back. */
export function useOutbox(gardenId: number, onArrived: () => void): readonly Waiting[] {
  const all = useSyncExternalStore(subscribe, () => waiting);
  useEffect(() => {
    const arrived = (garden: number) => garden === gardenId && onArrived();
    const again = () => sendAll();
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
  const elsewhere = () => {
    waiting = stored() ?? waiting;
    listener();
  };
  listeners.add(listener);
  window.addEventListener("storage", elsewhere);
  return () => {
    listeners.delete(listener);
    window.removeEventListener("storage", elsewhere);
  };
}
