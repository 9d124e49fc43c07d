import css from "./drawing.module.css";
import { memo, useId, useRef, type KeyboardEvent, type PointerEvent } from "react";
import type { Bed, BedFigures, ForecastFigures, LayerFigures, Material } from "../api/client";
import { HATCHES, hatchKey } from "./hatches";
import { showLength } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { Water, WaterParts } from "./Water";
import { GhostNames, Ghosts } from "./Ghosts";
import { canMoveBoundary, GRIP, gripBoxes, gripOf } from "./grips";
import { BREAK_GAP, onSheet, pathOf, sheetLine, yOf, type Geometry, type Point } from "./geometry";
import { leaderBoxes, leaderFrom } from "./leaders";
import { Ground, Pit } from "./Ground";
import { LogEnds } from "./LogEnds";
import { DepthRuler, HeightRuler, measureBox, WidthMeasure } from "./Rulers";

type Props = {
  bed: Bed;
  figures: BedFigures;
  geometry: Geometry;
  materials: ReadonlyMap<string, Material>;
  selected: number | null;
  /** Drawn as it will lie once, so that nothing can be moved. */
  still: boolean;
  ghosts: ForecastFigures["ghosts"];
  onSelect: (index: number) => void;
  onDrag: (index: number, height_m: number) => void;
  onNudge: (index: number, steps: number) => void;
  onDragEnd: () => void;
};

/** The bed cut open across its width, to scale, with boundaries to drag. */
export const Drawing = memo(function Drawing(props: Props) {
  const { bed, figures, geometry, materials, selected, still, ghosts } = props;
  const { form, walls, solids, hollow } = figures.section;
  const sheetsBelow = (index: number) => figures.layers.slice(0, index).filter((layer) => layer.sheet).length;
  const hatch = (layer: LayerFigures) => hatchKey(layer.material, materials.get(layer.material)?.like);
  return (
    <svg
      className={css.drawing}
      data-part="drawing"
      width={geometry.width}
      height={geometry.height}
      viewBox={`0 0 ${geometry.width} ${geometry.height}`}
      role="group"
      aria-label={`${figures.name}, cut open`}
    >
      <Ground geometry={geometry} on={bed.stand?.on ?? null} legs={figures.section.legs} />
      {figures.section.pit && <Pit pit={figures.section.pit} geometry={geometry} materials={materials} />}
      {form !== "flat" &&
        hollow.map((ring, index) => (
          <path key={index} className={css.drawingAir} d={pathOf(onSheet(geometry, ring))} />
        ))}
      {figures.reservoir && (
        <Water
          reservoir={figures.reservoir}
          place={(outline) => onSheet(geometry, outline)}
          materials={materials}
        />
      )}
      {figures.layers.map((layer, index) =>
        layer.sheet ? null : (
          <LayerShape
            key={index}
            layer={layer}
            geometry={geometry}
            hatch={hatch(layer)}
            infill={hatchOfInfill(bed, index, materials)}
            chosen={selected === index}
            coming={figures.state === "filling" && layer.laid < 1}
            index={index}
            onSelect={props.onSelect}
          />
        ),
      )}
      {figures.layers.map((layer, index) =>
        layer.sheet ? (
          <SheetLine
            key={index}
            layer={layer}
            geometry={geometry}
            lift={sheetsBelow(index) * 3}
            name={hatch(layer)}
            chosen={selected === index}
            up_m={bed.layers[index]?.up_sides_m ?? 0}
            index={index}
            onSelect={props.onSelect}
          />
        ) : null,
      )}
      {figures.reservoir && (
        <WaterParts reservoir={figures.reservoir} place={(outline) => onSheet(geometry, outline)} />
      )}
      {solids.map((ring, index) => (
        <path
          key={index}
          className={css.drawingSolid}
          data-part="drawing-solid"
          d={pathOf(onSheet(geometry, ring))}
        />
      ))}
      {walls.map((ring, index) => (
        <Wall key={index} points={onSheet(geometry, ring)} look={figures.section.wall} />
      ))}
      {figures.layers.map((layer, index) => (
        <circle
          key={index}
          className={css.leaderDot}
          cx={leaderFrom(geometry, layer)[0]}
          cy={leaderFrom(geometry, layer)[1]}
          r={3}
        />
      ))}
      {(form === "vessel" || form === "trench") && (
        <HeadspaceLine geometry={geometry} line_m={figures.line_m} />
      )}
      {geometry.top < geometry.rim - 1 && form !== "flat" && (
        <line
          className={css.rimLine}
          x1={geometry.left}
          x2={geometry.right}
          y1={geometry.rim}
          y2={geometry.rim}
        />
      )}
      {ghosts.length > 0 && <Ghosts geometry={geometry} ghosts={ghosts} />}
      <BreakMark geometry={geometry} />
      {ghosts.length > 0 && (
        <GhostNames
          geometry={geometry}
          ghosts={ghosts}
          taken={[...gripBoxes(bed, figures, geometry), measureBox(geometry)]}
          leaders={leaderBoxes(figures, geometry)}
        />
      )}
      <WidthMeasure geometry={geometry} width_m={widthOf(figures)} along={form === "spiral"} />
      <DepthRuler geometry={geometry} rim_m={figures.section.top_m} caption={DOWN_FROM[form]} />
      <HeightRuler geometry={geometry} rim_m={figures.section.top_m} />
      {geometry.stretch > 1.05 && (
        <text className={css.rulerCaption} x={geometry.width / 2} y={geometry.height - 6} textAnchor="middle">
          heights drawn {geometry.stretch.toFixed(1)} times as large as lengths
        </text>
      )}
      {figures.layers.map((layer, index) =>
        !still && canMoveBoundary(bed, index, figures.layers) ? (
          <Handle key={index} index={index} label={`Top of ${layer.name}`} {...props} />
        ) : null,
      )}
    </svg>
  );
});

