import type { Bed } from "../api/client";
import { ShapeSign } from "./ShapeSign";
import { SignSvg } from "./SignSvg";

/** A bed as a small section outline: a box with the lines of its layers, another shape by its sign. */
export function BedMark({ bed, size = 26 }: { bed: Bed; size?: number }) {
  const { shape } = bed;
  if (shape.kind !== "box") return <ShapeSign kind={shape.kind} size={size} />;
  const w = 20;
  const h = Math.min(Math.max((w * shape.depth_m) / shape.width_m, 6), 16);
  const top = 18 - h;
  const bulk = bed.layers.filter(
    (layer) => layer.fill || layer.thickness_m != null || layer.volume_m3 != null || layer.share != null,
  );
  const lines = Array.from(
    { length: Math.min(bulk.length - 1, 3) },
    (_, i) => top + (h * (i + 1)) / Math.min(bulk.length, 4),
  );
  return (
    <SignSvg width={size} height={size * 0.85} viewBox="0 0 26 22" aria-hidden="true" focusable="false">
      <path d={`M3 ${top}V18H23V${top}`} />
      {lines.map((y) => (
        <path key={y} d={`M3 ${y}H23`} strokeWidth="1.2" />
      ))}
    </SignSvg>
  );
}
