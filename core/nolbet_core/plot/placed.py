"""Outlines placed on the ground: turned and moved, as true polygons."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import cached_property, lru_cache
from typing import TYPE_CHECKING

from nolbet_core.lazy import lazily
from nolbet_core.shapes.hollow import Point, Ring
from nolbet_core.shapes.outline import Outline
from nolbet_core.shapes.ribbon import Ribbon
from nolbet_core.shapes.vessel import Form, Vessel

if TYPE_CHECKING:
    import shapely
    from shapely.geometry.base import BaseGeometry
else:
    shapely = lazily("shapely")


@dataclass(frozen=True)
class PlacedBed:
    """A bed on the ground. key, name, index: which bed, and which of those alike.

    x_m, y_m: the middle of its surrounding rectangle. turn_deg: how far it is turned anticlockwise. over: key of
    the pit that it lies over.
    """

    key: str
    name: str
    index: int
    vessel: Vessel
    x_m: float
    y_m: float
    turn_deg: float
    over: str | None = None

    @property
    def form(self) -> Form:
        """What kind of bed it is."""
        return self.vessel.form

    @cached_property
    def outline(self) -> BaseGeometry:
        """Its outermost outline as a polygon with exactly its footprint's area: curves are drawn a hair wider."""
        return _placed_outline(self.vessel.outside, self.vessel.footprint_m2, self.x_m, self.y_m, self.turn_deg)

    @cached_property
    def corners(self) -> tuple[Point, ...]:
        """Corners of its surrounding rectangle on the ground [m], going round from its lower left."""
        outside = self.vessel.outside
        if isinstance(outside, Ribbon):
            left, low, right, high = self.outline.bounds
            return ((left, low), (right, low), (right, high), (left, high))
        return turned_corners(outside.length_m, outside.width_m, self.x_m, self.y_m, self.turn_deg)


@lru_cache(maxsize=2048)
def _placed_outline(outside: Outline, footprint_m2: float, x_m: float, y_m: float, turn_deg: float) -> BaseGeometry:
    drawn = shapely.union_all([shapely.Polygon(ring) for ring in outside.rings()])
    share = math.sqrt(footprint_m2 / drawn.area)
    true = shapely.affinity.scale(drawn, share, share, origin=(outside.length_m / 2, outside.width_m / 2))
    centred = shapely.affinity.translate(true, -outside.length_m / 2, -outside.width_m / 2)
    turned = shapely.affinity.rotate(centred, turn_deg, origin=(0, 0))
    return shapely.affinity.translate(turned, x_m, y_m)


def turned_corners(length_m: float, width_m: float, x_m: float, y_m: float, turn_deg: float) -> tuple[Point, ...]:
    """Corners [m] of a rectangle round a middle, turned anticlockwise, going round from its lower left."""
    cos, sin = math.cos(math.radians(turn_deg)), math.sin(math.radians(turn_deg))
    half_length, half_width = length_m / 2, width_m / 2
    around = (
        (-half_length, -half_width),
        (half_length, -half_width),
        (half_length, half_width),
        (-half_length, half_width),
    )
    return tuple((x_m + x * cos - y * sin, y_m + x * sin + y * cos) for x, y in around)


def rings_of(geometry: BaseGeometry) -> tuple[Ring, ...]:
    """Outer rings of a polygon or several [m]."""
    polygons = [part for part in shapely.get_parts(geometry) if isinstance(part, shapely.Polygon)]
    return tuple(tuple((x, y) for x, y in polygon.exterior.coords[:-1]) for polygon in polygons if not polygon.is_empty)


def every_ring(geometry: BaseGeometry) -> tuple[Ring, ...]:
    """Outer rings of a polygon or several with the rings of their holes [m], to be drawn by the even-odd rule."""
    polygons = [part for part in shapely.get_parts(geometry) if isinstance(part, shapely.Polygon)]
    lines = [line for polygon in polygons for line in (polygon.exterior, *polygon.interiors) if not polygon.is_empty]
    return tuple(tuple((x, y) for x, y in line.coords[:-1]) for line in lines)
