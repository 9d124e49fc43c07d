import { useRef, type KeyboardEvent, type PointerEvent } from "react";
import css from "./frame.module.css";

type Props = {
  label: string;
  /** Where it sits in its drawing [px]. */
  x: number;
  y: number;
  /** Which way it is drawn: to the right, or up. */
  way: "right" | "up";
  /** How much a screen's pixel is, and what stands now [m]. */
  m_a_px: number;
  value_m: number;
  said: string;
  /** How far an arrow key moves it [m]. */
  step_m: number;
  onTo: (value_m: number, gesture: string | null) => void;
  onHold: (held: boolean) => void;
};

/** A grip on the edge of a drawn frame: pulled or moved by arrow keys, it says how long or high that side becomes. */
export function SizeGrip({ label, x, y, way, m_a_px, value_m, said, step_m, onTo, onHold }: Props) {
  const from = useRef<{ at: number; value_m: number; gesture: string } | null>(null);
  const place = (event: PointerEvent) => (way === "right" ? event.clientX : -event.clientY);
  const stop = () => {
    if (!from.current) return;
    from.current = null;
    onHold(false);
  };
  return (
    <g
      className={css.grip}
      data-part={`size-${way}`}
      data-way={way}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-orientation={way === "right" ? "horizontal" : "vertical"}
      aria-valuemin={0}
      aria-valuenow={Math.round(value_m * 1000)}
      aria-valuetext={said}
      transform={`translate(${x} ${y})`}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        from.current = { at: place(event), value_m, gesture: `${label} ${event.timeStamp}` };
        onHold(true);
      }}
      onPointerMove={(event) => {
        const start = from.current;
        if (start) onTo(start.value_m + (place(event) - start.at) * m_a_px, start.gesture);
      }}
      onPointerUp={stop}
      onPointerCancel={stop}
      onKeyDown={(event: KeyboardEvent) => {
        const steps = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[event.key];
        if (!steps || event.altKey || event.ctrlKey || event.metaKey || event.shiftKey) return;
        event.preventDefault();
        onTo(value_m + steps * step_m, null);
      }}
    >
      <rect className={css.gripHit} x={-22} y={-22} width={44} height={44} />
      <rect
        className={css.gripPill}
        x={way === "right" ? -4.5 : -15}
        y={way === "right" ? -15 : -4.5}
        width={way === "right" ? 9 : 30}
        height={way === "right" ? 30 : 9}
        rx={4.5}
      />
    </g>
  );
}
