import Button from "@mui/material/Button";
import { Row } from "../kit/Row";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Link, useNavigate } from "react-router";
import { api, saidOf, type Bed } from "../api/client";
import type { BedSession } from "./session";
import { forgetSession } from "./useSession";

type Props = {
  gardenId: number;
  bed: Bed;
  session: BedSession;
  undoable: { canUndo: boolean; canRedo: boolean };
};

/** Undo, redo, what the bed was before, and the bin. */
export function BedActions({ gardenId, bed, session, undoable }: Props) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const remove = useMutation({
    mutationFn: () => api.deleteBed(gardenId, bed.key),
    onSuccess: async () => {
      forgetSession(gardenId, bed.key);
      void navigate(`/garden/${gardenId}/plot`);
      await queries.invalidateQueries({ queryKey: ["garden", gardenId] });
      void queries.invalidateQueries({ queryKey: ["bin", gardenId] });
      void queries.invalidateQueries({ queryKey: ["figure", gardenId] });
    },
  });
  return (
    <Row>
      <Button disabled={!undoable.canUndo} onClick={() => session.undo()}>
        Undo
      </Button>
      <Button onClick={() => session.redo()}>
        Redo
      </Button>
      <Button
        component={Link}
       
        to={`/garden/${gardenId}/section/bed/${bed.key}/history`}
      >
        History
      </Button>
      <Button variant="text" color="primary" onClick={() => remove.mutate()}>
        To the bin
      </Button>
      {remove.error && <span role="alert">{saidOf(remove.error)}</span>}
    </Row>
  );
}
