import type { QueryClient } from "@tanstack/react-query";
import { api, type KeptSources, type Sources } from "../api/client";
import type { Draft, DraftState } from "../draft/Draft";
import { partHistory } from "../draft/partHistory";
import { draftNamed, useDraft } from "../draft/useDraft";

const keptOf = ({ revision, sources }: KeptSources) => ({
  document: sources,
  revision,
  saved_at: null as string | null,
});

function isSources(found: unknown): found is Sources {
  const { suppliers, stock } = (found ?? {}) as Partial<Sources>;
  return Array.isArray(suppliers) && Array.isArray(stock);
}

const nameOf = (gardenId: number) => `${gardenId}/sources`;

/** How sources are saved and looked up. */
type Step = { document: Sources; revision: number; restores?: number };

const homeOf = (gardenId: number) => (queries: QueryClient) => ({
  isDocument: isSources,
  send: async ({ document, revision, restores }: Step) => {
    const saved = await api.saveSources(gardenId, { revision, restores, sources: document });
    queries.setQueryData(["sources", gardenId], saved);
    void queries.invalidateQueries({ queryKey: ["figure", gardenId] });
    return { ...keptOf(saved), saved_at: new Date().toISOString() };
  },
  currentOf: async () => keptOf(await api.sources(gardenId)),
  lookBack: () => partHistory<Sources>(gardenId, "sources", "sources"),
  onKept: () => undefined,
});

/** Where things come from, while it is changed: suppliers with their offers, and heaps. */
export function useSources(gardenId: number, kept: KeptSources): [DraftState<Sources>, Draft<Sources>] {
  return useDraft<Sources>(nameOf(gardenId), keptOf(kept), homeOf(gardenId));
}

/** Save what waits of a garden's sources, whatever is looked at. */
export function sendWaitingSources(gardenId: number, kept: KeptSources, queries: QueryClient): void {
  draftNamed<Sources>(nameOf(gardenId), keptOf(kept), queries, homeOf(gardenId));
}
