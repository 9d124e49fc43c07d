"""Getting under a budget, and what is set down by each bed."""

from __future__ import annotations

import itertools
import math
from datetime import date
from decimal import Decimal
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.built.plan_file import read_plan
from nolbet_core.figure.set_down import figure_set_down
from nolbet_core.figure.swap_figures import SwapsFigures
from nolbet_core.figure.swaps import figure_swaps
from nolbet_core.figure.walk import figure_cheapest_haul, figure_plan
from nolbet_core.haul.set_down import bags_by_bed, barrow_hours, barrow_loads, footprint
from nolbet_core.plan.bed import Bed
from tests.core import zoo

TODAY = date(2026, 10, 20)
SHOP = {"key": "shop", "name": "Reed shop", "offers": [
    {"form": "bag", "material": "topsoil", "volume_m3": 0.04, "price": "5.00", "fetch": True},
    {"form": "bag", "material": "compost", "volume_m3": 0.04, "price": "6.00", "fetch": True},
]}  # fmt: skip
WAY = {
    "name": "Half straw",
    "layers": [{"material": "straw", "thickness_m": 0.2}, {"material": "topsoil", "fill": True}],
}


def box(key: str, length_m: float, depth_m: float = 0.5, **words: Any) -> dict[str, Any]:
    """A box 1.2 m wide."""
    return zoo.bed(key=key, shape=zoo.shape(length_m, 1.2, depth_m)) | words


def document(*beds: dict[str, Any], budget: str | None = None, **words: Any) -> dict[str, Any]:
    """A plan with a shop and a budget."""
    head = {"name": "Test ground", "units": "metric"} | ({"budget": budget} if budget else {})
    return zoo.plan(*beds, suppliers=[SHOP], garden=head | words.pop("head", {})) | words


def swaps(*beds: dict[str, Any], **words: Any) -> SwapsFigures:
    """Ways to pay less for a plan."""
    found = figure_swaps(read_plan(document(*beds, **words)), TODAY)
    assert found is not None
    return found


def total(plan: dict[str, Any]) -> Decimal:
    """What the cheapest haul of a plan costs."""
    haul = figure_cheapest_haul(read_plan(plan), TODAY, 1.0, 2.0)[1]
    assert haul is not None
    return haul.total


def test_each_way_saves_what_the_plan_with_it_costs_less() -> None:
    beds = [box("low", 2.0), box("long", 3.0, set_aside=[WAY])]
    found = swaps(*beds, stock=[{"material": "straw", "volume_m3": 2.0}])
    kinds = {swap.key.split(" ")[0] for swap in found.swaps}
    assert {"less_deep", "aside", "put_off"} <= kinds
    assert [swap.saves for swap in found.swaps] == sorted((swap.saves for swap in found.swaps), reverse=True)
    for swap in found.swaps:
        assert swap.saves == found.total - swap.total
        changed = [swap.changed if bed["key"] == swap.bed else bed for bed in beds]
        assert total(document(*changed, stock=[{"material": "straw", "volume_m3": 2.0}])) == swap.total


def test_less_deep_is_a_course_of_boards_or_five_centimetres() -> None:
    frame = {"kind": "boards", "material": "larch", "thickness_m": 0.038, "width_m": 0.19}
    found = swaps(box("plain", 2.0, 0.5), box("framed", 2.0, 0.57, frame=frame, measured="inside"))
    depths = {swap.bed: swap.changed["shape"]["depth_m"] for swap in found.swaps if swap.key.startswith("less_deep")}
    assert depths == {"plain": pytest.approx(0.45), "framed": pytest.approx(0.38)}
    (swap,) = [swap for swap in found.swaps if swap.key == "less_deep plain"]
    assert swap.before is not None
    assert swap.after is not None
    assert swap.before.soil_m - swap.after.soil_m == pytest.approx(0.05, abs=0.002)


def test_own_wood_below_takes_the_place_of_bought_soil() -> None:
    found = swaps(box("deep", 2.0, 0.6), stock=[{"material": "broadleaf_logs", "volume_m3": 0.5}])
    (swap,) = [swap for swap in found.swaps if swap.key.startswith("own")]
    (wood, _) = swap.changed["layers"]
    assert wood["material"] == "broadleaf_logs"
    assert wood["thickness_m"] <= 0.6 / 3 + 1e-9
    assert swap.before is not None
    assert swap.after is not None
    assert swap.after.nitrogen_short_kg >= swap.before.nitrogen_short_kg


