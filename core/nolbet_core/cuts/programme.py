"""The cheapest boards to cut wishes from, as a mixed-integer programme over ways of cutting one."""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Sequence
from dataclasses import replace
from decimal import Decimal
from time import monotonic

import numpy as np
from numpy.typing import NDArray

from nolbet_core.cuts.patterns import all_patterns
from nolbet_core.cuts.relaxed import (
    BOARD_WEIGHT,
    CENTS,
    Market,
    Relaxed,
    first_columns,
    generate,
    matrices,
    within,
)
from nolbet_core.cuts.stock import CutWish, Length, Pattern, Saw
from nolbet_core.record import record

FEW_PATTERNS = 3_000
"""So many ways of cutting are weighed all at once."""

MOST_COLUMNS = 30_000

Values = NDArray[np.float64]
SECONDS = 10.0
QUICK_SECONDS = 3.0
FEWEST_SECONDS = 1.0
FEWEST_SHARE = 0.1
"""Of the time that the price took, how long fewer boards at that price are looked for [0-1]."""
LEAST_SECONDS = 0.1
HOPEFUL_STEPS = 4
HOPEFUL_SHARE = 0.001
LOOSE_CENTS = 0.1
"""What the relaxed programme may be off by."""
SLACK_CENTS = 0.01

MISSING = Decimal(100_000)
"""Dearer than any board: what would have to be cut from one that nobody has."""
WHOLE = 1e-6


@record
class CutPlan:
    """How wishes are cut: each way of cutting with how often, what is bought for it, and what nothing could cost less.

    unmet: wishes that no board is long enough for, or that the boards there are don't reach for.
    """

    cut: tuple[tuple[Pattern, int], ...]
    price: Decimal
    lower_bound: Decimal
    proven_optimal: bool
    unmet: tuple[CutWish, ...] = ()


@record
class _Found:
    """Columns used so often, their cost and what none can fall below [cents]."""

    cut: list[tuple[Pattern, int]]
    cost: float
    bound: float


def cut_plan(wishes: Sequence[CutWish], boards: Sequence[Length], saw: Saw, seconds: float = SECONDS) -> CutPlan:
    """The cheapest way to cut wishes from boards, and of those the one with the fewest boards.

    wishes: pieces. boards: lengths on sale, and those at hand. seconds: as long as it may take [s].

    Where there are few ways of cutting, all are weighed. Else the relaxed programme finds those that pay; a plan dives
    from it, and every column that a cheaper plan could use is weighed against it, so that the answer is proven.
    """
    asked = sorted(_merged(wishes), key=lambda wish: -wish.length_m)
    able = [wish for wish in asked if any(board.takes(wish.length_m, saw) for board in boards)]
    unmet = tuple(wish for wish in asked if wish not in able)
    if not able:
        return CutPlan((), Decimal(0), Decimal(0), True, unmet)
    market = Market(tuple(able), (*boards, *_missing(able, boards, saw)), saw)
    columns = _few_columns(market)
    found = _solve(market, columns, seconds) if columns is not None else _by_columns(market, seconds)
    if found is None:
        return CutPlan((), Decimal(0), Decimal(0), False, tuple(asked))
    return _told(market, found, unmet, len(boards))


def _missing(wishes: Sequence[CutWish], boards: Sequence[Length], saw: Saw) -> list[Length]:
    """Boards that nobody has, dearer than all else, for wishes that only boards at hand are long enough for.

    What is cut from them is what those at hand don't reach for.
    """
    lasting = [board for board in boards if board.count is None]
    return [
        Length(wish.length_m, MISSING)
        for wish in wishes
        if not any(board.takes(wish.length_m, saw) for board in lasting)
    ]


def _told(market: Market, found: _Found, unmet: tuple[CutWish, ...], real: int) -> CutPlan:
    trimmed = _trimmed(market.wishes, found.cut)
    cut = [(pattern, number) for pattern, number in trimmed if pattern.source < real]
    lacking: Counter[float] = Counter()
    for pattern, number in trimmed:
        if pattern.source >= real:
            for wish, count in zip(market.wishes, pattern.counts, strict=True):
                lacking[wish.length_m] += count * number
    short = sum(number for pattern, number in found.cut if pattern.source >= real)
    unmet = (*unmet, *(CutWish(length_m, count) for length_m, count in lacking.items() if count))
    price = sum((market.boards[pattern.source].price * number for pattern, number in cut), Decimal(0))
    proven = found.cost - found.bound <= SLACK_CENTS
    least = Decimal(str(round(max(found.bound - float(MISSING) * CENTS * short, 0.0) / CENTS, 4)))
    return CutPlan(tuple(cut), price, price if proven else min(least, price), proven, unmet)


