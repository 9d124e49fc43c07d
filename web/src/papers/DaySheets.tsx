import type { KeptGarden, TalliedFigures } from "../api/client";
import { Note } from "../kit/Note";
import { SowingMonths } from "../planting/SowingView";
import type { SowingDay } from "../planting/plantingApi";
import type { SeasonFigures } from "../season/seasonApi";
import { YearTold } from "../season/YearView";
import { PaperStep } from "../works/SheetView";
import type { WorkStep } from "../works/worksApi";
import { Paper } from "./Paper";

/** What goes in where, month by month. */
export function CalendarSheet({ days, gardenId }: { days: readonly SowingDay[]; gardenId: number }) {
  return (
    <Paper title="Sowing calendar" to="sowing">
      {days.length === 0 && <Note>No crop is planned in any bed yet.</Note>}
      <SowingMonths days={days} gardenId={gardenId} />
    </Paper>
  );
}

/** The steps that are still to do, with boxes to tick and room for what is measured. */
export function StepsSheet({ steps }: { steps: readonly WorkStep[] }) {
  const open = steps.filter((step) => !step.done && step.left_out === "");
  return (
    <Paper title="Steps to tick" to="works/sheet">
      {open.map((step, index) => (
        <PaperStep key={step.key} step={step} number={index + 1} />
      ))}
      {open.length === 0 && <Note>Nothing is left to do.</Note>}
    </Paper>
  );
}

type YearProps = { garden: KeptGarden; season: SeasonFigures; figures: TalliedFigures["figures"] };

/** What was forecast, what happened, what is to do before next spring. */
export function YearSheet({ garden, season, figures }: YearProps) {
  const year = season.seasons[0] ?? new Date().getFullYear();
  return (
    <Paper title={`The year ${year}`} to="season/year">
      <YearTold garden={garden} season={season} figures={figures} year={year} />
    </Paper>
  );
}
