import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableContainer from "@mui/material/TableContainer";
import TableRow from "@mui/material/TableRow";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { saidOf, type Schemas, type Supplier } from "../api/client";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Column, Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { showDay, showMoney, showUnitPrice } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { FilePick } from "../theme/controls/FilePick";
import { Pick } from "../theme/controls/Pick";
import { haulApi } from "./haulApi";

type PricedRow = Schemas["PricedRow"];
type Fault = NonNullable<Schemas["AskedPrices"]["fault"]>;
type Props = {
  gardenId: number;
  /** Take what was said yes to over into the suppliers' offers. */
  onTake: (change: (suppliers: Supplier[]) => Supplier[]) => void;
  onLeave: () => void;
};

const LARGEST_BYTES = 500_000;
const FAULTS: readonly (readonly [Fault, string])[] = [
  ["none", "as it should be"],
  ["late", "not come yet"],
  ["partial", "with gaps"],
  ["stale", "of last year"],
  ["absurd", "with slips"],
];

/** Prices from a file, pasted from a spreadsheet or from the price service: nothing is taken without a yes. */
export function PriceList({ gardenId, onTake, onLeave }: Props) {
  const [pasted, setPasted] = useState("");
  const [tooLarge, setTooLarge] = useState<string | null>(null);
  const [fault, setFault] = useState<Fault>("none");
  const [asked, setAsked] = useState(1);
  const read = useMutation({ mutationFn: (text: string) => haulApi.readPrices(gardenId, text) });
  const service = useMutation({
    mutationFn: (seed: number) => haulApi.askPriceService(gardenId, { fault, seed }),
    onSuccess: () => setAsked((before) => before + 1),
  });
  const found = service.data ?? read.data;
  const error = service.error ?? read.error;
  const look = (text: string) => {
    service.reset();
    read.mutate(text);
  };
  const choose = async (file: File) => {
    setTooLarge(
      file.size > LARGEST_BYTES ? `${file.name} is over half a MB, more than a price list may be.` : null,
    );
    if (file.size <= LARGEST_BYTES) look(await file.text());
  };
  return (
    <Sheet component="section" aria-label="Prices" data-part="price-list">
      <Column>
        <Row>
          <Typography variant="sheetTitle" sx={{ marginRight: "auto" }}>
            Prices
          </Typography>
          <Button component="a" href={`/api/gardens/${gardenId}/prices.csv`} download>
            Take them out as CSV
          </Button>
          <Button onClick={onLeave}>Leave prices</Button>
        </Row>
        <TextField
          label="Rows pasted from a spreadsheet, the names of the columns first"
          placeholder="supplier, material, form, price, volume_m3"
          multiline
          minRows={3}
          maxRows={8}
          value={pasted}
          onChange={(event) => setPasted(event.target.value)}
        />
        <Row sx={{ alignItems: "flex-end" }}>
          <Button variant="contained" disabled={!pasted.trim()} onClick={() => look(pasted)}>
            Look at what was pasted
          </Button>
          <FilePick
            label="A price list as CSV"
            accept=".csv,.tsv,.txt,text/csv"
            onFile={(file) => void choose(file)}
          >
            Choose a CSV file
          </FilePick>
          <Pick label="The price service, simulated" options={FAULTS} value={fault} onChoose={setFault} />
          <Button
            onClick={() => {
              read.reset();
              service.mutate(asked);
            }}
          >
            Ask it
          </Button>
        </Row>
        {tooLarge && <Problem>{tooLarge}</Problem>}
        {error && <Problem>{saidOf(error)}</Problem>}
        {found && <Preview key={JSON.stringify(found)} found={found} onTake={onTake} />}
      </Column>
    </Sheet>
  );
}

type PreviewProps = { found: Schemas["PriceListRead"]; onTake: Props["onTake"] };

/** What a list would change, each row with a tick; what is doubted has to be ticked by hand. */
function Preview({ found, onTake }: PreviewProps) {
  const changes = found.rows.filter((row) => !row.same);
  const [yes, setYes] = useState<ReadonlySet<number>>(
    () => new Set(changes.filter((row) => !row.doubt).map((row) => row.line)),
  );
  const [taken, setTaken] = useState(false);
  const turn = (line: number) =>
    setYes((before) => {
      const after = new Set(before);
      if (!after.delete(line)) after.add(line);
      return after;
    });
  const chosen = changes.filter((row) => yes.has(row.line));
  const same = found.rows.length - changes.length;
  return (
    <Column data-part="price-preview">
      {found.rows.length + found.bad.length === 0 && <Note>No prices came: try again later.</Note>}
      {found.bad.map((row) => (
        <Problem key={row.line}>
          Line {row.line}: {row.reason}. <code>{row.text}</code>
        </Problem>
      ))}
      {changes.length > 0 && (
        <TableContainer>
          <Table>
            <TableBody>
              {changes.map((row) => (
                <PriceRow key={row.line} row={row} chosen={yes.has(row.line)} onTurn={() => turn(row.line)} />
              ))}
            </TableBody>
          </Table>
        </TableContainer>
      )}
      {same > 0 && <Note>{same === 1 ? "1 row is" : `${same} rows are`} as you have it.</Note>}
      {changes.length > 0 && (
        <Row>
          <Button
            variant="contained"
            disabled={chosen.length === 0 || taken}
            onClick={() => {
              onTake((suppliers) => withRows(suppliers, chosen));
              setTaken(true);
            }}
          >
            {taken ? "Taken" : chosen.length === 1 ? "Take 1 price" : `Take ${chosen.length} prices`}
          </Button>
        </Row>
      )}
    </Column>
  );
}

function PriceRow({ row, chosen, onTurn }: { row: PricedRow; chosen: boolean; onTurn: () => void }) {
  const { units, currency } = useShowing();
  const { offer } = row;
  const perM3 = offer.form === "bulk" ? offer.price_per_m3 : null;
  const shown = (amount: string | null | undefined) =>
    amount == null
      ? ""
      : perM3 == null
        ? showMoney(amount, currency)
        : showUnitPrice(amount, { units, currency });
  const now = offer.form === "bulk" ? (offer.price_per_m3 ?? offer.price_per_t) : offer.price;
  return (
    <TableRow>
      <TableCell sx={{ width: 36 }}>
        <Checkbox
          checked={chosen}
          onChange={onTurn}
          slotProps={{ input: { "aria-label": `Line ${row.line}: take it` } }}
        />
      </TableCell>
      <TableCell>
        {row.material_name}, {row.supplier_name}
        {row.doubt && <Problem>{row.doubt}</Problem>}
      </TableCell>
      <TableCell align="right">{row.replaces == null ? "new" : shown(row.price_before)}</TableCell>
      <TableCell align="right">
        {shown(now)}
        {offer.priced_on != null && <Note component="span">, {showDay(offer.priced_on)}</Note>}
      </TableCell>
    </TableRow>
  );
}

/** Suppliers with the offers of rows in the place of those they replace, or beside them. */
function withRows(suppliers: readonly Supplier[], rows: readonly PricedRow[]): Supplier[] {
  return suppliers.map((supplier) => {
    const own = rows.filter((row) => row.supplier === supplier.key);
    const replaced = (supplier.offers ?? []).map(
      (offer, index) => own.find((row) => row.replaces === index)?.offer ?? offer,
    );
    return {
      ...supplier,
      offers: [...replaced, ...own.filter((row) => row.replaces == null).map(({ offer }) => offer)],
    };
  });
}
