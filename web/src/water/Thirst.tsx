import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableContainer from "@mui/material/TableContainer";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import type { BedFigures } from "../api/client";
import { MONTHS } from "../climate/months";
import { FigureTable } from "../kit/FigureTable";
import { Note } from "../kit/Note";
import { Sheet } from "../kit/Sheet";
import { trimmed } from "../quantities/format";
import { Quantity } from "../quantities/Quantity";

const M3 = 1000;

/** What the bed drinks, month by month, and what soaking its fill takes. */
export function Thirst({ figures }: { figures: BedFigures }) {
  const wet = figures.soak_l / M3;
  return (
    <Sheet component="section" data-part="thirst" aria-labelledby="thirst-title">
      <Typography variant="panelTitle" id="thirst-title">
        Its thirst{figures.count > 1 && ", each bed"}
      </Typography>
      <Note>
        Of a usual week; to give is what rain leaves of it. Dry days are how long the soil lasts without rain
        before plants go short: half of what they can take of it.
      </Note>
      <TableContainer>
        <FigureTable size="small">
          <TableHead>
            <TableRow>
              <TableCell scope="col">month</TableCell>
              <TableCell scope="col">drinks a week</TableCell>
              <TableCell scope="col">to give</TableCell>
              <TableCell scope="col">dry days</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {MONTHS.map((name, month) => (
              <TableRow key={name} data-part="thirst-month">
                <TableCell component="th" scope="row">
                  {name}
                </TableCell>
                <TableCell>
                  <Quantity kind="water" value={(figures.thirst_l_week[month] ?? 0) / M3} />
                </TableCell>
                <TableCell>
                  <Quantity kind="water" value={(figures.given_l_week[month] ?? 0) / M3} />
                </TableCell>
                <TableCell>{lasts(figures.between_days[month])}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </FigureTable>
      </TableContainer>
      {wet > 0 && (
        <Note>
          To wet the fill through as it is laid takes up to <Quantity kind="water" value={wet} />
          {figures.soak_minutes != null && `, ${trimmed(figures.soak_minutes, 0)} minutes of the tap`}
          {figures.count > 1 && ", each bed"}.
        </Note>
      )}
    </Sheet>
  );
}

const LONG_DAYS = 60;

function lasts(days: number | null | undefined): string {
  if (days == null) return "many";
  return days > LONG_DAYS ? `over ${LONG_DAYS}` : trimmed(days, 0);
}
