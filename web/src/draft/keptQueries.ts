import { createAsyncStoragePersister } from "@tanstack/query-async-storage-persister";
import type { Query, QueryClient } from "@tanstack/react-query";
import type { PersistQueryClientOptions } from "@tanstack/react-query-persist-client";
import { createStore, del, get, set } from "idb-keyval";
import { forgetWaiting } from "./waiting";

/** Told by the build: another one where the server says other things than the page that kept them knew. */
declare const __API__: string;

const DAY_MS = 86_400_000;
const KEPT_FOR_MS = 30 * DAY_MS;
const KEEPS_AFTER_MS = 1500;

/** How long what is figured for one draft or one day stays in the page once nothing shows it. */
export const PASSES_AFTER_MS = 5 * 60_000;

/** What a garden is looked at with; what is asked for one field or one drag isn't kept. */
export const KEPT = new Set([
  "gardens",
  "garden",
  "shelf",
  "figure",
  "works",
  "season",
  "sources",
  "crops",
  "account",
]);

/** Of figures: of the garden itself, and these of it. What is figured for one draft or one day isn't kept. */
const KEPT_FIGURES = new Set<unknown>([undefined, "works", "season", "setting out", "cuts", "sowing"]);

/** Whether something is kept, by what it is asked for with. */
function isKept([name, , part]: readonly unknown[]): boolean {
  return KEPT.has(String(name)) && (name !== "figure" || KEPT_FIGURES.has(part));
}

const place = createStore("nolbet", "queries");

/** A browser that keeps nothing answers with nothing: the page then lives as long as it is open. */
const storage = {
  getItem: (key: string) => get<string>(key, place).catch(() => undefined),
  setItem: (key: string, value: string) => set(key, value, place).catch(() => undefined),
  removeItem: (key: string) => del(key, place).catch(() => undefined),
};

const persister = createAsyncStoragePersister({ storage, key: "page", throttleTime: KEEPS_AFTER_MS });

/** What was fetched is kept in this browser, so that the page opens with it where there is no connection. */
export const keeping: Omit<PersistQueryClientOptions, "queryClient"> = {
  persister,
  maxAge: KEPT_FOR_MS,
  buster: __API__,
  dehydrateOptions: {
    shouldDehydrateQuery: ({ queryKey, state }: Query) => state.status === "success" && isKept(queryKey),
    shouldDehydrateMutation: () => false,
  },
};

/** Forget all that this browser keeps of a gardener. */
export async function forgetKept(queries: QueryClient): Promise<void> {
  queries.clear();
  await persister.removeClient();
  forgetWaiting();
}
