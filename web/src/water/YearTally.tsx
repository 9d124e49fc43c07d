import { FigureTable } from "../kit/FigureTable";
import Typography from "@mui/material/Typography";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableRow from "@mui/material/TableRow";
import { FactLine, Lines } from "../kit/Lines";
import { Note } from "../kit/Note";
import { TallyBox, TallyVolume } from "../kit/tally.styles";
import { WaterList } from "./water.styles";
import type { BedFigures } from "../api/client";
import type { WaterFigures } from "./waterApi";
import { Quantity } from "../quantities/Quantity";
import { Disclosure } from "../kit/Disclosure";
import { dateOf } from "./days";
import { MONTHS } from "../quantities/format";

type Props = { figures: BedFigures; year: WaterFigures | null };

const WEATHER = {
  daily: "your own daily weather",
  normals: "your monthly normals",
  usual: "usual weather for the place (estimate)",
} as const;

/** What the reservoir holds, lasts, takes and saves. */
export function YearTally({ figures, year }: Props) {
  const { reservoir } = figures;
  if (!reservoir) return null;
  const summer = year ? Math.min(...year.lasts_days.map(({ middle }) => middle)) : null;
  return (
    <TallyBox data-part="tally" aria-label="The reservoir">
      <Typography variant="panelTitle">It holds</Typography>
      <TallyVolume data-part="tally-volume">
        <b>
          <Quantity kind="water" value={reservoir.water_m3} />
        </b>{" "}
        of water{figures.count > 1 && ", each bed"}
      </TallyVolume>
      <Lines>
        {reservoir.lost_to_tilt_m3 > 1e-6 && (
          <FactLine name="Lost by its tilt">
            <Quantity kind="water" value={reservoir.lost_to_tilt_m3} />
          </FactLine>
        )}
        <FactLine name="Soil over the water">
          <Quantity kind="length" value={reservoir.soil_m} />
        </FactLine>
        <FactLine name="That soil wicks (estimate)">
          <Quantity kind="length" value={reservoir.rise_m} />
        </FactLine>
        <FactLine name={`Lifted a day when full, by ${reservoir.wick.replace("_", " ")}`}>
          <Quantity kind="water" value={reservoir.lift_m3_day} />
        </FactLine>
        {reservoir.liner_m && (
          <FactLine name="Liner sheet">
            <Quantity kind="length" value={reservoir.liner_m[0]} /> ×{" "}
            <Quantity kind="length" value={reservoir.liner_m[1]} />
          </FactLine>
        )}
        <FactLine name="Weight, wet through and full">
          <Quantity kind="mass" value={figures.mass_saturated_kg} />
        </FactLine>
        {year && summer !== null && (
          <>
            <FactLine name="Days plants go short">{Math.round(year.short_days.middle)}</FactLine>
            <FactLine name="Plants ask on a hot day">
              <Quantity kind="water" value={year.hot_day_m3} />
            </FactLine>
            <FactLine name="Lasts without rain, worst month">{daysOf(summer, year.longest_days)}</FactLine>
            <FactLine name="Filled up in a season">
              {timesOf(year.refills.middle)}, <Quantity kind="water" value={year.refill_m3.middle} />
            </FactLine>
            <FactLine name="Watered from the top">
              <Quantity kind="water" value={year.twin_m3.middle} />
            </FactLine>
            <FactLine name="Saved by the reservoir">
              <Quantity kind="water" value={Math.max(year.saved_m3.middle, 0)} />
            </FactLine>
            <FactLine name="Runs over">
              <Quantity kind="water" value={year.overflow_m3.middle} />
            </FactLine>
          </>
        )}
      </Lines>
      {year && (
        <>
          <Disclosure title="Days it lasts, by month" said="worst to best">
            {() => (
              <FigureTable>
                <TableBody>
                  {year.lasts_days.map((each, month) => (
                    <TableRow key={MONTHS[month]}>
                      <TableCell component="th" scope="row">
                        {MONTHS[month]}
                      </TableCell>
                      <TableCell>{daysOf(each.low, year.longest_days)}</TableCell>
                      <TableCell>{daysOf(each.middle, year.longest_days)}</TableCell>
                      <TableCell>{daysOf(each.high, year.longest_days)}</TableCell>
                    </TableRow>
                  ))}
                </TableBody>
              </FigureTable>
            )}
          </Disclosure>
          <Disclosure title="Refill calendar" said={`${year.refill_days.length} in a typical year`}>
            {() => (
              <WaterList data-part="water-list">
                {year.refill_days.map(({ day, volume_m3 }) => (
                  <li key={day}>
                    <span>{dateOf(day)}</span>
                    <Quantity kind="water" value={volume_m3} />
                  </li>
                ))}
              </WaterList>
            )}
          </Disclosure>
          <Note>
            {year.years} years of {WEATHER[year.weather]}, each from {dateOf(year.begins)} on as the one
            before it ended. {year.narrow}
          </Note>
          {year.climate_said && <Note data-part="climate-said">{year.climate_said}</Note>}
        </>
      )}
    </TallyBox>
  );
}

function timesOf(count: number): string {
  const times = Math.round(count);
  return times === 1 ? "once" : `${times} times`;
}

function daysOf(days: number, longest: number): string {
  return days >= longest ? `over ${longest} days` : `${Math.round(days)} days`;
}
