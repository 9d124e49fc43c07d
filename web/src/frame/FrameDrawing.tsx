import { useState } from "react";
import type { Bed, BedFigures } from "../api/client";
import { Row } from "../kit/Row";
import { showLength, showSawn } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { useSize } from "../kit/useSize";
import css from "./frame.module.css";
import { longSide, madeDeep, pulledTo, withCourses } from "./frames";
import { SizeGrip } from "./SizeGrip";

type FrameFigures = NonNullable<BedFigures["frame"]>;
type Legs = NonNullable<Bed["frame"]>["legs"];
type Edit = (change: (now: Bed) => Bed, gesture: string | null) => void;
type Props = { bed: Bed; figures: BedFigures; frame: FrameFigures; legs: Legs; onEdit: Edit };

const MARGIN = { side: 24, right: 84, top: 26, bottom: 30 };
const TALLEST = 190;

/** The long side from in front with its courses, and the lowest course from above with its corners. */
export function FrameDrawing(props: Props) {
  const { frame } = props;
  const [box, size] = useSize<HTMLDivElement>();
  return (
    <div ref={box} data-part="frame-drawing">
      {size.width > 0 && (
        <Row sx={{ alignItems: "flex-start", gap: 4 }}>
          <Front {...props} width={Math.min(size.width, frame.above.length > 0 ? 500 : 780)} />
          {frame.above.length > 0 && <Above frame={frame} width={Math.min(size.width, 290)} />}
        </Row>
      )}
    </div>
  );
}

function Front({ bed, figures, frame, legs, onEdit, width }: Props & { width: number }) {
  const { units } = useShowing();
  const [held, setHeld] = useState<number | null>(null);
  const side_m = longSide(bed);
  const long_m = frame.front_m;
  const [start_m, end_m] = frame.front_heights_m;
  const rises = start_m !== end_m;
  const high_m = Math.max(start_m, end_m, rises ? 0 : figures.rim_m);
  const leg_m = legs?.length_m ?? 0;
  const legWidth_m = legs?.section_m?.[1] ?? frame.board_m ?? 0;
  const fitting = Math.min((width - MARGIN.side - MARGIN.right) / long_m, TALLEST / (high_m + leg_m));
  // while it is pulled the drawing keeps its scale, so that the edge stays under the finger
  const scale = held ?? fitting;
  const hold = (holding: boolean) => setHeld(holding ? scale : null);
  const [w, h] = [long_m * scale, (high_m + leg_m) * scale];
  const floor = MARGIN.top + high_m * scale;
  const y = (height_m: number) => floor - height_m * scale;
  const x = (along_m: number) => MARGIN.side + along_m * scale;
  const courses = Array.from({ length: frame.courses }, (_, index) => index);
  return (
    <svg
      className={css.frame}
      data-wall={figures.section.wall}
      width={w + MARGIN.side + MARGIN.right}
      height={h + MARGIN.top + MARGIN.bottom}
      role={side_m == null ? "img" : "group"}
      aria-label={`${rises ? "The wall unrolled" : "The long side from in front"}: ${frame.courses} courses, ${showSawn(frame.height_m, units)} high${rises ? " in the mean" : ""}`}
    >
      <line
        className={css.ground}
        x1={0}
        x2={w + MARGIN.side + MARGIN.right}
        y1={MARGIN.top + h}
        y2={MARGIN.top + h}
      />
      {legs &&
        [0, long_m - legWidth_m].map((left_m) => (
          <rect
            key={left_m}
            className={css.piece}
            data-kind="post"
            x={x(left_m)}
            y={floor}
            width={legWidth_m * scale}
            height={leg_m * scale}
          />
        ))}
      {frame.front.length > 0
        ? frame.front.map((each, index) => (
            <rect
              key={index}
              className={css.piece}
              data-part={`front-${each.part}`}
              data-kind={each.part}
              x={x(each.left_m)}
              y={y(each.high_m)}
              width={(each.right_m - each.left_m) * scale}
              height={(each.high_m - each.low_m) * scale}
            />
          ))
        : courses.map((course) => (
            <rect
              key={course}
              className={css.piece}
              data-kind="unit"
              x={x(0)}
              y={y(((course + 1) * frame.height_m) / frame.courses)}
              width={w}
              height={(frame.height_m / frame.courses) * scale}
            />
          ))}
      {!rises && Math.abs(figures.rim_m - frame.height_m) > 0.0005 && (
        <line className={css.asked} x1={x(0)} x2={x(long_m)} y1={y(figures.rim_m)} y2={y(figures.rim_m)} />
      )}
      <text x={x(long_m / 2)} y={MARGIN.top - 10} textAnchor="middle">
        {frame.board_m == null ? showLength(long_m, units) : showSawn(long_m, units)}{" "}
        {rises ? "along the wall" : "outside"}
      </text>
      <text x={x(long_m) + 14} y={y(end_m / 2) + 4}>
        {showSawn(end_m, units)}
      </text>
      {side_m != null && (
        <SizeGrip
          label="Length of the box"
          way="right"
          x={x(long_m)}
          y={y(high_m / 2)}
          m_a_px={1 / scale}
          value_m={side_m}
          said={showLength(side_m, units)}
          step_m={0.01}
          onTo={(to_m, gesture) => onEdit((now) => pulledTo(now, to_m), gesture)}
          onHold={hold}
        />
      )}
      {side_m != null && frame.choices.length > 1 && (
        <SizeGrip
          label="Height in courses"
          way="up"
          x={x(long_m / 2)}
          y={y(frame.height_m)}
          m_a_px={1 / scale}
          value_m={frame.height_m}
          said={`${frame.courses} courses, ${showSawn(frame.height_m, units)}`}
          step_m={frame.height_m / frame.courses}
          onTo={(to_m, gesture) => {
            const near = nearest(frame.choices, to_m);
            if (near && near.courses !== frame.courses)
              onEdit((now) => madeDeep(withCourses(now, near.courses), near.height_m), gesture);
          }}
          onHold={hold}
        />
      )}
      {rises && (
        <text x={x(0)} y={y(start_m) - 6}>
          {showSawn(start_m, units)}
        </text>
      )}
    </svg>
  );
}

