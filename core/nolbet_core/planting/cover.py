"""Covers over a bed: hoops and what lies on them, the weeks they gain at both ends, and when they must be opened."""

from __future__ import annotations

import math
from collections.abc import Sequence
from functools import lru_cache
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from nolbet_core.climate.weather import (
    DAYS,
    MONTH_DAYS,
    NIGHT_KEEPS,
    TMIN_SPREAD_C,
    MonthNormals,
)
from nolbet_core.record import record

Values = NDArray[np.float64]
CoverKind = Literal["fleece", "film", "double_film", "net", "mesh_flat", "mesh_standing", "leaves"]

WARMER_C: dict[CoverKind, tuple[float, float, float]] = {
    "fleece": (2.0, 1.0, 3.0),
    "film": (3.0, 2.0, 4.0),
    "double_film": (5.0, 3.5, 6.0),
    "net": (0.0, 0.0, 0.0),
    "mesh_flat": (0.0, 0.0, 0.0),
    "mesh_standing": (0.0, 0.0, 0.0),
    "leaves": (0.0, 0.0, 0.0),
}
"""How much warmer a night is under a cover, and from how little to how much [degrees C] (ranges: estimate)."""

MOST_HOOPS_APART_M = 0.90
INTO_THE_GROUND_M = 0.30
"""What of a hoop goes into the ground or a sleeve at each end [m]."""
HELD_DOWN_M = 0.30
"""What of a cover lies on the ground to hold it down, all round [m]."""
USUAL_HEIGHT_M = 0.50
USUAL_LEAVES_M = 0.15
"""How deep leaves are laid as a winter blanket (estimate)."""
STANDING_M = 0.90
"""How high a mesh stands that nothing else is said of."""
STAKES_APART_M = 2.0
"""Stakes of a standing mesh are no further apart (estimate)."""
WALKED_UNDER_M = 2.0
"""How high an arch is that is walked under."""
ON_HOOPS = frozenset({"fleece", "film", "double_film", "net"})
RISK = 0.1
"""Share of years in which frost may still come once tender plants are out, or before they are in."""
STEPS_SDS, STEP_SDS = 5.0, 0.05
"""Temperatures of nights are looked at so far from the usual one, in such steps [standard deviations]."""
VENT_C = 15.0
"""With sun on a day warmer than this it is over 35 degrees C under film."""
DAYS_A_WEEK = 7


@record
class CoverParts:
    """What a cover over a bed is made of. hoop_m: one rod. ridge_m: the line along the top. sheet_m: width and length
    of what lies over it, so many sheets. stakes: of what stands. leaves_m3: as they lie.
    """

    hoops: int
    apart_m: float
    hoop_m: float
    ridge_m: float
    sheet_m: tuple[float, float]
    sheets: int = 1
    stakes: int = 0
    leaves_m3: float = 0.0


@record
class WeeksGained:
    """Weeks that a cover gains before the last frost and after the first, each with its least and most.

    Null where frost comes in fewer than one year of ten.
    """

    spring: tuple[float, float, float] | None
    autumn: tuple[float, float, float] | None


def half_ellipse(width_m: float, height_m: float) -> float:
    """Length of a bow so wide and so high [m]: half of Ramanujan's (1914) perimeter of an ellipse."""
    a, b = width_m / 2, height_m
    return math.pi * (3 * (a + b) - math.sqrt((3 * a + b) * (a + 3 * b))) / 2


def cover_parts(length_m: float, width_m: float, height_m: float, apart_m: float | None) -> CoverParts:
    """What covers a bed by its outside measures [m]. height_m: of the bow over the rim. apart_m: from hoop to hoop."""
    spans = math.ceil(length_m / min(apart_m or MOST_HOOPS_APART_M, MOST_HOOPS_APART_M) - 1e-9)
    bow_m = half_ellipse(width_m, height_m)
    sheet_m = bow_m + 2 * HELD_DOWN_M, length_m + 2 * (height_m + HELD_DOWN_M)
    return CoverParts(spans + 1, length_m / spans, bow_m + 2 * INTO_THE_GROUND_M, length_m, sheet_m)


def flat_parts(length_m: float, width_m: float) -> CoverParts:
    """A mesh flat on a bed of outside measures [m], held down all round."""
    return CoverParts(0, 0.0, 0.0, 0.0, (width_m + 2 * HELD_DOWN_M, length_m + 2 * HELD_DOWN_M))


def standing_parts(round_m: float, height_m: float, buried_m: float, apart_m: float | None) -> CoverParts:
    """A mesh that stands round a bed. round_m: length round it; buried_m: of its foot [m]. apart_m: stake to stake."""
    stakes = max(math.ceil(round_m / min(apart_m or STAKES_APART_M, STAKES_APART_M) - 1e-9), 4)
    return CoverParts(0, round_m / stakes, 0.0, 0.0, (height_m + buried_m, round_m + HELD_DOWN_M), stakes=stakes)


