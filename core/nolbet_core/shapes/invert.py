"""The height at which a rising volume reaches a value."""

from __future__ import annotations

from collections.abc import Callable

import numpy as np
from numpy.typing import NDArray

Values = NDArray[np.float64]

MOST_STEPS = 200
RELATIVE_ERROR = 1e-14


def invert_rising(rising: Callable[[float], float], low: float, high: float, wanted: float) -> float:
    """Where a rising function takes a value, to 1e-14 of the bracket.

    rising: continuous and nowhere falling between `low` and `high`. wanted: a value between those at the two ends; one
    beyond them gives that end. False position with the Illinois correction (Dowell and Jarratt 1971), halving when
    that is slow.
    """
    at_low, at_high = rising(low) - wanted, rising(high) - wanted
    if at_low >= 0:
        return low
    if at_high <= 0:
        return high
    close = RELATIVE_ERROR * max(abs(low), abs(high), 1e-3)
    side = 0
    for step in range(MOST_STEPS):
        middle = (low + high) / 2 if step % 8 == 7 else (low * at_high - high * at_low) / (at_high - at_low)
        at_middle = rising(middle) - wanted
        if at_middle == 0 or high - low <= close:
            return middle
        if at_middle > 0:
            high, at_high = middle, at_middle
            at_low = at_low / 2 if side > 0 else at_low
            side = 1
        else:
            low, at_low = middle, at_middle
            at_high = at_high / 2 if side < 0 else at_high
            side = -1
    return (low + high) / 2


def standing_height(
    volume_to: Callable[[float], float], rim_m: float, rim_m2: float, base_m: float, volume_m3: float
) -> float:
    """Height [m] at which a volume [m3] poured in from a base height [m] stands; over the rim on the rim's area.

    volume_to: volume under a height [m3], rising up to the rim. rim_m: height of the rim [m]. rim_m2: its area [m2].
    """
    wanted = volume_to(base_m) + volume_m3
    over = wanted - volume_to(rim_m)
    if over >= 0:
        return rim_m + over / rim_m2
    return invert_rising(volume_to, 0.0, rim_m, wanted)


def invert_rising_for_all(rising: Callable[[Values], Values], low: float, high: float, wanted: Values) -> Values:
    """Where a rising function takes each of some values: `invert_rising` for all of them at once, step by step alike.

    rising: takes and gives an array. low, high, wanted: as there.
    """
    lows, highs = np.full_like(wanted, low), np.full_like(wanted, high)
    at_lows, at_highs = rising(lows) - wanted, rising(highs) - wanted
    found = np.where(at_lows >= 0, lows, highs)
    left = np.flatnonzero((at_lows < 0) & (at_highs > 0))
    close = RELATIVE_ERROR * max(abs(low), abs(high), 1e-3)
    lows, highs, at_lows, at_highs, wanted = (each[left] for each in (lows, highs, at_lows, at_highs, wanted))
    side = np.zeros(len(left))
    for step in range(MOST_STEPS):
        if not len(left):
            break
        halved = step % 8 == 7
        middle = (lows + highs) / 2 if halved else (lows * at_highs - highs * at_lows) / (at_highs - at_lows)
        at_middle = rising(middle) - wanted
        done = (at_middle == 0) | (highs - lows <= close)
        found[left[done]] = middle[done]
        above = at_middle > 0
        at_lows = np.where(above, np.where(side > 0, at_lows / 2, at_lows), at_middle)
        at_highs = np.where(above, at_middle, np.where(side < 0, at_highs / 2, at_highs))
        highs, lows = np.where(above, middle, highs), np.where(above, lows, middle)
        side = np.where(above, 1.0, -1.0)
        going = ~done
        left, wanted, side = left[going], wanted[going], side[going]
        lows, highs, at_lows, at_highs = (each[going] for each in (lows, highs, at_lows, at_highs))
    found[left] = (lows + highs) / 2
    return found
