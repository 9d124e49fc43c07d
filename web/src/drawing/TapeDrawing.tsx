import css from "./shapes.module.css";
import { DRAWINGS, type Tape } from "./drawings";
import type { ShapeKind } from "../api/client";

/** Where the tape goes on a shape: from above on the left, cut open on the right. */
export function TapeDrawing({ kind }: { kind: ShapeKind }) {
  const { plan, cut, tapes } = DRAWINGS[kind];
  return (
    <svg
      className={css.tapeDrawing}
      data-part="tape-drawing"
      viewBox="0 0 430 160"
      width="430"
      height="160"
      role="img"
      aria-label="Where the tape goes"
    >
      <text className={css.tapeCaption} x="24" y="14">
        from above
      </text>
      <text className={css.tapeCaption} x="246" y="14">
        cut open
      </text>
      <path className={css.tapeWall} d={plan} />
      <path className={css.tapeWall} d={cut} />
      {tapes.map((tape) => (
        <TapeLine key={tape[4]} tape={tape} />
      ))}
    </svg>
  );
}

const TICK = 4;
const LIFT = { above: [0, -6], below: [0, 14], left: [-7, 4], right: [7, 4] } as const;
const ANCHOR = { above: "middle", below: "middle", left: "end", right: "start" } as const;

function TapeLine({ tape: [x1, y1, x2, y2, label, side] }: { tape: Tape }) {
  const length = Math.hypot(x2 - x1, y2 - y1) || 1;
  const [nx, ny] = [((y2 - y1) / length) * TICK, (-(x2 - x1) / length) * TICK];
  const [dx, dy] = LIFT[side];
  const tick = (x: number, y: number) => `M${x - nx} ${y - ny}L${x + nx} ${y + ny}`;
  return (
    <g>
      <path className={css.tapeLine} d={`M${x1} ${y1}L${x2} ${y2}${tick(x1, y1)}${tick(x2, y2)}`} />
      <text x={(x1 + x2) / 2 + dx} y={(y1 + y2) / 2 + dy} textAnchor={ANCHOR[side]}>
        {label}
      </text>
    </g>
  );
}
