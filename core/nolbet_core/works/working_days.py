"""The days a garden is worked on, one after the other, as far out as they are asked for."""

from __future__ import annotations

from bisect import bisect_left, bisect_right
from collections.abc import Iterable
from datetime import date, timedelta

A_DAY = timedelta(days=1)
LAST_DAY = date(2200, 1, 1)
"""No work is planned further out."""


class WorkingDays:
    """Working days from a first one on, counted from 0. weekdays: that are worked on, 0 for Monday. off: that are not.

    hours: that all who work do together on such a day.
    """

    def __init__(self, first: date, weekdays: Iterable[int], off: Iterable[date], hours: float) -> None:
        self._weekdays, self._off = frozenset(weekdays), frozenset(off)
        self.hours = hours
        self._next, self._days = first, list[date]()

    def day(self, index: int) -> date:
        """The working day of an index. Raises ValueError beyond the last day that can be planned for."""
        while len(self._days) <= index:
            self._one_more()
        return self._days[index]

    def from_day(self, day: date) -> int:
        """Index of the first working day on or after a day."""
        while not self._days or self._days[-1] < day:
            self._one_more()
        return bisect_left(self._days, day)

    def until_day(self, day: date) -> int:
        """Index of the last working day on or before a day; -1 where there is none."""
        while not self._days or self._days[-1] <= day:
            self._one_more()
        return bisect_right(self._days, day) - 1

    def _one_more(self) -> None:
        while True:
            day = self._next
            if day >= LAST_DAY:
                raise ValueError("no working day is left; give more days of the week, or fewer days off")
            self._next = day + A_DAY
            if day.weekday() in self._weekdays and day not in self._off:
                self._days.append(day)
                return
