"""The relaxed programme over ways of cutting: columns are found where they pay (Gilmore and Gomory 1961)."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from nolbet_core.cuts.patterns import best_pattern
from nolbet_core.cuts.stock import CutWish, Length, Pattern, Saw
from nolbet_core.cuts.worths import Worths
from nolbet_core.record import record

CENTS = 100
PAYS = 1e-3
MOST_ROUNDS = 300

BOARD_WEIGHT = 1e-4
"""What a board counts for beside its price [cents]: among equal prices fewer boards win, and fewer cuts follow."""

Values = NDArray[np.float64]


@record
class Relaxed:
    """The relaxed programme solved: its cost [cents], how often each column is used, what a piece of each wish is worth
    and what a scarce board is.
    """

    cost: float
    shares: Values
    worth: Values
    scarce: dict[int, float]


@record
class Market:
    """What is asked for and what it can be cut from."""

    wishes: tuple[CutWish, ...]
    boards: tuple[Length, ...]
    saw: Saw

    @property
    def limited(self) -> list[int]:
        """Boards of which there are only so many."""
        return [source for source, board in enumerate(self.boards) if board.count is not None]

    def cents(self, source: int) -> float:
        """What a board costs [cents]."""
        return float(self.boards[source].price * CENTS) + BOARD_WEIGHT

    def worths(self, worth: Sequence[float]) -> dict[tuple[bool, ...], Worths]:
        """Tables of what pieces are worth, one for each set of wishes that a board can give."""
        most_m = max(self.saw.room(board.length_m) for board in self.boards)
        return {
            allowed: Worths(self.wishes, worth, self.saw, most_m, allowed)
            for allowed in dict.fromkeys(self.allowed(board) for board in self.boards)
        }

    def allowed(self, board: Length) -> tuple[bool, ...]:
        """Which wishes a board is straight enough for; how long it is shows in its room."""
        return tuple(board.allows(wish.length_m, self.saw) for wish in self.wishes)


def matrices(market: Market, columns: Sequence[Pattern]) -> tuple[Values, Values, Values]:
    """Pieces by wish and column, boards that are scarce by column, and what each column costs [cents]."""
    pieces = np.array([each.counts for each in columns], dtype=float).reshape(len(columns), len(market.wishes)).T
    sources = np.array([each.source for each in columns])
    scarce = np.array([sources == source for source in market.limited], dtype=float).reshape(-1, len(columns))
    return pieces, scarce, np.array([market.cents(each.source) for each in columns])


def solve_relaxed(market: Market, columns: Sequence[Pattern]) -> Relaxed | None:
    """The relaxed programme over some columns; None where they can't meet what is asked."""
    from scipy.optimize import linprog  # noqa: PLC0415 - seldom asked, and dear to load

    pieces, scarce, costs = matrices(market, columns)
    demand = np.array([float(wish.count) for wish in market.wishes])
    most = [float(market.boards[source].count or 0) for source in market.limited]
    answer = linprog(costs, A_ub=np.vstack([-pieces, scarce]), b_ub=np.concatenate([-demand, most]), method="highs")
    if answer.x is None:
        return None
    duals = -answer.ineqlin.marginals
    count = len(market.wishes)
    held = {source: float(duals[count + i]) for i, source in enumerate(market.limited)}
    return Relaxed(float(answer.fun), answer.x, duals[:count], held)


def generate(market: Market, columns: list[Pattern]) -> Relaxed | None:
    """Add columns until none would make the relaxed programme cheaper, and solve it."""
    known = set(columns)
    found = solve_relaxed(market, columns)
    for _ in range(MOST_ROUNDS):
        if found is None:
            return None
        tables = market.worths(found.worth.tolist())
        new = [each for each in _paying(market, found, tables) if each not in known]
        if not new:
            return found
        columns += new
        known.update(new)
        found = solve_relaxed(market, columns)
    return found


def _paying(market: Market, found: Relaxed, tables: dict[tuple[bool, ...], Worths]) -> list[Pattern]:
    """The column of each board that would make it cheaper, where there is one."""
    paying = []
    for source, board in enumerate(market.boards):
        costs = market.cents(source) + found.scarce.get(source, 0.0)
        table, room_m = tables[market.allowed(board)], market.saw.room(board.length_m)
        value, counts = table.best(room_m)
        if value <= costs + PAYS:
            continue
        if not table.fits(counts, room_m):
            counts = best_pattern(board, market.wishes, market.saw, found.worth.tolist())
            value = sum(each * count for each, count in zip(found.worth, counts, strict=True))
        if value > costs + PAYS:
            paying.append(Pattern(source, counts))
    return paying


def first_columns(market: Market) -> list[Pattern]:
    """For each wish and each board the pattern that holds it as often as it goes."""
    columns = []
    for source, board in enumerate(market.boards):
        for at, wish in enumerate(market.wishes):
            if board.takes(wish.length_m, market.saw):
                many = min(int(market.saw.room(board.length_m) / market.saw.taken(wish.length_m) + 1e-9), wish.count)
                columns.append(Pattern(source, tuple(many if i == at else 0 for i in range(len(market.wishes)))))
    return columns


def within(market: Market, found: Relaxed, gap: float, most: int) -> list[Pattern] | None:
    """Every column that a plan within a gap [cents] of the relaxed cost may use; None where they are more than so many.

    A plan that uses a column of a reduced cost over the gap costs more than that (Baldacci et al. 2008).
    """
    tables = market.worths(found.worth.tolist())
    columns: list[Pattern] = []
    for source, board in enumerate(market.boards):
        least = market.cents(source) + found.scarce.get(source, 0.0) - gap
        for counts in tables[market.allowed(board)].above(market.saw.room(board.length_m), least):
            columns.append(Pattern(source, counts))
            if len(columns) > most:
                return None
    return columns