type Choice = FrameFigures["choices"][number];

function nearest(choices: readonly Choice[], height_m: number): Choice | undefined {
  return [...choices].sort(
    (one, two) => Math.abs(one.height_m - height_m) - Math.abs(two.height_m - height_m),
  )[0];
}

function Above({ frame, width }: { frame: FrameFigures; width: number }) {
  const { units } = useShowing();
  const { outside_length_m: long_m, outside_width_m: wide_m } = frame;
  const scale = Math.min((width - 90) / long_m, TALLEST / wide_m);
  const [w, h] = [long_m * scale, wide_m * scale];
  return (
    <svg
      className={css.frame}
      width={w + 90}
      height={h + MARGIN.top + MARGIN.bottom}
      role="img"
      aria-label="The lowest course from above, as its corners are joined"
    >
      {frame.above.map((ring, index) => (
        <polygon
          key={index}
          className={css.piece}
          data-kind="board"
          points={ring
            .map(([px = 0, py = 0]) => `${8 + px * scale},${MARGIN.top + h - py * scale}`)
            .join(" ")}
        />
      ))}
      {frame.diagonal_m != null && (
        <>
          <line className={css.diagonal} x1={8} y1={MARGIN.top + h} x2={8 + w} y2={MARGIN.top} />
          <text x={8 + w / 2} y={MARGIN.top + h / 2 - 6} textAnchor="middle">
            {showSawn(frame.diagonal_m, units)}
          </text>
        </>
      )}
      <text x={w + 16} y={MARGIN.top + h / 2 + 4}>
        {showSawn(wide_m, units)}
      </text>
    </svg>
  );
}