const DOWN_FROM = {
  vessel: "down from the rim",
  trench: "down from the ground",
  mound: "down from the top",
  spiral: "down from the top",
  flat: "down from the top",
} as const;

/** What the tape over the cut reads: the inside, the base, or the run. */
function widthOf({ section, spiral }: BedFigures): number {
  if (spiral) return spiral.run_length_m;
  const xs = section.hollow.flat().map(([x]) => x);
  return Math.max(...xs) - Math.min(...xs);
}

function hatchOfInfill(bed: Bed, index: number, materials: ReadonlyMap<string, Material>): string | null {
  const infill = bed.layers[index]?.infill;
  return infill ? hatchKey(infill.material, materials.get(infill.material)?.like) : null;
}

type ShapeProps = {
  layer: LayerFigures;
  geometry: Geometry;
  hatch: string;
  infill: string | null;
  chosen: boolean;
  /** Not laid yet in a bed that is being filled. */
  coming: boolean;
  index: number;
  onSelect: (index: number) => void;
};

const LayerShape = memo(function LayerShape({
  layer,
  geometry,
  hatch,
  infill,
  chosen,
  coming,
  index,
  onSelect,
}: ShapeProps) {
  const logs = layer.material.endsWith("_logs") || hatch.endsWith("_logs");
  return (
    <g
      className={css.layerShape}
      data-chosen={chosen || undefined}
      data-coming={coming || undefined}
      data-part="layer-shape"
      onPointerDown={() => onSelect(index)}
    >
      {layer.outlines.map((outline, index) => {
        const points = onSheet(geometry, outline);
        return (
          <g key={index}>
            <path
              className={logs && !infill ? css.layerBetweenLogs : undefined}
              d={pathOf(points)}
              fill={logs ? (infill ? `url(#hatch-${infill})` : undefined) : `url(#hatch-${hatch})`}
            />
            {logs && <LogEnds points={points} geometry={geometry} hatch={hatch} />}
            <path className={css.layerEdge} d={pathOf(points)} />
          </g>
        );
      })}
    </g>
  );
});

type SheetProps = {
  layer: LayerFigures;
  geometry: Geometry;
  lift: number;
  name: string;
  chosen: boolean;
  up_m: number;
  index: number;
  onSelect: (index: number) => void;
};

const SheetLine = memo(function SheetLine({
  layer,
  geometry,
  lift,
  name,
  chosen,
  up_m,
  index,
  onSelect,
}: SheetProps) {
  const raise = 2 + lift * (layer.bottom_m === 0 ? 1 : 0);
  const up = up_m * geometry.scale * geometry.stretch;
  const lines = layer.outlines.map((outline) => {
    const points = onSheet(geometry, sheetLine(outline)).map(([x, y]) => [x, y - raise] as const);
    const [first, last] = [points[0], points.at(-1)];
    if (!first || !last || up === 0) return pathOf(points, false);
    return pathOf([[first[0] + 2, first[1] - up], ...points, [last[0] - 2, last[1] - up]], false);
  });
  return (
    <g className={css.sheetLine} data-chosen={chosen || undefined} onPointerDown={() => onSelect(index)}>
      {lines.map((d, index) => (
        <g key={index}>
          <path className={css.sheetHit} d={d} />
          <path className={css.sheetDash} data-sheet={name} stroke={HATCHES[name]?.ink} d={d} />
        </g>
      ))}
    </g>
  );
});

