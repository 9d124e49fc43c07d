import Typography from "@mui/material/Typography";
import Button from "@mui/material/Button";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, saidOf, type KeptGarden } from "../api/client";
import { meant } from "../api/meant";
import { BedMark } from "../drawing/BedMark";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { PlotUnplaced } from "./plot-sheet.styles";
import type { Chosen } from "./PlotSheet";
import type { PlotWork } from "./usePlot";

type Props = { garden: KeptGarden; work: PlotWork; onPlaced: (chosen: Chosen) => void };

/** Beds that don't lie on the plot yet: laid out in rows where the ground is free, alike ones side by side. */
export function Unplaced({ garden, work, onPlaced }: Props) {
  const { units } = useShowing();
  const { plot, places } = work.state;
  const [inARow, setInARow] = useState<number | null>(null);
  const [aisle_m, setAisle] = useState<number | null>(null);
  const waiting = garden.beds
    .map(({ key, bed }) => ({ key, bed, left: meant("Bed", bed, "count") - work.placesOf(key).length }))
    .filter(({ left }) => left > 0);
  const lay = useMutation({
    mutationFn: (beds: string[]) =>
      api.figureRows(garden.id, { plot, places: { ...places }, beds, in_a_row: inARow, aisle_m }),
    onSuccess: ({ beds }) => {
      for (const { key, spots } of beds) if (spots.length > 0) work.putMore(key, spots);
      const first = beds.find(({ spots }) => spots.length > 0);
      if (first) onPlaced({ key: first.key, index: work.placesOf(first.key).length });
    },
  });
  const lacking = (lay.data?.beds ?? []).filter((each) => each.lacking > 0);
  const nameOf = (key: string) => garden.beds.find((each) => each.key === key)?.bed.name ?? key;
  if (waiting.length === 0) return null;
  return (
    <PlotUnplaced aria-labelledby="unplaced-title">
      <Typography variant="panelTitle" id="unplaced-title">
        Not on the plot yet
      </Typography>
      <Row sx={{ alignItems: "flex-end" }}>
        <MeasureField
          label="In a row"
          limit="count"
          width="96px"
          eager
          shown=""
          placeholder="what fits"
          onMeaning={({ values: [many] }) => setInARow(many ?? null)}
          onReading={(read) => read === "empty" && setInARow(null)}
        />
        <MeasureField
          label="Aisle between"
          limit="offset"
          width="110px"
          eager
          shown=""
          placeholder={typedLength(meant("Plot", plot, "aisle_m"), units)}
          onMeaning={({ values: [value] }) => setAisle(value ?? null)}
          onReading={(read) => read === "empty" && setAisle(null)}
        />
        {waiting.length > 1 && (
          <Button
            variant="contained"
            disabled={lay.isPending}
            onClick={() => lay.mutate(waiting.map(({ key }) => key))}
          >
            Lay out all of them
          </Button>
        )}
      </Row>
      <ul>
        {waiting.map(({ key, bed, left }) => (
          <li key={key}>
            <Button disabled={lay.isPending} onClick={() => lay.mutate([key])}>
              <BedMark bed={bed} />
              {left > 1 ? `Lay out ${left} of ${bed.name} in rows` : `Put ${bed.name} on it`}
            </Button>
          </li>
        ))}
      </ul>
      <Note>They come to lie where the ground is free, an aisle from all else; drag them on from there.</Note>
      {lacking.length > 0 && (
        <Problem>
          No room with these aisles for{" "}
          {lacking.map(({ key, lacking: many }) => `${many} of ${nameOf(key)}`).join(", ")}: a narrower aisle
          would do, or drag others closer.
        </Problem>
      )}
      {lay.error && <Problem>{saidOf(lay.error)}</Problem>}
    </PlotUnplaced>
  );
}
