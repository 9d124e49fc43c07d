import { showDay, showRain, showVolume, showHarvest, type Units } from "../quantities/format";
import type { WeekMark } from "./seasonApi";

type Kind = WeekMark["kind"];

/** What a mark stands for, as its key and its hint say it. */
export const MARK_NAMES: Readonly<Record<Kind, string>> = {
  harvest: "harvest",
  dip: "dip",
  watered: "watered",
  refill: "refill",
  rain: "rain",
  sown: "sown",
  top_up: "laid on",
  note: "note",
  step: "step done",
  soil_test: "soil test",
  soil_temperature: "soil warmth",
};

const MOST_BAR = 16;
const LEAST_BAR = 4;

/** A mark's sign round its own middle at the foot of a row: shapes tell kinds apart, colours only help. */
export function SignOfKind({ kind, share = 1 }: { kind: Kind; share?: number }) {
  switch (kind) {
    case "harvest": {
      const bar = LEAST_BAR + (MOST_BAR - LEAST_BAR) * share;
      return <rect x={-2.5} y={-bar} width={5} height={bar} fill="var(--palette-moss)" />;
    }
    case "watered":
    case "refill":
      return <path d="M0 -9 C4 -4 3.6 0 0 0 C-3.6 0 -4 -4 0 -9 Z" fill="var(--palette-water)" />;
    case "rain":
      return <path d="M-2 0 L1 -8 M2 0 L5 -8" stroke="var(--palette-water)" strokeWidth={1.5} fill="none" />;
    case "dip":
      return <path d="M0 0 V-10 M-4 -4 H4" stroke="var(--palette-water)" strokeWidth={1.5} fill="none" />;
    case "sown":
      return (
        <path
          d="M0 0 V-8 M0 -5 C-4 -5 -5 -8 -5 -8 M0 -6 C4 -6 5 -9 5 -9"
          stroke="var(--palette-moss)"
          strokeWidth={1.5}
          fill="none"
        />
      );
    case "top_up":
      return (
        <path
          d="M-4 -4 L0 0 L4 -4 M0 0 V-9"
          stroke="var(--palette-timberEdge)"
          strokeWidth={1.5}
          fill="none"
        />
      );
    case "note":
      return (
        <rect x={-3} y={-7} width={6} height={7} fill="none" stroke="var(--palette-soft)" strokeWidth={1.5} />
      );
    case "step":
      return <path d="M-4 -4 L-1 -1 L4 -8" stroke="var(--palette-ink)" strokeWidth={1.5} fill="none" />;
    default:
      return <circle cx={0} cy={-4} r={3} fill="none" stroke="var(--palette-soft)" strokeWidth={1.5} />;
  }
}

/** What a mark says under the pointer. */
export function saidOfMark(mark: WeekMark, units: Units): string {
  const much = [
    mark.mass_kg > 0 && showHarvest(mark.mass_kg, units),
    mark.rain_mm > 0 && showRain(mark.rain_mm, units),
    mark.volume_m3 > 0 && showVolume(mark.volume_m3, units),
  ].filter(Boolean);
  const times = mark.count > 1 ? `, ${mark.count} times` : "";
  return `Week of ${showDay(mark.week)}: ${MARK_NAMES[mark.kind]}${times}${much.length ? `, ${much.join(", ")}` : ""}`;
}
