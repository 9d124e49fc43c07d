import type { BedFigures, Fixed, Place, Plot, PlotFigures } from "../api/client";
import { placeLabels, shortened, textWidth, type Box } from "../drawing/labels";
import { showLength, type Units } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import css from "./plot-sheet.module.css";
import { sideLabel, toSheet, type Sheet } from "./sheet";
import { boxRound } from "./snap";

export type Laid = { figures: BedFigures; index: number; place: Place };

type Props = {
  plot: Plot;
  figures: PlotFigures | null;
  sheet: Sheet;
  beds: readonly Laid[];
  /** While a bed is held only the names of beds are drawn: the distances are those from before. */
  isHeld: boolean;
};

type Kind = "bed" | "aisle" | "caution" | "thing" | "contour";
type Label = { kind: Kind; text: string; at: readonly (readonly [number, number])[] };

const SIZE = 11.5;
const HIGH = 15;
/** A longer name is cut where its bed isn't longer; the whole of it stands on its card and at its tab. */
const NAME_PX = 150;
const WALL_PIECES = 40;
/** About what a side's length takes along its side [px]. */
const SIDE_PX = 40;
/** Where the ground is drawn smaller [px a m], only what is too narrow is figured: the rest is on its cards. */
const ROOMY = 30;

/** Every name and figure on the plot, placed so that none lies over another; the ones that matter most come first. */
export function PlotLabels({ plot, figures, sheet, beds, isHeld }: Props) {
  const { units } = useShowing();
  const roomy = sheet.scale > ROOMY;
  const labels = [
    ...bedNames(beds, sheet),
    ...(isHeld ? [] : aisleWidths(figures, sheet, units).filter(({ kind }) => roomy || kind === "caution")),
    ...(plot.fixed ?? []).map((thing) => thingName(thing, sheet)),
    ...(isHeld ? [] : contourHeights(figures, sheet, units).filter((_, index) => roomy || index % 2 === 0)),
  ];
  const placed = placeLabels(
    labels.map((label) => ({ places: label.at.map(([x, y]) => boxAt(label.text, x, y)) })),
    [...(plot.fixed ?? []).flatMap((thing) => bodyOf(thing, sheet)), ...sidesOf(plot, sheet)],
  );
  return (
    <g aria-hidden="true" data-part="plot-labels">
      {labels.map(({ kind, text }, index) => {
        const box = placed[index];
        if (!box) return null;
        return (
          <text
            key={`${kind} ${text} ${index}`}
            className={css.plotLabel}
            data-kind={kind}
            x={box.x + box.width / 2}
            y={box.y + HIGH - 4}
            textAnchor="middle"
          >
            {text}
          </text>
        );
      })}
    </g>
  );
}

function boxAt(text: string, x: number, y: number): Box {
  const width = textWidth(text, SIZE) + 6;
  return { x: x - width / 2, y: y - HIGH / 2, width, height: HIGH };
}

/** Names in the middle of their beds, else over, under or beside them; of beds alike the first says the name. */
function bedNames(beds: readonly Laid[], sheet: Sheet): Label[] {
  return beds.map(({ figures, index, place }) => {
    const [x, y] = toSheet(sheet, [place.x_m, place.y_m]);
    const { plan, name, count } = figures;
    const box = boxRound(place.x_m, place.y_m, plan.length_m, plan.width_m, place.turn_deg ?? 0);
    const [wide, high] = [(box.right - box.left) * sheet.scale, (box.high - box.low) * sheet.scale];
    const short = shortened(name, SIZE, Math.max(wide - 16, NAME_PX));
    const full = count > 1 ? `${short} ${index + 1}` : short;
    const fits = textWidth(full, SIZE) < wide - 4;
    const text = fits || index === 0 || count === 1 ? full : String(index + 1);
    const over = [x, y - high / 2 - HIGH / 2 - 2] as const;
    const under = [x, y + high / 2 + HIGH / 2 + 2] as const;
    const half = textWidth(text, SIZE) / 2 + 6;
    const inside = [
      [x, y],
      [x, y - high / 4],
      [x, y + high / 4],
    ] as const;
    const beside = [[x + wide / 2 + half, y] as const, [x - wide / 2 - half, y] as const];
    const around = [over, under, ...beside, [x, over[1] - HIGH] as const, [x, under[1] + HIGH] as const];
    return {
      kind: "bed" as const,
      text,
      at: textWidth(text, SIZE) < wide - 4 ? [...inside, ...around] : [...around, [x, y] as const],
    };
  });
}

