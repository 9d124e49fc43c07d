"""A free polygon by the corners as measured."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import TYPE_CHECKING

from nolbet_core.lazy import lazily
from nolbet_core.shapes.hollow import LEAST_INSIDE_M, Point, Ring, ShapeProblem
from nolbet_core.shapes.outline import Span, middle_span, ring_area, ring_centroid, ring_perimeter

if TYPE_CHECKING:
    import shapely
else:
    shapely = lazily("shapely")

LARGEST_MITRE = 1000.0
INRADIUS_ERROR_M = 1e-4


@dataclass(frozen=True, slots=True)
class FreePolygon:
    """A polygon by its corners [m, m], going round anticlockwise; `free_polygon` makes one of corners as measured."""

    corners_m: Ring

    @property
    def area_m2(self) -> float:
        """Plan area [m2], by the shoelace formula."""
        return ring_area(self.corners_m)

    @property
    def perimeter_m(self) -> float:
        """Length round it [m]."""
        return ring_perimeter(self.corners_m)

    @property
    def length_m(self) -> float:
        """Length of the surrounding rectangle [m]."""
        return max(x for x, _ in self.corners_m) - min(x for x, _ in self.corners_m)

    @property
    def width_m(self) -> float:
        """Width of the surrounding rectangle [m]."""
        return max(y for _, y in self.corners_m) - min(y for _, y in self.corners_m)

    @property
    def inradius_m(self) -> float:
        """Radius of the largest circle inside [m], to a tenth of a millimetre."""
        circle = shapely.maximum_inscribed_circle(shapely.Polygon(self.corners_m), tolerance=INRADIUS_ERROR_M)
        return float(circle.length)

    @property
    def centroid_m(self) -> Point:
        """Centre of its area [m, m] from the lower left of the surrounding rectangle."""
        x, y = ring_centroid(self.corners_m)
        return x - min(x for x, _ in self.corners_m), y - min(y for _, y in self.corners_m)

    def moved(self, out_m: float) -> FreePolygon:
        """The polygon with its edges moved outwards [m], corners mitred.

        Raises ShapeProblem where nothing is left, or where it falls into pieces.
        """
        if out_m == 0:
            return self
        moved = shapely.Polygon(self.corners_m).buffer(out_m, join_style="mitre", mitre_limit=LARGEST_MITRE)
        if moved.is_empty or moved.area < LEAST_INSIDE_M**2:
            raise ShapeProblem("corners_m", f"these corners leave nothing between walls of {abs(out_m):g} m")
        if not isinstance(moved, shapely.Polygon) or moved.interiors:
            raise ShapeProblem("corners_m", f"walls of {abs(out_m):g} m cut the bed in pieces where it is narrow")
        return FreePolygon(_anticlockwise([(x, y) for x, y in moved.exterior.coords[:-1]]))

    def rings(self) -> tuple[Ring, ...]:
        """Its corners from the lower left of the surrounding rectangle [m]."""
        left, low = min(x for x, _ in self.corners_m), min(y for _, y in self.corners_m)
        return (tuple((x - left, y - low) for x, y in self.corners_m),)

    def spans(self) -> tuple[Span, ...]:
        """One span as wide as the whole [m]."""
        return middle_span(self.width_m)


def free_polygon(corners_m: Sequence[Point]) -> FreePolygon:
    """A polygon from its corners [m, m] in the order measured, either way round.

    Raises ShapeProblem where two corners are one, where sides cross (naming them and the place), or where there is no
    area.
    """
    count = len(corners_m)
    for i in range(count):
        if math.dist(corners_m[i], corners_m[i - 1]) < LEAST_INSIDE_M:
            before = count if i == 0 else i
            raise ShapeProblem(f"corners_m[{i}]", f"corner {i + 1} lies where corner {before} is; leave one out")
    for one in range(count):
        for two in range(one + 1, count):
            place = _crossing(corners_m, one, two)
            if place is not None:
                said = (
                    f"side {_side(one, count)} crosses side {_side(two, count)} near ({place[0]:.2f}, {place[1]:.2f}) m"
                )
                raise ShapeProblem(f"corners_m[{two}]", f"{said}; measure the corners in order round the bed")
    if abs(ring_area(corners_m)) < LEAST_INSIDE_M**2:
        raise ShapeProblem("corners_m", "these corners lie on one line and hold no area")
    return FreePolygon(_anticlockwise(corners_m))


def _anticlockwise(corners: Sequence[Point]) -> Ring:
    return tuple(corners) if ring_area(corners) > 0 else tuple(reversed(corners))


def _side(index: int, count: int) -> str:
    return f"{index + 1}–{(index + 1) % count + 1}"


def _crossing(corners: Sequence[Point], one: int, two: int) -> Point | None:
    """Where two sides meet that shouldn't, or None."""
    count = len(corners)
    a, b = corners[one], corners[(one + 1) % count]
    c, d = corners[two], corners[(two + 1) % count]
    neighbours = two == one + 1 or (one == 0 and two == count - 1)
    if neighbours:
        shared, before, after = (b, a, d) if two == one + 1 else (a, b, c)
        return shared if _folds_back(before, shared, after) else None
    first, second = shapely.LineString([a, b]), shapely.LineString([c, d])
    if not first.intersects(second):
        return None
    place = first.intersection(second).centroid
    return place.x, place.y


def _folds_back(before: Point, shared: Point, after: Point) -> bool:
    """Whether two neighbouring sides lie on each other."""
    (ax, ay), (bx, by) = (before[0] - shared[0], before[1] - shared[1]), (after[0] - shared[0], after[1] - shared[1])
    sizes = math.hypot(ax, ay) * math.hypot(bx, by)
    return abs(ax * by - ay * bx) < 1e-9 * sizes and ax * bx + ay * by > 0
