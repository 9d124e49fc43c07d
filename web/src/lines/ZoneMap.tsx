import plotCss from "../plot/plot-sheet.module.css";
import type { BedFigures, Plot, Schemas } from "../api/client";
import { useSize } from "../kit/useSize";
import { Ground } from "../plot/Ground";
import { fitGround, groundAt, linePath, toSheet, type Sheet } from "../plot/sheet";

type Zone = Schemas["LedZone"];
type Place = Schemas["Place"];

const MOST_HEIGHT = 520;

/** Strokes that tell zones apart, in colour and without it. */
const STROKES = [
  { stroke: "var(--palette-water)", strokeDasharray: undefined },
  { stroke: "var(--palette-iron)", strokeDasharray: "8 3" },
  { stroke: "var(--palette-moss)", strokeDasharray: "2 3" },
  { stroke: "var(--palette-straw)", strokeDasharray: "10 3 2 3" },
  { stroke: "var(--palette-stone)", strokeDasharray: "5 5" },
] as const;

/** How a zone's pipe looks, by its place in the list. */
export function strokeOf(place: number) {
  return STROKES[place % STROKES.length] ?? STROKES[0];
}

type Props = {
  plot: Plot;
  beds: readonly { key: string; name: string; places: readonly Place[]; figures: BedFigures }[];
  zones: readonly Zone[];
  /** Whether beds bear their names where no zone numbers them. */
  named?: boolean;
  /** The scale that it is drawn at, where it isn't to fit the view. */
  px_per_m?: number;
};

/** The plot with each zone's pipe from the tap to its beds, and the zone's number on each bed. */
export function ZoneMap({ plot, beds, zones, named = false, px_per_m }: Props) {
  const [ref, size] = useSize<HTMLDivElement>();
  const fitted = size.width > 0 ? fitGround(plot, size.width, MOST_HEIGHT) : null;
  const sheet = px_per_m === undefined ? fitted : groundAt(plot, px_per_m);
  return (
    <div ref={ref} data-part="zone-map">
      {sheet && (
        <svg
          className={plotCss.plotSheet}
          width={sheet.width}
          height={sheet.height}
          role="img"
          aria-label="The zones on the plot"
        >
          <Ground plot={plot} figures={null} sheet={sheet} drop={null} />
          {beds.map(({ key, figures, places }) =>
            places.map((place, index) => (
              <BedOutline key={`${key} ${index}`} figures={figures} place={place} sheet={sheet} />
            )),
          )}
          {zones.map((zone, place) =>
            zone.runs.map((run, index) => (
              <path
                key={`${zone.key} ${index}`}
                data-part="zone-run"
                d={linePath(sheet, run.line)}
                fill="none"
                strokeWidth={3}
                {...strokeOf(place)}
              >
                <title>{`${run.starts} to ${run.ends}`}</title>
              </path>
            )),
          )}
          {beds.map(({ key, name, places }) =>
            places.map((place, index) => {
              const zone = zones.findIndex((each) => each.beds.includes(key));
              const number = zone < 0 ? null : zone + 1;
              return number === null && !(named && index === 0) ? null : (
                <ZoneNumber key={`${key} ${index}`} number={number} name={name} at={place} sheet={sheet} />
              );
            }),
          )}
        </svg>
      )}
    </div>
  );
}

type OutlineProps = { figures: BedFigures; place: Place; sheet: Sheet };

function BedOutline({ figures, place, sheet }: OutlineProps) {
  const { plan } = figures;
  const [x, y] = toSheet(sheet, [place.x_m, place.y_m]);
  const ringPath = (ring: readonly (readonly number[])[]) =>
    `M${ring
      .map(
        ([px = 0, py = 0]) =>
          `${((px - plan.length_m / 2) * sheet.scale).toFixed(1)} ${((plan.width_m / 2 - py) * sheet.scale).toFixed(1)}`,
      )
      .join("L")}Z`;
  return (
    <path
      d={plan.outside.map(ringPath).join("")}
      transform={`translate(${x} ${y}) rotate(${-(place.turn_deg ?? 0)})`}
      fill="var(--palette-ground)"
      stroke="var(--palette-soft)"
    />
  );
}

type NumberProps = { number: number | null; name: string; at: Place; sheet: Sheet };

function ZoneNumber({ number, name, at, sheet }: NumberProps) {
  const [x, y] = toSheet(sheet, [at.x_m, at.y_m]);
  return (
    <g data-part="zone-number">
      {number !== null && (
        <>
          <circle cx={x} cy={y - 7} r={11} fill="var(--palette-sheet)" stroke="var(--palette-ink)" />
          <text x={x} y={y - 3} textAnchor="middle" fontWeight={650} fontSize={13} fill="var(--palette-ink)">
            {number}
          </text>
        </>
      )}
      <text
        x={x}
        y={number === null ? y + 4 : y + 18}
        textAnchor="middle"
        fontSize={12}
        fill="var(--palette-ink)"
      >
        {name}
      </text>
    </g>
  );
}
