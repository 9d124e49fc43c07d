"""Two beds side by side: does one give more of the same crop, or is it chance?

Paired by week, so that a good week for both isn't taken for a good bed; the interval of the mean difference by
Student's t with one less than the weeks (Student 1908; Snedecor and Cochran 1989, chapter 6). Two beds also differ by
place alone, in sun, wind and soil, which no number of weeks averages out: that widens the interval.
"""

from __future__ import annotations

import math
from collections.abc import Iterable
from datetime import date
from functools import lru_cache
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from nolbet_core.record import record

LEAST_WEEKS = 4
"""With fewer pairs nothing is told."""
SURE = 0.9
ALIKE = 0.7
"""In so many of the weeks the same one has to give more, so that no single week tells."""
MATTERS = 0.05
"""A difference under this share of what both give isn't told, however sure it is."""

PLACE_SD = 0.15
"""Difference of two beds that were treated alike, standard deviation as a share of their yield (estimate)."""
SAME_PLACE_SD = 0.0
"""The same of two halves of one bed."""
NORMAL_QUANTILE = 1.645
"""Half the width of an interval that holds nine in ten, in standard deviations."""

Verdict = Literal["first", "second", "open"]
"""Which of two gives more; open: not enough to tell."""


@record
class Trial:
    """What two places gave of a crop by the week, on a m2. more: which gave more; open where that can't be told.

    weeks: in which either was picked. first_yield, second_yield: of a week in the mean. yield_gap: of the
    first over the second, in the mean of weeks; gap_low, gap_high: of that in nine of ten, null with fewer than
    two weeks.
    """

    weeks: int
    first_yield: float
    second_yield: float
    yield_gap: float
    gap_low: float | None
    gap_high: float | None
    more: Verdict


def trial_of(
    first: Iterable[tuple[date, float]], second: Iterable[tuple[date, float]], place_sd: float = PLACE_SD
) -> Trial:
    """Compare harvests of two places.

    first, second: day and yield of each harvest on a m2 [kg or pieces]. A week in which only one was picked counts
    with nothing for the other. place_sd: how far the places differ by themselves, as a share of the yield.
    """
    one, other = _by_week(first), _by_week(second)
    weeks = sorted({*one, *other})
    ones = np.array([one.get(week, 0.0) for week in weeks])
    others = np.array([other.get(week, 0.0) for week in weeks])
    count = len(weeks)
    if count == 0:
        return Trial(0, 0.0, 0.0, 0.0, None, None, "open")
    differences = ones - others
    mean = float(differences.mean())
    means = float(ones.mean()), float(others.mean())
    if count < 2:
        return Trial(count, *means, mean, None, None, "open")
    by_weeks = t_quantile(count - 1) * float(differences.std(ddof=1)) / math.sqrt(count)
    half = math.hypot(by_weeks, NORMAL_QUANTILE * place_sd * sum(means) / 2)
    low, high = mean - half, mean + half
    more: Verdict = _told(differences, sum(means) / 2) if not low <= 0 <= high else "open"
    return Trial(count, *means, mean, low, high, more)


def _told(differences: NDArray[np.float64], usual: float) -> Verdict:
    """Which gives more, where enough weeks say so and it matters."""
    mean = float(differences.mean())
    alike = float(np.mean(differences * mean > 0))
    if len(differences) < LEAST_WEEKS or alike < ALIKE or abs(mean) < MATTERS * usual:
        return "open"
    return "first" if mean > 0 else "second"


@lru_cache(maxsize=64)
def t_quantile(freedom: int, sure: float = SURE) -> float:
    """Half the width of an interval that holds with a share of `sure`, in standard errors."""
    from scipy.stats import t  # noqa: PLC0415 -- a slow import that few figures need

    return float(t.ppf((1 + sure) / 2, freedom))


def _by_week(harvests: Iterable[tuple[date, float]]) -> dict[tuple[int, int], float]:
    sums: dict[tuple[int, int], float] = {}
    for on, per_m2 in harvests:
        week = on.isocalendar()[:2]
        sums[week] = sums.get(week, 0.0) + per_m2
    return sums