def _merged(wishes: Sequence[CutWish]) -> list[CutWish]:
    counts: Counter[float] = Counter()
    for wish in wishes:
        counts[wish.length_m] += wish.count
    return [CutWish(length_m, count) for length_m, count in counts.items() if count]


def _few_columns(market: Market) -> list[Pattern] | None:
    """All ways of cutting, where they are few."""
    columns: list[Pattern] = []
    for source, board in enumerate(market.boards):
        found = all_patterns(source, board, market.wishes, market.saw, FEW_PATTERNS - len(columns))
        if found is None:
            return None
        columns += found
    return columns


def _by_columns(market: Market, seconds: float) -> _Found | None:
    columns = first_columns(market)
    relaxed = generate(market, columns)
    if relaxed is None:
        return None
    bound = _next_price(market, relaxed.cost)
    pool = dict.fromkeys(columns)
    best = _dive(market, list(columns), relaxed, pool) or _solve(market, list(pool), min(seconds, QUICK_SECONDS))
    if best is None:
        return _solve(market, columns, seconds)
    ends = monotonic() + seconds
    for top in (hopeful_cost(market, relaxed, best.cost), None):
        if best.cost - bound <= SLACK_CENTS:
            break
        cost = best.cost if top is None else min(top, best.cost)
        weighed = within(market, relaxed, cost - relaxed.cost, MOST_COLUMNS)
        found = _solve(market, weighed or list(pool), max(ends - monotonic(), LEAST_SECONDS))
        if found is not None and weighed is not None:
            # a plan cheaper than that cost uses none but these columns
            bound = max(bound, min(found.bound, cost))
        if found is not None and found.cost <= best.cost:
            best = found
    return replace(best, bound=bound)


def hopeful_cost(market: Market, relaxed: Relaxed, known: float) -> float:
    """What the cheapest plan hardly costs more than [cents]: the columns it could use are few and soon weighed.

    known: what some plan costs [cents].
    """
    least = _next_price(market, relaxed.cost)
    return min(known, least + max(HOPEFUL_STEPS * (_price_step(market) or 1.0), HOPEFUL_SHARE * least))


def _price_step(market: Market) -> float | None:
    """What all prices are whole multiples of [cents]; None where they aren't whole cents."""
    cents = [board.price * CENTS for board in market.boards if board.price]
    if not cents or any(each != int(each) for each in cents):
        return None
    return float(math.gcd(*(int(each) for each in cents)))


def _next_price(market: Market, cost: float) -> float:
    """The least price that boards can come to which is no less than a relaxed cost [cents]."""
    boards = sum(wish.count for wish in market.wishes)
    least = cost - BOARD_WEIGHT * boards - LOOSE_CENTS
    step = _price_step(market)
    return least if step is None else math.ceil(least / step) * step


def _dive(market: Market, columns: list[Pattern], relaxed: Relaxed, pool: dict[Pattern, None]) -> _Found | None:
    """A plan by taking what the relaxed programme is surest of, over and over; None where boards run out.

    pool: takes the columns that are found on the way.
    """
    taken: Counter[Pattern] = Counter()
    now, found = market, relaxed
    while any(wish.count for wish in now.wishes):
        sure = [(column, int(share + WHOLE)) for column, share in zip(columns, found.shares, strict=True)]
        chosen = [(column, number) for column, number in sure if number]
        if not chosen:
            at = int(np.argmax(found.shares))
            if found.shares[at] <= WHOLE:
                return None
            chosen = [(columns[at], 1)]
        for column, number in chosen:
            taken[column] += number
        now = _less(now, chosen)
        if not any(wish.count for wish in now.wishes):
            break
        columns = [each for each in columns if _fits_in(each, now)] + first_columns(now)
        columns = list(dict.fromkeys(columns))
        again = generate(now, columns)
        if again is None:
            return None
        found = again
        pool.update(dict.fromkeys(columns))
    cost = sum(float(market.boards[column.source].price * CENTS) * number for column, number in taken.items())
    return _Found(list(taken.items()), cost, 0.0)


