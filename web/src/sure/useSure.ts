import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { Bed } from "../api/client";
import { sureApi, type Measured } from "./sureApi";

/** How sure a garden's figures are. wanted: asked for only once that is. */
export function useSure(gardenId: number, wanted: boolean) {
  return useQuery({
    queryKey: ["figure", gardenId, "sure"],
    queryFn: () => sureApi.garden(gardenId),
    enabled: wanted,
  });
}

/** How sure a draft's figures are, once it rests; null until that is known. */
export function useSureDraft(gardenId: number, bed: Bed | null, rests: boolean) {
  const asked = useQuery({
    queryKey: ["sure draft", gardenId, bed],
    queryFn: ({ signal }) => (bed ? sureApi.draft(gardenId, bed, signal) : null),
    enabled: rests && bed !== null,
    placeholderData: keepPreviousData,
    gcTime: 60_000,
  });
  return asked.data ?? null;
}

/** Takes in what was measured; everything that rests on it is asked for anew. */
export function useTakeIn(gardenId: number) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (measured: Measured) => sureApi.takeIn(gardenId, measured),
    onSuccess: () => queries.invalidateQueries(),
  });
}
