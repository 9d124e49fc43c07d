import css from "./plot-sheet.module.css";
import type { Fixed, Plot, PlotFigures, Schemas } from "../api/client";
import { showLength } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { linePath, sideLabel, toSheet, type Sheet } from "./sheet";

type Props = {
  plot: Plot;
  figures: PlotFigures | null;
  sheet: Sheet;
  /** Where loads are dropped. */
  drop: readonly number[] | null;
};

/** The ground with its edges measured, its contours, what stands on it, and which way is north. */
export function Ground({ plot, figures, sheet, drop }: Props) {
  const { units } = useShowing();
  return (
    <g>
      <path className={css.plotGround} data-part="plot-ground" d={linePath(sheet, plot.corners_m, true)} />
      {figures?.shades.map(({ name, length_m, outlines }, index) => (
        <path
          key={index}
          className={css.plotShade}
          data-part="plot-shade"
          d={outlines.map((ring) => linePath(sheet, ring, true)).join("")}
        >
          <title>{`${name} shades ${showLength(length_m, units)} at noon when day and night are alike`}</title>
        </path>
      ))}
      {figures?.levels?.contours.map((contour) =>
        contour.lines.map((line, index) => (
          <g key={`${contour.height_m} ${index}`} className={css.plotContour} data-part="plot-contour">
            <path d={linePath(sheet, line)} />
          </g>
        )),
      )}
      {plot.spots?.map((spot, index) => {
        const [x, y] = toSheet(sheet, spot.at_m);
        return <path key={index} className={css.plotSpot} d={`M${x - 4} ${y}h8M${x} ${y - 4}v8`} />;
      })}
      {plot.corners_m.map((corner, index) => (
        <Side
          key={index}
          from={corner}
          to={plot.corners_m[(index + 1) % plot.corners_m.length] ?? corner}
          sheet={sheet}
          said={showLength(
            lengthOf(corner, plot.corners_m[(index + 1) % plot.corners_m.length] ?? corner),
            units,
          )}
        />
      ))}
      {plot.fixed?.map((thing, index) => (
        <Thing key={index} thing={thing} sheet={sheet} />
      ))}
      {figures?.levels && <Lowest levels={figures.levels} sheet={sheet} />}
      {drop && <Drop at={drop} sheet={sheet} />}
      <North turn_deg={plot.north_deg ?? 0} x={sheet.width - 26} y={30} />
    </g>
  );
}

/** Paths, drawn over patches that they lead through. */
export function PathsOnPlot({ figures, sheet }: { figures: PlotFigures | null; sheet: Sheet }) {
  return figures?.paths.map((path, index) => (
    <path
      key={index}
      className={css.plotPath}
      data-part="plot-path"
      fillRule="evenodd"
      d={path.outlines.map((ring) => linePath(sheet, ring, true)).join("")}
    />
  ));
}

/** Ways of the barrow, from the gate or where loads are dropped to each bed. */
export function WaysOnPlot({ ways, sheet }: { ways: readonly Schemas["WayFigures"][]; sheet: Sheet }) {
  return ways
    .filter(({ line }) => line.length > 1)
    .map((way) => (
      <path
        key={`${way.start} ${way.key} ${way.index}`}
        className={css.plotWay}
        data-part="plot-way"
        d={linePath(sheet, way.line)}
      />
    ));
}

/** A line that is being drawn, point by point. */
export function SketchOnPlot({ line, sheet }: { line: readonly (readonly number[])[]; sheet: Sheet }) {
  return (
    <g className={css.plotSketch} data-part="plot-sketch">
      {line.length > 1 && <path d={linePath(sheet, line)} />}
      {line.map((point, index) => {
        const [x, y] = toSheet(sheet, point);
        return <circle key={index} cx={x} cy={y} r={4} />;
      })}
    </g>
  );
}

/** Where loads are dropped: a heap. */
function Drop({ at, sheet }: { at: readonly number[]; sheet: Sheet }) {
  const [x, y] = toSheet(sheet, at);
  return (
    <g className={css.plotDrop} data-part="plot-drop" transform={`translate(${x} ${y})`}>
      <path d="M-14 7C-9 7 -6 -7 0 -7C6 -7 9 7 14 7Z" />
      <title>Where loads are dropped</title>
    </g>
  );
}

