"""A band along a line drawn on the ground: the plan of a trench or mound that follows a contour."""

from __future__ import annotations

import itertools
import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from typing import TYPE_CHECKING, Literal

from nolbet_core.lazy import lazily
from nolbet_core.shapes.hollow import LEAST_INSIDE_M, Point, Ring, ShapeProblem
from nolbet_core.shapes.outline import Span, left_between, middle_span

if TYPE_CHECKING:
    import shapely
else:
    shapely = lazily("shapely")

SHARPEST_MITRE = 20.0
OVERLAP_SHARE = 1e-3
"""What share of a band may lie on itself before its bends are called too tight: nothing is measured finer."""


@dataclass(frozen=True, slots=True)
class Ribbon:
    """A band of an even width along a line [m, m], half of it on either side; `ribbon` makes one of a line as drawn.

    over_m: how far it runs on past both ends of the line [m], less than nothing where it stops short. round_ends: half
    a circle at each end, within its length; else cut off square.

    Its length is measured on the line. A cut of the same size carried along a line holds as much as along a straight
    one, since what it gains outside of a bend it loses inside (Pappus), and so does a mitred corner.
    """

    line_m: Ring
    width_m: float
    over_m: float = 0.0
    round_ends: bool = False

    @property
    def length_m(self) -> float:
        """Length on its middle line [m]."""
        return line_length(self.line_m) + 2 * self.over_m

    @property
    def area_m2(self) -> float:
        """Plan area [m2]."""
        if self.round_ends:
            return (self.length_m - self.width_m) * self.width_m + math.pi * self.width_m**2 / 4
        return self.length_m * self.width_m

    @property
    def perimeter_m(self) -> float:
        """Length round it [m]."""
        if self.round_ends:
            return 2 * (self.length_m - self.width_m) + math.pi * self.width_m
        return 2 * (self.length_m + self.width_m)

    @property
    def inradius_m(self) -> float:
        """Half its width [m]."""
        return min(self.length_m, self.width_m) / 2

    @property
    def centroid_m(self) -> Point:
        """Centre of its area [m, m]."""
        centre, (x, y) = self.polygon.centroid, self._offset
        return centre.x + x, centre.y + y

    @property
    def middle_m(self) -> Point:
        """Where on the ground the middle of the rectangle round it lies [m, m]."""
        left, low, right, high = self.polygon.bounds
        return (left + right) / 2, (low + high) / 2

    @property
    def polygon(self) -> shapely.Polygon:
        """The band where it lies on the ground."""
        return _band(self.line_m, self.width_m, self.over_m, self.round_ends)

    @property
    def _offset(self) -> Point:
        """From the ground to the frame in which outlines lie [m, m]: their middle over half of length and width."""
        x, y = self.middle_m
        return self.length_m / 2 - x, self.width_m / 2 - y

    def moved(self, out_m: float) -> Ribbon:
        """The band with every edge moved outwards [m]. Raises ShapeProblem where nothing is left."""
        left_between("length_m", self.length_m, out_m)
        width_m = left_between("width_m", self.width_m, out_m)
        return replace(self, width_m=width_m, over_m=self.over_m + out_m)

    def rings(self) -> tuple[Ring, ...]:
        """Its outline to draw [m]."""
        x, y = self._offset
        return (tuple((px + x, py + y) for px, py in self.polygon.exterior.coords[:-1]),)

    @property
    def line_in_frame(self) -> Ring:
        """Its middle line in the frame of its outline [m]."""
        x, y = self._offset
        return tuple((px + x, py + y) for px, py in self.line_m)

    def spans(self) -> tuple[Span, ...]:
        """One span as wide as it is [m]: it is cut square to its line."""
        return middle_span(self.width_m)


def line_length(line_m: Sequence[Point]) -> float:
    """Length of a line from point to point [m]."""
    return sum(math.dist(one, two) for one, two in itertools.pairwise(line_m))


def ribbon(line_m: Sequence[Point], width_m: float, over_m: float = 0.0) -> Ribbon:
    """A band along a line as drawn, point by point [m, m]. width_m: across [m]. over_m: past both ends [m].

    Raises ShapeProblem where two points are one, or where the band lies on itself: bends tighter than half its width.
    """
    for index, (one, two) in enumerate(itertools.pairwise(line_m)):
        if math.dist(one, two) < LEAST_INSIDE_M:
            said = f"point {index + 2} lies where point {index + 1} is; leave one out"
            raise ShapeProblem(f"along_m[{index + 1}]", said)
    made = Ribbon(tuple((x, y) for x, y in line_m), width_m, over_m)
    if made.length_m < LEAST_INSIDE_M:
        raise ShapeProblem("along_m", f"the line is {line_length(line_m):g} m long, too short for its ends")
    if abs(made.polygon.area - made.area_m2) > made.area_m2 * OVERLAP_SHARE:
        raise ShapeProblem(
            "along_m", f"the line bends too tightly for a width of {width_m:g} m; draw it wider, or make it narrower"
        )
    return made


@lru_cache(maxsize=512)
def _band(line_m: Ring, width_m: float, over_m: float, round_ends: bool) -> shapely.Polygon:
    past_m = over_m - width_m / 2 if round_ends else over_m
    line = shapely.LineString(_lengthened(line_m, past_m))
    ends: Literal["round", "flat"] = "round" if round_ends else "flat"
    band = line.buffer(width_m / 2, cap_style=ends, join_style="mitre", mitre_limit=SHARPEST_MITRE)
    return shapely.Polygon(band.exterior) if isinstance(band, shapely.Polygon) else shapely.Polygon()


def _lengthened(line_m: Ring, past_m: float) -> list[Point]:
    """A line that runs on past both ends [m], or stops short of them where that is less than nothing."""
    if past_m < 0:
        return _shortened(_shortened(list(line_m), -past_m)[::-1], -past_m)[::-1]
    return [_past(line_m[1], line_m[0], past_m), *line_m[1:-1], _past(line_m[-2], line_m[-1], past_m)]


def _shortened(line_m: list[Point], by_m: float) -> list[Point]:
    """A line without its first so many metres."""
    left_m = by_m
    for index, (one, two) in enumerate(itertools.pairwise(line_m)):
        step_m = math.dist(one, two)
        if left_m < step_m:
            share = left_m / step_m
            start = one[0] + (two[0] - one[0]) * share, one[1] + (two[1] - one[1]) * share
            return [start, *line_m[index + 1 :]]
        left_m -= step_m
    return line_m[-2:]


def _past(before: Point, end: Point, past_m: float) -> Point:
    share = past_m / math.dist(before, end)
    return end[0] + (end[0] - before[0]) * share, end[1] + (end[1] - before[1]) * share
