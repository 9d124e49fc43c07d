import { styled } from "@mui/material/styles";
import { memo } from "react";

const WIDE = 120;
const TALL = 16;

const Bar = styled("svg")(({ theme }) => ({
  width: "100%",
  minWidth: 80,
  height: TALL,
  display: "block",
  "& .rail": { stroke: theme.vars.palette.line, strokeWidth: 1 },
  "& .band": { fill: theme.vars.palette.water, fillOpacity: 0.28 },
  "& .mark": { stroke: theme.vars.palette.ink, strokeWidth: 2 },
}));

type Props = {
  usual: number;
  low: number;
  high: number;
  /** How far the line goes to either side of the figure, as a share of it: alike for all that stand together. */
  reach: number;
};

/** The widest that any of some figures lies off, as a share of it. */
export function reachOf(figures: readonly Omit<Props, "reach">[]): number {
  const off = figures.map(
    ({ usual, low, high }) => Math.max(high - usual, usual - low) / scaleOf(usual, high),
  );
  return Math.min(Math.max(0.02, ...off) * 1.1, MOST_REACH);
}

const MOST_REACH = 0.25;
const scaleOf = (usual: number, high: number) => Math.abs(usual) || Math.abs(high) || 1;

/** Where a figure lies in four of five gardens, round what it is told as: the wider, the less is known. */
export const BandBar = memo(function BandBar({ usual, low, high, reach }: Props) {
  const scale = scaleOf(usual, high) * reach;
  const at = (value: number) => Math.min(Math.max(((value - usual) / scale + 1) / 2, 0), 1) * WIDE;
  return (
    <Bar viewBox={`0 0 ${WIDE} ${TALL}`} preserveAspectRatio="none" aria-hidden focusable="false">
      <line className="rail" x1={0} x2={WIDE} y1={TALL / 2} y2={TALL / 2} />
      <rect className="band" x={at(low)} width={Math.max(at(high) - at(low), 1)} y={3} height={TALL - 6} />
      <line className="mark" x1={at(usual)} x2={at(usual)} y1={1} y2={TALL - 1} />
    </Bar>
  );
});
