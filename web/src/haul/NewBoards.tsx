import Button from "@mui/material/Button";
import { useState } from "react";
import type { Stock } from "../api/client";
import { TIMBER } from "../api/words";
import { Note } from "../kit/Note";
import { Column, Row } from "../kit/Row";
import { useWhenReady } from "../kit/useWhenReady";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { Pick } from "../theme/controls/Pick";
import { useReadings } from "../quantities/useReadings";

const KINDS = Object.entries(TIMBER);

/** Boards on hand, by their true size; crooked ones with how far they are good. */
export function NewBoards({ onHeap }: { onHeap: (heap: Stock) => void }) {
  const { units } = useShowing();
  const [material, setMaterial] = useState(KINDS[0]?.[0] ?? "");
  const [across, setAcross] = useState<readonly number[]>([]);
  const [length_m, setLength] = useState<number>();
  const [count, setCount] = useState<number>();
  const [usable_m, setUsable] = useState<number>();
  const readings = useReadings();
  const [one, other] = across;
  const whole = one !== undefined && other !== undefined && length_m !== undefined && count !== undefined;
  const keep = useWhenReady(!readings.asking, () => {
    if (!whole || readings.refused()) return;
    const [thickness_m, width_m] = one < other ? [one, other] : [other, one];
    // the volume of their wood is the core's to work out
    onHeap({ material, thickness_m, width_m, length_m, count, usable_m } as Stock);
  });
  return (
    <Column sx={{ marginTop: 3 }}>
      <Row sx={{ alignItems: "flex-end" }}>
        <Pick label="Boards of" options={KINDS} value={material} onChoose={setMaterial} />
        <MeasureField
          label="How many"
          limit="count"
          width="96px"
          eager
          shown=""
          onMeaning={({ values: [value] }) => setCount(value)}
          onReading={readings.of("The count")}
        />
        <MeasureField
          label="True thickness × width"
          limit="board"
          dimensions
          width="170px"
          eager
          shown=""
          placeholder={units === "ft_in" ? "1 1/2 × 9 1/4 in" : "38 × 235 mm"}
          onMeaning={({ values }) => setAcross(values)}
          onReading={readings.of("The size")}
        />
        <MeasureField
          label="Length"
          limit="length"
          width="110px"
          eager
          shown=""
          placeholder={units === "ft_in" ? "8 ft" : "2.4 m"}
          onMeaning={({ values: [value] }) => setLength(value)}
          onReading={readings.of("The length")}
        />
        <MeasureField
          label="Good for pieces up to"
          limit="length"
          width="150px"
          eager
          shown=""
          placeholder="all of it"
          onMeaning={({ values: [value] }) => setUsable(value)}
          onReading={readings.of("What is good of it")}
        />
        <Button variant="contained" disabled={!whole} onClick={keep}>
          Keep
        </Button>
      </Row>
      <Note>Measure them: a board is thinner and narrower than its name says.</Note>
    </Column>
  );
}
