import Button from "@mui/material/Button";
import type { Bed, BedFigures } from "../api/client";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import { showLength } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { madeDeep, withFrame, withWaterHigh } from "./frames";

type Props = {
  frame: NonNullable<BedFigures["frame"]>;
  rim_m: number;
  bed: Bed;
  onEdit: (change: (bed: Bed) => Bed) => void;
};

/** What the courses make, and what one less or one more would: bed and boards change together. */
export function CoursesAsked({ frame, rim_m, bed, onEdit }: Props) {
  const { units } = useShowing();
  const take = (courses: number, height_m: number) =>
    onEdit((now) => madeDeep(withFrame(now, { courses }), Math.round(height_m * 1e6) / 1e6));
  const { reservoir } = bed;
  const course_m = frame.board_m;
  const agrees = Math.abs(frame.height_m - rim_m) < 0.0005;
  return (
    <Row sx={{ alignItems: "center" }} data-part="courses-asked">
      <Note>
        {frame.courses === 1 ? "One course makes" : `${frame.courses} courses make`}{" "}
        <b>{showLength(frame.height_m, units)}</b>
        {agrees ? ", as deep as the bed." : `; the bed is ${showLength(rim_m, units)} deep.`}
      </Note>
      {!agrees && (
        <Button variant="contained" onClick={() => take(frame.courses, frame.height_m)}>
          Make the bed {showLength(frame.height_m, units)} deep
        </Button>
      )}
      {frame.fewer_m != null && (
        <Button onClick={() => take(frame.courses - 1, frame.fewer_m ?? 0)}>
          One course less: {showLength(frame.fewer_m, units)}
        </Button>
      )}
      {frame.more_m != null && (
        <Button onClick={() => take(frame.courses + 1, frame.more_m ?? 0)}>
          One course more: {showLength(frame.more_m, units)}
        </Button>
      )}
      {frame.rip_to_m != null && !agrees && (
        <Note>Or rip the topmost to {showLength(frame.rip_to_m, units)}.</Note>
      )}
      {reservoir && course_m != null && Math.abs((reservoir.height_m ?? 0) - course_m) > 0.0005 && (
        <Button onClick={() => onEdit((now) => withWaterHigh(now, course_m))}>
          Water as high as one course: {showLength(course_m, units)}
        </Button>
      )}
    </Row>
  );
}
