import type { QueryClient } from "@tanstack/react-query";
import { api } from "../api/client";
import { plantingApi } from "../planting/plantingApi";
import { seasonApi } from "../season/seasonApi";
import { worksApi } from "../works/worksApi";

/** Ask for all that a garden is looked at with outside, one after the other, so that it is there without a connection. */
export async function takeAlong(queries: QueryClient, gardenId: number): Promise<void> {
  const wanted: readonly (readonly [readonly unknown[], () => Promise<unknown>])[] = [
    [["figure", gardenId], () => api.figureGarden(gardenId)],
    [["sources", gardenId], () => api.sources(gardenId)],
    [["works", gardenId], () => worksApi.words(gardenId)],
    [["figure", gardenId, "works"], () => worksApi.figures(gardenId)],
    [["season", gardenId, null, 0], () => seasonApi.entries(gardenId, undefined, 0)],
    [["figure", gardenId, "season"], () => seasonApi.figures(gardenId)],
    [["figure", gardenId, "setting out"], () => api.settingOut(gardenId)],
    [["figure", gardenId, "cuts"], () => api.figureCuts(gardenId)],
    [["figure", gardenId, "sowing"], () => plantingApi.sowing(gardenId)],
    [["crops", gardenId], () => plantingApi.crops(gardenId)],
  ];
  for (const [queryKey, queryFn] of wanted) await queries.prefetchQuery({ queryKey, queryFn });
}
