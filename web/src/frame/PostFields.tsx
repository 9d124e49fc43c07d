import Button from "@mui/material/Button";
import { Row } from "../kit/Row";
import { typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { Pick } from "../theme/controls/Pick";
import type { Frame } from "./frames";

type Props = { frame: Frame; onSet: (change: Partial<Frame>) => void };

const SET_IN = [
  ["concrete", "concrete"],
  ["tamped", "earth, tamped"],
] as const;

/** How a frame's posts stand in the ground. */
export function PostFields({ frame, onSet }: Props) {
  const { units } = useShowing();
  return (
    <Row sx={{ alignItems: "flex-end" }} data-part="post-fields">
      <Pick
        label="Posts stand in"
        options={SET_IN}
        value={frame.posts_in ?? "concrete"}
        onChoose={(posts_in) => onSet({ posts_in })}
      />
      <MeasureField
        label="Deep in the ground"
        limit="length"
        width="150px"
        placeholder="a third of them"
        shown={frame.in_ground_m == null ? "" : typedLength(frame.in_ground_m, units)}
        onMeaning={({ values: [in_ground_m] }) => onSet({ in_ground_m })}
      />
      {frame.in_ground_m != null && <Button onClick={() => onSet({ in_ground_m: null })}>As usual</Button>}
    </Row>
  );
}
