import Button from "@mui/material/Button";
import Chip from "@mui/material/Chip";
import { styled } from "@mui/material/styles";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Material, Stock } from "../api/client";
import { TIMBER } from "../api/words";
import { NewBoards } from "../haul/NewBoards";
import { NewHeap } from "../haul/NewHeap";
import { DayField } from "../kit/DayField";
import { Note } from "../kit/Note";
import { Column, Row } from "../kit/Row";
import { plantingApi } from "../planting/plantingApi";
import { MeasureField } from "../quantities/MeasureField";
import { showArea, showBoardSide, showLength, showMoney, showVolume, typedLoad } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import type { ReadState } from "../quantities/useReading";
import { Pick } from "../theme/controls/Pick";
import type { Wishes } from "./wishesApi";

const Part = styled("section")(({ theme }) => ({
  display: "grid",
  gap: 10,
  padding: "12px 0",
  borderTop: `1px solid ${theme.vars.palette.line}`,
}));

const GROUNDS = [
  ["bare_soil", "open soil"],
  ["lawn", "a lawn"],
  ["compacted", "trodden ground"],
  ["gravel", "gravel"],
  ["paving", "paving"],
  ["deck", "a deck"],
  ["balcony", "a balcony"],
  ["roof", "a roof"],
] as const;
const SIDES = [
  ["both_sides", "both sides"],
  ["one_side", "one side"],
] as const;
const HELPERS = [0, 1, 2, 3, 4, 5, 6].map(
  (each) => [String(each), each === 0 ? "none" : String(each)] as const,
);
const BEARS: readonly string[] = ["deck", "balcony", "roof"];

type Props = {
  gardenId: number;
  wishes: Wishes;
  materials: ReadonlyMap<string, Material>;
  onChange: (wishes: Wishes) => void;
  /** Told how far what is typed in a field is understood. */
  readings: (name: string) => (state: ReadState["state"]) => void;
};

/** What a gardener has, wants and may, as short sentences with fields. */
export function WishFields({ gardenId, wishes, materials, onChange, readings }: Props) {
  const { units, currency } = useShowing();
  const { have = {}, want = {}, may = {} } = wishes;
  const setHave = (change: Partial<typeof have>) => onChange({ ...wishes, have: { ...have, ...change } });
  const setWant = (change: Partial<typeof want>) => onChange({ ...wishes, want: { ...want, ...change } });
  const setMay = (change: Partial<typeof may>) => onChange({ ...wishes, may: { ...may, ...change } });
  const on = may.on ?? "bare_soil";
  return (
    <div>
      <Part aria-label="I have">
        <Typography variant="panelTitle">I have</Typography>
        <Row sx={{ alignItems: "flex-end" }}>
          <MeasureField
            label="To spend now"
            onReading={readings("To spend now")}
            limit="price"
            width="120px"
            shown={have.money == null ? "" : showMoney(String(have.money), currency)}
            placeholder="no limit"
            onMeaning={({ money }) => setHave({ money: money ?? undefined })}
          />
        </Row>
        <Row sx={{ alignItems: "flex-end" }}>
          <MeasureField
            label="Days to work"
            onReading={readings("Days to work")}
            limit="days"
            width="110px"
            shown={have.days == null ? "" : String(have.days)}
            placeholder="no limit"
            onMeaning={({ values: [days] }) => setHave({ days })}
          />
          <Pick
            label="Helpers"
            options={HELPERS}
            value={String(have.helpers ?? 0)}
            onChoose={(helpers) => setHave({ helpers: Number(helpers) })}
          />
        </Row>
        <Lying
          gardenId={gardenId}
          stock={have.stock ?? []}
          materials={materials}
          onStock={(stock) => setHave({ stock })}
        />
      </Part>
      <Part aria-label="I want">
        <Typography variant="panelTitle">I want</Typography>
        <Row sx={{ alignItems: "flex-end" }}>
          <MeasureField
            label="To grow on, at least"
            onReading={readings("To grow on, at least")}
            limit="growing"
            width="150px"
            shown={want.area_m2 == null ? "" : showArea(want.area_m2, units)}
            placeholder="any area"
            onMeaning={({ values: [area_m2] }) => setWant({ area_m2 })}
          />
          <DayField
            label="Ready to sow by"
            day={want.sow_on}
            onDay={(sow_on) => setWant({ sow_on: sow_on ?? undefined })}
          />
        </Row>
        <Crops gardenId={gardenId} chosen={want.crops ?? []} onCrops={(crops) => setWant({ crops })} />
      </Part>
      <Part aria-label="I may">
        <Typography variant="panelTitle">I may</Typography>
        <Row sx={{ alignItems: "flex-end" }}>
          <Pick
            label="Build on"
            options={GROUNDS}
            value={on as (typeof GROUNDS)[number][0]}
            onChoose={(ground) => setMay({ on: ground })}
          />
          {BEARS.includes(on) && (
            <MeasureField
              label={units === "ft_in" ? "It bears, a sq ft" : "It bears, a m²"}
              onReading={readings("It bears")}
              limit="bears"
              width="130px"
              shown={may.limit_kg_m2 == null ? "" : typedLoad(may.limit_kg_m2, units)}
              placeholder="not known"
              onMeaning={({ values: [limit_kg_m2] }) => setMay({ limit_kg_m2 })}
            />
          )}
          <MeasureField
            label="Reach"
            onReading={readings("Reach")}
            limit="reach"
            width="90px"
            shown={showLength(may.reach_m ?? 0.6, units)}
            onMeaning={({ values: [reach_m] }) => setMay({ reach_m })}
          />
          <Pick
            label="From"
            options={SIDES}
            value={may.worked_from ?? "both_sides"}
            onChoose={(worked_from) => setMay({ worked_from })}
          />
          <MeasureField
            label="No higher than"
            onReading={readings("No higher than")}
            limit="depth"
            width="120px"
            shown={may.height_m == null ? "" : showLength(may.height_m, units)}
            placeholder="any height"
            onMeaning={({ values: [height_m] }) => setMay({ height_m })}
          />
        </Row>
        {BEARS.includes(on) && (
          <Note>
            What it bears is for somebody to say who is licensed to: the owner, or an engineer. Local codes
            come first.
          </Note>
        )}
      </Part>
    </div>
  );
}

