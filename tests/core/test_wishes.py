"""Planning backwards: every way that boards, heaps and wishes allow, judged as any bed, and none better left out."""

from __future__ import annotations

import itertools
from collections.abc import Sequence
from datetime import date
from decimal import Decimal
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.built.plan_file import read_plan
from nolbet_core.figure.walk import figure_alone
from nolbet_core.plan.wishes import Wishes
from nolbet_core.quantities.units import System
from nolbet_core.wishes.candidates import bed_of, candidates
from nolbet_core.wishes.figures import looked_figures
from nolbet_core.wishes.front import Front, is_beaten, spread_out
from nolbet_core.wishes.judge import Judged
from nolbet_core.wishes.search import Looked, Search
from tests.core import zoo

TODAY = date(2026, 10, 20)
BOARDS = {"material": "larch", "thickness_m": 0.038, "width_m": 0.19, "length_m": 2.4, "count": 8}
LOGS = {"material": "broadleaf_logs", "volume_m3": 0.6}
LEAVES = {"material": "leaves", "as": {"unit": "bag", "count": 30, "each_m3": 0.05}}
OFFERS = [
    {"material": "topsoil", "form": "bulk", "price_per_m3": "48.00", "step_m3": 0.25},
    {"material": "compost", "form": "bag", "volume_m3": 0.04, "price": "6.20"},
    {"material": "wood_chips", "form": "bulk", "price_per_m3": "30.00"},
]
BUILT = read_plan(
    zoo.plan(
        suppliers=[{"key": "yard", "name": "Pennyfold yard", "delivery": "25.00", "offers": OFFERS}],
        garden={"name": "Test ground", "mean_temp_c": 11.0, "last_frost": "05-12", "first_frost": "10-03"},
    )
)


def wishes(have: dict[str, Any] | None = None, want: dict[str, Any] | None = None, **may: Any) -> Wishes:
    """Boards, logs and leaves, two square metres, one board high or two; changed by what is given."""
    said = {
        "have": {"stock": [BOARDS, LOGS, LEAVES], "money": "300"} | (have or {}),
        "want": {"area_m2": 2.0} | (want or {}),
        "may": {"height_m": 0.4} | may,
    }
    return Wishes.model_validate(said)


def searched(asked: Wishes) -> tuple[Search, Looked]:
    """A search, and what it found in the end."""
    search = Search(BUILT.plan, asked, BUILT.supplies, TODAY)
    *_, last = search.look()
    assert last.ended
    return search, last


def judged_all(search: Search, asked: Wishes) -> list[Judged]:
    """Every candidate judged, whatever bounds say."""
    found = [search.judge.judged(each, bed_of(each, asked.may)) for each in search.candidates]
    return [each for each in found if each is not None]


def rounded(front: Sequence[Judged]) -> set[tuple[float, ...]]:
    return {tuple(round(cost, 6) for cost in each.costs) for each in front}


def test_the_front_is_that_of_judging_everything() -> None:
    asked = wishes(have={"money": "160"}, want={"sow_on": "2027-05-20"}, height_m=0.2)
    search, last = searched(asked)
    everything = judged_all(search, asked)
    assert len(everything) > 100
    whole: Front[Judged] = Front()
    for each in everything:
        if not each.short:
            whole.add(each.costs, each)
    assert rounded(last.front) == rounded(whole.things)
    assert len(whole.things) >= 3
    assert any(each.short for each in everything)
    schools = {each.candidate.school.key for each in everything if not each.short}
    assert {each.candidate.school.key for each in (*last.front, *last.others)} == schools


DEALS = [
    {"material": "topsoil", "form": "bulk", "price_per_m3": "48.00", "tiers": [{"from_m3": 0.4, "price_per_m3": "31"}]},
    {"material": "compost", "form": "bag", "volume_m3": 0.04, "price": "6.20", "deal": {"count": 3, "price": "12.40"}},
    {"material": "larch", "form": "piece", "thickness_m": 0.038, "width_m": 0.19, "length_m": 2.4, "price": "21.50"},
]


@pytest.mark.parametrize("offers", [OFFERS, DEALS])
def test_bounds_are_never_more_than_what_it_takes(offers: list[dict[str, Any]]) -> None:
    asked = wishes(have={"money": None, "stock": [BOARDS | {"count": 3}, LOGS]})
    supplier = {"key": "yard", "name": "Pennyfold yard", "offers": offers}
    built = read_plan(zoo.plan(suppliers=[supplier], garden={"name": "Test ground", "mean_temp_c": 11.0}))
    search = Search(built.plan, asked, built.supplies, TODAY)
    for candidate in search.candidates[::7]:
        bed = bed_of(candidate, asked.may)
        judged, least = search.judge.judged(candidate, bed), search._bounds.least(candidate, bed)
        assert judged is not None
        assert least.money <= float(judged.money) + 0.01
        assert least.hours <= judged.hours
        if least.unmet:
            assert "offered" in {each.kind for each in judged.short}


def test_more_money_and_more_boards_never_make_the_best_worse() -> None:
    best: list[list[float]] = []
    for have in (
        {"money": "70", "stock": [BOARDS | {"count": 4}, LOGS]},
        {"money": "120", "stock": [BOARDS | {"count": 4}, LOGS]},
        {"money": "120", "stock": [BOARDS | {"count": 10}, LOGS]},
        {"money": "250", "stock": [BOARDS | {"count": 10}, LOGS, LEAVES]},
    ):
        _, last = searched(wishes(have=have))
        assert last.front
        best.append([min(costs) for costs in zip(*(each.costs for each in last.front), strict=True)])
    for before, after in itertools.pairwise(best):
        assert all(now <= then + 1e-9 for then, now in zip(before, after, strict=True))


