import Box from "@mui/material/Box";
import { ChartsAxisHighlight } from "@mui/x-charts/ChartsAxisHighlight";
import { ChartsContainer } from "@mui/x-charts/ChartsContainer";
import { ChartsGrid } from "@mui/x-charts/ChartsGrid";
import { ChartsReferenceLine } from "@mui/x-charts/ChartsReferenceLine";
import { ChartsTooltip } from "@mui/x-charts/ChartsTooltip";
import { ChartsXAxis } from "@mui/x-charts/ChartsXAxis";
import { ChartsYAxis } from "@mui/x-charts/ChartsYAxis";
import { LinePlot } from "@mui/x-charts/LineChart";
import { CHART } from "./chart.styles";

type Props = {
  label: string;
  height: number;
  at: readonly number[];
  showAt: (at: number) => string;
  ticks: readonly number[];
  lines: readonly { label: string; values: readonly (number | null)[]; colour: string }[];
  most: number;
  showValue: (value: number) => string;
  /** Places on the lower axis that are named. */
  marks: readonly { at: number; name: string; strong: boolean }[];
};

/** Lines over a measure; every value can be read under the pointer and by the arrow keys. */
export default function LineChart({
  label,
  height,
  at,
  showAt,
  ticks,
  lines,
  most,
  showValue,
  marks,
}: Props) {
  return (
    <Box role="group" aria-label={label} data-part="chart" sx={CHART}>
      <ChartsContainer
        height={height}
        skipAnimation
        margin={{ left: 0, right: 24, top: 28, bottom: 0 }}
        xAxis={[
          {
            id: "at",
            data: [...at],
            scaleType: "linear",
            min: 0,
            max: at.at(-1),
            tickInterval: [...ticks],
            valueFormatter: showAt,
          },
        ]}
        yAxis={[
          { id: "value", min: 0, max: most * 1.05, width: 72, tickNumber: 5, valueFormatter: showValue },
        ]}
        series={lines.map((line) => ({
          type: "line" as const,
          id: line.label,
          label: line.label,
          data: [...line.values],
          color: line.colour,
          showMark: false,
          curve: "stepBefore" as const,
          valueFormatter: (value: number | null) => (value === null ? "can't be had so" : showValue(value)),
        }))}
      >
        <ChartsGrid horizontal />
        <LinePlot />
        {marks.map((mark, index) => (
          <ChartsReferenceLine
            key={mark.name}
            x={mark.at}
            label={mark.name}
            labelAlign="start"
            spacing={{ x: 5, y: index * 16 - 18 }}
            lineStyle={{
              stroke: mark.strong ? "var(--palette-ink)" : "var(--palette-soft)",
              strokeDasharray: mark.strong ? undefined : "4 4",
            }}
            labelStyle={{ fill: "var(--palette-ink)", fontSize: "var(--text-micro)", fontWeight: 650 }}
          />
        ))}
        <ChartsAxisHighlight x="line" />
        <ChartsXAxis axisId="at" />
        <ChartsYAxis axisId="value" />
        <ChartsTooltip trigger="axis" />
      </ChartsContainer>
    </Box>
  );
}
