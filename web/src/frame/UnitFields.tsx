import Button from "@mui/material/Button";
import { Row } from "../kit/Row";
import { typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { Pick } from "../theme/controls/Pick";
import type { Frame } from "./frames";

type Props = { frame: Frame; onSet: (change: Partial<Frame>) => void };

const PALLET_M: [number, number, number] = [1.2, 0.144, 1.0];
const LIES = [
  ["edge", "on edge"],
  ["flat", "flat"],
] as const;

/** The size of one pallet, and whether pallets stand on edge or lie flat. */
export function PalletFields({ frame, onSet }: Props) {
  const { units } = useShowing();
  const [long, thick, high] = (frame.unit_m ?? PALLET_M) as [number, number, number];
  const isFlat = high < thick;
  const [wide, low] = isFlat ? [thick, high] : [high, thick];
  const sized = (long_m: number, wide_m: number, low_m: number, flat: boolean) =>
    onSet({ unit_m: flat ? [long_m, wide_m, low_m] : [long_m, low_m, wide_m] });
  return (
    <Row sx={{ alignItems: "flex-end" }} data-part="pallet-fields">
      <MeasureField
        label="Pallet size"
        limit="length"
        dimensions
        width="210px"
        shown={[long, wide, low].map((each) => typedLength(each, units)).join(" × ")}
        onMeaning={({ values: [long_m, wide_m, low_m] }) =>
          long_m !== undefined && sized(long_m, wide_m ?? wide, low_m ?? low, isFlat)
        }
      />
      <Pick
        label="Pallets stand"
        options={LIES}
        value={isFlat ? "flat" : "edge"}
        onChoose={(chosen) => sized(long, wide, low, chosen === "flat")}
      />
    </Row>
  );
}

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
