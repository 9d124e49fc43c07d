import { useQueryClient, type QueryClient } from "@tanstack/react-query";
import { useEffect, useSyncExternalStore } from "react";
import type { KeptBed, KeptGarden } from "../api/client";
import { useShowing } from "../quantities/UnitsContext";
import { BedDraft, type BedState } from "./bedDraft";
import { draftOf, forgetDraft } from "./drafts";

const nameOf = (gardenId: number, key: string) => `${gardenId}/bed/${key}`;

/** The draft of a kept bed, made where there is none yet. */
export function bedDraftOf(gardenId: number, kept: KeptBed, queries: QueryClient): BedDraft {
  return draftOf(nameOf(gardenId, kept.key), () => {
    return new BedDraft(gardenId, kept, queries, (saved) => {
      queries.setQueryData<KeptGarden>(["garden", gardenId], (garden) =>
        garden
          ? { ...garden, beds: garden.beds.map((bed) => (bed.key === saved.key ? saved : bed)) }
          : garden,
      );
      void queries.invalidateQueries({ queryKey: ["figure", gardenId] });
    });
  });
}

/** What a bed's figures rest on beside the bed itself, and when each was last changed here. */
const RESTS_ON = ["garden", "shelf", "mixes", "sources", "own crops"] as const;

function stampOf(gardenId: number, queries: QueryClient): string {
  return RESTS_ON.map((key) => queries.getQueryState([key, gardenId])?.dataUpdatedAt ?? 0).join(" ");
}

/** The draft of a kept bed; it outlives the view that shows it. */
export function useBedDraft(gardenId: number, kept: KeptBed): [BedState, BedDraft] {
  const queries = useQueryClient();
  const draft = bedDraftOf(gardenId, kept, queries);
  const { told_in } = useShowing();
  useEffect(() => draft.adopt(kept), [draft, kept]);
  useEffect(() => draft.readIn(told_in), [draft, told_in]);
  useEffect(() => draft.refresh(stampOf(gardenId, queries)), [draft, gardenId, queries]);
  return [useSyncExternalStore(draft.subscribe, draft.snapshot), draft];
}

/** Let go of a bed's draft, for instance when the bed goes to the bin. */
export function forgetBedDraft(gardenId: number, key: string): void {
  forgetDraft(nameOf(gardenId, key));
}
