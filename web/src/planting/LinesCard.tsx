import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import type { Bed, BedFigures } from "../api/client";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { Tick } from "../kit/Tick";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { showLength, showShare } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { Pick } from "../theme/controls/Pick";
import { Months } from "./Months";
import type { BedLines } from "./plantingApi";

const RISERS = [
  ["inside", "Inside its wall"],
  ["outside", "Outside its wall"],
] as const;

type Props = {
  bed: Bed;
  figures: BedFigures;
  gardenPath: string;
  onLines: (lines: BedLines | null) => void;
};

/** What waters the bed: drip lines with their fittings, or cans and a hose. */
export function LinesCard({ bed, figures, gardenPath, onLines }: Props) {
  const { lines } = bed;
  const zones = (
    <Row>
      <Button component={Link} to={`${gardenPath}/lines`}>
        All zones of the garden
      </Button>
    </Row>
  );
  if (lines == null)
    return (
      <>
        <Typography variant="strong">By hand</Typography>
        <Months
          label={`Cans of ${figures.hand.can_l} L a week`}
          unit="cans"
          values={figures.hand.cans_week}
        />
        <Months label="With cans, a week" unit="minutes" values={figures.hand.can_minutes_week} />
        <Months label="With a hose, a week" unit="minutes" values={figures.hand.hose_minutes_week} />
        <Row>
          <Button variant="contained" onClick={() => onLines({})}>
            Lay drip lines
          </Button>
        </Row>
        {zones}
      </>
    );
  return (
    <>
      <LineFields lines={lines} figures={figures} onChange={(part) => onLines({ ...lines, ...part })} />
      {figures.lines && <LinesTold told={figures.lines} />}
      <Tick
        label="They are laid already"
        checked={lines.there === true}
        onTick={(there) => onLines({ ...lines, there })}
      />
      <Row>
        <Button onClick={() => onLines(null)}>Take the lines away</Button>
      </Row>
      {zones}
    </>
  );
}

type FieldProps = { lines: BedLines; figures: BedFigures; onChange: (part: Partial<BedLines>) => void };

function LineFields({ lines, figures, onChange }: FieldProps) {
  const { units } = useShowing();
  return (
    <>
      <Row sx={{ alignItems: "flex-end" }}>
        <MeasureField
          label="Rows"
          limit="drip_rows"
          width="74px"
          shown={lines.rows == null ? "" : String(lines.rows)}
          placeholder={figures.lines ? String(figures.lines.rows) : undefined}
          onMeaning={({ values: [rows] }) => onChange({ rows })}
        />
        <MeasureField
          label="Emitter each"
          limit="length"
          width="96px"
          shown={lines.spacing_m == null ? "" : showLength(lines.spacing_m, units)}
          placeholder={figures.lines ? showLength(figures.lines.emitter_m, units) : undefined}
          onMeaning={({ values: [spacing_m] }) => onChange({ spacing_m })}
        />
        <MeasureField
          label="One gives, L/h"
          limit="emitter"
          width="96px"
          shown={lines.flow_l_h == null ? "" : String(lines.flow_l_h)}
          placeholder={figures.lines ? String(figures.lines.emitter_l_h) : undefined}
          onMeaning={({ values: [flow_l_h] }) => onChange({ flow_l_h })}
        />
      </Row>
      <Pick
        label="The pipe comes up"
        options={RISERS}
        value={lines.riser ?? "inside"}
        onChoose={(riser) => onChange({ riser })}
      />
    </>
  );
}

function LinesTold({ told }: { told: NonNullable<BedFigures["lines"]> }) {
  return (
    <>
      <Note>
        {told.rows} {told.rows === 1 ? "row" : "rows"} of <Quantity kind="length" value={told.row_m} />,{" "}
        {told.emitters} emitters, {told.flow_l_min.toFixed(1)} L a minute in all. Up to it{" "}
        <Quantity kind="length" value={told.riser_m} /> of pipe, across it{" "}
        <Quantity kind="length" value={told.header_m} />; a shut-off of its own.
      </Note>
      {told.is_even ? (
        <Note>
          {showShare(told.lost_share)} of the head is lost along a row: the last emitter still gets enough.
        </Note>
      ) : (
        <Problem>
          {showShare(told.lost_share)} of the head is lost along a row, over 20 %: feed it from the middle, or
          take fewer emitters.
        </Problem>
      )}
    </>
  );
}
