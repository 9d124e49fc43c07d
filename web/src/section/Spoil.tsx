import { Problem } from "../kit/Problem";
import Button from "@mui/material/Button";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, saidOf } from "../api/client";
import { Quantity } from "../quantities/Quantity";

type Props = { gardenId: number; spoil_m3: number; count: number; taken: boolean; onTaken: () => void };

const DUG = "garden_soil";

/** What a trench gives, and the click that puts it on the gardener's own heap. */
export function Spoil({ gardenId, spoil_m3, count, taken, onTaken }: Props) {
  const queries = useQueryClient();
  const heap = useMutation({
    mutationFn: async () => {
      const { revision, sources } = await api.sources(gardenId);
      const { stock } = sources;
      const lying = stock.find((each) => each.material === DUG)?.volume_m3 ?? 0;
      const others = stock.filter((each) => each.material !== DUG);
      const heap = { material: DUG, volume_m3: lying + spoil_m3 * count };
      return api.saveSources(gardenId, { revision, sources: { ...sources, stock: [...others, heap] } });
    },
    onSuccess: () => {
      onTaken();
      void queries.invalidateQueries({ queryKey: ["sources", gardenId] });
      void queries.invalidateQueries({ queryKey: ["figure", gardenId] });
    },
  });
  return (
    <>
      {" "}
      Digging gives{" "}
      <b>
        <Quantity kind="volume" value={spoil_m3 * count} />
      </b>{" "}
      of loose soil.{" "}
      {taken ? (
        <span role="status">It lies on your heap of garden soil.</span>
      ) : (
        <Button disabled={heap.isPending} onClick={() => heap.mutate()}>
          On the heap
        </Button>
      )}
      {heap.error && <Problem>{saidOf(heap.error)}</Problem>}
    </>
  );
}
