"""What plants ask of the water through the year: crop factor by stage, leaf cover, mulch."""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from nolbet_core.climate.weather import DAYS, MONTH_DAYS

Values = NDArray[np.float64]

BARE_SOIL = 0.6
"""Evaporation of bare wet soil over the reference (estimate, 0.3 to 1.0)."""

YOUNG_FACTOR = 0.5
"""Crop factor of young plants over that in full leaf (after the stages of FAO-56 table 12)."""

GROWING_DAYS = 50
"""Days from sowing to full leaf, and the last days over which leaves fall (estimate)."""

LEAST_LEAVES = 0.3
"""Share of what a bed takes that has to go through leaves for readings to tell their crop factor."""


@dataclass(frozen=True, slots=True)
class LeavesByDay:
    """Shares of a bed's crop factor and of its leaf cover in full leaf, on each of the 365 days [0-1]."""

    factor: tuple[float, ...]
    canopy: tuple[float, ...]


@dataclass(frozen=True, slots=True)
class Planted:
    """How a bed is planted. crop_factor: in full leaf over the reference. canopy: ground covered in full leaf, over 1
    where leaves hang over. mulch: share of the bare soil's evaporation that gets through [0-1]. starts, ends: days of
    the year of its season, 0 to 364; a season over the year's end is one of the south. by_day: shares of both that its
    own crops have on each day, where they are known; else leaves grow and fall evenly.
    """

    crop_factor: float
    canopy: float
    mulch: float
    starts: int
    ends: int
    by_day: LeavesByDay | None = None


def day_of_year(month_day: tuple[int, int]) -> int:
    """Day of a year without a leap day, 0 to 364."""
    month, day = month_day
    return min(sum(MONTH_DAYS[: month - 1]) + day - 1, DAYS - 1)


def season_days(planted: Planted) -> NDArray[np.bool_]:
    """Whether each day of the year lies in the season."""
    days = np.arange(DAYS)
    if planted.starts <= planted.ends:
        inside: NDArray[np.bool_] = (days >= planted.starts) & (days <= planted.ends)
        return inside
    return (days >= planted.starts) | (days <= planted.ends)


def demand_in_leaf(planted: Planted) -> float:
    """What a bed in full leaf takes, as a share of the reference evapotranspiration."""
    return planted.crop_factor * planted.canopy + BARE_SOIL * planted.mulch * max(1 - planted.canopy, 0.0)


def demand_by_day(planted: Planted) -> Values:
    """What the bed takes, as a share of the reference evapotranspiration, by day of the year.

    Leaves grow from nothing to their cover and fall again; what they don't cover evaporates through the mulch.
    """
    if planted.by_day is not None:
        cover = planted.canopy * np.asarray(planted.by_day.canopy)
        leaves: Values = planted.crop_factor * np.asarray(planted.by_day.factor) * cover
        return leaves + BARE_SOIL * planted.mulch * np.maximum(1 - cover, 0.0)
    since = (np.arange(DAYS) - planted.starts) % DAYS
    length = (planted.ends - planted.starts) % DAYS
    grown = np.clip(np.minimum(since, length - since) / GROWING_DAYS, 0.0, 1.0)
    grown = np.where(season_days(planted), grown, 0.0)
    canopy = planted.canopy * grown
    factor = planted.crop_factor * (YOUNG_FACTOR + (1 - YOUNG_FACTOR) * grown)
    demand: Values = factor * canopy + BARE_SOIL * planted.mulch * np.maximum(1 - canopy, 0.0)
    return demand


def crop_factor_for(planted: Planted, thirst: float, days: NDArray[np.int64], et0_mm: Values) -> float | None:
    """The crop factor with which plants ask some times of what they ask now; None where leaves take too
    little to tell.

    thirst: how many times. days: of the year, 0 to 364, on which that was seen; et0_mm: reference evapotranspiration of
    each [mm]. Bare soil evaporates as before, so that leaves alone take more or less.
    """
    bare = float((et0_mm * demand_by_day(replace(planted, crop_factor=0.0))[days]).sum())
    whole = float((et0_mm * demand_by_day(planted)[days]).sum())
    leaves = whole - bare
    if leaves <= LEAST_LEAVES * whole:
        return None
    return planted.crop_factor * (thirst * whole - bare) / leaves
