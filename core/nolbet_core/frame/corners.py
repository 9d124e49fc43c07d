"""Boards round a bed, course by course: how long each is by how the corners are joined."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import Literal

from nolbet_core.record import record
from nolbet_core.shapes.hollow import Point
from nolbet_core.shapes.outline import ring_area

Corner = Literal["butt", "butt_short", "alternate", "pinwheel", "mitre", "slotted_post", "corner_post"]
"""How boards meet: the long sides run past, or the short ones, or by turns; each runs past at one end; cut on the
slant; slid into slotted posts; screwed to posts inside.
"""

SAME_M = 1e-6
LEAST_STAGGER_M = 0.3


@record
class Piece:
    """A board as it is cut: what it is for, which course from below, and how long [m]."""

    part: str
    course: int
    length_m: float


def rectangle_course(
    corner: Corner, length_m: float, width_m: float, thick_m: float, course: int, post_m: float, slot_m: float
) -> list[Piece]:
    """The four boards of a course round a rectangle.

    length_m, width_m: outside [m]. thick_m: of a board [m]. course: from below, the lowest 0. post_m, slot_m: how thick
    slotted posts are, and how deep their slots [m].
    """
    long_m, short_m = max(length_m, width_m), min(length_m, width_m)
    sides: dict[str, tuple[float, float]] = {
        "butt": (long_m, short_m - 2 * thick_m),
        "butt_short": (long_m - 2 * thick_m, short_m),
        "pinwheel": (long_m - thick_m, short_m - thick_m),
        "mitre": (long_m, short_m),
        "slotted_post": (long_m - 2 * post_m + 2 * slot_m, short_m - 2 * post_m + 2 * slot_m),
    }
    one, two = sides[_of_course(corner, course)]
    return [Piece("long side", course, one)] * 2 + [Piece("short side", course, two)] * 2


def outline_course(
    corner: Corner, corners_m: Sequence[Point], thick_m: float, course: int, post_m: float, slot_m: float
) -> list[Piece]:
    """The boards of a course round a free outline, one for each of its edges.

    corners_m: outside, going round anticlockwise [m]. An edge is shorter by the board's thickness for each end at which
    it is butted into its neighbour; at an inner corner one of the two is longer by it. Others as in rectangle_course.
    """
    count = len(corners_m)
    kind = _of_course(corner, course)
    lengths = [math.dist(corners_m[i], corners_m[(i + 1) % count]) for i in range(count)]
    cut = list(lengths)
    for at in range(count):
        before, after = (at - 1) % count, at
        inner = _turn(corners_m, at) < 0
        if kind == "slotted_post":
            for edge in (before, after):
                cut[edge] += (post_m - slot_m) if inner else (slot_m - post_m)
            continue
        if kind == "mitre":
            if inner:
                cut[before] += thick_m
                cut[after] += thick_m
            continue
        butted = _butted(kind, lengths, before, after)
        past = before if butted == after else after
        if inner:
            cut[past] += thick_m
        else:
            cut[butted] -= thick_m
    return [Piece(f"side {index + 1}", course, length) for index, length in enumerate(cut)]


def _butted(kind: str, lengths: Sequence[float], before: int, after: int) -> int:
    """Which of two edges ends against the other at a corner."""
    if kind == "pinwheel" or abs(lengths[before] - lengths[after]) < SAME_M:
        return after
    shorter = before if lengths[before] < lengths[after] else after
    longer = after if shorter == before else before
    return shorter if kind == "butt" else longer


def _of_course(corner: Corner, course: int) -> str:
    if corner == "alternate":
        return "butt" if course % 2 == 0 else "butt_short"
    return "butt" if corner == "corner_post" else corner


def _turn(corners_m: Sequence[Point], at: int) -> float:
    """Which way an outline turns at a corner: to the left where positive."""
    (ax, ay), (bx, by), (cx, cy) = corners_m[at - 1], corners_m[at], corners_m[(at + 1) % len(corners_m)]
    turn = (bx - ax) * (cy - by) - (by - ay) * (cx - bx)
    return turn if ring_area(corners_m) > 0 else -turn


def joined(length_m: float, stock_m: float, course: int) -> list[float]:
    """Lengths [m] that one board is made of where none on sale is so long.

    stock_m: the longest on sale [m]. course: from below; in every other one the joints lie elsewhere, at least 0.3 m
    from those of its neighbours where that goes.
    """
    if length_m <= stock_m + SAME_M:
        return [length_m]
    fewest = math.ceil(length_m / stock_m - SAME_M)
    even = [length_m / fewest] * fewest
    if course % 2 == 0:
        return even
    halved = [even[0] / 2, *even[1:], even[0] / 2]
    shifted = [[even[0] - off, *even[2:], even[0] + off] for off in (LEAST_STAGGER_M, -LEAST_STAGGER_M)]
    fit = [way for way in shifted if min(way) > SAME_M and max(way) <= stock_m + SAME_M]
    return next((way for way in fit if _apart(way, even) >= LEAST_STAGGER_M - SAME_M), halved)


def _apart(one: Sequence[float], two: Sequence[float]) -> float:
    """How far the nearest joints of two boards lie apart [m]."""
    return min(abs(a - b) for a in _joints(one) for b in _joints(two))


def _joints(parts: Sequence[float]) -> list[float]:
    return [sum(parts[: at + 1]) for at in range(len(parts) - 1)]
