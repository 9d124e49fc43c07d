import { PASSES_AFTER_MS } from "../draft/keptQueries";
import Button from "@mui/material/Button";
import { styled } from "@mui/material/styles";
import { skipToken, useQuery } from "@tanstack/react-query";
import { api, type BedFigures, type KeptGarden } from "../api/client";
import { showLength } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { useWhenSeen } from "../kit/useWhenSeen";
import type { WeekMark } from "./seasonApi";
import { dayNumber, monthsAfter, quarters, type TimeScale } from "./timeScale";
import { saidOfMark, SignOfKind } from "./WeekSigns";

const SURFACE = 56;
const MARKS = 30;
const PAD = 6;

const Line = styled("div")(({ theme }) => ({
  position: "relative",
  borderTop: `1px solid ${theme.vars.palette.line}`,
  "& > button": {
    position: "absolute",
    left: 6,
    top: 4,
    textAlign: "left",
    lineHeight: 1.2,
    whiteSpace: "normal",
    justifyContent: "flex-start",
  },
}));

type Props = {
  garden: KeptGarden;
  /** Null for what belongs to no bed. */
  bed: BedFigures | null;
  filledOn: string | null;
  marks: readonly WeekMark[];
  most_kg: number;
  scale: TimeScale;
  today: number;
  width: number;
  left: number;
  onChoose: () => void;
};

/** One bed on the line of time. */
export function TimeRow(props: Props) {
  const { garden, bed, filledOn, marks, most_kg, scale, today, width, left, onChoose } = props;
  const { units } = useShowing();
  const [ref, seen] = useWhenSeen<HTMLDivElement>();
  const kept = garden.beds.find(({ key }) => key === bed?.key);
  const isDrawn = bed !== null && filledOn !== null && kept !== undefined;
  const forecast = useQuery({
    queryKey: ["figure", garden.id, "forecast", bed?.key ?? "", kept?.revision ?? 0],
    gcTime: PASSES_AFTER_MS,
    queryFn: isDrawn && seen ? () => api.figureForecast(garden.id, kept.bed) : skipToken,
  });
  const height = (isDrawn ? SURFACE : 0) + MARKS;
  const name = bed?.name ?? "The garden";
  return (
    <Line ref={ref} data-part="time-row">
      <Button variant="link" sx={{ maxWidth: left - 12 }} onClick={onChoose} disabled={bed === null}>
        {name}
      </Button>
      <svg viewBox={`0 0 ${width} ${height}`} role="img" aria-label={`${name}: ${marks.length} marks`}>
        {quarters(scale).map(({ day, year }) => (
          <line
            key={day}
            x1={scale.at(day)}
            x2={scale.at(day)}
            y2={height}
            stroke="var(--palette-line)"
            strokeDasharray={year === null ? "1 4" : undefined}
          />
        ))}
        {isDrawn && (
          <Surface
            bed={bed}
            filledOn={dayNumber(filledOn)}
            band={forecast.data ?? null}
            scale={scale}
            showHeight={(at) => showLength(at, units)}
          />
        )}
        <line
          x1={scale.at(today)}
          x2={scale.at(today)}
          y2={height}
          stroke="var(--palette-iron)"
          strokeDasharray="4 3"
        />
        <line x1={left} x2={width} y1={height - 3} y2={height - 3} stroke="var(--palette-line)" />
        {marks.map((mark) => (
          <g
            key={`${mark.week} ${mark.kind}`}
            transform={`translate(${scale.at(dayNumber(mark.week) + 3)}, ${height - 3})`}
            data-part="week-mark"
          >
            <title>{saidOfMark(mark, units)}</title>
            <rect x={-6} y={-18} width={12} height={20} fill="transparent" />
            <SignOfKind kind={mark.kind} share={mark.mass_kg / most_kg} />
          </g>
        ))}
      </svg>
    </Line>
  );
}

type SurfaceProps = {
  bed: BedFigures;
  filledOn: number;
  band: { low_m: readonly number[]; high_m: readonly number[] } | null;
  scale: TimeScale;
  showHeight: (height_m: number) => string;
};

/** A line's foot stands so far below the lowest that it comes to, as a share of that. */
const FOOT = 0.15;

/** How a bed's surface lies over the years, from a little below the lowest that it comes to up to the highest. */
function Surface({ bed: { surface_m, fitted }, filledOn, band, scale, showHeight }: SurfaceProps) {
  const x = (month: number) => scale.at(monthsAfter(filledOn, month));
  const months = surface_m
    .map((_, month) => month)
    .filter((month) => monthsAfter(filledOn, month) <= scale.until);
  const shown = (values: readonly number[]) => months.map((month) => values[month] ?? 0);
  const heights = [...shown(surface_m), ...shown(band?.low_m ?? surface_m), ...(fitted?.heights_m ?? [])];
  const [most_m, least_m] = [Math.max(...heights), Math.min(...heights) * (1 - FOOT)];
  const y = (height_m: number) =>
    PAD + (SURFACE - PAD) * (1 - (height_m - least_m) / (most_m - least_m || 1));
  const point = (values: readonly number[]) => (month: number) => `${x(month)},${y(values[month] ?? 0)}`;
  const reversed = [...months].reverse();
  return (
    <>
      {band && (
        <polygon
          points={[...months.map(point(band.high_m)), ...reversed.map(point(band.low_m))].join(" ")}
          fill="var(--palette-straw)"
          opacity={0.45}
        />
      )}
      <polyline
        points={months.map(point(surface_m)).join(" ")}
        fill="none"
        stroke="var(--palette-ink)"
        strokeWidth={1.5}
      />
      <text x={x(0) - 4} y={y(surface_m[0] ?? 0) + 4} textAnchor="end">
        {showHeight(surface_m[0] ?? 0)}
      </text>
      <text x={scale.at(scale.until) - 2} y={y(surface_m[months.length - 1] ?? 0) - 5} textAnchor="end">
        {showHeight(surface_m[months.length - 1] ?? 0)}
      </text>
      {fitted?.read_months.map((month, index) => (
        <circle
          key={month}
          cx={x(month)}
          cy={y(fitted.heights_m[index] ?? 0)}
          r={3}
          fill={fitted.wild.includes(index) ? "var(--palette-sheet)" : "var(--palette-straw)"}
          stroke="var(--palette-ink)"
        >
          <title>
            read {showHeight(fitted.heights_m[index] ?? 0)}
            {fitted.wild.includes(index) ? ", left out" : ""}
          </title>
        </circle>
      ))}
    </>
  );
}
