"""Boards cut together: the cheapest of all, against every plan there is, and a whole garden's."""

from __future__ import annotations

import itertools
import random
from decimal import Decimal
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.built.plan import build_plan
from nolbet_core.cuts.on_hand import fits_on_hand
from nolbet_core.cuts.programme import cut_plan
from nolbet_core.cuts.stock import CutWish, Length, Saw
from nolbet_core.cuts.worths import Worths
from nolbet_core.figure.frame_figures import CutsFigures
from nolbet_core.figure.walk import figure_cuts
from nolbet_core.plan.garden import Plan
from tests.core import zoo

SAW = Saw()


def cheapest_of_all(wishes: list[CutWish], boards: list[Length], saw: Saw) -> Decimal | None:
    """The least price by trying every way there is: piece by piece onto every open board, or a new one."""
    pieces = sorted((wish.length_m for wish in wishes for _ in range(wish.count)), reverse=True)
    best: list[Decimal | None] = [None]

    def put(at: int, opened: list[tuple[int, float]], left: list[int | None], price: Decimal) -> None:
        if best[0] is not None and price >= best[0]:
            return
        if at == len(pieces):
            best[0] = price
            return
        piece = pieces[at]
        for place, (source, room) in enumerate(opened):
            if saw.taken(piece) <= room + 1e-9 and boards[source].allows(piece, saw):
                put(at + 1, [*opened[:place], (source, room - saw.taken(piece)), *opened[place + 1 :]], left, price)
        for source, board in enumerate(boards):
            if left[source] == 0 or not board.takes(piece, saw):
                continue
            fewer = [n - 1 if i == source and n is not None else n for i, n in enumerate(left)]
            room = saw.room(board.length_m) - saw.taken(piece)
            put(at + 1, [*opened, (source, room)], fewer, price + board.price)

    put(0, [], [board.count for board in boards], Decimal(0))
    return best[0]


def test_the_published_check() -> None:
    boards = [Length(2.4, Decimal("6.00")), Length(3.6, Decimal("8.50"))]
    plan = cut_plan([CutWish(1.2, 6), CutWish(0.6, 6)], boards, SAW)
    assert plan.price == Decimal("25.50")
    assert plan.proven_optimal
    assert plan.lower_bound == Decimal("25.50")


def test_halves_are_cut_with_their_give() -> None:
    board = [Length(2.4, Decimal("6.00"))]
    assert cut_plan([CutWish(1.2, 2)], board, SAW).price == Decimal("6.00")
    assert cut_plan([CutWish(1.2, 2)], board, Saw(give_m=0.0)).price == Decimal("12.00")


@pytest.mark.parametrize("seed", range(200))
def test_a_plan_costs_what_the_cheapest_of_all_costs(seed: int) -> None:
    chance = random.Random(seed)  # noqa: S311 - the same problems every time
    wishes = [CutWish(round(chance.uniform(0.3, 2.0), 3), chance.randint(1, 3)) for _ in range(chance.randint(1, 3))]
    boards = [
        Length(length, Decimal(chance.randint(300, 1200)) / 100)
        for length in chance.sample([1.8, 2.4, 3.0, 3.6], chance.randint(1, 2))
    ]
    for _ in range(chance.randint(0, 2)):
        long_m = round(chance.uniform(0.5, 2.5), 2)
        straight_m = round(long_m * chance.uniform(0.4, 1.0), 2) if chance.random() < 0.5 else None
        boards.append(Length(long_m, Decimal(0), chance.randint(1, 2), straight_m))
    plan = cut_plan(wishes, boards, SAW)
    unmet = {wish.length_m: wish.count for wish in plan.unmet}
    met = [CutWish(wish.length_m, wish.count - unmet.get(wish.length_m, 0)) for wish in wishes]
    for wish in plan.unmet:
        assert not any(board.count is None and board.takes(wish.length_m, SAW) for board in boards)
    assert plan.price == cheapest_of_all(met, boards, SAW)
    assert plan.proven_optimal


def test_what_is_cut_fits_its_board_and_nothing_is_left_out() -> None:
    chance = random.Random(5)  # noqa: S311 - as above
    wishes = [CutWish(round(chance.uniform(0.25, 1.9), 3), chance.randint(8, 24)) for _ in range(10)]
    boards = [Length(2.4, Decimal("6.30")), Length(3.6, Decimal("9.90")), Length(4.8, Decimal("13.60"))]
    boards += [Length(round(chance.uniform(0.6, 3), 2), Decimal(0), 1) for _ in range(6)]
    plan = cut_plan(wishes, boards, SAW, seconds=3.0)
    ordered = sorted(wishes, key=lambda wish: -wish.length_m)
    made = [sum(pattern.counts[i] * number for pattern, number in plan.cut) for i in range(len(ordered))]
    assert made == [wish.count for wish in ordered]
    for pattern, _ in plan.cut:
        taken_m = sum(SAW.taken(wish.length_m) * count for wish, count in zip(ordered, pattern.counts, strict=True))
        assert taken_m <= SAW.room(boards[pattern.source].length_m) + 1e-9
    for source, board in enumerate(boards):
        if board.count is not None:
            assert sum(number for pattern, number in plan.cut if pattern.source == source) <= board.count
    assert plan.lower_bound <= plan.price
    assert float(plan.price - plan.lower_bound) < 0.03 * float(plan.price)


