"""Sheets over the floor, on walls, in bands along the edge and beside them; wraps, underlays, and the usual piece."""

from __future__ import annotations

import math
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.plan.problems import PlanProblem
from tests.core import zoo
from tests.core.ask import bed_of, figures_of, mended_by
from tests.core.shapes import shape

SOIL = {"material": "topsoil", "fill": True}
BOX = {"kind": "box", "length_m": 2.4, "width_m": 1.2, "depth_m": 0.5}
MAT = {"material": "weed_mat"}


def sheets(*layers: dict[str, Any], of: dict[str, Any] = BOX, **changes: Any) -> Any:
    bulk = [] if of["kind"].endswith("mound") else [SOIL]
    return bed_of({"key": "a", "shape": of, "layers": [*layers, *bulk], **changes})


def covered(*layers: dict[str, Any], of: dict[str, Any] = BOX) -> list[float]:
    return [layer.cover_m2 for layer in sheets(*layers, of=of).layers if layer.sheet]


def test_a_band_along_the_edge_by_hand() -> None:
    ring = 2.4 * 1.2 - 1.8 * 0.6
    assert covered({**MAT, "cover": "edge", "band_m": 0.3}) == pytest.approx([ring])
    up = {**MAT, "cover": "edge", "band_m": 0.3, "up_sides_m": 0.2}
    assert covered(up) == pytest.approx([ring + 7.2 * 0.2])
    out = {**MAT, "cover": "edge", "band_m": 0.0, "up_sides_m": 0.2, "skirt_m": 0.25}
    assert covered(out) == pytest.approx([7.2 * 0.2 + (2.9 * 1.7 - 2.88)])


def test_a_round_band_and_one_that_meets_itself() -> None:
    tub = {"kind": "circle", "diameter_m": 1.6, "depth_m": 0.5}
    assert covered({**MAT, "cover": "edge", "band_m": 0.2}, of=tub) == pytest.approx([math.pi * (0.8**2 - 0.6**2)])
    assert covered({**MAT, "cover": "edge", "band_m": 0.7}) == pytest.approx([2.88])


def test_walls_alone_to_the_rim_or_as_far_as_said() -> None:
    film = {"material": "food_film", "cover": "walls"}
    assert covered(film) == pytest.approx([7.2 * 0.5])
    assert covered({**film, "up_sides_m": 0.3}) == pytest.approx([7.2 * 0.3])
    figures = sheets({"material": "branches", "thickness_m": 0.1}, film)
    assert figures.layers[1].cover_m2 == pytest.approx(7.2 * 0.4)


@given(st.floats(0.05, 0.55))
def test_band_and_rest_are_the_floor(band_m: float) -> None:
    band, rest = covered({**MAT, "cover": "edge", "band_m": band_m}, {"material": "cardboard", "cover": "rest"})
    assert band + rest == pytest.approx(2.88)


def test_film_on_the_walls_holds_no_water_and_keeps_nothing_apart() -> None:
    film = {"material": "food_film", "cover": "walls"}
    stones = {"material": "rubble", "thickness_m": 0.2}
    lined, walled = sheets({"material": "food_film"}, stones), sheets(film, stones)
    assert lined.mass_saturated_kg - walled.mass_saturated_kg > 100
    assert sheets(film).ready.depth_m > 1 > sheets({"material": "food_film"}).ready.depth_m


def test_the_usual_piece_is_counted_with_its_laps_and_said() -> None:
    card = sheets({"material": "cardboard"}).layers[0]
    # 0.7 along and 1.0 across: (2.4 - .15) / .55 = 5 and (1.2 - .15) / .85 = 2; the other way 3 by 2
    assert (card.pieces, card.usual_piece) == (6, True)
    assert card.sheet_area_m2 == pytest.approx(6 * 0.7)
    paper = sheets({"material": "newspaper", "plies": 8}).layers[0]
    # 0.6 along and 0.4 across: 5 by 5
    assert paper.pieces == 8 * 5 * 5
    own = sheets({"material": "cardboard", "piece_m": [1.3, 2.5]}).layers[0]
    assert (own.pieces, own.usual_piece) == (1, False)


def test_off_the_usual_roll_laps_count_and_cut_offs_dont() -> None:
    wide = {"kind": "box", "length_m": 5.0, "width_m": 3.5, "depth_m": 0.4}
    assert sheets(MAT).layers[0].sheet_area_m2 == pytest.approx(2.88)
    # two strips of 2 m run along, with one lap of 15 cm between them
    assert sheets(MAT, of=wide).layers[0].sheet_area_m2 == pytest.approx(5 * 3.5 + 0.15 * 5)


