import type { Bed, BedFigures } from "../api/client";

export type Frame = NonNullable<Bed["frame"]>;

export const FRAME_NAMES: Record<Frame["kind"], string> = {
  boards: "Boards or beams",
  units: "Bricks, blocks or stones in courses",
  dry_stone: "Dry stone",
  sheet: "Corrugated metal",
  logs: "Logs",
  pallets: "Pallets",
  hurdle: "Hurdle",
  bought: "Bought kit",
};

/** The frames that can go round a bed, each as it starts. */
export function firstFrames(figures: BedFigures | null | undefined): readonly Frame[] {
  return (figures?.first_frames ?? []) as unknown as readonly Frame[];
}

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

/** A bed whose reservoir is so high [m], its overflow no higher than that. */
export function withWaterHigh(bed: Bed, height_m: number): Bed {
  const { reservoir } = bed;
  if (!reservoir) return bed;
  const overflow_m = Math.min(reservoir.overflow_m ?? height_m, height_m);
  return { ...bed, reservoir: { ...reservoir, height_m, overflow_m } };
}

/** A box of another length and width [m], as it is measured. */
export function sizedTo(bed: Bed, length_m: number, width_m: number): Bed {
  return bed.shape.kind === "box" ? { ...bed, shape: { ...bed.shape, length_m, width_m } } : bed;
}

/** A box pulled to another length, its longer side as it is drawn [m]: whole centimetres, at least 20 cm. */
export function pulledTo(bed: Bed, long_m: number): Bed {
  if (bed.shape.kind !== "box") return bed;
  const to_m = Math.max(Math.round(long_m * 100) / 100, 0.2);
  const { length_m, width_m } = bed.shape;
  return length_m >= width_m ? sizedTo(bed, to_m, width_m) : sizedTo(bed, length_m, to_m);
}

/** The longer side of a box as it is measured [m]; null of what is none. */
export function longSide(bed: Bed): number | null {
  return bed.shape.kind === "box" ? Math.max(bed.shape.length_m, bed.shape.width_m) : null;
}

/** A framed bed on legs so long [m]; as it stands where none are said. */
export function withLegs(bed: Bed, length_m: number | null): Bed {
  const legs = bed.frame?.legs;
  return legs && length_m != null ? withFrame(bed, { legs: { ...legs, length_m } }) : bed;
}
