"""The ways of which none is better than another in everything."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Generic, TypeVar

import numpy as np

Thing = TypeVar("Thing")

SAME = 1e-9


def is_beaten(costs: Sequence[float], by: Sequence[float]) -> bool:
    """Whether another is no worse in anything, and better in something. Less is better of each."""
    no_worse = all(theirs <= own + SAME for own, theirs in zip(costs, by, strict=True))
    return no_worse and any(theirs < own - SAME for own, theirs in zip(costs, by, strict=True))


class Front(Generic[Thing]):
    """Keeps the things that none of those added beats, in the order they were added; of equals the first."""

    def __init__(self) -> None:
        self._kept: list[tuple[tuple[float, ...], Thing]] = []

    @property
    def things(self) -> list[Thing]:
        """What is on the front."""
        return [thing for _, thing in self._kept]

    def beats(self, costs: tuple[float, ...]) -> bool:
        """Whether a thing on the front beats such costs."""
        return any(is_beaten(costs, known) for known, _ in self._kept)

    def add(self, costs: tuple[float, ...], thing: Thing) -> bool:
        """Add a thing; whether it is on the front."""
        for known, _ in self._kept:
            if is_beaten(costs, known) or _alike(costs, known):
                return False
        self._kept = [each for each in self._kept if not is_beaten(each[0], costs)]
        self._kept.append((costs, thing))
        return True


def spread_out(costs: Sequence[Sequence[float]], most: int) -> list[int]:
    """Places of so many of the ways at most that differ most: the best in each thing, then whatever lies farthest from
    all that are taken, each thing measured by how far apart the ways lie in it.
    """
    if len(costs) <= most:
        return list(range(len(costs)))
    values = np.array(costs, dtype=float)
    low, high = values.min(axis=0), values.max(axis=0)
    scaled = (values - low) / np.where(high > low, high - low, 1.0)
    taken = list(dict.fromkeys(int(each) for each in scaled.argmin(axis=0)))[:most]
    nearest = np.min([np.linalg.norm(scaled - scaled[each], axis=1) for each in taken], axis=0)
    while len(taken) < most:
        nearest[taken] = -1.0
        farthest = int(np.argmax(nearest))
        taken.append(farthest)
        nearest = np.minimum(nearest, np.linalg.norm(scaled - scaled[farthest], axis=1))
    return sorted(taken)


def _alike(one: Sequence[float], other: Sequence[float]) -> bool:
    return all(abs(a - b) <= SAME for a, b in zip(one, other, strict=True))
