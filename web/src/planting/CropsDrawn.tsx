import { memo, useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import { lettersOf, lookOf } from "./looks";
import { middleOf, standsOn } from "./places";
import type { CropInBed } from "./plantingApi";

const HALF = 0.5;
const ROOM_FOR_LETTERS_PX = 10;
const MOVED_PX = 3;

type At = readonly [number, number];

type Props = {
  crops: readonly CropInBed[];
  scale: number;
  onSheet: (at: At) => At;
  day: string | null;
  chosen: number | null;
  flagged: ReadonlySet<number>;
  /** Nothing is dragged while something else is drawn. */
  still: boolean;
  nudge_m: number;
  onChoose: (place: number) => void;
  onMove: (place: number, by: At) => void;
};

/** The bed's crops as circles; the one that is dragged moves by itself, the others aren't drawn again. */
export function CropsDrawn({ crops, scale, onSheet, day, still, onChoose, onMove, nudge_m, ...rest }: Props) {
  const held = useRef<{ place: number; x: number; y: number } | null>(null);
  const [shift, setShift] = useState<{ place: number; x: number; y: number } | null>(null);
  const grab = (place: number, event: PointerEvent<SVGGElement>) => {
    if (still) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    held.current = { place, x: event.clientX, y: event.clientY };
    onChoose(place);
  };
  const move = (event: PointerEvent) => {
    const from = held.current;
    if (from) setShift({ place: from.place, x: event.clientX - from.x, y: event.clientY - from.y });
  };
  const drop = () => {
    held.current = null;
    if (!shift) return;
    setShift(null);
    if (Math.hypot(shift.x, shift.y) > MOVED_PX) onMove(shift.place, [shift.x / scale, -shift.y / scale]);
  };
  const nudge = (place: number, event: KeyboardEvent) => {
    const by = NUDGES[event.key];
    if (!by) return;
    event.preventDefault();
    onChoose(place);
    onMove(place, [by[0] * nudge_m, by[1] * nudge_m]);
  };
  return crops.map((crop, place) => (
    <g
      key={`${crop.crop} ${place}`}
      data-part="planted-crop"
      data-crop={crop.crop}
      tabIndex={0}
      role="group"
      aria-roledescription="crop"
      aria-label={`${crop.name}, ${crop.count}: arrow keys move it`}
      transform={shift?.place === place ? `translate(${shift.x} ${shift.y})` : undefined}
      onPointerDown={(event) => grab(place, event)}
      onPointerMove={move}
      onPointerUp={drop}
      onPointerCancel={drop}
      onKeyDown={(event) => nudge(place, event)}
    >
      {standsOn(crop, day) && (
        <Circles
          crop={crop}
          place={place}
          scale={scale}
          x={onSheet([0, 0])[0]}
          y={onSheet([0, 0])[1]}
          chosen={rest.chosen === place}
          flagged={rest.flagged.has(place)}
        />
      )}
    </g>
  ));
}

const NUDGES: Readonly<Record<string, At>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

type CirclesProps = {
  crop: CropInBed;
  place: number;
  scale: number;
  x: number;
  y: number;
  chosen: boolean;
  flagged: boolean;
};

const Circles = memo(function Circles({ crop, place, scale, x, y, chosen, flagged }: CirclesProps) {
  const look = lookOf(place);
  const radius = crop.spread_m * HALF * scale;
  const letters = lettersOf(crop.name);
  const at = ([px, py]: At): At => [x + px * scale, y - py * scale];
  const [mx, my] = at(middleOf(crop));
  const inEach = radius >= ROOM_FOR_LETTERS_PX;
  return (
    <>
      {crop.points.map((point, plant) => {
        const [cx, cy] = at(point);
        return (
          <circle
            key={plant}
            cx={cx}
            cy={cy}
            r={radius}
            fill={look.fill}
            fillOpacity={0.6}
            stroke={chosen ? "var(--palette-iron)" : "var(--palette-ink)"}
            strokeWidth={chosen ? 2 : 1}
            strokeDasharray={look.dash}
          />
        );
      })}
      {crop.points.length > 0 &&
        (inEach ? crop.points.map(at) : [[mx, my] as const]).map(([lx, ly], index) => (
          <text key={index} x={lx} y={ly + 4} textAnchor="middle" aria-hidden="true">
            {letters}
          </text>
        ))}
      {flagged && crop.points.length > 0 && <Flag x={mx} y={my - Math.min(radius, 16)} />}
    </>
  );
});

/** Something is told of this crop. */
function Flag({ x, y }: { x: number; y: number }) {
  return (
    <g data-part="crop-flag" transform={`translate(${x} ${y})`} pointerEvents="none">
      <path
        d="M0 -11l10 17h-20z"
        fill="var(--palette-sheet)"
        stroke="var(--palette-iron)"
        strokeWidth={1.8}
      />
      <path d="M0 -5v5M0 2.4v.8" stroke="var(--palette-iron)" strokeWidth={1.8} />
    </g>
  );
}
