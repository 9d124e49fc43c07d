"""A measure: two timings taken in turns, their ratio, and the limit it has to keep."""

from __future__ import annotations

import resource
import statistics
import time
from collections.abc import Callable
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Measure:
    """What was measured: the ratio (or the size), its limit, and the figures behind it."""

    name: str
    ratio: float
    limit: float
    detail: str

    @property
    def holds(self) -> bool:
        """Whether the limit is kept."""
        return self.ratio <= self.limit


def children_cpu_seconds() -> float:
    """CPU time [s] of all processes that this one started and that have ended."""
    used = resource.getrusage(resource.RUSAGE_CHILDREN)
    return used.ru_utime + used.ru_stime


def compare(
    name: str,
    limit: float,
    run: Callable[[], object],
    against: Callable[[], object],
    rounds: int,
    repeats: int = 1,
    clock: Callable[[], float] = time.perf_counter,
) -> Measure:
    """How many times longer one takes than the other: the median over rounds in which both are timed in turn.

    repeats: how often the other is run for each time of the one, so that a slow moment of the machine meets both alike;
    its time is then the mean of a run. clock: what tells the time [s], the wall's or the processor's.
    """
    _seconds(run, clock)
    _seconds(against, clock)
    ours: list[float] = []
    theirs: list[float] = []
    for _ in range(rounds):
        before = [_seconds(against, clock) for _ in range(repeats // 2)]
        ours.append(_seconds(run, clock))
        after = [_seconds(against, clock) for _ in range(repeats - repeats // 2)]
        theirs.append(statistics.fmean([*before, *after]))
    ratio = statistics.median(one / other for one, other in zip(ours, theirs, strict=True))
    one, other = statistics.median(ours), statistics.median(theirs)
    return Measure(name, ratio, limit, f"{one * 1000:.3f} ms against {other * 1000:.3f} ms")


def _seconds(run: Callable[[], object], clock: Callable[[], float]) -> float:
    start = clock()
    run()
    return clock() - start
