"""Timber by its name and by its true size, and how many courses of it make a depth."""

from __future__ import annotations

import re
from functools import lru_cache

from nolbet_core.record import record

THICK_M = {"1": 0.019, "5/4": 0.025, "2": 0.038, "4": 0.089, "6": 0.140}
"""True thickness by nominal inches [m] (ALSC PS 20)."""

WIDE_M = {"2": 0.038, "3": 0.064, "4": 0.089, "6": 0.140, "8": 0.184, "10": 0.235, "12": 0.286}
"""True width by nominal inches [m] (ALSC PS 20)."""

USUAL_SIZES = ("1x6", "1x8", "5/4x6", "2x6", "2x8", "2x10", "2x12", "4x4", "4x6", "4x8", "6x6", "6x8")
"""Sizes that beds are usually built of."""

NOMINAL = re.compile(r"\s*(?P<thick>[\d/]+)\s*[x×]\s*(?P<wide>\d+)\s*", re.IGNORECASE)

SAME_M = 1e-6


class SizeProblem(ValueError):  # noqa: N818 - told to the gardener as such
    """A name that no timber has."""


@lru_cache(maxsize=256)
def nominal_size(name: str) -> tuple[float, float]:
    """True thickness and width [m] of timber by its nominal name, as 2x10.

    Raises SizeProblem where there is no such size, saying which there are.
    """
    read = NOMINAL.fullmatch(name)
    if read is None or read["thick"] not in THICK_M or read["wide"] not in WIDE_M:
        raise SizeProblem(
            f"'{name}' is no size of timber; write it as 2x10, {', '.join(THICK_M)} thick by {', '.join(WIDE_M)} wide"
        )
    return THICK_M[read["thick"]], WIDE_M[read["wide"]]


@record
class Courses:
    """Courses of a board one on the other: how many, and how high they stand [m].

    fewer_m, more_m: what one less and one more would make [m]; none less where there is one. rip_to_m: how wide the
    topmost had to be ripped for the depth asked for, where that lies between.
    """

    count: int
    height_m: float
    fewer_m: float | None
    more_m: float
    rip_to_m: float | None


def courses_for(depth_m: float, width_m: float) -> Courses:
    """The courses nearest to a depth [m]. width_m: of a board [m]."""
    count = max(round(depth_m / width_m), 1)
    return courses_of(count, width_m, depth_m)


def courses_of(count: int, width_m: float, depth_m: float) -> Courses:
    """So many courses of boards of a width [m], for a depth that was asked for [m]."""
    height_m = count * width_m
    whole = int(depth_m / width_m + SAME_M)
    left_m = depth_m - whole * width_m
    ripped = SAME_M < left_m < width_m - SAME_M
    fewer_m = (count - 1) * width_m if count > 1 else None
    return Courses(count, height_m, fewer_m, (count + 1) * width_m, left_m if ripped else None)
