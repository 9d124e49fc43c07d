import type { Bed } from "../api/client";

export type Frame = NonNullable<Bed["frame"]>;

export const FIRST_BOARDS: Frame = { kind: "boards", material: "larch", nominal: "2x10" };
export const FIRST_UNITS: Frame = { kind: "units", material: "brick" };

/** A bed with a frame, which says how thick its wall is. */
export function framedWith(bed: Bed, frame: Frame): Bed {
  return { ...bed, wall_m: 0, frame };
}

/** A bed without its frame, its wall as thick as that was [m]. */
export function unframed(bed: Bed, thickness_m: number | null): Bed {
  return { ...bed, frame: null, wall_m: thickness_m ?? 0 };
}

/** A bed's frame changed in part. */
export function withFrame(bed: Bed, change: Partial<Frame>): Bed {
  return bed.frame ? { ...bed, frame: { ...bed.frame, ...change } } : bed;
}

/** A bed so deep, where its shape has a depth [m]. */
export function madeDeep(bed: Bed, depth_m: number): Bed {
  return "depth_m" in bed.shape ? { ...bed, shape: { ...bed.shape, depth_m } } : bed;
}

/** A bed with so many courses of boards. */
export function withCourses(bed: Bed, courses: number): Bed {
  return withFrame(bed, { courses });
}

/** A box of another length and width [m], as it is measured. */
export function sizedTo(bed: Bed, length_m: number, width_m: number): Bed {
  return bed.shape.kind === "box" ? { ...bed, shape: { ...bed.shape, length_m, width_m } } : bed;
}

/** A framed bed on legs so long [m]; as it stands where none are said. */
export function withLegs(bed: Bed, length_m: number | null): Bed {
  const legs = bed.frame?.legs;
  return legs && length_m != null ? withFrame(bed, { legs: { ...legs, length_m } }) : bed;
}
