import { showLength } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { barLength_m, type DrawnAt } from "./sizes";

const HIGH_PX = 5;
const EDGE_PX = 2;
const PARTS = 4;

/** A bar as long on the paper as the drawing says, with its length in the garden. */
export function ScaleBar({ at }: { at: DrawnAt }) {
  const { units } = useShowing();
  const length_m = barLength_m(at, units);
  const width = length_m * at.px_per_m;
  const part = width / PARTS;
  const said = showLength(length_m, units);
  return (
    <svg
      data-part="scale-bar"
      data-length-m={length_m}
      width={width + 2 * EDGE_PX + 150}
      height={20}
      role="img"
      aria-label={`Scale 1 to ${at.times}: the bar is ${said}`}
    >
      <rect x={EDGE_PX} y={7} width={width} height={HIGH_PX} fill="#000" />
      {[1, 3].map((index) => (
        <rect
          key={index}
          x={EDGE_PX + index * part + 0.6}
          y={7.8}
          width={part - 1.2}
          height={HIGH_PX - 1.6}
          fill="#fff"
        />
      ))}
      <text x={EDGE_PX + width + 8} y={13.5} fontSize={12} fill="#000">
        {said}, drawn 1 : {at.times}
      </text>
    </svg>
  );
}
