"""Levels of the ground from spot heights: cut and fill, packing under a bed's corners, contour lines."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import TYPE_CHECKING

from nolbet_core.lazy import lazily
from nolbet_core.quantities.units import INCH_M, System
from nolbet_core.record import record
from nolbet_core.shapes.hollow import Point

if TYPE_CHECKING:
    import shapely
else:
    shapely = lazily("shapely")

Corner = tuple[float, float, float]
"""A place with its height [m, m, m]."""
Triangle = tuple[Corner, Corner, Corner]
TOLERANCE = 1e-9
LEAST_GRADIENT = 0.005
"""Ground that rises less than this is flat for a gardener."""
MOST_CONTOURS = 12
CONTOUR_STEPS_M = {
    System.METRIC: (0.02, 0.05, 0.1, 0.2, 0.5, 1.0, 2.0, 5.0, 10.0),
    System.FT_IN: tuple(inches * INCH_M for inches in (1, 2, 3, 6, 12, 24, 60, 120, 360)),
}
"""Steps that contours may stand apart by [m]."""


@record
class CutAndFill:
    """What bringing ground to a level takes: the level [m], what is dug off, what is filled up [m3], its area."""

    level_m: float
    cut_m3: float
    fill_m3: float
    area_m2: float


@record
class Surface:
    """The ground as triangles between spot heights (Delaunay): even between spots, unknown beyond them.

    inside: those of the triangles that lie on the plot, cut along its outline; volumes and contours are of them.
    """

    triangles: tuple[Triangle, ...]
    inside: tuple[Triangle, ...]

    @property
    def area_m2(self) -> float:
        """Ground between the spots, on the plot [m2]."""
        return sum(_area(triangle) for triangle in self.inside)

    @property
    def mean_m(self) -> float:
        """Level at which cut and fill are alike [m]."""
        total = sum(_area(triangle) * sum(corner[2] for corner in triangle) / 3 for triangle in self.inside)
        return total / self.area_m2

    @property
    def lowest(self) -> Corner:
        """Where on the plot the ground lies lowest: there water gathers."""
        return min((corner for triangle in self.inside for corner in triangle), key=lambda corner: corner[2])

    def height_at(self, x_m: float, y_m: float) -> float | None:
        """Height of the ground at a place [m]; None beyond the spots."""
        for triangle in self.triangles:
            shares = _shares(triangle, x_m, y_m)
            if min(shares) >= -TOLERANCE:
                return sum(share * corner[2] for share, corner in zip(shares, triangle, strict=True))
        return None

    def contour_turn_deg(self, x_m: float, y_m: float) -> float | None:
        """Which way a contour runs at a place [deg], anticlockwise from the right; None where that isn't known."""
        for triangle in self.triangles:
            if min(_shares(triangle, x_m, y_m)) < -TOLERANCE:
                continue
            rise_x, rise_y = _gradient(triangle)
            if math.hypot(rise_x, rise_y) < LEAST_GRADIENT:
                return None
            return (math.degrees(math.atan2(rise_y, rise_x)) + 90.0) % 180.0
        return None

    def cut_and_fill(self, level_m: float | None) -> CutAndFill:
        """What bringing the ground to a level [m] takes; to the mean level, where both are alike, if None."""
        level = self.mean_m if level_m is None else level_m
        parts = [_over_and_under(triangle, level) for triangle in self.inside]
        return CutAndFill(level, sum(over for over, _ in parts), sum(under for _, under in parts), self.area_m2)

    def contour(self, level_m: float) -> tuple[tuple[Point, ...], ...]:
        """Lines along which the ground has a height [m]."""
        pieces = [piece for triangle in self.inside if (piece := _crossing(triangle, level_m)) is not None]
        if not pieces:
            return ()
        merged = shapely.line_merge(shapely.MultiLineString([shapely.LineString(piece) for piece in pieces]))
        lines = shapely.get_parts(merged)
        return tuple(tuple((x, y) for x, y in line.coords) for line in lines if line.length > TOLERANCE)

    def contour_levels(self, system: System) -> tuple[float, ...]:
        """Even steps of height [m] for at most a dozen contours, round in a system of units."""
        heights = [corner[2] for triangle in self.inside for corner in triangle]
        low, high = min(heights), max(heights)
        steps = CONTOUR_STEPS_M[system]
        step = next((each for each in steps if (high - low) / each <= MOST_CONTOURS), steps[-1])
        first = int(low / step) - 1
        return tuple(
            at for i in range(MOST_CONTOURS + 4) if low + TOLERANCE < (at := (first + i) * step) < high - TOLERANCE
        )


