import Skeleton from "@mui/material/Skeleton";
import { lazy, Suspense } from "react";
import { Note } from "../kit/Note";
import { INCH_M, showLength } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { dayOf, STARTS, dateOf } from "./days";
import { MONTHS } from "../quantities/format";
import type { Dip, WaterFigures } from "./waterApi";

const BandChart = lazy(() => import("../chart/BandChart"));
const Marks = lazy(async () => ({ default: (await import("../chart/BandChart")).Marks }));
const DayTicks = lazy(async () => ({ default: (await import("../chart/BandChart")).DayTicks }));

type Props = { figures: WaterFigures; dips: readonly Dip[] };

const HEIGHT = 220;

/** A year of levels: the band that eight years of ten lie in, the middle, a typical year with its refills, dips. */
export function Year({ figures, dips }: Props) {
  const { units } = useShowing();
  return (
    <div data-part="water-year">
      <Suspense fallback={<Skeleton height={HEIGHT} />}>
        <BandChart
          label="A year of levels"
          height={HEIGHT}
          at={figures.middle_m.map((_, day) => day)}
          ticks={STARTS}
          nameOfTick={(day) => MONTHS[STARTS.indexOf(day)] ?? ""}
          nameOf={(day) => dateOf(day + 1)}
          lines={[
            { label: "middle", values: figures.middle_m, colour: "var(--palette-water)" },
            { label: "a typical year", values: figures.typical_m, colour: "var(--palette-ink)", thin: true },
          ]}
          band={{
            label: "eight of ten",
            low: figures.low_m,
            high: figures.high_m,
            colour: "var(--palette-water)",
          }}
          most={Math.max(figures.overflow_m, 0.001)}
          unit={units === "ft_in" ? INCH_M : 0.01}
          showValue={(level) => (level === 0 ? "empty" : showLength(level, units))}
        >
          <DayTicks at={figures.refill_days.map(({ day }) => day - 1)} colour="var(--palette-iron)" />
          <Marks
            part="water-dip"
            at={dips.map(({ at, level_m }) => ({
              at: dayOf(at),
              value: level_m,
              name: `${showLength(level_m, units)} on the stick`,
            }))}
          />
        </BandChart>
      </Suspense>
      <Note>
        The band holds eight of ten of {figures.years} years, the blue line the middle; the thin line is a
        typical year with its refills as ticks, dots are your dips.
      </Note>
    </div>
  );
}
