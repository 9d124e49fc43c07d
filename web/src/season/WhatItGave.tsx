import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import type { Schemas } from "../api/client";
import { FigureTable } from "../kit/FigureTable";
import { FactLine, Lines } from "../kit/Lines";
import { Note } from "../kit/Note";
import { Column } from "../kit/Row";
import { showMoney, showYield, trimmed, showHarvest } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import type { SeasonFigures } from "./seasonApi";

type Crop = Schemas["CropFigures"];
type Props = {
  season: SeasonFigures;
  bedKey: string | null;
  /** Of this season alone. */
  year?: number;
};

/** What beds gave and what that was worth, by crop and season. */
export function YieldTable({ season, bedKey, year }: Props) {
  const { units, currency } = useShowing();
  const rows = season.beds
    .filter(({ bed }) => bedKey === null || bed === bedKey)
    .flatMap((bed) => bed.crops.map((crop) => ({ bed, crop })))
    .filter(({ crop }) => year === undefined || crop.season === year);
  if (rows.length === 0) return <Note>Nothing was harvested yet that was written down.</Note>;
  const amount = (crop: Crop) =>
    [crop.mass_kg > 0 && showHarvest(crop.mass_kg, units), crop.count > 0 && `${crop.count} pieces`]
      .filter(Boolean)
      .join(", ");
  return (
    <FigureTable size="small" data-part="yields">
      <TableHead>
        <TableRow>
          <TableCell component="th">Crop</TableCell>
          <TableCell component="th">Picked</TableCell>
          <TableCell component="th">In all</TableCell>
          <TableCell component="th">Of growing area</TableCell>
          <TableCell component="th">Worth</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {rows.map(({ bed, crop }) => (
          <TableRow key={`${bed.bed} ${crop.season} ${crop.crop}`}>
            <TableCell component="th" scope="row">
              {crop.crop}
              <Note component="span">
                {" "}
                {year === undefined && `${crop.season} `}
                {bedKey === null && `in ${bed.name}`}
              </Note>
            </TableCell>
            <TableCell>{timesSaid(crop.times)}</TableCell>
            <TableCell>{amount(crop)}</TableCell>
            <TableCell>{crop.mass_kg > 0 ? showYield(crop.yield_kg_m2, units) : ""}</TableCell>
            <TableCell>
              {showMoney(crop.worth, currency)}
              {crop.unpriced > 0 && <Note component="span"> and {crop.unpriced} without a worth</Note>}
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </FigureTable>
  );
}

function timesSaid(times: number): string {
  return times === 1 ? "once" : times === 2 ? "twice" : `${times} times`;
}

/** What beds cost, what a year of them costs, and when they pay. */
export function WhenItPays({ season, bedKey }: Omit<Props, "year">) {
  const { currency } = useShowing();
  const beds = season.beds.filter(({ bed }) => bedKey === null || bed === bedKey);
  const money = (amount: string) => showMoney(amount, currency);
  if (beds.length === 0) return <Note>No bed is filled yet.</Note>;
  return (
    <Column data-part="when-it-pays">
      {beds.map((each) => (
        <section key={each.bed} aria-label={each.name}>
          <b>{each.name}</b>
          <Lines>
            <FactLine name="Gave so far">{money(each.worth)}</FactLine>
            {each.cost != null && (
              <FactLine name="Cost to build, by today's or paid prices">{money(each.cost)}</FactLine>
            )}
            {each.cost_a_year != null && (
              <FactLine name="A year of its frame's life">
                {money(each.cost_a_year[0])} to {money(each.cost_a_year[1])}
              </FactLine>
            )}
          </Lines>
          <Note>
            {each.pay_back_said}
            {each.cost != null &&
              each.without.length > 0 &&
              ` Without ${each.without.join(", ")}, which nobody offers.`}
          </Note>
        </section>
      ))}
      {bedKey === null && (
        <Lines>
          <FactLine name="All beds gave so far">{money(season.worth)}</FactLine>
          <FactLine name="Paid so far, as logged">{money(season.paid)}</FactLine>
        </Lines>
      )}
    </Column>
  );
}

/** The same crop in two places, and whether one gives more. */
export function Trials({ season, bedKey, year }: Props) {
  const { units } = useShowing();
  const shown = season.trials
    .filter(({ first, second }) => bedKey === null || first.bed === bedKey || second.bed === bedKey)
    .filter((trial) => year === undefined || trial.season === year);
  if (shown.length === 0)
    return (
      <Note>
        Harvest the same crop from two beds, or from both halves of one, and they are compared here.
      </Note>
    );
  const amount = (value: number, by_count: boolean) =>
    by_count ? `${trimmed(value, 1)} pieces a m²` : showYield(value, units);
  return (
    <Column data-part="trials">
      {shown.map((trial) => {
        const weather = season.weather.find((each) => each.season === trial.season);
        return (
          <section
            key={`${trial.season} ${trial.crop} ${trial.first.name} ${trial.second.name}`}
            data-part="trial"
          >
            <b>
              {trial.crop} {trial.season}
            </b>
            <Note sx={{ color: "ink" }}>{trial.told}</Note>
            <Note>
              {trial.first.name} {amount(trial.first.weekly_yield, trial.by_count)} a week,{" "}
              {trial.second.name} {amount(trial.second.weekly_yield, trial.by_count)}
              {trial.gap_low != null &&
                trial.gap_high != null &&
                `; the difference is ${amount(trial.gap_low, trial.by_count)} to ${amount(trial.gap_high, trial.by_count)} in nine of ten`}
              .
            </Note>
            <Note>
              {weather ? weather.told : "Bring in the weather, and the season stands beside the usual."}
            </Note>
          </section>
        );
      })}
    </Column>
  );
}
