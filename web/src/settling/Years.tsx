import Button from "@mui/material/Button";
import { YearsBox, YearsLabel, YearsStops } from "./years.styles";
import { useId } from "react";
import type { BedFigures } from "../api/client";
import { Quantity } from "../quantities/Quantity";

type Props = {
  figures: BedFigures;
  /** Months after filling; null for the bed as it is filled. */
  month: number | null;
  onMonth: (month: number | null) => void;
};

/** What the slider through the years takes of the drawing's height [px]. */
export const YEARS_HEIGHT = 66;
const LAST = 120;

/** A slider through ten years: the drawing shows the bed as it sinks. */
export function Years({ figures, month, onMonth }: Props) {
  const id = useId();
  const at = month ?? 0;
  const [first = 6, , third = 30] = figures.spring_months;
  const stops = [
    [null, "filled"],
    [first, "first winter over"],
    [third, "third spring"],
    [LAST, "ten years"],
  ] as const;
  const surface = figures.surface_m[at] ?? 0;
  const drop = (figures.surface_m[0] ?? 0) - surface;
  return (
    <YearsBox data-part="years">
      <YearsLabel htmlFor={id} data-part="years-label">
        {month === null ? (
          "As filled"
        ) : (
          <>
            {spanOf(month)} on: <Quantity kind="length" value={drop} /> lower
          </>
        )}
      </YearsLabel>
      <input
        id={id}
        type="range"
        min={0}
        max={LAST}
        step={1}
        value={at}
        aria-label="Months after filling"
        aria-valuetext={month === null ? "as filled" : `${spanOf(month)} after filling`}
        onChange={(event) => {
          const wanted = Number(event.currentTarget.value);
          onMonth(wanted === 0 ? null : wanted);
        }}
      />
      <YearsStops>
        {stops.map(([stop, name]) => (
          <Button key={name} aria-pressed={month === stop} onClick={() => onMonth(stop)}>
            {name}
          </Button>
        ))}
      </YearsStops>
    </YearsBox>
  );
}

/** A time in years and months. */
export function spanOf(months: number): string {
  const years = Math.floor(months / 12);
  const rest = months % 12;
  const said = [
    years > 0 && (years === 1 ? "1 year" : `${years} years`),
    rest > 0 && (rest === 1 ? "1 month" : `${rest} months`),
  ].filter(Boolean);
  return said.join(", ") || "0 months";
}
