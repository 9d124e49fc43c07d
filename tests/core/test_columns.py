"""Ways of cutting a board: what is found by what pieces are worth, against every way there is."""

from __future__ import annotations

import itertools
import random
from collections import Counter
from decimal import Decimal

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.cuts.patterns import all_patterns, best_pattern
from nolbet_core.cuts.programme import cut_plan
from nolbet_core.cuts.relaxed import BOARD_WEIGHT, Market, first_columns, generate, solve_relaxed, within
from nolbet_core.cuts.stock import CutWish, Length, Pattern, Saw
from nolbet_core.cuts.worths import Worths

SAW = Saw()
MANY = 100_000


def every_way(board: Length, wishes: tuple[CutWish, ...]) -> list[tuple[int, ...]]:
    """Every choice of pieces that comes out of a board, one at the least."""
    usable = [range(wish.count + 1) if board.takes(wish.length_m, SAW) else range(1) for wish in wishes]
    room_m = SAW.room(board.length_m)
    return [
        counts
        for counts in itertools.product(*usable)
        if any(counts)
        and sum(SAW.taken(wish.length_m) * count for wish, count in zip(wishes, counts, strict=True)) <= room_m + 1e-9
    ]


def all_columns(market: Market) -> list[Pattern]:
    """Every way of cutting every board."""
    return [
        Pattern(source, counts)
        for source, board in enumerate(market.boards)
        for counts in every_way(board, market.wishes)
    ]


@st.composite
def markets(draw: st.DrawFn) -> Market:
    """A few pieces, to the millimetre, and boards of which there are any number, or so many."""
    lengths = draw(st.lists(st.integers(250, 1750), min_size=2, max_size=4, unique=True))
    wishes = tuple(CutWish(each / 1000, draw(st.integers(2, 4))) for each in sorted(lengths, reverse=True))
    sold = draw(st.lists(st.sampled_from([1.8, 2.4, 3.0, 3.6]), min_size=2, max_size=3, unique=True))
    boards = [Length(each, Decimal(draw(st.integers(300, 1200))) / 100) for each in sold]
    if draw(st.booleans()):
        straight_m = draw(st.sampled_from([None, 0.9, 1.6]))
        boards.append(Length(draw(st.sampled_from([1.2, 2.1])), Decimal(0), draw(st.integers(2, 3)), straight_m))
    return Market(wishes, tuple(boards), SAW)


WORTH = st.lists(st.floats(0.0, 9.0), min_size=4, max_size=4)


@given(markets(), WORTH)
def test_the_best_of_a_board_is_worth_as_much_as_the_best_of_all_its_ways(market: Market, worth: list[float]) -> None:
    value_of = worth[: len(market.wishes)]

    def value(counts: tuple[int, ...]) -> float:
        return sum(each * count for each, count in zip(value_of, counts, strict=True))

    for board in market.boards:
        best = max((value(counts) for counts in every_way(board, market.wishes)), default=0.0)
        by_bounds = best_pattern(board, market.wishes, SAW, value_of)
        assert value(by_bounds) == pytest.approx(best, abs=1e-9)
        assert not any(by_bounds) or by_bounds in every_way(board, market.wishes)
        table = Worths(market.wishes, value_of, SAW, SAW.room(board.length_m), market.allowed(board))
        told, counts = table.best(SAW.room(board.length_m))
        # on a grid that overlooks nothing, a little too much may seem to fit
        assert told >= best - 1e-9
        if table.fits(counts, SAW.room(board.length_m)):
            assert told == pytest.approx(best, abs=1e-9)


@given(markets())
def test_full_boards_are_those_to_which_no_piece_can_be_added(market: Market) -> None:
    for source, board in enumerate(market.boards):
        ways = set(every_way(board, market.wishes))
        full = {
            counts
            for counts in ways
            if not any(
                tuple(count + (at == more) for at, count in enumerate(counts)) in ways for more in range(len(counts))
            )
        }
        found = all_patterns(source, board, market.wishes, SAW, MANY)
        assert found is not None
        assert {each.counts for each in found} == full
        assert len(found) == len(full)
        if len(full) > 1:
            assert all_patterns(source, board, market.wishes, SAW, len(full) - 1) is None


