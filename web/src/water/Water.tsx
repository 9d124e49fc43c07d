import type { Material, ReservoirFigures } from "../api/client";
import { hatchKey } from "../hatches/hatches";
import { onSheet, pathOf, type Geometry } from "../section/geometry";
import "./water.css";

type Props = {
  reservoir: ReservoirFigures;
  medium: string | null | undefined;
  geometry: Geometry;
  materials: ReadonlyMap<string, Material>;
  /** Outlines of the water where it isn't full. */
  level?: ReservoirFigures["water"];
};

/** A reservoir cut open: its medium, its water up to the overflow, pipes, crates and wicks. */
export function Water({ reservoir, medium, geometry, materials, level }: Props) {
  const path = (ring: ReservoirFigures["water"][number]) => pathOf(onSheet(geometry, ring));
  const hatch = medium ? hatchKey(medium, materials.get(medium)?.like) : null;
  return (
    <g className="water-store">
      {reservoir.medium.map((ring, index) => (
        <path key={index} d={path(ring)} fill={hatch ? `url(#hatch-${hatch})` : "var(--hollow)"} />
      ))}
      {(level ?? reservoir.water).map((ring, index) => (
        <path key={index} className="water-body" d={path(ring)} />
      ))}
      {reservoir.parts.map(({ kind, outline }, index) => (
        <path key={index} className={`water-part water-${kind}`} d={path(outline)} />
      ))}
    </g>
  );
}
