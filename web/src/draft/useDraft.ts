import { useQueryClient, type QueryClient } from "@tanstack/react-query";
import { useEffect, useSyncExternalStore } from "react";
import { Draft, type DraftState, type Home, type Kept } from "./Draft";
import { draftOf } from "./drafts";

/** The draft of what is kept under a name, made where there is none yet. */
export function draftNamed<T>(
  name: string,
  kept: Kept<T>,
  queries: QueryClient,
  home: (queries: QueryClient) => Omit<Home<T>, "name" | "kept">,
): Draft<T> {
  return draftOf(name, () => new Draft<T>(queries, { name, kept, ...home(queries) }));
}

/** A draft of what is kept under a name, and how it stands; it outlives the view that shows it. */
export function useDraft<T>(
  name: string,
  kept: Kept<T>,
  home: (queries: QueryClient) => Omit<Home<T>, "name" | "kept">,
): [DraftState<T>, Draft<T>] {
  const queries = useQueryClient();
  const draft = draftNamed(name, kept, queries, home);
  const { document, revision, saved_at } = kept;
  useEffect(() => draft.adopt({ document, revision, saved_at }), [draft, document, revision, saved_at]);
  return [useSyncExternalStore(draft.subscribe, draft.snapshot), draft];
}
