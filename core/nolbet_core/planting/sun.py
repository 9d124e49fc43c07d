"""Where the sun stands, and how many hours it shines on each point of a bed past houses, fences and trees.

Position by the low-precision formulas of the Astronomical Almanac (Michalsky 1988), good to a hundredth of a degree
between 1950 and 2050; refraction is left out. Hours on a day go by the sun's own time, so that no clock is asked.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from datetime import UTC, datetime

import numpy as np
from numpy.typing import NDArray

from nolbet_core.record import record

Values = NDArray[np.float64]

J2000 = datetime(2000, 1, 1, 12, tzinfo=UTC)
DAY_S = 86_400.0
STEP_MINUTES = 10
"""How far apart the moments of a day are that are looked at."""
WAYS = 720
"""Directions that a point looks for the sun in."""
LOWEST_DEG = 3.0
"""Under this the sun gives nothing that counts (haze, and what stands on the horizon)."""


@record
class Blocker:
    """Something that shades: its corners from above [m], and how high it stands over the bed's surface [m].
    radius_m: of something round, whose middle its one corner is.
    """

    corners: tuple[tuple[float, float], ...]
    height_m: float
    radius_m: float = 0.0


def sun_position(when: datetime, latitude_deg: float, longitude_deg: float) -> tuple[float, float]:
    """Elevation over the horizon, and azimuth clockwise from north [degrees], without refraction.

    when: an aware moment. longitude_deg: east of Greenwich. Source: Michalsky (1988).
    """
    days = (when.astimezone(UTC) - J2000).total_seconds() / DAY_S
    right_ascension, declination = _equatorial(days)
    greenwich_h = 18.697375 + 24.065709824279 * days
    local_h = greenwich_h + longitude_deg / 15
    hour_angle = math.radians(local_h * 15) - right_ascension
    elevation, azimuth = _horizontal(np.array([hour_angle]), declination, latitude_deg)
    return math.degrees(float(elevation[0])), math.degrees(float(azimuth[0])) % 360


def _equatorial(days: float) -> tuple[float, float]:
    """Right ascension and declination [rad], so many days after noon of 1 January 2000."""
    mean_longitude = 280.460 + 0.9856474 * days
    anomaly = math.radians(357.528 + 0.9856003 * days)
    longitude = math.radians(mean_longitude + 1.915 * math.sin(anomaly) + 0.020 * math.sin(2 * anomaly))
    obliquity = math.radians(23.439 - 0.0000004 * days)
    right_ascension = math.atan2(math.cos(obliquity) * math.sin(longitude), math.cos(longitude))
    return right_ascension, math.asin(math.sin(obliquity) * math.sin(longitude))


def declination_on(day_of_year: int) -> float:
    """The sun's declination at noon of a day of a common year [rad]."""
    start = datetime(2026, 1, 1, 12, tzinfo=UTC)
    return _equatorial((start - J2000).total_seconds() / DAY_S + day_of_year)[1]


def _horizontal(hour_angle: Values, declination: float, latitude_deg: float) -> tuple[Values, Values]:
    """Elevation and azimuth from north over east [rad]."""
    latitude = math.radians(latitude_deg)
    level = math.sin(latitude) * math.sin(declination)
    rising = math.cos(latitude) * math.cos(declination)
    elevation: Values = np.arcsin(np.clip(level + rising * np.cos(hour_angle), -1.0, 1.0))
    azimuth: Values = np.arctan2(
        -np.sin(hour_angle),
        np.tan(declination) * math.cos(latitude) - math.sin(latitude) * np.cos(hour_angle),
    )
    return elevation, azimuth


def sun_over_day(day_of_year: int, latitude_deg: float) -> tuple[Values, Values]:
    """Elevations and azimuths [rad] at moments ten minutes apart while the sun stands high enough to count."""
    moments = np.arange(-12 * 60 + STEP_MINUTES / 2, 12 * 60, STEP_MINUTES)
    elevation, azimuth = _horizontal(np.radians(moments / 4), declination_on(day_of_year), latitude_deg)
    up = elevation > math.radians(LOWEST_DEG)
    return elevation[up], azimuth[up]


def sun_hours(
    points: Values, blockers: Sequence[Blocker], days: Sequence[int], latitude_deg: float, north_deg: float = 0.0
) -> Values:
    """Hours of sun on each point on each day: points x days.

    points: x and y [m], a row each. days: of the year, 0 to 364. north_deg: how far north lies clockwise from straight
    up on the plot. A point is shaded while the sun stands lower than its skyline in that direction.
    """
    skyline = skyline_of(points, blockers)
    hours = np.zeros((len(points), len(days)))
    for column, day in enumerate(days):
        elevation, azimuth = sun_over_day(day, latitude_deg)
        towards = (azimuth + math.radians(north_deg)) % (2 * math.pi)
        bins = np.rint(towards * WAYS / (2 * math.pi)).astype(np.intp) % WAYS
        lit = np.tan(elevation)[None, :] > skyline[:, bins]
        hours[:, column] = lit.sum(axis=1) * STEP_MINUTES / 60
    return hours


def skyline_of(points: Values, blockers: Sequence[Blocker]) -> Values:
    """How high what stands about reaches over the horizon, from each point each half degree clockwise from straight up
    on the plot: points x ways, as the tangent of its angle.
    """
    angles = np.arange(WAYS) * 2 * np.pi / WAYS
    ways = np.column_stack([np.sin(angles), np.cos(angles)])
    skyline = np.zeros((len(points), WAYS))
    for blocker in blockers:
        if blocker.height_m <= 0:
            continue
        far = _round_far(points, ways, blocker) if blocker.radius_m else _edges_far(points, ways, blocker.corners)
        with np.errstate(divide="ignore"):
            np.maximum(skyline, blocker.height_m / far, out=skyline)
    return skyline


def _edges_far(points: Values, ways: Values, corners: Sequence[tuple[float, float]]) -> Values:
    """How far away a blocker's nearest edge lies [m]: points x ways; infinite where it doesn't lie on the way."""
    nearest = np.full((len(points), len(ways)), np.inf)
    edges = list(zip(corners, (*corners[1:], corners[0]), strict=True)) if len(corners) > 2 else [tuple(corners)]
    for start, end in edges:
        along = np.subtract(end, start)
        to_start = np.asarray(start) - points
        across = ways[:, 0] * along[1] - ways[:, 1] * along[0]
        with np.errstate(divide="ignore", invalid="ignore"):
            far = (to_start[:, :1] * along[1] - to_start[:, 1:] * along[0]) / across[None, :]
            share = (to_start[:, :1] * ways[None, :, 1] - to_start[:, 1:] * ways[None, :, 0]) / across[None, :]
        on_the_way = (far >= 0) & (share >= 0) & (share <= 1)
        np.minimum(nearest, np.where(on_the_way, far, np.inf), out=nearest)
    return nearest


def _round_far(points: Values, ways: Values, blocker: Blocker) -> Values:
    """How far away the near side of something round lies [m]; nothing where a point lies under it."""
    middle = np.asarray(blocker.corners[0]) - points
    ahead = middle @ ways.T
    beside_2 = (middle**2).sum(axis=1)[:, None] - ahead**2
    within = beside_2 < blocker.radius_m**2
    near = ahead - np.sqrt(np.maximum(blocker.radius_m**2 - beside_2, 0.0))
    under = ((middle**2).sum(axis=1) < blocker.radius_m**2)[:, None]
    far: Values = np.where(under, 0.0, np.where(within & (near >= 0), near, np.inf))
    return far
