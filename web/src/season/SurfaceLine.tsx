import { PASSES_AFTER_MS } from "../draft/keptQueries";
import Skeleton from "@mui/material/Skeleton";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense } from "react";
import { api, saidOf, type KeptBed } from "../api/client";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { INCH_M, showLength } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { spanOf } from "../settling/Years";

const BandChart = lazy(() => import("../chart/BandChart"));
const Marks = lazy(async () => ({ default: (await import("../chart/BandChart")).Marks }));

type Props = { gardenId: number; kept: KeptBed };

const HEIGHT = 240;
const SHOWN_MONTHS = 60;
const TICKS = [0, 12, 24, 36, 48, 60];

/** How a bed sinks by its readings: where it was read, the forecast that follows with its band, and the one without. */
export function SurfaceLine({ gardenId, kept: { key, bed, revision } }: Props) {
  const { units } = useShowing();
  const name = bed.name ?? key;
  const figures = useQuery({
    queryKey: ["figure", gardenId, "season", key, revision],
    gcTime: PASSES_AFTER_MS,
    queryFn: () => api.figureBed(gardenId, bed),
  });
  const forecast = useQuery({
    queryKey: ["figure", gardenId, "forecast", key, revision],
    gcTime: PASSES_AFTER_MS,
    queryFn: () => api.figureForecast(gardenId, bed),
  });
  const error = figures.error ?? forecast.error;
  if (error) return <Problem>{saidOf(error)}</Problem>;
  if (!figures.data || !forecast.data) return <Skeleton height={HEIGHT} />;
  const { fitted, surface_m } = figures.data;
  const short = (values: readonly number[]) => values.slice(0, SHOWN_MONTHS + 1);
  const [low, high] = [short(forecast.data.low_m), short(forecast.data.high_m)];
  const line = { label: fitted ? "by its readings" : "forecast", values: short(surface_m) };
  const usual = fitted && { label: "as usual", values: short(fitted.usual_m), colour: "var(--palette-soft)" };
  const marks = (fitted?.read_months ?? []).map((at, index) => ({
    at,
    value: fitted?.heights_m[index] ?? 0,
    name: `read ${showLength(fitted?.heights_m[index] ?? 0, units)}, ${spanOf(Math.round(at))} on`,
  }));
  return (
    <section aria-labelledby="line-title" data-part="surface-line">
      <Typography variant="panelTitle" id="line-title">
        How {name} sinks
      </Typography>
      <Suspense fallback={<Skeleton height={HEIGHT} />}>
        <BandChart
          label={`Surface of ${name} over five years`}
          height={HEIGHT}
          at={line.values.map((_, month) => month)}
          ticks={TICKS}
          nameOfTick={(month) => (month === 0 ? "filled" : `${month / 12} y`)}
          nameOf={(month) => (month === 0 ? "as filled" : `${spanOf(month)} on`)}
          lines={[{ ...line, colour: "var(--palette-ink)" }, ...(usual ? [usual] : [])]}
          band={{ label: "four of five", low, high, colour: "var(--palette-straw)" }}
          most={Math.max(...line.values, ...high, ...marks.map(({ value }) => value), 0.01)}
          showValue={(level) => showLength(level, units)}
          unit={units === "ft_in" ? INCH_M : 0.01}
        >
          <Marks at={marks} part="surface-reading" />
        </BandChart>
      </Suspense>
      {fitted ? (
        <>
          <Note>The grey line is the forecast without readings; below is what they teach.</Note>
          {fitted.wild.map((place) => (
            <Problem key={place}>
              The reading of {showLength(fitted.heights_m[place] ?? 0, units)} is off by{" "}
              {showLength(Math.abs(fitted.misfits_m[place] ?? 0), units)} from where the others say the bed
              stands. It is left out until it is changed or others agree with it.
            </Problem>
          ))}
        </>
      ) : (
        <Note>
          {bed.built_on && figures.data.state === "filled"
            ? "Nothing was read of it yet. Hold a ruler on the floor or at the rim once a season, and the band narrows."
            : "Once it is filled on a known day, readings of its surface sharpen this."}
        </Note>
      )}
    </section>
  );
}
