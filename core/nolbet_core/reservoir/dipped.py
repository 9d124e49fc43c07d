"""How thirsty plants are, from dips of a stick now and then."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from nolbet_core.reservoir.readings import drunk_by

Values = NDArray[np.float64]

NEARLY_EMPTY = 0.03
LEAST_APART_DAYS = 1.0


@dataclass(frozen=True, slots=True)
class Dipped:
    """What dips say: how much plants take over what the forecast has, its error, and how many stretches it rests on."""

    thirst: float
    thirst_error: float
    stretches: int


def thirst_of_dips(
    times_days: Values, water_m3: Values, asked_m3: Values, rained_m3: Values, held_m3: float, dip_error_m3: float
) -> Dipped | None:
    """Thirst by least squares over the stretches between two dips in which the water fell; None where there is none.

    times_days: of the dips in order, since a midnight [days]. water_m3: that each stands for. asked_m3, rained_m3: by
    the forecast, of each day in many years, years x days; known days are alike in all of them [m3]. held_m3: what it
    holds [m3]. dip_error_m3: of one dip [m3].

    What fell and what rained in between is what plants took; nothing may have leaked. A stretch in which it was filled,
    may have run over, or ran dry says nothing. Rain that isn't known makes a stretch count for less.
    """
    years = len(asked_m3)
    asked = drunk_by(times_days, asked_m3.mean(axis=0))
    rained = np.array([_by(times_days, rained_m3[year]) for year in range(years)])
    between, rain = np.diff(asked), np.diff(rained, axis=1)
    fallen = -np.diff(water_m3)
    taken = fallen + rain.mean(axis=0)
    spread = np.sqrt(2 * dip_error_m3**2 + rain.var(axis=0))
    told = (
        (fallen > 0)
        & (np.diff(times_days) >= LEAST_APART_DAYS)
        & (water_m3[1:] > NEARLY_EMPTY * held_m3)
        & (water_m3[1:] + rain.mean(axis=0) < held_m3)
        & (between > 0)
    )
    if not told.any():
        return None
    asks, takes, weight = between[told], taken[told], 1 / spread[told] ** 2
    certain = float((weight * asks**2).sum())
    return Dipped(float((weight * asks * takes).sum()) / certain, certain**-0.5, int(told.sum()))


def _by(times_days: Values, daily_m3: Values) -> Values:
    """What has come down by some times, evenly over each day [m3]."""
    whole = np.concatenate([[0.0], np.cumsum(daily_m3)])
    come_down: Values = np.interp(times_days, np.arange(len(whole), dtype=float), whole)
    return come_down