def test_nothing_goes_and_the_wish_to_ease_opens_it() -> None:
    _, last = searched(wishes(have={"money": "3", "stock": [BOARDS]}))
    assert last.front == []
    money = next(each for each in last.eases if each.kind == "money")
    assert money.has == 3 and money.takes > 3 and money.opens >= 1
    _, eased = searched(wishes(have={"money": str(round(money.takes + 0.01, 2)), "stock": [BOARDS]}))
    assert eased.front
    _, cheaper = searched(wishes(have={"money": str(round(money.takes - 0.02, 2)), "stock": [BOARDS]}))
    assert cheaper.front == []


def test_boards_that_nobody_sells_are_not_counted_on() -> None:
    few = {"money": None, "stock": [BOARDS | {"count": 3}, LOGS]}
    search, last = searched(wishes(have=few, want={"area_m2": 1.0}, height_m=0.2))
    framed = [each for each in (*last.front, *last.others) if each.candidate.section]
    assert framed
    for each in framed:
        around_m = 2 * (each.candidate.length_m + each.candidate.width_m)
        # two of the four walls lie between the others
        walls_m = (around_m - 4 * BOARDS["thickness_m"]) * each.candidate.courses * each.bed.count
        assert walls_m <= 3 * 2.4
    assert any(each.courses == 1 and each.area_m2 > 2.5 for each in search.candidates)
    _, none = searched(wishes(have=few, want={"area_m2": 6.0}, height_m=0.2, on="deck", limit_kg_m2=900.0))
    assert none.front == []
    lacking = next(each for each in none.eases if each.kind == "offered")
    assert "larch" in {name.lower() for name in lacking.named}


def test_limits_are_kept() -> None:
    asked = wishes(on="deck", limit_kg_m2=160.0, reach_m=0.6, worked_from="one_side", height_m=0.2)
    search, last = searched(asked)
    assert all(each.width_m <= 0.6 + 1e-9 and each.section is not None for each in search.candidates)
    search.candidates = search.candidates[::5]
    loads = [short for each in judged_all(search, asked) for short in each.short if short.kind == "load"]
    assert loads and all(short.takes > 160 for short in loads)
    assert all(not each.short for each in last.front)


def test_a_proposal_costs_what_its_bed_costs_in_a_garden() -> None:
    _, last = searched(wishes(have={"stock": [BOARDS | {"count": 60}, LOGS, LEAVES]}))
    stocked = BUILT.plan.model_copy(update={"stock": wishes().have.stock})
    for each in (*last.front[:3], *last.others[:2]):
        figures = figure_alone(each.bed, stocked, BUILT.supplies, TODAY)
        assert figures.haul is not None
        assert each.money == figures.haul.total
        assert each.sinks_m == pytest.approx(figures.beds[0].surface_m[0] - figures.beds[0].surface_m[36])
        assert each.area_m2 == pytest.approx(figures.beds[0].top_area_m2 * each.bed.count)


def test_sizes_are_those_that_boards_make_within_reach() -> None:
    found = candidates(wishes(), BUILT.supplies.materials, [], System.METRIC)
    # 2.4 m whole, in two (1.195), in three (0.793) and in four (0.5925), to the centimetre below
    assert {each.length_m for each in found} == {2.4, 1.19, 0.79, 0.59}
    assert {each.width_m for each in found} == {1.19, 0.79, 0.59}
    assert all(each.area_m2 >= 2.0 - 1e-9 for each in found)
    assert {each.courses for each in found} == {0, 1, 2, 3, 4, 5}
    assert len({each.told for each in found}) == len(found)


def test_what_is_over_the_most_is_told_and_leaves_no_school_out() -> None:
    lengths = (1.5, 1.8, 2.1, 2.4, 2.7, 3.0, 3.3, 3.6, 3.9, 4.2)
    many = wishes(have={"stock": [BOARDS | {"length_m": each} for each in lengths]})
    search = Search(BUILT.plan, many, BUILT.supplies, TODAY)
    ways = candidates(many, BUILT.supplies.materials, search.judge.suppliers, System.METRIC)
    assert len(search.candidates) == 5000 and search.left_out == len(ways) - 5000 > 0
    assert {each.school.key for each in search.candidates} == {each.school.key for each in ways}
    assert Search(BUILT.plan, wishes(), BUILT.supplies, TODAY).left_out == 0


def test_what_was_found_is_told_for_who_takes_it() -> None:
    search, last = searched(wishes())
    told = looked_figures(last, search.judge.around, BUILT.supplies)
    assert told.found == len(last.front) and told.ended
    assert sum(each.unbeaten for each in told.proposals) == min(len(last.front), 9)
    first = told.proposals[0]
    assert isinstance(first.money, Decimal) and first.cut.layers and first.bed["layers"]


COSTS = st.lists(st.tuples(*(st.integers(0, 3).map(float) for _ in range(3))), min_size=1, max_size=25)


@given(COSTS)
def test_a_front_keeps_what_nothing_beats(costs: list[tuple[float, ...]]) -> None:
    front: Front[int] = Front()
    for at, each in enumerate(costs):
        front.add(each, at)
    unbeaten = {each for each in costs if not any(is_beaten(each, other) for other in costs)}
    assert {costs[at] for at in front.things} == unbeaten
    assert len(front.things) == len(unbeaten)


@given(COSTS, st.integers(3, 8))
def test_what_is_shown_holds_the_best_in_each_thing(costs: list[tuple[float, ...]], most: int) -> None:
    shown = spread_out(costs, most)
    assert len(set(shown)) == len(shown) == min(most, len(costs))
    for thing in range(3):
        assert min(costs[at][thing] for at in shown) == min(each[thing] for each in costs)