const LEAST_WALL = 5;

/** A wall cut through; a thin one is drawn as thick as can be seen. */
function Wall({ points, look }: { points: readonly Point[]; look: string }) {
  const [first, second, last] = [points[0], points[1], points.at(-1)];
  const across = points.length > 4 ? last : second;
  const thick = first && across ? Math.hypot(across[0] - first[0], across[1] - first[1]) : 0;
  return (
    <path
      className={css.drawingWall}
      data-wall={look}
      d={pathOf(points)}
      strokeWidth={Math.max(LEAST_WALL - thick, 1)}
      aria-hidden="true"
    />
  );
}

function HeadspaceLine({ geometry, line_m }: { geometry: Geometry; line_m: number }) {
  const y = yOf(geometry, line_m);
  if (y - geometry.rim < 3) return null;
  const { insideLeft, insideRight } = geometry;
  return <line className={css.headspaceLine} x1={insideLeft} x2={insideRight} y1={y} y2={y} />;
}

function BreakMark({ geometry }: { geometry: Geometry }) {
  const { breakAt, floor, height } = geometry;
  if (breakAt === null) return null;
  const bottom = Math.min(floor + 26, height);
  const top = geometry.top - 2;
  const steps = Math.max(Math.round((bottom - top) / 22), 2);
  const edge = (x: number) =>
    Array.from(
      { length: steps + 1 },
      (_, i) => `${x + (i % 2 ? 4 : -4)} ${top + ((bottom - top) * i) / steps}`,
    );
  const one = edge(breakAt - BREAK_GAP / 2 + 4);
  const two = edge(breakAt + BREAK_GAP / 2 - 4);
  return (
    <g aria-hidden="true">
      <polygon className={css.breakGap} points={[...one, ...two.toReversed()].join(",")} />
      <polyline className={css.breakLine} points={one.join(",")} />
      <polyline className={css.breakLine} points={two.join(",")} />
    </g>
  );
}

function Handle(props: Props & { index: number; label: string }) {
  const { index, label, figures, geometry } = props;
  const { units } = useShowing();
  const dragging = useRef(false);
  const id = useId();
  const layer = figures.layers[index];
  if (!layer) return null;
  const grip = gripOf(figures, geometry, index);
  if (!grip) return null;
  const { x, y } = grip;

  const onPointerMove = (event: PointerEvent<SVGGElement>) => {
    if (!dragging.current) return;
    const sheet = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
    if (!sheet) return;
    const scaleOnScreen = sheet.height / geometry.height;
    const height_px = geometry.floor - (event.clientY - sheet.top) / scaleOnScreen;
    props.onDrag(index, Math.max(height_px / geometry.scale / geometry.stretch, 0));
  };

  const onKeyDown = (event: KeyboardEvent) => {
    const steps = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[event.key];
    if (!steps || event.altKey || event.ctrlKey || event.metaKey || event.shiftKey) return;
    event.preventDefault();
    event.stopPropagation();
    props.onNudge(index, steps);
  };

  const stop = () => {
    if (!dragging.current) return;
    dragging.current = false;
    props.onDragEnd();
  };

  return (
    <g
      id={id}
      className={css.handle}
      data-part="handle"
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-orientation="vertical"
      aria-valuenow={Math.round(layer.top_m * 1000)}
      aria-valuemin={0}
      aria-valuemax={Math.round(Math.max(figures.rim_m, layer.top_m) * 1000)}
      aria-valuetext={`${showLength(layer.top_m, units)} above the floor`}
      transform={`translate(${x} ${y})`}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        dragging.current = true;
        props.onSelect(index);
      }}
      onPointerMove={onPointerMove}
      onPointerUp={stop}
      onPointerCancel={stop}
      onKeyDown={onKeyDown}
    >
      <rect
        className={css.handleHit}
        x={-GRIP.half}
        y={-GRIP.high}
        width={2 * GRIP.half}
        height={2 * GRIP.high}
      />
      <rect className={css.handlePill} x={-15} y={-4.5} width={30} height={9} rx={4.5} />
      <line className={css.handleMark} x1={-6} x2={6} y1={0} y2={0} />
    </g>
  );
}
