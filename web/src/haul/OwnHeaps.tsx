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
import { TIMBER } from "../api/words";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { useTell } from "../kit/Tell";
import {
  showBoardSide,
  showBulkVolume,
  showDay,
  showVolume,
  trimmed,
  typedVolume,
  type Units,
} from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { LoadDrawing } from "./LoadDrawing";
import { NewBoards } from "./NewBoards";
import { NewHeap } from "./NewHeap";
import { ShareHeap } from "./ShareHeap";

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
  const [adding, setAdding] = useState<"heap" | "boards" | null>(null);
  const nameOf = (key: string) => materials.get(key)?.name ?? TIMBER[key] ?? key;
  const loose = stock.filter((heap) => heap.thickness_m == null);
  const boards = stock.filter((heap) => heap.thickness_m != null);
  /** A volume typed anew is what lies there, however it was counted before. */
  const change = (at: number, volume_m3: number) =>
    onChange((now) =>
      now.map((heap, index) =>
        index === at ? { material: heap.material, volume_m3, ready_on: heap.ready_on } : heap,
      ),
    );
  const forget = (at: number) => {
    const gone = stock[at];
    onChange((now) => now.filter((_, index) => index !== at));
    const what = gone?.thickness_m == null ? "heap of" : "boards of";
    if (gone) tell(`The ${what} ${nameOf(gone.material).toLowerCase()} is forgotten.`, onUndo);
  };
  const keep = (heap: Stock) => {
    onChange((now) => [...now, heap]);
    setAdding(null);
  };
  const loads = loose
    .filter((heap) => heap.volume_m3 > 0)
    .map((heap, at) => ({
      key: `${heap.material} ${at}`,
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
        {adding ? (
          <Button onClick={() => setAdding(null)}>Leave it</Button>
        ) : (
          <>
            <Button onClick={() => setAdding("boards")}>Enter boards</Button>
            <Button onClick={() => setAdding("heap")}>Enter a heap</Button>
          </>
        )}
      </Row>
      {loads.length > 0 && <LoadDrawing loads={loads} />}
      {stock.length > 0 && (
        <TableContainer>
          <Table>
            <TableBody>
              {loose.map((heap) => {
                const at = stock.indexOf(heap);
                return (
                  <Heap
                    key={`${heap.material} ${at}`}
                    gardenId={gardenId}
                    heap={heap}
                    name={nameOf(heap.material)}
                    density_kg_m3={materials.get(heap.material)?.loose_kg_m3 ?? undefined}
                    need={needs.find((each) => each.material === heap.material)}
                    onVolume={(volume_m3) => change(at, volume_m3)}
                    onForget={() => forget(at)}
                  />
                );
              })}
              {boards.map((heap) => {
                const at = stock.indexOf(heap);
                return (
                  <Boards
                    key={`boards ${at}`}
                    boards={heap}
                    name={nameOf(heap.material)}
                    onForget={() => forget(at)}
                  />
                );
              })}
            </TableBody>
          </Table>
        </TableContainer>
      )}
      {adding === "heap" && <NewHeap gardenId={gardenId} onHeap={keep} />}
      {adding === "boards" && <NewBoards onHeap={keep} />}
    </Sheet>
  );
}

type BoardsProps = { boards: Stock; name: string; onForget: () => void };

function Boards({ boards, name, onForget }: BoardsProps) {
  const { units } = useShowing();
  const size = [boards.thickness_m, boards.width_m]
    .map((each) => showBoardSide(each ?? 0, units))
    .join(" × ");
  return (
    <TableRow>
      <TableCell>
        {name}
        <Note component="span" sx={{ display: "block" }}>
          boards of {size}
        </Note>
      </TableCell>
      <TableCell colSpan={3} align="right">
        {boards.count ?? 1} of <Quantity kind="length" value={boards.length_m ?? 0} />
        {boards.usable_m != null && (
          <>
            , good for pieces up to <Quantity kind="length" value={boards.usable_m} />
          </>
        )}
      </TableCell>
      <TableCell align="right">
        <Button aria-label={`Forget the boards of ${name}`} onClick={onForget}>
          Forget
        </Button>
      </TableCell>
    </TableRow>
  );
}

type HeapProps = {
  gardenId: number;
  heap: Stock;
  name: string;
  density_kg_m3: number | undefined;
  need: NeedFigures | undefined;
  onVolume: (volume_m3: number) => void;
  onForget: () => void;
};

function Heap({ gardenId, heap, name, density_kg_m3, need, onVolume, onForget }: HeapProps) {
  const { units } = useShowing();
  const [sharing, setSharing] = useState(false);
  return (
    <>
      <TableRow>
        <TableCell>
          {name}
          <Note component="span" sx={{ display: "block" }}>
            {countedSaid(heap, units)}
          </Note>
        </TableCell>
        <TableCell align="right">
          <MeasureField
            label={`${name} on hand, loose`}
            hideLabel
            limit="stock"
            width="112px"
            density_kg_m3={density_kg_m3}
            shown={
              heap.volume_m3 >= 0.5
                ? showBulkVolume(heap.volume_m3, units)
                : typedVolume(heap.volume_m3, units)
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
          <Row sx={{ justifyContent: "flex-end", flexWrap: "nowrap" }}>
            <Button aria-expanded={sharing} onClick={() => setSharing(!sharing)}>
              Share
            </Button>
            <Button aria-label={`Forget the heap of ${name}`} onClick={onForget}>
              Forget
            </Button>
          </Row>
        </TableCell>
      </TableRow>
      {sharing && (
        <TableRow>
          <TableCell colSpan={5}>
            <ShareHeap gardenId={gardenId} material={heap.material} name={name} volume_m3={heap.volume_m3} />
          </TableCell>
        </TableRow>
      )}
    </>
  );
}

/** How a heap was counted, and when it can be used. */
function countedSaid(heap: Stock, units: Units): string {
  const counted = heap.as;
  const parts = [
    counted && `${trimmed(counted.count, 1)} ${counted.unit}${counted.count === 1 ? "" : "s"}`,
    heap.put_in_m3 && `of ${showVolume(heap.put_in_m3, units)} put in`,
    heap.ready_on && `ready on ${showDay(heap.ready_on)}`,
  ];
  return parts.filter(Boolean).join(", ");
}

function ShortBy({ need }: { need: NeedFigures }) {
  return (
    <Box component="b" sx={{ color: "iron" }}>
      <Quantity kind="volume" value={need.to_buy_m3} /> short
    </Box>
  );
}
