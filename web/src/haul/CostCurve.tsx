import Box from "@mui/material/Box";
import Skeleton from "@mui/material/Skeleton";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense, useState, type ReactNode } from "react";
import { saidOf, type Material, type Schemas, type Supplier } from "../api/client";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Column, Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { CU_YD_M3, showBulkVolume, showMoney } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { Pick } from "../theme/controls/Pick";
import { roundMarks } from "../chart/roundMarks";
import { haulApi } from "./haulApi";

const LineChart = lazy(() => import("../chart/LineChart"));

const HEIGHT = 260;
type Props = {
  gardenId: number;
  suppliers: readonly Supplier[];
  materials: ReadonlyMap<string, Material>;
};

/** Bags or a load: what each costs by volume, with today's need, for every material that is sold both ways. */
export function CostCurve({ gardenId, suppliers, materials }: Props) {
  const offers = suppliers.flatMap((each) => each.offers ?? []);
  const sold = (form: "bag" | "bulk") =>
    new Set(offers.filter((offer) => offer.form === form).map(({ material }) => material));
  const loose = sold("bulk");
  const both = [...sold("bag")].filter((key) => loose.has(key));
  const [chosen, setChosen] = useState<string | null>(null);
  const material = chosen ?? both[0] ?? null;
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
            options={both.map((key) => [key, materials.get(key)?.name ?? key] as const)}
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
          ticks={roundMarks(curve.volumes_m3.at(-1) ?? 1, units === "ft_in" ? CU_YD_M3 / 2 : 0.25)}
          marks={[
            { at: curve.need_m3, name: `you need ${volume(curve.need_m3)}`, strong: true },
            { at: curve.break_even_m3, name: `even at ${volume(curve.break_even_m3)}`, strong: false },
          ]}
        />
      </Suspense>
      <Row sx={{ gap: 4 }}>
        <Named colour="iron">in bags, with delivery</Named>
        <Named colour="water">loose, with delivery</Named>
      </Row>
      <Note>
        {curve.break_even_m3 > 0
          ? `Up to ${volume(curve.break_even_m3)} bags cost less, above that mostly a load; you need ${volume(curve.need_m3)}.`
          : `A load costs less from the first barrow on; you need ${volume(curve.need_m3)}.`}{" "}
        One offer at a time, each with its own delivery.
      </Note>
    </>
  );
}

function Named({ colour, children }: { colour: "iron" | "water"; children: ReactNode }) {
  return (
    <Row>
      <Box component="span" sx={{ width: 18, height: 3, backgroundColor: colour }} />
      {children}
    </Row>
  );
}
