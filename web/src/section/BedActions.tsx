import Button from "@mui/material/Button";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Link, useNavigate } from "react-router";
import { api, saidOf, type Bed } from "../api/client";
import { meant } from "../api/meant";
import type { BedDraft } from "../draft/bedDraft";
import { withState } from "../draft/edits";
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
  const showNew = async ({ key }: { key: string }) => {
    await again();
    void navigate(`/garden/${gardenId}/section/bed/${key}`);
  };
  const copy = useMutation({
    mutationFn: () => api.createBed(gardenId, freshCopy(bed, `${bed.name} copy`)),
    onSuccess: showNew,
  });
  const count = meant("Bed", bed, "count");
  const split = useMutation({
    mutationFn: () =>
      api.createBed(gardenId, { ...bed, name: `${bed.name} apart`, count: 1, places: lastPlace(bed, count) }),
    onSuccess: async (made) => {
      draft.edit((now) => ({
        ...now,
        count: Math.max(meant("Bed", now, "count") - 1, 1),
        places: now.places?.slice(0, count - 1),
      }));
      await showNew(made);
    },
  });
  const error = remove.error ?? copy.error ?? split.error;
  return (
    <>
      <Row>
        <Button disabled={copy.isPending} onClick={() => copy.mutate()}>
          Copy this bed
        </Button>
        <Button component={Link} to={`/garden/${gardenId}/papers?sheet=build:${bed.key}`}>
          Print
        </Button>
        {count > 1 && (
          <Button disabled={split.isPending} onClick={() => split.mutate()}>
            Split one off
          </Button>
        )}
      </Row>
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
      {error && <Problem>{saidOf(error)}</Problem>}
    </>
  );
}

/** A bed like another that lies nowhere and isn't begun. */
function freshCopy(bed: Bed, name: string): Bed {
  return { ...withState(bed, "planned"), name, count: 1, places: [], built_on: null, seen: [] };
}

/** Where the last of those alike lies, if it lies anywhere. */
function lastPlace({ places = [] }: Bed, count: number): Bed["places"] {
  return places.length === count ? places.slice(-1) : [];
}
