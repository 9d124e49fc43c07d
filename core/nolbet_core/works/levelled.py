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

MOST_PASSED_OVER = 12
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
    """Days being filled one after the other. ready: may be worked on today; pending: by the day they may be."""

    def __init__(self, ordered: Sequence[Job], days: WorkingDays, rank: Rank) -> None:
        self.days, self.today = days, 0
        self.jobs = {job.key: job for job in ordered}
        self.left = {job.key: job.hours for job in ordered}
        self.pieces: Pieces = {}
        self.ready: list[tuple[tuple[float, ...], int, str]] = []
        self.pending: list[tuple[int, int, str]] = []
        self._rank = {job.key: ((0.0 if job.soon else 1.0, *rank(job)), place) for place, job in enumerate(ordered)}
        self._followers: dict[str, list[str]] = {}
        self._waits = {job.key: sum(before in self.jobs for before in set(job.after)) for job in ordered}
        self._free = dict.fromkeys(self.jobs, 0)
        for job in ordered:
            for before in set(job.after):
                self._followers.setdefault(before, []).append(job.key)
            if not self._waits[job.key]:
                self._release(job.key)

    def work_a_day(self) -> None:
        """Fill today, and go on to the next day on which anything may be done."""
        while self.pending and self.pending[0][0] <= self.today:
            self._make_ready(heapq.heappop(self.pending)[2])
        left, put_off, passed_over = self.days.hours, [], 0
        while self.ready and left > NEARLY_H and passed_over < MOST_PASSED_OVER:
            entry = heapq.heappop(self.ready)
            key = entry[2]
            taken = min(left, self.left[key])
            if taken < self._least(key) - NEARLY_H:
                put_off.append(entry)
                passed_over += 1
                continue
            left -= taken
            self.left[key] -= taken
            self.pieces.setdefault(key, []).append((self.today, taken))
            if self.left[key] > NEARLY_H:
                put_off.append(entry)
            else:
                self._done(key)
        for entry in put_off:
            heapq.heappush(self.ready, entry)
        self.today = self.today + 1 if self.ready or not self.pending else max(self.pending[0][0], self.today)

    def _least(self, key: str) -> float:
        """The least that is done of a job in one day [h]."""
        short = self.jobs[key].hours <= PARTED_SHARE * self.days.hours
        return self.left[key] if short else min(self.left[key], LEAST_PIECE_H)

    def _done(self, key: str) -> None:
        wait = self.jobs[key].wait_days
        free = self.today
        if wait:
            free = self.days.from_day(self.days.day(self.today) + timedelta(days=wait))
        for follower in self._followers.get(key, ()):
            self._free[follower] = max(self._free[follower], free)
            self._waits[follower] -= 1
            if not self._waits[follower]:
                self._release(follower)

    def _release(self, key: str) -> None:
        """What comes before is done: put a job where it may be worked on."""
        job, index = self.jobs[key], self._free[key]
        if job.not_before is not None:
            index = max(index, self.days.from_day(job.not_before))
        if job.release is not None:
            index = max(index, self.days.from_day(job.release(self.days.day(index))))
        if index <= self.today:
            self._make_ready(key)
        else:
            heapq.heappush(self.pending, (index, self._rank[key][1], key))

    def _make_ready(self, key: str) -> None:
        rank, place = self._rank[key]
        heapq.heappush(self.ready, (rank, place, key))


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
