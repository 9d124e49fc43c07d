import Box from "@mui/material/Box";
import { ChartsAxisHighlight } from "@mui/x-charts/ChartsAxisHighlight";
import { ChartsContainer } from "@mui/x-charts/ChartsContainer";
import { ChartsGrid } from "@mui/x-charts/ChartsGrid";
import { ChartsTooltip } from "@mui/x-charts/ChartsTooltip";
import { ChartsXAxis } from "@mui/x-charts/ChartsXAxis";
import { ChartsYAxis } from "@mui/x-charts/ChartsYAxis";
import { useXScale, useYScale } from "@mui/x-charts/hooks";
import { LinePlot } from "@mui/x-charts/LineChart";
import type { ReactNode } from "react";
import { CHART } from "./chart.styles";
import { roundMarks } from "./roundMarks";

export type Line = {
  label: string;
  values: readonly number[];
  colour: string;
  /** Thin beside the one that counts. */
  thin?: boolean;
};

type Props = {
  label: string;
  height: number;
  /** Where each value stands along the time, evenly or not. */
  at: readonly number[];
  ticks: readonly number[];
  nameOfTick: (at: number) => string;
  /** As the reading under the pointer says it. */
  nameOf: (at: number) => string;
  lines: readonly Line[];
  band: { label: string; low: readonly number[]; high: readonly number[]; colour: string };
  most: number;
  showValue: (value: number) => string;
  /** What the marks of the values are whole multiples of, in the values' own unit. */
  unit: number;
  /** What else is drawn on the same scales. */
  children?: ReactNode;
};

const NO_MARKS = { showMark: false, curve: "linear" } as const;

/** Values over time with the band they may lie in; every value can be read under the pointer and by the arrow keys. */
export default function BandChart(props: Props) {
  const { label, height, at, ticks, lines, band, most, showValue, unit } = props;
  const value = (given: number | null) => (given === null ? "" : showValue(given));
  const edge = (name: string, data: readonly number[]) => ({
    type: "line" as const,
    id: name,
    label: name,
    data: [...data],
    color: "transparent",
    valueFormatter: value,
    ...NO_MARKS,
  });
  return (
    <Box role="group" aria-label={label} data-part="chart" sx={CHART}>
      <ChartsContainer
        height={height}
        skipAnimation
        margin={{ left: 0, right: 16, top: 8, bottom: 0 }}
        xAxis={[
          {
            id: "time",
            data: [...at],
            scaleType: "linear",
            min: at[0],
            max: at.at(-1),
            tickInterval: [...ticks],
            valueFormatter: (where: number, context) =>
              context.location === "tick" ? props.nameOfTick(where) : props.nameOf(where),
          },
        ]}
        yAxis={[
          {
            id: "value",
            min: 0,
            max: most,
            width: 62,
            tickInterval: roundMarks(most, unit),
            valueFormatter: showValue,
          },
        ]}
        series={[
          ...lines.map((line) => ({
            type: "line" as const,
            id: line.label,
            label: line.label,
            data: [...line.values],
            color: line.colour,
            valueFormatter: value,
            ...NO_MARKS,
          })),
          edge(`${band.label}, most`, band.high),
          edge(`${band.label}, least`, band.low),
        ]}
      >
        <ChartsGrid horizontal />
        <Band at={at} low={band.low} high={band.high} colour={band.colour} />
        <LinePlot />
        {props.children}
        <ChartsAxisHighlight x="line" />
        <ChartsXAxis axisId="time" />
        <ChartsYAxis axisId="value" />
        <ChartsTooltip trigger="axis" />
      </ChartsContainer>
    </Box>
  );
}

type BandProps = { at: readonly number[]; low: readonly number[]; high: readonly number[]; colour: string };

/** The band between two rows of values, on the chart's own scales. */
function Band({ at, low, high, colour }: BandProps) {
  const x = useXScale<"linear">("time");
  const y = useYScale<"linear">("value");
  const points = (values: readonly number[]) =>
    values.map((value, index) => `${x(at[index] ?? 0)} ${y(value)}`);
  return (
    <path d={`M${[...points(high), ...points(low).toReversed()].join("L")}Z`} fill={colour} opacity={0.35} />
  );
}

type MarksProps = { at: readonly { at: number; value: number; name: string }[]; part: string };

/** Single readings on the same scales. */
export function Marks({ at: marks, part }: MarksProps) {
  const x = useXScale<"linear">("time");
  const y = useYScale<"linear">("value");
  return (
    <g>
      {marks.map(({ at, value, name }) => (
        <circle
          key={`${at} ${name}`}
          data-part={part}
          cx={x(at)}
          cy={y(value)}
          r={4}
          fill="var(--palette-straw)"
          stroke="var(--palette-ink)"
        >
          <title>{name}</title>
        </circle>
      ))}
    </g>
  );
}

/** Days on which something is done, as ticks on the time's line. */
export function DayTicks({ at: days, colour }: { at: readonly number[]; colour: string }) {
  const x = useXScale<"linear">("time");
  const y = useYScale<"linear">("value");
  const foot = y(0) ?? 0;
  return (
    <g aria-hidden="true">
      {days.map((day) => (
        <line key={day} x1={x(day)} x2={x(day)} y1={foot - 11} y2={foot} stroke={colour} strokeWidth={2} />
      ))}
    </g>
  );
}
