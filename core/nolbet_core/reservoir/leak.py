"""A leak told from thirst: what a probe's level loses steadily, at night and on cool days too."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

Values = NDArray[np.float64]

SURE = 2.0
SURE_EARLY = 4.5
"""How many times its own error a leak has to be before it is told: looked at every day, it has to be surer before two
weeks of readings are in."""

TWO_WEEKS_DAYS = 13.5

LEAST_M3_DAY = 0.0005
"""A smaller loss isn't told: no liner is known that well [m3/day]."""

LEAST_DAYS = 5.0
LEAST_READINGS = 100
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
class Told:
    """What readings say: a steady loss and its error [m3/day], and how thirsty plants are against the forecast.

    leaks: whether the loss is told as a leak. thirst_error: of the thirst. readings: how many it rests on, over how
    many days.
    """

    leaks: bool
    loss_m3_day: float
    error_m3_day: float
    thirst: float
    thirst_error: float
    readings: int
    days: float


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


def told_from(
    times_days: Values, water_m3: Values, wanted_m3: Values, rain_m3: Values, jumps_days: Values, held_m3: float
) -> Told:
    """What readings say of a leak.

    times_days: of the readings, since a midnight [days]. water_m3: that each stands for; NaN where one is missing.
    wanted_m3, rain_m3: what the forecast says plants ask and what rain brings in, of each day [m3]. jumps_days: when it
    was filled up [days]. held_m3: what it holds up to the overflow [m3].

    Between fillings the water falls by k x what plants ask and by a steady loss, and rises by a share of the rain. All
    are fitted by least squares over all stretches at once, each with a beginning of its own. When in a day it rained is
    read off the jump it makes; a day whose rain may have run over is left out and parts what lies round it.
    """
    possible = (water_m3 > -ABSURD_SHARE * held_m3) & (water_m3 < (1 + ABSURD_SHARE) * held_m3)
    water_m3 = np.where(possible, water_m3, np.nan)
    good = np.isfinite(water_m3) & ~strays(water_m3)
    times, water = times_days[good], water_m3[good]
    days = float(times[-1] - times[0]) if len(times) else 0.0
    if len(times) < LEAST_READINGS or days < LEAST_DAYS:
        return Told(False, 0.0, float("inf"), 1.0, float("inf"), len(times), days)
    drunk = drunk_by(times, wanted_m3)
    wet = np.flatnonzero(rain_m3 > 0).tolist()
    rains = [_rain(times, water, drunk, day, float(rain_m3[day]), held_m3) for day in wet]
    run_over = [day for day, rain in zip(wet, rains, strict=True) if rain[2] > NEARLY_FULL]
    kept = ~np.isin(times.astype(int), run_over)
    times, water, drunk = times[kept], water[kept], drunk[kept]
    filled, parted = jumps_days, np.array(run_over, dtype=float) + 0.5
    # when it was filled it held all it can: as good as a reading with little noise
    times = np.concatenate([times, filled])
    water = np.concatenate([water, np.full(len(filled), held_m3)])
    weight = np.concatenate([np.ones(len(drunk)), np.full(len(filled), FULL_WEIGHT)])
    stretch = np.searchsorted(np.sort(np.concatenate([filled, parted])), times, side="right")
    fallen = sum((amount * (times >= when) for when, amount, _ in rains), np.zeros(len(times)))
    unknowns = _centred(np.column_stack([-drunk_by(times, wanted_m3), -times]), stretch, weight)
    of_water = _centred((water - fallen)[:, np.newaxis], stretch, weight)[:, 0]
    found, *_ = np.linalg.lstsq(unknowns, of_water, rcond=None)
    left = of_water - unknowns @ found
    freedom = max(len(times) - len(np.unique(stretch)) - unknowns.shape[1], 1)
    spread = np.linalg.pinv(unknowns.T @ unknowns) * float(left @ left) / freedom
    error = float(np.sqrt(max(spread[1, 1], 0.0)))
    loss = float(found[1])
    sure = SURE if days >= TWO_WEEKS_DAYS else SURE_EARLY
    leaks = loss > max(sure * error, LEAST_M3_DAY)
    thirst_error = float(np.sqrt(max(spread[0, 0], 0.0)))
    return Told(leaks, loss, error, float(found[0]), thirst_error, len(times), days)


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


def _centred(columns: Values, stretch: NDArray[np.int64], weight: Values) -> Values:
    """Columns less their weighted mean in each stretch, times the root of the weight."""
    _, index = np.unique(stretch, return_inverse=True)
    whole = np.bincount(index, weights=weight)
    means = np.column_stack([np.bincount(index, weights=weight * column) / whole for column in columns.T])
    centred: Values = (columns - means[index]) * np.sqrt(weight)[:, np.newaxis]
    return centred
