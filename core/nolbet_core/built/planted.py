"""How a bed is planted, as the water's balance takes it."""

from __future__ import annotations

from nolbet_core.built.water import is_mulched
from nolbet_core.built.worked import WorkedBed
from nolbet_core.reservoir.season import Planted, day_of_year, demand_in_leaf

MM = 1e-3

BARE = 1.0
"""Share of the bare soil's evaporation that gets through where no mulch lies."""


def planted_of(worked: WorkedBed) -> Planted:
    """How a bed is planted through the year."""
    watering, year = worked.bed.watering, worked.year
    starts, ends = day_of_year(year.last_frost), day_of_year(year.first_frost)
    mulch = watering.mulch if is_mulched(worked.filled.layers) else BARE
    return Planted(watering.crop_factor, watering.canopy, mulch, starts, ends)


def hot_day_thirst(worked: WorkedBed) -> float:
    """What a bed's plants ask on a hot day in full leaf [m3]."""
    return worked.around.hot_day_mm * MM * worked.vessel.top_area_m2 * demand_in_leaf(planted_of(worked))
