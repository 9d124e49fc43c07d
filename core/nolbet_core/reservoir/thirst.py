"""A bed's thirst by month: what its plants take, what rain leaves to be given, and how long its soil lasts."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from nolbet_core.climate.weather import MONTH_DAYS, MONTH_OF_DAY
from nolbet_core.record import record
from nolbet_core.reservoir.balance import EASY_SHARE
from nolbet_core.reservoir.season import Planted, demand_by_day

WEEK_DAYS = 7
LITRES = 1000.0
MM = 1e-3

LEAST_MM_DAY = 0.05
"""Below this a bed takes so little that no day of watering follows from it [mm/day]."""

HEAVY_MM = 75.0
"""Rain of a month above which more of it runs through [mm]."""


@record
class MonthThirst:
    """A month's thirst. asked_l_week: what plants and soil take; given_l_week: what is left to be given once the rain
    that stays is counted [L/week]. between_days: dry days that the soil's easy water lasts, None where little is taken.
    """

    asked_l_week: float
    given_l_week: float
    between_days: float | None


def staying_rain(rain_mm: float) -> float:
    """Rain of a month that plants get of it [mm] (Brouwer and Heibloem 1986, FAO Training Manual 3).

    0.8 P - 25 above 75 mm, 0.6 P - 10 below, never less than nothing.
    """
    return max(0.8 * rain_mm - 25 if rain_mm > HEAVY_MM else 0.6 * rain_mm - 10, 0.0)


def easy_water(available: float, easy_share: float = EASY_SHARE) -> float:
    """Water that plants take from a soil without stress, in the unit of what is available (FAO-56 eq. 83).

    available: all that they can take from the root zone (eq. 82) [m3, or mm]. easy_share: p, 0.5 unless the crop's is
    known [0-1].
    """
    return easy_share * available


def thirst_by_month(
    planted: Planted, et0_mm: Sequence[float], rain_mm: Sequence[float], area_m2: float, available_m3: float
) -> tuple[MonthThirst, ...]:
    """The thirst of a bed in each month.

    planted: through the year. et0_mm: reference evapotranspiration of a usual day of each month [mm]. rain_mm: of each
    month [mm]. area_m2: that plants grow on [m2]. available_m3: water that they can take from the root zone, full [m3].
    Crop evapotranspiration is the demand's mean over the month times the reference (FAO-56 eq. 58).
    """
    demand = np.bincount(MONTH_OF_DAY, demand_by_day(planted)) / MONTH_DAYS
    thirst = []
    for month, days in enumerate(MONTH_DAYS):
        asked_mm = float(demand[month]) * et0_mm[month]
        short_mm = max(asked_mm - staying_rain(rain_mm[month]) / days, 0.0)
        lasts = easy_water(available_m3) / (asked_mm * MM * area_m2) if asked_mm > LEAST_MM_DAY else None
        week_l = MM * area_m2 * WEEK_DAYS * LITRES
        thirst.append(MonthThirst(asked_mm * week_l, short_mm * week_l, lasts))
    return tuple(thirst)
