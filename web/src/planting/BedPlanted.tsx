import { styled } from "@mui/material/styles";
import { useRef, useState, type PointerEvent } from "react";
import type { BedFigures } from "../api/client";
import { pathOf, type Outline } from "../drawing/geometry";
import { useSize } from "../kit/useSize";
import { INCH_M, showLength } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { CropsDrawn } from "./CropsDrawn";
import type { SunMap } from "./plantingApi";

const MOST_HEIGHT = 380;
const EDGE = 8;
const BELOW = 20;
const RIGHT = 70;
const LEAST_DRAWN_M = 0.05;
const NUDGE_M = 0.05;
const FULL_SUN_H = 12;
const DARKEST = 0.62;

const Frame = styled("div")(({ theme }) => ({
  minHeight: 200,
  "& text": { fill: theme.vars.palette.soft, fontSize: 12 },
  "& svg": { touchAction: "pan-y", maxWidth: "100%" },
  "& [data-part=planted-crop]": { cursor: "grab", touchAction: "none" },
  "& [data-part=planted-crop] text": {
    fill: theme.vars.palette.ink,
    fontWeight: 650,
    pointerEvents: "none",
    fontSize: 11.5,
  },
  "& [data-part=planted-crop]:focus-visible circle": { strokeWidth: 3 },
  "& [data-part=water-zone] path": {
    fill: "none",
    stroke: theme.vars.palette.soft,
    strokeDasharray: "2 3",
  },
  "& [data-part=water-zone] text": { fill: theme.vars.palette.soft, fontStyle: "italic" },
}));

/** What labels take beside the bed [px]. */
export const PLANTED_BESIDE = [RIGHT + EDGE, 2 * EDGE + BELOW] as const;

type At = readonly [number, number];

type Props = {
  figures: BedFigures;
  /** The scale that it is drawn at, where it isn't to fit the view. */
  px_per_m?: number;
  /** The day that is looked at; all of the year where none is. */
  day: string | null;
  sun: { map: SunMap; month: number } | null;
  chosen: number | null;
  /** Places of crops that something is told of. */
  flagged: ReadonlySet<number>;
  /** Whether a rectangle is to be drawn for a crop to fill. */
  filling: boolean;
  onChoose: (place: number) => void;
  onMove: (place: number, by: At) => void;
  onFill: (from: At, to: At) => void;
};

