import { useQuery } from "@tanstack/react-query";
import { seasonApi } from "./seasonApi";

/** What a garden's log comes to. */
export function useSeasonFigures(gardenId: number) {
  return useQuery({ queryKey: ["figure", gardenId, "season"], queryFn: () => seasonApi.figures(gardenId) });
}
