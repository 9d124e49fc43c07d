"""How far it is to each bed from the gates and from where loads are dropped, in figures."""

from __future__ import annotations

import math
from collections.abc import Sequence

from nolbet_core.built.bed import BuiltBed
from nolbet_core.built.ground import placed_beds
from nolbet_core.built.surroundings import Surroundings
from nolbet_core.figure.drawn import drawn_ring
from nolbet_core.figure.finding_figures import Line
from nolbet_core.figure.plot import barrow_aisle
from nolbet_core.haul.set_down import ROUNDABOUT
from nolbet_core.plot.aisles import HANDS_M
from nolbet_core.plot.ways import Way, ways_to_beds
from nolbet_core.record import record
from nolbet_core.shapes.hollow import Point

TOLD_DIGITS = 1
"""A way is told to 0.1 m: it is searched no finer."""

DROP = "where loads are dropped"


@record
class WayFigures:
    """A way to a bed from a gate, or from where loads are dropped: how far, and its corners. length_m: null where the
    barrow gets nowhere near.
    """

    start: str
    key: str
    index: int
    bed: str
    length_m: float | None
    line: Line


@record
class Ways:
    """Ways over a plot. width_m: how wide a barrow they are for. starts: what they begin at."""

    width_m: float
    starts: list[str]
    ways: list[WayFigures]


def ways_figures(around: Surroundings, beds: Sequence[BuiltBed]) -> Ways:
    """The ways of a garden's barrow to each bed that lies on its plot; none where no start is known."""
    plot, ground = around.plot, around.ground
    if plot is None or ground is None:
        return Ways(0.0, [], [])
    starts: list[tuple[str, Point]] = [(each.name, _middle(each.points_m)) for each in ground.of_kind("gate")]
    if around.garden is not None and around.garden.drop is not None:
        starts.append((DROP, (around.garden.drop[0], around.garden.drop[1])))
    width_m = barrow_aisle(plot) - HANDS_M
    pits = {each.bed.over for each in beds}
    placed = [place for each in beds if each.bed.key not in pits for place in placed_beds(each.bed, each.vessel)]
    ways = ways_to_beds(starts, placed, ground.fixed, ground.polygon, width_m, around.path_ground) if starts else ()
    return Ways(width_m, [name for name, _ in starts], [_way(each) for each in ways])


def _middle(points_m: Sequence[Point]) -> Point:
    return sum(x for x, _ in points_m) / len(points_m), sum(y for _, y in points_m) / len(points_m)


def _way(way: Way) -> WayFigures:
    length_m = round(way.length_m, TOLD_DIGITS) if way.line_m else None
    return WayFigures(way.start, way.bed.key, way.bed.index, way.bed.name, length_m, drawn_ring(way.line_m))


def ways_from_drop(around: Surroundings, beds: Sequence[BuiltBed]) -> dict[str, tuple[float, bool]]:
    """How far each bed lies from where loads are dropped [m], and whether the plot gave the way."""
    drop = around.garden.drop if around.garden else None
    if around.plot is None or drop is None:
        return {}
    found: dict[str, tuple[float, bool]] = {}
    for way in ways_figures(around, beds).ways:
        if way.start == DROP and way.length_m is not None:
            found[way.key] = (max(way.length_m, found.get(way.key, (0.0, True))[0]), True)
    straight = straight_from_drop(around, beds)
    return {**{key: (way_m, False) for key, way_m in straight.items()}, **found}


def straight_from_drop(around: Surroundings, beds: Sequence[BuiltBed]) -> dict[str, float]:
    """How far each bed lies from where loads are dropped as the crow flies, a third more for the way round [m]."""
    drop = around.garden.drop if around.garden else None
    if drop is None:
        return {}
    ways = {each.bed.key: _straight(each, (drop[0], drop[1])) for each in beds}
    return {key: way_m for key, way_m in ways.items() if way_m is not None}


def _straight(each: BuiltBed, drop: tuple[float, float]) -> float | None:
    places = placed_beds(each.bed, each.vessel)
    return max((ROUNDABOUT * math.dist(drop, (place.x_m, place.y_m)) for place in places), default=None)
