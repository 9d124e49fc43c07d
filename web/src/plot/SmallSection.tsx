import type { BedFigures, Material } from "../api/client";
import { hatchKey } from "../hatches/hatches";

type Props = { figures: BedFigures; materials: ReadonlyMap<string, Material>; scale: number };

const LEAST_WALL = 3;
const GROUND = 10;

/** A bed cut open, small, at a scale it shares with its neighbours [px/m]. */
export function SmallSection({ figures, materials, scale }: Props) {
  const wall = Math.max(((figures.outer_width_m - figures.inside_width_m) / 2) * scale, LEAST_WALL);
  const inside = figures.inside_width_m * scale;
  const top_m = Math.max(figures.rim_m, figures.layers.at(-1)?.top_m ?? 0);
  const floor = top_m * scale + 2;
  const width = inside + 2 * wall;
  const y = (height_m: number) => floor - height_m * scale;
  return (
    <svg
      className="small-section"
      width={width + 24}
      height={floor + GROUND}
      aria-hidden="true"
      focusable="false"
    >
      <rect className="drawing-ground" x={0} y={floor} width={width + 24} height={GROUND} />
      <g transform="translate(12 0)">
        <rect
          className="drawing-air"
          x={wall}
          y={y(figures.rim_m)}
          width={inside}
          height={figures.rim_m * scale}
        />
        {figures.layers.map((layer, index) => {
          const name = hatchKey(layer.material, materials.get(layer.material)?.like);
          if (layer.sheet) {
            const at = y(layer.bottom_m) - 1;
            return (
              <line
                key={index}
                className={`sheet-dash small-sheet sheet-${name}`}
                x1={wall}
                x2={wall + inside}
                y1={at}
                y2={at}
              />
            );
          }
          const height = (layer.top_m - layer.bottom_m) * scale;
          return (
            <rect
              key={index}
              x={wall}
              y={y(layer.top_m)}
              width={inside}
              height={height}
              fill={`url(#hatch-${name})`}
            />
          );
        })}
        {[0, wall + inside].map((x) => (
          <rect
            key={x}
            className="drawing-wall"
            x={x}
            y={y(figures.rim_m)}
            width={wall}
            height={figures.rim_m * scale + 4}
          />
        ))}
      </g>
    </svg>
  );
}
