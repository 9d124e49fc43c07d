"""Weather of many years: drawn day by day from monthly normals, or a daily file repeated."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from nolbet_core.climate.radiation import extraterrestrial_radiation, reference_evapotranspiration

Values = NDArray[np.float64]

DAYS = 365
MONTH_DAYS = (31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31)
MONTH_OF_DAY: NDArray[np.int64] = np.repeat(np.arange(12), MONTH_DAYS)

WET_STAYS = 0.25
"""How much likelier rain is after a wet day than after a dry one (estimate): p(wet | wet) - p(wet | dry)."""

LONG_DRY_DAYS = 9.0
"""How long a long dry spell lasts in the mean [days] (estimate)."""

LONG_DRY_SHARE = 0.12
LONG_DRY_OF_DRY = 0.2
"""Share of all days, and of dry ones, that lie in long dry spells, whichever is less (estimates)."""

USUAL_WETTEST_MM = 250.0
"""No day is wetter where nothing is known [mm]."""

WETTER = 1.2
"""How much wetter than the wettest day known a day may be."""

USUAL_WET_DAY_MM = 7.0
"""Rain of a wet day where only the month's rain is known [mm] (estimate)."""

HOT_DAY = 1.25
"""Evapotranspiration of a hot day over that of a usual one of the same month (estimate)."""

MAY, NOVEMBER = 4, 10

RAIN_SHAPE = 0.75
"""Shape of the gamma distribution of a wet day's rain (estimate)."""

TEMPERATURE_KEEPS = 0.7
"""Correlation of a day's temperature with the day before (estimate)."""

TEMPERATURE_SPREAD_C = 3.0
"""Standard deviation of a day's temperature round its normal [degrees C] (estimate)."""

WET_COOLER_C = 1.5
"""How much smaller the swing of a wet day is, each way [degrees C] (estimate)."""

SWING_SPREAD_C = 3.0
"""Standard deviation of a day's swing round its normal [degrees C] (estimate)."""

TMIN_SPREAD_C = math.hypot(TEMPERATURE_SPREAD_C, SWING_SPREAD_C / 2)
"""Standard deviation of a night's lowest temperature round its normal [degrees C] (estimate)."""

NIGHT_KEEPS = TEMPERATURE_KEEPS * (TEMPERATURE_SPREAD_C / TMIN_SPREAD_C) ** 2
"""Correlation of a night's lowest temperature with the night before."""

LEAST_SWING_C = 1.0

SEED = 20260

USUAL_LATITUDE_DEG = 45.0
"""Of a garden that doesn't say where it lies [degrees]."""


@dataclass(frozen=True, slots=True)
class MonthNormals:
    """A month's normals: mean daily extremes [degrees C], rain of the month [mm], and days with rain."""

    tmin_c: float
    tmax_c: float
    rain_mm: float
    rain_days: float


@dataclass(frozen=True, slots=True)
class Weather:
    """Days of many years: extremes [degrees C], rain and reference evapotranspiration [mm], years x days."""

    tmin_c: Values
    tmax_c: Values
    rain_mm: Values
    et0_mm: Values

    @property
    def years(self) -> int:
        """How many years there are."""
        return len(self.rain_mm)


def usual_normals(mean_temp_c: float, latitude_deg: float | None) -> tuple[MonthNormals, ...]:
    """Normals for a garden that gave none: a yearly wave round its mean temperature, 60 mm of rain on 9 days a month.

    mean_temp_c: of the year [degrees C]. latitude_deg: the wave grows with distance from the equator [degrees]. An
    estimate with a wide range: a gardener's own normals or a daily file are better.
    """
    latitude = 45.0 if latitude_deg is None else latitude_deg
    wave_c = min(abs(latitude) * 0.23, 15.0)
    south = latitude < 0
    normals = []
    for month in range(12):
        height = -math.cos(2 * math.pi * (month + 0.5 - 0.8) / 12) * (-1 if south else 1)
        mean_c = mean_temp_c + wave_c * height
        normals.append(MonthNormals(mean_c - 5.0 - height, mean_c + 5.0 + height, 60.0, 9.0))
    return tuple(normals)


