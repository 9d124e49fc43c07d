import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, saidOf, type PlanGarden } from "../api/client";
import { meant } from "../api/meant";
import { Disclosure } from "../kit/Disclosure";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { showTemperature } from "../quantities/format";
import { ShowingProvider } from "../quantities/UnitsContext";
import { ClimateFields } from "./ClimateFields";

/** The garden's climate: its mean temperature and its frosts. */
export function GardenYear({ gardenId }: { gardenId: number }) {
  return <Disclosure title="Climate and frosts">{() => <YearFields gardenId={gardenId} />}</Disclosure>;
}

function YearFields({ gardenId }: { gardenId: number }) {
  const queries = useQueryClient();
  const garden = useQuery({ queryKey: ["garden", gardenId], queryFn: () => api.garden(gardenId) });
  const keep = useMutation({
    // one after the other: each rests on what the one before kept
    scope: { id: `garden ${gardenId}` },
    mutationFn: (change: Partial<PlanGarden>) =>
      api.changeGarden(gardenId, (head) => ({ ...head, ...change })),
    onSuccess: (kept) => {
      queries.setQueryData(["garden", gardenId], kept);
      for (const key of ["figure", "water", "told"])
        void queries.invalidateQueries({ queryKey: [key, gardenId] });
    },
  });
  const head = garden.data?.garden;
  if (!head) return null;
  const units = meant("Garden", head, "units");
  return (
    <ShowingProvider value={{ units, told_in: units, currency: meant("Garden", head, "currency") }}>
      <ClimateFields climate={head} onChange={(change) => keep.mutate(change)} />
      {keep.error && <Problem>{saidOf(keep.error)}</Problem>}
      <Note>
        {head.mean_temp_c == null && !head.normals && `${showTemperature(12, units)} is taken until then. `}
        Warm fill rots and sinks faster.
      </Note>
    </ShowingProvider>
  );
}
