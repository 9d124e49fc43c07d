import type { ForecastFigures } from "../api/client";
import { BREAK_GAP, onSheet, pathOf, type Geometry, type Point } from "./geometry";
import css from "./ghosts.module.css";
import { placeLabels, textWidth, type Box } from "./labels";

type Props = {
  geometry: Geometry;
  ghosts: ForecastFigures["ghosts"];
};

type NameProps = Props & {
  /** What no name may lie over: the grips, the tape. */
  taken: readonly Box[];
  /** What a name lies over only where there is no other place: the lines to the cards. */
  leaders: readonly Box[];
};

const NAMES = ["first winter over", "third spring"];
const HIGH = 17;
const SIZE = 11.5;

/** Dashed lines where the surface will be after the first winter and in the third spring. */
export function Ghosts({ geometry, ghosts }: Props) {
  return (
    <g>
      {linesOf(geometry, ghosts).map((lines, index) =>
        lines.map((points, part) => (
          <g key={`${index} ${part}`}>
            <path className={css.ghostUnder} d={pathOf(points, false)} />
            <path className={css.ghostLine} d={pathOf(points, false)} />
          </g>
        )),
      )}
    </g>
  );
}

function linesOf(geometry: Geometry, ghosts: ForecastFigures["ghosts"]): Point[][][] {
  return ghosts.map(({ lines }) => lines.map((line) => onSheet(geometry, line)));
}

/** The names of those lines; over the break where there is no other place, so drawn after it. */
export function GhostNames({ geometry, ghosts, taken, leaders }: NameProps) {
  const drawn = linesOf(geometry, ghosts);
  const named = drawn.map((lines, index) => ({
    name: NAMES[index] ?? "",
    places: placesOf(geometry, longest(lines), NAMES[index] ?? ""),
  }));
  // on a narrow sheet the lines and the break may have to be written over; what is taken never
  const placed =
    [
      [...taken, ...breakOf(geometry), ...leaders],
      [...taken, ...breakOf(geometry)],
    ]
      .map((boxes) => placeLabels(named, boxes))
      .find((found) => !found.includes(null)) ?? placeLabels(named, taken);
  return (
    <g>
      {named.map(({ name }, index) => {
        const box = placed[index];
        return box && <GhostName key={name} name={name} box={box} />;
      })}
    </g>
  );
}

function longest(lines: readonly (readonly Point[])[]): readonly Point[] {
  return lines.toSorted((one, two) => two.length - one.length)[0] ?? [];
}

function breakOf({ breakAt, top, floor }: Geometry): Box[] {
  if (breakAt === null) return [];
  return [{ x: breakAt - BREAK_GAP / 2 - 3, y: top - 10, width: BREAK_GAP + 6, height: floor - top + 40 }];
}

/** Along the line from its right end, then from its left; over it, under it, and further off it. */
function placesOf(geometry: Geometry, points: readonly Point[], name: string): Box[] {
  if (points.length === 0) return [];
  const width = textWidth(name, SIZE) + 12;
  const xs = points.map(([x]) => x);
  const [left, right] = [Math.max(Math.min(...xs), geometry.left), Math.min(Math.max(...xs), geometry.right)];
  const steps = 12;
  const starts = Array.from({ length: steps + 1 }, (_, at) => {
    const share = at % 2 ? at / steps / 2 : 1 - at / steps / 2;
    return left + 2 + (right - left - width - 4) * share;
  });
  return [-HIGH - 3, 4, -HIGH - 16, 18, -HIGH - 30, 32, -HIGH - 46, -HIGH - 64].flatMap((off) =>
    starts
      .filter((x) => x >= geometry.left && x + width <= geometry.right)
      .map((x) => ({ x, y: heightAt(points, x + width / 2) + off, width, height: HIGH })),
  );
}

/** The line's height over a place. */
function heightAt(points: readonly Point[], x: number): number {
  for (let i = 1; i < points.length; i += 1) {
    const [x1, y1] = points[i - 1] ?? [0, 0];
    const [x2, y2] = points[i] ?? [0, 0];
    if ((x - x1) * (x - x2) > 0 || x1 === x2) continue;
    return y1 + ((y2 - y1) * (x - x1)) / (x2 - x1);
  }
  return Math.min(...points.map(([, y]) => y));
}

function GhostName({ name, box }: { name: string; box: Box }) {
  return (
    <g
      className={css.ghostName}
      data-part="ghost-name"
      transform={`translate(${box.x} ${box.y})`}
      aria-hidden="true"
    >
      <rect width={box.width} height={HIGH} rx={3} />
      <text x={6} y={12.5}>
        {name}
      </text>
    </g>
  );
}
