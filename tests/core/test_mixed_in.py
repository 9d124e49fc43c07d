"""Lime, meals and fertilisers mixed into soil by weight, and a mix by the planting hole."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.blend.dosing import LIMED_TO, lime_for, limed
from nolbet_core.built.plan_file import read_plan
from nolbet_core.built.supplies import gather_supplies
from nolbet_core.figure.mix_amounts import figure_mix_amounts
from nolbet_core.figure.mixing import figure_mix
from nolbet_core.plan.mix import PlanMix
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.quantities.limits import LIMITS
from nolbet_core.quantities.reading import Context, read
from nolbet_core.quantities.units import System
from nolbet_core.shelf.library import standard_shelf
from tests.core import zoo
from tests.core.ask import figures_of

SUPPLIES = gather_supplies([], []).holding()
LIME = {"material": "lime", "dose_kg_m3": 1.5}
FEATHER = {"material": "feather_meal", "dose_kg_m3": 2.5}


def mix(*doses: dict[str, Any], **changes: Any) -> dict[str, Any]:
    parts = [{"material": "peat", "parts": 3}, {"material": "compost", "parts": 2}]
    return {"key": "own_mix", "name": "Own mix", "parts": parts, "doses": list(doses)} | changes


def figured(*doses: dict[str, Any]) -> Any:
    return figure_mix(PlanMix.model_validate(mix(*doses)), SUPPLIES, System.METRIC)


def mark(figures: Any, name: str) -> Any:
    return next(each for each in figures.marks if each.name == name)


def test_lime_lifts_the_ph_by_a_unit_for_two_kilograms() -> None:
    sour, sweet = mark(figured(), "ph"), mark(figured(LIME), "ph")
    assert sweet.value - sour.value == pytest.approx(1.5 / 2)
    assert (sour.spread, sweet.spread) == (pytest.approx(0.5), pytest.approx(0.5 + 1.5 * 0.5))


def test_what_is_asked_for_brings_it_to_its_band() -> None:
    sour = figured()
    assert mark(sour, "ph").state == "under" and sour.lime_kg_m3 > 0
    limed_mix = figured({"material": "lime", "dose_kg_m3": sour.lime_kg_m3})
    assert mark(limed_mix, "ph").state == "in"
    assert limed_mix.lime_kg_m3 is None
    assert "ph_out" not in {each.code for each in limed_mix.findings}


@given(st.floats(3.5, 9), st.floats(0, 50))
def test_lime_never_lowers_nor_lifts_over_its_own(ph: float, lime_kg_m3: float) -> None:
    lifted = limed(ph, lime_kg_m3)
    assert ph <= lifted <= max(ph, LIMED_TO)
    assert limed(ph, lime_for(ph, 6.2)) == pytest.approx(max(ph, 6.2))


def test_a_meal_adds_its_mass_and_nitrogen_and_takes_no_room() -> None:
    plain, fed = figured(), figured(FEATHER)
    assert fed.parts_out == plain.parts_out
    dry = 2.5 * (1 - standard_shelf()["feather_meal"].moisture)
    assert mark(fed, "loose_moist_kg_m3").value - mark(plain, "loose_moist_kg_m3").value == pytest.approx(2.5)
    assert mark(fed, "c_to_n").value < mark(plain, "c_to_n").value
    (dose,) = fed.doses
    assert (dose.bucket_kg, dose.barrow_kg) == (pytest.approx(0.025), pytest.approx(2.5 * 0.08, rel=0.1))
    assert dry < 2.5


def test_ash_does_half_of_what_lime_does() -> None:
    ash = figured({"material": "wood_ash", "dose_kg_m3": 3.0})
    assert mark(ash, "ph").value == pytest.approx(mark(figured(LIME), "ph").value)


def test_they_are_bought_by_weight_for_as_much_as_is_laid() -> None:
    bed = zoo.bed(count=3, layers=[{"material": "own_mix", "fill": True}])
    figures = figures_of(zoo.plan(bed, mixes=[mix(LIME, FEATHER)]))
    loose_m3 = 3 * figures.beds[0].layers[0].loose_m3
    needs = {need.material: need for need in figures.needs}
    assert needs["lime"].to_buy_kg == pytest.approx(1.5 * loose_m3)
    assert needs["feather_meal"].to_buy_kg == pytest.approx(2.5 * loose_m3)


def test_a_meal_in_the_mix_feeds_the_bed() -> None:
    bed = zoo.bed(layers=[{"material": "own_mix", "fill": True}])
    plain = figures_of(zoo.plan(bed, mixes=[mix()])).beds[0]
    fed = figures_of(zoo.plan(bed, mixes=[mix(FEATHER)])).beds[0]
    assert fed.nitrogen_supply_kg > plain.nitrogen_supply_kg
    assert fed.surface_m[0] == pytest.approx(plain.surface_m[0])


def test_what_the_heaps_make_doesnt_wait_for_lime() -> None:
    bed = zoo.bed(layers=[{"material": "own_mix", "fill": True}])
    stock = [{"material": "peat", "volume_m3": 0.3}, {"material": "compost", "volume_m3": 0.4}]
    built = read_plan(zoo.plan(bed, mixes=[mix(LIME)], stock=stock))
    amounts = figure_mix_amounts(built, PlanMix.model_validate(mix(LIME)))
    assert amounts.from_stock_m3 == pytest.approx(0.5, rel=1e-6)
    barrow = next(each for each in amounts.amounts if each.what == "barrow")
    lime = next(each for each in barrow.taken if each.material == "lime")
    assert lime.by_weight and lime.mass_kg == pytest.approx(1.5 * barrow.loose_m3)


@pytest.mark.parametrize("key", ["wood_chips", "cardboard", "nothing_known"])
def test_what_cant_be_weighed_in_is_refused_with_its_place(key: str) -> None:
    plan = zoo.plan(zoo.bed(), mixes=[mix(LIME, {"material": key, "dose_kg_m3": 2.0})])
    with pytest.raises(PlanProblem) as problem:
        read_plan(plan)
    assert problem.value.path == "mixes[0].doses[1].material"


HOLES = {"material": "own_mix", "count": 12, "each_m3": 0.002}


def test_planting_holes_are_bought_beside_the_fill() -> None:
    bed = zoo.bed(count=2)
    plain = figures_of(zoo.plan(bed, mixes=[mix(LIME)]))
    scooped = figures_of(zoo.plan({**bed, "holes": HOLES}, mixes=[mix(LIME)]))
    before = {need.material: need.loose_m3 for need in plain.needs}
    after = {need.material: need.loose_m3 for need in scooped.needs}
    more = 2 * 12 * 0.002
    assert sum(after.values()) - sum(before.values()) == pytest.approx(more * (1 + 1.5 * 1.05 / 1414.1), rel=1e-3)
    assert scooped.beds[0].holes.loose_m3 == pytest.approx(0.024)
    assert scooped.beds[0].placed_m3 == plain.beds[0].placed_m3
    told = figure_mix_amounts(
        read_plan(zoo.plan({**bed, "holes": HOLES}, mixes=[mix()])), PlanMix.model_validate(mix())
    )
    (for_bed,) = [each for each in told.amounts if each.bed]
    assert for_bed.lies and for_bed.loose_m3 == pytest.approx(more)


def test_an_emptied_bed_asks_for_no_holes_and_chips_are_nothing_to_plant_in() -> None:
    assert (
        figures_of(zoo.plan({**zoo.bed(), "state": "emptied", "holes": {**HOLES, "material": "compost"}})).needs == []
    )
    with pytest.raises(PlanProblem) as problem:
        read_plan(zoo.plan({**zoo.bed(), "holes": {**HOLES, "material": "wood_chips"}}))
    assert problem.value.path == "beds[0].holes.material"


@pytest.mark.parametrize(
    ("typed", "system", "kg_m3", "shown"),
    [
        ("2", System.FT_IN, 1.18655, "2 lb a cu yd"),
        ("3 1/2 lb", System.FT_IN, 2.07647, "3.5 lb a cu yd"),
        ("3.4 lb a cu yd", System.METRIC, 2.01714, "2.02 kg a m³"),
        ("0.1 lb a cu ft", System.FT_IN, 1.60185, "2.7 lb a cu yd"),
        ("1,5 kg/m3", System.FT_IN, 1.5, "2.53 lb a cu yd"),
        ("2", System.METRIC, 2.0, "2 kg a m³"),
    ],
)
def test_pounds_mixed_in_are_to_the_yard(typed: str, system: System, kg_m3: float, shown: str) -> None:
    (meaning,) = read(typed, LIMITS["mixed_in"], Context(system)).meanings
    assert meaning.values == (pytest.approx(kg_m3, rel=1e-5),)
    assert meaning.shown == shown


def test_too_much_mixed_in_is_refused_by_the_yard() -> None:
    problem = read("500 lb", LIMITS["mixed_in"], Context(System.FT_IN)).problem
    assert problem == (
        "“500 lb”: more than the 337.11 lb a cu yd that what is mixed in may be. Try 2 lb a cu yd or 1.2 kg/m3."
    )