def surface_of(spots: Sequence[Corner], outline: Sequence[Point] | None = None) -> Surface | None:
    """The ground as triangles between spot heights [m, m, m]; None with fewer than three, all on one line, or none of
    it on the plot.

    outline: the plot's corners [m, m]; None where all between the spots is ground.
    """
    heights = {(x, y): z for x, y, z in spots}
    if len(heights) < 3:
        return None
    mesh = shapely.delaunay_triangles(shapely.MultiPoint(list(heights)))
    triangles = []
    for part in shapely.get_parts(mesh):
        one, two, three = ((x, y, heights[x, y]) for x, y in part.exterior.coords[:-1])
        triangles.append((one, two, three))
    inside = triangles if outline is None else [part for each in triangles for part in _cut_to(each, outline)]
    return Surface(tuple(triangles), tuple(inside)) if inside else None


def _cut_to(triangle: Triangle, outline: Sequence[Point]) -> list[Triangle]:
    """What of a triangle lies within an outline, as triangles."""
    plot, whole = shapely.Polygon(outline), shapely.Polygon([(x, y) for x, y, _ in triangle])
    if plot.covers(whole):
        return [triangle]
    parts = shapely.get_parts(plot.intersection(whole))
    pieces = []
    for part in parts:
        if part.geom_type != "Polygon" or part.area <= TOLERANCE:
            continue
        for piece in shapely.get_parts(shapely.constrained_delaunay_triangles(part)):
            one, two, three = ((x, y, _height_in(triangle, x, y)) for x, y in piece.exterior.coords[:-1])
            pieces.append((one, two, three))
    return pieces


def _height_in(triangle: Triangle, x: float, y: float) -> float:
    shares = _shares(triangle, x, y)
    return sum(share * corner[2] for share, corner in zip(shares, triangle, strict=True))


def packing_under(corners_m: Sequence[Point], surface: Surface) -> tuple[float, ...] | None:
    """Height [m] to pack under each corner so that a rigid box stands level on the highest; None beyond the spots."""
    heights = [surface.height_at(x, y) for x, y in corners_m]
    known = [height for height in heights if height is not None]
    if len(known) < len(heights):
        return None
    return tuple(max(known) - height for height in known)


def _area(triangle: Triangle) -> float:
    (x0, y0, _), (x1, y1, _), (x2, y2, _) = triangle
    return abs((x1 - x0) * (y2 - y0) - (x2 - x0) * (y1 - y0)) / 2


def _shares(triangle: Triangle, x: float, y: float) -> tuple[float, float, float]:
    """How near a place is to each corner (barycentric): shares that sum to 1, all positive inside."""
    (x0, y0, _), (x1, y1, _), (x2, y2, _) = triangle
    whole = (y1 - y2) * (x0 - x2) + (x2 - x1) * (y0 - y2)
    first = ((y1 - y2) * (x - x2) + (x2 - x1) * (y - y2)) / whole
    second = ((y2 - y0) * (x - x2) + (x0 - x2) * (y - y2)) / whole
    return first, second, 1 - first - second


def _gradient(triangle: Triangle) -> tuple[float, float]:
    """How fast the ground rises to the right and up the sheet."""
    (x0, y0, z0), (x1, y1, z1), (x2, y2, z2) = triangle
    whole = (x1 - x0) * (y2 - y0) - (x2 - x0) * (y1 - y0)
    return (
        ((z1 - z0) * (y2 - y0) - (z2 - z0) * (y1 - y0)) / whole,
        ((x1 - x0) * (z2 - z0) - (x2 - x0) * (z1 - z0)) / whole,
    )


def _over_and_under(triangle: Triangle, level_m: float) -> tuple[float, float]:
    """Volume of ground over a level, and what is missing under it, within a triangle [m3]."""
    area = _area(triangle)
    low, middle, high = sorted(corner[2] - level_m for corner in triangle)
    net = area * (low + middle + high) / 3
    if low >= 0:
        return net, 0.0
    if high <= 0:
        return 0.0, -net
    if middle <= 0:
        over = area * high / 3 * (high / (high - low)) * (high / (high - middle))
        return over, over - net
    under = area * -low / 3 * (low / (low - middle)) * (low / (low - high))
    return net + under, under


def _crossing(triangle: Triangle, level_m: float) -> tuple[Point, Point] | None:
    """Where a triangle's surface has a height, from edge to edge [m]."""
    ends: list[Point] = []
    for one, two in ((0, 1), (1, 2), (2, 0)):
        (x0, y0, z0), (x1, y1, z1) = triangle[one], triangle[two]
        if (z0 < level_m) == (z1 < level_m):
            continue
        share = (level_m - z0) / (z1 - z0)
        ends.append((round(x0 + share * (x1 - x0), 9), round(y0 + share * (y1 - y0), 9)))
    return (ends[0], ends[1]) if len(ends) == 2 and ends[0] != ends[1] else None
