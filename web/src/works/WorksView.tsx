import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense, useMemo, useState } from "react";
import { Link } from "react-router";
import { api, saidOf, type KeptGarden } from "../api/client";
import { Choice } from "../kit/Choice";
import { Note } from "../kit/Note";
import { PageNote, PageWait } from "../kit/Page";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { todayHere } from "../kit/todayHere";
import { useUndoKeys } from "../kit/useUndoKeys";
import { View, ViewHead, Work } from "../kit/View";
import { showHours, showWeekday } from "../quantities/format";
import { DaysCalendar } from "./DaysCalendar";
import { PlotPath } from "./PlotPath";
import { StepRow } from "./StepRow";
import { useWorks, useWorksFigures, useWorksWords } from "./useWorks";
import { WorksAside } from "./WorksAside";
import { SideBySide, StepList } from "./works.styles";
import type { WorksFigures, WorksKept, WorkStep } from "./worksApi";

const Terms = lazy(() => import("./Terms"));
const OwnStep = lazy(() => import("./OwnStep"));

/** The order of the job: its steps as a path through the plot and on days, ticked off one by one. */
export default function WorksView({ garden }: { garden: KeptGarden }) {
  const figures = useWorksFigures(garden.id);
  const words = useWorksWords(garden.id);
  const error = figures.error ?? words.error;
  if (figures.data && words.data) return <Works garden={garden} figures={figures.data} kept={words.data} />;
  if (error) return <PageNote>{saidOf(error)}</PageNote>;
  return <PageWait saying="Putting the steps in order ..." />;
}

type Listed = "day" | "all" | "done";
const LISTS = [
  ["day", "This day"],
  ["all", "All to come"],
  ["done", "Done"],
] as const;

type Props = { garden: KeptGarden; figures: WorksFigures; kept: WorksKept };

function Works({ garden, figures, kept }: Props) {
  const working = useWorks(garden.id, kept);
  const plan = useQuery({ queryKey: ["figure", garden.id], queryFn: () => api.figureGarden(garden.id) });
  const [picked, setPicked] = useState<string | null>(null);
  const [listed, setListed] = useState<Listed>("day");
  const [open, setOpen] = useState<string | null>(null);
  const [side, setSide] = useState<"terms" | "own" | null>(null);
  useUndoKeys(
    () => working.canUndo && working.undo(),
    () => undefined,
  );
  const steps = useMemo(() => new Map(figures.steps.map((step) => [step.key, step])), [figures.steps]);
  const titles = useMemo(() => new Map(figures.steps.map(({ key, title }) => [key, title])), [figures.steps]);
  const today = todayHere();
  const next = figures.days[0]?.on ?? null;
  const day = picked !== null && figures.days.some(({ on }) => on === picked) ? picked : next;
  const ofDay = (figures.days.find(({ on }) => on === day)?.steps ?? []).flatMap(
    (key) => steps.get(key) ?? [],
  );
  const doneToday = figures.steps.filter((step) => step.done && step.done_on === today);
  const show = (key: string) => {
    const step = steps.get(key);
    if (step?.done) setListed("done");
    else if (step?.on != null) {
      setPicked(step.on);
      setListed("day");
    }
    setOpen(key);
  };
  const rows = (shown: readonly WorkStep[]) =>
    shown.map((step) => (
      <StepRow
        key={step.key}
        gardenId={garden.id}
        step={step}
        working={working}
        isOpen={open === step.key}
        onOpen={setOpen}
        titles={titles}
      />
    ));
  if (figures.steps.length === 0)
    return (
      <PageNote>
        Nothing is to be built: no bed is planned or being filled.{" "}
        <Link to={`/garden/${garden.id}/new`}>Measure the next bed</Link>
      </PageNote>
    );
  const undone = figures.steps.filter((step) => !step.done);
  return (
    <View data-part="works-view">
      <Work>
        <ViewHead sx={{ order: -2 }}>
          <Typography variant="view">Works</Typography>
          <Note sx={{ marginRight: "auto" }}>
            {undone.length === 1 ? "1 step" : `${undone.length} steps`} to come, {showHours(figures.hours)}
          </Note>
          <Button onClick={() => setSide("terms")}>Days and people</Button>
          <Button onClick={() => setSide("own")}>Add a step</Button>
          <Button
            component={Link}
            to={`/garden/${garden.id}/works/sheet${day === null ? "" : `?day=${day}`}`}
          >
            On paper
          </Button>
          <Button component={Link} to={`/garden/${garden.id}/outdoors`}>
            Outdoors
          </Button>
          <Button disabled={!working.canUndo} onClick={working.undo}>
            Undo
          </Button>
        </ViewHead>
        {working.problem !== null && <Problem>{working.problem}</Problem>}
        <Sheet component="section" aria-label="Steps" data-part="steps">
          <Row sx={{ marginBottom: 2 }}>
            <Typography variant="sheetTitle" sx={{ marginRight: "auto" }}>
              {listed === "day" ? dayTitle(day, today) : listed === "all" ? "All to come" : "Done"}
            </Typography>
            <Choice label="Which steps" options={LISTS} value={listed} onChoose={setListed} />
          </Row>
          {listed === "day" && (
            <StepList>
              {rows([...doneToday.filter(({ key }) => !ofDay.some((each) => each.key === key)), ...ofDay])}
            </StepList>
          )}
          {listed === "all" &&
            (figures.days.length > 0 ? (
              figures.days.map(({ on, hours, steps: keys }) => (
                <div key={on}>
                  <Typography variant="strong" component="h3" sx={{ marginTop: 3 }}>
                    {showWeekday(on)}, {showHours(hours)}
                  </Typography>
                  <StepList>
                    {rows(keys.flatMap((key) => steps.get(key) ?? []).filter((step) => step.on === on))}
                  </StepList>
                </div>
              ))
            ) : (
              <StepList>{rows(undone)}</StepList>
            ))}
          {listed === "done" && (
            <StepList>{rows(figures.steps.filter((step) => step.done || step.left_out))}</StepList>
          )}
        </Sheet>
        <SideBySide>
          {plan.data?.figures.plot && garden.garden.plot != null && (
            <Sheet component="section" aria-label="The way through the plot">
              <PlotPath garden={garden} figures={plan.data.figures.plot} steps={ofDay} onOpen={show} />
            </Sheet>
          )}
          <Sheet component="section" aria-label="Calendar">
            <DaysCalendar
              days={figures.days}
              today={today}
              chosen={day}
              onChoose={(chosen) => {
                setPicked(chosen);
                setListed("day");
                setOpen(null);
              }}
            />
          </Sheet>
        </SideBySide>
      </Work>
      <WorksAside garden={garden} figures={figures} working={working} onOpen={show} />
      <Suspense>
        {side === "terms" && (
          <Terms garden={garden} figures={figures} working={working} onClose={() => setSide(null)} />
        )}
        {side === "own" && (
          <OwnStep garden={garden} steps={undone} working={working} onClose={() => setSide(null)} />
        )}
      </Suspense>
    </View>
  );
}

function dayTitle(day: string | null, today: string): string {
  if (day === null) return "Nothing is on a day";
  return day === today ? `Today, ${showWeekday(day)}` : showWeekday(day);
}
