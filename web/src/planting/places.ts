import type { BedCrop, CropInBed } from "./plantingApi";

type At = readonly [number, number];

const MM = 1000;
const to_mm = (value_m: number) => Math.round(value_m * MM) / MM;

/** The middle of where a crop's plants stand. */
export function middleOf({ points }: CropInBed): At {
  const sum = (axis: 0 | 1) =>
    points.reduce((all, point) => all + point[axis], 0) / Math.max(points.length, 1);
  return [sum(0), sum(1)];
}

/** A crop moved by so much; one that had no place of its own keeps how many it has. */
export function movedBy(asked: BedCrop, told: CropInBed, [dx, dy]: At): Partial<BedCrop> {
  if (asked.within_m)
    return { within_m: asked.within_m.map(([x = 0, y = 0]) => [to_mm(x + dx), to_mm(y + dy)]) };
  const [x, y] = asked.at_m ? [asked.at_m[0] ?? 0, asked.at_m[1] ?? 0] : middleOf(told);
  return { at_m: [to_mm(x + dx), to_mm(y + dy)], ...counted(asked, told) };
}

/** A crop mirrored from left to right, or from bottom to top. */
export function mirrored(asked: BedCrop, told: CropInBed, across: "left" | "up", size_m: At): BedCrop {
  const turned = ([x, y]: At): [number, number] =>
    across === "left" ? [to_mm(size_m[0] - x), y] : [x, to_mm(size_m[1] - y)];
  if (told.in_pockets) return asked;
  if (asked.within_m) return { ...asked, within_m: asked.within_m.map(([x = 0, y = 0]) => turned([x, y])) };
  const [x, y] = asked.at_m ? [asked.at_m[0] ?? 0, asked.at_m[1] ?? 0] : middleOf(told);
  return { ...asked, at_m: turned([to_mm(x), to_mm(y)]), ...counted(asked, told) };
}

/** A crop that fills a rectangle between two corners. */
export function filling([x1, y1]: At, [x2, y2]: At): Partial<BedCrop> {
  const [left, right] = [Math.min(x1, x2), Math.max(x1, x2)].map(to_mm) as [number, number];
  const [low, top] = [Math.min(y1, y2), Math.max(y1, y2)].map(to_mm) as [number, number];
  return {
    within_m: [
      [left, low],
      [right, low],
      [right, top],
      [left, top],
    ],
    at_m: null,
    count: null,
    area_m2: null,
  };
}

function counted(asked: BedCrop, told: CropInBed): Partial<BedCrop> {
  return asked.count == null && asked.area_m2 == null ? { count: told.count } : {};
}

/** Whether a crop stands on a day; all year round where no day is asked. */
export function standsOn({ stands_from, stands_until }: CropInBed, day: string | null): boolean {
  if (day === null || stands_from == null) return true;
  return stands_from <= day && (stands_until == null || day < stands_until);
}
