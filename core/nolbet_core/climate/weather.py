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


def drawn_weather(normals: Sequence[MonthNormals], latitude_deg: float | None, years: int, seed: int = SEED) -> Weather:
    """Draw years of daily weather from monthly normals.

    normals: twelve. latitude_deg: for the sunlight; 45 degrees where it isn't known. years: how many. seed: the same
    one gives the same weather.

    Rain follows a Markov chain of two states with gamma amounts; temperatures keep some of the day before, and swing
    less on wet days. Means over the month are the normals'.
    """
    chance = np.random.default_rng(seed)
    month = MONTH_OF_DAY
    wet_share = np.clip([each.rain_days / days for each, days in zip(normals, MONTH_DAYS, strict=True)], 0.0, 0.95)
    a_wet_day = np.array([each.rain_mm / max(each.rain_days, 1e-9) if each.rain_days else 0.0 for each in normals])
    wet = _wet_days(chance, wet_share[month], years)
    scale = a_wet_day[month] / RAIN_SHAPE
    rain = np.where(wet, chance.gamma(RAIN_SHAPE, 1.0, (years, DAYS)) * scale, 0.0)
    drift = _drift(chance, years)
    tmin = np.array([each.tmin_c for each in normals])[month] + drift
    tmax = np.array([each.tmax_c for each in normals])[month] + drift
    share = wet_share[month]
    less = WET_COOLER_C * (wet - share) + chance.normal(0.0, SWING_SPREAD_C / 2, (years, DAYS))
    tmin, tmax = tmin + less, np.maximum(tmax - less, tmin + less + LEAST_SWING_C)
    return with_evaporation(tmin, tmax, rain, latitude_deg)


def _wet_days(chance: np.random.Generator, share: Values, years: int) -> NDArray[np.bool_]:
    draws = chance.random((years, DAYS))
    wet = np.empty((years, DAYS), dtype=bool)
    before = draws[:, 0] < share[0]
    for day in range(DAYS):
        after_dry = share[day] * (1 - WET_STAYS)
        wet[:, day] = draws[:, day] < np.where(before, after_dry + WET_STAYS, after_dry)
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
