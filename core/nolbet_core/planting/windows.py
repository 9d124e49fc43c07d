"""From when until when a crop can be sown or planted, so that frost spares it and it still ripens."""

from __future__ import annotations

from datetime import date, timedelta

from nolbet_core.climate.year import Year, next_day
from nolbet_core.planting.crops import Crop, Hardiness
from nolbet_core.record import record

FROM_LAST_FROST_DAYS: dict[Hardiness, int] = {"hardy": -56, "half_hardy": -21, "tender": 7}
"""Days from the last frost to the first sowing or planting (estimate)."""

PAST_FIRST_FROST_DAYS: dict[Hardiness, int] = {"hardy": 28, "half_hardy": 0, "tender": -7}
"""Days from the first frost to the last harvest that is counted on (estimate)."""

PERENNIAL_BEFORE_FROST_DAYS = 42
"""A perennial is planted so long before the first frost, to root."""
YEARS_AHEAD = 3

AUTUMN_FROM_FROST_DAYS = (-21, 42)
"""What is planted in autumn and stands through the winter goes in from so long before the first frost until so long
after it (estimate)."""
WINTER_REST_DAYS = 120
"""So much longer it stands than what is sown in spring (estimate)."""


@record
class SowingWindow:
    """Days from which, and until which, a crop can be sown or planted in one season."""

    opens: date
    closes: date


def sowing_window(crop: Crop, ready: date, year: Year) -> SowingWindow | None:
    """The first season in which a crop can still be sown on or after a day, opening no sooner than that.

    ready: from when the bed can take it. None where no season there is long enough for it.
    """
    for ahead in range(-1, YEARS_AHEAD):
        for window in _windows_of(crop, ready.year + ahead, year):
            if window.closes >= window.opens and window.closes >= ready:
                return SowingWindow(max(window.opens, ready), window.closes)
    return None


def goes_in_autumn(crop: Crop, begins: date, year: Year) -> bool:
    """Whether a crop that can be planted in autumn goes in then, on a day."""
    if "autumn" not in crop.traits:
        return False
    return any(
        window.opens <= begins <= window.closes for window in (_autumn(begins.year + ahead, year) for ahead in (-1, 0))
    )


def _windows_of(crop: Crop, calendar_year: int, year: Year) -> list[SowingWindow]:
    spring = _in_year(crop, calendar_year, year)
    return [spring, _autumn(calendar_year, year)] if "autumn" in crop.traits else [spring]


def _autumn(calendar_year: int, year: Year) -> SowingWindow:
    first = next_day(date(calendar_year, *year.last_frost), year.first_frost)
    begins, ends = AUTUMN_FROM_FROST_DAYS
    return SowingWindow(first + timedelta(days=begins), first + timedelta(days=ends))


def _in_year(crop: Crop, calendar_year: int, year: Year) -> SowingWindow:
    last = date(calendar_year, *year.last_frost)
    first = next_day(last, year.first_frost)
    opens = last + timedelta(days=FROM_LAST_FROST_DAYS[crop.hardiness])
    if "perennial" in crop.traits:
        return SowingWindow(opens, first - timedelta(days=PERENNIAL_BEFORE_FROST_DAYS))
    if "winter" in crop.traits:
        return SowingWindow(opens, first - timedelta(days=min(crop.days // 2, PERENNIAL_BEFORE_FROST_DAYS)))
    harvest = first + timedelta(days=PAST_FIRST_FROST_DAYS[crop.hardiness])
    return SowingWindow(opens, harvest - timedelta(days=crop.days))


def successions(begins: date, every_weeks: int, closes: date) -> list[date]:
    """Days of sowing again and again until the last that still ripens."""
    days = [begins]
    while (following := days[-1] + timedelta(weeks=every_weeks)) <= closes:
        days.append(following)
    return days
