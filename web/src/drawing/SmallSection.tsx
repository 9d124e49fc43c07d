import css from "./drawing.module.css";
import type { BedFigures, LayerFigures, Material } from "../api/client";
import { HATCHES, hatchKey } from "./hatches";
import { pathOf, sheetLine, type Outline } from "./geometry";
import { Water, WaterParts } from "./Water";

/** What is drawn of a bed cut open. */
export type Cut = Pick<BedFigures, "section" | "reservoir"> & {
  layers: readonly Pick<LayerFigures, "material" | "sheet" | "outlines">[];
};

type Props = { figures: Cut; materials: ReadonlyMap<string, Material>; scale: number };

const LEAST_WALL = 3;
const GROUND = 10;
const MARGIN = 14;

/** A bed cut open, small, at a scale it shares with its neighbours [px/m]. */
export function SmallSection({ figures, materials, scale }: Props) {
  const { section } = figures;
  const floor = section.top_m * scale + 2;
  const width = (section.right_m - section.left_m) * scale + 2 * MARGIN;
  const height = floor + GROUND;
  const sunk = section.ground_m * scale;
  const place = (outline: Outline) =>
    outline.map(([x, y]) => [MARGIN + (x - section.left_m) * scale, floor - y * scale] as const);
  return (
    <svg
      data-part="small-section"
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      height={height}
      aria-hidden="true"
      focusable="false"
    >
      <rect className={css.drawingGround} x={0} y={floor - sunk} width={width} height={GROUND + sunk} />
      {section.form !== "flat" &&
        section.hollow.map((ring, index) => (
          <path key={index} className={css.drawingAir} d={pathOf(place(ring))} />
        ))}
      {figures.reservoir && <Water reservoir={figures.reservoir} place={place} materials={materials} />}
      {figures.layers.map((layer, index) => {
        const name = hatchKey(layer.material, materials.get(layer.material)?.like);
        return layer.outlines.map((outline, part) =>
          layer.sheet ? (
            <path
              key={`${index} ${part}`}
              className={css.smallSheet}
              stroke={HATCHES[name]?.ink}
              d={pathOf(place(sheetLine(outline)), false)}
            />
          ) : (
            <path key={`${index} ${part}`} d={pathOf(place(outline))} fill={`url(#hatch-${name})`} />
          ),
        );
      })}
      {figures.reservoir && <WaterParts reservoir={figures.reservoir} place={place} />}
      {section.walls.map((ring, index) => (
        <path
          key={index}
          className={css.drawingWall}
          data-wall={section.wall}
          d={pathOf(place(ring))}
          strokeWidth={LEAST_WALL}
        />
      ))}
    </svg>
  );
}

/** The scale [px/m] at which a section fits. */
export function smallScale({ section }: Pick<Cut, "section">, width: number, height: number): number {
  return Math.min(
    (width - 2 * MARGIN) / (section.right_m - section.left_m),
    (height - GROUND) / Math.max(section.top_m, 0.05),
  );
}
