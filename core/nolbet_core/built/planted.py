"""How a bed is planted, as the water's balance takes it."""

from __future__ import annotations

from datetime import date, timedelta

import numpy as np
from numpy.typing import NDArray

from nolbet_core.built.growing import Grown, ends_of
from nolbet_core.built.suits import Suited
from nolbet_core.built.water import is_mulched
from nolbet_core.built.worked import WorkedBed
from nolbet_core.climate.weather import DAYS
from nolbet_core.climate.year import COMMON_YEAR, Year
from nolbet_core.plan.bed import Watering
from nolbet_core.planting.crops import Crop
from nolbet_core.planting.windows import sowing_window
from nolbet_core.record import record
from nolbet_core.reservoir.balance import PlantedArea
from nolbet_core.reservoir.season import LeavesByDay, Planted, day_of_year, demand_by_day, demand_in_leaf

MM = 1e-3

BARE = 1.0
"""Share of the bare soil's evaporation that gets through where no mulch lies."""
USUAL = Watering()
BARE_AT_FIRST = 0.1
"""Share of its ground that a crop covers once it is up (FAO-56, annex 8: the first stage ends there)."""

Values = NDArray[np.float64]


@record
class _Stands:
    """A crop with its days. ends: None of one that stays for years."""

    grown: Grown
    begins: date
    ends: date | None


def planted_of(worked: WorkedBed) -> Planted:
    """How a bed is planted through the year: by its own crops with their days where it has any, else as is usual.

    A crop factor or leaf cover that the gardener gave goes before what the crops have in full leaf.
    """
    watering, year = worked.bed.watering, worked.year
    mulch = watering.mulch if is_mulched(worked.filled.layers) else BARE
    starts, ends = day_of_year(year.last_frost), day_of_year(year.first_frost)
    standing = [span for each in worked.suits if each.grown.placed.count and (span := _stands(each, year)) is not None]
    if not standing:
        return Planted(watering.crop_factor, watering.canopy, mulch, starts, ends)
    factor, cover = _through_the_year(standing, worked.growing.outline.area)
    if cover.max() <= 0:
        return Planted(watering.crop_factor, watering.canopy, mulch, starts, ends)
    own_factor = factor.max() if watering.crop_factor == USUAL.crop_factor else watering.crop_factor
    own_cover = cover.max() if watering.canopy == USUAL.canopy else watering.canopy
    grown = np.flatnonzero(cover > 0)
    by_day = LeavesByDay(tuple((factor / factor.max()).tolist()), tuple((cover / cover.max()).tolist()))
    return Planted(float(own_factor), float(own_cover), mulch, int(grown[0]), int(grown[-1]), by_day)


def _stands(suited: Suited, year: Year) -> _Stands | None:
    """From when until when a crop stands; where no day is known at all, by the frosts of a usual year."""
    asked, crop, begins = suited.grown.asked, suited.grown.crop, suited.begins
    if begins is None:
        window = sowing_window(crop, date(COMMON_YEAR, 1, 1), year)
        begins = window.opens if window else None
    if begins is None:
        return None
    return _Stands(suited.grown, begins, suited.ends or ends_of(asked, crop, begins, year))


def _through_the_year(standing: list[_Stands], area_m2: float) -> tuple[Values, Values]:
    """Crop factor, weighted by leaves, and leaf cover of a bed on each day of the year. area_m2: of the bed [m2]."""
    leaves, cover = np.zeros(DAYS), np.zeros(DAYS)
    for each in standing:
        share = min(each.grown.area_m2 / area_m2, 1.0) if area_m2 > 0 else 0.0
        own_factor, own_cover = _of_crop(each)
        leaves += share * own_factor * own_cover
        cover += share * own_cover
    factor = np.divide(leaves, cover, out=np.zeros(DAYS), where=cover > 0)
    return factor, np.minimum(cover, 1.5)


def _of_crop(stands: _Stands) -> tuple[Values, Values]:
    """A crop's factor and the share of its ground that it covers, by day of the year (FAO-56, figure 34)."""
    crop, begins = stands.grown.crop, stands.begins
    factor, cover = np.zeros(DAYS), np.zeros(DAYS)
    stays = "perennial" in crop.traits
    last = stands.ends or begins + timedelta(days=DAYS)
    span = min((last - begins).days, DAYS)
    first = (begins - date(begins.year, 1, 1)).days
    for since in range(span):
        day = (first + since) % DAYS
        factor[day] = crop.kc_after(min(since, sum(crop.stage_days))) if not stays else _of_years(crop, since)
        cover[day] = _cover_after(crop, since)
    return factor, cover


def _of_years(crop: Crop, since: int) -> float:
    """Factor of one that stays: by its stages in its season, as in its first in the rest of the year."""
    return crop.kc_after(since) or crop.value("kc_initial")


def _cover_after(crop: Crop, since: int) -> float:
    """Share of its ground that a crop covers so many days on: a tenth once it is up, all in full leaf."""
    first, second, third, fourth = crop.stage_days
    if since <= first:
        return BARE_AT_FIRST * since / first if first else BARE_AT_FIRST
    if since <= first + second:
        return BARE_AT_FIRST + (1 - BARE_AT_FIRST) * (since - first) / second
    if since <= first + second + third + fourth:
        return 1.0
    return 1.0 if "perennial" not in crop.traits else 0.5


def hot_day_thirst(worked: WorkedBed) -> float:
    """What a bed's plants ask on a hot day in full leaf [m3]."""
    return worked.around.hot_day_mm * MM * worked.vessel.top_area_m2 * demand_in_leaf(planted_of(worked))


def plot_of(worked: WorkedBed, planted: Planted) -> PlantedArea:
    """What the balance needs of a bed."""
    soil_m3 = worked.water.available_m3 if worked.water else 0.0
    catchment = worked.bed.reservoir.catchment_m2 if worked.bed.reservoir else 0.0
    return PlantedArea(soil_m3, worked.vessel.top_area_m2, catchment, demand_by_day(planted))
