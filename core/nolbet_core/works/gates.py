"""Weather that a step can't be done in: from the days that are known, else from the odds of the garden's months."""

from __future__ import annotations

import math
from calendar import monthrange
from collections.abc import Mapping, Sequence
from datetime import date, timedelta

from nolbet_core.climate.weather import TMIN_SPREAD_C, MonthNormals
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_temperature
from nolbet_core.record import record
from nolbet_core.works.step import Gate

COLDEST_POUR_C = 5.0
"""No concrete or mortar is laid where the day's mean is under that [degrees C]."""
ONE_IN_TEN = 0.1
SETS_NIGHTS = 2
"""Nights that concrete has to stay free of frost."""
WET_MM = 1.0
"""A day with so much rain is wet [mm]."""


@record
class DayWeather:
    """What is known or usual of a day. frost: chance of frost in the nights in which concrete sets [0-1].

    wet: chance of rain [0-1]. mean_c: its mean temperature. known: whether the day was measured or forecast.
    """

    frost: float
    wet: float
    mean_c: float
    known: bool

    @property
    def too_cold(self) -> bool:
        """Whether concrete and mortar have to wait."""
        return self.mean_c < COLDEST_POUR_C or self.frost > ONE_IN_TEN


@record
class KnownDay:
    """A day of the garden's weather: lowest and highest temperature [degrees C], rain [mm]."""

    tmin_c: float
    tmax_c: float
    rain_mm: float


def weather_on(day: date, months: Sequence[MonthNormals], known: Mapping[date, KnownDay]) -> DayWeather:
    """What is known or usual of a day. months: the garden's twelve. known: days that were measured or forecast."""
    nights = 1.0
    for night in range(SETS_NIGHTS):
        at = day + timedelta(days=night)
        seen = known.get(at)
        nights *= 1 - (float(seen.tmin_c < 0) if seen else frost_chance(at, months))
    seen = known.get(day)
    if seen is not None:
        return DayWeather(1 - nights, float(seen.rain_mm >= WET_MM), (seen.tmin_c + seen.tmax_c) / 2, known=True)
    low, high = _between(day, [each.tmin_c for each in months]), _between(day, [each.tmax_c for each in months])
    days = monthrange(day.year, day.month)[1]
    return DayWeather(1 - nights, min(months[day.month - 1].rain_days / days, 1.0), (low + high) / 2, known=False)


def frost_chance(day: date, months: Sequence[MonthNormals]) -> float:
    """Chance that the night of a day goes under 0 degrees C [0-1]: normal round the usual lowest temperature."""
    mean_c = _between(day, [each.tmin_c for each in months])
    return 0.5 * math.erfc(mean_c / TMIN_SPREAD_C / math.sqrt(2))


def _between(day: date, monthly: Sequence[float]) -> float:
    """A value between the middles of two months."""
    into = day.month - 1 + (day.day - 0.5) / monthrange(day.year, day.month)[1] - 0.5
    lower = math.floor(into)
    share = into - lower
    return (1 - share) * monthly[lower % 12] + share * monthly[(lower + 1) % 12]


def first_warm_day(day: date, months: Sequence[MonthNormals], known: Mapping[date, KnownDay]) -> date | None:
    """The first day on or after one on which concrete can be poured; None where there is none within a year."""
    return next(
        (
            at
            for at in (day + timedelta(days=more) for more in range(366))
            if not weather_on(at, months, known).too_cold
        ),
        None,
    )


@record
class Against:
    """Weather that stands against a step on its day. chance: of it [0-1]; known: whether that day's weather is."""

    gate: Gate
    said: str
    chance: float
    known: bool


def weather_against(
    gates: Sequence[Gate], day: date, months: Sequence[MonthNormals], known: Mapping[date, KnownDay], system: System
) -> list[Against]:
    """What weather stands against a step on a day. gates: weather it can't be done in. months, known: as elsewhere."""
    if not gates:
        return []
    weather = weather_on(day, months, known)
    against = []
    if "frost" in gates and weather.too_cold:
        mean = show_temperature(weather.mean_c, system)
        against.append(
            Against(
                "frost", f"Too cold: {mean} in the mean, frost on {_odds(weather.frost)}.", weather.frost, weather.known
            )
        )
    if "frozen" in gates and weather.mean_c < 0:
        mean = show_temperature(weather.mean_c, system)
        against.append(
            Against("frozen", f"The ground is likely frozen: {mean} in the mean.", weather.frost, weather.known)
        )
    if "wet" in gates and weather.wet > (0.0 if weather.known else ONE_IN_TEN):
        said = "Rain that day." if weather.known else f"Rain on {_odds(weather.wet)}: pick a dry one, stone bone dry."
        against.append(Against("wet", said, weather.wet, weather.known))
    if "wind" in gates:
        said = "Rain helps, wind doesn't: on a windy day it takes two."
        against.append(Against("wind", said, 0.0, known=False))
    return against


def _odds(chance: float) -> str:
    tenths = round(10 * chance)
    return f"{tenths} of 10 days" if tenths else "hardly any day"
