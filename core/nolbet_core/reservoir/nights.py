"""The second witness of a leak: what the water loses at night, when plants take none."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from nolbet_core.reservoir.readings import Readings

Values = NDArray[np.float64]

DAWN, DUSK = 5.0, 20.0
"""Hours between which plants may drink in high summer."""

MOMENT_H = 1e-3

LEAST_OF_A_NIGHT = 6
"""Fewer readings than this say nothing of a night."""


@dataclass(frozen=True, slots=True)
class Nights:
    """What is lost at night [m3/day], its standard error, and over how many nights."""

    loss_m3_day: float
    error_m3_day: float
    nights: int


def lost_at_night(readings: Readings, since_days: float) -> Nights:
    """How fast the water falls at night, over all nights together, each from a level of its own.

    since_days: nights before that don't count. A night in which it rained is left out.
    """
    # a reading on the hour belongs to the night that begins with it
    hour = (readings.times_days % 1) * 24 + MOMENT_H
    dark = (hour >= DUSK) | (hour <= DAWN)
    night = np.floor(readings.times_days - (DUSK - MOMENT_H) / 24).astype(int)
    rained = np.floor(readings.rains_days - (DUSK - MOMENT_H) / 24).astype(int)
    within = [rain for rain, at in zip(rained, readings.rains_days % 1 * 24, strict=True) if at >= DUSK or at <= DAWN]
    kept = dark & (readings.times_days >= since_days) & ~np.isin(night, within)
    along = across = squares = 0.0
    count = freedom = 0
    for each in np.unique(night[kept]):
        for stretch in np.unique(readings.stretch[kept & (night == each)]):
            of_it = kept & (night == each) & (readings.stretch == stretch)
            if of_it.sum() < LEAST_OF_A_NIGHT:
                continue
            times = readings.times_days[of_it] - readings.times_days[of_it].mean()
            water = readings.water_m3[of_it] - readings.water_m3[of_it].mean()
            along += float(times @ times)
            across -= float(times @ water)
            squares += float(water @ water)
            freedom += len(times) - 1
            count += 1
    if count < 2 or along <= 0:
        return Nights(0.0, float("inf"), count)
    loss = across / along
    spread = max(squares - loss * across, 0.0) / max(freedom - 1, 1)
    return Nights(loss, float(np.sqrt(spread / along)), count)
