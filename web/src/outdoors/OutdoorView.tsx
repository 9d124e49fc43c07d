import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { saidOf, type KeptGarden } from "../api/client";
import { Choice } from "../kit/Choice";
import { Note } from "../kit/Note";
import { PageNote, PageWait } from "../kit/Page";
import { Problem } from "../kit/Problem";
import { HoldGate } from "../works/HoldGate";
import { useWorks, useWorksFigures, useWorksWords } from "../works/useWorks";
import type { WorksFigures, WorksKept, WorkStep } from "../works/worksApi";
import { Hand, Large, Mark, OneThing, Outdoors } from "./outdoors.styles";
import { useAwake } from "./useAwake";

const HANDS = [
  ["left", "Left hand"],
  ["right", "Right hand"],
] as const;
type Side = (typeof HANDS)[number][0];
const STORED = "nolbet.hand";

function useHand(): [Side, (hand: Side) => void] {
  const [hand, setHand] = useState<Side>(() => (localStorage.getItem(STORED) === "left" ? "left" : "right"));
  const keep = (side: Side) => {
    setHand(side);
    try {
      localStorage.setItem(STORED, side);
    } catch {
      // it stays so as long as the view is open
    }
  };
  return [hand, keep];
}

/** By the bed: one step at a time, large, its mark and its bags, done with one thumb; the screen stays on. */
export default function OutdoorView({ garden }: { garden: KeptGarden }) {
  const figures = useWorksFigures(garden.id);
  const words = useWorksWords(garden.id);
  useAwake();
  const error = figures.error ?? words.error;
  if (figures.data && words.data) return <Steps garden={garden} figures={figures.data} kept={words.data} />;
  if (error) return <PageNote>{saidOf(error)}</PageNote>;
  return <PageWait saying="Putting the steps in order ..." />;
}

type Props = { garden: KeptGarden; figures: WorksFigures; kept: WorksKept };

function Steps({ garden, figures, kept }: Props) {
  const working = useWorks(garden.id, kept);
  const [query, setQuery] = useSearchParams();
  const [hand, setHand] = useHand();
  const [ticked, setTicked] = useState<WorkStep | null>(null);
  const open = figures.steps.filter((step) => !step.done && step.left_out === "");
  const at = Math.max(
    open.findIndex(({ key }) => key === query.get("step")),
    0,
  );
  const step = open[at];
  const show = (to: WorkStep | undefined) => to && setQuery({ step: to.key }, { replace: true });
  const done = () => {
    if (!step) return;
    setTicked(step);
    show(open[at + 1] ?? open[at - 1]);
    working.tick({ step: step.key, done: true });
  };
  const again = () => {
    if (!ticked) return;
    working.tick({ step: ticked.key, done: false });
    show(ticked);
    setTicked(null);
  };
  const asks = step !== undefined && step.hold !== "" && step.passed !== true;
  return (
    <Outdoors data-part="outdoors">
      <header>
        <Button component={Link} to={`/garden/${garden.id}/works`} sx={{ minHeight: 48 }}>
          Leave
        </Button>
        <Note component="span" sx={{ marginRight: "auto", fontSize: 17 }}>
          {step ? `${at + 1} of ${open.length} to do` : "All done"}
        </Note>
        <Choice label="Which hand" options={HANDS} value={hand} onChoose={setHand} />
      </header>
      <OneThing aria-label="The step" data-part="outdoor-step">
        {working.problem !== null && <Problem>{working.problem}</Problem>}
        {step ? <OneStep step={step} /> : <Typography variant="view">Nothing is left to do.</Typography>}
        {step && asks && <HoldGate step={step} working={working} />}
        {ticked && (
          <Large variant="link" onClick={again}>
            {ticked.title}: not done after all
          </Large>
        )}
      </OneThing>
      <Hand data-hand={hand} data-part="outdoor-hand">
        <Large disabled={at === 0} onClick={() => show(open[at - 1])}>
          Back
        </Large>
        <Large disabled={at >= open.length - 1} onClick={() => show(open[at + 1])}>
          Next
        </Large>
        <Large variant="contained" sx={{ flex: 1 }} disabled={!step || asks} onClick={done}>
          {asks ? "Answer first" : "Done"}
        </Large>
      </Hand>
    </Outdoors>
  );
}

/** What is done, to which mark, with how much, and what to mind. */
function OneStep({ step }: { step: WorkStep }) {
  return (
    <>
      <Typography variant="view">{step.title}</Typography>
      {step.mark !== "" && <Mark data-part="depth-mark">{step.mark}</Mark>}
      {step.materials.length > 0 && (
        <ul>
          {step.materials.map((each) => (
            <li key={each}>
              <b>{each}</b>
            </li>
          ))}
        </ul>
      )}
      {step.barrows > 0 && (
        <p>{step.barrows === 1 ? "1 barrow load" : `Up to ${step.barrows} barrow loads`}</p>
      )}
      {step.cautions.map((caution) => (
        <Problem key={caution}>{caution}</Problem>
      ))}
      {step.lines.length > 0 && (
        <ol>
          {step.lines.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ol>
      )}
      {(step.tools.length > 0 || step.gear.length > 0) && (
        <Note sx={{ fontSize: 17 }}>{[...step.tools, ...step.gear].join(", ")}</Note>
      )}
      <Note sx={{ fontSize: 17 }}>Done when: {step.done_when}</Note>
    </>
  );
}
