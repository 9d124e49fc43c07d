import Button from "@mui/material/Button";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, saidOf, type Schemas, type Stock } from "../api/client";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { SCREEN_ONLY } from "../theme/sizes";

type Lying = Schemas["LyingBoards"];

/** Once all is sawn: the boards that are left lie on hand, those that were cut no longer do. */
export function KeepOffcuts({ gardenId, after }: { gardenId: number; after: readonly Lying[] }) {
  const queries = useQueryClient();
  const keep = useMutation({
    mutationFn: async () => {
      const { revision, sources } = await api.sources(gardenId);
      const loose = sources.stock.filter(({ thickness_m }) => thickness_m == null);
      // the volume of their wood is the core's to work out
      const boards = after.map(({ usable_m, ...board }) => ({
        ...board,
        ...(usable_m != null && { usable_m }),
      })) as Stock[];
      return api.saveSources(gardenId, { revision, sources: { ...sources, stock: [...loose, ...boards] } });
    },
    onSuccess: (saved) => {
      queries.setQueryData(["sources", gardenId], saved);
      return queries.invalidateQueries({ queryKey: ["figure", gardenId] });
    },
  });
  if (after.length === 0) return null;
  return (
    <Row sx={SCREEN_ONLY} data-part="keep-offcuts">
      <Button disabled={keep.isPending} onClick={() => keep.mutate()}>
        All is sawn: keep the offcuts on hand
      </Button>
      <Note>
        {keep.isSuccess
          ? "Kept in Haul. Say in Section that the bed is being filled, and it asks for no more boards."
          : "Offcuts of 0.3 m and more go to the boards on hand; boards that were cut leave them."}
      </Note>
      {keep.error && <Problem>{saidOf(keep.error)}</Problem>}
    </Row>
  );
}
