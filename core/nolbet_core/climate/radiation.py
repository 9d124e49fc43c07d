"""Sunlight over the atmosphere and reference evapotranspiration (FAO Irrigation and Drainage Paper 56)."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

Values = NDArray[np.float64]

SOLAR_CONSTANT = 0.0820
"""MJ/m2/min."""

LATENT_HEAT = 2.45
"""Energy that a kilogram of water takes to evaporate [MJ/kg]."""

HARGREAVES = 0.0023
HARGREAVES_C = 17.8


def extraterrestrial_radiation(latitude_deg: float, day_of_year: Values) -> Values:
    """Ra, sunlight over the atmosphere [MJ/m2/day] (FAO-56 eq. 21 to 25).

    latitude_deg: south is negative [degrees]. day_of_year: 1 to 366. The sunset angle is held between no sun at all
    and sun all round, so that polar days and nights have theirs.
    """
    latitude = np.radians(latitude_deg)
    turn = 2 * np.pi * np.asarray(day_of_year, dtype=float) / 365
    distance = 1 + 0.033 * np.cos(turn)
    declination = 0.409 * np.sin(turn - 1.39)
    sunset = np.arccos(np.clip(-np.tan(latitude) * np.tan(declination), -1.0, 1.0))
    over_day = sunset * np.sin(latitude) * np.sin(declination) + np.cos(latitude) * np.cos(declination) * np.sin(sunset)
    radiation: Values = np.maximum(24 * 60 / np.pi * SOLAR_CONSTANT * distance * over_day, 0.0)
    return radiation


def reference_evapotranspiration(tmin_c: Values, tmax_c: Values, radiation_mj: Values) -> Values:
    """ET0 by Hargreaves [mm/day] (FAO-56 eq. 52), never negative.

    tmin_c, tmax_c: the day's extremes [degrees C]. radiation_mj: Ra [MJ/m2/day].
    """
    mean_c = (np.asarray(tmin_c) + np.asarray(tmax_c)) / 2
    swing_c = np.maximum(np.asarray(tmax_c) - np.asarray(tmin_c), 0.0)
    et0: Values = np.maximum(HARGREAVES * (mean_c + HARGREAVES_C) * np.sqrt(swing_c) * radiation_mj / LATENT_HEAT, 0.0)
    return et0
