import type { Material, ReservoirFigures } from "../api/client";
import { hatchKey } from "../hatches/hatches";
import { onSheet, pathOf, type Geometry } from "../section/geometry";
import "./water.css";

type Props = {
  reservoir: ReservoirFigures;
  medium: string | null | undefined;
  /** What lies under the liner. */
  below?: string | null;
  geometry: Geometry;
  materials: ReadonlyMap<string, Material>;
  /** Outlines of the water where it isn't full. */
  level?: ReservoirFigures["water"];
};

/** A reservoir cut open: its medium, its water up to the overflow, pipes, crates and wicks. */
export function Water({ reservoir, medium, below, geometry, materials, level }: Props) {
  const path = (ring: ReservoirFigures["water"][number]) => pathOf(onSheet(geometry, ring));
  const under = below ? hatchKey(below, materials.get(below)?.like) : null;
  const hatch = medium ? hatchKey(medium, materials.get(medium)?.like) : null;
  return (
    <g className="water-store">
      {reservoir.under.map((ring, index) => (
        <path key={index} d={path(ring)} fill={under ? `url(#hatch-${under})` : "var(--earth)"} />
      ))}
      {reservoir.medium.map((ring, index) => (
        <path key={index} d={path(ring)} fill={hatch ? `url(#hatch-${hatch})` : "var(--hollow)"} />
      ))}
      {(level ?? reservoir.water).map((ring, index) => (
        <path key={index} className="water-body" d={path(ring)} />
      ))}
    </g>
  );
}

type PartsProps = Pick<Props, "reservoir" | "geometry">;

/** What stands in a reservoir: pipes, crates, wicks, the tube it is filled by, its overflow. Drawn over the soil. */
export function WaterParts({ reservoir, geometry }: PartsProps) {
  return (
    <g aria-hidden="true">
      {reservoir.parts.map(({ kind, outline }, index) => (
        <path key={index} className={`water-part water-${kind}`} d={pathOf(onSheet(geometry, outline))} />
      ))}
    </g>
  );
}
