"""Heaps as they are counted, when they are ready, and how they are shared over beds."""

from __future__ import annotations

from datetime import date
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.built.plan_file import read_plan
from nolbet_core.figure.sharing import SharedHeap, figure_shared
from nolbet_core.figure.walk import figure_plan
from nolbet_core.haul.sharing import SharedBy, Taker, shared
from nolbet_core.plan.problems import PlanProblem
from tests.core import zoo

TODAY = date(2027, 3, 20)


def stocked(*heaps: dict[str, Any], today: date | None = TODAY) -> Any:
    """The need of compost in a garden with heaps."""
    bed = zoo.bed(layers=[{"material": "compost", "fill": True}])
    figures = figure_plan(read_plan(zoo.plan(bed, stock=list(heaps))), today)
    (need,) = figures.needs
    return need


@pytest.mark.parametrize(
    ("heap", "volume_m3"),
    [
        ({"as": {"unit": "barrow", "count": 3}}, 3 * 0.085),
        ({"as": {"unit": "bucket", "count": 12}}, 0.12),
        ({"as": {"unit": "bag", "count": 5, "each_m3": 0.04}}, 0.2),
        ({"as": {"unit": "bale", "count": 2, "each_m3": 0.15}}, 0.3),
        ({"put_in_m3": 1.5}, 0.6),
        ({"volume_m3": 0.26, "as": {"unit": "barrow", "count": 3, "each_m3": 0.0865}}, 0.26),
    ],
)
def test_a_heap_is_as_it_was_counted(heap: dict[str, Any], volume_m3: float) -> None:
    assert stocked({"material": "compost", **heap}).stock_m3 == pytest.approx(volume_m3)


def test_compost_that_is_ready_later_is_told_and_not_counted_yet() -> None:
    ready, later = (
        {"material": "compost", "volume_m3": 0.2},
        {"material": "compost", "volume_m3": 0.5, "ready_on": "2027-05-01"},
    )
    need = stocked(ready, later)
    assert (need.stock_m3, need.coming_m3, need.coming_on) == (pytest.approx(0.2), pytest.approx(0.5), date(2027, 5, 1))
    assert stocked(ready, later, today=None).stock_m3 == pytest.approx(0.7)
    assert stocked(later, today=date(2027, 5, 1)).stock_m3 == pytest.approx(0.5)


@pytest.mark.parametrize(
    ("heap", "said"),
    [
        ({"as": {"unit": "bag", "count": 3}}, "each_m3"),
        ({"as": {"unit": "barrow", "count": 3}, "volume_m3": 1.0}, "counted it comes to 0.255"),
        ({"as": {"unit": "sack", "count": 3, "each_m3": 0.04}}, "barrow"),
        ({}, "has to be there"),
    ],
)
def test_a_heap_that_makes_no_sense_is_named(heap: dict[str, Any], said: str) -> None:
    with pytest.raises(PlanProblem, match=said) as problem:
        stocked({"material": "compost", **heap})
    assert problem.value.path.startswith("stock[0]")


takers = st.lists(
    st.builds(Taker, st.just("bed"), st.integers(1, 4), st.floats(0, 3), st.floats(0.2, 6)), min_size=1, max_size=6
)


@given(st.floats(0.01, 5), takers, st.sampled_from(["need", "equal", "depth"]))
def test_nothing_is_lost_in_sharing(volume_m3: float, over: list[Taker], by: SharedBy) -> None:
    given_m3 = shared(volume_m3, over, by)
    assert sum(given_m3) <= volume_m3 + 1e-9
    if by == "need":
        assert all(got <= taker.need_m3 + 1e-9 for got, taker in zip(given_m3, over, strict=True))
        assert sum(given_m3) == pytest.approx(min(volume_m3, sum(taker.need_m3 for taker in over)), abs=1e-9)
    else:
        assert sum(given_m3) == pytest.approx(volume_m3)
        size = [taker.count * (taker.area_m2 if by == "depth" else 1) for taker in over]
        each = [got / many for got, many in zip(given_m3, size, strict=True)]
        assert max(each) == pytest.approx(min(each))


def share(by: SharedBy) -> SharedHeap:
    small = zoo.bed(key="small", layers=[{"material": "compost", "thickness_m": 0.2}])
    large = zoo.bed(
        key="large", count=2, shape=zoo.shape(3.0, 1.0, 0.5), layers=[{"material": "compost", "thickness_m": 0.1}]
    )
    begun = large | {"state": "filling", "laid": [0.5]}
    return figure_shared(read_plan(zoo.plan(small, begun)), "compost", 0.69, ["small", "large"], by, TODAY)


def test_a_heap_in_equal_depth_lies_on_what_is_there() -> None:
    small, large = share("depth").shares
    # 0.69 loose are 0.6 placed on 2 + 2 x 3 m2: 75 mm in each
    assert (small.depth_m, large.depth_m) == pytest.approx((0.075, 0.075))
    assert (small.placed_m3, large.placed_m3) == pytest.approx((0.15, 0.225))
    assert small.lacks_m3 == pytest.approx(0.4 * 1.15 - small.loose_m3)


def test_a_heap_by_need_goes_by_what_is_not_laid_yet() -> None:
    small, large = share("need").shares
    assert (small.needs_m3, large.needs_m3) == pytest.approx((0.4 * 1.15, 2 * 0.15 * 1.15))
    assert small.loose_m3 / large.loose_m3 == pytest.approx(small.needs_m3 / large.needs_m3)


BOARDS = {"material": "softwood", "thickness_m": 0.038, "width_m": 0.235, "length_m": 2.4, "count": 6}


def test_boards_lie_on_hand_and_fill_no_bed() -> None:
    plan = read_plan(zoo.plan(zoo.bed(), stock=[{**BOARDS, "usable_m": 1.1}])).plan
    (boards,) = plan.stock
    assert boards.is_boards
    assert boards.volume_m3 == pytest.approx(6 * 0.038 * 0.235 * 2.4)
    assert stocked(BOARDS, {"material": "compost", "volume_m3": 0.2}).stock_m3 == pytest.approx(0.2)


@pytest.mark.parametrize(
    ("changes", "path"),
    [
        ({"width_m": None}, "stock[0]"),
        ({"usable_m": 3.0}, "stock[0]"),
        ({"material": "compost"}, "stock[0].thickness_m"),
        ({"material": "balsa"}, "stock[0].material"),
        ({"as": {"unit": "barrow", "count": 3}}, "stock[0]"),
        ({"volume_m3": 2.0}, "stock[0]"),
        ({"thickness_m": None, "width_m": None, "length_m": None}, "stock[0]"),
        ({"thickness_m": None, "width_m": None, "length_m": None, "count": None}, "stock[0]"),
    ],
)
def test_boards_that_make_no_sense_are_refused_with_their_place(changes: dict[str, Any], path: str) -> None:
    heap = {key: value for key, value in (BOARDS | changes).items() if value is not None}
    with pytest.raises(PlanProblem) as problem:
        stocked(heap)
    assert problem.value.path.startswith(path)


def test_timber_on_hand_wants_its_size() -> None:
    with pytest.raises(PlanProblem) as problem:
        stocked({"material": "larch", "volume_m3": 0.2})
    assert problem.value.path == "stock[0].thickness_m"
