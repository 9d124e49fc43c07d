import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Typography from "@mui/material/Typography";
import type { Purchase } from "../api/client";
import { Note } from "../kit/Note";
import { Column, Row } from "../kit/Row";
import { Tick } from "../kit/Tick";
import { WordsField } from "../kit/WordsField";
import { showBulkVolume, showDay, showMoney } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { countOf } from "./bags";
import { withPurchase } from "./bought";

type Props = {
  supplier: string;
  bought: readonly Purchase[];
  /** What a material is called. */
  named: (material: string) => string;
  onChange: (change: (bought: Purchase[]) => Purchase[]) => void;
};

/** What was bought of one supplier and isn't used up: whether it is paid, how it was, and taking the tick back. */
export function Bought({ supplier, bought, named, onChange }: Props) {
  const { units, currency } = useShowing();
  const own = bought
    .map((entry, at) => ({ entry, at }))
    .filter(({ entry }) => entry.supplier === supplier && !entry.used);
  if (own.length === 0) return null;
  const set = (at: number, change: Partial<Purchase> | null) =>
    onChange((now) => withPurchase(now, at, change));
  return (
    <Column data-part="bought">
      <Typography variant="panelTitle">Bought, on hand</Typography>
      {own.map(({ entry, at }) => {
        const name = named(entry.material);
        return (
          <Row key={at} data-part="bought-line" sx={{ alignItems: "center" }}>
            <Checkbox
              checked
              onChange={() => set(at, null)}
              slotProps={{ input: { "aria-label": `${name}: got it` } }}
            />
            <span>
              <b>{countOf(entry) || showBulkVolume(entry.volume_m3 ?? 0, units)}</b> {name}
              {entry.price != null && `, ${showMoney(entry.price, currency)}`}
              <Note component="span">, {showDay(entry.on)}</Note>
            </span>
            <Tick label="paid" checked={entry.paid ?? false} onTick={(paid) => set(at, { paid })} />
            <WordsField
              label="How it came"
              placeholder="wet, short, sound"
              words={entry.arrival ?? ""}
              most={500}
              onWords={(arrival) => set(at, { arrival: arrival || null })}
            />
            <Button onClick={() => set(at, { used: true })}>Used up</Button>
          </Row>
        );
      })}
    </Column>
  );
}
