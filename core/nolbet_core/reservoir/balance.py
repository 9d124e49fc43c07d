"""The daily balance of a bed on a reservoir, for many years at once, and of its twin watered from the top."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from nolbet_core.climate.weather import DAYS, Weather
from nolbet_core.reservoir.store import Store
from nolbet_core.reservoir.wicking import Wicking

Values = NDArray[np.float64]
MM = 1e-3

CALENDAR: NDArray[np.int64] = np.arange(DAYS)
CALENDAR.flags.writeable = False
"""Days of the year as they stand in it."""

EASY_SHARE = 0.5
"""Share of the available water that plants take without stress (FAO-56, p in eq. 82 to 84)."""

SHORT_SHARE = 0.9
"""A day on which plants get less than this of what they ask is a short one."""

TOP_EFFICIENCY = 0.70
"""Share of water given from the top that stays in the root zone."""

TOP_REFILL_SHARE = 0.5
"""The twin is watered when so much of its available water is left."""


@dataclass(frozen=True, slots=True)
class Refills:
    """When the reservoir is filled up: when it falls under a share of what it holds, or on rounds of so many days.

    days: on which rounds are made or thresholds looked at; 365 of them.
    """

    threshold: float | None
    every_days: int | None
    days: NDArray[np.bool_]


@dataclass(frozen=True, slots=True)
class PlantedArea:
    """What the balance needs of a bed.

    soil_m3: water that plants can take from its soil, full [m3]. area_m2: that rain falls on and plants drink from
    [m2]. catchment_m2: roof or ground whose rain is led into the reservoir [m2]. demand: share of the reference
    evapotranspiration that they take, by day (365). leak_m3_day: lost through the liner [m3/day].
    """

    soil_m3: float
    area_m2: float
    catchment_m2: float
    demand: Values
    leak_m3_day: float = 0.0


@dataclass(frozen=True, slots=True)
class Run:
    """A balance: years x days, volumes in m3 at the end of or over each day; soil_m3 and water_m3: what is left.
    began_m3: water that a year began with, in the reservoir and in the soil together.
    """

    water_m3: Values
    soil_m3: Values
    taken_m3: Values
    wanted_m3: Values
    refill_m3: Values
    overflow_m3: Values
    leak_m3: Values
    rain_m3: Values
    began_m3: Values

    @property
    def short(self) -> NDArray[np.bool_]:
        """Days on which plants went short."""
        result: NDArray[np.bool_] = self.taken_m3 < SHORT_SHARE * self.wanted_m3 - 1e-12
        return result


def run_balance(
    store: Store,
    wicking: Wicking,
    plot: PlantedArea,
    weather: Weather,
    refills: Refills,
    order: NDArray[np.int64] = CALENDAR,
) -> Run:
    """Run the balance over all years of the weather at once.

    order: days of the year in the order in which they are run. The first time everything begins full; then each year
    begins as the one before it ended.

    A day: rain soaks the soil, what is over runs down into the reservoir, with the catchment's, and what is over there
    runs off; wicks lift what the soil has room for and plants take; plants take, less of it once the easy half is gone;
    the liner leaks; it is filled up.
    """
    full = np.full(weather.years, store.held_m3), np.full(weather.years, plot.soil_m3)
    run = _run_from(*full, store, wicking, plot, weather, refills, order)
    last = int(order[-1])
    ended = np.roll(run.water_m3[:, last], 1), np.roll(run.soil_m3[:, last], 1)
    return _run_from(*ended, store, wicking, plot, weather, refills, order)


def _run_from(
    water: Values,
    soil: Values,
    store: Store,
    wicking: Wicking,
    plot: PlantedArea,
    weather: Weather,
    refills: Refills,
    order: NDArray[np.int64],
) -> Run:
    """The balance from what there is of water and in the soil at the beginning of each year [m3]."""
    years, days = weather.rain_mm.shape
    # days first, so that each day's years lie side by side
    rain = np.ascontiguousarray(weather.rain_mm.T) * MM
    rain_on_bed, rain_led_in = rain * plot.area_m2, rain * plot.catchment_m2
    wanted = np.ascontiguousarray(weather.et0_mm.T) * (MM * plot.area_m2 * plot.demand[:, np.newaxis])
    held, began = store.held_m3, water + soil
    out = {name: np.empty((days, years)) for name in ("water", "soil", "taken", "refill", "over", "leak")}
    lift = _lift_table(store, wicking)
    for day in order.tolist():
        soil = soil + rain_on_bed[day]
        down = np.maximum(soil - plot.soil_m3, 0.0)
        soil = soil - down
        water = water + down + rain_led_in[day]
        over = np.maximum(water - held, 0.0)
        water = water - over
        lifted = np.minimum(np.minimum(lift(water), water), plot.soil_m3 - soil + wanted[day])
        water, soil = water - lifted, soil + lifted
        taken = taken_from(soil, plot.soil_m3, wanted[day])
        soil = soil - taken
        leak = np.minimum(plot.leak_m3_day, water)
        water = water - leak
        refill = _refilled(refills, day, water, held)
        water = water + refill
        for name, value in (
            ("water", water), ("soil", soil), ("taken", taken), ("refill", refill), ("over", over), ("leak", leak),
        ):  # fmt: skip
            out[name][day] = value
    return Run(
        out["water"].T, out["soil"].T, out["taken"].T, wanted.T, out["refill"].T, out["over"].T, out["leak"].T,
        (rain_on_bed + rain_led_in).T, began,
    )  # fmt: skip


def taken_from(soil_m3: Values, full_m3: float | Values, wanted_m3: Values) -> Values:
    """What plants take of what they want [m3]: all of it while the easy half is there, then less as it dries out.

    soil_m3, full_m3: available water that is left, and full [m3]. Source: FAO-56 eq. 84.
    """
    hard = np.maximum((1 - EASY_SHARE) * np.asarray(full_m3, dtype=float), 1e-12)
    eased = np.clip(soil_m3 / hard, 0.0, 1.0)
    taken: Values = np.minimum(wanted_m3 * eased, soil_m3)
    return taken


def _lift_table(store: Store, wicking: Wicking) -> Callable[[Values], Values]:
    """The most that wicks lift in a day by how much water there is [m3 to m3], from the store's own table."""
    lifts = wicking.lifted(store.height_m - store.heights)
    waters = store.waters

    def lift(water_m3: Values) -> Values:
        return np.interp(water_m3, waters, lifts)

    return lift


