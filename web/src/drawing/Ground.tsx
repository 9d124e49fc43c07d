import css from "./drawing.module.css";
import type { Bed, BedFigures, Material } from "../api/client";
import { HATCHES, hatchKey } from "./hatches";
import { onSheet, pathOf, sheetLine, type Geometry } from "./geometry";

type On = NonNullable<Bed["stand"]>["on"];
type PitFigures = NonNullable<BedFigures["section"]["pit"]>;

const BUILT: readonly (On | null)[] = ["deck", "balcony", "roof"];
const LIFTED: readonly (On | null)[] = ["blocks", "legs"];
const LIFT = 22;
const SLAB = 12;

type GroundProps = { geometry: Geometry; on: On | null; legs: number };

/** What the bed stands on, from one side of the sheet to the other, with legs under it where it has some. */
export function Ground({ geometry, on, legs }: GroundProps) {
  const { width, height } = geometry;
  const lifted = LIFTED.includes(on) || legs > 0;
  const ground = geometry.ground + (lifted ? LIFT : 0);
  if (BUILT.includes(on))
    return (
      <>
        <Slab ground={ground} width={width} />
        {lifted && <Legs geometry={geometry} />}
      </>
    );
  return (
    <g aria-hidden="true" data-part="ground" data-on={on ?? "ground"}>
      <rect
        className={css.drawingGround}
        x={0}
        y={ground}
        width={width}
        height={Math.max(height - ground, 0)}
      />
      {strokesIn(geometry, ground).map(({ x, y }) => (
        <path key={`${x} ${y}`} className={css.drawingGroundMark} d={`M${x} ${y}l14 -6`} />
      ))}
      <path className={css.drawingSurface} data-on={on ?? undefined} d={surface(on, width, ground)} />
      {lifted && <Legs geometry={geometry} />}
    </g>
  );
}

function strokesIn({ width, height }: Geometry, ground: number) {
  const inRow = Math.floor(width / 62);
  const rows = Math.max(Math.ceil((height - ground) / 64), 1);
  return Array.from({ length: inRow * rows }, (_, i) => ({
    x: 14 + (i % inRow) * 62,
    y: ground + 18 + (i % 2) * 16 + Math.floor(i / inRow) * 64,
  })).filter(({ y }) => y < height - 2);
}

/** What is drawn along the ground: blades of grass, stones, the joints between slabs. */
function surface(on: On | null, width: number, y: number): string {
  const along = (step: number, mark: (x: number, index: number) => string) =>
    Array.from({ length: Math.ceil(width / step) }, (_, index) => mark(index * step, index)).join("");
  if (on === "lawn") return along(9, (x, i) => `M${x} ${y}l${i % 2 ? 2 : -2} -7M${x + 3} ${y}l1 -5`);
  if (on === "gravel")
    return along(11, (x, i) => `M${x} ${y + 4 + (i % 2) * 4}a3 2.4 0 1 0 6 0a3 2.4 0 1 0 -6 0`);
  if (on === "paving") return `M0 ${y + SLAB}H${width}${along(64, (x) => `M${x} ${y}v${SLAB}`)}`;
  if (on === "compacted") return `M0 ${y + 3}H${width}M0 ${y + 6}H${width}`;
  return "";
}

/** A deck, a balcony or a roof: a slab with nothing below it that roots could go into. */
function Slab({ ground, width }: { ground: number; width: number }) {
  const joints = Array.from(
    { length: Math.ceil(width / 46) },
    (_, index) => `M${index * 46} ${ground}v${SLAB}`,
  );
  return (
    <g aria-hidden="true" data-part="ground" data-on="slab">
      <rect className={css.drawingWall} x={0} y={ground} width={width} height={SLAB} />
      <path className={css.drawingSurface} d={joints.join("")} />
    </g>
  );
}

function Legs({ geometry: { left, right, ground } }: { geometry: Geometry }) {
  return [left, (left + right) / 2 - 7, right - 14].map((x) => (
    <rect key={x} className={css.drawingWall} x={x} y={ground} width={14} height={LIFT} />
  ));
}

type PitProps = { pit: PitFigures; geometry: Geometry; materials: ReadonlyMap<string, Material> };

/** The trench or pit that the bed lies over, with what lies in it. */
export function Pit({ pit, geometry, materials }: PitProps) {
  return (
    <g data-part="pit" role="img" aria-label={`${pit.name}, below the bed`}>
      {pit.hollow.map((ring, index) => (
        <path key={index} className={css.drawingAir} d={pathOf(onSheet(geometry, ring))} />
      ))}
      {pit.layers.map((layer, index) => {
        const hatch = hatchKey(layer.material, materials.get(layer.material)?.like);
        return layer.outlines.map((ring, part) =>
          materials.get(layer.material)?.group === "sheet" ? (
            <path
              key={`${index} ${part}`}
              className={css.smallSheet}
              stroke={HATCHES[hatch]?.ink}
              d={pathOf(onSheet(geometry, sheetLine(ring)), false)}
            />
          ) : (
            <path
              key={`${index} ${part}`}
              className={css.layerEdge}
              d={pathOf(onSheet(geometry, ring))}
              style={{ fill: `url(#hatch-${hatch})` }}
            >
              <title>{`${layer.name}, in ${pit.name}`}</title>
            </path>
          ),
        );
      })}
    </g>
  );
}
