"""What a schedule needs to know of a step: its hours, what has to be done before, and when it may be and has to be."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from datetime import date

from nolbet_core.record import record

Release = Callable[[date], date]
"""From the day a job could be begun on to the first that it may be: never earlier, later for later ones."""


@record
class Job:
    """A piece of work. hours: of all who work on it together. after: keys of what comes before.

    wait_days: to be waited for after it, before what follows. not_before: the first day it may be begun on. due: the
    day it is to be done by. release: what moves it on further by the day it could be begun on. soon: whether it
    goes before all others, since somebody is waited for after it.
    """

    key: str
    hours: float
    after: tuple[str, ...] = ()
    wait_days: int = 0
    not_before: date | None = None
    due: date | None = None
    release: Release | None = None
    soon: bool = False


@record
class Booked:
    """A job in the plan. on, until: the first and the last day it is worked on. by_day: hours of each such day.

    earliest, latest: the first day it could be begun on if nothing else were done, and the last that still holds every
    day that is due. late_days: how many days over its own due one it is done.
    """

    key: str
    on: date
    until: date
    by_day: tuple[tuple[date, float], ...]
    earliest: date
    latest: date
    late_days: int

    @property
    def slack_days(self) -> int:
        """Days between the earliest and the latest beginning."""
        return (self.latest - self.earliest).days


class UnorderedError(ValueError):
    """Jobs that wait for each other in a ring. keys: of the ring's."""

    def __init__(self, keys: Sequence[str]) -> None:
        self.keys = tuple(keys)
        super().__init__(f"these wait for each other: {', '.join(keys)}")


def in_order(jobs: Sequence[Job]) -> list[Job]:
    """Jobs with what comes before each before it, otherwise in their order. What isn't there is not waited for.

    Raises UnorderedError where some wait for each other.
    """
    by_key = {job.key: job for job in jobs}
    waits = {job.key: {each for each in job.after if each in by_key} for job in jobs}
    followers: dict[str, list[str]] = {}
    for key, before in waits.items():
        for each in before:
            followers.setdefault(each, []).append(key)
    left = {key: len(before) for key, before in waits.items()}
    ready = [job.key for job in reversed(jobs) if not left[job.key]]
    ordered: list[Job] = []
    while ready:
        key = ready.pop()
        ordered.append(by_key[key])
        for follower in reversed(followers.get(key, ())):
            left[follower] -= 1
            if not left[follower]:
                ready.append(follower)
    if len(ordered) < len(jobs):
        raise UnorderedError([key for key, count in left.items() if count])
    return ordered
