import css from "../drawing/drawing.module.css";
import css2 from "./water.module.css";
import { WaterCut } from "./water.styles";
import { useMemo } from "react";
import type { BedFigures, Material } from "../api/client";
import { hatchKey } from "../drawing/hatches";
import { showLength } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { fitSection, onSheet, pathOf, xOf, yOf, type Geometry } from "../drawing/geometry";
import { useSize } from "../kit/useSize";
import { Water, WaterParts } from "../drawing/Water";

type Props = { figures: BedFigures; materials: ReadonlyMap<string, Material> };

const HEIGHT = 330;
const NAMES = 140;
/** What a section leaves at its sides for rulers, which aren't here. */
const UNUSED = 100;
const SHIFT = -56;

/** The bed cut open for its water, with the level and the names of what is in it. */
export function Cutaway({ figures, materials }: Props) {
  const { units } = useShowing();
  const [ref, size] = useSize<HTMLDivElement>();
  const geometry = useMemo(
    () => (size.width > 0 ? fitSection(figures, size.width - NAMES + UNUSED, HEIGHT, false) : null),
    [figures, size.width],
  );
  const { reservoir } = figures;
  if (!reservoir) return null;
  const hatch = (key: string) => `url(#hatch-${hatchKey(key, materials.get(key)?.like)})`;
  return (
    <WaterCut ref={ref} data-part="water-cut">
      {geometry && (
        <svg
          width={size.width}
          height={geometry.height}
          role="img"
          aria-label={`${figures.name}, its water cut open`}
        >
          <g transform={`translate(${SHIFT} 0)`}>
            <rect
              className={css.drawingGround}
              x={-SHIFT}
              y={geometry.ground}
              width={geometry.right + SHIFT + 30}
              height={Math.max(geometry.height - geometry.ground, 0)}
            />
            {figures.section.hollow.map((ring, index) => (
              <path key={index} className={css.drawingAir} d={pathOf(onSheet(geometry, ring))} />
            ))}
            <Water
              reservoir={reservoir}
              place={(outline) => onSheet(geometry, outline)}
              materials={materials}
            />
            {figures.layers.flatMap((layer, index) =>
              layer.sheet
                ? []
                : layer.outlines.map((outline, part) => (
                    <path
                      key={`${index} ${part}`}
                      d={pathOf(onSheet(geometry, outline))}
                      fill={hatch(layer.material)}
                      stroke="var(--palette-edge)"
                    />
                  )),
            )}
            <WaterParts reservoir={reservoir} place={(outline) => onSheet(geometry, outline)} />
            {figures.section.walls.map((ring, index) => (
              <path
                key={index}
                className={css.drawingWall}
                data-wall={figures.section.wall}
                d={pathOf(onSheet(geometry, ring))}
                strokeWidth={3}
              />
            ))}
            {namesOf(figures, geometry, units).map(({ name, height_m }) => {
              const y = yOf(geometry, height_m);
              return (
                <g key={name}>
                  <path
                    className={css2.waterNameLine}
                    d={`M${xOf(geometry, figures.section.right_m) - 8} ${y}H${geometry.right + 24}`}
                  />
                  <text x={geometry.right + 30} y={y + 4}>
                    {name}
                  </text>
                </g>
              );
            })}
          </g>
        </svg>
      )}
    </WaterCut>
  );
}

const APART = 17;

/** What is named beside the cut, from the top down, never closer than can be read. */
function namesOf(
  figures: BedFigures,
  geometry: Geometry,
  units: "ft_in" | "metric",
): { name: string; height_m: number }[] {
  const { reservoir } = figures;
  if (!reservoir) return [];
  const wicks = reservoir.full_m + reservoir.rise_m;
  const wanted = [
    { name: `wicks up to here, ${showLength(reservoir.rise_m, units)}`, height_m: wicks },
    { name: `overflow, ${showLength(reservoir.overflow_m, units)}`, height_m: reservoir.full_m },
    { name: reservoir.medium_name ?? "open water", height_m: reservoir.full_m - reservoir.overflow_m / 2 },
  ].filter(({ height_m }) => height_m <= figures.section.top_m);
  const apart = (one: number, two: number) => yOf(geometry, two) - yOf(geometry, one);
  return wanted.filter(
    ({ height_m }, index) => index === 0 || apart(wanted[index - 1]?.height_m ?? 9, height_m) > APART,
  );
}