@pytest.mark.parametrize("seed", range(12))
def test_the_knapsack_is_worth_what_trying_all_is_worth(seed: int) -> None:
    chance = random.Random(seed)  # noqa: S311 - the same problems every time
    wishes = [CutWish(round(chance.uniform(0.2, 1.2), 3), chance.randint(1, 3)) for _ in range(4)]
    worth = [chance.uniform(1, 9) for _ in wishes]
    room_m = round(chance.uniform(1.0, 3.0), 3)
    table = Worths(wishes, worth, SAW, 4.0, [True] * 4)
    choices = itertools.product(*(range(wish.count + 1) for wish in wishes))
    fitting = [each for each in choices if table.fits(each, room_m)]
    values = {each: sum(w * n for w, n in zip(worth, each, strict=True)) for each in fitting}
    value, counts = table.best(room_m)
    assert value == pytest.approx(max(values.values()))
    assert values[counts] == pytest.approx(value)
    least = 0.8 * value
    assert sorted(table.above(room_m, least)) == sorted(each for each, v in values.items() if v >= least - 1e-9)


LARCH = {"material": "larch", "thickness_m": 0.038, "width_m": 0.19}


def garden_cuts(frames: list[dict[str, Any]], **changes: Any) -> CutsFigures:
    """How the frames of a garden are cut."""
    shape = {"kind": "box", "length_m": 2.0, "width_m": 1.0, "depth_m": 0.19}
    beds = [
        zoo.bed(key=f"bed_{i}", shape=shape, measured="outside", frame={"kind": "boards"} | LARCH | frame)
        for i, frame in enumerate(frames)
    ]
    cuts = figure_cuts(build_plan(Plan.model_validate(zoo.plan(*beds, **changes))).holding())
    assert cuts is not None
    return cuts


def yard(*lengths: tuple[float, str]) -> dict[str, Any]:
    """A supplier of larch boards."""
    return {"key": "yard", "offers": [
        LARCH | {"form": "piece", "length_m": length_m, "price": price} for length_m, price in lengths
    ]}  # fmt: skip


def test_a_garden_is_cut_together_and_boards_at_hand_go_first() -> None:
    alone = garden_cuts([{}], suppliers=[yard((3.0, "12.00"))])
    # two of 2.0 and two of 0.924: one of each out of a board of 3 m
    assert alone.price == Decimal("24.00")
    assert [(each.pieces_m, each.count) for each in alone.boards] == [
        ([pytest.approx(2.0), pytest.approx(0.924)], 2),
    ]  # fmt: skip
    assert alone.boards[0].offcut_m == pytest.approx(3.0 - 2.0 - 0.924 - 2 * 0.003)
    board = LARCH | {"length_m": 3.0, "count": 1}
    helped = garden_cuts([{}], suppliers=[yard((3.0, "12.00"))], stock=[board])
    assert helped.price == Decimal("12.00")
    assert sorted(each.source for each in helped.boards) == ["bought", "stock"]
    crooked = garden_cuts([{}], suppliers=[yard((3.0, "12.00"))], stock=[board | {"usable_m": 0.5}])
    assert crooked.price == Decimal("24.00")


def test_without_prices_usual_lengths_are_taken_and_it_is_said() -> None:
    cuts = garden_cuts([{}, {}])
    assert cuts.price is None
    assert [(each.material, each.width_m) for each in cuts.unpriced] == [("larch", 0.19)]
    assert sum(len(each.pieces_m) * each.count for each in cuts.boards) == 8
    assert cuts.uncut == []


def test_sides_over_stock_length_are_joined() -> None:
    cuts = garden_cuts([{}], suppliers=[yard((1.5, "5.00"))])
    pieces = [length for each in cuts.boards for length in each.pieces_m * each.count]
    assert sum(pieces) == pytest.approx(2 * 2.0 + 2 * 0.924)
    assert max(pieces) <= 1.5


def test_a_filled_bed_has_its_frame_already() -> None:
    bed = zoo.bed(frame={"kind": "boards"} | LARCH, state="filled")
    assert figure_cuts(build_plan(Plan.model_validate(zoo.plan(bed))).holding()) is None


@given(
    st.lists(st.integers(20, 240), min_size=1, max_size=9),
    st.lists(st.tuples(st.sampled_from([150, 240, 300]), st.integers(1, 3)), min_size=1, max_size=3),
)
def test_what_fits_on_boards_at_hand_is_bought_by_no_plan(pieces_cm: list[int], boards: list[tuple[int, int]]) -> None:
    wishes = [CutWish(each / 100, 1) for each in pieces_cm]
    lying = [Length(length_cm / 100, count=count) for length_cm, count in boards]
    if fits_on_hand(wishes, lying, Saw()):
        plan = cut_plan(wishes, [*lying, Length(3.0, Decimal("9.90"))], Saw())
        assert plan.price == 0 and not plan.unmet
