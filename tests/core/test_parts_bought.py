"""Sheets, pipes and pieces that were bought: what they are of, and what is still to be got of each."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.built.bought import BoughtParts, bought_boards, less_bought, offer_bought, parts_bought, purchases
from nolbet_core.built.plan_file import read_plan
from nolbet_core.haul.needs import Need
from nolbet_core.haul.wanted import Box, Cover, Stretch
from nolbet_core.plan.garden import Plan
from tests.core import zoo

OFFERS: list[dict[str, Any]] = [
    {"material": "cardboard", "form": "roll", "width_m": 1.2, "length_m": 5.0, "price": "9.00"},
    {"material": "cardboard", "form": "piece", "width_m": 0.8, "length_m": 1.5, "price": "2.00", "key": "box"},
    {"material": "drain_pipe", "form": "piece", "diameter_m": 0.1, "length_m": 2.0, "price": "7.00"},
    {"material": "void_crate", "form": "pack", "count": 6, "length_m": 0.6, "width_m": 0.4, "height_m": 0.3,
     "price": "30.00"},
    {"material": "larch", "form": "pack", "count": 5, "thickness_m": 0.038, "width_m": 0.19, "length_m": 3.0,
     "price": "60.00"},
]  # fmt: skip


def plan_with(*log: dict[str, Any]) -> Plan:
    """A plan whose yard sells all of these, with what was bought there."""
    said = [{"kind": "purchase", "on": "2026-10-01", "supplier": "yard"} | each for each in log]
    yard = [{"key": "yard", "name": "Tide yard", "offers": OFFERS}]
    return read_plan(zoo.plan(suppliers=yard, log=said)).plan


def need(**parts: Any) -> Need:
    """A need of a sheet, a pipe or pieces."""
    return Need("thing", 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, **parts)


def left_of(wanted: Need, bought: BoughtParts) -> Need:
    """What is still to be got of it."""
    (left,) = less_bought([wanted], {"thing": bought})
    return left


def test_what_was_bought_is_told_by_the_offer_it_came_from() -> None:
    plan = plan_with(
        {"material": "cardboard", "form": "roll", "count": 3},
        {"material": "cardboard", "form": "piece", "count": 4, "offer": "box"},
        {"material": "drain_pipe", "form": "piece", "count": 2},
        {"material": "void_crate", "form": "pack", "count": 2},
        {"material": "larch", "form": "pack", "count": 3},
    )
    found = parts_bought(plan)
    assert found["cardboard"].sheets == ((1.2, 5.0, 3), (0.8, 1.5, 4))
    assert found["drain_pipe"].pipes == ((0.1, 2.0, 2),)
    # two packs of six
    assert found["void_crate"].pieces == (((0.6, 0.4, 0.3, None), 12),)
    # boards are cut, and so are told apart from what is used as it is
    assert "larch" not in found
    (boards,) = bought_boards(plan)
    assert (boards.material, boards.count, boards.length_m) == ("larch", 15, 3.0)


def test_what_is_used_up_or_sold_by_nobody_lies_there_no_more() -> None:
    plan = plan_with(
        {"material": "cardboard", "form": "roll", "count": 3, "used": True},
        {"material": "void_crate", "form": "piece", "count": 2},
        {"material": "drain_pipe", "form": "piece", "count": 2, "supplier": "stores"},
    )
    assert [each.material for each in purchases(plan)] == ["void_crate", "drain_pipe"]
    assert [offer_bought(each, plan) for each in purchases(plan)] == [None, None]
    assert parts_bought(plan) == {}


def test_of_several_offers_the_one_named_or_of_the_size_is_meant() -> None:
    plan = plan_with({"material": "cardboard", "form": "piece", "count": 2, "size_m": [1.5, 0.8]})
    (entry,) = purchases(plan)
    offer = offer_bought(entry, plan)
    assert offer is not None
    assert offer.key == "box"


@pytest.mark.parametrize(
    ("sheets", "left"),
    [
        # three covers of 2 m2 in two plies are 4 m2 each
        ((), [(2.0, 3)]),
        (((1.0, 3.0, 1),), [(0.5, 1), (2.0, 2)]),
        (((1.0, 4.0, 1),), [(2.0, 2)]),
        (((1.0, 5.0, 1), (1.0, 4.0, 1)), [(1.5, 1)]),
        (((2.0, 3.0, 2),), []),
        (((2.0, 30.0, 2),), []),
    ],
)
def test_sheets_cover_one_after_the_other_by_their_area(
    sheets: tuple[tuple[float, float, int], ...], left: list[tuple[float, int]]
) -> None:
    covers = left_of(need(covers=(Cover(2.0, (2.0, 1.0), plies=2, count=3),)), BoughtParts(sheets=sheets)).covers
    assert [(pytest.approx(each.area_m2), each.count) for each in covers] == left


def test_a_liner_is_whole_or_not_there() -> None:
    liner = Cover(6.0, (3.0, 2.0), count=2, whole=True)
    short = left_of(need(covers=(liner,)), BoughtParts(sheets=((3.0, 3.0, 1),)))
    # nine square metres are one whole liner, and nothing of the second
    assert [(each.area_m2, each.count) for each in short.covers] == [(6.0, 1)]


def test_pipes_reach_as_far_as_those_of_their_diameter_do() -> None:
    wanted = need(stretches=(Stretch(0.1, 3.0, 3), Stretch(0.05, 2.0, 2)))
    left = left_of(wanted, BoughtParts(pipes=((0.1, 2.0, 2), (0.07, 9.0, 2))))
    # 4 m of 100 mm: one of three stretches of 3 m, and a metre of the next
    assert [(each.diameter_m, pytest.approx(each.length_m), each.count) for each in left.stretches] == [
        (0.1, 2.0, 1),
        (0.1, 3.0, 1),
        (0.05, 2.0, 2),
    ]
    assert left_of(wanted, BoughtParts(pipes=((0.1, 3.0, 3), (0.05, 4.0, 2)))).stretches == ()


def test_pieces_fit_by_their_size_whichever_way_it_is_written() -> None:
    crates = need(boxes=(Box(0.6, 0.4, 0.3, 5),))
    lying: BoughtParts = BoughtParts(pieces=(((0.3, 0.6, 0.4, None), 2), ((0.5, 0.4, 0.3, None), 9)))
    assert [each.count for each in left_of(crates, lying).boxes] == [3]
    # a piece without a size fits whatever is wanted
    assert left_of(crates, BoughtParts(pieces=(((None, None, None, None), 5),))).boxes == ()
    taps = need(boxes=(Box(0.0, 0.0, 0.0, 4, diameter_m=0.02),))
    assert [each.count for each in left_of(taps, BoughtParts(pieces=(((None, None, None, 0.025), 9),))).boxes] == [4]
    assert [each.count for each in left_of(taps, BoughtParts(pieces=(((None, None, None, 0.02), 3),))).boxes] == [1]


@given(
    st.lists(st.tuples(st.floats(0.2, 9.0), st.integers(2, 4), st.integers(2, 5)), min_size=2, max_size=5),
    st.lists(st.tuples(st.floats(0.3, 3.0), st.floats(0.5, 9.0), st.integers(2, 6)), max_size=4),
)
def test_what_lies_there_and_what_is_left_add_up_to_what_was_wanted(
    wanted: list[tuple[float, int, int]], sheets: list[tuple[float, float, int]]
) -> None:
    covers = tuple(Cover(area_m2, plies=plies, count=count) for area_m2, plies, count in wanted)
    left = left_of(need(covers=covers), BoughtParts(sheets=tuple(sheets))).covers

    def area(parts: tuple[Cover, ...]) -> float:
        return sum(each.area_m2 * each.plies * each.count for each in parts)

    lying_m2 = sum(width_m * length_m * count for width_m, length_m, count in sheets)
    assert area(left) == pytest.approx(max(area(covers) - lying_m2, 0.0), abs=1e-6)


def test_what_nothing_was_bought_of_stays_as_it_is() -> None:
    wanted = need(boxes=(Box(0.6, 0.4, 0.3, 5),))
    assert less_bought([wanted], {"other": BoughtParts(pieces=(((None, None, None, None), 5),))}) == (wanted,)
