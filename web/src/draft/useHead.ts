import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { api, type PlanGarden } from "../api/client";

/** A garden's head, and changing something of it. */
export function useHead(gardenId: number) {
  const queries = useQueryClient();
  const garden = useQuery({ queryKey: ["garden", gardenId], queryFn: () => api.garden(gardenId) });
  // what was chosen stands at once: the next choice rests on it, not on what the server still has
  const [ahead, setAhead] = useState<Partial<PlanGarden>>({});
  const waiting = useRef(0);
  const keep = useMutation({
    // one after the other: each rests on what the one before kept
    scope: { id: `garden ${gardenId}` },
    mutationFn: (change: Partial<PlanGarden>) =>
      api.changeGarden(gardenId, (head) => ({ ...head, ...change })),
    onSettled: () => {
      waiting.current -= 1;
      if (waiting.current === 0) setAhead({});
    },
    onSuccess: (kept) => {
      queries.setQueryData(["garden", gardenId], kept);
      for (const key of ["figure", "water", "told"])
        void queries.invalidateQueries({ queryKey: [key, gardenId] });
    },
  });
  const change = (changed: Partial<PlanGarden>) => {
    waiting.current += 1;
    setAhead((before) => ({ ...before, ...changed }));
    keep.mutate(changed);
  };
  const kept = garden.data?.garden;
  return { head: kept && { ...kept, ...ahead }, change, error: keep.error };
}
