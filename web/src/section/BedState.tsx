import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, saidOf, type Bed, type BedFigures, type KeptGarden } from "../api/client";
import { withState } from "../draft/edits";
import { Choice } from "../kit/Choice";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { Side } from "../kit/Side";
import { todayHere } from "../kit/todayHere";
import { useTell } from "../kit/Tell";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import type { BedEdit } from "./BedHead";
import { STATES, type State } from "../api/states";

type Props = {
  gardenId: number;
  bed: Bed;
  figures: BedFigures;
  saved: boolean;
  onEdit: BedEdit;
  onClose: () => void;
};

const OPTIONS = Object.entries(STATES) as [State, string][];

/** How far the bed has come: what is laid, when it was filled, and taking it apart. */
export default function BedState({ gardenId, bed, figures, saved, onEdit, onClose }: Props) {
  const { state } = figures;
  const begun = state === "filling" || state === "filled";
  return (
    <Side title={`${bed.name}: how far it has come`} onClose={onClose}>
      <Choice
        label="State of the bed"
        options={OPTIONS}
        value={state}
        onChoose={(chosen) =>
          onEdit((now) => (chosen === "filled" ? filledNow(now) : withState(now, chosen)))
        }
        sx={{ "& .MuiToggleButtonGroup-root": { flexWrap: "wrap" } }}
      />
      <Note>{MEANING[state]}</Note>
      {figures.today_m != null && (
        <Typography>
          Its surface stands at{" "}
          <b>
            <Quantity kind="length" value={figures.today_m} />
          </b>{" "}
          over the floor today.
        </Typography>
      )}
      {(state === "filled" || state === "filling") && <FilledOn bed={bed} state={state} onEdit={onEdit} />}
      {state === "emptied" && (
        <TextField
          label="Taken apart on"
          type="date"
          value={bed.emptied_on ?? ""}
          onChange={({ target }) => {
            const day = target.value;
            onEdit((now) => ({ ...now, emptied_on: day || null }));
          }}
        />
      )}
      {begun && <TakeOut gardenId={gardenId} bed={bed} figures={figures} saved={saved} />}
    </Side>
  );
}

const MEANING: Readonly<Record<State, string>> = {
  planned: "Nothing lies in it yet: all of it is on the list.",
  filling: "Tick each layer on its card as it is laid; the list keeps what is still to come.",
  filled: "It buys nothing but its top-up in spring, and sinks from the day it was filled.",
  emptied: "It buys nothing. Choose planned to fill it anew.",
};

/** Filled, today unless a day was given: its sinking and its top-ups are reckoned from then. */
function filledNow(bed: Bed): Bed {
  return { ...withState(bed, "filled"), built_on: bed.built_on ?? todayHere() };
}

function FilledOn({ bed, state, onEdit }: { bed: Bed; state: State; onEdit: BedEdit }) {
  return (
    <Row sx={{ alignItems: "flex-end" }}>
      <TextField
        label={state === "filled" ? "Filled on" : "All of it is laid since"}
        type="date"
        value={bed.built_on ?? ""}
        onChange={({ target }) => {
          const day = target.value;
          onEdit((now) => ({ ...now, built_on: day || null }));
        }}
      />
      {state === "filling" && (
        <Button variant="contained" onClick={() => onEdit(filledNow)}>
          All of it is laid
        </Button>
      )}
    </Row>
  );
}

type OutProps = Pick<Props, "gardenId" | "bed" | "figures" | "saved">;

/** Taking out what lies in it today, or laying a new stack on it. */
function TakeOut({ gardenId, bed, figures, saved }: OutProps) {
  const queries = useQueryClient();
  const tell = useTell();
  const [down_m, setDown] = useState<number>();
  const take = useMutation({
    mutationFn: async (how: "onto_heaps" | "build_on") => {
      const garden = await api.garden(gardenId);
      const revision = garden.beds.find(({ key }) => key === bed.key)?.revision ?? 0;
      const down_to_m = down_m === undefined ? 0 : Math.max(figures.rim_m - down_m, 0);
      return api.emptyBed(gardenId, bed.key, { revision, how, down_to_m });
    },
    onSuccess: (kept, how) => {
      queries.setQueryData<KeptGarden>(["garden", gardenId], (before) =>
        before
          ? { ...before, beds: before.beds.map((each) => (each.key === kept.key ? kept : each)) }
          : before,
      );
      for (const key of ["sources", "shelf", "figure"])
        void queries.invalidateQueries({ queryKey: [key, gardenId] });
      tell(
        how === "build_on"
          ? "What is left of it lies at the bottom of the new stack."
          : "What came out of it lies on your heaps, under Haul.",
      );
    },
  });
  return (
    <>
      <Typography variant="panelTitle">Take it out again</Typography>
      <Note>
        What is left of each layer today goes onto your heaps as used soil, as heavy and as rich as it is by
        now.
      </Note>
      <Row sx={{ alignItems: "flex-end" }}>
        <MeasureField
          label="Down to, from the rim"
          limit="offset"
          width="150px"
          eager
          placeholder="the floor"
          shown=""
          onMeaning={({ values: [value] }) => setDown(value)}
          onReading={(read) => read === "empty" && setDown(undefined)}
        />
        <Button disabled={!saved || take.isPending} onClick={() => take.mutate("onto_heaps")}>
          Onto my heaps
        </Button>
      </Row>
      <Note>Or leave it, and lay a second year&apos;s stack on what it has sunk to.</Note>
      <Row>
        <Button disabled={!saved || take.isPending} onClick={() => take.mutate("build_on")}>
          Build on what is left
        </Button>
      </Row>
      {take.error && <Problem>{saidOf(take.error)}</Problem>}
    </>
  );
}
