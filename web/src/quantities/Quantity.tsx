import Tooltip from "@mui/material/Tooltip";
import { styled } from "@mui/material/styles";
import { memo } from "react";
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

const Figure = styled("span")({ whiteSpace: "nowrap" });

/** A figure in the garden's units; the other system's on hover and on focus. */
export const Quantity = memo(function Quantity({ kind, value }: { kind: keyof typeof SHOW; value: number }) {
  const { units } = useShowing();
  return (
    <Tooltip title={SHOW[kind](value, otherUnits(units))} describeChild>
      <Figure>{SHOW[kind](value, units)}</Figure>
    </Tooltip>
  );
});