def hot_day_evaporation(normals: Sequence[MonthNormals], latitude_deg: float | None) -> float:
    """Reference evapotranspiration of a hot day [mm], as one day in ten of the hottest month has it (estimate)."""
    return HOT_DAY * max(monthly_evaporation(normals, latitude_deg))


def monthly_evaporation(normals: Sequence[MonthNormals], latitude_deg: float | None) -> list[float]:
    """Reference evapotranspiration of a usual day in the middle of each month [mm/day], by Hargreaves.

    normals: twelve months. latitude_deg: a usual one where it isn't known [degrees].
    """
    latitude = USUAL_LATITUDE_DEG if latitude_deg is None else latitude_deg
    middles = np.cumsum(MONTH_DAYS) - 15.0
    tmin, tmax = (np.array([getattr(each, name) for each in normals]) for name in ("tmin_c", "tmax_c"))
    usual: list[float] = reference_evapotranspiration(
        tmin, tmax, extraterrestrial_radiation(latitude, middles)
    ).tolist()
    return usual


def first_day(latitude_deg: float | None) -> int:
    """Day of the year on which a garden's water year begins, 0 to 364, at the end of the season: 1 November in the
    north, 1 May in the south.
    """
    south = latitude_deg is not None and latitude_deg < 0
    return sum(MONTH_DAYS[: MAY if south else NOVEMBER])


def days_in_order(latitude_deg: float | None) -> NDArray[np.int64]:
    """Days of the year, 0 to 364, from the first of a garden's water year on."""
    return (first_day(latitude_deg) + np.arange(DAYS)) % DAYS


def drawn_weather(
    normals: Sequence[MonthNormals],
    latitude_deg: float | None,
    years: int,
    seed: int = SEED,
    wettest_mm: float | None = None,
) -> Weather:
    """Draw years of daily weather from monthly normals.

    normals: twelve. latitude_deg: for the sunlight; 45 degrees where it isn't known. years: how many. seed: the same
    one gives the same weather, in the south turned by half a year. wettest_mm: rain of the wettest day known [mm].

    Rain follows a Markov chain of three states, wet, dry and long dry, with gamma amounts; temperatures keep some of
    the day before, and swing less on wet days. Means over the month are the normals', rain exactly; no day is wetter
    than the wettest known by more than a fifth.
    """
    chance = np.random.default_rng(seed)
    order = days_in_order(latitude_deg)
    month = MONTH_OF_DAY[order]
    most_mm = USUAL_WETTEST_MM if wettest_mm is None else WETTER * wettest_mm
    share = _wet_shares(normals, most_mm)
    wet = _wet_days(chance, share[month], years)
    rain = np.where(wet, chance.gamma(RAIN_SHAPE, 1.0, (years, DAYS)), 0.0)
    for each, normal in enumerate(normals):
        within = month == each
        rain[:, within] = _brought_to(rain[:, within], normal.rain_mm * years, most_mm)
    drift = _drift(chance, years)
    tmin = np.array([each.tmin_c for each in normals])[month] + drift
    tmax = np.array([each.tmax_c for each in normals])[month] + drift
    less = WET_COOLER_C * (wet - share[month]) + chance.normal(0.0, SWING_SPREAD_C / 2, (years, DAYS))
    tmin, tmax = tmin + less, np.maximum(tmax - less, tmin + less + LEAST_SWING_C)
    back = np.argsort(order)
    return with_evaporation(tmin[:, back], tmax[:, back], rain[:, back], latitude_deg)


def _wet_shares(normals: Sequence[MonthNormals], most_mm: float) -> Values:
    """Share of wet days by month [0-1]: as given, but as many at least as the rain takes to come down."""
    given = np.array([each.rain_days / days for each, days in zip(normals, MONTH_DAYS, strict=True)])
    wanted = np.array([each.rain_mm / days / USUAL_WET_DAY_MM for each, days in zip(normals, MONTH_DAYS, strict=True)])
    least = np.array([each.rain_mm / days / most_mm for each, days in zip(normals, MONTH_DAYS, strict=True)])
    shares: Values = np.clip(np.where(given > 0, np.maximum(given, 2 * least), wanted), 0.0, 1.0)
    return shares