type LyingProps = {
  gardenId: number;
  stock: readonly Stock[];
  materials: ReadonlyMap<string, Material>;
  onStock: (stock: Stock[]) => void;
};

/** Boards and heaps there are. */
function Lying({ gardenId, stock, materials, onStock }: LyingProps) {
  const { units } = useShowing();
  const [adding, setAdding] = useState<"heap" | "boards" | null>(null);
  const nameOf = (key: string) => (materials.get(key)?.name ?? TIMBER[key] ?? key).toLowerCase();
  const said = (heap: Stock) =>
    heap.thickness_m == null
      ? `${showVolume(heap.volume_m3, units)} of ${nameOf(heap.material)}`
      : `${heap.count ?? 1} boards of ${nameOf(heap.material)}, ${showBoardSide(heap.thickness_m, units)} × ${showBoardSide(heap.width_m ?? 0, units)}, ${showLength(heap.length_m ?? 0, units)} long`;
  const keep = (heap: Stock) => {
    onStock([...stock, heap]);
    setAdding(null);
  };
  return (
    <Column>
      {stock.map((heap, at) => (
        <Row key={`${heap.material} ${at}`} sx={{ flexWrap: "nowrap" }} data-part="lying">
          <span style={{ flex: 1 }}>{said(heap)}</span>
          <Button
            variant="link"
            onClick={() => onStock(stock.filter((_, index) => index !== at))}
            aria-label={`Without ${said(heap)}`}
          >
            Without
          </Button>
        </Row>
      ))}
      {adding === "heap" && <NewHeap gardenId={gardenId} onHeap={keep} />}
      {adding === "boards" && <NewBoards onHeap={keep} />}
      <Row>
        {adding ? (
          <Button onClick={() => setAdding(null)}>Leave it</Button>
        ) : (
          <>
            <Button onClick={() => setAdding("boards")}>Enter boards</Button>
            <Button onClick={() => setAdding("heap")}>Enter a heap</Button>
          </>
        )}
      </Row>
    </Column>
  );
}

type CropsProps = { gardenId: number; chosen: readonly string[]; onCrops: (crops: string[]) => void };

/** Crops that the beds are to suit. */
function Crops({ gardenId, chosen, onCrops }: CropsProps) {
  const shelf = useQuery({ queryKey: ["crops", gardenId], queryFn: () => plantingApi.crops(gardenId) });
  const crops = shelf.data ?? [];
  const names = new Map(crops.map(({ key, name }) => [key, name]));
  const left = crops.filter(({ key }) => !chosen.includes(key));
  return (
    <Row>
      <Pick
        label="To suit"
        options={[["", "any crop"] as const, ...left.map(({ key, name }) => [key, name] as const)]}
        value=""
        onChoose={(key) => key && onCrops([...chosen, key])}
        sx={{ minWidth: 140 }}
      />
      {chosen.map((key) => (
        <Chip
          key={key}
          label={names.get(key) ?? key}
          onDelete={() => onCrops(chosen.filter((each) => each !== key))}
        />
      ))}
    </Row>
  );
}
