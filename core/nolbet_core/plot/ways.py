"""Ways over the plot: from a gate or the place where loads are dropped to each bed, round all that stands there."""

from __future__ import annotations

import heapq
import math
from collections.abc import Iterator, Sequence
from typing import TYPE_CHECKING

import numpy as np
from numpy.typing import NDArray

from nolbet_core.lazy import lazily
from nolbet_core.plot.fixed import STANDING, FixedThing
from nolbet_core.plot.placed import PlacedBed
from nolbet_core.record import record
from nolbet_core.shapes.hollow import Point
from nolbet_core.shapes.vessel import Form

if TYPE_CHECKING:
    import shapely
    from shapely.geometry.base import BaseGeometry
else:
    shapely = lazily("shapely")

STEPS_ACROSS = 160
"""How many steps the longer side of a plot is searched in."""

LEAST_STEP_M, MOST_STEP_M = 0.05, 0.5
"""How fine and how coarse those steps are at most [m]."""

NEAR_BED_M = 0.15
"""How near the wheel comes to the edge of what it is tipped into, over half its width [m]."""

GRAZE_M = 1e-6

Place = tuple[int, int]


@record
class Way:
    """A way to a bed: from what, and its corners on the ground [m]. Empty where there is none so wide."""

    start: str
    bed: PlacedBed
    line_m: tuple[Point, ...]

    @property
    def length_m(self) -> float:
        """How far it is [m]."""
        return sum(math.dist(one, two) for one, two in zip(self.line_m, self.line_m[1:], strict=False))


def ways_to_beds(
    starts: Sequence[tuple[str, Point]],
    beds: Sequence[PlacedBed],
    fixed: Sequence[FixedThing],
    ground: BaseGeometry,
    width_m: float,
    paths: BaseGeometry | None = None,
) -> tuple[Way, ...]:
    """The shortest way from each start to each bed that something of a width [m] can take.

    starts: what each is called, and where it is [m]. beds, fixed: what stands on the ground, which ways lead round.
    paths: ground that paths take, through patches too.

    It is searched on a grid, then drawn straight from corner to corner; it is right to a step of the grid.
    """
    free = _free_ground(beds, fixed, ground, width_m)
    if paths is not None:
        free = free.union(paths.intersection(_inner(ground, width_m)).difference(_taken(beds, fixed, width_m, "flat")))
    grid = _Grid.over(ground, free)
    ways = []
    for name, at_m in starts:
        cost, before = grid.spread(at_m)
        for bed in beds:
            line = grid.way_to(bed.outline.buffer(width_m / 2 + NEAR_BED_M), cost, before)
            ways.append(Way(name, bed, _straightened([at_m, *line], free) if line else ()))
    return tuple(ways)


def _free_ground(
    beds: Sequence[PlacedBed], fixed: Sequence[FixedThing], ground: BaseGeometry, width_m: float
) -> BaseGeometry:
    """Where the middle of something of a width [m] may be: clear of what stands there, and within the plot."""
    return _inner(ground, width_m).difference(_taken(beds, fixed, width_m))


def _inner(ground: BaseGeometry, width_m: float) -> BaseGeometry:
    return ground.buffer(GRAZE_M - width_m / 2, join_style="mitre")


def _taken(
    beds: Sequence[PlacedBed], fixed: Sequence[FixedThing], width_m: float, less: Form | None = None
) -> BaseGeometry:
    """Where it may not be, beds of one form left out."""
    standing = [bed.outline for bed in beds if bed.form != less]
    standing += [thing.outline for thing in fixed if thing.kind in STANDING]
    return shapely.union_all([each.buffer(width_m / 2 - GRAZE_M, join_style="mitre") for each in standing])


@record
class _Grid:
    """Places on the ground a step apart: which are free, from a corner [m]."""

    left_m: float
    low_m: float
    step_m: float
    free: NDArray[np.bool_]

    @classmethod
    def over(cls, ground: BaseGeometry, free: BaseGeometry) -> _Grid:
        """The grid over a ground."""
        left, low, right, high = ground.bounds
        step_m = min(max(max(right - left, high - low) / STEPS_ACROSS, LEAST_STEP_M), MOST_STEP_M)
        across = np.arange(left + step_m / 2, right, step_m)
        up = np.arange(low + step_m / 2, high, step_m)
        xs, ys = np.meshgrid(across, up, indexing="ij")
        shapely.prepare(free)
        return cls(left + step_m / 2, low + step_m / 2, step_m, np.asarray(shapely.contains_xy(free, xs, ys)))

    def at(self, place: Place) -> Point:
        """Where a place lies [m]."""
        return self.left_m + place[0] * self.step_m, self.low_m + place[1] * self.step_m

    def spread(self, at_m: Point) -> tuple[dict[Place, float], dict[Place, Place]]:
        """How far each free place lies from a start [m], and which lies before it on the way (Dijkstra 1959)."""
        start = self._nearest_free(at_m)
        if start is None:
            return {}, {}
        cost, before = {start: math.dist(at_m, self.at(start))}, {}
        waiting = [(cost[start], start)]
        while waiting:
            far, place = heapq.heappop(waiting)
            if far > cost[place]:
                continue
            for near, step in self._beside(place):
                if far + step < cost.get(near, math.inf):
                    cost[near], before[near] = far + step, place
                    heapq.heappush(waiting, (far + step, near))
        return cost, before

    def _beside(self, place: Place) -> Iterator[tuple[Place, float]]:
        for dx in (-1, 0, 1):
            for dy in (-1, 0, 1):
                near = place[0] + dx, place[1] + dy
                if near != place and self._is_free(near):
                    yield near, self.step_m * math.hypot(dx, dy)

    def _is_free(self, place: Place) -> bool:
        across, up = self.free.shape
        return 0 <= place[0] < across and 0 <= place[1] < up and bool(self.free[place])

    def _nearest_free(self, at_m: Point) -> Place | None:
        places = np.argwhere(self.free)
        if not len(places):
            return None
        off = places * self.step_m + np.array([self.left_m - at_m[0], self.low_m - at_m[1]])
        nearest = places[int(np.argmin((off**2).sum(axis=1)))]
        return int(nearest[0]), int(nearest[1])

    def way_to(self, goal: BaseGeometry, cost: dict[Place, float], before: dict[Place, Place]) -> list[Point]:
        """The way to the nearest place within a goal; nothing where none can be come to."""
        left, low, right, high = goal.bounds
        columns = range(max(int((left - self.left_m) / self.step_m), 0), int((right - self.left_m) / self.step_m) + 2)
        rows = range(max(int((low - self.low_m) / self.step_m), 0), int((high - self.low_m) / self.step_m) + 2)
        reached = [
            (cost[place], place)
            for place in ((x, y) for x in columns for y in rows)
            if place in cost and goal.covers(shapely.Point(self.at(place)))
        ]
        if not reached:
            return []
        place = min(reached)[1]
        line = [self.at(place)]
        while place in before:
            place = before[place]
            line.append(self.at(place))
        return line[::-1]


def _straightened(line: list[Point], free: BaseGeometry) -> tuple[Point, ...]:
    """A way without the corners that can be cut."""
    kept = [line[0]]
    at = 0
    while at < len(line) - 1:
        onward = at + 1
        ahead = len(line) - 1
        while ahead > onward:
            if free.covers(shapely.LineString([line[at], line[ahead]])):
                onward = ahead
                break
            ahead -= max((ahead - at) // 8, 1)
        kept.append(line[onward])
        at = onward
    return tuple(kept)
