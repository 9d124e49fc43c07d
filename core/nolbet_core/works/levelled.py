"""The levelled plan: no day is booked for more hours than it has, what has least slack first."""

from __future__ import annotations

import heapq
from collections.abc import Callable, Mapping, Sequence
from datetime import timedelta

import numpy as np

from nolbet_core.record import record
from nolbet_core.works.job import Booked, Job, in_order
from nolbet_core.works.path import NEARLY_H, TimeSpan, day_index, spans
from nolbet_core.works.working_days import WorkingDays

PARTED_SHARE = 0.25
"""What takes no more of a day's hours than that is done in one go [0-1]."""
LEAST_PIECE_H = 0.5
"""Of what takes longer, nothing is begun in the evening for less than that [h]."""

MOST_PASSED_OVER = 4
"""So many that don't fit what is left of a day are looked at for one that does."""

FEW_JOBS = 80
"""Up to so many jobs, other orders than the usual ones are tried too."""
TRIED_ORDERS = 24
WAITED_H = 6.0
"""What a day of waiting counts for beside work [h]."""

Rank = Callable[[Job], tuple[float, ...]]


@record
class Levelled:
    """A levelled plan: jobs in the order they are begun in."""

    booked: tuple[Booked, ...]


def levelled(jobs: Sequence[Job], days: WorkingDays) -> Levelled:
    """Plan jobs so that no day is booked for more than its hours.

    Of several orders (by least slack, by what has to begin first, by the work that hangs on each; of few jobs some
    drawn at random round them) the plan is taken that is late least, and then over first. Raises UnorderedError.
    """
    ordered = in_order(jobs)
    if not ordered:
        return Levelled(())
    first = spans(ordered, days)
    tails = _tails(ordered)
    orders: list[Rank] = [
        lambda job: (first[job.key].slack, first[job.key].latest_start),
        lambda job: (first[job.key].latest_start, first[job.key].slack),
        lambda job: (-tails[job.key],),
    ]
    if len(ordered) <= FEW_JOBS:
        orders += [_drawn(seed, first, tails) for seed in range(TRIED_ORDERS)]
    plans = [_serial(ordered, days, order) for order in orders]
    best = min(plans, key=lambda plan: _judged(plan, ordered, days))
    end = max(days.day(pieces[-1][0]) for pieces in best.values())
    final = spans(ordered, days, end)
    by_key = {job.key: job for job in ordered}
    booked = [_booked(by_key[key], pieces, final[key], days) for key, pieces in best.items()]
    return Levelled(tuple(sorted(booked, key=lambda each: (each.on, each.until))))


Pieces = dict[str, list[tuple[int, float]]]
"""By job: index of each day it is worked on, and its hours there."""


def _serial(ordered: Sequence[Job], days: WorkingDays, rank: Rank) -> Pieces:
    """Day by day, whatever may be done in the order of its rank."""
    run = _Run(ordered, days, rank)
    while run.ready or run.pending:
        run.work_a_day()
    return run.pieces


