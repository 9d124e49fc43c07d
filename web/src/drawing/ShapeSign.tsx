import css from "./shapes.module.css";
import type { ShapeKind } from "../api/client";
import { DRAWINGS } from "./drawings";
import { SignSvg } from "./SignSvg";

/** A shape as the small outline it is known by. */
export function ShapeSign({ kind, size = 26 }: { kind: ShapeKind; size?: number }) {
  const drawing = DRAWINGS[kind];
  const box = drawing.sign === "plan" ? "14 18 180 110" : "226 26 148 104";
  return (
    <SignSvg
      className={css.shapeSign}
      width={size}
      height={size * 0.75}
      viewBox={box}
      aria-hidden="true"
      focusable="false"
    >
      <path d={drawing[drawing.sign]} vectorEffect="non-scaling-stroke" />
    </SignSvg>
  );
}
