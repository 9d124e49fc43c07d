import css from "./water.module.css";
import type { Material, ReservoirFigures } from "../api/client";
import { hatchKey } from "../hatches/hatches";
import { pathOf, type Outline, type Point } from "../section/geometry";

type Props = {
  reservoir: ReservoirFigures;
  /** Where outlines stand on the sheet. */
  place: (outline: Outline) => readonly Point[];
  materials: ReadonlyMap<string, Material>;
  /** Outlines of the water where it isn't full. */
  level?: ReservoirFigures["water"];
};

/** A reservoir cut open: its medium, its water up to the overflow, pipes, crates and wicks. */
export function Water({ reservoir, place, materials, level }: Props) {
  const path = (ring: ReservoirFigures["water"][number]) => pathOf(place(ring));
  const hatchOf = (key: string | null | undefined) => key && hatchKey(key, materials.get(key)?.like);
  const under = hatchOf(reservoir.under_material);
  const hatch = hatchOf(reservoir.medium_material);
  return (
    <g>
      {reservoir.under.map((ring, index) => (
        <path key={index} d={path(ring)} fill={under ? `url(#hatch-${under})` : "var(--earth)"} />
      ))}
      {reservoir.medium.map((ring, index) => (
        <path key={index} d={path(ring)} fill={hatch ? `url(#hatch-${hatch})` : "var(--hollow)"} />
      ))}
      {(level ?? reservoir.water).map((ring, index) => (
        <path key={index} className={css.waterBody} data-part="water-body" d={path(ring)} />
      ))}
    </g>
  );
}

type PartsProps = Pick<Props, "reservoir" | "place">;

/** What stands in a reservoir: pipes, crates, wicks, the tube it is filled by, its overflow. Drawn over the soil. */
export function WaterParts({ reservoir, place }: PartsProps) {
  return (
    <g aria-hidden="true">
      {reservoir.parts.map(({ kind, outline }, index) => (
        <path key={index} className={`water-part water-${kind}`} d={pathOf(place(outline))} />
      ))}
    </g>
  );
}
