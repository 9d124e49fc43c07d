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
      <p className="panel-note">
        The band holds four of five of {forecast.draws} draws over the ranges of each material&apos;s figures.
      </p>
      <table className="coming-table">
        <thead>
          <tr>
            <th scope="col">Spring</th>
            <th scope="col">Sunk to</th>
            <th scope="col">Top up</th>
            <th scope="col">Cost</th>
          </tr>
        </thead>
        <tbody>
          {springs.map((spring) => (
            <tr key={spring.month}>
              <th scope="row">{spring.day ? showDay(spring.day).slice(-8) : spanOf(spring.month)}</th>
              <td>
                <Quantity kind="length" value={spring.surface_m} />
              </td>
              <td>
                <Quantity kind="volume" value={spring.loose_m3} />
                {spring.bags > 0 && `, ${spring.bags} bag${spring.bags > 1 ? "s" : ""}`}
              </td>
              <td>{spring.price == null ? "no offer" : showMoney(spring.price, currency)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="panel-note">
        {forecast.top_up}, loose, {figures.count > 1 ? `for ${figures.count} beds` : "for this bed"}: it
        settles again. In ten years <Quantity kind="volume" value={top_up_loose_m3} />
        {top_up_total != null && `, ${showMoney(top_up_total, currency)}`}. “Sunk to” is the height over the
        floor if nothing is ever added.
      </p>
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
      className="coming-chart"
      width={width}
      height={height}
      role="img"
      aria-label="Surface over ten years"
    >
      {[0, top].map((level) => (
        <g key={level}>
          <line className="coming-axis" x1={left} x2={width - 6} y1={y(level)} y2={y(level)} />
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
        className="coming-band"
        points={[...line(forecast.high_m), ...line(forecast.low_m).toReversed()].join(" ")}
      />
      <polyline className="coming-line" points={line(figures.surface_m).join(" ")} />
    </svg>
  );
}
