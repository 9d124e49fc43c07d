import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Table from "@mui/material/Table";
import { MONTHS } from "../quantities/format";
import { styled } from "@mui/material/styles";

const Narrow = styled(Table)({
  tableLayout: "fixed",
  "& th, & td": { padding: "2px 0", textAlign: "center", fontSize: 12 },
}) as typeof Table;

type Props = { label: string; unit: string; values: readonly number[] };

/** A figure of each month, side by side. */
export function Months({ label, unit, values }: Props) {
  return (
    <Narrow aria-label={`${label}, ${unit} by month`}>
      <caption style={{ captionSide: "top", padding: 0 }}>
        {label} ({unit})
      </caption>
      <TableHead>
        <TableRow>
          {MONTHS.map((month, index) => (
            <TableCell key={index}>{month[0]}</TableCell>
          ))}
        </TableRow>
      </TableHead>
      <TableBody>
        <TableRow>
          {values.map((value, index) => (
            <TableCell key={index}>{value < 0.5 ? "-" : Math.round(value)}</TableCell>
          ))}
        </TableRow>
      </TableBody>
    </Narrow>
  );
}
