import type { Bed } from "../api/client";

/** What is drawn and not saved yet, kept in this browser until it is. */
export type Draft = {
  revision: number;
  bed: Bed;
  /** The kept revision that it brings back, where it came by undo or redo. */
  restores?: number;
};

const place = (gardenId: number, key: string) => `nolbet.draft.${gardenId}.${key}`;

export function keep(gardenId: number, key: string, draft: Draft): void {
  try {
    localStorage.setItem(place(gardenId, key), JSON.stringify(draft));
  } catch {
    // The browser keeps nothing: the draft lives as long as the page.
  }
}

export function read(gardenId: number, key: string): Draft | null {
  try {
    const found = JSON.parse(localStorage.getItem(place(gardenId, key)) ?? "null") as Draft | null;
    return found && typeof found.revision === "number" && Array.isArray(found.bed.layers) ? found : null;
  } catch {
    return null;
  }
}

export function forget(gardenId: number, key: string): void {
  localStorage.removeItem(place(gardenId, key));
}
