"""Setting out a plot with two tapes: how far each corner lies from two that are there, diagonals, radii, flags."""

from __future__ import annotations

import itertools
import math
from collections.abc import Iterable, Sequence

from nolbet_core.plot.placed import PlacedBed
from nolbet_core.record import record
from nolbet_core.shapes.hollow import Point, Ring
from nolbet_core.shapes.ribbon import Ribbon

MOST_CORNERS = 12
"""An outline with more corners than so many is round, and set out from its middle."""

FLAG_EVERY_M = 1.0


@record
class Peg:
    """A place to be found with two tapes: where it is, and how far from the first and the second point [m]."""

    name: str
    at_m: Point
    first_m: float
    second_m: float


@record
class SetOut:
    """A bed to be set out. first, second: which corners of the plot the tapes are held to, by number from 0.

    sides_m: between one peg and the next, round to the first [m]. diagonals_m: pegs by number and what lies between
    them [m]. radius_m: of what is round, from its middle [m]. half_m: of what follows a line, whose pegs stand
    along that: how far its edge lies from it [m].
    """

    bed: PlacedBed
    first: int
    second: int
    pegs: tuple[Peg, ...]
    sides_m: tuple[float, ...]
    diagonals_m: tuple[tuple[int, int, float], ...]
    radius_m: float | None
    half_m: float | None = None


def set_out(bed: PlacedBed, corners_m: Sequence[Point]) -> SetOut:
    """How a bed is set out from two corners of the plot [m].

    The tapes are held to those two neighbouring corners from which they cross at the least flat angle.
    """
    outside = bed.vessel.outside
    if isinstance(outside, Ribbon):
        return _set_out_line(bed, outside, corners_m)
    ring = outside.rings()[0]
    is_round = len(ring) > MOST_CORNERS
    places: Sequence[Point] = [(bed.x_m, bed.y_m)] if is_round else _on_the_ground(bed, ring)
    first, second = best_base(places, corners_m)
    pegs = pegs_of(places, corners_m[first], corners_m[second], "middle" if is_round else "corner")
    sides = () if is_round else tuple(math.dist(one, two) for one, two in _round_trip(places))
    radius_m = max(outside.length_m, outside.width_m) / 2 if is_round else None
    return SetOut(bed, first, second, tuple(pegs), sides, tuple(_diagonals(places)), radius_m)


def _set_out_line(bed: PlacedBed, band: Ribbon, corners_m: Sequence[Point]) -> SetOut:
    """How what follows a line is set out: pegs along the line, its edges from there."""
    places = _on_the_ground(bed, band.line_in_frame)
    first, second = best_base(places, corners_m)
    pegs = pegs_of(places, corners_m[first], corners_m[second], "point")
    between = tuple(math.dist(one, two) for one, two in itertools.pairwise(places))
    return SetOut(bed, first, second, tuple(pegs), between, (), None, band.width_m / 2)


def _on_the_ground(bed: PlacedBed, ring: Ring) -> list[Point]:
    """The corners of an outline where the bed lies, from the frame of its surrounding rectangle."""
    outside = bed.vessel.outside
    cos, sin = math.cos(math.radians(bed.turn_deg)), math.sin(math.radians(bed.turn_deg))
    off = [(x - outside.length_m / 2, y - outside.width_m / 2) for x, y in ring]
    return [(bed.x_m + x * cos - y * sin, bed.y_m + x * sin + y * cos) for x, y in off]


def best_base(places: Sequence[Point], corners_m: Sequence[Point]) -> tuple[int, int]:
    """The two neighbouring corners from which tapes to all places cross least flat, by number from 0."""
    pairs = [(index, (index + 1) % len(corners_m)) for index in range(len(corners_m))]
    return max(pairs, key=lambda pair: min(_crossing(at, corners_m[pair[0]], corners_m[pair[1]]) for at in places))


def _crossing(at: Point, first: Point, second: Point) -> float:
    """Sine of the angle at which two tapes cross at a place; nothing where they lie in one line."""
    one, two = math.dist(at, first), math.dist(at, second)
    if one <= 0 or two <= 0:
        return 0.0
    cross = (first[0] - at[0]) * (second[1] - at[1]) - (first[1] - at[1]) * (second[0] - at[0])
    return abs(cross) / (one * two)


def pegs_of(places: Iterable[Point], first: Point, second: Point, what: str) -> list[Peg]:
    """Places as they are found from two points [m]. what: each is, as corner; they are numbered from 1."""
    listed = list(places)
    return [
        Peg(f"{what} {number}" if len(listed) > 1 else what, at, math.dist(at, first), math.dist(at, second))
        for number, at in enumerate(listed, start=1)
    ]


def found_at(first: Point, second: Point, first_m: float, second_m: float) -> tuple[Point, Point]:
    """The two places that lie so far from two points [m], one on each side of the line between them.

    Raises ValueError where the tapes don't meet.
    """
    base_m = math.dist(first, second)
    along_m = (first_m**2 - second_m**2 + base_m**2) / (2 * base_m)
    aside_2 = first_m**2 - along_m**2
    if aside_2 < -1e-9:
        raise ValueError("tapes of such lengths don't meet")
    aside_m = math.sqrt(max(aside_2, 0.0))
    ux, uy = (second[0] - first[0]) / base_m, (second[1] - first[1]) / base_m
    foot = (first[0] + along_m * ux, first[1] + along_m * uy)
    return (foot[0] - aside_m * uy, foot[1] + aside_m * ux), (foot[0] + aside_m * uy, foot[1] - aside_m * ux)


def _round_trip(places: Sequence[Point]) -> list[tuple[Point, Point]]:
    return list(zip(places, (*places[1:], places[0]), strict=True))


def _diagonals(places: Sequence[Point]) -> list[tuple[int, int, float]]:
    """What lies between pegs that aren't neighbours [m], numbered from 1."""
    count = len(places)
    pairs = itertools.combinations(range(count), 2)
    far = [(one, two) for one, two in pairs if two - one > 1 and (one, two) != (0, count - 1)]
    return [(one + 1, two + 1, math.dist(places[one], places[two])) for one, two in far]


def flags_along(line_m: Sequence[Point], every_m: float = FLAG_EVERY_M) -> list[Point]:
    """Places along a line [m], so far apart [m] from its beginning, its end among them."""
    flags = [line_m[0]]
    left_m = every_m
    for one, two in itertools.pairwise(line_m):
        long_m, done_m = math.dist(one, two), 0.0
        while long_m - done_m > left_m:
            done_m += left_m
            share = done_m / long_m
            flags.append((one[0] + share * (two[0] - one[0]), one[1] + share * (two[1] - one[1])))
            left_m = every_m
        left_m -= long_m - done_m
    if math.dist(flags[-1], line_m[-1]) > 1e-6:
        flags.append(line_m[-1])
    return flags
