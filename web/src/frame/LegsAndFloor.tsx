import Button from "@mui/material/Button";
import { Row } from "../kit/Row";
import { typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import type { Frame } from "./frames";

type Props = { frame: Frame; board: [number, number]; onSet: (change: Partial<Frame>) => void };

const FIRST_LEGS: NonNullable<Frame["legs"]> = { count: 4, length_m: 0.6, section_m: [0.089, 0.089] };
const FIRST_FLOOR: NonNullable<Frame["floor"]> = {
  thickness_m: 0.025,
  width_m: 0.14,
  gap_m: 0.005,
  bearers: 2,
};

/** Legs under the box, and the floor between them. */
export function LegsAndFloor({ frame, board, onSet }: Props) {
  const { units } = useShowing();
  const { legs, floor } = frame;
  if (!legs)
    return (
      <Row>
        <Button onClick={() => onSet({ legs: FIRST_LEGS, floor: FIRST_FLOOR })}>+ Legs and a floor</Button>
      </Row>
    );
  const [thick_m = 0, wide_m = 0] = legs.section_m ?? board;
  return (
    <Row sx={{ alignItems: "flex-end" }} data-part="legs">
      <MeasureField
        label="Legs"
        limit="count"
        width="72px"
        shown={String(legs.count)}
        onMeaning={({ values: [count = 4] }) => onSet({ legs: { ...legs, count } })}
      />
      <MeasureField
        label="Leg length"
        limit="length"
        width="100px"
        shown={typedLength(legs.length_m, units)}
        onMeaning={({ values: [length_m = 0] }) => onSet({ legs: { ...legs, length_m } })}
      />
      <MeasureField
        label={legs.section_m ? "Leg section" : "Leg: two boards"}
        limit="board"
        dimensions
        width="150px"
        shown={`${typedLength(thick_m, units)} × ${typedLength(wide_m, units)}`}
        onMeaning={({ values: [one, other] }) =>
          one !== undefined && onSet({ legs: { ...legs, section_m: [one, other ?? one] } })
        }
      />
      {floor && (
        <MeasureField
          label="Floor slats"
          limit="board"
          dimensions
          width="150px"
          shown={`${typedLength(floor.thickness_m, units)} × ${typedLength(floor.width_m, units)}`}
          onMeaning={({ values: [one, other] }) =>
            one !== undefined &&
            onSet({ floor: { ...floor, thickness_m: one, width_m: other ?? floor.width_m } })
          }
        />
      )}
      {floor && (
        <MeasureField
          label="Bearers"
          limit="count"
          width="86px"
          shown={String(floor.bearers ?? 2)}
          onMeaning={({ values: [bearers] }) => onSet({ floor: { ...floor, bearers } })}
        />
      )}
      {floor && (
        <MeasureField
          label="Floor gaps"
          limit="wall"
          width="120px"
          shown={typedLength(floor.gap_m ?? 0, units)}
          onMeaning={({ values: [gap_m = 0] }) => onSet({ floor: { ...floor, gap_m } })}
        />
      )}
      <Button onClick={() => onSet({ legs: null, floor: null })}>No legs</Button>
    </Row>
  );
}
