import Button from "@mui/material/Button";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableRow from "@mui/material/TableRow";
import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import TableContainer from "@mui/material/TableContainer";
import Typography from "@mui/material/Typography";
import { Note } from "../kit/Note";
import { Column, Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { useState } from "react";
import type { FixedLine, HaulFigures, HaulLine, Material, Purchase, Supplier } from "../api/client";
import { showArea, showBulkVolume, showMoney, showUnitPrice } from "../quantities/format";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { WARES } from "../api/wares";
import { TIMBER } from "../api/words";
import { SCREEN_ONLY } from "../theme/sizes";
import { todayHere } from "../kit/todayHere";
import { HeldLines, heldOf } from "./HeldLines";
import { LoadDrawing } from "./LoadDrawing";
import { RollCuts } from "./RollCuts";
import { SupplierEditor } from "./SupplierEditor";
import { Bought } from "./Bought";
import { boughtOf } from "./bought";
import { countOf, sizeOf } from "./bags";

type Props = {
  gardenId: number;
  supplier: Supplier;
  lines: readonly HaulLine[];
  sums: HaulFigures["suppliers"][number] | undefined;
  materials: ReadonlyMap<string, Material>;
  bought: readonly Purchase[];
  onBought: (change: (bought: Purchase[]) => Purchase[]) => void;
  fixed: readonly FixedLine[];
  onFixed: (change: (fixed: FixedLine[]) => FixedLine[]) => void;
  /** What a bed is called. */
  nameOf: (bed: string) => string;
  onKeep: (supplier: Supplier) => void;
  onForget: () => void;
};

/** One supplier: its load drawn, its lines to tick off, its offers to change. */
export function SupplierPanel(props: Props) {
  const {
    gardenId,
    supplier,
    lines,
    sums,
    materials,
    bought,
    onBought,
    fixed,
    onFixed,
    nameOf,
    onKeep,
    onForget,
  } = props;
  const { units, currency } = useShowing();
  const [editing, setEditing] = useState(false);
  const named = (material: string) =>
    materials.get(material)?.name ?? WARES[material] ?? TIMBER[material] ?? material;
  const loads = lines.filter(isLoose).map((line) => ({
    key: lineName(line),
    material: line.material,
    like: materials.get(line.material)?.like,
    form: line.form === "bag" ? ("bag" as const) : ("heap" as const),
    count: line.count ?? 0,
    volume_m3: line.volume_m3,
    caption:
      line.form === "bag"
        ? `${line.count} ${shortName(line.name)}`
        : `${showBulkVolume(line.volume_m3, units)} ${shortName(line.name)}`,
  }));
  return (
    <Sheet
      component="section"
      aria-label={supplier.name ?? supplier.key}
      sx={{ "@media print": { breakAfter: "page", display: lines.length === 0 ? "none" : undefined } }}
    >
      <Row>
        <Box sx={{ marginRight: "auto" }}>
          <Typography variant="sheetTitle">{supplier.name}</Typography>
          <Note>
            {deliveryOf(sums, lines, currency)}
            {sums &&
              sums.footprint_m2 > 0 &&
              `; takes up to ${showArea(sums.footprint_m2, units)} of the drive`}
          </Note>
        </Box>
        {sums && (
          <Box component="b" sx={{ fontSize: "var(--text-line)" }} data-part="haul-sum">
            {showMoney(sums.total, currency)}
          </Box>
        )}
        <Button sx={SCREEN_ONLY} aria-expanded={editing} onClick={() => setEditing(!editing)}>
          {editing ? "Leave offers" : "Offers"}
        </Button>
      </Row>
      <Column>
        {loads.length > 0 && (
          <Box sx={{ "@media (max-width: 760px)": { order: 1 } }}>
            <LoadDrawing loads={loads} />
          </Box>
        )}
        {lines.length > 0 && (
          <TableContainer>
            <Table data-part="haul-lines">
              <TableBody>
                {lines.map((line) => (
                  <Line
                    key={`${lineName(line)} ${line.price}`}
                    line={line}
                    held={fixed.some((each) => isHeld(each, line))}
                    onHold={() => onFixed((now) => [...now, heldOf(line)])}
                    onTick={() => onBought((now) => [...now, boughtOf(line, todayHere())])}
                  />
                ))}
              </TableBody>
            </Table>
          </TableContainer>
        )}
      </Column>
      {lines.map((line) => (
        <RollCuts
          key={lineName(line)}
          line={line}
          like={materials.get(line.material)?.like}
          nameOf={nameOf}
        />
      ))}
      <HeldLines supplier={supplier.key} fixed={fixed} named={named} onChange={onFixed} />
      <Bought supplier={supplier.key} bought={bought} named={named} onChange={onBought} />
      {editing && (
        <SupplierEditor
          gardenId={gardenId}
          supplier={supplier}
          materials={materials}
          onKeep={(changed) => {
            onKeep(changed);
            setEditing(false);
          }}
          onLeave={() => setEditing(false)}
          onForget={onForget}
        />
      )}
    </Sheet>
  );
}

/** Sheets, pipes and packs are not drawn: they lie on top. */
function isLoose({ form }: HaulLine): boolean {
  return form === "bag" || form === "bulk";
}

function lineName(line: HaulLine): string {
  const size = [line.bag_m3, line.bag_kg, ...line.size_m, line.diameter_m].filter((each) => each != null);
  return [line.supplier, line.material, line.form, ...size].join(" ");
}

function shortName(name: string): string {
  return name.split(",")[0]?.toLowerCase() ?? name;
}

function deliveryOf(sums: Props["sums"], lines: readonly HaulLine[], currency: string): string {
  if (lines.length === 0) return "nothing from here this time";
  if (!sums || sums.drops === 0) return "you fetch, nothing for carriage";
  const trips = sums.drops === 1 ? "one trip" : `${sums.drops} trips`;
  return `delivers, ${trips} ${showMoney(sums.delivery, currency)}${lines.some((line) => line.fetch) ? ", the rest you fetch" : ""}`;
}

/** Held by hand at the desk; on a phone the row has room for the tick alone. */
const HOLD = { width: 64, ...SCREEN_ONLY, "@media (max-width: 760px)": { display: "none" } };

function isHeld(fixed: FixedLine, line: HaulLine): boolean {
  return fixed.supplier === line.supplier && fixed.material === line.material && fixed.form === line.form;
}

type LineProps = { line: HaulLine; held: boolean; onHold: () => void; onTick: () => void };

function Line({ line, held, onHold, onTick }: LineProps) {
  // it stands ticked until what is left to get is worked out anew without it
  const [got, setGot] = useState(false);
  const { units, currency } = useShowing();
  const name = line.form === "bulk" ? `${line.name}, loose` : line.name;
  const size = sizeOf(line, units);
  return (
    <TableRow>
      <TableCell sx={{ width: 36 }} data-part="haul-tick">
        <Checkbox
          checked={got}
          disabled={got}
          onChange={() => {
            setGot(true);
            onTick();
          }}
          slotProps={{ input: { "aria-label": `${name}: got it` } }}
        />
      </TableCell>
      <TableCell>
        {name}
        {size && (
          <Box component="span" sx={{ color: "soft" }}>
            , {size}
          </Box>
        )}
      </TableCell>
      <TableCell align="right">{countOf(line) || <Quantity kind="bulk" value={line.volume_m3} />}</TableCell>
      <TableCell align="right">
        {line.form === "bulk"
          ? showUnitPrice(line.unit_price, { units, currency })
          : `${showMoney(line.unit_price, currency)} each`}
      </TableCell>
      <TableCell align="right">{showMoney(line.price, currency)}</TableCell>
      <TableCell align="right" sx={HOLD}>
        {!held && (
          <Button variant="text" aria-label={`Hold ${name} as it is`} onClick={onHold}>
            Hold
          </Button>
        )}
      </TableCell>
    </TableRow>
  );
}
