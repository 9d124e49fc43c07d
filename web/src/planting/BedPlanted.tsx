import { styled } from "@mui/material/styles";
import type { BedFigures } from "../api/client";
import { pathOf, type Outline } from "../drawing/geometry";
import { useSize } from "../kit/useSize";
import { showLength } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";

const MOST_HEIGHT = 380;
const EDGE = 8;
const BELOW = 20;
const RIGHT = 70;
const HALF = 0.5;

/** Fills that tell crops apart, each with its own stroke, so that they differ without colour too. */
const LOOKS = [
  { fill: "var(--palette-moss)", dash: undefined },
  { fill: "var(--palette-straw)", dash: "3 2" },
  { fill: "var(--palette-water)", dash: "1 2" },
  { fill: "var(--palette-brick)", dash: "6 2" },
  { fill: "var(--palette-stone)", dash: "2 4" },
] as const;

const Frame = styled("div")(({ theme }) => ({
  minHeight: 200,
  "& text": { fill: theme.vars.palette.soft, fontSize: 12 },
}));

/** How a crop's circles look, by its place in the bed's list. */
export function lookOf(place: number) {
  return LOOKS[place % LOOKS.length] ?? LOOKS[0];
}

/** The bed from above, to scale, each plant as wide as it is spaced. */
export function BedPlanted({ figures }: { figures: BedFigures }) {
  const [ref, { width }] = useSize<HTMLDivElement>();
  const { units } = useShowing();
  const { plan, planting } = figures;
  const scale = Math.min((width - RIGHT - 2 * EDGE) / plan.length_m, MOST_HEIGHT / plan.width_m);
  const [w, h] = [plan.length_m * scale, plan.width_m * scale];
  const place = (ring: Outline) =>
    pathOf(ring.map(([x, y]) => [EDGE + x * scale, EDGE + h - y * scale] as const));
  return (
    <Frame ref={ref} data-part="bed-planted">
      {scale > 0 && (
        <svg
          width={w + RIGHT + EDGE}
          height={h + 2 * EDGE + BELOW}
          role="img"
          aria-label={`${figures.name} from above, planted`}
        >
          {plan.outside.map((ring, index) => (
            <path
              key={index}
              d={place(ring)}
              fill="var(--palette-timber)"
              stroke="var(--palette-timberEdge)"
            />
          ))}
          {plan.inside.map((ring, index) => (
            <path key={index} d={place(ring)} fill="var(--palette-earth)" stroke="var(--palette-edge)" />
          ))}
          {planting.map((crop, index) => (
            <g key={`${crop.crop} ${index}`} data-part="planted-crop">
              {crop.points.map(([x, y], plant) => (
                <circle
                  key={plant}
                  cx={EDGE + x * scale}
                  cy={EDGE + h - y * scale}
                  r={crop.spread_m * HALF * scale}
                  fill={lookOf(index).fill}
                  fillOpacity={0.55}
                  stroke="var(--palette-ink)"
                  strokeDasharray={lookOf(index).dash}
                />
              ))}
            </g>
          ))}
          <text x={EDGE + w / 2} y={h + 2 * EDGE + 12} textAnchor="middle">
            {showLength(plan.length_m, units)}
          </text>
          <text x={2 * EDGE + w} y={EDGE + h / 2 + 4}>
            {showLength(plan.width_m, units)}
          </text>
        </svg>
      )}
    </Frame>
  );
}