def test_strips_of_a_band_are_cut_beside_one_another() -> None:
    figures = sheets({**MAT, "cover": "edge", "band_m": 0.3, "roll_width_m": 1.0})
    # three strips of 30 cm lie side by side on a roll of a metre
    assert figures.layers[0].roll_m == pytest.approx(7.2 / 3)


def test_a_wrapped_pipe_takes_its_girth_and_a_lap() -> None:
    pipe = {"kind": "pipe", "diameter_m": 0.1, "length_m": 2.0, "count": 3, "wrap": "geotextile"}
    plain = figures_of(zoo.plan(zoo.bed(count=2, buried=[{**pipe, "wrap": None}])))
    wrapped = figures_of(zoo.plan(zoo.bed(count=2, buried=[pipe])))
    area = {need.material: need.area_m2 for need in wrapped.needs}
    assert area["geotextile"] == pytest.approx(2 * 3 * 2.0 * (math.pi * 0.1 + 0.15))
    assert {need.material for need in plain.needs} == set(area) - {"geotextile"}
    wet = {"height_m": 0.15, "liner_lap_m": 0.1, "pipes": [{"diameter_m": 0.1, "length_m": 1.5, "wrap": "geotextile"}]}
    needs = {need.material: need.area_m2 for need in figures_of(zoo.plan(zoo.bed(reservoir=wet))).needs}
    assert needs["geotextile"] == pytest.approx(1.5 * (math.pi * 0.1 + 0.15))


def test_a_liner_on_sharp_things_gets_an_underlay() -> None:
    stones = {"material": "gravel_20", "thickness_m": 0.1}
    document = {"key": "a", "shape": BOX, "layers": [stones, {"material": "pond_liner"}, SOIL]}
    finding = next(each for each in bed_of(document).findings if each.code == "liner_unprotected")
    mended = mended_by(document, finding)
    assert [layer["material"] for layer in mended["layers"][:3]] == ["gravel_20", "geotextile", "pond_liner"]
    assert "liner_unprotected" not in {each.code for each in bed_of(mended).findings}
    under = {"material": "rubble", "height_m": 0.1}
    wet = zoo.bed(reservoir={"height_m": 0.15, "liner_lap_m": 0.1, "under": under})
    found = next(each for each in bed_of(wet).findings if each.code == "liner_unprotected")
    soft = mended_by(wet, found)
    assert "liner_unprotected" not in {each.code for each in bed_of(soft).findings}
    areas = {need.material: need.area_m2 for need in figures_of(zoo.plan(soft)).needs}
    assert areas["geotextile"] == pytest.approx(areas["pond_liner"])


@pytest.mark.parametrize(
    ("layers", "path"),
    [
        ([{**MAT, "cover": "edge"}], "layers[0].band_m"),
        ([{**MAT, "band_m": 0.3}], "layers[0].band_m"),
        ([{**MAT, "cover": "rest"}], "layers[0].cover"),
        ([{**MAT, "cover": "edge", "band_m": 0.2}, SOIL, {**MAT, "cover": "rest"}], "layers[2].cover"),
        ([{**MAT, "cover": "walls", "skirt_m": 0.2}], "layers[0].skirt_m"),
        ([{"material": "compost", "thickness_m": 0.1, "cover": "floor"}], "layers[0].cover"),
    ],
)
def test_covers_that_make_no_sense_are_refused(layers: list[dict[str, Any]], path: str) -> None:
    with pytest.raises(PlanProblem) as problem:
        bed_of({"key": "a", "shape": BOX, "layers": layers})
    assert problem.value.path == f"beds[0].{path}"


def test_a_mound_has_no_walls() -> None:
    with pytest.raises(PlanProblem):
        sheets({**MAT, "cover": "walls"}, of=shape("hipped_mound"))


@pytest.mark.parametrize("wrap", [{"kind": "pot", "diameter_m": 0.2, "height_m": 0.2}, {"wrap": "compost"}])
def test_only_pipes_are_wrapped_and_only_in_sheets(wrap: dict[str, Any]) -> None:
    pipe = {"kind": "pipe", "diameter_m": 0.1, "length_m": 1.0, "wrap": "geotextile"}
    solid = {key: value for key, value in (pipe | wrap).items() if wrap.get("kind") != "pot" or key != "length_m"}
    with pytest.raises(PlanProblem) as problem:
        bed_of(zoo.bed(buried=[solid]))
    assert problem.value.path == "beds[0].buried[0].wrap"
