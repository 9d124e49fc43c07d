"""The daily balance: 200 years against one in the same code, and against the same in a plain loop."""

from __future__ import annotations

import json
import time
from importlib.resources import files
from itertools import product

import numpy as np

from bench.measure import Measure, compare
from nolbet_core.built.plan_file import read_plan
from nolbet_core.climate.weather import DAYS, Weather, drawn_weather, usual_normals
from nolbet_core.figure.water import figure_water
from nolbet_core.reservoir.balance import EASY_SHARE, MM, PlantedArea, Refills, run_balance
from nolbet_core.reservoir.season import Planted, demand_by_day, season_days
from nolbet_core.reservoir.store import Store
from nolbet_core.reservoir.wicking import Lift, Wicking
from nolbet_core.shapes.angular import Rectangle
from nolbet_core.shapes.vessel import straight_vessel

YEARS = 200
MANY_LIMIT = 3.0
PLAIN_LIMIT = 1 / 3
EQUAL = 1e-9
PUSHES = 5
SLIDER_MS = 1000.0
THRESHOLD = 0.25
LIFT_M3, RISE_M = 0.034, 0.25


def measure_water() -> list[Measure]:
    """Two ratios, and that both ways come to the same."""
    hollow = straight_vessel(Rectangle(2.4, 1.2), 0.6, "inside", 0.0).hollow
    store = Store(hollow, 0.2, 0.18, 0.38)
    planted = Planted(1.05, 0.8, 0.5, 131, 275)
    plot = PlantedArea(0.15, 2.88, 0.0, demand_by_day(planted))
    refills = Refills(THRESHOLD, None, season_days(planted))
    wicking = Wicking((Lift("fabric", LIFT_M3, RISE_M),))
    many = drawn_weather(usual_normals(9.5, 44.1), 44.1, YEARS)
    one = Weather(many.tmin_c[:1], many.tmax_c[:1], many.rain_mm[:1], many.et0_mm[:1])
    fast = run_balance(store, wicking, plot, many, refills).water_m3
    worst = float(np.abs(fast - _plain(store, plot, many, refills)).max())
    if worst > EQUAL:
        raise ArithmeticError(f"the two ways differ by {worst:g} m3")
    return [
        _slider(),
        compare(
            "water_200_years_to_one",
            MANY_LIMIT,
            lambda: run_balance(store, wicking, plot, many, refills),
            lambda: run_balance(store, wicking, plot, one, refills),
            rounds=9,
        ),
        compare(
            "water_200_years_to_plain_loop",
            PLAIN_LIMIT,
            lambda: run_balance(store, wicking, plot, many, refills),
            lambda: _plain(store, plot, many, refills),
            rounds=3,
        ),
    ]


def _slider() -> Measure:
    """How long one push of a slider takes to answer, for information: a hundred years of the demo's tank."""
    document = json.loads(files("nolbet.demo").joinpath("brackwater.nolbet.json").read_text(encoding="utf-8"))
    built = read_plan(document)
    plan, supplies = built.plan, built.supplies
    tank = next(bed for bed in plan.beds if bed.reservoir)
    figure_water(tank, plan.garden, supplies)
    start = time.perf_counter()
    for _ in range(PUSHES):
        figure_water(tank, plan.garden, supplies)
    spent_ms = (time.perf_counter() - start) / PUSHES * 1000
    return Measure(
        "water_slider_ms", spent_ms, SLIDER_MS, f"{spent_ms:.0f} ms an answer over 100 years, for information"
    )


def _plain(store: Store, plot: PlantedArea, weather: Weather, refills: Refills) -> np.ndarray:
    """The same balance in plain arithmetic, a year and a day at a time."""
    held, waters, lifts = store.held_m3, store.waters.tolist(), _lifts(store)
    rains, asks = (weather.rain_mm * MM).tolist(), (weather.et0_mm * MM * plot.area_m2 * plot.demand).tolist()
    days = refills.days.tolist()
    water_at = np.empty((weather.years, DAYS))
    step = waters[1] - waters[0]
    ends_before = [(held, plot.soil_m3)] * weather.years
    ends = list(ends_before)
    for _, year in product(range(2), range(weather.years)):
        water, soil = ends_before[year - 1]
        for day in range(DAYS):
            rain, wanted = rains[year][day], asks[year][day]
            soil += rain * plot.area_m2
            down = max(soil - plot.soil_m3, 0.0)
            soil -= down
            water = min(water + down + rain * plot.catchment_m2, held)
            at = min(int(water / step), len(lifts) - 2)
            most = lifts[at] + (lifts[at + 1] - lifts[at]) * (water - waters[at]) / step
            lifted = min(most, water, plot.soil_m3 - soil + wanted)
            water -= lifted
            soil += lifted
            soil -= min(wanted * min(soil / (EASY_SHARE * plot.soil_m3), 1.0), soil)
            if days[day] and water < THRESHOLD * held:
                water = held
            water_at[year, day] = water
        ends[year] = (water, soil)
        if year == weather.years - 1:
            ends_before = list(ends)
    return water_at


def _lifts(store: Store) -> list[float]:
    lifts: list[float] = (LIFT_M3 * np.clip(1 - (store.height_m - store.heights) / RISE_M, 0.0, 1.0)).tolist()
    return lifts
