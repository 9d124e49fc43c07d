"""A garden's mean temperatures, and the springs that follow a day."""

from __future__ import annotations

import itertools
from calendar import monthrange
from dataclasses import dataclass
from datetime import date, timedelta

from nolbet_core.settling.clock import REFERENCE_C

SEASON_WARMER_C = 5.5
"""How much warmer than the year the growing season is [degrees C] (estimate for temperate gardens)."""

DAYS_A_MONTH = 365.25 / 12
SEASON_MONTHS = 6
"""How long a growing season is [months]."""

COMMON_YEAR = 2027

SPRING_NORTH = (4, 15)
SPRING_SOUTH = (10, 15)
AUTUMN_NORTH = (10, 15)
AUTUMN_SOUTH = (4, 15)
WINTER_DAYS = 60
"""A winter counts where at least so many days lie between building and the spring's last frost."""

UNDATED_SPRING_MONTH = 6
"""Month of the first spring of a bed without a date, built in autumn as is usual."""


@dataclass(frozen=True, slots=True)
class Year:
    """A garden's year. mean_temp_c: of all of it [degrees C]. last_frost, first_frost: month and day of each.

    today: the day that is now, where it is known; it stands in for a building day that isn't given. monthly_temps_c:
    means of January to December where they are known, else nothing [degrees C].
    """

    mean_temp_c: float = REFERENCE_C
    last_frost: tuple[int, int] = SPRING_NORTH
    first_frost: tuple[int, int] = AUTUMN_NORTH
    today: date | None = None
    monthly_temps_c: tuple[float, ...] = ()

    @property
    def season_temp_c(self) -> float:
        """Mean temperature of the growing season [degrees C]: of the six warmest months where they are known."""
        if not self.monthly_temps_c:
            return self.mean_temp_c + SEASON_WARMER_C
        return sum(sorted(self.monthly_temps_c)[-SEASON_MONTHS:]) / SEASON_MONTHS

    def temps_from(self, built: date | None) -> tuple[float, ...]:
        """Mean temperatures of the twelve months from a day on [degrees C]; an undated bed is built in autumn."""
        if not self.monthly_temps_c:
            return (self.mean_temp_c,) * 12
        day = built or date(COMMON_YEAR, *self.first_frost)
        into = (day.day - 1) / monthrange(day.year, day.month)[1]
        months = [(day.month - 1 + each) % 12 for each in range(13)]
        warmth = [self.monthly_temps_c[each] for each in months]
        return tuple((1 - into) * one + into * next_one for one, next_one in itertools.pairwise(warmth))


def garden_year(
    mean_temp_c: float | None,
    last_frost: str | None,
    first_frost: str | None,
    latitude_deg: float | None,
    today: date | None,
    monthly_temps_c: tuple[float, ...] = (),
) -> Year:
    """A garden's year from what it says of itself, "MM-DD" for frosts; where it says nothing, usual ones for its half.

    mean_temp_c [degrees C], 12 where it isn't given. latitude_deg: south is negative [degrees]. today, monthly_temps_c:
    as a Year has them.
    """
    south = latitude_deg is not None and latitude_deg < 0
    return Year(
        REFERENCE_C if mean_temp_c is None else mean_temp_c,
        _month_day(last_frost) if last_frost else SPRING_SOUTH if south else SPRING_NORTH,
        _month_day(first_frost) if first_frost else AUTUMN_SOUTH if south else AUTUMN_NORTH,
        today,
        monthly_temps_c,
    )


def ends_in_second_half(last_frost: str) -> bool:
    """Whether frosts, "MM-DD", end in the second half of the year, as in the south."""
    return _month_day(last_frost)[0] > 6


def _month_day(text: str) -> tuple[int, int]:
    month, day = text.split("-")
    return int(month), int(day)


def next_day(after: date, month_day: tuple[int, int]) -> date:
    """The first day of a month and day on or after another."""
    this_year = _day(after.year, month_day)
    return this_year if this_year >= after else _day(after.year + 1, month_day)


def _day(year: int, month_day: tuple[int, int]) -> date:
    month, day = month_day
    return date(year, month, min(day, monthrange(year, month)[1]))


def first_spring(built: date, year: Year) -> date:
    """The last frost after the first winter that a bed built on a day goes through."""
    spring = next_day(built, year.last_frost)
    if (spring - built).days >= WINTER_DAYS:
        return spring
    return next_day(spring + timedelta(days=1), year.last_frost)


def spring_months(built: date | None, year: Year, springs: int = 10) -> list[int]:
    """Whole months from building to each of the springs after it; undated beds count as built in autumn."""
    if built is None:
        first = UNDATED_SPRING_MONTH
    else:
        first = max(round((first_spring(built, year) - built).days / DAYS_A_MONTH), 1)
    return [first + 12 * each for each in range(springs) if first + 12 * each <= 120]


SPRING_LASTS_DAYS = 60
"""How long after the last frost beds are still topped up for that spring [days]."""


def coming_spring(today: date, year: Year) -> date:
    """The last frost of the spring that is now, or comes next."""
    return next_day(today - timedelta(days=SPRING_LASTS_DAYS), year.last_frost)


def months_between(earlier: date, later: date) -> float:
    """Months from a day to another, years of 365.25 days."""
    return (later - earlier).days / DAYS_A_MONTH


def day_after_months(built: date, months: float) -> date:
    """The day so many months after another."""
    return built + timedelta(days=round(months * DAYS_A_MONTH))
