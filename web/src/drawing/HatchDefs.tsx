import { memo } from "react";
import { HATCHES, MIX_HATCHES, type Hatch } from "./hatches";
import { TILES } from "./marks";

/** Every hatch once for the whole page; drawings fill with url(#hatch-KEY). */
export const HatchDefs = memo(function HatchDefs() {
  return (
    <svg width="0" height="0" style={{ position: "absolute" }} aria-hidden="true" focusable="false">
      <defs>
        {Object.entries(HATCHES).map(([key, hatch]) => (
          <Pattern key={key} name={key} hatch={hatch} />
        ))}
        {MIX_HATCHES.map((hatch, index) => (
          <Pattern key={index} name={`mix-${index}`} hatch={hatch} />
        ))}
      </defs>
    </svg>
  );
});

function Pattern({ name, hatch }: { name: string; hatch: Hatch }) {
  const tile = TILES[hatch.mark];
  const turn = `rotate(${hatch.turn ?? 0}) scale(${hatch.size})`;
  return (
    <pattern
      id={`hatch-${name}`}
      width={tile.width}
      height={tile.height}
      patternUnits="userSpaceOnUse"
      patternTransform={turn}
    >
      <rect width={tile.width} height={tile.height} fill={hatch.ground} />
      <path
        d={tile.path}
        fill={tile.fill ? hatch.ink : "none"}
        stroke={tile.fill ? "none" : hatch.ink}
        strokeWidth={tile.stroke}
        strokeLinecap="round"
      />
    </pattern>
  );
}
