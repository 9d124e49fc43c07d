import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useEffect, useState } from "react";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import { MeasureField } from "../quantities/MeasureField";
import { showHours } from "../quantities/format";
import type { Working } from "./useWorks";
import type { WorkStep } from "./worksApi";

const startedAs = (step: string) => `nolbet works ${step}`;
const HOUR_MS = 3_600_000;
const A_SECOND_MS = 1000;

/** How long a step took: by a clock that goes on while the page is left, and that can be corrected. */
export function TimeTaken({ step, working }: { step: WorkStep; working: Working }) {
  const [started, setStarted] = useState(() => Number(localStorage.getItem(startedAs(step.key))) || null);
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (started === null) return;
    const timer = setInterval(() => setNow(Date.now()), A_SECOND_MS);
    return () => clearInterval(timer);
  }, [started]);
  const keep = (hours: number) => working.tick({ step: step.key, done: step.done, hours }, step.spent_hours);
  const start = () => {
    localStorage.setItem(startedAs(step.key), String(Date.now()));
    setStarted(Date.now());
    setNow(Date.now());
  };
  const stop = () => {
    localStorage.removeItem(startedAs(step.key));
    setStarted(null);
    if (started !== null) keep(step.spent_hours + (Date.now() - started) / HOUR_MS);
  };
  return (
    <div data-part="time-taken">
      <Note>
        About {showHours(step.hours)}
        {Math.abs(step.hours - step.usual_hours) > 0.01 && ` (${showHours(step.usual_hours)} at usual rates)`}
        {step.people > 1 && ", of all who work on it"}.
      </Note>
      <Row sx={{ alignItems: "flex-end", marginTop: 1 }}>
        {started === null ? (
          <Button onClick={start} sx={{ minHeight: 44 }}>
            Start the clock
          </Button>
        ) : (
          <Button variant="contained" onClick={stop} sx={{ minHeight: 44 }}>
            Stop at {clock(now - started)}
          </Button>
        )}
        <MeasureField
          label="Took, hours"
          limit="hours"
          width="96px"
          placeholder="1.5"
          shown={step.spent_hours > 0 ? String(Math.round(step.spent_hours * 100) / 100) : ""}
          onMeaning={({ values: [hours] }) => hours !== undefined && keep(hours)}
        />
        {step.spent_hours > 0 && <Typography variant="note">kept: {showHours(step.spent_hours)}</Typography>}
      </Row>
    </div>
  );
}

function clock(ms: number): string {
  const seconds = Math.max(Math.floor(ms / A_SECOND_MS), 0);
  const [h, m, s] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60];
  const two = (value: number) => String(value).padStart(2, "0");
  return h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`;
}
