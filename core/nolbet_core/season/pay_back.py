"""When what a bed gives adds up to what it cost, as a band from the seasons so far; nothing from one season alone."""

from __future__ import annotations

import math
from collections.abc import Sequence
from decimal import Decimal

from nolbet_core.record import record
from nolbet_core.season.trial import t_quantile

FAR_YEARS = 40
"""Nothing is told of what lies further off."""


@record
class PayBack:
    """The season in which worth adds up to cost: the earliest and the latest of nine in ten, None where not in sight.

    seasons: that it rests on. is_over: whether it has paid already.
    """

    earliest: int | None
    latest: int | None
    seasons: int
    is_over: bool


def pay_back(cost: Decimal, worths: Sequence[Decimal], last_season: int) -> PayBack | None:
    """When a bed pays, from what each season gave so far.

    cost: of the bed. worths: of each season that is over, first to last; last_season: the last of them. Of seasons to
    come each is worth what those so far were in the mean, give or take what they lay apart: after so many more the sum
    is taken by Student's t for a sum of new draws. None from fewer than two seasons, unless it has paid already.
    """
    if not worths:
        return None
    paid = Decimal(0)
    for index, worth in enumerate(worths):
        paid += worth
        if paid >= cost:
            season = last_season - len(worths) + 1 + index
            return PayBack(season, season, index + 1, True)
    count = len(worths)
    if count < 2:
        return None
    mean = float(paid) / count
    sd = math.sqrt(sum((float(each) - mean) ** 2 for each in worths) / (count - 1))
    wide = t_quantile(count - 1) * sd
    missing = float(cost - paid)
    ways = [_years_until(missing, mean, wide, sign, count) for sign in (1.0, -1.0)]
    earliest, latest = (None if each is None else last_season + each for each in ways)
    return PayBack(earliest, latest, count, False)


def _years_until(missing: float, mean: float, wide: float, sign: float, seasons: int) -> int | None:
    for years in range(1, FAR_YEARS + 1):
        off = wide * math.sqrt(years + years * years / seasons)
        if years * mean + sign * off >= missing:
            return years
    return None
