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
LOWEST_DEG = 3.0
"""Under this the sun gives nothing that counts (haze, and what stands on the horizon)."""


@record
class Blocker:
    """Something that shades: its corners from above [m], and how high it stands over the bed's surface [m]."""

    corners: tuple[tuple[float, float], ...]
    height_m: float


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
    up on the plot. A point is shaded while what it sees of the sun's way up is lower than a blocker there.
    """
    hours = np.zeros((len(points), len(days)))
    for column, day in enumerate(days):
        elevation, azimuth = sun_over_day(day, latitude_deg)
        towards = azimuth + math.radians(north_deg)
        ways = np.column_stack([np.sin(towards), np.cos(towards)])
        lit = np.ones((len(points), len(elevation)), dtype=bool)
        for blocker in blockers:
            if blocker.height_m > 0:
                lit &= ~_behind(points, ways, blocker.height_m / np.tan(elevation), blocker.corners)
        hours[:, column] = lit.sum(axis=1) * STEP_MINUTES / 60
    return hours


def _behind(points: Values, ways: Values, reach_m: Values, corners: Sequence[tuple[float, float]]) -> NDArray[np.bool_]:
    """Whether a blocker's edge lies on the way to the sun within its shadow's reach: points x moments.

    ways: directions to the sun, a row for each moment. reach_m: how far its shadow reaches then [m].
    """
    shaded = np.zeros((len(points), len(ways)), dtype=bool)
    edges = list(zip(corners, (*corners[1:], corners[0]), strict=True)) if len(corners) > 2 else [tuple(corners)]
    for start, end in edges:
        along = np.subtract(end, start)
        to_start = np.asarray(start) - points
        across = ways[:, 0] * along[1] - ways[:, 1] * along[0]
        with np.errstate(divide="ignore", invalid="ignore"):
            far = (to_start[:, :1] * along[1] - to_start[:, 1:] * along[0]) / across[None, :]
            share = (to_start[:, :1] * ways[None, :, 1] - to_start[:, 1:] * ways[None, :, 0]) / across[None, :]
        shaded |= (far >= 0) & (far <= reach_m[None, :]) & (share >= 0) & (share <= 1)
    return shaded
