import { lazy, memo, Suspense } from "react";
import type { BedFigures, ForecastFigures } from "../api/client";
import { Disclosure } from "../kit/Disclosure";
import { FactLine, Lines } from "../kit/Lines";
import { Note } from "../kit/Note";
import { Feeding } from "../nutrients/Feeding";
import { firstSowing, Sowing } from "../planting/Sowing";
import { showMoney } from "../quantities/format";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";

const ComingYears = lazy(async () => ({ default: (await import("../settling/ComingYears")).ComingYears }));

type Props = {
  gardenId: number;
  figures: BedFigures;
  forecast: ForecastFigures | null;
  onDose: (material: string) => void;
};

/** What the bed will do: how it feeds, how far it sinks, from when it can be sown. Each line opens. */
export const Prospects = memo(function Prospects({ gardenId, figures, forecast, onDose }: Props) {
  const { currency } = useShowing();
  const [first = 6] = figures.spring_months;
  const sunk = (figures.surface_m[0] ?? 0) - (figures.surface_m[first] ?? 0);
  const next = forecast?.springs[0];
  const [low, high] = forecast ? [forecast.low_m[first] ?? 0, forecast.high_m[first] ?? 0] : [0, 0];
  const top = figures.surface_m[0] ?? 0;
  return (
    <section aria-label="What it will do" data-part="prospects">
      <Disclosure title="Carbon to nitrogen" said={ratioOf(figures.c_to_n)}>
        {() => (
          <>
            <Note>Of the root zone, the top 30 cm: {ratioOf(figures.root_zone_c_to_n)}.</Note>
            <Feeding gardenId={gardenId} figures={figures} forecast={forecast} onDose={onDose} />
          </>
        )}
      </Disclosure>
      <Disclosure
        title={figures.age_months == null ? "Surface after the first winter" : "Surface this spring"}
        said={
          <>
            −<Quantity kind="length" value={sunk} />
          </>
        }
      >
        {() =>
          forecast ? (
            <>
              <Note>
                Between −<Quantity kind="length" value={top - high} /> and −
                <Quantity kind="length" value={top - low} />.
              </Note>
              <Suspense fallback={<Note>Looking ahead ...</Note>}>
                <ComingYears figures={figures} forecast={forecast} />
              </Suspense>
            </>
          ) : (
            <Note>Looking ahead ...</Note>
          )
        }
      </Disclosure>
      {next && (
        <Lines>
          <FactLine name={figures.age_months == null ? "Top up next spring" : "Top up this spring"}>
            {next.bags > 0 ? (
              `${next.bags} bag${next.bags > 1 ? "s" : ""}`
            ) : (
              <Quantity kind="bulk" value={next.loose_m3} />
            )}
            {next.price != null && ` · ${showMoney(next.price, currency)}`}
          </FactLine>
        </Lines>
      )}
      <Disclosure title="Earliest sowing" said={firstSowing(figures)}>
        {() => <Sowing figures={figures} />}
      </Disclosure>
    </section>
  );
});

function ratioOf(ratio: number | null | undefined): string {
  return ratio == null ? "no nitrogen" : `${Math.round(ratio)} : 1`;
}