def _less(market: Market, chosen: Sequence[tuple[Pattern, int]]) -> Market:
    """What is still asked, and what boards are left, once some are cut."""
    wishes = [
        replace(wish, count=max(wish.count - sum(column.counts[i] * number for column, number in chosen), 0))
        for i, wish in enumerate(market.wishes)
    ]
    gone: Counter[int] = Counter()
    for column, number in chosen:
        gone[column.source] += number
    boards = [
        board if board.count is None else replace(board, count=max(board.count - gone[source], 0))
        for source, board in enumerate(market.boards)
    ]
    return Market(tuple(wishes), tuple(boards), market.saw)


def _fits_in(column: Pattern, market: Market) -> bool:
    """Whether a column gives no more than is still asked, from a board that is still there."""
    left = market.boards[column.source].count
    return left != 0 and all(count <= wish.count for count, wish in zip(column.counts, market.wishes, strict=True))


def _solve(market: Market, columns: Sequence[Pattern], seconds: float) -> _Found | None:
    """The integer programme over some columns: the least price, and of those plans the one of the fewest boards.

    None where they can't meet what is asked in that time [s].
    """
    began = monotonic()
    pieces, scarce, _ = matrices(market, columns)
    prices = np.array([float(market.boards[each.source].price * CENTS) for each in columns])
    # whole steps of price let the solver see that nothing lies between two of them
    step = _price_step(market) or 1.0
    cheapest = _integer(market, prices / step, pieces, scarce, seconds)
    if cheapest is None:
        return None
    counts, bound = cheapest
    at_most = (prices / step, float(np.round(prices / step @ counts, 6)))
    left_s = min(max(FEWEST_SHARE * (monotonic() - began), LEAST_SECONDS), FEWEST_SECONDS)
    fewest = _integer(market, np.ones(len(columns)), pieces, scarce, left_s, at_most)
    if fewest is not None and fewest[0].sum() < counts.sum():
        counts = fewest[0]
    cut = [(column, round(each)) for column, each in zip(columns, counts, strict=True) if round(each)]
    return _Found(cut, float(prices @ np.round(counts)), bound * step)


def _integer(
    market: Market, costs: Values, pieces: Values, scarce: Values, seconds: float,
    at_most: tuple[Values, float] | None = None,
) -> tuple[Values, float] | None:  # fmt: skip
    """How often each column is used at the least cost, and what none falls below.

    at_most: other costs, and the sum that they may come to.
    """
    from scipy.optimize import Bounds, LinearConstraint, milp  # noqa: PLC0415 - seldom asked, and dear to load

    constraints = [LinearConstraint(pieces, lb=np.array([float(wish.count) for wish in market.wishes]))]
    if market.limited:
        most = [float(market.boards[source].count or 0) for source in market.limited]
        constraints.append(LinearConstraint(scarce, ub=most))
    if at_most is not None:
        constraints.append(LinearConstraint(at_most[0][np.newaxis], ub=at_most[1] + WHOLE))
    answer = milp(
        costs,
        constraints=constraints,
        integrality=np.ones(len(costs)),
        bounds=Bounds(0, np.inf),
        options={"time_limit": seconds, "mip_rel_gap": 0.0},
    )
    if answer.x is None:
        return None
    return np.round(answer.x), float(answer.mip_dual_bound or 0.0)


def _trimmed(wishes: Sequence[CutWish], cut: Sequence[tuple[Pattern, int]]) -> list[tuple[Pattern, int]]:
    """The same boards without pieces that nobody asked for: what is over stays an offcut."""
    over = [sum(pattern.counts[i] * number for pattern, number in cut) - wish.count for i, wish in enumerate(wishes)]
    trimmed: Counter[Pattern] = Counter()
    for pattern, number in cut:
        for _ in range(number):
            counts = list(pattern.counts)
            for i in range(len(wishes)):
                less = min(over[i], counts[i])
                counts[i] -= less
                over[i] -= less
            if any(counts):
                trimmed[Pattern(pattern.source, tuple(counts))] += 1
    return list(trimmed.items())