/** The bed from above, to scale, each plant as wide as it is spaced: drag a crop, nudge it by keys, or draw what it fills. */
export function BedPlanted(props: Props) {
  const { figures, sun, onFill } = props;
  const [ref, { width }] = useSize<HTMLDivElement>();
  const svg = useRef<SVGSVGElement>(null);
  const { units } = useShowing();
  const { plan, water_zones } = figures;
  const fitted = Math.min((width - RIGHT - 2 * EDGE) / plan.length_m, MOST_HEIGHT / plan.width_m);
  const scale = props.px_per_m ?? fitted;
  const [w, h] = [plan.length_m * scale, plan.width_m * scale];
  const onSheet = ([x, y]: At): [number, number] => [EDGE + x * scale, EDGE + h - y * scale];
  const place = (ring: Outline) => pathOf(ring.map(onSheet));
  const inBed = (event: PointerEvent): At => {
    const box = svg.current?.getBoundingClientRect();
    return [
      (event.clientX - (box?.left ?? 0) - EDGE) / scale,
      (EDGE + h - (event.clientY - (box?.top ?? 0))) / scale,
    ];
  };
  const drawn = useDrawnBox(props.filling, inBed, onFill);
  return (
    <Frame ref={ref} data-part="bed-planted">
      {scale > 0 && (
        <svg
          ref={svg}
          width={w + RIGHT + EDGE}
          height={h + 2 * EDGE + BELOW}
          role="group"
          aria-label={`${figures.name} from above, planted`}
          style={props.filling ? { cursor: "crosshair", touchAction: "none" } : undefined}
          onPointerDown={drawn.start}
          onPointerMove={drawn.move}
          onPointerUp={drawn.drop}
        >
          {plan.outside.map((ring, index) => (
            <path
              key={index}
              d={place(ring)}
              fill="var(--palette-timber)"
              stroke="var(--palette-timberEdge)"
            />
          ))}
          {plan.inside.map((ring, index) => (
            <path key={index} d={place(ring)} fill="var(--palette-earth)" stroke="var(--palette-edge)" />
          ))}
          {sun && <Shading map={sun.map} month={sun.month} scale={scale} onSheet={onSheet} />}
          {water_zones.map(({ zone, outlines, anchor }) => {
            const [x, y] = onSheet(anchor);
            return (
              <g key={zone} data-part="water-zone" data-zone={zone}>
                <path fillRule="evenodd" d={outlines.map(place).join("")} />
                <text x={x} y={y} textAnchor="middle">
                  {zone}
                </text>
              </g>
            );
          })}
          <CropsDrawn
            crops={figures.planting}
            scale={scale}
            onSheet={onSheet}
            day={props.day}
            chosen={props.chosen}
            flagged={props.flagged}
            still={props.filling}
            nudge_m={units === "ft_in" ? 2 * INCH_M : NUDGE_M}
            onChoose={props.onChoose}
            onMove={props.onMove}
          />
          {drawn.box && <DrawnBox box={drawn.box} onSheet={onSheet} scale={scale} />}
          <text x={EDGE + w / 2} y={h + 2 * EDGE + 12} textAnchor="middle">
            {showLength(plan.length_m, units)}
          </text>
          <text x={2 * EDGE + w} y={EDGE + h / 2 + 4}>
            {showLength(plan.width_m, units)}
          </text>
        </svg>
      )}
    </Frame>
  );
}

type ShadingProps = { map: SunMap; month: number; scale: number; onSheet: (at: At) => [number, number] };

/** The darker a spot, the fewer hours of sun it has in that month. */
function Shading({ map, month, scale, onSheet }: ShadingProps) {
  const side = map.step_m * scale;
  return (
    <g data-part="sun-shading" pointerEvents="none">
      {map.points.map((at, index) => {
        const hours = map.hours[index]?.[month] ?? 0;
        const [x, y] = onSheet(at);
        return (
          <rect
            key={index}
            x={x - side / 2}
            y={y - side / 2}
            width={side + 0.5}
            height={side + 0.5}
            fill="var(--palette-ink)"
            fillOpacity={DARKEST * Math.max(1 - hours / FULL_SUN_H, 0)}
          />
        );
      })}
    </g>
  );
}

type Box = { from: At; to: At };

function DrawnBox({ box, onSheet, scale }: { box: Box; onSheet: (at: At) => At; scale: number }) {
  const [left, top] = onSheet([Math.min(box.from[0], box.to[0]), Math.max(box.from[1], box.to[1])]);
  return (
    <rect
      data-part="filled-box"
      x={left}
      y={top}
      width={Math.abs(box.to[0] - box.from[0]) * scale}
      height={Math.abs(box.to[1] - box.from[1]) * scale}
      fill="none"
      stroke="var(--palette-iron)"
      strokeDasharray="4 3"
    />
  );
}

/** A rectangle drawn over the bed, while one is to be drawn. */
function useDrawnBox(on: boolean, inBed: (event: PointerEvent) => At, onBox: (from: At, to: At) => void) {
  const [box, setBox] = useState<Box | null>(null);
  return {
    box,
    start: (event: PointerEvent<SVGSVGElement>) => {
      if (!on) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      setBox({ from: inBed(event), to: inBed(event) });
    },
    move: (event: PointerEvent) => box && setBox({ ...box, to: inBed(event) }),
    drop: () => {
      if (!box) return;
      setBox(null);
      const large = [0, 1].every(
        (axis) => Math.abs(box.to[axis as 0 | 1] - box.from[axis as 0 | 1]) > LEAST_DRAWN_M,
      );
      if (large) onBox(box.from, box.to);
    },
  };
}
