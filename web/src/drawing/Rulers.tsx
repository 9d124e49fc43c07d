import css from "./drawing.module.css";
import { INCH_M, showLength } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { rulerMarks, yOf, type Geometry } from "./geometry";
import type { Box } from "./labels";

const INCH_STEPS = [
  [1, 0.25],
  [2, 0.5],
  [3, 0.5],
  [6, 1],
  [12, 2],
  [24, 4],
  [36, 6],
] as const;
const CM_STEPS = [
  [5, 1],
  [10, 2],
  [20, 5],
  [50, 10],
  [100, 20],
] as const;
const LABEL_ROOM = 54;

/** How far over the drawing the tape lies, clear of a grip on its top [px]. */
const MEASURE_OVER = 17;

/** What the tape and its figure take, which no label may lie over. */
export function measureBox({ left, right, top }: Geometry): Box {
  return { x: left, y: top - MEASURE_OVER - 14, width: right - left, height: 22 };
}

type RulerProps = { geometry: Geometry; rim_m: number };
type WidthProps = { geometry: Geometry; width_m: number; along: boolean };

/** Down from the top on the left, in the garden's units. */
export function DepthRuler({ geometry, rim_m, caption }: RulerProps & { caption: string }) {
  const { units } = useShowing();
  const [unit_m, steps, sign] =
    units === "ft_in" ? ([INCH_M, INCH_STEPS, '"'] as const) : ([0.01, CM_STEPS, ""] as const);
  const perUnit = unit_m * geometry.scale * geometry.stretch;
  const zero = yOf(geometry, rim_m);
  const x = geometry.left - 8;
  return (
    <g className={css.ruler} aria-hidden="true">
      <text className={css.rulerCaption} x={0} y={geometry.top - 26} textAnchor="start">
        {units === "ft_in" ? caption : `cm ${caption}`}
      </text>
      {rulerMarks(rim_m / unit_m, perUnit, steps, LABEL_ROOM).map(({ at, labelled }) => {
        const y = zero + at * perUnit;
        return (
          <g key={at}>
            <line
              className={labelled ? css.rulerLong : css.rulerShort}
              x1={x - (labelled ? 14 : 6)}
              x2={x}
              y1={y}
              y2={y}
            />
            {labelled && (
              <text className={css.rulerDown} x={x - 18} y={y + 4} textAnchor="end">
                {at}
                {sign}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

/** Centimetres up from the floor, on the right. */
export function HeightRuler({ geometry, rim_m }: RulerProps) {
  const perCm = 0.01 * geometry.scale * geometry.stretch;
  const x = geometry.right + 8;
  return (
    <g className={css.ruler} aria-hidden="true">
      <text className={css.rulerCaption} x={x + 34} y={geometry.top - 26} textAnchor="end">
        cm up
      </text>
      {rulerMarks(rim_m * 100, perCm, CM_STEPS, LABEL_ROOM).map(({ at, labelled }) => {
        const y = yOf(geometry, at / 100);
        return (
          <g key={at}>
            <line className={css.rulerShort} x1={x} x2={x + (labelled ? 10 : 5)} y1={y} y2={y} />
            {labelled && (
              <text className={css.rulerCm} x={x + 13} y={y + 4} textAnchor="start">
                {at}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

/** The inside width over the rim, as the tape lies. */
export function WidthMeasure({ geometry, width_m, along }: WidthProps) {
  const { units } = useShowing();
  const { insideLeft: left, insideRight: right, top } = geometry;
  const y = top - MEASURE_OVER;
  const text = showLength(width_m, units) + (along ? " along the run" : "");
  const half = text.length * 4.4 + 8;
  const middle = (left + right) / 2;
  const tight = right - left < 2 * half + 20;
  return (
    <g className={css.widthMeasure} aria-hidden="true">
      <path d={`M${left} ${y - 5}v10M${right} ${y - 5}v10`} />
      {!tight && <path d={`M${left} ${y}H${middle - half}M${middle + half} ${y}H${right}`} />}
      <text x={middle} y={tight ? y - 8 : y + 4.5} textAnchor="middle">
        {text}
      </text>
    </g>
  );
}
