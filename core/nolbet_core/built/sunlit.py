"""Hours of sun in a bed, past what stands on the plot and past its own tall crops."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import TYPE_CHECKING

import numpy as np
from numpy.typing import NDArray

from nolbet_core.built.surroundings import Surroundings
from nolbet_core.lazy import lazily
from nolbet_core.planting.sun import Blocker, sun_hours
from nolbet_core.plot.placed import PlacedBed
from nolbet_core.plot.shade import CROWN_SHARE
from nolbet_core.record import record
from nolbet_core.shapes.ribbon import Ribbon

if TYPE_CHECKING:
    import shapely
    from shapely.geometry.base import BaseGeometry
else:
    shapely = lazily("shapely")

Values = NDArray[np.float64]

EQUINOX = 79
LONGEST_NORTH, LONGEST_SOUTH = 171, 354
"""Days of the year, the first of January being 0."""
LEAST_ROUND_M = 0.01
"""Nothing that stands at a point is thinner."""
LEAST_HIGHER_M = 0.30
"""A crop shades another where it grows so much higher."""


@record
class Tall:
    """A crop in a bed that may shade others: the ground it takes in the bed's own measures [m], and its height [m]."""

    ground: BaseGeometry
    height_m: float


@record
class Hours:
    """Hours of sun on the longest day and when day and night are alike, where there are fewest."""

    longest: float
    equinox: float


def longest_day(latitude_deg: float) -> int:
    """The day of the year with the longest light, 0 to 364."""
    return LONGEST_NORTH if latitude_deg >= 0 else LONGEST_SOUTH


def on_the_plot(points: Values, place: PlacedBed) -> Values:
    """Places in a bed's own measures, from the lower left of the rectangle round it, on the plot [m]."""
    outside, turn = place.vessel.outside, math.radians(place.turn_deg)
    if isinstance(outside, Ribbon):
        left, low, _, _ = place.outline.bounds
        return np.add(points, (left, low))
    x, y = points[:, 0] - outside.length_m / 2, points[:, 1] - outside.width_m / 2
    return np.column_stack(
        [place.x_m + x * math.cos(turn) - y * math.sin(turn), place.y_m + x * math.sin(turn) + y * math.cos(turn)]
    )


def towards_pole(around: Surroundings, place: PlacedBed | None) -> tuple[float, float] | None:
    """The way to the pole in a bed's own measures, of length 1; None where it lies nowhere, or no latitude is known."""
    if around.plot is None or place is None or around.latitude_deg is None:
        return None
    way = math.radians(around.plot.north_deg + (180 if around.latitude_deg < 0 else 0))
    turn = math.radians(place.turn_deg)
    east, north = math.sin(way), math.cos(way)
    return east * math.cos(turn) + north * math.sin(turn), north * math.cos(turn) - east * math.sin(turn)


def standing_on(around: Surroundings, height_m: float) -> list[Blocker]:
    """What stands on the plot and is known to be higher than a bed's surface. height_m: of that [m]."""
    if around.ground is None:
        return []
    found = []
    for thing in around.ground.fixed:
        if thing.height_m is None or thing.height_m <= height_m:
            continue
        over_m = thing.height_m - height_m
        if len(thing.points_m) > 1:
            found.append(Blocker(_corners(thing.outline), over_m))
        else:
            crown_m = thing.height_m * CROWN_SHARE if thing.kind == "tree" else 0.0
            found.append(Blocker(thing.points_m[:1], over_m, max(thing.across_m / 2 + crown_m, LEAST_ROUND_M)))
    return found


def _corners(ground: BaseGeometry) -> tuple[tuple[float, float], ...]:
    ring = ground.exterior.coords[:-1] if isinstance(ground, shapely.Polygon) else ground.coords
    return tuple((float(x), float(y)) for x, y in ring)


def hours_of_sun(
    around: Surroundings,
    place: PlacedBed,
    points: Values,
    days: Sequence[int],
    surface_m: float,
    tall: Sequence[Tall] = (),
) -> Values | None:
    """Hours of sun on each point of a bed on each day: points x days; None where no latitude or plot is known.

    points: in the bed's own measures [m]. surface_m: height of what is shone on over the ground [m]. tall: crops
    beside it.
    """
    if around.plot is None or around.latitude_deg is None:
        return None
    blockers = standing_on(around, surface_m)
    for each in tall:
        if not each.ground.is_empty:
            ring = np.array(_corners(each.ground.convex_hull))
            blockers.append(Blocker(tuple(map(tuple, on_the_plot(ring, place).tolist())), each.height_m))
    return sun_hours(on_the_plot(points, place), blockers, days, around.latitude_deg, around.plot.north_deg)
