import Button from "@mui/material/Button";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Link, useNavigate } from "react-router";
import { api, saidOf, type Bed } from "../api/client";
import type { BedDraft } from "../draft/bedDraft";
import { forgetBedDraft } from "../draft/useBedDraft";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { useTell } from "../kit/Tell";

type Props = {
  gardenId: number;
  bed: Bed;
  draft: BedDraft;
  undoable: { canUndo: boolean; canRedo: boolean };
};

/** Undo, redo, what the bed was before, and the bin. */
export function BedActions({ gardenId, bed, draft, undoable }: Props) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const tell = useTell();
  const again = async () => {
    await queries.invalidateQueries({ queryKey: ["garden", gardenId] });
    void queries.invalidateQueries({ queryKey: ["bin", gardenId] });
    void queries.invalidateQueries({ queryKey: ["figure", gardenId] });
  };
  const back = useMutation({ mutationFn: () => api.takeBedBack(gardenId, bed.key), onSuccess: again });
  const remove = useMutation({
    mutationFn: () => api.deleteBed(gardenId, bed.key),
    onSuccess: async () => {
      forgetBedDraft(gardenId, bed.key);
      void navigate(`/garden/${gardenId}/plot`);
      tell(`${bed.name} lies in the bin, for 30 days.`, () => back.mutate());
      await again();
    },
  });
  return (
    <>
      <Row>
        <Button disabled={!undoable.canUndo} onClick={() => draft.undo()}>
          Undo
        </Button>
        <Button onClick={() => draft.redo()}>Redo</Button>
        <Button component={Link} to={`/garden/${gardenId}/section/bed/${bed.key}/history`}>
          History
        </Button>
        <Button variant="text" color="primary" sx={{ marginLeft: "auto" }} onClick={() => remove.mutate()}>
          To the bin
        </Button>
      </Row>
      {remove.error && <Problem>{saidOf(remove.error)}</Problem>}
    </>
  );
}
