import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableContainer from "@mui/material/TableContainer";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import type { Figures } from "../api/client";
import { USUAL_BAGS_M3 } from "../api/words";
import { Note } from "../kit/Note";
import { Sheet } from "../kit/Sheet";
import { showDay, showMoney, shownBag } from "../quantities/format";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { SAME_M3 } from "./bags";

type Props = { order: NonNullable<Figures["spring"]> };

/** The coming spring's top-ups of all filled beds, bought in one go. */
export function SpringOrder({ order }: Props) {
  const { units, currency } = useShowing();
  const [, , size = 0] = USUAL_BAGS_M3[units];
  return (
    <Sheet component="section" aria-label="Top-ups this spring" data-part="spring-order">
      <Typography variant="sheetTitle">Top-ups, last frost {showDay(order.on)}</Typography>
      <Note>What brings filled beds back to where they were laid, as one order.</Note>
      <TableContainer>
        <Table size="small">
          <TableBody>
            {order.beds.map((bed) => (
              <TableRow key={bed.bed}>
                <TableCell component="th" scope="row">
                  {bed.name}
                </TableCell>
                <TableCell>
                  sunk <Quantity kind="length" value={bed.sunk_m} /> by then
                </TableCell>
                <TableCell align="right">
                  <Quantity kind="volume" value={bed.loose_m3} /> {bed.material.toLowerCase()}, loose
                </TableCell>
              </TableRow>
            ))}
            {order.needs.map((need) => (
              <TableRow key={need.material}>
                <TableCell component="th" scope="row">
                  <strong>{need.name}, in all</strong>
                </TableCell>
                <TableCell>
                  {need.to_buy_m3 <= SAME_M3
                    ? "you have enough"
                    : need.stock_m3 > 0
                      ? "after what you have"
                      : "nothing on hand"}
                </TableCell>
                <TableCell align="right">
                  <strong>
                    <Quantity kind="volume" value={need.to_buy_m3} />
                  </strong>
                  {need.bagged && need.to_buy_m3 > SAME_M3 && (
                    <>
                      , {need.bags.find(({ volume_m3 }) => Math.abs(volume_m3 - size) < SAME_M3)?.count} bags
                      of {shownBag(size, units)}
                    </>
                  )}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </TableContainer>
      {order.haul && (
        <Note>
          {order.haul.unmet.length > 0
            ? "Not all of it is offered by anybody yet."
            : `${showMoney(order.haul.total, currency)} from the cheapest, delivery counted.`}
        </Note>
      )}
    </Sheet>
  );
}