@given(markets())
def test_columns_found_where_they_pay_cost_what_all_columns_cost(market: Market) -> None:
    every = all_columns(market)
    found = generate(market, first_columns(market))
    least = solve_relaxed(market, every) if every else None
    if least is None:
        assert found is None
        return
    assert found is not None
    assert found.cost == pytest.approx(least.cost, abs=0.01)
    # what is asked is worth what it costs, less what boards that are scarce are worth (strong duality)
    worth = sum(each * wish.count for each, wish in zip(found.worth, market.wishes, strict=True))
    scarce = sum(each * (market.boards[source].count or 0) for source, each in found.scarce.items())
    assert worth - scarce == pytest.approx(found.cost, abs=0.01)
    pieces = sum(wish.count for wish in market.wishes)
    assert float(cut_plan(market.wishes, market.boards, SAW).price) * 100 >= found.cost - BOARD_WEIGHT * pieces - 0.01


@given(markets(), st.floats(5.0, 400.0))
def test_within_a_gap_lie_all_columns_that_cost_no_more_than_that(market: Market, gap: float) -> None:
    found = generate(market, first_columns(market))
    if found is None:
        return

    def over(column: Pattern) -> float:
        worth = sum(each * count for each, count in zip(found.worth, column.counts, strict=True))
        return market.cents(column.source) + found.scarce.get(column.source, 0.0) - worth

    every = all_columns(market)
    near = within(market, found, gap, MANY)
    assert near is not None
    assert {each for each in every if over(each) < gap - 1e-6} <= set(near) <= set(every)
    assert all(over(each) < gap + 1e-6 for each in near)
    if len(near) > 1:
        assert within(market, found, gap, len(near) - 1) is None


def test_by_hand_two_boards_give_three_pieces_of_a_metre_and_two_of_eighty() -> None:
    # 2.4 m give two metres, or a metre and an eighty, or the two eighties that are wanted
    wishes = (CutWish(1.0, 3), CutWish(0.8, 2))
    market = Market(wishes, (Length(2.4, Decimal("6.00")),), SAW)
    assert {each.counts for each in all_patterns(0, market.boards[0], wishes, SAW, MANY) or ()} == {
        (2, 0),
        (1, 1),
        (0, 2),
    }
    found = generate(market, first_columns(market))
    assert found is not None
    # one and a half boards of metres, and one of eighties
    assert found.cost == pytest.approx(2.5 * (600 + BOARD_WEIGHT), abs=0.01)
    assert cut_plan(wishes, market.boards, SAW).price == Decimal("18.00")


@pytest.mark.parametrize("seed", range(6))
def test_nothing_is_cut_from_a_crooked_board_that_is_longer_than_it_is_straight(seed: int) -> None:
    chance = random.Random(seed)  # noqa: S311 - the same problems every time
    lengths = sorted({round(chance.uniform(0.3, 1.9), 3) for _ in range(16)}, reverse=True)
    wishes = tuple(CutWish(each, chance.randint(2, 5)) for each in lengths)
    boards = [
        Length(3.6, Decimal("9.40")),
        Length(2.4, Decimal("6.10")),
        Length(2.1, Decimal(0), 3, 0.9),
        Length(3.0, Decimal(0), 2, 1.2),
    ]
    plan = cut_plan(wishes, boards, SAW, 3.0)
    made: Counter[float] = Counter()
    for pattern, number in plan.cut:
        board = boards[pattern.source]
        pieces = [length for length, count in zip(lengths, pattern.counts, strict=True) for _ in range(count)]
        assert all(board.takes(each, SAW) for each in pieces), (board.usable_m, pieces)
        assert sum(SAW.taken(each) for each in pieces) <= SAW.room(board.length_m) + 1e-9
        made.update(pieces * number)
    assert made == {wish.length_m: wish.count for wish in wishes}
