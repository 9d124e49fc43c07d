import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import type { HaulLooked, TalliedFigures } from "../api/client";
import { haulApi } from "./haulApi";

/** As long as the cheapest haul is looked for at first [s], and when it is to be looked for longer. */
const FIRST_SECONDS = 10;
const LONGER_SECONDS = 120;

export type Looking = {
  /** What was found, null while nothing is. */
  found: TalliedFigures | null;
  /** How far looking has come, null while nobody looks. */
  progress: HaulLooked | null;
  looks: boolean;
  /** Leave off, and take the best so far. */
  end: () => void;
  /** Look again, and longer; null where that is done already. */
  longer: (() => void) | null;
};

/** The cheapest haul over all suppliers at once, looked for while the quick one is shown. */
export function useBestHaul(gardenId: number, enabled: boolean): Looking {
  const queries = useQueryClient();
  const [seconds, setSeconds] = useState(FIRST_SECONDS);
  const [progress, setProgress] = useState<HaulLooked | null>(null);
  const best = useQuery({
    queryKey: ["figure", gardenId, "haul", seconds],
    queryFn: async ({ signal }) => {
      setProgress(null);
      for await (const told of await haulApi.lookForHaul(gardenId, seconds, signal)) {
        if (told.kind === "found" && told.found) return told.found;
        // somebody changed the garden elsewhere: what is shown is out of date altogether
        if (told.kind === "newer") void queries.invalidateQueries({ queryKey: ["figure", gardenId] });
        setProgress(told);
      }
      throw new TypeError("The line broke off.");
    },
    enabled,
    retry: 1,
  });
  return {
    // what was found before a look that broke off is of another plan
    found: (best.isSuccess && !best.isFetching && best.data) || null,
    progress: best.isFetching ? progress : null,
    looks: best.isFetching,
    end: () => void haulApi.endLooking(gardenId),
    longer: seconds === LONGER_SECONDS ? null : () => setSeconds(LONGER_SECONDS),
  };
}
