"""Several meals on one layer: each is bought, weighs, feeds, and is told by the lift."""

from __future__ import annotations

from typing import Any

import pytest

from nolbet_core.plan.problems import PlanProblem
from nolbet_core.shelf.library import standard_shelf
from tests.core import zoo
from tests.core.ask import bed_of, figures_of

FEATHER = {"material": "feather_meal", "mass_kg": 0.6}
BONE = {"material": "bone_meal", "mass_kg": 0.9}


def fed(*amendments: dict[str, Any], first: dict[str, Any] | None = None) -> dict[str, Any]:
    layer = {"material": "shredded_hardwood", "fill": True, "lifts": 3, "amendments": list(amendments)}
    return zoo.bed(count=2, layers=[layer | ({"amendment": first} if first else {})])


def test_all_of_them_are_bought_and_weighed() -> None:
    needs = {need.material: need for need in figures_of(zoo.plan(fed(FEATHER, BONE))).needs}
    assert (needs["feather_meal"].to_buy_kg, needs["bone_meal"].to_buy_kg) == pytest.approx((1.2, 1.8))
    plain, rich = bed_of(fed()), bed_of(fed(FEATHER, BONE))
    assert rich.mass_moist_kg - plain.mass_moist_kg == pytest.approx(1.5)


def test_they_feed_together_as_they_would_alone() -> None:
    ways = ((), (FEATHER,), (BONE,), (FEATHER, BONE))
    none, one, other, both = (bed_of(fed(*each)).layers[0].nitrogen_kg for each in ways)
    assert both - none == pytest.approx((one - none) + (other - none))
    assert one > none


def test_the_first_may_stand_by_itself_as_in_older_files() -> None:
    together, apart = bed_of(fed(FEATHER, BONE)), bed_of(fed(BONE, first=FEATHER))
    assert [each.material for each in apart.layers[0].scattered] == ["feather_meal", "bone_meal"]
    assert apart.layers[0].nitrogen_kg == pytest.approx(together.layers[0].nitrogen_kg)


def test_each_is_told_by_the_lift_in_handfuls_cups_and_grams() -> None:
    plan = zoo.plan(fed(FEATHER), garden={"name": "Test ground", "handful_kg": 0.05})
    (meal,) = figures_of(plan).beds[0].layers[0].scattered
    assert meal.lift_kg == pytest.approx(0.2)
    assert meal.lift_handfuls == pytest.approx(4.0)
    cup_kg = 2.365882365e-4 * standard_shelf()["feather_meal"].bulk_density_kg_m3
    assert meal.lift_cups == pytest.approx(0.2 / cup_kg)


def test_what_can_not_be_scattered_is_named_by_its_place() -> None:
    with pytest.raises(PlanProblem) as problem:
        bed_of(fed(FEATHER, {"material": "broadleaf_logs", "mass_kg": 2.0}))
    assert problem.value.path == "beds[0].layers[0].amendments[1].material"
