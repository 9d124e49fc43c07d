import Button from "@mui/material/Button";
import Slider from "@mui/material/Slider";
import { styled } from "@mui/material/styles";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import { MONTHS, showDay } from "../quantities/format";
import { SCREEN_ONLY } from "../theme/sizes";

const WEEKS = 78;
const DAY_MS = 86_400_000;

const Line = styled("div")({ padding: "0 14px", "& .MuiSlider-markLabel": { fontSize: 11.5 } });

type Props = {
  /** The first day of the first month that is shown. */
  begins: string;
  day: string | null;
  onDay: (day: string | null) => void;
};

/** What stands when: a day chosen on a line of a year and a half. */
export function YearSlider({ begins, day, onDay }: Props) {
  const first = Date.parse(`${begins}T00:00:00Z`);
  const dayOf = (week: number) => new Date(first + week * 7 * DAY_MS).toISOString().slice(0, 10);
  const weekOf = (on: string) => Math.round((Date.parse(`${on}T00:00:00Z`) - first) / (7 * DAY_MS));
  return (
    <div data-part="year-slider">
      <Row>
        <Note component="span" sx={{ marginRight: "auto" }}>
          {day === null ? "All that is planned, whenever it stands" : `What stands on ${showDay(day)}`}
        </Note>
        {day !== null && (
          <Button sx={SCREEN_ONLY} onClick={() => onDay(null)}>
            All of it
          </Button>
        )}
      </Row>
      <Line sx={SCREEN_ONLY}>
        <Slider
          aria-label="Day of the year"
          min={0}
          max={WEEKS}
          step={1}
          value={day === null ? 0 : weekOf(day)}
          marks={marksFrom(begins)}
          getAriaValueText={(week) => showDay(dayOf(week))}
          onChange={(_event, week) => onDay(dayOf(week as number))}
        />
      </Line>
    </div>
  );
}

/** The first of each second month, by its name. */
function marksFrom(begins: string) {
  const start = new Date(`${begins}T00:00:00Z`);
  const marks = [];
  for (let month = 0; month < WEEKS / 4.35; month += 2) {
    const on = new Date(Date.UTC(start.getUTCFullYear(), start.getUTCMonth() + month, 1));
    const value = Math.round((on.getTime() - start.getTime()) / (7 * DAY_MS));
    if (value <= WEEKS) marks.push({ value, label: MONTHS[on.getUTCMonth()] });
  }
  return marks;
}
