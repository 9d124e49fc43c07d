import Button from "@mui/material/Button";
import type { Bed, PlotFigures } from "../api/client";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import { showLength } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { Pick } from "../theme/controls/Pick";
import { placePoints, type Placing } from "./placing";
import { PlotPlacing } from "./plot-sheet.styles";

type Props = {
  bed: Bed;
  length_m: number;
  figures: PlotFigures | null;
  placing: Placing;
  onPlacing: (placing: Placing) => void;
  onEdit: (change: (bed: Bed) => Bed) => void;
};

/** A trench or mound that follows a line: drawn point by point, or a contour of the ground. */
export function AlongLine({ bed, length_m, figures, placing, onPlacing, onEdit }: Props) {
  const { units } = useShowing();
  const follow = (line: readonly (readonly number[])[] | null) =>
    onEdit((now) => ({ ...now, along_m: line && line.map((point) => [...point]), places: [] }));
  const draw = () =>
    placePoints({
      onPlacing,
      toldBy: "line",
      first: "Click where its middle line begins.",
      next: "Click where it goes on",
      least: 2,
      onDone: follow,
    });
  const contours = (figures?.levels?.contours ?? []).flatMap(({ height_m, lines }) =>
    lines.map((line, index) => ({ height_m, line, key: `${height_m} ${index}` })),
  );
  if (placing?.toldBy === "line")
    return (
      <PlotPlacing severity="info" role="status">
        {placing.say} {placing.done && <Button onClick={placing.done}>Done</Button>}
        <Button onClick={() => onPlacing(null)}>Leave it</Button>
      </PlotPlacing>
    );
  return (
    <>
      {bed.along_m && <Note>It follows a line, {showLength(length_m, units)} along its middle.</Note>}
      <Row sx={{ alignItems: "flex-end" }}>
        <Button onClick={draw}>{bed.along_m ? "Draw another line" : "Draw the line it follows"}</Button>
        {contours.length > 0 && (
          <Pick
            label="or lay it along a contour"
            options={[
              ["", "none chosen"],
              ...contours.map(({ height_m, line, key }) => [key, said(height_m, line)] as const),
            ]}
            value=""
            onChoose={(key) => {
              const chosen = contours.find((each) => each.key === key);
              if (chosen) follow(thinned(chosen.line));
            }}
          />
        )}
        {bed.along_m && <Button onClick={() => follow(null)}>Straight again</Button>}
      </Row>
    </>
  );

  function said(height_m: number, line: readonly (readonly number[])[]): string {
    return `at ${showLength(height_m, units)}, ${line.length} points`;
  }
}

/** As many points as a bed's line may have; a contour has one for each triangle it crosses. */
const MOST_POINTS = 60;

function thinned(line: readonly (readonly number[])[]): (readonly number[])[] {
  const every = Math.ceil(line.length / MOST_POINTS);
  return line.filter((_, index) => index % every === 0 || index === line.length - 1);
}
