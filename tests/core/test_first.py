"""What something new starts as: it holds together wherever it can be."""

from __future__ import annotations

from typing import Any

import pytest

from nolbet_core.built.first import first_layer
from nolbet_core.built.plan_file import read_plan
from nolbet_core.plan.bed import Layer
from nolbet_core.plan.defaults import plan_defaults, shape_facts
from nolbet_core.plan.shapes import KINDS, ON_THE_GROUND, WITH_CORNER_DEPTHS
from nolbet_core.shelf.library import standard_shelf
from tests.core import zoo
from tests.core.ask import bed_of
from tests.core.shapes import WALLED, shape


@pytest.mark.parametrize("kind", WALLED)
def test_every_vessel_can_begin_as_a_wicking_bed(kind: str) -> None:
    document = {"key": kind, "shape": shape(kind), "layers": [{"material": "topsoil", "thickness_m": 0.05}]}
    reservoir = bed_of(document).first_reservoir
    assert reservoir is not None
    figures = bed_of(document | {"reservoir": reservoir})
    assert figures.reservoir is not None
    assert figures.reservoir.water_m3 > 0.001
    assert reservoir["overflow_m"] == reservoir["height_m"]
    assert figures.first_reservoir is None


@pytest.mark.parametrize("kind", WALLED)
def test_it_is_lined_where_the_bed_holds_no_water_of_itself(kind: str) -> None:
    document = {"key": kind, "shape": shape(kind), "layers": [{"material": "topsoil", "thickness_m": 0.05}]}
    begun = bed_of(document | {"reservoir": bed_of(document).first_reservoir})
    codes = {each.code for each in begun.findings}
    assert codes.isdisjoint({"no_liner", "soil_into_reservoir"})


@pytest.mark.parametrize(("depth_m", "height_m"), [(0.6, 0.2), (0.5, 0.2), (0.4, 0.15), (0.12, 0.02)])
def test_a_shallow_bed_begins_with_a_low_reservoir(depth_m: float, height_m: float) -> None:
    reservoir = bed_of(zoo.bed(shape=zoo.shape(2, 1, depth_m))).first_reservoir
    assert reservoir is not None
    assert reservoir["height_m"] == pytest.approx(height_m)


def test_what_stands_on_the_ground_holds_no_water() -> None:
    for kind in ON_THE_GROUND:
        assert bed_of({"key": kind, "shape": shape(kind), "layers": []}).first_reservoir is None


@pytest.mark.parametrize("key", ["topsoil", "gravel_20", "cardboard", "geotextile", "pond_liner"])
def test_a_new_layer_of_anything_holds_together(key: str) -> None:
    words = first_layer(standard_shelf()[key])
    read_plan(zoo.plan(zoo.bed(layers=[words])))
    assert words.get("plies") == {"cardboard": 2, "geotextile": 1, "pond_liner": 1}.get(key)


SHARING = [{"material": "leaves", "share": 0.5}, {"material": "topsoil", "fill": True}]
HALVES: list[tuple[list[dict[str, Any]], int, dict[str, Any], dict[str, Any]]] = [
    ([{"material": "topsoil", "thickness_m": 0.3}], 0, {"thickness_m": 0.15}, {"thickness_m": 0.15}),
    ([{"material": "topsoil", "volume_m3": 0.25}], 0, {"volume_m3": 0.125}, {"volume_m3": 0.125}),
    (
        [{"material": "leaves", "share": 0.5}, {"material": "topsoil", "fill": True}],
        0,
        {"share": 0.25},
        {"share": 0.25},
    ),
    (SHARING, 1, {"share": 0.25}, {"fill": True}),
    ([{"material": "topsoil", "fill": True}], 0, {"thickness_m": 0.25}, {"fill": True}),
]


@pytest.mark.parametrize(("layers", "index", "lower", "upper"), HALVES)
def test_halves_are_told_in_the_words_of_the_whole(
    layers: list[dict[str, Any]], index: int, lower: dict[str, Any], upper: dict[str, Any]
) -> None:
    split = bed_of(zoo.bed(layers=layers)).layers[index].split
    assert split is not None
    assert (split.lower, split.upper) == (lower, upper)


def test_shapes_and_defaults_are_the_models_own() -> None:
    facts = shape_facts()
    assert {kind for kind in KINDS if not facts[kind]["walled"]} == ON_THE_GROUND
    assert {kind for kind in KINDS if facts[kind]["cornered"]} == WITH_CORNER_DEPTHS
    told = plan_defaults()
    assert told["Bed"]["reach_m"] == 0.6
    assert told["Layer"] == {"plies": 1, "lap_m": 0.15, "up_sides_m": 0.0, "skirt_m": 0.0, "lifts": 1}
    assert Layer(material="cardboard").lap_m is None


def test_a_bed_worked_from_one_side_is_in_reach_half_as_far() -> None:
    both, one = (bed_of(zoo.bed(reach_m=0.7, worked_from=side)).plan.reach_m for side in ("both_sides", "one_side"))
    assert (both, one) == (0.7, 0.35)


def test_a_meal_begins_thin_and_soil_thick() -> None:
    shelf = standard_shelf()
    assert first_layer(shelf["poultry_pellets"])["thickness_m"] == 0.002
    assert first_layer(shelf["topsoil"])["thickness_m"] == 0.1
