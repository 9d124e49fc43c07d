import Typography from "@mui/material/Typography";
import Button from "@mui/material/Button";
import { saidOf, type KeptGarden } from "../api/client";
import { BedMark } from "../drawing/BedMark";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { showLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { PlotPlacing, PlotUnplaced } from "./plot-sheet.styles";
import type { Rows } from "./useRows";

type Props = { garden: KeptGarden; rows: Rows };

/** Beds that don't lie on the plot yet: laid out in rows where the ground is free, alike ones side by side. */
export function Unplaced({ garden, rows }: Props) {
  const { units } = useShowing();
  const { waiting, lay, setInARow, setAisle } = rows;
  const layOut = (beds: readonly string[]) => lay.mutate({ beds, within: null });
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
          placeholder="for a barrow"
          onMeaning={({ values: [value] }) => setAisle(value ?? null)}
          onReading={(read) => read === "empty" && setAisle(null)}
        />
        {waiting.length > 1 && (
          <Button
            variant="contained"
            disabled={lay.isPending}
            onClick={() => layOut(waiting.map(({ key }) => key))}
          >
            Lay out all of them
          </Button>
        )}
      </Row>
      {rows.drawing && (
        <PlotPlacing severity="info" role="status">
          Pull a rectangle over the ground: they come to lie in it, an aisle apart.{" "}
          <Button onClick={() => rows.draw(null)}>Leave it</Button>
        </PlotPlacing>
      )}
      <ul>
        {waiting.map(({ key, bed, left }) => (
          <li key={key}>
            <Row>
              <Button disabled={lay.isPending} onClick={() => layOut([key])}>
                <BedMark bed={bed} />
                {left > 1 ? `Lay out ${left} of ${bed.name} in rows` : `Put ${bed.name} on it`}
              </Button>
              <Button aria-label={`Draw where ${bed.name} goes`} onClick={() => rows.draw([key])}>
                Draw where
              </Button>
            </Row>
          </li>
        ))}
      </ul>
      <Note>
        {lay.data
          ? `Aisles of ${showLength(lay.data.aisle_m, units)} were kept. Drag beds on from there.`
          : "Beds go where the ground is free, with an aisle all round. Drag them on from there."}
      </Note>
      {lacking.length > 0 && (
        <Problem>
          No room {lay.variables?.within ? "in what you drew" : "with these aisles"} for{" "}
          {lacking.map(({ key, lacking: many }) => `${many} of ${nameOf(key)}`).join(", ")}: a narrower aisle
          would do, {lay.variables?.within ? "or draw it larger" : "or drag others closer"}.
        </Problem>
      )}
      {lay.error && <Problem>{saidOf(lay.error)}</Problem>}
    </PlotUnplaced>
  );
}
