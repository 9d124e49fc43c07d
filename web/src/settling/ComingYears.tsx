import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import { Note } from "../kit/Note";
import css from "./years.module.css";
import type { BedFigures, ForecastFigures } from "../api/client";
import { showDay, showLength, showMoney } from "../quantities/format";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { spanOf } from "./Years";

type Props = { figures: BedFigures; forecast: ForecastFigures };

const CHART = { width: 282, height: 96, left: 60, bottom: 18, top: 8 };

/** The surface over ten years with its band, and what each spring's top-up takes. */
export function ComingYears({ figures, forecast }: Props) {
  const { currency } = useShowing();
  const { springs, top_up_total, top_up_loose_m3 } = forecast;
  return (
    <>
      <Chart figures={figures} forecast={forecast} />
      <Note>
        The band holds four of five of {forecast.draws} draws over the ranges of each material&apos;s figures.
      </Note>
      <Table>
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
      </Table>
      <Note>
        {forecast.top_up}, loose, {figures.count > 1 ? `for ${figures.count} beds` : "for this bed"}: it
        settles again. In ten years <Quantity kind="volume" value={top_up_loose_m3} />
        {top_up_total != null && `, ${showMoney(top_up_total, currency)}`}. “Sunk to” is the height over the
        floor if nothing is ever added.
      </Note>
    </>
  );
}

function Chart({ figures, forecast }: Props) {
  const { units } = useShowing();
  const top = Math.max(...figures.surface_m, ...forecast.high_m, 0.01);
  const { width, height, left, bottom } = CHART;
  const x = (month: number) => left + ((width - left - 6) * month) / 120;
  const y = (level: number) => CHART.top + (height - bottom - CHART.top) * (1 - level / top);
  const line = (levels: readonly number[]) => levels.map((level, month) => `${x(month)} ${y(level)}`);
  return (
    <svg
      className={css.comingChart}
      width={width}
      height={height}
      role="img"
      aria-label="Surface over ten years"
    >
      {[0, top].map((level) => (
        <g key={level}>
          <line className={css.comingAxis} x1={left} x2={width - 6} y1={y(level)} y2={y(level)} />
          <text x={left - 6} y={y(level) + 4} textAnchor="end">
            {showLength(level, units)}
          </text>
        </g>
      ))}
      {[0, 3, 6, 10].map((year) => (
        <text key={year} x={x(year * 12)} y={height - 4} textAnchor={year === 10 ? "end" : "middle"}>
          {year === 0 ? "now" : `${year} y`}
        </text>
      ))}
      <polygon
        className={css.comingBand}
        points={[...line(forecast.high_m), ...line(forecast.low_m).toReversed()].join(" ")}
      />
      <polyline className={css.comingLine} points={line(figures.surface_m).join(" ")} />
    </svg>
  );
}
