import Button from "@mui/material/Button";
import ButtonBase from "@mui/material/ButtonBase";
import { styled } from "@mui/material/styles";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Hidden } from "../kit/Hidden";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import { showWeekday } from "../quantities/format";
import type { WorksFigures } from "./worksApi";

type Day = WorksFigures["days"][number];

const Weeks = styled("div")({
  display: "grid",
  gridTemplateColumns: "repeat(7, minmax(0, 1fr))",
  gap: 2,
  fontVariantNumeric: "tabular-nums",
});

const Cell = styled(ButtonBase)(({ theme }) => ({
  position: "relative",
  display: "grid",
  placeItems: "center",
  alignContent: "center",
  minHeight: 38,
  overflow: "hidden",
  borderRadius: 4,
  fontFamily: "inherit",
  fontSize: "var(--text-note)",
  color: theme.vars.palette.soft,
  "&[data-work]": {
    color: theme.vars.palette.ink,
    fontWeight: 700,
    border: `1px solid ${theme.vars.palette.line}`,
  },
  "&[aria-pressed=true]": { outline: `2px solid ${theme.vars.palette.iron}`, outlineOffset: -1 },
  "@media (max-width: 760px)": { minHeight: 44 },
  "&[data-today]": { textDecoration: "underline", textUnderlineOffset: 3 },
}));

const Fill = styled("span")(({ theme }) => ({
  position: "absolute",
  insetInline: 0,
  bottom: 0,
  backgroundColor: theme.vars.palette.straw,
  opacity: 0.3,
}));

const Hours = styled("small")({
  position: "relative",
  fontWeight: 500,
  fontSize: "var(--text-micro)",
  lineHeight: 1,
});

const Mark = styled("span")(({ theme }) => ({
  position: "absolute",
  top: 2,
  right: 3,
  width: 6,
  height: 6,
  borderRadius: 1,
  backgroundColor: theme.vars.palette.iron,
  "&[data-sows]": { borderRadius: 3, backgroundColor: theme.vars.palette.moss },
}));

const NAMES = [
  "January",
  "February",
  "March",
  "April",
  "May",
  "June",
  "July",
  "August",
  "September",
  "October",
  "November",
  "December",
];
const DAYS = ["M", "T", "W", "T", "F", "S", "S"];

type Props = {
  days: readonly Day[];
  today: string | null;
  chosen: string | null;
  onChoose: (day: string) => void;
};

/** The days that are worked on, month by month: how full each is, where a gate stands, and when it is sown. */
export function DaysCalendar({ days, today, chosen, onChoose }: Props) {
  const byDay = new Map(days.map((day) => [day.on, day]));
  const months = monthsOf(days, today);
  const [turned, setTurned] = useState<number | null>(null);
  const ofChosen = Math.max(months.indexOf((chosen ?? today ?? "").slice(0, 7)), 0);
  const at = Math.min(turned ?? ofChosen, Math.max(months.length - 1, 0));
  const month = months[at];
  return (
    <div data-part="works-calendar">
      <Row>
        <Typography variant="strong" component="h3" sx={{ marginRight: "auto" }}>
          {month === undefined ? "No day is planned" : nameOf(month)}
        </Typography>
        <Button disabled={at === 0} onClick={() => setTurned(at - 1)}>
          Earlier
        </Button>
        <Button disabled={at + 1 >= months.length} onClick={() => setTurned(at + 1)}>
          Later
        </Button>
      </Row>
      {month !== undefined && (
        <Month month={month} byDay={byDay} today={today} chosen={chosen} onChoose={onChoose} />
      )}
      <Note>Filled as far as its hours are booked; a square for a hold point, a dot where it is sown.</Note>
    </div>
  );
}

type MonthProps = Omit<Props, "days"> & { month: string; byDay: ReadonlyMap<string, Day> };

function Month({ month, byDay, today, chosen, onChoose }: MonthProps) {
  const [year = 0, number = 1] = month.split("-").map(Number);
  const count = new Date(year, number, 0).getDate();
  const before = (new Date(year, number - 1, 1).getDay() + 6) % 7;
  return (
    <section aria-label={nameOf(month)}>
      <Weeks>
        {DAYS.map((name, index) => (
          <Note key={index} component="span" aria-hidden="true" sx={{ textAlign: "center" }}>
            {name}
          </Note>
        ))}
        {Array.from({ length: before }, (_, index) => (
          <span key={`b${index}`} />
        ))}
        {Array.from({ length: count }, (_, index) => {
          const on = `${month}-${String(index + 1).padStart(2, "0")}`;
          const day = byDay.get(on);
          return day ? (
            <Cell
              key={on}
              data-work=""
              data-today={on === today || undefined}
              aria-pressed={on === chosen}
              onClick={() => onChoose(on)}
            >
              <Fill style={{ height: `${Math.min(day.share, 1) * 100}%` }} />
              <span style={{ position: "relative" }}>{index + 1}</span>
              <Hours>{Math.round(day.hours * 10) / 10} h</Hours>
              <Hidden>{saidOfDay(day)}</Hidden>
              {(day.holds > 0 || day.sows) && <Mark data-sows={day.sows || undefined} />}
            </Cell>
          ) : (
            <Cell key={on} as="span" data-today={on === today || undefined} tabIndex={-1}>
              {index + 1}
            </Cell>
          );
        })}
      </Weeks>
    </section>
  );
}

/** A month as it is called, of one as in 2026-10. */
function nameOf(month: string): string {
  const [year, number] = month.split("-").map(Number);
  return `${NAMES[(number ?? 1) - 1]} ${year}`;
}

function saidOfDay({ on, steps, holds, sows }: Day): string {
  const count = steps.length === 1 ? "1 step" : `${steps.length} steps`;
  const gates = holds === 0 ? "" : holds === 1 ? ", 1 hold point" : `, ${holds} hold points`;
  return `, ${showWeekday(on)}: ${count}${gates}${sows ? ", something is sown" : ""}`;
}

/** Months with work in them, as in 2026-10, and the one that is now. */
function monthsOf(days: readonly Day[], today: string | null): string[] {
  const months = new Set(days.map(({ on }) => on.slice(0, 7)));
  if (today) months.add(today.slice(0, 7));
  return [...months].sort();
}
