"""Where what stands on the plot throws its shade."""

from __future__ import annotations

import math
from typing import TYPE_CHECKING

from nolbet_core.lazy import lazily
from nolbet_core.plot.fixed import FixedThing
from nolbet_core.record import record

if TYPE_CHECKING:
    import shapely
    from shapely.geometry.base import BaseGeometry
else:
    shapely = lazily("shapely")

CROWN_SHARE = 0.25
"""Half a tree's crown is so much of its height wide (estimate)."""

LOWEST_SUN_DEG = 5.0
"""A sun lower than this throws shade over everything [degrees]."""


@record
class Shade:
    """Ground that something shades at noon when day and night are alike: by what, how far [m], and where."""

    thing: FixedThing
    length_m: float
    ground: BaseGeometry


def noon_shade(thing: FixedThing, latitude_deg: float, north_deg: float) -> Shade | None:
    """The shade of something at noon of an equinox, the sun 90 degrees less the latitude high; None where its height
    isn't known.

    north_deg: clockwise from straight up the sheet. A tree's crown is taken to be half as wide as it is
    high (estimate).
    """
    if thing.height_m is None:
        return None
    sun_deg = max(90.0 - abs(latitude_deg), LOWEST_SUN_DEG)
    length_m = thing.height_m / math.tan(math.radians(sun_deg))
    away_deg = north_deg if latitude_deg >= 0 else north_deg + 180.0
    dx, dy = length_m * math.sin(math.radians(away_deg)), length_m * math.cos(math.radians(away_deg))
    stands = thing.outline.buffer(thing.height_m * CROWN_SHARE) if thing.kind == "tree" else thing.outline
    return Shade(thing, length_m, _swept(stands, dx, dy))


def _swept(stands: BaseGeometry, dx: float, dy: float) -> BaseGeometry:
    """What an outline covers on its way by so much [m]."""
    ring = list(stands.exterior.coords) if isinstance(stands, shapely.Polygon) else list(stands.coords)
    moved = [(x + dx, y + dy) for x, y in ring]
    sides = [
        shapely.MultiPoint([ring[i], ring[i + 1], moved[i + 1], moved[i]]).convex_hull for i in range(len(ring) - 1)
    ]
    return shapely.union_all([stands, shapely.affinity.translate(stands, dx, dy), *sides])
