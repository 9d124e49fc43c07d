import css from "./plot-sheet.module.css";
import { memo, type KeyboardEvent, type PointerEvent } from "react";
import type { BedFigures, Place } from "../api/client";
import { STATES } from "../api/states";
import { pathOf, type Outline } from "../drawing/geometry";

type Props = {
  figures: BedFigures;
  hatch: string;
  index: number;
  place: Place;
  scale: number;
  originX: number;
  originY: number;
  chosen: boolean;
  onHold: (key: string, index: number, event: PointerEvent<SVGGElement>) => void;
  onTurn: (key: string, index: number, event: PointerEvent<SVGGElement>) => void;
  onKey: (key: string, index: number, event: KeyboardEvent<SVGGElement>) => void;
};

/** A bed on the ground, to scale; drawn anew only when it is moved itself. */
export const BedOnPlot = memo(function BedOnPlot(props: Props) {
  const { figures, hatch, index, place, scale, chosen } = props;
  const { plan } = figures;
  const [w, h] = [plan.length_m * scale, plan.width_m * scale];
  const draw = (ring: Outline) =>
    pathOf(ring.map(([x, y]) => [x * scale - w / 2, h / 2 - y * scale] as const));
  const name = figures.count > 1 ? `${figures.name} ${index + 1}` : figures.name;
  const clip = `reach-${figures.key}-${index}`;
  const inside = plan.inside.map(draw).join("");
  const turn = place.turn_deg ?? 0;
  return (
    <g
      className={css.bedOnPlot}
      data-part="bed-on-plot"
      data-form={figures.section.form}
      data-chosen={chosen || undefined}
      data-state={figures.state}
      transform={`translate(${props.originX + place.x_m * scale} ${props.originY - place.y_m * scale})`}
      role="button"
      tabIndex={0}
      aria-label={`${name}, ${STATES[figures.state]}, move with the arrow keys, turn with [ and ]`}
      aria-pressed={chosen}
      data-bed={`${figures.key} ${index}`}
      onPointerDown={(event) => props.onHold(figures.key, index, event)}
      onKeyDown={(event) => props.onKey(figures.key, index, event)}
    >
      <g transform={`rotate(${-turn})`}>
        <clipPath id={clip}>
          <path d={inside} />
        </clipPath>
        {plan.outside.map((ring, part) => (
          <path key={part} className={css.plotWall} data-wall={figures.section.wall} d={draw(ring)} />
        ))}
        <path className={css.plotFill} d={inside} fill={`url(#hatch-${hatch})`} />
        <path
          className={css.plotReach}
          d={inside}
          clipPath={`url(#${clip})`}
          strokeWidth={2 * Math.min(plan.reach_m, plan.length_m) * scale}
        />
        <path className={css.plotEdge} data-part="plot-edge" d={plan.outside.map(draw).join("")} />
        {chosen && (
          <g
            className={css.plotTurn}
            data-part="plot-turn"
            onPointerDown={(event) => {
              event.stopPropagation();
              props.onTurn(figures.key, index, event);
            }}
          >
            <line x1={w / 2} x2={w / 2 + 18} y1={0} y2={0} />
            <circle cx={w / 2 + 24} cy={0} r={7} />
          </g>
        )}
      </g>
    </g>
  );
});
