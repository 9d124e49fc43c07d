import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableContainer from "@mui/material/TableContainer";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import { useEffect, useRef } from "react";
import type { Schemas } from "../api/client";
import { showRain, showTemperature } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { MONTHS } from "./months";

type Normals = Schemas["Normals"];
type Props = { normals: readonly Normals[]; onMonths: (normals: Normals[]) => void };

const COLUMNS = [
  ["tmin_c", "Nights", "coldest"],
  ["tmax_c", "Days", "warmest"],
] as const;

/** The twelve months: nights, days and rain, each to be put right. */
export function Months({ normals, onMonths }: Props) {
  const { units } = useShowing();
  // two months may be read at once: the second rests on the first
  const latest = useRef(normals);
  useEffect(() => {
    latest.current = normals;
  }, [normals]);
  const change = (at: number, changed: Partial<Normals>) => {
    const next = latest.current.map((month, index) => (index === at ? { ...month, ...changed } : month));
    latest.current = next;
    onMonths(next);
  };
  return (
    <TableContainer>
      <Table size="small" sx={{ "& td, & th": { paddingX: 1 } }}>
        <TableHead>
          <TableRow>
            <TableCell>Month</TableCell>
            {COLUMNS.map(([key, name]) => (
              <TableCell key={key}>{name}</TableCell>
            ))}
            <TableCell>Rain</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {normals.map((month, at) => (
            <TableRow key={MONTHS[at]}>
              <TableCell component="th" scope="row">
                {MONTHS[at]}
              </TableCell>
              {COLUMNS.map(([key, , said]) => (
                <TableCell key={key}>
                  <MeasureField
                    label={`${MONTHS[at]}, ${said}`}
                    hideLabel
                    limit="day_temperature"
                    width="74px"
                    shown={showTemperature(month[key], units)}
                    onMeaning={({ values: [value] }) => value !== undefined && change(at, { [key]: value })}
                  />
                </TableCell>
              ))}
              <TableCell>
                <MeasureField
                  label={`${MONTHS[at]}, rain`}
                  hideLabel
                  limit="rain"
                  width="74px"
                  shown={showRain(month.rain_mm, units)}
                  onMeaning={({ values: [value] }) =>
                    value !== undefined && change(at, { rain_mm: value * 1000 })
                  }
                />
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </TableContainer>
  );
}
