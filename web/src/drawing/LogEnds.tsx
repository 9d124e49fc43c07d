import css from "./drawing.module.css";
import { useRef } from "react";
import { drawnParts, pathOf, roomIn, type Geometry, type Point } from "./geometry";
import { HATCHES } from "./hatches";
import { packLogs, packOutline } from "./logs";

const LARGEST_LOG_M = 0.055;
const LARGEST_SHARE_OF_LAYER = 0.36;

/** A layer of logs as their ends, touching and inside its outline. */
export function LogEnds({
  points,
  geometry,
  hatch,
}: {
  points: readonly Point[];
  geometry: Geometry;
  hatch: string;
}) {
  const key = `${pathOf(points)} ${geometry.scale} ${geometry.breakAt}`;
  // the same outline is the same logs: where they lie is worked out anew only when it moves
  const kept = useRef<{ key: string; logs: ReturnType<typeof packed> } | null>(null);
  if (kept.current?.key !== key) kept.current = { key, logs: packed(points, geometry) };
  const { logs } = kept.current;
  const { ground, ink } = HATCHES[hatch] ?? HATCHES.broadleaf_logs ?? { ground: "none", ink: "none" };
  return (
    <g data-logs={hatch}>
      <path
        className={css.logBark}
        fill={ground}
        stroke={ink}
        d={rings(logs, (r) => Math.max(r - 0.9, 0.5))}
      />
      <path
        className={css.logRing}
        stroke={ink}
        d={rings(logs, (r) => r * 0.62) + rings(logs, (r) => r * 0.3)}
      />
    </g>
  );
}

type Log = { x: number; y: number; r: number };

/** All logs as one path: a heap of them is dragged without drawing each by itself. */
function rings(logs: readonly Log[], radius: (r: number) => number): string {
  return logs
    .map(({ x, y, r }) => {
      const [across, by] = [radius(r), radius(r).toFixed(1)];
      return `M${(x - across).toFixed(1)} ${y.toFixed(1)}a${by} ${by} 0 1 0 ${(2 * across).toFixed(1)} 0a${by} ${by} 0 1 0 ${(-2 * across).toFixed(1)} 0Z`;
    })
    .join("");
}

function packed(points: readonly Point[], geometry: Geometry): Log[] {
  const ys = points.map(([, y]) => y);
  const [top, floor] = [Math.min(...ys), Math.max(...ys)];
  const height = floor - top;
  const largest = Math.max(
    Math.min(LARGEST_LOG_M * geometry.scale, 46),
    Math.min(18, height * LARGEST_SHARE_OF_LAYER),
  );
  if (!isBox(points)) return packOutline((x, y) => roomIn(points, x, y), boundsOf(points), largest);
  return drawnParts(geometry, points).flatMap((part) =>
    packLogs(part.width - 2, height - 2, largest, Math.round(part.x)).map((log) => ({
      x: part.x + 1 + log.x,
      y: floor - 1 - log.y,
      r: log.r,
    })),
  );
}

function isBox(points: readonly Point[]): boolean {
  return points.length === 4 && points[0]?.[0] === points[3]?.[0] && points[1]?.[0] === points[2]?.[0];
}

function boundsOf(points: readonly Point[]) {
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  return { left, top, width: Math.max(...xs) - left, height: Math.max(...ys) - top };
}
