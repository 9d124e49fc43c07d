import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import type { HaulFigures, HaulLine, Supplier } from "../api/client";
import { sizeOf } from "../haul/bags";
import { Note } from "../kit/Note";
import { showMoney } from "../quantities/format";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { Empty } from "./Empty";
import { Paper } from "./Paper";

type Props = { supplier: Supplier; haul: HaulFigures | null };

/** What is bought of one supplier, to tick off at the till. */
export function ListSheet({ supplier, haul }: Props) {
  const { currency } = useShowing();
  const lines = haul?.lines.filter((line) => line.supplier === supplier.key) ?? [];
  const sums = haul?.suppliers.find((each) => each.supplier === supplier.key);
  return (
    <Paper title={`Shopping list: ${supplier.name ?? supplier.key}`} to="haul">
      {lines.length === 0 ? (
        <Note>Nothing from here this time.</Note>
      ) : (
        <Table size="small" data-part="paper-list">
          <TableHead>
            <TableRow>
              <TableCell>Got</TableCell>
              <TableCell>What</TableCell>
              <TableCell align="right">How many</TableCell>
              <TableCell align="right">In all, loose</TableCell>
              <TableCell align="right">Each</TableCell>
              <TableCell align="right">Price</TableCell>
              <TableCell align="right">Paid</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {lines.map((line, index) => (
              <OneLine key={index} line={line} currency={currency} />
            ))}
          </TableBody>
        </Table>
      )}
      {sums && (
        <Note>
          {sums.drops > 0 && `Carriage ${showMoney(sums.delivery, currency)}, ${sums.drops} trips. `}
          In all <b>{showMoney(sums.total, currency)}</b>.
        </Note>
      )}
    </Paper>
  );
}

function OneLine({ line, currency }: { line: HaulLine; currency: string }) {
  const { units } = useShowing();
  return (
    <TableRow>
      <TableCell>
        <Empty />
      </TableCell>
      <TableCell>
        {line.name}
        {line.form === "bulk" ? ", loose" : ""}
        {line.fetch && <Note>you fetch it</Note>}
      </TableCell>
      <TableCell align="right">
        {[line.count, sizeOf(line, units)].filter((each) => each != null && each !== "").join(" × ")}
      </TableCell>
      <TableCell align="right">
        {line.volume_m3 > 0 && <Quantity kind="bulk" value={line.volume_m3} />}
      </TableCell>
      <TableCell align="right">{showMoney(line.unit_price, currency)}</TableCell>
      <TableCell align="right">{showMoney(line.price, currency)}</TableCell>
      <TableCell sx={{ minWidth: 70 }} />
    </TableRow>
  );
}
