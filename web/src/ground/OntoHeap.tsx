import { Problem } from "../kit/Problem";
import Button from "@mui/material/Button";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, saidOf } from "../api/client";
import { Quantity } from "../quantities/Quantity";

type Props = {
  gardenId: number;
  /** What comes out of the ground, and how much of it lies loose. */
  material: string;
  volume_m3: number;
  taken: boolean;
  onTaken: () => void;
  gives: string;
  of: string;
  lies: string;
};

/** What is dug or stripped, and the click that puts it on the gardener's own heap, once. */
export function OntoHeap({ gardenId, material, volume_m3, taken, onTaken, gives, of, lies }: Props) {
  const queries = useQueryClient();
  const heap = useMutation({
    mutationFn: async () => {
      const { revision, sources } = await api.sources(gardenId);
      const stock = [...sources.stock, { material, volume_m3 }];
      return api.saveSources(gardenId, { revision, sources: { ...sources, stock } });
    },
    onSuccess: () => {
      onTaken();
      void queries.invalidateQueries({ queryKey: ["sources", gardenId] });
      void queries.invalidateQueries({ queryKey: ["figure", gardenId] });
    },
  });
  return (
    <>
      {gives}{" "}
      <b>
        <Quantity kind="volume" value={volume_m3} />
      </b>{" "}
      of {of}.{" "}
      {taken ? (
        <span role="status">{lies}</span>
      ) : (
        <Button disabled={heap.isPending} onClick={() => heap.mutate()}>
          On the heap
        </Button>
      )}
      {heap.error && <Problem>{saidOf(heap.error)}</Problem>}
    </>
  );
}
