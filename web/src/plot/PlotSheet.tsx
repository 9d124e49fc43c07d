import css from "./plot-sheet.module.css";
import { meant } from "../api/meant";
import { useCallback, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import type { Bed, BedFigures, KeptGarden, Material, Place, Schemas } from "../api/client";
import { hatchKey } from "../drawing/hatches";
import { INCH_M, showLength } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { BedOnPlot } from "./BedOnPlot";
import { Ground, PathsOnPlot, SketchOnPlot, WaysOnPlot } from "./Ground";
import { PlotLabels, type Laid } from "./PlotLabels";
import { fitGround, to_cm, toGround, toSheet, type Sheet } from "./sheet";
import { boxRound, snapShift, type Box } from "./snap";
import { useDrawn, type Drawing, type Part } from "./useDrawn";
import type { PlotWork } from "./usePlot";

type LaidOut = Schemas["LaidOutFigures"];
export type Chosen = { key: string; index: number };

type Props = {
  garden: KeptGarden;
  work: PlotWork;
  beds: readonly BedFigures[];
  materials: ReadonlyMap<string, Material>;
  width: number;
  height: number;
  chosen: Chosen | null;
  onChoose: (chosen: Chosen | null) => void;
  /** Told where the ground was clicked while something is being placed. */
  onPlace: ((at: [number, number]) => void) | null;
  /** What a rectangle drawn on the ground is for, while one is to be drawn. */
  drawing: Drawing | null;
  /** Points of a line that is being drawn. */
  sketch: readonly (readonly number[])[];
  /** Ways of the barrow to the beds. */
  ways: readonly Schemas["WayFigures"][];
  /** Beds where they would come to lie. */
  ghosts: readonly LaidOut[];
  room: readonly (readonly number[])[];
  roomSize: readonly [number, number] | null;
};

const SNAP_PX = 9;
const TURN_STEP_DEG = 5;

/** The measured ground with its beds to scale: drag to move, the handle to turn, keys for both. */
export function PlotSheet(props: Props) {
  const { garden, work, beds, materials, chosen, onChoose } = props;
  const { plot, figures } = work.state;
  const { units } = useShowing();
  const sheet = useMemo(() => fitGround(plot, props.width, props.height), [plot, props.width, props.height]);
  const byKey = useMemo(() => new Map(beds.map((bed) => [bed.key, bed])), [beds]);
  const svg = useRef<SVGSVGElement>(null);
  const held = useHeld({ sheet, svg, work, byKey, aisle_m: meant("Plot", plot, "aisle_m"), onChoose });
  const drawn = useDrawn(sheet, held.onSheet, props.drawing);
  const step_m = units === "ft_in" ? INCH_M : 0.05;
  const onKey = useCallback(
    (key: string, index: number, event: KeyboardEvent<SVGGElement>) => {
      const place = work.placesOf(key)[index];
      const moved = place && movedByKey(place, event, step_m);
      if (!moved) return;
      event.preventDefault();
      onChoose({ key, index });
      work.put(key, index, moved);
    },
    [work, step_m, onChoose],
  );
  const laid: Laid[] = trenchesFirst(garden.beds).flatMap(({ key }) => {
    const figured = byKey.get(key);
    const isHeld = (index: number) => held.at?.key === key && held.at.index === index;
    return figured
      ? work.placesOf(key).map((place, index) => ({
          figures: figured,
          index,
          place: isHeld(index) && held.at ? held.at.place : place,
        }))
      : [];
  });
  return (
    <svg
      ref={svg}
      className={css.plotSheet}
      data-placing={props.onPlace || props.drawing || undefined}
      data-drawing={props.drawing ? "" : undefined}
      data-part="plot-sheet"
      width={sheet.width}
      height={sheet.height}
      viewBox={`0 0 ${sheet.width} ${sheet.height}`}
      role="group"
      aria-label="The plot from above"
      onPointerDown={(event) => {
        if (drawn.start(event)) return;
        if (!props.onPlace) return onChoose(null);
        const [x, y] = held.onSheet(event);
        props.onPlace(toGround(sheet, x, y));
      }}
      onPointerMove={(event) => {
        held.move(event);
        drawn.move(event);
      }}
      onPointerUp={() => {
        held.drop();
        drawn.drop();
      }}
      onPointerCancel={held.drop}
    >
      <Ground plot={plot} figures={figures} sheet={sheet} drop={garden.garden.drop ?? null} />
      {props.roomSize &&
        props.room.map((at) => {
          const [x, y] = toSheet(sheet, at);
          const [w, h] = (props.roomSize ?? [0, 0]).map((each) => each * sheet.scale) as [number, number];
          return (
            <rect
              key={String(at)}
              className={css.plotRoom}
              data-part="plot-room"
              x={x - w / 2}
              y={y - h / 2}
              width={w}
              height={h}
            />
          );
        })}
      {laid.map(({ figures: figured, index, place }) => (
        <BedOnPlot
          key={`${figured.key} ${index}`}
          figures={figured}
          hatch={hatchOnTop(figured, materials)}
          index={index}
          place={place}
          scale={sheet.scale}
          originX={sheet.originX}
          originY={sheet.originY}
          chosen={chosen?.key === figured.key && chosen.index === index}
          onHold={held.hold}
          onTurn={held.turn}
          onKey={onKey}
        />
      ))}
      <PathsOnPlot figures={figures} sheet={sheet} />
      <WaysOnPlot ways={props.ways} sheet={sheet} />
      {!held.at &&
        figures?.aisles.map((aisle, index) => <AisleMark key={index} aisle={aisle} sheet={sheet} />)}
      {!held.at &&
        figures?.clashes.map((clash, index) => {
          const [x, y] = toSheet(sheet, clash.at);
          return (
            <path
              key={index}
              className={css.plotClash}
              data-part="plot-clash"
              d={`M${x - 7} ${y - 7}l14 14m0 -14l-14 14`}
            />
          );
        })}
      <SketchOnPlot line={props.sketch} sheet={sheet} />
      {drawn.part && <DrawnPart part={drawn.part} sheet={sheet} />}
      {props.ghosts.map(({ key, spots }) => (
        <Ghosts key={key} figures={byKey.get(key)} spots={spots} sheet={sheet} />
      ))}
      <PlotLabels plot={plot} figures={figures} sheet={sheet} beds={laid} isHeld={held.at !== null} />
    </svg>
  );
}

function trenchesFirst(beds: KeptGarden["beds"]): KeptGarden["beds"] {
  return beds.toSorted((one, two) => depthOf(one.bed) - depthOf(two.bed));
}

function depthOf({ shape }: Bed): number {
  return shape.kind === "trench" ? 0 : 1;
}

function hatchOnTop(figures: BedFigures, materials: ReadonlyMap<string, Material>): string {
  const top = figures.layers.findLast((layer) => !layer.sheet && layer.thickness_m > 0);
  return top ? hatchKey(top.material, materials.get(top.material)?.like) : "topsoil";
}

function movedByKey(place: Place, event: KeyboardEvent, step_m: number): Place | null {
  const far = event.shiftKey ? 10 : 1;
  switch (event.key) {
    case "ArrowLeft":
      return { ...place, x_m: to_cm(place.x_m - step_m * far) };
    case "ArrowRight":
      return { ...place, x_m: to_cm(place.x_m + step_m * far) };
    case "ArrowUp":
      return { ...place, y_m: to_cm(place.y_m + step_m * far) };
    case "ArrowDown":
      return { ...place, y_m: to_cm(place.y_m - step_m * far) };
    case "[":
    case "]":
      return {
        ...place,
        turn_deg: ((place.turn_deg ?? 0) + (event.key === "[" ? 1 : -1) * TURN_STEP_DEG) % 360,
      };
    default:
      return null;
  }
}

type Held = { key: string; index: number; place: Place; offX: number; offY: number; turning: boolean };

type HeldProps = {
  sheet: Sheet;
  svg: { current: SVGSVGElement | null };
  work: PlotWork;
  byKey: ReadonlyMap<string, BedFigures>;
  aisle_m: number;
  onChoose: (chosen: Chosen) => void;
};

/** A bed that is held: it follows the pointer at once; the figures follow when they are worked out. */
function useHeld({ sheet, svg, work, byKey, aisle_m, onChoose }: HeldProps) {
  const [at, setAt] = useState<Held | null>(null);
  const others = useRef<Box[]>([]);
  const latest = useRef({ sheet, work, byKey, onChoose });
  latest.current = { sheet, work, byKey, onChoose };

  const onSheet = useCallback(
    (event: { clientX: number; clientY: number }): [number, number] => {
      const box = svg.current?.getBoundingClientRect();
      if (!box) return [0, 0];
      const onScreen = box.width / latest.current.sheet.width;
      return [(event.clientX - box.left) / onScreen, (event.clientY - box.top) / onScreen];
    },
    [svg],
  );

  const take = useCallback(
    (key: string, index: number, event: PointerEvent<SVGGElement>, turning: boolean) => {
      const now = latest.current;
      const place = now.work.placesOf(key)[index];
      if (!place) return;
      event.stopPropagation();
      event.currentTarget.ownerSVGElement?.setPointerCapture(event.pointerId);
      now.onChoose({ key, index });
      const [x, y] = onSheet(event);
      const [px, py] = toSheet(now.sheet, [place.x_m, place.y_m]);
      others.current = [...now.byKey.values()].flatMap((bed) =>
        now.work
          .placesOf(bed.key)
          .filter((_, which) => bed.key !== key || which !== index)
          .map((other) => boxOf(bed, other)),
      );
      setAt({ key, index, place, offX: px - x, offY: py - y, turning });
    },
    [onSheet],
  );

  const move = (event: PointerEvent) => {
    if (!at) return;
    const figures = byKey.get(at.key);
    if (!figures) return;
    const [x, y] = onSheet(event);
    if (at.turning) {
      const [px, py] = toSheet(sheet, [at.place.x_m, at.place.y_m]);
      const turn = (Math.atan2(py - y, x - px) * 180) / Math.PI;
      return setAt({
        ...at,
        place: { ...at.place, turn_deg: Math.round(turn / TURN_STEP_DEG) * TURN_STEP_DEG },
      });
    }
    const [gx, gy] = toGround(sheet, x + at.offX, y + at.offY);
    const box = boxOf(figures, { ...at.place, x_m: gx, y_m: gy });
    const [dx, dy] = event.altKey ? [0, 0] : snapShift(box, others.current, aisle_m, SNAP_PX / sheet.scale);
    setAt({ ...at, place: { ...at.place, x_m: to_cm(gx + dx), y_m: to_cm(gy + dy) } });
  };

  const drop = () => {
    if (!at) return;
    const before = work.placesOf(at.key)[at.index];
    const { x_m, y_m, turn_deg } = at.place;
    if (before?.x_m !== x_m || before.y_m !== y_m || (before.turn_deg ?? 0) !== (turn_deg ?? 0))
      work.put(at.key, at.index, at.place);
    setAt(null);
  };

  const hold = useCallback(
    (key: string, index: number, event: PointerEvent<SVGGElement>) => take(key, index, event, false),
    [take],
  );
  const turn = useCallback(
    (key: string, index: number, event: PointerEvent<SVGGElement>) => take(key, index, event, true),
    [take],
  );
  return { at, hold, turn, move, drop, onSheet };
}

function boxOf({ plan }: BedFigures, place: Place): Box {
  return boxRound(place.x_m, place.y_m, plan.length_m, plan.width_m, place.turn_deg ?? 0);
}

/** The rectangle that is being drawn, with its sides in the garden's units. */
function DrawnPart({ part, sheet }: { part: Part; sheet: Sheet }) {
  const { units } = useShowing();
  const [x1, y1] = toSheet(sheet, part[0]);
  const [x2, y2] = toSheet(sheet, part[1]);
  const [wide, high] = [Math.abs(part[1][0] - part[0][0]), Math.abs(part[1][1] - part[0][1])];
  return (
    <g className={css.plotDrawn} data-part="plot-drawn">
      <rect x={Math.min(x1, x2)} y={Math.min(y1, y2)} width={Math.abs(x2 - x1)} height={Math.abs(y2 - y1)} />
      <text x={(x1 + x2) / 2} y={Math.min(y1, y2) - 6} textAnchor="middle">
        {showLength(wide, units)} × {showLength(high, units)}
      </text>
    </g>
  );
}

type GhostsProps = { figures: BedFigures | undefined; spots: readonly Place[]; sheet: Sheet };

function Ghosts({ figures, spots, sheet }: GhostsProps) {
  if (!figures) return null;
  const [wide, high] = [figures.plan.length_m * sheet.scale, figures.plan.width_m * sheet.scale];
  return spots.map((spot, index) => {
    const [x, y] = toSheet(sheet, [spot.x_m, spot.y_m]);
    return (
      <rect
        key={index}
        className={css.plotRoom}
        data-part="plot-ghost"
        x={x - wide / 2}
        y={y - high / 2}
        width={wide}
        height={high}
        transform={`rotate(${-(spot.turn_deg ?? 0)} ${x} ${y})`}
      />
    );
  });
}

type AisleProps = {
  aisle: { start: readonly number[]; end: readonly number[]; level: string };
  sheet: Sheet;
};

/** An aisle at its narrowest. */
function AisleMark({ aisle, sheet }: AisleProps) {
  const [x1, y1] = toSheet(sheet, aisle.start);
  const [x2, y2] = toSheet(sheet, aisle.end);
  return (
    <g className={css.plotAisle} data-part="plot-aisle" data-level={aisle.level}>
      <line x1={x1} y1={y1} x2={x2} y2={y2} />
    </g>
  );
}