class _Run:
    """Days being filled one after the other. ready: may be worked on today; pending: by the day they may be.

    Jobs go by their place in the order of their rank.
    """

    def __init__(self, ordered: Sequence[Job], days: WorkingDays, rank: Rank) -> None:
        self.days, self.today = days, 0
        self.jobs = sorted(ordered, key=lambda job: (0.0 if job.soon else 1.0, *rank(job)))
        self.left = [job.hours for job in self.jobs]
        self.pieces: Pieces = {}
        self.ready: list[int] = []
        self.pending: list[tuple[int, int]] = []
        places = {job.key: place for place, job in enumerate(self.jobs)}
        self._followers: list[list[int]] = [[] for _ in self.jobs]
        self._waits = [0] * len(self.jobs)
        self._free = [0] * len(self.jobs)
        for place, job in enumerate(self.jobs):
            for before in {places[key] for key in job.after if key in places}:
                self._followers[before].append(place)
                self._waits[place] += 1
        for place, waits in enumerate(self._waits):
            if not waits:
                self._release(place)

    def work_a_day(self) -> None:
        """Fill today, and go on to the next day on which anything may be done."""
        while self.pending and self.pending[0][0] <= self.today:
            heapq.heappush(self.ready, heapq.heappop(self.pending)[1])
        left, put_off, passed_over = self.days.hours, [], 0
        while self.ready and left > NEARLY_H and passed_over < MOST_PASSED_OVER:
            place = heapq.heappop(self.ready)
            taken = min(left, self.left[place])
            if taken < self._least(place) - NEARLY_H:
                put_off.append(place)
                passed_over += 1
                continue
            left -= taken
            self.left[place] -= taken
            self.pieces.setdefault(self.jobs[place].key, []).append((self.today, taken))
            if self.left[place] > NEARLY_H:
                put_off.append(place)
            else:
                self._done(place)
        for place in put_off:
            heapq.heappush(self.ready, place)
        self.today = self.today + 1 if self.ready or not self.pending else max(self.pending[0][0], self.today)

    def _least(self, place: int) -> float:
        """The least that is done of a job in one day [h]."""
        short = self.jobs[place].hours <= PARTED_SHARE * self.days.hours
        return self.left[place] if short else min(self.left[place], LEAST_PIECE_H, self.days.hours)

    def _done(self, place: int) -> None:
        wait = self.jobs[place].wait_days
        free = self.today
        if wait:
            free = self.days.from_day(self.days.day(self.today) + timedelta(days=wait))
        for follower in self._followers[place]:
            self._free[follower] = max(self._free[follower], free)
            self._waits[follower] -= 1
            if not self._waits[follower]:
                self._release(follower)

    def _release(self, place: int) -> None:
        """What comes before is done: put a job where it may be worked on."""
        job, index = self.jobs[place], self._free[place]
        if job.not_before is not None:
            index = max(index, self.days.from_day(job.not_before))
        if job.release is not None:
            index = max(index, self.days.from_day(job.release(self.days.day(index))))
        if index <= self.today:
            heapq.heappush(self.ready, place)
        else:
            heapq.heappush(self.pending, (index, place))


def _tails(ordered: Sequence[Job]) -> dict[str, float]:
    """Hours of a job and of the longest row of work that hangs on it, days waited counted with it."""
    own = {job.key: job.hours + WAITED_H * job.wait_days for job in ordered}
    tails = dict(own)
    for job in reversed(ordered):
        for before in job.after:
            if before in tails:
                tails[before] = max(tails[before], own[before] + tails[job.key])
    return tails


def _judged(plan: Pieces, ordered: Sequence[Job], days: WorkingDays) -> tuple[int, int]:
    """How late a plan is [days over all that is due], and the day it is over."""
    late = 0
    for job in ordered:
        if job.due is not None:
            late += max((days.day(plan[job.key][-1][0]) - job.due).days, 0)
    return late, max(pieces[-1][0] for pieces in plan.values())


def _drawn(seed: int, first: Mapping[str, TimeSpan], tails: Mapping[str, float]) -> Rank:
    """An order drawn round the usual ones; the same seed draws the same."""
    chance = np.random.default_rng(seed)
    spread = 0.15 + 0.85 * (seed + 1) / TRIED_ORDERS
    most = max(tails.values()) or 1.0
    noise = dict(zip(first, chance.normal(0.0, spread, len(first)).tolist(), strict=True))
    share = float(chance.random())

    def rank(job: Job) -> tuple[float, ...]:
        span = first[job.key]
        return (share * span.latest_start / most - (1 - share) * tails[job.key] / most + noise[job.key],)

    return rank


def _booked(job: Job, pieces: Sequence[tuple[int, float]], span: TimeSpan, days: WorkingDays) -> Booked:
    by_day = tuple((days.day(index), hours) for index, hours in pieces)
    until = by_day[-1][0]
    late = 0 if job.due is None else max((until - job.due).days, 0)
    earliest, latest = days.day(day_index(span.starts, days)), days.day(day_index(span.latest_start, days))
    return Booked(job.key, by_day[0][0], until, by_day, earliest, latest, late)