/** Where the ground lies lowest: there water gathers. */
function Lowest({ levels, sheet }: { levels: NonNullable<PlotFigures["levels"]>; sheet: Sheet }) {
  const [x, y] = toSheet(sheet, levels.lowest);
  return (
    <g className={css.plotLowest} data-part="plot-lowest" transform={`translate(${x} ${y})`}>
      <path d="M0 -9C5 -3 6 0 6 3A6 6 0 0 1 -6 3C-6 0 -5 -3 0 -9Z" />
      <title>The lowest spot: water gathers here</title>
    </g>
  );
}

function lengthOf([x1 = 0, y1 = 0]: readonly number[], [x2 = 0, y2 = 0]: readonly number[]): number {
  return Math.hypot(x2 - x1, y2 - y1);
}

type SideProps = { from: readonly number[]; to: readonly number[]; sheet: Sheet; said: string };

/** A side's length, outside the ground and along it. */
function Side({ from, to, sheet, said }: SideProps) {
  const at = sideLabel(sheet, from, to);
  if (!at) return null;
  return (
    <text
      className={css.plotSide}
      textAnchor="middle"
      transform={`translate(${at.x} ${at.y}) rotate(${at.turn_deg}) translate(0 4)`}
    >
      {said}
    </text>
  );
}

const SIGNS: Record<string, string> = {
  tap: "M-6 4h8v-7h-4m4 0h4v4M-2 -3v-4M-5 -7h6",
  door: "M-8 6V-6M-8 -6A14 14 0 0 1 6 6H-8",
  drain: "M-7 -6H7V6H-7ZM-3 -6V6M1 -6V6M5 -6V6",
};

/** Things that take a square of ground, and how wide they usually are [m]. */
const SQUARE: Partial<Record<Fixed["kind"], number>> = {
  compost_heap: 1.2,
  shed: 2,
  patio: 3,
  pond: 2,
  stump: 0.4,
};

function Thing({ thing, sheet }: { thing: Fixed; sheet: Sheet }) {
  if (thing.line_m) {
    const width = Math.max((thing.across_m ?? 0.1) * sheet.scale, 3);
    return (
      <g className={css.plotThing} data-part="plot-thing" data-kind={thing.kind}>
        <path
          d={linePath(sheet, thing.line_m)}
          style={{ strokeWidth: thing.kind === "service" ? 2 : width }}
        />
      </g>
    );
  }
  const [x, y] = toSheet(sheet, thing.at_m ?? [0, 0]);
  const side = (thing.across_m ?? SQUARE[thing.kind] ?? 1) * sheet.scale;
  const trunk = ((thing.across_m ?? 0.3) / 2) * sheet.scale;
  return (
    <g className={css.plotThing} data-part="plot-thing" data-kind={thing.kind}>
      {SQUARE[thing.kind] !== undefined ? (
        <rect
          x={x - side / 2}
          y={y - side / 2}
          width={side}
          height={side}
          rx={thing.kind === "pond" ? side / 3 : 0}
        />
      ) : thing.kind === "tree" ? (
        <>
          <circle className={css.treeRoots} cx={x} cy={y} r={trunk * 24} />
          <circle cx={x} cy={y} r={Math.max(trunk, 4)} />
        </>
      ) : (
        <path d={SIGNS[thing.kind] ?? "M-5 0h10M0 -5v10"} transform={`translate(${x} ${y})`} />
      )}
    </g>
  );
}

function North({ turn_deg, x, y }: { turn_deg: number; x: number; y: number }) {
  return (
    <g
      className={css.plotNorth}
      transform={`translate(${x} ${y}) rotate(${turn_deg})`}
      role="img"
      aria-label="North"
    >
      <path d="M0 16V-12M0 -18L6 -6L0 -9L-6 -6Z" />
      <text y={-21} textAnchor="middle">
        N
      </text>
    </g>
  );
}
