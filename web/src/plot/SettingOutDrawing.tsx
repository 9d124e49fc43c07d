import css from "./plot-sheet.module.css";
import type { Plot, Schemas } from "../api/client";
import { useSize } from "../kit/useSize";
import { fitGround, groundAt, linePath, toSheet, type Sheet } from "./sheet";

type Told = Schemas["SettingOut"];

const MOST_HEIGHT = 560;

/** The plot with its numbered corners, and each bed with its numbered pegs. */
export function SettingOutDrawing({ plot, told, px_per_m }: { plot: Plot; told: Told; px_per_m?: number }) {
  const [ref, size] = useSize<HTMLDivElement>();
  const fitted = size.width > 0 ? fitGround(plot, size.width, MOST_HEIGHT) : null;
  const sheet = px_per_m === undefined ? fitted : groundAt(plot, px_per_m);
  return (
    <div ref={ref}>
      {sheet && (
        <svg
          className={css.plotSheet}
          width={sheet.width}
          height={sheet.height}
          role="img"
          aria-label="The pegs"
        >
          <path className={css.plotGround} d={linePath(sheet, plot.corners_m, true)} />
          {plot.corners_m.map((corner, index) => (
            <Corner key={index} at={corner} number={index + 1} sheet={sheet} />
          ))}
          {told.beds.map((bed, index) => (
            <Pegs
              key={`${bed.key} ${bed.index}`}
              bed={bed}
              sheet={sheet}
              letter={letterOf(index)}
              lower={told.beds.slice(0, index).some((other) => isOver(other, bed))}
            />
          ))}
        </svg>
      )}
    </div>
  );
}

function Corner({ at, number, sheet }: { at: readonly number[]; number: number; sheet: Sheet }) {
  const [x, y] = toSheet(sheet, at);
  return (
    <g className={css.plotCorner}>
      <circle cx={x} cy={y} r={9} />
      <text x={x} y={y + 4} textAnchor="middle">
        {number}
      </text>
    </g>
  );
}

type Bed = Told["beds"][number];

function middleOf({ pegs }: Bed): [number, number] {
  const sum = (axis: 0 | 1) => pegs.reduce((all, { at }) => all + at[axis], 0) / pegs.length;
  return [sum(0), sum(1)];
}

/** Whether two beds lie over each other, so that their names would too. */
function isOver(one: Bed, other: Bed): boolean {
  const [[x1, y1], [x2, y2]] = [middleOf(one), middleOf(other)];
  return Math.hypot(x2 - x1, y2 - y1) < NEAR_M;
}

const NEAR_M = 0.3;
const ROOM_PX = 64;
const NARROW_PX = 560;

/** Where a bed's name stands: in its middle, clear of its peg, of a small round one's line, and of a bed over it. */
function nameY(middle: number, radius: number | null, lower: boolean, above: boolean): number {
  if (radius === null) return middle + (lower ? 32 : 4);
  if (radius >= ROOM_PX / 2) return middle + 18;
  return above ? middle - radius - 6 : middle + radius + 14;
}

/** What a bed is called in the drawing where there is no room for its name. */
export function letterOf(index: number): string {
  const letter = String.fromCharCode(65 + (index % 26));
  return index < 26 ? letter : `${letter}${Math.floor(index / 26) + 1}`;
}

type PegsProps = { bed: Bed; sheet: Sheet; letter: string; lower: boolean };

function Pegs({ bed, sheet, letter, lower }: PegsProps) {
  const places = bed.pegs.map((peg) => toSheet(sheet, peg.at));
  const [mx = 0, my = 0] = toSheet(sheet, middleOf(bed));
  const spread = (axis: 0 | 1) => {
    const at = places.map((place) => place[axis]);
    return Math.max(...at) - Math.min(...at);
  };
  const narrow = sheet.width < NARROW_PX;
  const radius = bed.radius_m == null ? null : bed.radius_m * sheet.scale;
  const small =
    places.length === 1
      ? (radius ?? 0) < ROOM_PX / 2
      : spread(0) < ROOM_PX || spread(1) < (narrow ? ROOM_PX : ROOM_PX / 2);
  return (
    <g className={css.plotPegs}>
      {bed.radius_m == null ? (
        <path
          d={linePath(
            sheet,
            bed.pegs.map(({ at }) => at),
            bed.half_m == null,
          )}
        />
      ) : (
        <circle cx={mx} cy={my} r={bed.radius_m * sheet.scale} />
      )}
      {places.map(([x, y], index) => (
        <g key={index}>
          <path d={`M${x - 4} ${y}h8M${x} ${y - 4}v8`} />
          {places.length > 1 && !small && (
            <text x={x + (x < mx ? 10 : -10)} y={y + (y < my ? 14 : -6)} textAnchor="middle">
              {index + 1}
            </text>
          )}
        </g>
      ))}
      <text x={mx} y={nameY(my, radius, lower, small && bed.index === 0)} textAnchor="middle">
        {narrow ? letter : small && bed.index > 0 ? bed.index + 1 : bed.name}
      </text>
    </g>
  );
}
