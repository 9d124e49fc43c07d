import type { QueryClient } from "@tanstack/react-query";
import { blendApi, type KeptMix, type Mix } from "./blendApi";
import type { Draft, DraftState } from "../draft/Draft";
import { forgetDraft } from "../draft/drafts";
import { partHistory } from "../draft/partHistory";
import { draftNamed, useDraft } from "../draft/useDraft";

export type MixEdit = (change: (mix: Mix) => Mix, gesture?: string) => void;

const nameOf = (gardenId: number, key: string) => `${gardenId}/mix/${key}`;

const keptOf = ({ mix, revision }: KeptMix) => ({ document: mix, revision, saved_at: null });

function isMix(found: unknown): found is Mix {
  return Array.isArray((found as Mix | null)?.parts);
}

type Step = { document: Mix; revision: number; restores?: number };

/** How a mix is saved and looked up. */
const homeOf = (gardenId: number, key: string) => (queries: QueryClient) => ({
  isDocument: isMix,
  send: async ({ document, revision, restores }: Step) => {
    const saved = await blendApi.save(gardenId, key, { mix: document, revision, restores });
    queries.setQueryData<KeptMix[]>(["mixes", gardenId], (before) =>
      before?.map((each) => (each.mix.key === key ? saved : each)),
    );
    for (const asked of ["shelf", "figure", "zones", "haul"]) {
      void queries.invalidateQueries({ queryKey: [asked, gardenId] });
    }
    return { ...keptOf(saved), saved_at: new Date().toISOString() };
  },
  currentOf: async () => {
    const now = (await blendApi.mixes(gardenId)).find(({ mix }) => mix.key === key);
    return now ? keptOf(now) : null;
  },
  lookBack: () => partHistory<Mix>(gardenId, "mix", key),
  onKept: () => undefined,
});

/** A mix while it is drawn up. What can't be mixed stays here unsaved. */
export function useMixDraft(gardenId: number, kept: KeptMix): [DraftState<Mix>, Draft<Mix>] {
  const { key } = kept.mix;
  return useDraft<Mix>(nameOf(gardenId, key), keptOf(kept), homeOf(gardenId, key));
}

/** Save what waits of a mix, whatever is looked at. */
export function sendWaitingMix(gardenId: number, kept: KeptMix, queries: QueryClient): void {
  const { key } = kept.mix;
  draftNamed<Mix>(nameOf(gardenId, key), keptOf(kept), queries, homeOf(gardenId, key));
}

/** Let go of a mix that isn't there any more. */
export function forgetMixDraft(gardenId: number, key: string): void {
  forgetDraft(nameOf(gardenId, key));
}
