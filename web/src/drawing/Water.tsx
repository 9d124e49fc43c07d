import css from "./water.module.css";
import type { Material, ReservoirFigures } from "../api/client";
import { hatchKey } from "./hatches";
import { pathOf, type Outline, type Point } from "./geometry";

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
        <path key={index} d={path(ring)} fill={under ? `url(#hatch-${under})` : "var(--palette-earth)"} />
      ))}
      {reservoir.medium.map((ring, index) => (
        <path key={index} d={path(ring)} fill={hatch ? `url(#hatch-${hatch})` : "var(--palette-hollow)"} />
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
        <path key={index} className={css.waterPart} data-kind={kind} d={partPath(kind, place(outline))} />
      ))}
    </g>
  );
}

/** A pipe cut across is round, whatever corners it is reckoned with. */
function partPath(kind: string, points: readonly Point[]): string {
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  const [wide, high] = [Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)];
  const across = kind === "pipe" && Math.abs(wide - high) < 0.2 * high;
  if (!across) return pathOf(points);
  const [left, middle, r] = [Math.min(...xs), Math.min(...ys) + high / 2, wide / 2];
  return `M${left} ${middle}a${r} ${r} 0 1 0 ${wide} 0a${r} ${r} 0 1 0 ${-wide} 0Z`;
}
