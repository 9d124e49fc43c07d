"""Setting a bed in line with another, along a wall or an edge of the plot, or as its mirror image."""

from __future__ import annotations

import itertools
import math
from collections.abc import Sequence
from typing import Literal

from nolbet_core.plot.placed import PlacedBed
from nolbet_core.plot.rows import LaidSpot
from nolbet_core.shapes.hollow import Point

AlignBy = Literal[
    "left", "right", "low", "high", "middle_along", "middle_up", "parallel", "an_aisle_off", "touching", "centred",
    "mirror_along", "mirror_up", "mirror",
]  # fmt: skip
"""How a bed is set: an edge or its middle in line with another's; parallel to a line, an aisle off or against it, or
at the middle of its length; mirrored over an upright or a level line through a middle, or over a line that is there.
"""

WITH_BED: frozenset[AlignBy] = frozenset({"left", "right", "low", "high", "middle_along", "middle_up"})
"""Those that want another bed."""

QUARTER_DEG = 90.0


def in_line_with(bed: PlacedBed, other: PlacedBed, how: AlignBy) -> LaidSpot:
    """Where a bed comes to lie in line with another, moved one way only and turned no further."""
    left, low, right, high = bed.outline.bounds
    other_left, other_low, other_right, other_high = other.outline.bounds
    along_m = {
        "left": other_left - left,
        "right": other_right - right,
        "middle_along": (other_left + other_right - left - right) / 2,
    }.get(how, 0.0)
    up_m = {
        "low": other_low - low,
        "high": other_high - high,
        "middle_up": (other_low + other_high - low - high) / 2,
    }.get(how, 0.0)
    return LaidSpot(bed.x_m + along_m, bed.y_m + up_m, bed.turn_deg)


def along_line(bed: PlacedBed, line: Sequence[Point], across_m: float, how: AlignBy, aisle_m: float) -> LaidSpot:
    """Where a bed comes to lie along the nearest stretch of a line, on the side where it is, turned parallel to it.

    line: its points [m], two or more. across_m: how thick the line is [m]. aisle_m: kept from it where an aisle is
    asked for [m]. It is turned by the least that makes it parallel.
    """
    start, end = _nearest_stretch((bed.x_m, bed.y_m), line)
    length_m = math.dist(start, end)
    along = ((end[0] - start[0]) / length_m, (end[1] - start[1]) / length_m)
    turn_deg = _parallel(bed.turn_deg, math.degrees(math.atan2(along[1], along[0])))
    off = ((bed.x_m - start[0]), (bed.y_m - start[1]))
    run_m = off[0] * along[0] + off[1] * along[1]
    aside_m = along[0] * off[1] - along[1] * off[0]
    side = -1.0 if aside_m < 0 else 1.0
    if how == "centred":
        run_m = length_m / 2
    if how in ("an_aisle_off", "touching"):
        deep_m = _depth_across(bed, turn_deg, along)
        gap_m = aisle_m if how == "an_aisle_off" else 0.0
        aside_m = side * (deep_m / 2 + across_m / 2 + gap_m)
    x_m = start[0] + run_m * along[0] - aside_m * along[1]
    y_m = start[1] + run_m * along[1] + aside_m * along[0]
    return LaidSpot(x_m, y_m, turn_deg)


def mirrored(bed: PlacedBed, through: Point, direction_deg: float) -> LaidSpot:
    """The mirror image of where a bed lies, over a line through a point [m] in a direction [degrees, anticlockwise].

    Its place and turn are mirrored; its outline isn't turned over, since a bed has no underside to show.
    """
    angle = math.radians(direction_deg)
    along = (math.cos(angle), math.sin(angle))
    off = (bed.x_m - through[0], bed.y_m - through[1])
    run_m = off[0] * along[0] + off[1] * along[1]
    aside_m = along[0] * off[1] - along[1] * off[0]
    x_m = through[0] + run_m * along[0] + aside_m * along[1]
    y_m = through[1] + run_m * along[1] - aside_m * along[0]
    return LaidSpot(x_m, y_m, (2 * direction_deg - bed.turn_deg) % 360.0)


def mirrored_over(bed: PlacedBed, line: Sequence[Point]) -> LaidSpot:
    """The mirror image of where a bed lies, over the nearest stretch of a line, or that stretch made longer.

    line: its points [m], two or more.
    """
    start, end = _nearest_stretch((bed.x_m, bed.y_m), line)
    return mirrored(bed, start, math.degrees(math.atan2(end[1] - start[1], end[0] - start[0])))


def _nearest_stretch(place: Point, line: Sequence[Point]) -> tuple[Point, Point]:
    stretches = [(one, other) for one, other in itertools.pairwise(line) if math.dist(one, other) > 0]
    return min(stretches, key=lambda stretch: _distance(place, *stretch))


def _distance(place: Point, start: Point, end: Point) -> float:
    length_2 = (end[0] - start[0]) ** 2 + (end[1] - start[1]) ** 2
    dot = (place[0] - start[0]) * (end[0] - start[0]) + (place[1] - start[1]) * (end[1] - start[1])
    share = min(max(dot / length_2, 0.0), 1.0)
    return math.hypot(
        place[0] - start[0] - share * (end[0] - start[0]), place[1] - start[1] - share * (end[1] - start[1])
    )


def _parallel(turn_deg: float, line_deg: float) -> float:
    """The turn nearest to a bed's own in which one of its sides is parallel to a line [degrees]."""
    quarters = round((turn_deg - line_deg) / QUARTER_DEG)
    return (line_deg + quarters * QUARTER_DEG) % 360.0


def _depth_across(bed: PlacedBed, turn_deg: float, along: Point) -> float:
    """How deep a bed is at right angles to a line, once it is turned [m]."""
    outside = bed.vessel.outside
    angle = math.radians(turn_deg)
    lengthwise = abs(math.cos(angle) * along[0] + math.sin(angle) * along[1])
    return outside.width_m if lengthwise > math.cos(math.pi / 4) else outside.length_m
