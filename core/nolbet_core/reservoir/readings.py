"""Readings of a level made ready to be told from: strays left out, rain taken off, parted where it was filled."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

Values = NDArray[np.float64]

READINGS_BEFORE = 12
NEARLY_FULL = 0.96
LEAST_OF_A_DAY = 3
FULL_WEIGHT = 2.0
STRAY_TIMES = 6.0
SUNRISE, SUNSET = 6.0, 18.0
AROUND = 4
ABSURD_SHARE = 0.15
"""How far beyond empty and full a reading may tremble, of what it holds."""


@dataclass(frozen=True, slots=True)
class Readings:
    """Readings ready to be fitted. times_days, water_m3: with the rain taken off. drunk_m3: what plants had asked by
    then. stretch: which of them hang together between fillings. weight: how good each is. rains_days: when it rained.
    """

    times_days: Values
    water_m3: Values
    drunk_m3: Values
    stretch: NDArray[np.int64]
    weight: Values
    rains_days: Values

    @property
    def stretches(self) -> int:
        """How many stretches there are."""
        return len(np.unique(self.stretch))

    def centred(self, columns: Values) -> Values:
        """Columns (readings x any) less their weighted mean in each stretch, times the root of the weight."""
        _, index = np.unique(self.stretch, return_inverse=True)
        whole = np.bincount(index, weights=self.weight)
        means = np.column_stack([np.bincount(index, weights=self.weight * column) / whole for column in columns.T])
        centred: Values = (columns - means[index]) * np.sqrt(self.weight)[:, np.newaxis]
        return centred


def drunk_within(times_days: Values, wanted_m3: Values) -> Values:
    """Of what plants ask of each day, what they have asked by some times [m3]: times x days.

    times_days: since the first midnight [days]. wanted_m3: of each day [m3].
    """
    hours = (times_days[:, np.newaxis] - np.arange(len(wanted_m3))) * 24
    angle = np.pi * np.clip((hours - SUNRISE) / (SUNSET - SUNRISE), 0.0, 1.0)
    within: Values = wanted_m3 * (1 - np.cos(angle)) / 2
    return within


PARTS_OF_DAY_H = ((5.0, 10.0), (16.0, 21.0))
"""Parts of a day in which plants may drink more or less than by a half sine [hours]."""


def shapes_of_day(times_days: Values, wanted_m3: Values) -> Values:
    """How drinking may be spread otherwise over every day: times x parts of the day [m3].

    Each column is what plants have asked by then if all of it fell evenly into one part of the day, less what they
    have asked by a half sine. times_days: since the first midnight [days]. wanted_m3: of each day [m3].
    """
    usual = drunk_by(times_days, wanted_m3)
    day = np.clip(times_days.astype(int), 0, len(wanted_m3) - 1)
    hour = (times_days - day) * 24
    before = np.concatenate([[0.0], np.cumsum(wanted_m3)])[day]
    parts = [
        before + wanted_m3[day] * np.clip((hour - start) / (end - start), 0.0, 1.0) - usual
        for start, end in PARTS_OF_DAY_H
    ]
    return np.column_stack(parts)


def drunk_by(times_days: Values, wanted_m3: Values) -> Values:
    """Water that plants ask for from the first midnight until some times [m3]: by daylight, as half a sine.

    times_days: since that midnight [days]. wanted_m3: of each day [m3].
    """
    day = np.clip(times_days.astype(int), 0, len(wanted_m3) - 1)
    hour = (times_days - day) * 24
    angle = np.pi * np.clip((hour - SUNRISE) / (SUNSET - SUNRISE), 0.0, 1.0)
    before = np.concatenate([[0.0], np.cumsum(wanted_m3)])
    drunk: Values = before[day] + wanted_m3[day] * (1 - np.cos(angle)) / 2
    return drunk


def good_readings(water_m3: Values, held_m3: float) -> NDArray[np.bool_]:
    """Which readings can be: neither missing, nor beyond what it holds [m3], nor far from their neighbours."""
    possible = (water_m3 > -ABSURD_SHARE * held_m3) & (water_m3 < (1 + ABSURD_SHARE) * held_m3)
    water_m3 = np.where(possible, water_m3, np.nan)
    good: NDArray[np.bool_] = np.isfinite(water_m3) & ~strays(water_m3)
    return good


def ready_readings(
    times: Values, water: Values, wanted_m3: Values, rain_m3: Values, filled: Values, held_m3: float
) -> Readings:
    """Readings less the rain, parted where it was filled. When in a day it rained is read off the jump it makes; a day
    whose rain may have run over is left out and parts what lies round it."""
    drunk = drunk_by(times, wanted_m3)
    wet = np.flatnonzero(rain_m3 > 0).tolist()
    rains = [_rain(times, water, drunk, day, float(rain_m3[day]), held_m3) for day in wet]
    run_over = [day for day, rain in zip(wet, rains, strict=True) if rain[2] > NEARLY_FULL]
    kept = ~np.isin(times.astype(int), run_over)
    times, water = times[kept], water[kept]
    parted = np.array(run_over, dtype=float) + 0.5
    # when it was filled it held all it can: as good as a reading with little noise
    weight = np.concatenate([np.ones(len(times)), np.full(len(filled), FULL_WEIGHT)])
    times = np.concatenate([times, filled])
    water = np.concatenate([water, np.full(len(filled), held_m3)])
    stretch = np.searchsorted(np.sort(np.concatenate([filled, parted])), times, side="right")
    fallen = sum((amount * (times >= when) for when, amount, _ in rains), np.zeros(len(times)))
    came = np.array([when for when, _, _ in rains])
    return Readings(times, water - fallen, drunk_by(times, wanted_m3), stretch, weight, came)


def strays(water_m3: Values) -> NDArray[np.bool_]:
    """Readings that can't be: far from the middle of their neighbours, by many times what others are."""
    count = len(water_m3)
    if count < 2 * AROUND + 1:
        return np.zeros(count, dtype=bool)
    padded = np.pad(water_m3, AROUND, mode="reflect")
    around = np.lib.stride_tricks.sliding_window_view(padded, 2 * AROUND + 1)
    known = np.isfinite(around).any(axis=1)
    middle = np.full(count, np.nan)
    middle[known] = np.nanmedian(around[known], axis=1)
    apart = np.abs(water_m3 - middle)
    read = np.isfinite(apart)
    usual = float(np.median(apart[read])) if read.any() else 0.0
    stray: NDArray[np.bool_] = read & (apart > STRAY_TIMES * max(usual, 1e-9))
    return stray


def _rain(
    times: Values, water: Values, drunk: Values, day: int, rain_m3: float, held_m3: float
) -> tuple[float, float, float]:
    """A wet day's rain: when in it the water jumped [days], how much it brings [m3], and how full it then is at most.

    When: the split of the day's readings into two levels that fits them best.
    """
    within = np.flatnonzero((times >= day) & (times < day + 1))
    when = float(day)
    if len(within) >= LEAST_OF_A_DAY:
        levels = (water + drunk)[within]
        count = np.arange(1, len(levels))
        before = np.cumsum(levels)[:-1]
        after = levels.sum() - before
        up = after / (len(levels) - count) > before / count
        gain = (before**2 / count + after**2 / (len(levels) - count)) * up
        when = float(times[within[int(np.argmax(gain)) + 1]])
    before_it = water[times < when][-READINGS_BEFORE:]
    most = float(np.median(before_it)) if len(before_it) else held_m3
    return when, rain_m3, (most + rain_m3) / held_m3
