"""What a bed stands on: grass, hard ground, stone, blocks, and what follows for sheets, roots, turf and weight."""

from __future__ import annotations

from typing import Any

import pytest

from nolbet_core.plan.problems import PlanProblem
from tests.core import zoo
from tests.core.ask import bed_of, mended_by

SOIL = {"material": "topsoil", "thickness_m": 0.2}
PATCH = {"kind": "flat_area", "length_m": 4.0, "width_m": 2.5}


def on(what: str, *layers: dict[str, Any], **changes: Any) -> dict[str, Any]:
    return zoo.bed(layers=list(layers) or [SOIL]) | {"stand": {"on": what}} | changes


def codes(document: dict[str, Any]) -> set[str]:
    return {each.code for each in bed_of(document).findings}


def found(document: dict[str, Any], code: str) -> Any:
    return next(each for each in bed_of(document).findings if each.code == code)


def test_grass_wants_a_sheet_that_runs_out_past_the_edge() -> None:
    bare = on("lawn")
    finding = found(bare, "grass_under")
    assert finding.level == "advice"
    mended = mended_by(bare, finding)
    assert mended["layers"][0] == {"material": "cardboard", "plies": 2, "skirt_m": 0.15}
    assert "grass_under" not in codes(mended)
    short = on("lawn", {"material": "cardboard"}, SOIL)
    assert found(short, "grass_under").level == "note"
    assert "grass_under" not in codes(mended_by(short, found(short, "grass_under")))
    patch = on("lawn", {"material": "cardboard"}, SOIL, shape=PATCH)
    assert found(patch, "grass_under").level == "advice"


@pytest.mark.parametrize("changes", [{"turf": "stripped"}, {"turf": "turned"}, {"stand": {"on": "bare_soil"}}])
def test_where_no_grass_is_left_none_creeps_in(changes: dict[str, Any]) -> None:
    assert "grass_under" not in codes(on("lawn") | changes)


def test_stripped_turf_is_five_centimetres_of_all_it_covers() -> None:
    document = on("lawn", turf="stripped", wall_m=0.05)
    figures = bed_of(document)
    assert figures.stand.turf_m3 == pytest.approx(0.05 * figures.footprint_m2)
    assert figures.stand.turf_loose_m3 > figures.stand.turf_m3
    assert bed_of(on("lawn", turf="turned")).stand.turf_m3 == 0


def test_roots_go_on_into_open_ground_as_deep_as_it_was_dug() -> None:
    open_m = bed_of(on("bare_soil")).ready.depth_m
    assert bed_of(zoo.bed(layers=[SOIL])).ready.depth_m == open_m == pytest.approx(1.2)
    assert bed_of(on("compacted")).ready.depth_m == pytest.approx(0.2)
    assert bed_of(on("compacted", dug_m=0.25)).ready.depth_m == pytest.approx(0.45)
    assert bed_of(on("paving")).ready.depth_m == pytest.approx(0.2)


def test_compacted_ground_is_loosened_by_one_click() -> None:
    tight = on("compacted")
    assert "ground_compacted" not in codes(mended_by(tight, found(tight, "ground_compacted")))
    assert "ground_compacted" in codes(on("compacted", dug_m=0.1))


def test_soil_flat_on_soil_is_blended_in_and_both_schools_are_heard() -> None:
    flat = on("bare_soil")
    finding = found(flat, "plane_below")
    assert len(finding.sides) == 2
    assert mended_by(flat, finding)["blended_m"] == pytest.approx(0.075)
    assert "plane_below" not in codes(on("bare_soil", blended_m=0.06))
    assert "plane_below" not in codes(on("bare_soil", {"material": "branches", "thickness_m": 0.1}, SOIL))


def test_stone_that_is_wanted_again_gets_a_sheet() -> None:
    stone = on("gravel")
    assert "stone_soiled" not in codes(mended_by(stone, found(stone, "stone_soiled")))
    assert "stone_soiled" in codes(on("paving", {"material": "cardboard"}, SOIL))


def test_shallow_fill_on_stone_is_told_by_the_planned_crop() -> None:
    assert found(on("paving"), "shallow_on_hard").level == "advice"
    assert found(on("paving", roots="deep"), "shallow_on_hard").level == "caution"
    assert "shallow_on_hard" not in codes(on("paving", roots="shallow"))
    assert "shallow_on_hard" not in codes(on("lawn"))


def test_blocks_lift_the_rim_and_ask_for_no_engineer() -> None:
    lifted = zoo.bed(layers=[SOIL]) | {"stand": {"on": "blocks", "height_m": 0.35}}
    figures = bed_of(lifted)
    assert figures.stand.rim_high_m == pytest.approx(0.35 + figures.rim_m)
    assert "weight_unknown" not in codes(lifted)
    assert "weight_unknown" in codes(on("deck"))


@pytest.mark.parametrize(
    ("changes", "path"),
    [
        ({"turf": "stripped"}, "beds[0].turf"),
        ({"stand": {"on": "paving"}, "dug_m": 0.2}, "beds[0].dug_m"),
        ({"stand": {"on": "deck"}, "blended_m": 0.05}, "beds[0].blended_m"),
        ({"stand": {"on": "lawn", "height_m": 0.3}}, "beds[0].stand.height_m"),
        ({"stand": {"on": "marsh"}}, "beds[0].stand.on"),
    ],
)
def test_what_doesnt_go_with_the_ground_is_refused(changes: dict[str, Any], path: str) -> None:
    with pytest.raises(PlanProblem) as problem:
        bed_of(zoo.bed(layers=[SOIL]) | changes)
    assert problem.value.path == path
