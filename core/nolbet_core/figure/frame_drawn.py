"""A frame to draw: its front as its courses lie, and one course from above as its corners are joined."""

from __future__ import annotations

import math

from nolbet_core.built.frame import BuiltFrame
from nolbet_core.built.walls import unit_of
from nolbet_core.figure.drawn import drawn_ring
from nolbet_core.figure.finding_figures import Line
from nolbet_core.figure.frame_figures import FrontPart, FrontPiece
from nolbet_core.shapes.angular import Rectangle
from nolbet_core.shapes.spiral import HerbSpiral

MOST_DRAWN = 400
"""Bricks that are drawn one by one, up to so many."""


def front_of(framed: BuiltFrame) -> list[FrontPiece]:
    """The long side from in front, course by course: boards, end grain of those that run past, posts, or bricks."""
    outside = framed.vessel.outside
    if framed.unit_wall is not None:
        return _units_in_front(framed)
    if not framed.is_boards or not isinstance(outside, Rectangle):
        return []
    long_m = max(outside.length_m, outside.width_m)
    width_m = framed.section[1]
    return [
        FrontPiece(part, course, left, right, course * width_m, (course + 1) * width_m)
        for course in range(framed.courses.count)
        for part, left, right in _front_course(framed, course, long_m)
    ]


def front_length(framed: BuiltFrame) -> float:
    """How long what is drawn from in front is [m]: the long side, or a spiral's or a round wall unrolled."""
    vessel = framed.vessel
    if isinstance(vessel, HerbSpiral):
        return vessel.hollow.run.length_m
    outside = vessel.outside
    return max(outside.length_m, outside.width_m) if isinstance(outside, Rectangle) else outside.perimeter_m


def front_heights(framed: BuiltFrame) -> tuple[float, float]:
    """How high the wall stands at the left and at the right of what is drawn [m]; a spiral's rises."""
    vessel = framed.vessel
    if isinstance(vessel, HerbSpiral):
        return vessel.hollow.outer_height_m, vessel.hollow.centre_height_m
    return framed.height_m, framed.height_m


def _units_in_front(framed: BuiltFrame) -> list[FrontPiece]:
    """Bricks in half bond, as far as the wall rises; nothing where there are too many to be told apart."""
    unit_m = unit_of(framed.frame)
    if unit_m is None or framed.unit_wall is None:
        return []
    long_m, (left_m, right_m) = front_length(framed), front_heights(framed)
    joint_m = framed.joint_m
    step_m, high_m = unit_m[0] + joint_m, unit_m[2] + joint_m
    courses = math.ceil(max(left_m, right_m) / high_m - 0.5)
    if courses * long_m / step_m > MOST_DRAWN:
        return []
    pieces = []
    for course in range(courses):
        x = -step_m / 2 if course % 2 else 0.0
        while x < long_m - joint_m:
            start_m, end_m = max(x, 0.0), min(x + unit_m[0], long_m)
            surface_m = left_m + (right_m - left_m) * (start_m + end_m) / 2 / long_m
            if end_m - start_m > joint_m and surface_m >= (course + 0.5) * high_m:
                pieces.append(FrontPiece("unit", course, start_m, end_m, course * high_m, course * high_m + unit_m[2]))
            x += step_m
    return pieces


def _front_course(framed: BuiltFrame, course: int, long_m: float) -> list[tuple[FrontPart, float, float]]:
    thick_m, corner = framed.section[0], framed.frame.corner
    if corner == "slotted_post":
        post_m = framed.frame.post_m or 0.0
        inner = (post_m, long_m - post_m)
        return [("post", 0.0, inner[0]), ("board", *inner), ("post", inner[1], long_m)]
    if corner == "pinwheel":
        return [("board", 0.0, long_m - thick_m), ("end", long_m - thick_m, long_m)]
    if corner == "butt_short" or (corner == "alternate" and course % 2):
        return [("end", 0.0, thick_m), ("board", thick_m, long_m - thick_m), ("end", long_m - thick_m, long_m)]
    return [("board", 0.0, long_m)]


def course_from_above(framed: BuiltFrame) -> list[Line]:
    """Boards of the lowest course from above, from the lower left of the outside; nothing but round a rectangle."""
    outside = framed.vessel.outside
    if not framed.is_boards or not isinstance(outside, Rectangle):
        return []
    t = framed.section[0]
    length, width = outside.length_m, outside.width_m
    corner = framed.frame.corner
    if corner == "mitre":
        rings = [
            ((0, 0), (length, 0), (length - t, t), (t, t)),
            ((length, 0), (length, width), (length - t, width - t), (length - t, t)),
            ((length, width), (0, width), (t, width - t), (length - t, width - t)),
            ((0, width), (0, 0), (t, t), (t, width - t)),
        ]
        return [drawn_ring(ring) for ring in rings]
    if corner == "slotted_post":
        in_m = (framed.frame.post_m or 0.0) - (framed.frame.slot_m or 0.0)
        at = (framed.frame.post_m or t) / 2 - t / 2
        boxes = [
            (in_m, at, length - in_m, at + t),
            (in_m, width - at - t, length - in_m, width - at),
            (at, in_m, at + t, width - in_m),
            (length - at - t, in_m, length - at, width - in_m),
        ]
    elif corner == "pinwheel":
        boxes = [
            (0, 0, length - t, t),
            (length - t, 0, length, width - t),
            (t, width - t, length, width),
            (0, t, t, width),
        ]
    else:
        runs_past = (corner != "butt_short") == (length >= width)
        x, y = (0.0, t) if runs_past else (t, 0.0)
        boxes = [
            (x, 0, length - x, t),
            (x, width - t, length - x, width),
            (0, y, t, width - y),
            (length - t, y, length, width - y),
        ]
    return [drawn_ring(((x0, y0), (x1, y0), (x1, y1), (x0, y1))) for x0, y0, x1, y1 in boxes]
