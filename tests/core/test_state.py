"""How far beds have come: what they still ask for, how they stand today, and what is left of them when taken apart."""

from __future__ import annotations

from datetime import date
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.built.emptying import Emptied, build_on, empty_bed, left_today
from nolbet_core.built.plan_file import read_plan
from nolbet_core.built.surroundings import surroundings_of
from nolbet_core.built.worked import WorkedBed, work_bed
from nolbet_core.figure.figures import Figures
from nolbet_core.figure.walk import figure_plan
from nolbet_core.plan.problems import PlanProblem
from tests.core import zoo

TODAY = date(2027, 3, 20)
LAYERS = [
    {"material": "cardboard", "plies": 2},
    {"material": "branches", "thickness_m": 0.15, "infill": {"material": "compost", "share": 0.7}},
    {"material": "compost", "thickness_m": 0.1},
    {"material": "topsoil", "fill": True},
]
GARDEN = {"name": "Test ground", "last_frost": "05-12", "first_frost": "10-03"}


def bed(**changes: Any) -> dict[str, Any]:
    return zoo.bed(layers=LAYERS) | changes


def figured(*beds: dict[str, Any], today: date | None = TODAY, **changes: Any) -> Figures:
    return figure_plan(read_plan(zoo.plan(*beds, garden=GARDEN, **changes)), today)


def worked(**changes: Any) -> WorkedBed:
    plan = read_plan(zoo.plan(bed(**changes), garden=GARDEN))
    return work_bed(plan.plan.beds[0], surroundings_of(plan.plan.garden, TODAY), plan.supplies)


def loose(figures: Figures) -> dict[str, float]:
    return {need.material: need.loose_m3 for need in figures.needs}


@pytest.mark.parametrize(
    ("said", "today", "state"),
    [
        ({}, TODAY, "planned"),
        ({"built_on": "2025-03-20"}, TODAY, "filled"),
        ({"built_on": "2025-03-20"}, None, "planned"),
        ({"built_on": "2027-03-20"}, TODAY, "planned"),
        ({"built_on": "2025-03-20", "state": "planned"}, TODAY, "planned"),
        ({"laid": [1.0, 0.5]}, None, "filling"),
        ({"emptied_on": "2026-11-02"}, None, "emptied"),
        ({"state": "filled"}, None, "filled"),
    ],
)
def test_a_state_is_as_said_else_it_follows_from_the_days(said: dict[str, Any], today: date | None, state: str) -> None:
    assert figured(bed(**said), today=today).beds[0].state == state


def test_a_filled_bed_buys_nothing_and_stands_as_it_has_sunk() -> None:
    figures = figured(bed(built_on="2025-03-20"))
    (own,) = figures.beds
    assert figures.needs == []
    # two years of 365.25 days less half a day: 23.98 months
    assert own.today_m == pytest.approx(own.surface_m[24], abs=0.0002)
    assert own.today_m is not None
    assert own.today_m < own.surface_m[0] - 0.02


def test_a_bed_being_filled_buys_what_is_not_laid_sheets_too() -> None:
    whole = loose(figured(bed(count=2)))
    left = figured(bed(count=2, laid=[1.0, 1.0, 0.25]))
    needs = {need.material: need for need in left.needs}
    assert set(needs) == {"compost", "topsoil"}
    compost_layer = 2 * 2.0 * 0.1 * 1.15
    assert needs["compost"].loose_m3 == pytest.approx(0.75 * compost_layer)
    assert needs["topsoil"].loose_m3 == pytest.approx(whole["topsoil"])
    assert left.beds[0].today_m == pytest.approx(0.15 + 0.25 * 0.1)
    begun = {need.material: need for need in figured(bed(laid=[0.5])).needs}
    assert begun["cardboard"].area_m2 == pytest.approx(0.5 * 5.6)


def test_a_reservoir_is_bought_until_something_lies_on_it() -> None:
    wet = {"height_m": 0.15, "medium": "gravel_20", "liner_lap_m": 0.1}
    layers = [{"material": "topsoil", "thickness_m": 0.2}]
    fresh, begun = (
        loose(figured(zoo.bed(layers=layers, reservoir=wet, state="filling", laid=laid))) for laid in ([0.0], [0.4])
    )
    assert {"gravel_20", "pond_liner"} <= set(fresh)
    assert set(begun) == {"topsoil"}


def test_all_top_ups_of_a_spring_are_one_order_after_what_lies_on_hand() -> None:
    beds = [
        bed(key="one", count=2, built_on="2025-03-20"),
        bed(key="two", built_on="2026-10-01"),
        bed(key="three"),
    ]
    supplier = {
        "key": "yard",
        "delivery": "45.00",
        "offers": [{"material": "compost", "form": "bulk", "price_per_m3": "48.00"}],
    }
    compost = loose(figured(bed()))["compost"]
    figures = figured(*beds, suppliers=[supplier], stock=[{"material": "compost", "volume_m3": compost + 0.03}])
    assert figures.spring
    assert figures.spring.on == date(2027, 5, 12)
    assert [each.bed for each in figures.spring.beds] == ["one", "two"]
    (need,) = figures.spring.needs
    assert need.loose_m3 == pytest.approx(sum(each.loose_m3 for each in figures.spring.beds))
    # the planned bed takes its compost from the heap first; what is left of it goes on in spring
    assert need.stock_m3 == pytest.approx(0.03)
    assert need.to_buy_m3 == pytest.approx(need.loose_m3 - 0.03)
    assert figures.spring.haul
    assert figures.spring.haul.delivery == 45
    one, two = figures.spring.beds
    assert one.sunk_m > two.sunk_m > 0


