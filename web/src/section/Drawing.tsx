import { useId, useMemo, useRef, type KeyboardEvent, type PointerEvent } from "react";
import type { Bed, BedFigures, Material } from "../api/client";
import { hatchKey } from "../hatches/hatches";
import { showLength } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { canMoveBoundary } from "./edits";
import { BREAK_GAP, parts, yOf, type Geometry } from "./geometry";
import { packLogs } from "./logs";
import { DepthRuler, HeightRuler, WidthMeasure } from "./Rulers";
import "./drawing.css";

type Props = {
  bed: Bed;
  figures: BedFigures;
  geometry: Geometry;
  materials: ReadonlyMap<string, Material>;
  selected: number | null;
  onSelect: (index: number) => void;
  onDrag: (index: number, height_m: number) => void;
  onNudge: (index: number, steps: number) => void;
  onDragEnd: () => void;
};

/** The bed cut open across its width, to scale, with boundaries to drag. */
export function Drawing(props: Props) {
  const { bed, figures, geometry, materials, selected } = props;
  const { floor, left, right, wall, rim } = geometry;
  const sheetsBelow = (index: number) => figures.layers.slice(0, index).filter((layer) => layer.sheet).length;
  return (
    <svg
      className="drawing"
      width={geometry.width}
      height={geometry.height}
      viewBox={`0 0 ${geometry.width} ${geometry.height}`}
      role="group"
      aria-label={`${figures.name}, cut open`}
    >
      <Ground geometry={geometry} />
      <rect className="drawing-air" x={left} y={rim} width={right - left} height={floor - rim} />
      {figures.layers.map((layer, index) =>
        layer.sheet ? null : (
          <LayerShape
            key={index}
            index={index}
            figures={figures}
            geometry={geometry}
            hatch={hatchKey(layer.material, materials.get(layer.material)?.like)}
            infill={hatchOfInfill(bed, index, materials)}
            chosen={selected === index}
            onSelect={props.onSelect}
          />
        ),
      )}
      {figures.layers.map((layer, index) =>
        layer.sheet ? (
          <SheetLine
            key={index}
            geometry={geometry}
            height_m={layer.bottom_m}
            lift={sheetsBelow(index) * 3}
            name={hatchKey(layer.material, materials.get(layer.material)?.like)}
            chosen={selected === index}
            up_m={bed.layers[index]?.up_sides_m ?? 0}
            onSelect={() => props.onSelect(index)}
          />
        ) : null,
      )}
      <Walls geometry={geometry} wall={wall} />
      {figures.layers.map((layer, index) => (
        <circle
          key={index}
          className="leader-dot"
          cx={right + wall}
          cy={yOf(geometry, (layer.bottom_m + layer.top_m) / 2) - (layer.sheet ? 2 : 0)}
          r={3}
        />
      ))}
      <HeadspaceLine geometry={geometry} line_m={figures.line_m} />
      {geometry.top < rim - 1 && (
        <line className="rim-line" x1={left - wall} x2={right + wall} y1={rim} y2={rim} />
      )}
      <BreakMark geometry={geometry} />
      <WidthMeasure geometry={geometry} width_m={figures.inside_width_m} />
      <DepthRuler geometry={geometry} rim_m={figures.rim_m} />
      <HeightRuler geometry={geometry} rim_m={figures.rim_m} />
      {figures.layers.map((layer, index) =>
        canMoveBoundary(bed, index, figures.layers) ? (
          <Handle key={index} index={index} label={`Top of ${layer.name}`} {...props} />
        ) : null,
      )}
    </svg>
  );
}

function hatchOfInfill(bed: Bed, index: number, materials: ReadonlyMap<string, Material>): string | null {
  const infill = bed.layers[index]?.infill;
  return infill ? hatchKey(infill.material, materials.get(infill.material)?.like) : null;
}

function Ground({ geometry }: { geometry: Geometry }) {
  const { floor, width, height } = geometry;
  const strokes = Array.from({ length: Math.floor(width / 62) }, (_, i) => ({
    x: 14 + i * 62,
    y: floor + 12 + (i % 2) * 16,
  }));
  return (
    <g aria-hidden="true">
      <rect className="drawing-ground" x={0} y={floor} width={width} height={Math.max(height - floor, 0)} />
      {strokes.map(({ x, y }) => (
        <path key={x} className="drawing-ground-mark" d={`M${x} ${y}l14 -6`} />
      ))}
    </g>
  );
}

type ShapeProps = {
  index: number;
  figures: BedFigures;
  geometry: Geometry;
  hatch: string;
  infill: string | null;
  chosen: boolean;
  onSelect: (index: number) => void;
};

