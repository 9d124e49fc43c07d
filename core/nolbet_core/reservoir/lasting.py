"""How many days a full reservoir lasts without rain, by month."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from nolbet_core.climate.weather import DAYS, MONTH_DAYS, Weather
from nolbet_core.reservoir.balance import MM, SHORT_SHARE, PlantedArea
from nolbet_core.reservoir.store import Store
from nolbet_core.reservoir.wicking import Wicking

Values = NDArray[np.float64]

LONGEST_DAYS = 150
"""Nobody waits longer for rain; what lasts so long is told as that."""


def dry_spell_days(store: Store, wicking: Wicking, plot: PlantedArea, weather: Weather) -> Values:
    """Days until plants go short, from everything full on the first of each month, without rain: years x 12."""
    starts = np.concatenate([[0], np.cumsum(MONTH_DAYS)[:-1]])
    wanted = weather.et0_mm * MM * plot.area_m2 * plot.demand
    years = weather.years
    water = np.full((years, 12), store.held_m3)
    soil = np.full((years, 12), plot.soil_m3)
    lasted = np.full((years, 12), float(LONGEST_DAYS))
    lifts = wicking.most_m3_day * wicking.reach(store.height_m - store.heights)
    for day in range(LONGEST_DAYS):
        asks = wanted[:, (starts + day) % DAYS]
        lifted = np.minimum(np.minimum(np.interp(water, store.waters, lifts), water), plot.soil_m3 - soil + asks)
        water, soil = water - lifted, soil + lifted
        taken = np.minimum(asks, soil)
        soil = soil - taken
        short = (taken < SHORT_SHARE * asks - 1e-12) & (lasted == LONGEST_DAYS)
        lasted = np.where(short, float(day), lasted)
        water = water - np.minimum(plot.leak_m3_day, water)
    return lasted