def test_nothing_of_a_filled_bed_lies_in_the_past() -> None:
    (own,) = figured(bed(built_on="2025-03-20")).beds
    assert min(own.spring_months) * 365.25 / 12 > (TODAY - date(2025, 3, 20)).days
    days = [each.from_day for each in own.ready.sowings if each.from_day]
    assert days
    assert min(days) >= TODAY


WRONG: list[tuple[dict[str, Any], str, str]] = [
    ({"laid": [1, 1, 1, 1, 1]}, "laid[4]", "one more than the bed has"),
    ({"laid": [1.0], "state": "planned"}, "laid", "being filled"),
    ({"laid": [1.5]}, "laid[0]", "1"),
    ({"state": "filled", "emptied_on": "2026-01-01"}, "emptied_on", "taken apart"),
    ({"emptied_on": "2024-01-01", "built_on": "2025-01-01"}, "emptied_on", "before"),
    ({"state": "half done"}, "state", "planned"),
]


@pytest.mark.parametrize(("said", "key", "message"), WRONG)
def test_what_makes_no_sense_is_named_by_its_path(said: dict[str, Any], key: str, message: str) -> None:
    with pytest.raises(PlanProblem) as problem:
        read_plan(zoo.plan(bed(**said)))
    assert problem.value.path == f"beds[0].{key}"
    assert message in str(problem.value)


def staying(emptied: Emptied) -> float:
    """What still lies in one bed [m3]."""
    return sum(layer.volume_m3 or 0.0 for layer in emptied.bed.layers) if emptied.bed.state == "filling" else 0.0


@given(st.integers(0, 119), st.floats(0.0, 0.45), st.integers(1, 3))
def test_a_bed_taken_apart_balances_to_the_litre(month: int, down_to_m: float, count: int) -> None:
    built_on = date(TODAY.year - 1 - month // 12, 12 - month % 12, 5).isoformat()
    own = worked(built_on=built_on, count=count)
    left = left_today(own)
    at = round(own.age_months or 0.0)
    sunken = [layer.placed_m3 * float(own.settling.remaining[i, at]) for i, layer in enumerate(own.filled.layers)]
    assert sum(each.volume_m3 for each in left) == pytest.approx(sum(sunken), abs=1e-6)
    emptied = empty_bed(own, TODAY.isoformat(), down_to_m)
    factor = {each.material.key: each.loose_factor for each in left}
    on_heaps = sum(heap.volume_m3 / factor[heap.material] for heap in emptied.heaps) / count
    assert on_heaps + staying(emptied) == pytest.approx(sum(sunken), abs=1e-5)
    height = own.vessel.hollow.height_for_volume(0.0, staying(emptied))
    assert height <= down_to_m + 1e-6


def test_what_comes_out_is_as_heavy_and_rich_as_the_ledger_has_it() -> None:
    own = worked(built_on="2025-03-20")
    used = {each.material.like: each for each in left_today(own)}
    wood = used["branches"].material
    assert wood.name == "Used branches, Plain"
    assert wood.nitrogen is not None
    # the compost packed into it stays in it
    assert wood.nitrogen > 0.004
    assert used["topsoil"].material.dry_density_kg_m3 == pytest.approx(1322.5 / 0.92, rel=0.002)
    emptied = empty_bed(own, TODAY.isoformat())
    assert (emptied.bed.state, emptied.bed.emptied_on) == ("emptied", "2027-03-20")
    assert len(emptied.heaps) == 3


def test_a_second_years_stack_lies_on_what_is_left() -> None:
    own = worked(built_on="2025-03-20")
    again = build_on(own)
    plan = zoo.plan(garden=GARDEN)
    plan["materials"] = [each.model_dump(exclude_none=True) for each in again.materials]
    layers = [each.model_dump(exclude_none=True) for each in again.bed.layers]
    plan["beds"] = [bed(state="filling", laid=[1.0] * 3, layers=[*layers, {"material": "compost", "fill": True}])]
    figures = figure_plan(read_plan(plan), TODAY)
    (need,) = figures.needs
    assert need.material == "compost"
    assert figures.beds[0].today_m == pytest.approx(own.today_m, abs=0.0005)
    assert need.placed_m3 == pytest.approx(2.0 * (0.5 - (own.today_m or 0)), abs=0.001)


def test_nothing_can_be_taken_out_of_a_planned_bed() -> None:
    with pytest.raises(PlanProblem, match="nothing in the bed"):
        empty_bed(worked(), TODAY.isoformat())