def test_the_fewest_ways_get_under_the_budget_and_of_those_the_one_that_costs_least_soil() -> None:
    beds = [box("low", 1.5, 0.4), box("mid", 2.0, 0.4), box("long", 3.0, 0.4)]
    whole = total(document(*beds))
    one = swaps(*beds, budget=str(whole - Decimal("10.00")))
    assert len(one.proposed) == 1
    # five centimetres less of the longest are enough, and cost less soil than a bed put off
    assert one.proposed == ["less_deep long"]
    assert one.proposed_total is not None
    assert one.proposed_total <= whole - 10
    deep = swaps(*beds, budget=str((whole * Decimal("0.3")).quantize(Decimal("0.01"))))
    assert len(deep.proposed) == 2
    assert all(key.startswith("put_off") for key in deep.proposed)
    singles = {swap.key: swap.total for swap in deep.swaps}
    assert min(singles.values()) > whole * Decimal("0.3")


def test_under_it_already_or_out_of_reach_is_said() -> None:
    beds = [box("low", 1.5, 0.2), box("long", 3.0, 0.4, state="filling", laid=[0.5])]
    whole = total(document(*beds))
    calm = swaps(*beds, budget=str(whole))
    assert (calm.proposed, calm.short_by) == ([], None)
    far = swaps(*beds, budget="1.00")
    assert far.proposed == []
    assert far.short_by is not None
    assert far.proposed_total == far.short_by + 1
    # a bed that is being filled is left as it is
    assert {swap.bed for swap in far.swaps} == {"low"}


def test_a_bed_put_off_buys_nothing_until_its_day() -> None:
    later = box("low", 2.0, put_off_until="2027-03-01")
    assert total(document(later)) == 0
    assert total(document(box("low", 2.0, put_off_until="2026-10-20"))) > 0
    assert Bed.model_validate(later).put_off_until == "2027-03-01"


@given(st.integers(1, 60), st.lists(st.floats(0.01, 5.0), min_size=2, max_size=8))
def test_bags_set_down_are_whole_and_add_up(count: int, needs: list[float]) -> None:
    shares = {f"bed_{index}": each for index, each in enumerate(needs)}
    given_out = bags_by_bed(count, shares)
    assert sum(given_out.values()) == count
    whole = sum(needs)
    assert all(abs(given_out[bed] - count * share / whole) < 1 for bed, share in shares.items())


def test_barrows_and_the_drive_by_hand() -> None:
    # 0.6 m3 of wet soil at 1300 kg/m3: 60 L would be 78 kg; at 1600 kg/m3 80 kg are 50 L
    assert barrow_loads(0.6, 1300.0, heavy=True) == 10
    assert barrow_loads(0.6, 1600.0, heavy=True) == 12
    assert barrow_loads(0.6, 300.0, heavy=False) == 8
    # ten loads over 30 m: 60 m of walking and 20 s of tipping each
    assert barrow_hours(10, 30.0) == pytest.approx(10 * 80 / 3600)
    # a cone of 2 m3 at 35 degrees has a radius of (6 / (pi tan 35))^(1/3) = 1.397 m
    assert footprint([2.0], 12) == pytest.approx(math.pi * 1.397**2 + 3 * 0.24, rel=1e-3)


def test_what_is_set_down_adds_up_to_the_haul_and_follows_the_ways() -> None:
    plot = {"corners_m": [[0, 0], [12, 0], [12, 8], [0, 8]]}
    beds = [box("near", 2.0, places=[{"x_m": 3.0, "y_m": 2.0}]), box("far", 3.0, places=[{"x_m": 10.0, "y_m": 6.0}])]
    plan = document(*beds, head={"plot": plot, "drop": [0.5, 0.5]})
    found = figure_set_down(read_plan(plan), TODAY)
    haul = figure_plan(read_plan(plan), TODAY, 1.0, 2.0).haul
    assert haul is not None
    bags = sum(load.bags for bed in found.beds for load in bed.loads)
    assert bags == sum(line.count or 0 for line in haul.lines)
    ways = {bed.bed: bed.way_m for bed in found.beds}
    assert ways["near"] is not None
    assert ways["far"] is not None
    assert 1.0 < ways["near"] < ways["far"] < 16.0
    assert found.hours == pytest.approx(sum(bed.hours for bed in found.beds))
    for one, two in itertools.pairwise(sorted(found.beds, key=lambda each: each.loose_m3)):
        assert one.barrow_loads <= two.barrow_loads
    assert sum(bed.price for bed in found.beds) == haul.total == found.price
    for bed in found.beds:
        assert bed.price_per_m2 is not None
        length_m = {"near": 2.0, "far": 3.0}[bed.bed]
        assert float(bed.price_per_m2) == pytest.approx(float(bed.price) / (length_m * 1.2), abs=0.01)