def _brought_to(rain: Values, total_mm: float, most_mm: float) -> Values:
    """Amounts in proportion, years x days, so that they come to a total [mm], none over the most [mm].

    Where too few days are wet to hold it all, the driest places of the same month become wet too.
    """
    if total_mm <= 0:
        return np.zeros_like(rain)
    amounts = rain.ravel().copy()
    lacking = int(np.ceil(total_mm / most_mm)) - int(np.count_nonzero(amounts))
    if lacking > 0:
        dry = np.flatnonzero(amounts == 0)
        amounts[dry[np.linspace(0, len(dry) - 1, min(lacking, len(dry))).astype(int)]] = 1.0
    total_mm = min(total_mm, most_mm * len(amounts))
    free = amounts > 0
    for _ in range(len(amounts)):
        left = total_mm - most_mm * np.count_nonzero((amounts > 0) & ~free)
        scaled = amounts * (left / amounts[free].sum()) if free.any() else amounts
        over = free & (scaled > most_mm)
        if not over.any():
            break
        free &= ~over
    brought: Values = np.where(free, scaled, np.where(amounts > 0, most_mm, 0.0))
    return brought.reshape(rain.shape)


def _wet_days(chance: np.random.Generator, share: Values, years: int) -> NDArray[np.bool_]:
    """Which days are wet, years x days. share: of wet days, by day [0-1].

    Beside wet and dry there is a long dry spell, in which it never rains: entered from a dry day, left by chance. It
    takes up so much of the time that the other days are wetter for it, and the share of wet days stays.
    """
    draws, spells = chance.random((years, DAYS)), chance.random((years, DAYS))
    long_share = np.minimum(LONG_DRY_SHARE, LONG_DRY_OF_DRY * (1 - share))
    wetter = np.minimum(share / np.maximum(1 - long_share, 1e-9), 1.0)
    enters = long_share / LONG_DRY_DAYS / np.maximum((1 - long_share) * (1 - wetter), 1e-9)
    wet = np.empty((years, DAYS), dtype=bool)
    before, long = draws[:, 0] < wetter[0], spells[:, 0] < long_share[0]
    for day in range(DAYS):
        begins = ~long & ~before & (spells[:, day] < enters[day])
        long = np.where(long, spells[:, day] >= 1 / LONG_DRY_DAYS, begins)
        long &= share[day] < 1
        after_dry = wetter[day] * (1 - WET_STAYS)
        wet[:, day] = ~long & (draws[:, day] < np.where(before, after_dry + WET_STAYS, after_dry))
        before = wet[:, day]
    return wet


def _drift(chance: np.random.Generator, years: int) -> Values:
    steps = chance.normal(0.0, TEMPERATURE_SPREAD_C * math.sqrt(1 - TEMPERATURE_KEEPS**2), (years, DAYS))
    drift = np.empty((years, DAYS))
    drift[:, 0] = steps[:, 0] / math.sqrt(1 - TEMPERATURE_KEEPS**2)
    for day in range(1, DAYS):
        drift[:, day] = TEMPERATURE_KEEPS * drift[:, day - 1] + steps[:, day]
    return drift


def with_evaporation(tmin_c: Values, tmax_c: Values, rain_mm: Values, latitude_deg: float | None) -> Weather:
    """Weather with its reference evapotranspiration. Arrays: years x 365 days."""
    latitude = USUAL_LATITUDE_DEG if latitude_deg is None else latitude_deg
    radiation = extraterrestrial_radiation(latitude, np.arange(1, DAYS + 1, dtype=float))
    return Weather(tmin_c, tmax_c, rain_mm, reference_evapotranspiration(tmin_c, tmax_c, radiation))
