"""Aisles between beds, and between beds and what stands on the ground; and where two take the same ground."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from itertools import combinations
from typing import TYPE_CHECKING

from nolbet_core.lazy import lazily
from nolbet_core.plot.fixed import STANDING, FixedThing
from nolbet_core.plot.placed import PlacedBed
from nolbet_core.record import record
from nolbet_core.shapes.hollow import Point

if TYPE_CHECKING:
    import shapely
    from shapely.geometry.base import BaseGeometry
else:
    shapely = lazily("shapely")

WALKER_M = 0.45
"""Least aisle for a walker [m]."""
BARROW_M = 0.90
"""Least aisle for a barrow [m]."""
HANDS_M = 0.30
"""Room for the hands on both sides of a barrow [m] (estimate)."""
WIDEST_AISLE_M = 1.5
"""What is wider is open ground [m]."""
TOUCHING_M = 0.02
"""Beds nearer than this stand against each other [m]."""
LARGEST_POT_M = 0.6
"""What is wider is walked round [m]."""
LEAST_CLASH_M2 = 1e-4
LINES_BESIDE = frozenset({"house", "wall", "fence"})


@record
class Aisle:
    """The narrowest place between two: how wide [m], and where its line runs from and to [m]."""

    bed: PlacedBed
    other: PlacedBed | FixedThing
    width_m: float
    start_m: Point
    end_m: Point

    @property
    def between_pots(self) -> bool:
        """Whether it parts pots of one kind that stand together and are reached over, not walked between."""
        other = self.other
        if not isinstance(other, PlacedBed) or other.key != self.bed.key:
            return False
        outside = other.vessel.outside
        return max(outside.length_m, outside.width_m) <= LARGEST_POT_M


@record
class Clash:
    """Ground that two take: how much [m2] and where its middle is [m]. `other` is None where a bed leaves the plot."""

    bed: PlacedBed
    other: PlacedBed | FixedThing | None
    area_m2: float
    at_m: Point


def aisles_between(beds: Sequence[PlacedBed], fixed: Sequence[FixedThing]) -> tuple[Aisle, ...]:
    """Aisles up to 1.5 m wide with nothing standing between, the narrowest first. Those that touch have none."""
    walls = [thing for thing in fixed if thing.kind in LINES_BESIDE]
    outlines = [*(bed.outline for bed in beds), *(wall.outline for wall in walls)]
    tree = shapely.STRtree(outlines)
    return tuple(sorted(_aisles(beds, walls, outlines, tree), key=lambda aisle: aisle.width_m))


def _aisles(
    beds: Sequence[PlacedBed], walls: Sequence[FixedThing], outlines: Sequence[BaseGeometry], tree: shapely.STRtree
) -> Iterator[Aisle]:
    every: list[PlacedBed | FixedThing] = [*beds, *walls]
    for one, bed in enumerate(beds):
        for two in sorted(tree.query(outlines[one], predicate="dwithin", distance=WIDEST_AISLE_M).tolist()):
            if two <= one:
                continue
            width_m = outlines[one].distance(outlines[two])
            if width_m <= TOUCHING_M:
                continue
            line = _narrowest(outlines[one], outlines[two], width_m)
            between = tree.query(line, predicate="intersects").tolist()
            if any(at not in (one, two) and outlines[at].intersection(line).length > TOUCHING_M for at in between):
                continue
            start, end = line.coords
            yield Aisle(bed, every[two], width_m, (start[0], start[1]), (end[0], end[1]))


def _narrowest(one: BaseGeometry, two: BaseGeometry, width_m: float) -> shapely.LineString:
    """The shortest line between two outlines, in the middle of where they run side by side."""
    beside = two.intersection(one.buffer(width_m * 1.02 + 0.001))
    if beside.is_empty:
        return shapely.shortest_line(one, two)
    across = shapely.shortest_line(one, beside.centroid)
    back = shapely.shortest_line(shapely.Point(across.coords[0]), two)
    return back if back.length <= width_m * 1.05 + 0.002 else shapely.shortest_line(one, two)


def clashes_on(beds: Sequence[PlacedBed], fixed: Sequence[FixedThing], ground: BaseGeometry) -> tuple[Clash, ...]:
    """Where beds lie on each other, on what stands there, or over the plot's edge. A mound may lie over a trench."""
    found: list[Clash] = []
    for bed in beds:
        outside = bed.outline.difference(ground)
        if outside.area > LEAST_CLASH_M2:
            found.append(_clash(bed, None, outside))
        for thing in fixed:
            taken = bed.outline.intersection(thing.outline) if thing.kind in STANDING else None
            if taken is not None and taken.area > LEAST_CLASH_M2:
                found.append(_clash(bed, thing, taken))
    tree = shapely.STRtree([bed.outline for bed in beds])
    for one, two in combinations_near(tree, beds):
        if {beds[one].form, beds[two].form} == {"trench", "mound"} or _one_profile(beds[one], beds[two]):
            continue
        shared = beds[one].outline.intersection(beds[two].outline)
        if shared.area > LEAST_CLASH_M2:
            found.append(_clash(beds[one], beds[two], shared))
    return tuple(found)


def _one_profile(one: PlacedBed, two: PlacedBed) -> bool:
    """Whether one of two lies over the other on purpose."""
    return two.key == one.over or one.key == two.over


def combinations_near(tree: shapely.STRtree, beds: Sequence[PlacedBed]) -> Iterator[tuple[int, int]]:
    """Pairs of beds whose outlines meet, each once."""
    if len(beds) < 3:
        yield from combinations(range(len(beds)), 2)
        return
    for one, bed in enumerate(beds):
        for two in sorted(tree.query(bed.outline, predicate="intersects").tolist()):
            if two > one:
                yield one, two


def _clash(bed: PlacedBed, other: PlacedBed | FixedThing | None, shared: BaseGeometry) -> Clash:
    centre = shared.centroid
    return Clash(bed, other, shared.area, (centre.x, centre.y))


def path_polygon(beds: Sequence[PlacedBed], ground: BaseGeometry) -> BaseGeometry:
    """The plot less its beds: what paths cover. Ground under two beds counts once."""
    return ground.difference(shapely.union_all([bed.outline for bed in beds]))


def open_to_paths(beds: Sequence[PlacedBed], ground: BaseGeometry) -> BaseGeometry:
    """Where a path may lead: the plot less its beds, flat patches left in."""
    return path_polygon([bed for bed in beds if bed.form != "flat"], ground)