def _refilled(refills: Refills, day: int, water: Values, held: float) -> Values:
    if not refills.days[day]:
        return np.zeros_like(water)
    if refills.every_days is not None:
        return held - water if day % refills.every_days == 0 else np.zeros_like(water)
    least = (refills.threshold or 0.0) * held
    filled: Values = np.where(water < least, held - water, 0.0)
    return filled


@dataclass(frozen=True, slots=True)
class Twin:
    """The same bed watered from the top: what it is given and what its plants take [m3], years x days."""

    given_m3: Values
    taken_m3: Values


def run_twin(plot: PlantedArea, weather: Weather, days: NDArray[np.bool_], order: NDArray[np.int64] = CALENDAR) -> Twin:
    """The same bed watered from the top: to full whenever half its available water is left.

    days: on which it is watered at all (365). order: days of the year as they are run.
    """
    years, count = weather.rain_mm.shape
    rain = weather.rain_mm * MM * plot.area_m2
    wanted = weather.et0_mm * MM * plot.area_m2 * plot.demand
    soil = np.full(years, plot.soil_m3)
    given, took = np.zeros((years, count)), np.zeros((years, count))
    for day in order.tolist():
        soil = np.minimum(soil + rain[:, day], plot.soil_m3)
        took[:, day] = taken_from(soil, plot.soil_m3, wanted[:, day])
        soil = soil - took[:, day]
        if days[day]:
            dry = soil < TOP_REFILL_SHARE * plot.soil_m3
            given[:, day] = np.where(dry, (plot.soil_m3 - soil) / TOP_EFFICIENCY, 0.0)
            soil = np.where(dry, plot.soil_m3, soil)
    return Twin(given, took)
