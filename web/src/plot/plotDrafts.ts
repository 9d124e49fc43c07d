import type { Plot } from "../api/client";

/** A changed plot that couldn't be saved yet, kept in this browser with the revision it was made from. */
export type PlotDraft = { revision: number; plot: Plot };

const nameOf = (gardenId: number) => `nolbet plot ${gardenId}`;

export function read(gardenId: number): PlotDraft | null {
  try {
    const kept = localStorage.getItem(nameOf(gardenId));
    return kept ? (JSON.parse(kept) as PlotDraft) : null;
  } catch {
    return null; // no storage, or not ours: there is nothing to take up
  }
}

export function keep(gardenId: number, draft: PlotDraft): void {
  try {
    localStorage.setItem(nameOf(gardenId), JSON.stringify(draft));
  } catch {
    // no storage: the draft lives as long as the page
  }
}

export function forget(gardenId: number): void {
  try {
    localStorage.removeItem(nameOf(gardenId));
  } catch {
    // no storage: nothing to forget
  }
}