def leaves_parts(area_m2: float, thick_m: float) -> CoverParts:
    """A winter blanket of leaves over so much bed [m2], so thick [m]."""
    return CoverParts(0, 0.0, 0.0, 0.0, (0.0, 0.0), sheets=0, leaves_m3=area_m2 * thick_m)


def arch_sheet(gap_m: float, height_m: float, along_m: float) -> tuple[float, float]:
    """Mesh of an arch over the path between two beds [m, m]: its bow with both feet, and how far it runs along them."""
    return half_ellipse(gap_m + 2 * INTO_THE_GROUND_M, height_m) + 2 * INTO_THE_GROUND_M, along_m


def usual_nights(normals: Sequence[MonthNormals]) -> Values:
    """Mean lowest temperature of each day of the year [degrees C], from month to month in a line."""
    return _by_day([each.tmin_c for each in normals])


def _by_day(months: Sequence[float]) -> Values:
    ends = np.cumsum(MONTH_DAYS)
    middles = ends - np.array(MONTH_DAYS) / 2
    by_day: Values = np.interp(np.arange(DAYS) + 0.5, middles, months, period=DAYS)
    return by_day


@lru_cache(maxsize=64)
def safe_from_and_until(nights_c: tuple[float, ...], warmer_c: float = 0.0) -> tuple[int | None, int | None]:
    """The day after which frost comes in one spring of ten, and the day until which it comes in one autumn of ten.

    Counted from the coldest day on, all later days of a spring together. None where frost never comes so often, or
    never so seldom. nights_c: usual lowest temperatures of the days of a year. warmer_c: by a cover [degrees C].
    """
    nights = np.array(nights_c) + warmer_c
    turned = np.roll(nights, -int(np.argmin(nights)))
    warmest = int(np.argmax(turned))
    spring = frost_to_come(turned[: warmest + 1])
    autumn = frost_to_come(turned[warmest:][::-1])[::-1]
    if spring[0] <= RISK and autumn[-1] <= RISK:
        return None, None
    if spring[-1] > RISK or autumn[0] > RISK:
        return None, None
    opens = int(np.argmax(spring <= RISK))
    closes = warmest + len(autumn) - 1 - int(np.argmax(autumn[::-1] <= RISK))
    return opens, closes


def frost_to_come(nights_c: Values) -> Values:
    """Chance that any night from each day to the last goes under 0 degrees C [0-1].

    nights_c: usual lowest temperatures of days in a row [degrees C]. Nights are normal round them and keep some of the
    night before (first-order autoregression); the chance of no frost is carried back from the last night to the first,
    over temperatures in steps.
    """
    steps = np.arange(-STEPS_SDS, STEPS_SDS + STEP_SDS / 2, STEP_SDS)
    own = np.exp(-(steps**2) / 2)
    own /= own.sum()
    moves = np.exp(-((steps[np.newaxis] - NIGHT_KEEPS * steps[:, np.newaxis]) ** 2) / 2 / (1 - NIGHT_KEEPS**2))
    moves /= moves.sum(axis=1, keepdims=True)
    free = np.ones(len(steps))
    found = np.empty(len(nights_c))
    for day in range(len(nights_c) - 1, -1, -1):
        # a step that reaches over zero counts by its part above it
        above = np.clip((steps * TMIN_SPREAD_C + nights_c[day]) / (STEP_SDS * TMIN_SPREAD_C) + 0.5, 0.0, 1.0)
        free = above * (free if day == len(nights_c) - 1 else moves @ free)
        found[day] = 1 - float(own @ free)
    return found


def weeks_gained(normals: Sequence[MonthNormals], kind: CoverKind) -> WeeksGained:
    """How many weeks earlier and later plants are safe under a cover. normals: of January to December."""
    nights_c = tuple(usual_nights(normals).tolist())
    bare = safe_from_and_until(nights_c)
    if bare[0] is None or bare[1] is None:
        return WeeksGained(None, None)
    springs, autumns = [], []
    for warmer_c in WARMER_C[kind]:
        opens, closes = safe_from_and_until(nights_c, warmer_c)
        # where no frost comes any more the whole year is safe
        springs.append((bare[0] - (opens or 0)) / DAYS_A_WEEK)
        autumns.append(((DAYS - 1 if closes is None else closes) - bare[1]) / DAYS_A_WEEK)
    return WeeksGained((springs[0], springs[1], springs[2]), (autumns[0], autumns[1], autumns[2]))


def vent_days(normals: Sequence[MonthNormals]) -> list[float]:
    """Days of each month on which a cover of film has to be opened: dry ones warmer than 15 degrees C outside."""
    from scipy.special import ndtr  # noqa: PLC0415 -- slow to import, and seldom needed

    return [
        days * (1 - min(each.rain_days / days, 1.0)) * float(ndtr((each.tmax_c - VENT_C) / TMIN_SPREAD_C))
        for each, days in zip(normals, MONTH_DAYS, strict=True)
    ]
