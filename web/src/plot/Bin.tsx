import { Problem } from "../kit/Problem";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { DrawnCard, DrawnList } from "../kit/DrawnList";
import { Column } from "../kit/Row";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, saidOf, type Material } from "../api/client";
import { BedDrawn } from "../drawing/BedDrawn";

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
    <Column as="section" data-part="plot-bin" aria-labelledby="bin-title" sx={{ marginTop: 6 }}>
      <Typography variant="sheetTitle" id="bin-title">
        In the bin, for 30 days
      </Typography>
      {back.error && <Problem>{saidOf(back.error)}</Problem>}
      <DrawnList>
        {bin.data.map(({ key, name, bed, deleted_at }) => (
          <DrawnCard variant="outlined" component="li" key={key}>
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
            <Typography variant="strong">{name}</Typography>
            <Button onClick={() => back.mutate(key)}>Take it back</Button>
          </DrawnCard>
        ))}
      </DrawnList>
    </Column>
  );
}
