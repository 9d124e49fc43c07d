import { useState, type PointerEvent } from "react";
import type { Point } from "../drawing/geometry";
import { toGround, toSheet, type Sheet } from "./sheet";

/** A rectangle that is drawn on the ground: two opposite corners [m]. */
export type Part = readonly [from: readonly [number, number], to: readonly [number, number]];

/** What a drawn rectangle is for: told while it is drawn, and when it is done. */
export type Drawing = { onDraw: (part: Part) => void; onDrawn: (part: Part) => void };

const LEAST_PX = 8;

/** A rectangle pulled up on the sheet by one drag. */
export function useDrawn(sheet: Sheet, onSheet: (event: PointerEvent) => Point, drawing: Drawing | null) {
  const [part, setPart] = useState<Part | null>(null);
  const start = (event: PointerEvent<SVGSVGElement>) => {
    if (!drawing) return false;
    event.currentTarget.setPointerCapture(event.pointerId);
    const at = toGround(sheet, ...onSheet(event));
    setPart([at, at]);
    return true;
  };
  const move = (event: PointerEvent<SVGSVGElement>) => {
    if (!part || !drawing) return;
    const next: Part = [part[0], toGround(sheet, ...onSheet(event))];
    setPart(next);
    if (isMeant(sheet, next)) drawing.onDraw(next);
  };
  const drop = () => {
    if (part && drawing && isMeant(sheet, part)) drawing.onDrawn(part);
    setPart(null);
  };
  return { part: drawing ? part : null, start, move, drop };
}

/** A press that hardly moved is none. */
function isMeant(sheet: Sheet, [from, to]: Part): boolean {
  const [x1, y1] = toSheet(sheet, from);
  const [x2, y2] = toSheet(sheet, to);
  return Math.abs(x2 - x1) > LEAST_PX && Math.abs(y2 - y1) > LEAST_PX;
}
