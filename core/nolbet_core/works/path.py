"""Forwards and backwards through the jobs of a garden: when each could be begun, and when it has to be.

Both count on one axis of working hours, day after day, so that jobs of some hours share a day.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from datetime import date, timedelta

from nolbet_core.record import record
from nolbet_core.works.job import Job
from nolbet_core.works.working_days import WorkingDays

NEARLY_H = 1e-6


@record
class TimeSpan:
    """When a job could begin and end, and when it has to at the latest [working hours from the first day]."""

    starts: float
    ends: float
    latest_start: float
    latest_end: float

    @property
    def slack(self) -> float:
        """Working hours it can be put off by."""
        return self.latest_start - self.starts


def spans(ordered: Sequence[Job], days: WorkingDays, end: date | None = None) -> dict[str, TimeSpan]:
    """When each job could be done if all hands did it alone, and when it has to be.

    ordered: with what comes before each before it. end: by which all is to be done that isn't due, where it can be.
    """
    starts, ends = _forwards(ordered, days)
    latest_ends = _backwards(ordered, days, starts, ends, end)
    return {
        job.key: TimeSpan(starts[job.key], ends[job.key], latest_ends[job.key] - job.hours, latest_ends[job.key])
        for job in ordered
    }


def day_index(at: float, days: WorkingDays) -> int:
    """Index of the working day on which something begins."""
    return math.floor((at + NEARLY_H) / days.hours)


def last_index(starts: float, ends: float, days: WorkingDays) -> int:
    """Index of the working day on which something ends; of what takes no time, that on which it begins."""
    if ends - starts <= NEARLY_H:
        return day_index(ends, days)
    return math.ceil((ends - NEARLY_H) / days.hours) - 1


def _forwards(ordered: Sequence[Job], days: WorkingDays) -> tuple[dict[str, float], dict[str, float]]:
    starts: dict[str, float] = {}
    ends: dict[str, float] = {}
    waits: dict[str, int] = {}
    for job in ordered:
        begins = 0.0 if job.not_before is None else days.from_day(job.not_before) * days.hours
        for before in job.after:
            if before not in ends:
                continue
            free = ends[before]
            if waits[before]:
                done = days.day(last_index(starts[before], free, days))
                free = days.from_day(done + timedelta(days=waits[before])) * days.hours
            begins = max(begins, free)
        starts[job.key] = released(job, begins, days)
        ends[job.key] = starts[job.key] + job.hours
        waits[job.key] = job.wait_days
    return starts, ends


def released(job: Job, begins: float, days: WorkingDays) -> float:
    """When a job may begin that could at an hour [working hours]."""
    if job.release is None:
        return begins
    could = days.day(day_index(begins, days))
    may = job.release(could)
    return begins if may <= could else days.from_day(may) * days.hours


def _backwards(
    ordered: Sequence[Job], days: WorkingDays, starts: Mapping[str, float], ends: Mapping[str, float],
    end: date | None,
) -> dict[str, float]:  # fmt: skip
    last = max((last_index(starts[key], ends[key], days) for key in ends), default=0)
    if end is not None:
        last = max(last, days.until_day(end))
    end_h = (last + 1) * days.hours
    latest = dict.fromkeys((job.key for job in ordered), end_h)
    waits = {job.key: job.wait_days for job in ordered}
    for job in reversed(ordered):
        if job.due is not None:
            by_due = (days.until_day(job.due) + 1) * days.hours
            latest[job.key] = by_due if latest[job.key] == end_h else min(latest[job.key], by_due)
        latest[job.key] = max(latest[job.key], ends[job.key])
        begins = latest[job.key] - job.hours
        free = _held_back(job, begins, days)
        for before in job.after:
            if before in latest:
                latest[before] = min(latest[before], _by_wait(free, waits[before], days))
    return latest


def _by_wait(free: float, wait_days: int, days: WorkingDays) -> float:
    """When what comes before has to end [working hours], so that what follows may begin."""
    if not wait_days:
        return free
    latest_day = days.day(day_index(free, days)) - timedelta(days=wait_days)
    return (days.until_day(latest_day) + 1) * days.hours


def _held_back(job: Job, begins: float, days: WorkingDays) -> float:
    """When all that comes before has to be over so that a job may begin at an hour, its release with it."""
    if job.release is None:
        return begins
    wanted = days.day(day_index(begins, days))
    low, high = 0, day_index(begins, days)
    if job.release(days.day(high)) <= wanted:
        return begins
    while low < high:
        middle = (low + high + 1) // 2
        if job.release(days.day(middle)) <= wanted:
            low = middle
        else:
            high = middle - 1
    return (low + 1) * days.hours - 2 * NEARLY_H
