import type { HaulLine, NeedFigures } from "../api/client";
import { showLength, showMass, showSection, showVolume, type Units } from "../quantities/format";

/** Volumes closer than this are the same [m3]. */
export const SAME_M3 = 1e-6;

/** Pipes by their length and diameter: "2 × 1.8 m of 10 cm". */
export function lengthsOf(need: NeedFigures, units: Units): string {
  return need.lengths
    .map(
      ({ count, length_m, diameter_m, thickness_m, width_m }) =>
        `${count} × ${showLength(length_m, units)}, ` +
        (thickness_m != null && width_m != null
          ? showSection(thickness_m, width_m, units)
          : `${showLength(diameter_m ?? 0, units)} wide`),
    )
    .join("; ");
}

const NAMED = {
  bag: ["bag", "bags"],
  roll: ["roll", "rolls"],
  piece: ["piece", "pieces"],
  pack: ["pack", "packs"],
};

/** How many of what: "3 bags", "1 roll". */
export function countOf({ form, count }: { form: HaulLine["form"]; count?: number | null }): string {
  if (form === "bulk" || count == null) return "";
  const [one = "", many = ""] = NAMED[form];
  return `${count} ${count === 1 ? one : many}`;
}

/** How large a bag, roll or piece is; nothing for what is loose. */
export function sizeOf(line: HaulLine, units: Units): string {
  if (line.bag_kg != null) return `bags of ${showMass(line.bag_kg, units)}`;
  if (line.bag_m3 != null) return `bags of ${showVolume(line.bag_m3, units)}`;
  const size = line.size_m.map((each) => showLength(each, units)).join(" × ");
  const wide = line.diameter_m == null ? "" : `, ${showLength(line.diameter_m, units)} wide`;
  const packed = line.in_pack == null ? "" : `${line.in_pack} to a pack`;
  return [packed, size && `${size}${wide}`].filter(Boolean).join(", ");
}
