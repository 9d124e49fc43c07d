import Button from "@mui/material/Button";
import { Row } from "../kit/Row";
import { typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import type { Frame } from "./frames";

type Props = { frame: Frame; onSet: (change: Partial<Frame>) => void };

/** The size of one brick, block or panel, the joint between them, and how many courses. */
export function UnitFields({ frame, onSet }: Props) {
  const { units } = useShowing();
  return (
    <Row sx={{ alignItems: "flex-end" }} data-part="unit-fields">
      <MeasureField
        label="Each, long × thick × high"
        limit="board"
        dimensions
        width="210px"
        placeholder="of the usual size"
        shown={frame.unit_m?.map((each) => typedLength(each, units)).join(" × ") ?? ""}
        onMeaning={({ values }) => values.length === 3 && onSet({ unit_m: [...values] })}
      />
      <MeasureField
        label="Joints between"
        limit="wall"
        width="128px"
        placeholder="as usual"
        shown={frame.joint_m == null ? "" : typedLength(frame.joint_m, units)}
        onMeaning={({ values: [joint_m] }) => onSet({ joint_m })}
      />
      <MeasureField
        label="Courses"
        limit="count"
        width="112px"
        placeholder="by the depth"
        shown={frame.courses == null ? "" : String(frame.courses)}
        onMeaning={({ values: [courses] }) => onSet({ courses })}
      />
      {(frame.unit_m != null || frame.joint_m != null || frame.courses != null) && (
        <Button onClick={() => onSet({ unit_m: null, joint_m: null, courses: null })}>As usual</Button>
      )}
    </Row>
  );
}
