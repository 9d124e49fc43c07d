import { styled } from "@mui/material/styles";
import Typography from "@mui/material/Typography";
import type { BedFigures, KeptGarden } from "../api/client";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import { todayHere } from "../kit/todayHere";
import { useSize } from "../kit/useSize";
import { TimeRow } from "./TimeRow";
import { dayNumber, quarters, timeScale } from "./timeScale";
import type { SeasonFigures, WeekMark } from "./seasonApi";
import { MARK_NAMES, SignOfKind } from "./WeekSigns";

const HEAD = 22;
const LEFT = 118;
const LEFT_ON_PHONE = 78;
const NARROW = 600;

const Frame = styled("div")(({ theme }) => ({
  border: `1px solid ${theme.vars.palette.line}`,
  borderRadius: 6,
  background: theme.vars.palette.sheet,
  "& svg": { display: "block", width: "100%", height: "auto" },
  "& text": { fill: theme.vars.palette.soft, fontSize: 12 },
}));

const Sign = styled("svg")({ width: 14, height: 18, flex: "none" });

type Props = {
  garden: KeptGarden;
  beds: readonly BedFigures[];
  season: SeasonFigures;
  onChoose: (bed: string) => void;
};

/** All beds on one line of time: their surfaces with band and readings, and what was done and given below each. */
export function TimeLine({ garden, beds, season, onChoose }: Props) {
  const [ref, { width }] = useSize<HTMLDivElement>();
  const today = dayNumber(todayHere());
  const marked = new Set(season.marks.map(({ bed }) => bed));
  const rows = beds.filter(({ key, state }) => state === "filled" || marked.has(key));
  const filledOn = (key: string) => garden.beds.find((each) => each.key === key)?.bed.built_on;
  const begins = rows.flatMap(({ key, state }) => {
    const on = state === "filled" ? filledOn(key) : null;
    return on ? [dayNumber(on)] : [];
  });
  const left = width < NARROW ? LEFT_ON_PHONE : LEFT;
  const days = [...begins, ...season.marks.map(({ week }) => dayNumber(week))];
  const scale = timeScale(days, today, left, Math.max(width - 8, left + 100));
  const most_kg = Math.max(...season.marks.map(({ mass_kg }) => mass_kg), 0.1);
  const of = (bed: string): WeekMark[] => season.marks.filter((mark) => mark.bed === bed);
  if (rows.length === 0 && season.marks.length === 0) return null;
  const kinds = [...new Set(season.marks.map(({ kind }) => kind))];
  return (
    <section aria-labelledby="time-title" data-part="time-line">
      <Typography variant="panelTitle" id="time-title">
        All beds over the years
      </Typography>
      <Frame ref={ref}>
        {width > 0 && (
          <>
            <svg viewBox={`0 0 ${width} ${HEAD}`} aria-hidden>
              {quarters(scale).map(({ day, year }) => (
                <g key={day} transform={`translate(${scale.at(day)}, 0)`}>
                  <line y1={year === null ? HEAD - 4 : 4} y2={HEAD} stroke="var(--palette-line)" />
                  {year !== null && (
                    <text x={4} y={15}>
                      {year}
                    </text>
                  )}
                </g>
              ))}
              <text x={scale.at(today)} y={15} textAnchor="end" dx={-3}>
                today
              </text>
            </svg>
            {rows.map((bed) => (
              <TimeRow
                key={bed.key}
                garden={garden}
                bed={bed}
                filledOn={bed.state === "filled" ? (filledOn(bed.key) ?? null) : null}
                marks={of(bed.key)}
                most_kg={most_kg}
                scale={scale}
                today={today}
                width={width}
                left={left}
                onChoose={() => onChoose(bed.key)}
              />
            ))}
            {of("").length > 0 && (
              <TimeRow
                garden={garden}
                bed={null}
                filledOn={null}
                marks={of("")}
                most_kg={most_kg}
                scale={scale}
                today={today}
                width={width}
                left={left}
                onChoose={() => onChoose("")}
              />
            )}
          </>
        )}
      </Frame>
      <Row sx={{ gap: "2px 12px", marginTop: 1 }} aria-label="What the signs mean">
        {kinds.map((kind) => (
          <Row key={kind} sx={{ gap: "4px", flexWrap: "nowrap" }}>
            <Sign viewBox="-7 -16 14 18" aria-hidden>
              <SignOfKind kind={kind} />
            </Sign>
            <Note component="span">{MARK_NAMES[kind]}</Note>
          </Row>
        ))}
        <Note component="span">
          Each bed&apos;s line is its surface, the straw band where it stands in four of five; dots were read.
        </Note>
      </Row>
    </section>
  );
}
