import { Note } from "../kit/Note";
import css from "./water.module.css";
import { WaterYear } from "./water.styles";
import type { Dip, WaterFigures } from "./waterApi";
import { showLength } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { useSize } from "../kit/useSize";

type Props = { figures: WaterFigures; dips: readonly Dip[] };

const HEIGHT = 190;
const MARGIN = { left: 58, right: 14, top: 10, bottom: 24 };
const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];
const STARTS = [0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334];

/** A year of levels: the band that eight years of ten lie in, the middle, a typical year with its refills, dips. */
export function Year({ figures, dips }: Props) {
  const { units } = useShowing();
  const [ref, size] = useSize<HTMLDivElement>();
  const width = Math.max(size.width, 280);
  const x = (day: number) => MARGIN.left + ((width - MARGIN.left - MARGIN.right) * day) / 364;
  const room = HEIGHT - MARGIN.top - MARGIN.bottom;
  const y = (level: number) => MARGIN.top + room * (1 - level / Math.max(figures.overflow_m, 0.001));
  const line = (levels: readonly number[]) => levels.map((level, day) => `${x(day)},${y(level)}`).join(" ");
  return (
    <WaterYear ref={ref} data-part="water-year">
      <svg width={width} height={HEIGHT} role="img" aria-label="A year of levels">
        {[0, figures.overflow_m].map((level) => (
          <g key={level}>
            <line
              className={css.waterAxis}
              x1={MARGIN.left}
              x2={width - MARGIN.right}
              y1={y(level)}
              y2={y(level)}
            />
            <text x={MARGIN.left - 8} y={y(level) + 4} textAnchor="end">
              {level === 0 ? "empty" : showLength(level, units)}
            </text>
          </g>
        ))}
        {MONTHS.map((name, month) => (
          <text key={name} x={x(STARTS[month] ?? 0) + 2} y={HEIGHT - 6}>
            {width > 520 ? name : name[0]}
          </text>
        ))}
        <polygon
          className={css.waterBand}
          points={`${line(figures.high_m)} ${figures.low_m
            .map((level, day) => `${x(day)},${y(level)}`)
            .toReversed()
            .join(" ")}`}
        />
        <polyline className={css.waterMiddle} points={line(figures.middle_m)} />
        <polyline className={css.waterTypical} points={line(figures.typical_m)} />
        {figures.refill_days.map(({ day }) => (
          <line
            key={day}
            className={css.waterTick}
            x1={x(day - 1)}
            x2={x(day - 1)}
            y1={HEIGHT - MARGIN.bottom - 12}
            y2={HEIGHT - MARGIN.bottom}
          />
        ))}
        {dips.map((dip) => (
          <circle
            key={dip.id}
            className={css.waterDip}
            data-part="water-dip"
            cx={x(dayOf(dip.at))}
            cy={y(dip.level_m)}
            r={4}
          />
        ))}
      </svg>
      <Note>
        The band holds eight of ten of {figures.years} years, the thick line the middle; the thin line is a
        typical year with its refills as ticks, dots are your dips.
      </Note>
    </WaterYear>
  );
}

/** Day of the year, 0 to 364, of a moment. */
export function dayOf(moment: string): number {
  const at = new Date(moment);
  const start = STARTS[at.getMonth()] ?? 0;
  return Math.min(start + at.getDate() - 1, 364);
}
