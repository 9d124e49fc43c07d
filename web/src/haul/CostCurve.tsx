import Skeleton from "@mui/material/Skeleton";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense, useState } from "react";
import { saidOf, type HaulFigures, type Schemas } from "../api/client";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Column, Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { showBulkVolume, showMoney } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { Pick } from "../theme/controls/Pick";
import { haulApi } from "./haulApi";

const LineChart = lazy(() => import("../chart/LineChart"));

const HEIGHT = 260;
type Props = { gardenId: number; haul: HaulFigures };

/** Bags or a load: what each costs by volume, with today's need, for every material that is sold both ways. */
export function CostCurve({ gardenId, haul }: Props) {
  const names = new Map(haul.lines.map(({ material, name }) => [material, name]));
  const both = Object.entries(haul.break_even_m3).filter(([, even]) => even != null);
  const [chosen, setChosen] = useState<string | null>(null);
  const material = chosen ?? both[0]?.[0] ?? null;
  const curve = useQuery({
    queryKey: ["figure", gardenId, "curve", material],
    queryFn: () => haulApi.costCurve(gardenId, material ?? ""),
    enabled: material !== null,
  });
  if (material === null) return null;
  return (
    <Sheet component="section" aria-label="Bags or a load" data-part="cost-curve">
      <Column>
        <Row sx={{ alignItems: "flex-end" }}>
          <Typography variant="sheetTitle" sx={{ marginRight: "auto" }}>
            Bags or a load
          </Typography>
          <Pick
            label="of"
            options={both.map(([key]) => [key, names.get(key) ?? key] as const)}
            value={material}
            onChoose={setChosen}
          />
        </Row>
        {curve.error && <Problem>{saidOf(curve.error)}</Problem>}
        {curve.data && <Drawn curve={curve.data} />}
      </Column>
    </Sheet>
  );
}

function Drawn({ curve }: { curve: Schemas["CostCurve"] }) {
  const { units, currency } = useShowing();
  const money = (amount: number) => showMoney(amount.toFixed(2), currency);
  const volume = (value_m3: number) => showBulkVolume(value_m3, units);
  const most = Math.max(...[...curve.bags, ...curve.bulk].map((each) => each ?? 0));
  return (
    <>
      <Suspense fallback={<Skeleton height={HEIGHT} />}>
        <LineChart
          label={`What ${curve.name} costs in bags and loose`}
          height={HEIGHT}
          at={curve.volumes_m3}
          showAt={volume}
          lines={[
            { label: "in bags, with delivery", values: curve.bags, colour: "var(--palette-iron)" },
            { label: "loose, with delivery", values: curve.bulk, colour: "var(--palette-water)" },
          ]}
          most={most}
          showValue={money}
          marks={[
            { at: curve.need_m3, name: `you need ${volume(curve.need_m3)}`, strong: true },
            { at: curve.break_even_m3, name: `even at ${volume(curve.break_even_m3)}`, strong: false },
          ]}
        />
      </Suspense>
      <Note>
        {curve.break_even_m3 > 0
          ? `Up to ${volume(curve.break_even_m3)} bags cost less, above that mostly a load; you need ${volume(curve.need_m3)}.`
          : `A load costs less from the first barrow on; you need ${volume(curve.need_m3)}.`}{" "}
        One offer at a time, each with its own delivery.
      </Note>
    </>
  );
}
