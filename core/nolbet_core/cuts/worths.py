"""What the pieces that fit a length are worth at most, for every length at once: a bounded knapsack on a fine grid."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

import numpy as np
from numpy.typing import NDArray

from nolbet_core.cuts.stock import SAME_M, CutWish, Saw

CELL_M = 1e-4
"""A tenth of a millimetre: what takes part of a cell counts as less, so that nothing that fits is overlooked."""

EDGE = 1e-6

Values = NDArray[np.float64]


class Worths:
    """Tables of what wishes are worth in a length, from each wish on: those after it alone.

    wishes: pieces with how many are wanted. worth: of one of each. most_m: the longest board's room [m]. allowed: which
    wishes may come out of the boards that are asked for.
    """

    def __init__(
        self, wishes: Sequence[CutWish], worth: Sequence[float], saw: Saw, most_m: float, allowed: Sequence[bool]
    ) -> None:
        self._worth, self._saw = worth, saw
        self._most = [wish.count if may else 0 for wish, may in zip(wishes, allowed, strict=True)]
        self._takes = [saw.taken(wish.length_m) for wish in wishes]
        self._cells = [max(int(take / CELL_M + EDGE), 1) for take in self._takes]
        room = int(most_m / CELL_M + EDGE)
        self._tables: list[Values] = [np.zeros(room + 1)]
        for at in range(len(wishes) - 1, -1, -1):
            after = self._tables[0]
            usable = self._most[at] > 0 and worth[at] > 0
            self._tables.insert(0, self._with(at, after) if usable else after)

    def _with(self, at: int, after: Values) -> Values:
        table = after.copy()
        cells, worth = self._cells[at], self._worth[at]
        for number in range(1, min(self._most[at], (len(after) - 1) // cells) + 1):
            shift = number * cells
            np.maximum(table[shift:], after[: len(after) - shift] + number * worth, out=table[shift:])
        return table

    def best(self, room_m: float) -> tuple[float, tuple[int, ...]]:
        """What fits a room [m] is worth at most so much, and which pieces that are."""
        room = int(room_m / CELL_M + EDGE)
        value, counts = float(self._tables[0][room]), []
        for at in range(len(self._most)):
            number = self._number(at, room)
            counts.append(number)
            room -= number * self._cells[at]
        return value, tuple(counts)

    def _number(self, at: int, room: int) -> int:
        wanted, after = self._tables[at][room], self._tables[at + 1]
        number = 0
        while after[room - number * self._cells[at]] + number * self._worth[at] < wanted - 1e-9:
            number += 1
        return number

    def fits(self, counts: Sequence[int], room_m: float) -> bool:
        """Whether pieces fit a room [m], the grid left aside."""
        return sum(take * count for take, count in zip(self._takes, counts, strict=True)) <= room_m + SAME_M

    def above(self, room_m: float, least: float) -> Iterator[tuple[int, ...]]:
        """Every choice of pieces for a room [m] that is worth at least so much."""
        counts = [0] * len(self._most)

        def look(at: int, room: int, value: float) -> Iterator[tuple[int, ...]]:
            if at == len(counts):
                if any(counts) and self.fits(counts, room_m):
                    yield tuple(counts)
                return
            number, left = 0, room
            while number <= self._most[at] and left >= 0:
                worth_so = value + number * self._worth[at]
                if worth_so + self._tables[at + 1][left] >= least - 1e-9:
                    counts[at] = number
                    yield from look(at + 1, left, worth_so)
                number += 1
                left -= self._cells[at]
            counts[at] = 0

        yield from look(0, int(room_m / CELL_M + EDGE), 0.0)
