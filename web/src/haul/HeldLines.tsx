import Button from "@mui/material/Button";
import type { FixedLine, HaulLine } from "../api/client";
import { Note } from "../kit/Note";
import { Column, Row } from "../kit/Row";
import { showBulkVolume } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { SCREEN_ONLY } from "../theme/sizes";
import { countOf } from "./bags";

type Props = {
  supplier: string;
  fixed: readonly FixedLine[];
  named: (material: string) => string;
  onChange: (change: (fixed: FixedLine[]) => FixedLine[]) => void;
};

/** A line of the haul as it is held by hand. */
export function heldOf(line: HaulLine): FixedLine {
  const { supplier, material, form } = line;
  const amount = form === "bulk" ? { volume_m3: line.volume_m3 } : { count: line.count ?? 0 };
  return { supplier, material, form, ...amount, ...(line.offer != null && { offer: line.offer }) };
}

/** Lines of one supplier that are held by hand, whatever would be cheaper; any of them let go. */
export function HeldLines({ supplier, fixed, named, onChange }: Props) {
  const { units } = useShowing();
  const own = fixed.map((line, at) => ({ line, at })).filter(({ line }) => line.supplier === supplier);
  if (own.length === 0) return null;
  return (
    <Column data-part="held" sx={SCREEN_ONLY}>
      {own.map(({ line, at }) => (
        <Row key={at}>
          <span>
            <b>{countOf(line) || showBulkVolume(line.volume_m3 ?? 0, units)}</b> {named(line.material)}
            <Note component="span">, held by hand</Note>
          </span>
          <Button onClick={() => onChange((now) => now.filter((_, index) => index !== at))}>Let it go</Button>
        </Row>
      ))}
    </Column>
  );
}