function LayerShape({ index, figures, geometry, hatch, infill, chosen, onSelect }: ShapeProps) {
  const layer = figures.layers[index];
  if (!layer) return null;
  const y = yOf(geometry, layer.top_m);
  const height = Math.max(yOf(geometry, layer.bottom_m) - y, 0);
  const logs = layer.material.endsWith("_logs") || hatch.endsWith("_logs");
  return (
    <g className={`layer-shape ${chosen ? "is-chosen" : ""}`} onPointerDown={() => onSelect(index)}>
      <rect
        className={logs ? "layer-between-logs" : ""}
        x={geometry.left}
        y={y}
        width={geometry.right - geometry.left}
        height={height}
        fill={logs ? (infill ? `url(#hatch-${infill})` : undefined) : `url(#hatch-${hatch})`}
      />
      {logs &&
        parts(geometry).map((part) => (
          <LogEnds
            key={part.x}
            x={part.x}
            floor={y + height}
            width={part.width}
            height={height}
            scale={geometry.scale}
            hatch={hatch}
          />
        ))}
      <line className="layer-edge" x1={geometry.left} x2={geometry.right} y1={y} y2={y} />
    </g>
  );
}

const LARGEST_LOG_M = 0.055;
const LARGEST_SHARE_OF_LAYER = 0.36;

type LogProps = { x: number; floor: number; width: number; height: number; scale: number; hatch: string };

function LogEnds({ x, floor, width, height, scale, hatch }: LogProps) {
  const largest = Math.max(
    Math.min(LARGEST_LOG_M * scale, 46),
    Math.min(18, height * LARGEST_SHARE_OF_LAYER),
  );
  const logs = useMemo(
    () => packLogs(width - 2, height - 2, largest, Math.round(x)),
    [width, height, largest, x],
  );
  return (
    <g className={`log-ends ${hatch}`}>
      {logs.map((log) => (
        <g key={`${log.x} ${log.y}`} transform={`translate(${x + 1 + log.x} ${floor - 1 - log.y})`}>
          <circle className="log-bark" r={Math.max(log.r - 0.9, 0.5)} />
          <circle className="log-ring" r={log.r * 0.62} />
          <circle className="log-ring" r={log.r * 0.3} />
        </g>
      ))}
    </g>
  );
}

type SheetProps = {
  geometry: Geometry;
  height_m: number;
  lift: number;
  name: string;
  chosen: boolean;
  up_m: number;
  onSelect: () => void;
};

function SheetLine({ geometry, height_m, lift, name, chosen, up_m, onSelect }: SheetProps) {
  const y = yOf(geometry, height_m) - 2 - lift * (height_m === 0 ? 1 : 0);
  const up = up_m * geometry.scale;
  const { left, right } = geometry;
  const d = `M${left + 2} ${y - up}V${y}H${right - 2}V${y - up}`;
  return (
    <g className={`sheet-line ${chosen ? "is-chosen" : ""}`} onPointerDown={onSelect}>
      <path className="sheet-hit" d={d} />
      <path className={`sheet-dash sheet-${name}`} d={d} />
    </g>
  );
}

function Walls({ geometry, wall }: { geometry: Geometry; wall: number }) {
  const { left, right, rim, floor } = geometry;
  const height = floor - rim + 12;
  return (
    <g aria-hidden="true">
      {[left - wall, right].map((x) => (
        <rect key={x} className="drawing-wall" x={x} y={rim} width={wall} height={height} />
      ))}
    </g>
  );
}

function HeadspaceLine({ geometry, line_m }: { geometry: Geometry; line_m: number }) {
  const y = yOf(geometry, line_m);
  if (y - geometry.rim < 3) return null;
  return <line className="headspace-line" x1={geometry.left} x2={geometry.right} y1={y} y2={y} />;
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
      <polygon className="break-gap" points={[...one, ...two.toReversed()].join(",")} />
      <polyline className="break-line" points={one.join(",")} />
      <polyline className="break-line" points={two.join(",")} />
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
  const x = (geometry.left + (geometry.breakAt ?? geometry.right)) / 2;
  const y = yOf(geometry, layer.top_m);

  const onPointerMove = (event: PointerEvent<SVGGElement>) => {
    if (!dragging.current) return;
    const sheet = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
    if (!sheet) return;
    const scaleOnScreen = sheet.height / geometry.height;
    const height_px = geometry.floor - (event.clientY - sheet.top) / scaleOnScreen;
    props.onDrag(index, Math.max(height_px / geometry.scale, 0));
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
      className="handle"
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
      <rect className="handle-hit" x={-44} y={-12} width={88} height={24} />
      <rect className="handle-pill" x={-15} y={-4.5} width={30} height={9} rx={4.5} />
      <line className="handle-mark" x1={-6} x2={6} y1={0} y2={0} />
    </g>
  );
}
