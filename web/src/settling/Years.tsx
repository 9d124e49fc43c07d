import { memo } from "react";
import Button from "@mui/material/Button";
import Slider from "@mui/material/Slider";
import Typography from "@mui/material/Typography";
import { styled } from "@mui/material/styles";
import type { BedFigures, SunkenFigures } from "../api/client";
import { Quantity } from "../quantities/Quantity";

type Props = {
  figures: BedFigures;
  /** The bed as it lies by then. */
  sunken: SunkenFigures | null;
  /** Months after filling; null for the bed as it is filled. */
  month: number | null;
  onMonth: (month: number | null) => void;
};

/** What the slider through the years takes of the drawing's height [px]. */
export const YEARS_HEIGHT = 78;
const LAST = 120;

const Box = styled("div")({
  display: "grid",
  gridTemplateColumns: "auto minmax(90px, 1fr)",
  gap: "0 14px",
  alignItems: "center",
  padding: "0 14px 4px 6px",
});

const Stops = styled("div")({ display: "flex", flexWrap: "wrap", gridColumn: "1 / -1", gap: 4 });

/** A slider through ten years: the drawing shows the bed as it sinks. */
export const Years = memo(function Years({ figures, sunken, month, onMonth }: Props) {
  const at = month ?? 0;
  const [first = 6, , third = 30] = figures.spring_months;
  const age = figures.age_months == null ? null : Math.round(figures.age_months) || null;
  const stops: readonly (readonly [number | null, string])[] =
    age === null
      ? [
          [null, "filled"],
          [first, "first winter over"],
          [third, "third spring"],
          [LAST, "ten years"],
        ]
      : [
          [null, "as it was filled"],
          [age, "today"],
          [first, "this spring"],
          [LAST, "ten years"],
        ];
  const surface = figures.surface_m[at] ?? 0;
  const drop = (figures.surface_m[0] ?? 0) - surface;
  return (
    <Box data-part="years">
      <Typography variant="body2" sx={{ minWidth: 152, fontWeight: 650 }} data-part="years-label">
        {month === null ? (
          "As filled"
        ) : (
          <>
            {month === age ? "Today" : `${spanOf(month)} on`}: <Quantity kind="length" value={drop} /> lower
          </>
        )}
      </Typography>
      <Slider
        min={0}
        max={LAST}
        value={at}
        aria-label="Months after filling"
        getAriaValueText={(value) => (value === 0 ? "as filled" : `${spanOf(value)} after filling`)}
        onChange={(_event, wanted) => onMonth(wanted === 0 ? null : (wanted as number))}
      />
      <Stops>
        {stops.map(([stop, name]) => (
          <Button
            key={name}
            variant={month === stop ? "outlined" : "text"}
            aria-pressed={month === stop}
            onClick={() => onMonth(stop)}
          >
            {name}
          </Button>
        ))}
        {sunken && (
          <Typography variant="body2" data-part="years-left" sx={{ alignSelf: "center", marginLeft: "auto" }}>
            <Quantity kind="mass" value={sunken.solids_kg} /> of{" "}
            <Quantity kind="mass" value={sunken.laid_kg} /> dry matter left,{" "}
            <Quantity kind="dose" value={sunken.freed_kg} /> of nitrogen set free
          </Typography>
        )}
      </Stops>
    </Box>
  );
});

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
