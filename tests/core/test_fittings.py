"""Inlets, drains, overflows and tubes of a reservoir; wicks that hang, and strips by their length."""

from __future__ import annotations

import math
from typing import Any

import numpy as np
import pytest

from nolbet_core.plan.problems import PlanProblem
from nolbet_core.reservoir.wicking import Lift, Wicking
from nolbet_core.shelf.wares import TAP, TUBE, WALL_FITTING
from tests.core import zoo
from tests.core.ask import bed_of, figures_of, mended_by, worked_of

WET = {"height_m": 0.2, "overflow_m": 0.18, "medium": "gravel_20", "liner_lap_m": 0.1}
FITTINGS = [
    {"kind": "inlet", "height_m": 0.1, "diameter_m": 0.025},
    {"kind": "drain"},
    {"kind": "overflow", "diameter_m": 0.025, "sealed": True},
    {"kind": "filler", "diameter_m": 0.05},
    {"kind": "dip_tube"},
]


def wet(**changes: Any) -> dict[str, Any]:
    return zoo.bed(count=2, reservoir=WET | changes)


def test_the_list_grows_by_exactly_the_fittings() -> None:
    plain, fitted = (figures_of(zoo.plan(wet(fittings=fittings))) for fittings in ([], FITTINGS))
    before, after = ({need.material: need for need in each.needs} for each in (plain, fitted))
    new = after.keys() - before.keys()
    assert new == {WALL_FITTING, TAP, TUBE}
    assert (after[WALL_FITTING].units, after[TAP].units) == (2 * 3, 2 * 1)
    # from the floor to 5 cm over the rim of 0.5 m
    assert [(each.length_m, each.count, each.diameter_m) for each in after[TUBE].lengths] == [
        (pytest.approx(0.55), 2, 0.05), (pytest.approx(0.55), 2, 0.032),
    ]  # fmt: skip
    added = sum(after[key].mass_kg for key in new) / 2
    assert fitted.beds[0].mass_moist_kg - plain.beds[0].mass_moist_kg == pytest.approx(added)


def test_fittings_are_bought_by_their_diameter_or_any() -> None:
    offers = [
        {"material": WALL_FITTING, "form": "piece", "diameter_m": 0.025, "price": "6.00"},
        {"material": TAP, "form": "pack", "count": 3, "price": "9.00"},
    ]
    stores = [{"key": "stores", "name": "Saltgrass stores", "offers": offers}]
    haul = figures_of(zoo.plan(wet(fittings=FITTINGS), suppliers=stores)).haul
    assert haul is not None
    counts = {line.material: (line.count, str(line.price)) for line in haul.lines}
    # two inlets and two overflows of 25 mm; nobody sells fittings of 20 mm for the drains
    assert counts == {WALL_FITTING: (4, "24.00"), TAP: (1, "9.00")}


def test_each_opening_under_water_is_told_until_it_is_sealed() -> None:
    document = wet(fittings=FITTINGS)
    for left in (2, 1, 0):
        found = [each for each in bed_of(document).findings if each.code == "opening_unsealed"]
        assert len(found) == left
        document = mended_by(document, found[0]) if found else document
    high = wet(fittings=[{"kind": "inlet", "height_m": 0.3}])
    assert "opening_unsealed" not in {each.code for each in bed_of(high).findings}


def test_an_overflow_fitting_is_the_overflow() -> None:
    said = {key: value for key, value in WET.items() if key != "overflow_m"}
    by_fitting = bed_of(zoo.bed(reservoir=said | {"fittings": [{"kind": "overflow", "height_m": 0.15}]}))
    by_height = bed_of(zoo.bed(reservoir=said | {"overflow_m": 0.15}))
    assert by_fitting.reservoir and by_height.reservoir
    assert by_fitting.reservoir.water_m3 == by_height.reservoir.water_m3
    assert "no_overflow" not in {each.code for each in by_fitting.findings}


def test_a_hanging_column_takes_less_room_and_lifts_only_what_it_touches() -> None:
    standing, hanging = (
        worked_of(zoo.bed(reservoir=WET | {"wicks": [{"kind": "soil_column", "diameter_m": 0.2, "count": 3, **more}]}))
        for more in ({}, {"height_m": 0.08})
    )
    assert standing.water and hanging.water
    column_m2 = 3 * math.pi * 0.1**2
    assert hanging.water.store.columns_m3 == pytest.approx(column_m2 * 0.08)
    assert hanging.water.store.held_m3 > standing.water.store.held_m3
    lifts = Wicking((Lift("soil_column", 0.01, 0.3, hangs_m=0.08),))
    touched, out_of_reach = lifts.lifted(np.array([0.05, 0.09]))
    assert touched == pytest.approx(0.01 * (1 - 0.05 / 0.3))
    assert out_of_reach == 0


def test_a_strip_is_as_long_as_it_is_said() -> None:
    strips = {"kind": "strip", "width_m": 0.1, "count": 4}
    usual, long = (
        {need.material: need.area_m2 for need in figures_of(zoo.plan(zoo.bed(reservoir=WET | {"wicks": [each]}))).needs}
        for each in (strips, strips | {"length_m": 0.8})
    )
    assert long["wicking_fabric"] == pytest.approx(4 * 0.1 * 0.8)
    assert usual["wicking_fabric"] == pytest.approx(4 * 0.1 * (0.2 + 0.3))


@pytest.mark.parametrize(
    ("changes", "path"),
    [
        ({"fittings": [{"kind": "drain", "height_m": 0.7}]}, "fittings[0].height_m"),
        ({"fittings": [{"kind": "filler", "height_m": 0.1}]}, "fittings[0].height_m"),
        ({"fittings": [{"kind": "overflow", "height_m": 0.1}]}, "fittings[0].height_m"),
        ({"wicks": [{"kind": "strip", "width_m": 0.1, "height_m": 0.1}]}, "wicks[0].height_m"),
        ({"wicks": [{"kind": "soil_column", "diameter_m": 0.1, "length_m": 0.4}]}, "wicks[0].length_m"),
    ],
)
def test_fittings_that_make_no_sense_are_refused(changes: dict[str, Any], path: str) -> None:
    with pytest.raises(PlanProblem) as problem:
        bed_of(wet(**changes))
    assert problem.value.path == f"beds[0].reservoir.{path}"
