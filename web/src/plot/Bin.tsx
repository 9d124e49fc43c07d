import Button from "@mui/material/Button";
import { PlotBin } from "../gardens/gardens.styles";
import { BinList } from "../section/history.styles";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, saidOf, type Material } from "../api/client";
import { BedDrawn } from "./BedDrawn";

type Props = { gardenId: number; materials: ReadonlyMap<string, Material> };

/** Beds that were deleted: they come back for 30 days. */
export function Bin({ gardenId, materials }: Props) {
  const queries = useQueryClient();
  const bin = useQuery({ queryKey: ["bin", gardenId], queryFn: () => api.bin(gardenId) });
  const back = useMutation({
    mutationFn: (key: string) => api.takeBedBack(gardenId, key),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ["garden", gardenId] });
      void queries.invalidateQueries({ queryKey: ["bin", gardenId] });
      void queries.invalidateQueries({ queryKey: ["figure", gardenId] });
    },
  });
  if (!bin.data?.length) return null;
  return (
    <PlotBin data-part="plot-bin" aria-labelledby="bin-title">
      <h2 id="bin-title">In the bin, for 30 days</h2>
      {back.error && <p role="alert">{saidOf(back.error)}</p>}
      <BinList>
        {bin.data.map(({ key, name, bed, deleted_at }) => (
          <li key={key}>
            {bed && (
              <BedDrawn
                gardenId={gardenId}
                bed={bed}
                name={`bin ${key} ${deleted_at}`}
                materials={materials}
                width={220}
                height={80}
              />
            )}
            <strong>{name}</strong>
            <Button onClick={() => back.mutate(key)}>
              Take it back
            </Button>
          </li>
        ))}
      </BinList>
    </PlotBin>
  );
}
