import type { Mix } from "./blendApi";

const place = (gardenId: number, key: string) => `nolbet.mix.${gardenId}.${key}`;

/** A mix that is drawn up and not saved yet, kept in this browser until it is. */
export function keep(gardenId: number, mix: Mix): void {
  try {
    localStorage.setItem(place(gardenId, mix.key), JSON.stringify(mix));
  } catch {
    // The browser keeps nothing: the draft lives as long as the page.
  }
}

export function read(gardenId: number, key: string): Mix | null {
  try {
    const found = JSON.parse(localStorage.getItem(place(gardenId, key)) ?? "null") as Mix | null;
    return found?.key === key && Array.isArray(found.parts) ? found : null;
  } catch {
    return null;
  }
}

export function forget(gardenId: number, key: string): void {
  localStorage.removeItem(place(gardenId, key));
}
