import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import type { Material, Stock } from "../api/client";
import { Note } from "../kit/Note";
import { Column, Row } from "../kit/Row";
import { useWhenReady } from "../kit/useWhenReady";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { MaterialFinder } from "../shelf/MaterialFinder";
import { Pick } from "../theme/controls/Pick";
import { useReadings } from "../quantities/useReadings";

const WAYS = [
  ["volume", "volume"],
  ["bag", "bags"],
  ["barrow", "barrows"],
  ["bucket", "buckets"],
  ["bale", "bales"],
  ["rotting", "still rotting"],
] as const;
type Way = (typeof WAYS)[number][0];
/** Barrows and buckets have a usual size; a bag or a bale says its own. */
const SIZED: readonly Way[] = ["bag", "bale"];

type Props = { gardenId: number; onHeap: (heap: Stock) => void };

/** A heap to enter, by its volume, as it was counted, or as what was put in to rot. */
export function NewHeap({ gardenId, onHeap }: Props) {
  const { units } = useShowing();
  const [material, setMaterial] = useState<Material | null>(null);
  const [way, setWay] = useState<Way>("volume");
  const [volume_m3, setVolume] = useState<number>();
  const [count, setCount] = useState<number>();
  const [each_m3, setEach] = useState<number>();
  const [ready_on, setReadyOn] = useState("");
  const readings = useReadings();
  const heap = material && heapOf(material.key, way, { volume_m3, count, each_m3, ready_on });
  // pressed while a measure is still being read, it waits for that
  const keep = useWhenReady(!readings.asking, () => {
    if (heap && !readings.refused()) onHeap(heap);
  });
  return (
    <Column sx={{ marginTop: 3 }}>
      <Row sx={{ alignItems: "flex-end" }}>
        <MaterialFinder
          gardenId={gardenId}
          label="A heap of"
          value={material}
          onChoose={setMaterial}
          suits={(each) => !each.is_sheet}
          autoFocus
        />
        <Pick label="Counted in" options={WAYS} value={way} onChoose={setWay} sx={{ minWidth: 130 }} />
      </Row>
      <Row sx={{ alignItems: "flex-end" }}>
        {way === "volume" || way === "rotting" ? (
          <MeasureField
            key={way}
            label={way === "volume" ? "Loose volume" : "What was put in, loose"}
            limit="stock"
            width="170px"
            eager
            density_kg_m3={material?.loose_kg_m3 ?? undefined}
            shown=""
            placeholder={units === "ft_in" ? "1 yd" : "0.5 m3"}
            onMeaning={({ values: [value] }) => setVolume(value)}
            onReading={readings.of("The volume")}
          />
        ) : (
          <MeasureField
            key={way}
            label="How many"
            limit="count"
            width="96px"
            eager
            shown=""
            onMeaning={({ values: [value] }) => setCount(value)}
            onReading={readings.of("The count")}
          />
        )}
        {SIZED.includes(way) && (
          <MeasureField
            key={`${way} size`}
            label={`One ${way} holds`}
            limit="bag"
            width="120px"
            eager
            shown=""
            placeholder={units === "ft_in" ? "1.5 cu ft" : "40 L"}
            onMeaning={({ values: [value] }) => setEach(value)}
            onReading={readings.of("The size")}
          />
        )}
        {way === "rotting" && (
          <TextField
            label="Ready on"
            type="date"
            value={ready_on}
            onChange={({ target }) => setReadyOn(target.value)}
          />
        )}
        <Button variant="contained" disabled={!heap} onClick={keep}>
          Keep
        </Button>
      </Row>
      {way === "rotting" && <Note>It comes to about 40 % of what was put in, a third to a half.</Note>}
    </Column>
  );
}

type Said = { volume_m3?: number; count?: number; each_m3?: number; ready_on: string };

/** The heap as the core takes it; null while something lacks. The core works its volume out. */
function heapOf(material: string, way: Way, { volume_m3, count, each_m3, ready_on }: Said): Stock | null {
  if (way === "volume") return volume_m3 ? { material, volume_m3 } : null;
  if (way === "rotting")
    return volume_m3 && ready_on ? ({ material, put_in_m3: volume_m3, ready_on } as Stock) : null;
  if (!count || (SIZED.includes(way) && !each_m3)) return null;
  return { material, as: { unit: way, count, each_m3 } } as Stock;
}
