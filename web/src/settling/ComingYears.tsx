import { FigureTable } from "../kit/FigureTable";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Skeleton from "@mui/material/Skeleton";
import { lazy, Suspense } from "react";
import type { BedFigures, ForecastFigures } from "../api/client";
import { Note } from "../kit/Note";
import { INCH_M, showDay, showLength, showMoney } from "../quantities/format";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { spanOf } from "./Years";

const BandChart = lazy(() => import("../chart/BandChart"));

type Props = { figures: BedFigures; forecast: ForecastFigures };

const HEIGHT = 150;

/** The surface over ten years with its band, and what each spring's top-up takes. */
export function ComingYears({ figures, forecast }: Props) {
  const { currency } = useShowing();
  const { springs, top_up_total, top_up_loose_m3 } = forecast;
  return (
    <>
      <Suspense fallback={<Skeleton height={HEIGHT} />}>
        <Surface figures={figures} forecast={forecast} />
      </Suspense>
      <Note>
        The band holds four of five of {forecast.draws} draws over the ranges of each material&apos;s figures.
      </Note>
      {forecast.climate_said && <Note>{forecast.climate_said}</Note>}
      <FigureTable>
        <TableHead>
          <TableRow>
            <TableCell scope="col">Spring</TableCell>
            <TableCell scope="col">Sunk to</TableCell>
            <TableCell scope="col">Top up</TableCell>
            <TableCell scope="col">Cost</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {springs.map((spring) => (
            <TableRow key={spring.month}>
              <TableCell component="th" scope="row">
                {spring.day ? showDay(spring.day).slice(-8) : spanOf(spring.month)}
              </TableCell>
              <TableCell>
                <Quantity kind="length" value={spring.surface_m} />
              </TableCell>
              <TableCell>
                <Quantity kind="volume" value={spring.loose_m3} />
                {spring.bags > 0 && `, ${spring.bags} bag${spring.bags > 1 ? "s" : ""}`}
              </TableCell>
              <TableCell>{spring.price == null ? "no offer" : showMoney(spring.price, currency)}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </FigureTable>
      <Note>
        {forecast.top_up}, loose, {figures.count > 1 ? `for ${figures.count} beds` : "for this bed"}: it
        settles again. In ten years <Quantity kind="volume" value={top_up_loose_m3} />
        {top_up_total != null && `, ${showMoney(top_up_total, currency)}`}. “Sunk to” is the height over the
        floor if nothing is ever added.
      </Note>
    </>
  );
}

function Surface({ figures, forecast }: Props) {
  const { units } = useShowing();
  return (
    <BandChart
      label="Surface over ten years"
      height={HEIGHT}
      at={figures.surface_m.map((_, month) => month)}
      ticks={[0, 36, 72, 120]}
      nameOfTick={(month) => (month === 0 ? "now" : `${month / 12} y`)}
      nameOf={(month) => (month === 0 ? "as filled" : `${spanOf(month)} on`)}
      lines={[{ label: "surface", values: figures.surface_m, colour: "var(--palette-ink)" }]}
      band={{
        label: "four of five",
        low: forecast.low_m,
        high: forecast.high_m,
        colour: "var(--palette-straw)",
      }}
      most={Math.max(...figures.surface_m, ...forecast.high_m, 0.01)}
      showValue={(level) => showLength(level, units)}
      unit={units === "ft_in" ? INCH_M : 0.01}
    />
  );
}
