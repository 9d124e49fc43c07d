import { hatchKey } from "./hatches";

/** A material's hatch as a small sample. */
export function Swatch({
  material,
  like,
  width,
  height,
}: {
  material: string;
  like?: string | null;
  width: number;
  height: number;
}) {
  return (
    <svg width={width} height={height} aria-hidden="true" focusable="false">
      <rect width={width} height={height} rx="2" fill={`url(#hatch-${hatchKey(material, like)})`} />
    </svg>
  );
}
