import Typography from "@mui/material/Typography";
import Button from "@mui/material/Button";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import { FactLine, Lines } from "../kit/Lines";
import { PlotPacking, PlotPanel } from "./plot-sheet.styles";
import type { ReactNode } from "react";
import { Link } from "react-router";
import type { BedFigures, Place, PlotFigures } from "../api/client";
import { trimmed, typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import type { Chosen } from "./PlotSheet";

type Props = {
  chosen: Chosen;
  bed: BedFigures;
  place: Place;
  figures: PlotFigures | null;
  to: string;
  onPut: (change: (now: Place) => Place) => void;
  onTakeOff: () => void;
  children?: ReactNode;
};

const CORNERS = ["lower left", "lower right", "upper right", "upper left"] as const;

/** The chosen bed: where it lies, typed to the millimetre, and what to pack under its corners. */
export function PlacePanel({ chosen, bed, place, figures, to, onPut, onTakeOff, children }: Props) {
  const { units } = useShowing();
  const placed = figures?.placed.find((each) => each.key === chosen.key && each.index === chosen.index);
  const field = (key: "x_m" | "y_m", label: string) => (
    <MeasureField
      label={label}
      limit="place"
      width="108px"
      shown={typedLength(place[key], units)}
      onMeaning={({ values: [value] }) => value !== undefined && onPut((now) => ({ ...now, [key]: value }))}
    />
  );
  return (
    <PlotPanel variant="outlined" component="section" aria-labelledby="place-title">
      <Typography variant="panelTitle" id="place-title">
        {placed?.name ?? bed.name}
      </Typography>
      <Note>The middle of the bed, from the plot&apos;s zero corner:</Note>
      <Row>
        {field("x_m", "Along")}
        {field("y_m", "Up")}
        <MeasureField
          label="Turned, °"
          limit="turn"
          width="76px"
          shown={trimmed((((place.turn_deg ?? 0) % 360) + 360) % 360, 1)}
          onMeaning={({ values: [turn_deg = 0] }) => onPut((now) => ({ ...now, turn_deg }))}
        />
      </Row>
      <Lines>
        <FactLine name="Takes of the ground">
          <Quantity kind="area" value={bed.footprint_m2} />
        </FactLine>
        <FactLine name="Grows on">
          <Quantity kind="area" value={placed?.growing_m2 ?? bed.top_area_m2} />
        </FactLine>
      </Lines>
      {placed?.packing_m && bed.section.form === "vessel" && (
        <>
          <Typography variant="strong" component="h3">
            To stand level, pack under its corners
          </Typography>
          <PlotPacking>
            {placed.packing_m.map((packing, corner) => (
              <li key={corner}>
                <span>{CORNERS[corner]}</span>
                <b>{packing < 0.0005 ? "rests" : <Quantity kind="length" value={packing} />}</b>
              </li>
            ))}
          </PlotPacking>
        </>
      )}
      {children}
      <Row>
        <Button component={Link} to={to}>
          Cut it open
        </Button>
        <Button onClick={onTakeOff}>Take it off the plot</Button>
      </Row>
    </PlotPanel>
  );
}
