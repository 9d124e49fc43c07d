import { styled } from "@mui/material/styles";
import type { KeptGarden, PlotFigures } from "../api/client";
import { useSize } from "../kit/useSize";
import { Ground } from "../plot/Ground";
import plotCss from "../plot/plot-sheet.module.css";
import { fitGround, linePath, toSheet, type Sheet } from "../plot/sheet";
import { GateSign } from "./GateSign";
import type { WorkStep } from "./worksApi";

const MOST_HEIGHT = 320;

const Drawing = styled("svg")(({ theme }) => ({
  display: "block",
  width: "100%",
  "& [data-part=site]": {
    fill: theme.vars.palette.hollow,
    stroke: theme.vars.palette.timberEdge,
    strokeWidth: 1.2,
  },
  "& [data-part=site][data-worked]": {
    fill: theme.vars.palette.wash,
    stroke: theme.vars.palette.iron,
    strokeWidth: 2,
  },
  "& [data-part=way]": {
    fill: "none",
    stroke: theme.vars.palette.iron,
    strokeWidth: 2,
    strokeDasharray: "2 5",
    strokeLinecap: "round",
  },
  "& [data-part=stop] circle": { fill: theme.vars.palette.iron },
  "& [data-part=stop][data-done] circle": { fill: theme.vars.palette.moss },
  "& [data-part=stop] text": { fill: theme.vars.palette.onIron, fontSize: 12, fontWeight: 700 },
  "& [data-part=stop] [data-part=site-name]": {
    fill: theme.vars.palette.ink,
    stroke: theme.vars.palette.sheet,
    strokeWidth: 4,
    paintOrder: "stroke",
    fontSize: 12,
  },
}));

type Props = {
  garden: KeptGarden;
  figures: PlotFigures;
  /** Steps of the day that is looked at, in their order. */
  steps: readonly WorkStep[];
  onOpen: (key: string) => void;
};

type Stop = { at: readonly number[]; first: number; last: number; steps: readonly WorkStep[] };

/** The day's steps as a path through the plot: where one goes one after the other, and which gates stand on the way. */
export function PlotPath({ garden, figures, steps, onOpen }: Props) {
  const [ref, size] = useSize<HTMLDivElement>();
  const { plot, drop = null } = garden.garden;
  const sheet = plot && size.width > 0 ? fitGround(plot, size.width, MOST_HEIGHT) : null;
  if (!plot) return null;
  const stops = stopsOf(steps, drop ?? plot.corners_m[0] ?? [0, 0]);
  const worked = new Set(steps.map(({ bed }) => bed));
  return (
    <div ref={ref} data-part="works-path">
      {sheet && (
        <Drawing
          className={plotCss.plotSheet}
          viewBox={`0 0 ${sheet.width} ${sheet.height}`}
          height={sheet.height}
          role="group"
          aria-label="The day's way through the plot"
        >
          <Ground plot={plot} figures={null} sheet={sheet} drop={drop} />
          {figures.placed.map((bed) => (
            <path
              key={`${bed.key} ${bed.index}`}
              data-part="site"
              data-worked={worked.has(bed.key) || undefined}
              d={bed.outline.map((ring) => linePath(sheet, ring, true)).join("")}
            >
              <title>{bed.name}</title>
            </path>
          ))}
          {stops.length > 1 && (
            <path
              data-part="way"
              d={linePath(
                sheet,
                stops.map(({ at }) => at),
              )}
            />
          )}
          {stops.map((stop) => (
            <StopMark key={stop.first} stop={stop} sheet={sheet} onOpen={onOpen} />
          ))}
        </Drawing>
      )}
    </div>
  );
}

type MarkProps = { stop: Stop; sheet: Sheet; onOpen: (key: string) => void };

function StopMark({ stop, sheet, onOpen }: MarkProps) {
  const [x, y] = toSheet(sheet, stop.at);
  const next = stop.steps.find((step) => !step.done) ?? stop.steps[0];
  const gate = stop.steps.find((step) => step.hold !== "");
  if (!next) return null;
  const said = stop.first === stop.last ? String(stop.first) : `${stop.first}–${stop.last}`;
  const wide = said.length > 2 ? 17 : 11;
  return (
    <g
      data-part="stop"
      data-done={next.done || undefined}
      role="button"
      tabIndex={0}
      aria-label={`${said}: ${next.title}`}
      style={{ cursor: "pointer" }}
      onClick={() => onOpen(next.key)}
      onKeyDown={(event) => event.key === "Enter" && onOpen(next.key)}
    >
      <rect x={x - wide - 4} y={y - 22} width={2 * wide + 8} height={44} fill="transparent" />
      <circle cx={x} cy={y} r={wide} />
      <text x={x} y={y + 4} textAnchor="middle">
        {said}
      </text>
      {next.bed !== "" && (
        <text data-part="site-name" x={x} y={y + wide + 14} textAnchor="middle">
          {next.name}
        </text>
      )}
      {gate && (
        <g transform={`translate(${x + wide + 3} ${y - 8})`} aria-hidden="true">
          <GateSign passed={gate.passed} />
        </g>
      )}
    </g>
  );
}

/** Steps one after the other in one place make one stop; what is no bed's is done where loads are dropped. */
function stopsOf(steps: readonly WorkStep[], start: readonly number[]): Stop[] {
  const stops: Stop[] = [];
  steps.forEach((step, index) => {
    const at = step.at ?? start;
    const last = stops[stops.length - 1];
    if (last && last.at[0] === at[0] && last.at[1] === at[1])
      stops[stops.length - 1] = { ...last, last: index + 1, steps: [...last.steps, step] };
    else stops.push({ at, first: index + 1, last: index + 1, steps: [step] });
  });
  return stops;
}
