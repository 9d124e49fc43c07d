import { del, get, set } from "idb-keyval";

/** Photographs that this page alone keeps, where the browser keeps none. */
const here = new Map<string, Blob>();

const placeOf = (entryKey: string, photo: string) => `nolbet.season.photo.${entryKey}.${photo}`;

/** Keep a photograph until it arrived, also when the page is closed. */
export async function keepPhoto(entryKey: string, photo: string, picture: Blob): Promise<void> {
  const place = placeOf(entryKey, photo);
  here.set(place, picture);
  await set(place, picture).then(
    () => here.delete(place),
    () => undefined,
  );
}

/** A photograph that waits, null where it is gone. */
export async function waitingPhoto(entryKey: string, photo: string): Promise<Blob | null> {
  const place = placeOf(entryKey, photo);
  return here.get(place) ?? (await get<Blob>(place).catch(() => undefined)) ?? null;
}

/** Forget a photograph that arrived, or isn't wanted. */
export async function forgetPhoto(entryKey: string, photo: string): Promise<void> {
  const place = placeOf(entryKey, photo);
  here.delete(place);
  await del(place).catch(() => undefined);
}
