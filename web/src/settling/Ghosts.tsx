import css from "./years.module.css";
import type { ForecastFigures } from "../api/client";
import { onSheet, pathOf, type Geometry, type Point } from "../section/geometry";

type Props = { geometry: Geometry; ghosts: ForecastFigures["ghosts"] };

const NAMES = ["first winter over", "third spring"];
const HIGH = 17;
const LETTER = 6.1;
const CLOSE = 20;
/** What the grip in the middle takes to either side. */
const BESIDE_GRIP = 26;

/** Dashed lines where the surface will be after the first winter and in the third spring. */
export function Ghosts({ geometry, ghosts }: Props) {
  const drawn = ghosts.map(({ lines }) => lines.map((line) => onSheet(geometry, line)));
  const heights = drawn.map((lines) => Math.min(...lines.flat().map(([, y]) => y)));
  const [one = 0, two = 0] = heights;
  return (
    <g>
      {drawn.map((lines, index) =>
        lines.map((points, part) => (
          <g key={`${index} ${part}`}>
            <path className={css.ghostUnder} d={pathOf(points, false)} />
            <path className={css.ghostLine} d={pathOf(points, false)} />
          </g>
        )),
      )}
      {drawn.map((lines, index) => (
        <GhostName
          key={index}
          geometry={geometry}
          points={lines[0] ?? []}
          name={NAMES[index] ?? ""}
          onRight={index === 1 && Math.abs(one - two) < CLOSE}
        />
      ))}
    </g>
  );
}

type NameProps = { geometry: Geometry; points: readonly Point[]; name: string; onRight: boolean };

function GhostName({ geometry, points, name, onRight }: NameProps) {
  if (points.length === 0) return null;
  const wide = name.length * LETTER + 12;
  const top = Math.min(...points.map(([, y]) => y));
  const at = points.filter(([, y]) => y < top + 8).map(([x]) => x);
  const [left, right] = [Math.min(...at), Math.max(...at)];
  const inside = right - left > 2 * (wide + BESIDE_GRIP);
  const middle = (left + right) / 2;
  const broken = geometry.breakAt !== null;
  const x = broken ? left + 8 : inside ? (onRight ? right - wide - 10 : left + 10) : middle - wide / 2;
  const within = Math.max(Math.min(x, geometry.right - wide - 4), geometry.left + 4);
  const under = onRight && (broken || !inside);
  const y = Math.max(top - HIGH - 3, geometry.top + 2) + (under ? HIGH + 8 : 0);
  return (
    <g
      className={css.ghostName}
      data-part="ghost-name"
      transform={`translate(${within} ${y})`}
      aria-hidden="true"
    >
      <rect width={wide} height={HIGH} rx={3} />
      <text x={6} y={12.5}>
        {name}
      </text>
    </g>
  );
}
