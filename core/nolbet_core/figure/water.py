"""A reservoir's year in figures: levels, refills, what is saved, how long it lasts."""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from nolbet_core.built.planted import hot_day_thirst, planted_of, plot_of
from nolbet_core.built.supplies import Supplies
from nolbet_core.built.surroundings import latitude_of, surroundings_of
from nolbet_core.built.water import BedWater
from nolbet_core.built.worked import WorkedBed, work_bed
from nolbet_core.climate.daily_file import WeatherDay, weather_of_days
from nolbet_core.climate.weather import MonthNormals, Weather, days_in_order, drawn_weather, usual_normals
from nolbet_core.figure.water_figures import (
    RefillDay,
    Usual,
    WaterFigures,
    Weathered,
)
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.garden import Garden
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.reservoir.balance import Refills, Run, Twin, run_balance, run_twin
from nolbet_core.reservoir.lasting import LONGEST_DAYS, Unknown, drawn_unknowns, dry_spell_days, most_telling
from nolbet_core.reservoir.season import season_days

YEARS = 100
"""Years of weather that a forecast runs over."""

LOW, MIDDLE, HIGH = 10, 50, 90

NARROW: dict[Unknown, str] = {
    "available": "Weigh a full pot of your soil once drained and again when its plants wilt: that narrows it most.",
    "rise": "Stand a tube of your soil in water and see after a day how high it is wet: that narrows it most.",
    "crop_factor": "Log a dip a week: how thirsty your plants are narrows it most.",
}
"""What to do about each thing that isn't well known."""

Values = NDArray[np.float64]


def figure_water(bed: Bed, garden: Garden, supplies: Supplies, days: Sequence[WeatherDay] = ()) -> WaterFigures:
    """A reservoir's year. days: the gardener's own daily weather, used where it holds a whole year.

    Raises PlanProblem where the bed has no reservoir.
    """
    worked, water = watered_bed(bed, garden, supplies)
    store = water.store
    weather, source = weather_for(garden, days)
    planted = planted_of(worked)
    plot = plot_of(worked, planted)
    season = season_days(planted)
    watering = bed.watering
    refills = Refills(None if watering.every_days else watering.threshold, watering.every_days, season)
    order = days_in_order(latitude_of(garden))
    run = run_balance(store, water.wicking, plot, weather, refills, order)
    twin = run_twin(plot, weather, season, order)
    twin_used = twin.given_m3.sum(axis=1)
    used = run.refill_m3.sum(axis=1)
    levels = np.percentile(store.level_of(run.water_m3), (LOW, MIDDLE, HIGH), axis=0)
    typical = int(np.argsort(used)[len(used) // 2])
    unknowns = drawn_unknowns(weather.years)
    lasts = dry_spell_days(store, water.wicking, plot, weather, unknowns)
    return WaterFigures(
        water_m3=store.held_m3,
        overflow_m=store.overflow_m,
        low_m=levels[0].round(5).tolist(),
        middle_m=levels[1].round(5).tolist(),
        high_m=levels[2].round(5).tolist(),
        typical_m=store.level_of(run.water_m3[typical]).round(5).tolist(),
        refill_days=[
            RefillDay(int(day) + 1, float(run.refill_m3[typical, day]))
            for day in np.flatnonzero(run.refill_m3[typical] > 0)
        ],
        refills=_spread((run.refill_m3 > 0).sum(axis=1)),
        refill_m3=_spread(used),
        twin_m3=_spread(twin_used),
        saved_m3=_spread(saved_by(run, twin, run_twin(plot, weather, np.zeros_like(season), order))),
        short_days=_spread((run.short & season).sum(axis=1)),
        hot_day_m3=hot_day_thirst(worked),
        overflow_m3=_spread(run.overflow_m3.sum(axis=1)),
        lasts_days=[_spread(lasts[:, month]) for month in range(12)],
        longest_days=LONGEST_DAYS,
        narrow=NARROW[telling] if (telling := most_telling(lasts, unknowns)) else None,
        begins=int(order[0]) + 1,
        season=(planted.starts + 1, planted.ends + 1),
        years=weather.years,
        weather=source,
        climate_said=worked.around.climate_said if source != "daily" else None,
    )


def saved_by(run: Run, twin: Twin, rain_alone: Twin) -> Values:
    """Water saved against the same bed watered from the top, by year [m3]: what that would take to bring plants as far
    as they came here, less what this one was filled with. Water that plants never got is not saved.

    rain_alone: the same bed with nothing but rain.
    """
    rain = rain_alone.taken_m3.sum(axis=1)
    got, got_there = run.taken_m3.sum(axis=1) - rain, twin.taken_m3.sum(axis=1) - rain
    share = np.clip(got / np.maximum(got_there, 1e-12), 0.0, 1.0)
    saved: Values = twin.given_m3.sum(axis=1) * share - run.refill_m3.sum(axis=1)
    return saved


def _spread(values: Values) -> Usual:
    low, middle, high = np.percentile(values, (LOW, MIDDLE, HIGH))
    return Usual(float(low), float(middle), float(high))


def weather_for(garden: Garden, days: Sequence[WeatherDay]) -> tuple[Weather, Weathered]:
    """Weather of a garden: its own daily weather where that holds a whole year, else drawn from normals."""
    own = weather_of_days(days, latitude_of(garden)) if days else None
    if own is not None:
        return own, "daily"
    if garden.normals:
        normals = tuple(MonthNormals(**each.model_dump()) for each in garden.normals)
        return _drawn(normals, latitude_of(garden), garden.wettest_day_mm), "normals"
    mean_c = 12.0 if garden.mean_temp_c is None else garden.mean_temp_c
    usual = usual_normals(mean_c, latitude_of(garden))
    return _drawn(usual, latitude_of(garden), garden.wettest_day_mm), "usual"


@lru_cache(maxsize=32)
def _drawn(normals: tuple[MonthNormals, ...], latitude_deg: float | None, wettest_mm: float | None) -> Weather:
    return drawn_weather(normals, latitude_deg, YEARS, wettest_mm=wettest_mm)


def watered_bed(bed: Bed, garden: Garden, supplies: Supplies) -> tuple[WorkedBed, BedWater]:
    """A bed built and filled, and the water under it.

    Raises PlanProblem where it has no reservoir or doesn't hold together.
    """
    worked = work_bed(bed, surroundings_of(garden, crops=supplies.crops), supplies)
    if worked.water is None:
        raise PlanProblem("bed.reservoir", "the bed has no reservoir; give one a height first")
    return worked, worked.water
