"""A tub in the rain: on how many days its roots stand in water."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from nolbet_core.climate.weather import DAYS, Weather

Values = NDArray[np.float64]
MM = 1e-3

BRIM_M = 0.02
"""Water that stands on the soil before it runs over the rim [m]."""


def drowned_days(
    weather: Weather, free_m3: float, area_m2: float, demand: Values, drains: float, season: NDArray[np.bool_]
) -> Values:
    """Days of the season on which a tub's air pores are full, by year.

    weather: of many years. free_m3: air pores of its soil once drained [m3]. area_m2: that rain falls on [m2]. demand:
    share of the reference evapotranspiration that is taken, by day (365). drains: share of what stands over the drained
    soil that is gone by the next day [0-1], nothing where its holes are blocked. season: days that count (365).
    """
    over = np.zeros(weather.years)
    drowned = np.zeros(weather.years)
    brim_m3 = free_m3 + BRIM_M * area_m2
    for day in range(DAYS):
        net_mm = weather.rain_mm[:, day] - demand[day] * weather.et0_mm[:, day]
        over = np.clip(over * (1 - drains) + net_mm * MM * area_m2, 0.0, brim_m3)
        if season[day]:
            drowned += over >= free_m3 - 1e-9
    return drowned
