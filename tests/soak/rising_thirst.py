"""Leaks by a simulation of its own: `python -m tests.soak.rising_thirst 300` prints false alarms and leaks found.

Nothing here is the program's: plants drink by a skewed day that peaks in the afternoon, their thirst drifts and has a
memory from day to day, rain falls in showers, and somebody fills up when the water is low.
"""

from __future__ import annotations

import sys
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from nolbet_core.reservoir.leak import Told, told_from

Values = NDArray[np.float64]

HELD_M3 = 0.219
"""2.4 x 1.2 m of gravel, 0.2 m high, 38 % water."""
STEP_H = 0.5
NOISE_M3 = 0.0011
"""One millimetre of level [m3]."""


@dataclass(frozen=True)
class Thirst:
    """How thirst strays from the forecast. start, end: times it. scatter: of a day. memory: from day to day."""

    start: float = 1.0
    end: float = 1.0
    scatter: float = 0.1
    memory: float = 0.0


def told(seed: int, thirst: Thirst, leak_m3_day: float, days: int = 28) -> Told:
    """What is told of one simulated bed."""
    chance = np.random.default_rng([seed, days])
    warm = np.clip(chance.normal(4.4, 0.9, days), 1.5, 7.0)
    wanted = warm * 1e-3 * 2.88 * 0.9
    rain = np.where(chance.random(days) < 0.3, chance.gamma(0.8, 6.0, days), 0.0) * 1e-3 * 2.88
    own = wanted * _thirst(thirst, days, chance)
    times = np.arange(0.0, days, STEP_H / 24)
    drinks = _within_a_day(own)
    falls = np.zeros((days, 48))
    for day in np.flatnonzero(rain):
        hour = int(chance.integers(0, 46))
        falls[day, hour : hour + 2] += rain[day] / 2
    level, water, filled = HELD_M3, [], []
    for at, (drunk, fell) in enumerate(zip(drinks.ravel(), falls.ravel(), strict=True)):
        water.append(level)
        level = min(level - drunk - leak_m3_day / 48 + fell, HELD_M3)
        if level < 0.3 * HELD_M3 and at % 48 == 37:
            level = HELD_M3
            filled.append(times[at] + STEP_H / 24)
    read = np.array(water) + chance.normal(0.0, NOISE_M3, len(water))
    return told_from(times, read, wanted, rain, np.array(filled), HELD_M3)


def _thirst(thirst: Thirst, days: int, chance: np.random.Generator) -> Values:
    line = np.linspace(thirst.start, thirst.end, days)
    off = np.zeros(days)
    off[0] = chance.normal()
    for day in range(1, days):
        off[day] = thirst.memory * off[day - 1] + np.sqrt(1 - thirst.memory**2) * chance.normal()
    found: Values = line * np.maximum(1 + thirst.scatter * off, 0.1)
    return found


def _within_a_day(own: Values) -> Values:
    """What plants take in each half hour: from six to eight in the evening, most in the early afternoon."""
    hours = np.arange(48) * STEP_H + STEP_H / 2
    into_day = np.clip((hours - 6) / 14, 0.0, 1.0)
    share = into_day**1.2 * (1 - into_day)
    return np.outer(own, share / share.sum())


CASES = {
    "as forecast, scatter 10 %": Thirst(),
    "scatter 20 %": Thirst(scatter=0.2),
    "rising from 0.7 to 1.3, scatter 10 %": Thirst(0.7, 1.3),
    "rising from 0.7 to 1.3, scatter 20 %": Thirst(0.7, 1.3, 0.2),
    "falling from 1.3 to 0.7, scatter 10 %": Thirst(1.3, 0.7),
    "memory 0.6, scatter 20 %": Thirst(scatter=0.2, memory=0.6),
    "rising, memory 0.6, scatter 20 %": Thirst(0.7, 1.3, 0.2, 0.6),
}


def share_told(seeds: range, thirst: Thirst, leak_m3_day: float, days: int = 28) -> float:
    """Share of seeds in which a leak is told [0-1]."""
    return float(np.mean([told(seed, thirst, leak_m3_day, days).leaks for seed in seeds]))


def main(seeds: int) -> None:
    """Print a row a case: false alarms, and leaks of 2 and 4 L a day found."""
    for name, thirst in CASES.items():
        shares = [share_told(range(seeds), thirst, leak) for leak in (0.0, 0.002, 0.004)]
        print(f"{name}: " + ", ".join(f"{share:.1%}" for share in shares), flush=True)


if __name__ == "__main__":
    main(int(sys.argv[1]))
