"""How fast things rot in a bed: by warmth, month by month from filling on, and by how wet it is kept."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

import numpy as np
from numpy.typing import NDArray

Dampness = Literal["dry", "moist", "waterlogged"]
Years = NDArray[np.float64]

MONTHS = 120
"""How far a forecast looks [months]."""

REFERENCE_C = 12.0
"""Temperature that decay rates are given for [degrees C]."""

WARMEST_C = 35.0
"""From here on more warmth makes nothing rot faster [degrees C]."""

WETNESS: dict[Dampness, float] = {"dry": 0.5, "moist": 1.0, "waterlogged": 0.3}
"""Factor on decay by how wet the fill is kept (estimate)."""


def decay_factor(temp_c: float, dampness: Dampness = "moist") -> float:
    """Factor on decay rates: it doubles with every 10 degrees over 12 degrees C, times how wet the fill is kept.

    temp_c: mean temperature [degrees C]; over 35 nothing rots faster still.
    """
    return WETNESS[dampness] * float(2.0 ** ((min(temp_c, WARMEST_C) - REFERENCE_C) / 10))


@dataclass(frozen=True, slots=True)
class Clock:
    """How fast things rot over how they do moist at 12 degrees C: twelve factors, month by month from filling on, that
    come round every year.
    """

    factors: tuple[float, ...]

    @property
    def mean(self) -> float:
        """The factor over a whole year."""
        return sum(self.factors) / len(self.factors)

    def years_until(self, rotted: float) -> float:
        """Years from filling until things have rotted as they do in so many years moist at 12 degrees C."""
        clocked = rotted_years(self)
        if rotted >= clocked[-1]:
            return MONTHS / 12 + (rotted - float(clocked[-1])) / self.mean
        return float(np.interp(rotted, clocked, np.arange(MONTHS + 1) / 12))


def steady(factor: float) -> Clock:
    """A year that is alike all through."""
    return Clock((factor,) * 12)


def clock_of(temps_c: Sequence[float], dampness: Dampness) -> Clock:
    """How fast things rot where the twelve months from filling on have mean temperatures [degrees C]."""
    return Clock(tuple(decay_factor(each, dampness) for each in temps_c))


@lru_cache(maxsize=256)
def rotted_years(clock: Clock) -> Years:
    """For how long things have rotted, told in years moist at 12 degrees C, after 0 to 120 months."""
    by_month = np.resize(np.array(clock.factors), MONTHS) / 12
    years = np.concatenate([[0.0], np.cumsum(by_month)])
    years.flags.writeable = False
    return years


def rotted_after(clock: Clock, months: Years) -> Years:
    """The same after any number of months from 0 to 120, whole or not: within a month things rot evenly."""
    return np.interp(months, np.arange(MONTHS + 1), rotted_years(clock))
