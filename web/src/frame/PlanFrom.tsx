import Button from "@mui/material/Button";
import { useState } from "react";
import type { Bed, BedFigures } from "../api/client";
import { Note } from "../kit/Note";
import { Column, Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { showLength, showMoney, showSawn, typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { Pick } from "../theme/controls/Pick";
import { SCREEN_ONLY } from "../theme/sizes";
import { CoursesAsked } from "./CoursesAsked";
import { madeDeep, sizedTo, withCourses, withLegs } from "./frames";

type Props = {
  frame: NonNullable<BedFigures["frame"]>;
  rim_m: number;
  bed: Bed;
  onEdit: (change: (bed: Bed) => Bed) => void;
};

const WAYS = [
  ["depth", "the depth wished"],
  ["boards", "the boards there are"],
  ["money", "what boards cost"],
  ["height", "a height to work at"],
] as const;
type From = (typeof WAYS)[number][0];

/** Which way the frame is planned from: a depth, boards, money or a working height; bed and boards change together. */
export function PlanFrom(props: Props) {
  const { bed } = props;
  const { units } = useShowing();
  const [from, setFrom] = useState<From>("depth");
  return (
    <Sheet data-part="plan-from" sx={SCREEN_ONLY}>
      <Column>
        <Row sx={{ alignItems: "flex-end" }}>
          <Pick label="Plan it from" options={WAYS} value={from} onChoose={setFrom} />
          {bed.shape.kind === "box" && (
            <MeasureField
              label={`Length × width, ${bed.measured ?? "inside"}`}
              limit="length"
              dimensions
              width="190px"
              shown={`${typedLength(bed.shape.length_m, units)} × ${typedLength(bed.shape.width_m, units)}`}
              onMeaning={({ values: [length_m, width_m] }) =>
                length_m !== undefined &&
                width_m !== undefined &&
                props.onEdit((now) => sizedTo(now, length_m, width_m))
              }
            />
          )}
        </Row>
        {from === "depth" && <CoursesAsked {...props} />}
        {from === "boards" && <FromBoards {...props} />}
        {from === "money" && <FromMoney {...props} />}
        {from === "height" && <FromHeight {...props} />}
      </Column>
    </Sheet>
  );
}

function FromBoards({ frame, onEdit }: Props) {
  const { units } = useShowing();
  if (frame.sizes.length === 0)
    return <Note>Its boards leave no offcut over 50 mm, or no size near it does: it can stay as it is.</Note>;
  return (
    <Row data-part="sizes">
      <Note>Sizes near its own that waste no board:</Note>
      {frame.sizes.map((size) => (
        <Button
          key={`${size.length_m} ${size.width_m}`}
          onClick={() => onEdit((now) => sizedTo(now, size.length_m, size.width_m))}
        >
          {showSawn(size.length_m, units)} × {showSawn(size.width_m, units)}
          {size.whole ? ", no cut" : ", no offcut"}
        </Button>
      ))}
    </Row>
  );
}

function FromMoney({ frame, onEdit }: Props) {
  const { units, currency } = useShowing();
  const [budget, setBudget] = useState<string | null>(null);
  const within = (price: string | null) => budget == null || price == null || Number(price) <= Number(budget);
  return (
    <Row data-part="by-money" sx={{ alignItems: "flex-end" }}>
      <MeasureField
        label="For up to"
        limit="price"
        width="120px"
        placeholder="no limit"
        shown={budget == null ? "" : showMoney(budget, currency)}
        onMeaning={({ money }) => setBudget(money == null ? null : String(money))}
      />
      {frame.choices.map((choice) => (
        <Button
          key={choice.courses}
          variant={choice.courses === frame.courses ? "contained" : "text"}
          disabled={!within(choice.price)}
          onClick={() => onEdit((now) => madeDeep(withCourses(now, choice.courses), choice.height_m))}
        >
          {choice.courses === 1 ? "1 course" : `${choice.courses} courses`},{" "}
          {showLength(choice.height_m, units)}
          {choice.price != null && `: ${showMoney(choice.price, currency)}`}
        </Button>
      ))}
      {budget != null && frame.choices.every(({ price }) => !within(price)) && (
        <Note>Not even one course of these boards: try thinner ones, another wood, or a smaller box.</Note>
      )}
      <Note>
        {frame.choices.some(({ price }) => price != null)
          ? "Boards of the walls by the metre, at the cheapest offer; the saw list says what whole boards come to."
          : "Nobody offers these boards yet: enter them in Haul."}
      </Note>
    </Row>
  );
}

function FromHeight({ frame, onEdit }: Props) {
  const { units } = useShowing();
  return (
    <Column data-part="by-height">
      {frame.heights.map((way) => (
        <Row key={way.posture}>
          <Button
            onClick={() =>
              onEdit((now) => withLegs(madeDeep(withCourses(now, way.courses), way.depth_m), way.leg_m))
            }
          >
            {way.name}
          </Button>
          <Note>
            rim {showLength(way.rim_m, units)} over the path: {way.courses}{" "}
            {way.courses === 1 ? "course" : "courses"}
            {way.leg_m != null && `, ${showLength(way.leg_m, units)} free below it on legs`}
            {!way.fits && "; more than is usual for it, try boards of another width"}
          </Note>
        </Row>
      ))}
      <Note>Usual heights (estimates): try yours with a table before you saw.</Note>
    </Column>
  );
}