/** Widths beside the narrowest place of their aisles; those that are too narrow come first. */
function aisleWidths(figures: PlotFigures | null, sheet: Sheet, units: Units): Label[] {
  const labels = (figures?.aisles ?? []).map((aisle) => {
    const [x1, y1] = toSheet(sheet, aisle.start);
    const [x2, y2] = toSheet(sheet, aisle.end);
    const [x, y] = [(x1 + x2) / 2, (y1 + y2) / 2];
    const text = showLength(aisle.width_m, units);
    const half = textWidth(text, SIZE) / 2 + 8;
    const kind = aisle.level === "caution" ? ("caution" as const) : ("aisle" as const);
    const flat = Math.abs(y2 - y1) < Math.abs(x2 - x1);
    const beside = [[x + half, y] as const, [x - half, y] as const];
    const over = [[x, y - 10] as const, [x, y + 11] as const, [x, y - 20] as const, [x, y + 21] as const];
    return { kind, text, at: flat ? [...over, ...beside] : [...beside, ...over] };
  });
  return labels.toSorted((one, two) => Number(two.kind === "caution") - Number(one.kind === "caution"));
}

function thingName(thing: Fixed, sheet: Sheet): Label {
  const text = thing.name ?? thing.kind;
  const line = thing.line_m;
  if (!line) {
    const [x, y] = toSheet(sheet, thing.at_m ?? [0, 0]);
    const half = textWidth(text, SIZE) / 2 + 14;
    return {
      kind: "thing",
      text,
      at: [
        [x, y + 19],
        [x, y - 19],
        [x + half, y],
        [x - half, y],
        [x - half, y - HIGH],
        [x + half, y - HIGH],
      ],
    };
  }
  const off = HIGH / 2 + Math.max(((thing.across_m ?? 0) * sheet.scale) / 2, 5) + 1;
  const at = [0.5, 0.3, 0.7, 0.15, 0.85].flatMap((share) => {
    const [x, y] = toSheet(sheet, along(line, share));
    return [
      [x, y - off],
      [x, y + off],
    ] as const;
  });
  return { kind: "thing", text, at };
}

/** A place along a line of points, by its share of their number. */
function along(line: readonly (readonly number[])[], share: number): number[] {
  const at = (line.length - 1) * share;
  const [one, two] = [line[Math.floor(at)] ?? [0, 0], line[Math.ceil(at)] ?? [0, 0]];
  const part = at - Math.floor(at);
  return [0, 1].map((axis) => (one[axis] ?? 0) * (1 - part) + (two[axis] ?? 0) * part);
}

/** What a thing itself takes: a point its sign, a wall its length in pieces. */
function bodyOf(thing: Fixed, sheet: Sheet): Box[] {
  if (thing.line_m) {
    const { line_m } = thing;
    const half = ((thing.across_m ?? 0) * sheet.scale) / 2;
    if (half < 3) return [];
    return Array.from({ length: WALL_PIECES + 1 }, (_, piece) => {
      const [x, y] = toSheet(sheet, along(line_m, piece / WALL_PIECES));
      return { x: x - half, y: y - half, width: 2 * half, height: 2 * half };
    });
  }
  const [x, y] = toSheet(sheet, thing.at_m ?? [0, 0]);
  return [{ x: x - 9, y: y - 9, width: 18, height: 18 }];
}

/** What the lengths of the sides take, which stand along them. */
function sidesOf({ corners_m }: Plot, sheet: Sheet): Box[] {
  return corners_m.flatMap((corner, index) => {
    const at = sideLabel(sheet, corner, corners_m[(index + 1) % corners_m.length] ?? corner);
    if (!at) return [];
    const turn = (at.turn_deg * Math.PI) / 180;
    const [wide, high] = [SIDE_PX * Math.abs(Math.cos(turn)) + 12, SIDE_PX * Math.abs(Math.sin(turn)) + 12];
    return [{ x: at.x - wide / 2, y: at.y - high / 2, width: wide, height: high }];
  });
}

function contourHeights(figures: PlotFigures | null, sheet: Sheet, units: Units): Label[] {
  return (figures?.levels?.contours ?? []).flatMap((contour) =>
    contour.lines.map((line) => ({
      kind: "contour" as const,
      text: showLength(contour.height_m, units),
      at: [0.96, 0.04, 0.75, 0.25, 0.5].map((share) => {
        const [x, y] = toSheet(sheet, along(line, share));
        return [x, y - 8] as const;
      }),
    })),
  );
}
