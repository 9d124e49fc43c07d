"""How many days a full reservoir lasts without rain, by month: a band over weather and what isn't known well."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from nolbet_core.climate.weather import DAYS, MONTH_DAYS, SEED, Weather
from nolbet_core.reservoir.balance import MM, SHORT_SHARE, PlantedArea, taken_from
from nolbet_core.reservoir.store import Store
from nolbet_core.reservoir.wicking import Wicking

Values = NDArray[np.float64]
Places = NDArray[np.int64]
Unknown = Literal["available", "rise", "crop_factor"]

LONGEST_DAYS = 150
"""Nobody waits longer for rain; what lasts so long is told as that."""

AVAILABLE = (0.7, 1.0, 1.3)
RISE = (0.6, 1.0, 1.4)
CROP_FACTOR = (0.85, 1.0, 1.15)
"""How many times what is reckoned with each may be: the least, the likeliest, the most (estimates)."""


@dataclass(frozen=True, slots=True)
class Unknowns:
    """What isn't well known, over what is reckoned with, one of each for each year: water that the soil gives, how high
    things wick, and what plants ask.
    """

    available: Values
    rise: Values
    crop_factor: Values


def drawn_unknowns(years: int, seed: int = SEED) -> Unknowns:
    """Draw what isn't well known for so many years, by a seed."""
    chance = np.random.default_rng(seed)
    return Unknowns(*(chance.triangular(*each, size=years) for each in (AVAILABLE, RISE, CROP_FACTOR)))


EACH_MONTH = tuple(range(12))


def dry_spell_days(
    store: Store,
    wicking: Wicking,
    plot: PlantedArea,
    weather: Weather,
    unknowns: Unknowns,
    months: Sequence[int] = EACH_MONTH,
    years: Places | None = None,
) -> Values:
    """Days until plants go short, from everything full on the first of each month, without rain: draws x months.

    months: which, from 0 to 11. years: the weather's year that each of the unknowns is drawn with; one after the other
    where it isn't given.
    """
    starts = np.concatenate([[0], np.cumsum(MONTH_DAYS)[:-1]])[list(months)]
    of_year = (np.arange(weather.years) if years is None else years)[:, np.newaxis]
    asked = MM * plot.area_m2 * plot.demand
    rise, thirst = unknowns.rise[:, np.newaxis], unknowns.crop_factor[:, np.newaxis]
    full = plot.soil_m3 * unknowns.available[:, np.newaxis] * np.ones(len(months))
    water, soil = np.full(full.shape, store.held_m3), full.copy()
    lasted = np.full(full.shape, float(LONGEST_DAYS))
    for day in range(LONGEST_DAYS):
        on = (starts + day) % DAYS
        asks = weather.et0_mm[of_year, on] * asked[on] * thirst
        most = wicking.lifted(store.height_m - store.level_of(water), rise)
        lifted = np.minimum(np.minimum(most, water), full - soil + asks)
        water, soil = water - lifted, soil + lifted
        taken = taken_from(soil, full, asks)
        soil = soil - taken
        short = (taken < SHORT_SHARE * asks - 1e-12) & (lasted == LONGEST_DAYS)
        lasted = np.where(short, float(day), lasted)
        water = water - np.minimum(plot.leak_m3_day, water)
    return lasted


def most_telling(lasted: Values, unknowns: Unknowns) -> Unknown | None:
    """Which of the unknowns goes furthest with how long it lasts in the worst month; None where none does.

    lasted: years x 12 [days].
    """
    worst = lasted[:, int(np.argmin(np.median(lasted, axis=0)))]
    if np.ptp(worst) < 1:
        return None
    names: tuple[Unknown, ...] = ("available", "rise", "crop_factor")
    shares = {name: abs(float(np.corrcoef(getattr(unknowns, name), worst)[0, 1])) for name in names}
    return max(names, key=lambda name: shares[name])
