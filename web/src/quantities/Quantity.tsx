import {
  otherUnits,
  showArea,
  showBulkVolume,
  showDensity,
  showDose,
  showLength,
  showMass,
  showVolume,
  showWater,
  type Units,
} from "./format";
import { useShowing } from "./UnitsContext";

const SHOW = {
  length: showLength,
  volume: showVolume,
  bulk: showBulkVolume,
  area: showArea,
  mass: showMass,
  dose: showDose,
  water: showWater,
  density: showDensity,
} satisfies Record<string, (value: number, units: Units) => string>;

/** A figure in the garden's units; the other system's on hover. */
export function Quantity({ kind, value }: { kind: keyof typeof SHOW; value: number }) {
  const { units } = useShowing();
  return (
    <span className="quantity" title={SHOW[kind](value, otherUnits(units))}>
      {SHOW[kind](value, units)}
    </span>
  );
}
