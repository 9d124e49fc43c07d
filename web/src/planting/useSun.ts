import { PASSES_AFTER_MS } from "../draft/keptQueries";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import type { Bed } from "../api/client";
import { plantingApi, type SunMap } from "./plantingApi";

/** Hours of sun over a bed, while they are shown; those from before while new ones are fetched. */
export function useSun(
  gardenId: number,
  bed: Bed,
  shown: boolean,
  on: string | null,
): { map: SunMap | null; isOld: boolean } {
  const asked = useQuery({
    queryKey: ["figure", gardenId, "sun", bed.shape, bed.places, bed.crops, bed.frame, on],
    gcTime: PASSES_AFTER_MS,
    queryFn: () => plantingApi.sun(gardenId, bed, on),
    enabled: shown,
    placeholderData: keepPreviousData,
  });
  return { map: shown ? (asked.data ?? null) : null, isOld: asked.isPlaceholderData };
}
