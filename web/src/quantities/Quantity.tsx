import Tooltip from "@mui/material/Tooltip";
import { styled } from "@mui/material/styles";
import { memo } from "react";
import {
  otherUnits,
  showArea,
  showBulkVolume,
  showDensity,
  showDose,
  showHeld,
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
  held: showHeld,
  bulk: showBulkVolume,
  area: showArea,
  mass: showMass,
  dose: showDose,
  water: showWater,
  density: showDensity,
} satisfies Record<string, (value: number, units: Units, beside?: number) => string>;

const Figure = styled("span")({ whiteSpace: "nowrap" });

type Props = {
  kind: keyof typeof SHOW;
  value: number;
  /** The largest figure of its row: all of a row are in one unit. */
  beside?: number;
};

/** A figure in the garden's units; the other system's on hover and on focus. */
export const Quantity = memo(function Quantity({ kind, value, beside }: Props) {
  const { units } = useShowing();
  const show: (value: number, units: Units, beside?: number) => string = SHOW[kind];
  return (
    <Tooltip title={show(value, otherUnits(units), beside)} describeChild>
      <Figure>{show(value, units, beside)}</Figure>
    </Tooltip>
  );
});
