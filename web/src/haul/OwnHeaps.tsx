import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableContainer from "@mui/material/TableContainer";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { Material, NeedFigures, Stock } from "../api/client";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { useTell } from "../kit/Tell";
import { useWhenReady } from "../kit/useWhenReady";
import { showBulkVolume, showVolume, typedVolume } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { MaterialFinder } from "../shelf/MaterialFinder";
import { LoadDrawing } from "./LoadDrawing";
import { useReadings } from "./useReadings";

type Props = {
  gardenId: number;
  stock: readonly Stock[];
  needs: readonly NeedFigures[];
  materials: ReadonlyMap<string, Material>;
  onChange: (change: (stock: readonly Stock[]) => Stock[]) => void;
  onUndo: () => void;
};

/** What lies on hand: it is used first. */
export function OwnHeaps({ gardenId, stock, needs, materials, onChange, onUndo }: Props) {
  const { units } = useShowing();
  const tell = useTell();
  const [adding, setAdding] = useState(false);
  const nameOf = (key: string) => materials.get(key)?.name ?? key;
  const change = (material: string, volume_m3: number) =>
    onChange((now) => now.map((heap) => (heap.material === material ? { material, volume_m3 } : heap)));
  const forget = (material: string) => {
    onChange((now) => now.filter((heap) => heap.material !== material));
    tell(`The heap of ${nameOf(material).toLowerCase()} is forgotten.`, onUndo);
  };
  const loads = stock
    .filter((heap) => heap.volume_m3 > 0)
    .map((heap) => ({
      key: heap.material,
      material: heap.material,
      like: materials.get(heap.material)?.like,
      form: "heap" as const,
      count: 0,
      volume_m3: heap.volume_m3,
      caption: `${showVolume(heap.volume_m3, units)} ${nameOf(heap.material).split(",")[0]?.toLowerCase()}`,
    }));
  return (
    <Sheet component="section" aria-label="Your own">
      <Row>
        <Box sx={{ marginRight: "auto" }}>
          <Typography variant="sheetTitle">Your own</Typography>
          <Note>
            {stock.length
              ? "used before anything is bought"
              : "heaps and piles you have already are used first"}
          </Note>
        </Box>
        <Button onClick={() => setAdding(!adding)}>{adding ? "Leave it" : "Enter a heap"}</Button>
      </Row>
      {loads.length > 0 && <LoadDrawing loads={loads} />}
      {stock.length > 0 && (
        <TableContainer>
          <Table>
            <TableBody>
              {stock.map((heap) => (
                <Heap
                  key={heap.material}
                  heap={heap}
                  name={nameOf(heap.material)}
                  density_kg_m3={materials.get(heap.material)?.loose_kg_m3 ?? undefined}
                  need={needs.find((each) => each.material === heap.material)}
                  onVolume={(volume_m3) => change(heap.material, volume_m3)}
                  onForget={() => forget(heap.material)}
                />
              ))}
            </TableBody>
          </Table>
        </TableContainer>
      )}
      {adding && (
        <NewHeap
          gardenId={gardenId}
          onHeap={(heap) => {
            onChange((now) => [...now.filter((each) => each.material !== heap.material), heap]);
            setAdding(false);
          }}
        />
      )}
    </Sheet>
  );
}

type HeapProps = {
  heap: Stock;
  name: string;
  density_kg_m3: number | undefined;
  need: NeedFigures | undefined;
  onVolume: (volume_m3: number) => void;
  onForget: () => void;
};

function Heap({ heap, name, density_kg_m3, need, onVolume, onForget }: HeapProps) {
  const { units } = useShowing();
  return (
    <TableRow>
      <TableCell>{name}</TableCell>
      <TableCell align="right">
        <MeasureField
          label={`${name} on hand, loose`}
          hideLabel
          limit="stock"
          width="112px"
          density_kg_m3={density_kg_m3}
          shown={
            heap.volume_m3 >= 0.5 ? showBulkVolume(heap.volume_m3, units) : typedVolume(heap.volume_m3, units)
          }
          onMeaning={({ values: [value = 0] }) => onVolume(value)}
        />
      </TableCell>
      <TableCell align="right" sx={{ color: "soft" }}>
        {need ? (
          <>
            <Quantity kind="volume" value={need.loose_m3} /> needed
          </>
        ) : (
          "not needed"
        )}
      </TableCell>
      <TableCell align="right">{need && need.to_buy_m3 > 0 ? <ShortBy need={need} /> : "enough"}</TableCell>
      <TableCell align="right">
        <Button aria-label={`Forget the heap of ${name}`} onClick={onForget}>
          Forget
        </Button>
      </TableCell>
    </TableRow>
  );
}

function ShortBy({ need }: { need: NeedFigures }) {
  return (
    <Box component="b" sx={{ color: "iron" }}>
      <Quantity kind="volume" value={need.to_buy_m3} /> short
    </Box>
  );
}

function NewHeap({ gardenId, onHeap }: { gardenId: number; onHeap: (heap: Stock) => void }) {
  const { units } = useShowing();
  const [material, setMaterial] = useState<Material | null>(null);
  const [volume_m3, setVolume] = useState<number>();
  const readings = useReadings();
  // pressed while the volume is still being read, it waits for that
  const keep = useWhenReady(!readings.asking, () => {
    if (material && volume_m3 && !readings.refused()) onHeap({ material: material.key, volume_m3 });
  });
  return (
    <Row sx={{ alignItems: "flex-end", marginTop: 3 }}>
      <MaterialFinder
        gardenId={gardenId}
        label="A heap of"
        value={material}
        onChoose={setMaterial}
        suits={(each) => !each.is_sheet}
        autoFocus
      />
      <MeasureField
        label="Loose volume"
        limit="stock"
        width="140px"
        eager
        density_kg_m3={material?.loose_kg_m3 ?? undefined}
        shown=""
        placeholder={units === "ft_in" ? "1 yd" : "0.5 m3"}
        onMeaning={({ values: [value] }) => setVolume(value)}
        onReading={readings.of("The volume")}
      />
      <Button variant="contained" disabled={!material} onClick={keep}>
        Keep
      </Button>
    </Row>
  );
}
