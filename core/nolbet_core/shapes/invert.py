"""The height at which a rising volume reaches a value."""

from __future__ import annotations

from collections.abc import Callable

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
