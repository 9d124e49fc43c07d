"""A simulated level probe: what it would have read of a reservoir, with its noise, its gaps and its faults."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from nolbet_core.reservoir.readings import drunk_by
from nolbet_core.reservoir.store import Store

Values = NDArray[np.float64]

READINGS_A_DAY = 48
FILLS_AT_HOUR = 7.0
ABSURD_M = (-3.0, 9.0)


@dataclass(frozen=True, slots=True)
class Faults:
    """How the probe misbehaves. noise_m: standard deviation of a reading [m]. missing, absurd: shares of readings
    [0-1]. late_days: the last days that haven't come in yet. leak_m3_day: what the liner really loses [m3/day],
    from leak_from_day on. thirst: how much more than the forecast the plants really take; scatter: how far a day's
    thirst strays from that, standard deviation [share of it].
    """

    noise_m: float = 0.003
    missing: float = 0.05
    absurd: float = 0.0
    late_days: float = 0.0
    leak_m3_day: float = 0.0
    leak_from_day: float = 0.0
    thirst: float = 1.0
    scatter: float = 0.0


@dataclass(frozen=True, slots=True)
class Series:
    """Readings: times since the first midnight [days], levels [m] (NaN where missing), when it was filled [days]."""

    times_days: Values
    level_m: Values
    filled_days: Values


def probe_series(
    store: Store, wanted_m3: Values, rain_m3: Values, threshold: float, faults: Faults, seed: int
) -> Series:
    """Readings every 30 minutes over some days.

    wanted_m3: what plants ask, of each day [m3]. rain_m3: what rain brings into the reservoir, of each day [m3].
    threshold: it is filled up in the morning when under that share. seed: the same one reads the same.
    """
    chance = np.random.default_rng(seed)
    days = len(wanted_m3)
    times = np.arange(days * READINGS_A_DAY) / READINGS_A_DAY
    strays = np.random.default_rng([seed, 1]).normal(0.0, faults.scatter, days) if faults.scatter else np.zeros(days)
    drunk = drunk_by(times, wanted_m3 * faults.thirst * np.maximum(1 + strays, 0.0))
    rain_at = np.arange(days) + chance.random(days) * 0.8
    held, water = store.held_m3, store.held_m3 * float(chance.uniform(0.75, 1.0))
    levels, filled = np.empty(len(times)), []
    for index, time in enumerate(times):
        if index:
            step = time - times[index - 1] if time > faults.leak_from_day else 0.0
            water -= drunk[index] - drunk[index - 1] + faults.leak_m3_day * step
            rained = (rain_at > times[index - 1]) & (rain_at <= time)
            water += float(rain_m3[rained].sum())
        water = min(max(water, 0.0), held)
        if index % READINGS_A_DAY == int(FILLS_AT_HOUR * 2) and water < threshold * held:
            water = held
            filled.append(float(time))
        levels[index] = water
    read = store.level_of(levels) + chance.normal(0.0, faults.noise_m, len(times))
    read[chance.random(len(times)) < faults.missing] = np.nan
    wild = chance.random(len(times)) < faults.absurd
    read[wild] = chance.uniform(*ABSURD_M, int(wild.sum()))
    read[times > days - faults.late_days] = np.nan
    return Series(times, read, np.array(filled))
