"""Shapes, plots and buried things in the plan file: its schema, its keys, its limits."""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

import jsonschema
import pytest

from nolbet_core.built.plan_file import read_plan, review_plan
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.plan.schema import plan_schema
from nolbet_core.plan.shapes import KINDS, ON_THE_GROUND, WITH_CORNER_DEPTHS
from tests.core import zoo
from tests.core.shapes import EVERY_SHAPE, built, layers, shape

EXAMPLE = Path(__file__).resolve().parents[2] / "docs" / "examples" / "one-of-each.nolbet.json"
SCHEMA = jsonschema.Draft202012Validator(plan_schema())
OPTIONAL = {("flat_area", "feather_m")}


def bed(kind: str, **changes: Any) -> dict[str, Any]:
    """A bed of a kind as the plan file writes it."""
    return {"key": kind, "shape": shape(kind), "layers": layers(kind), **changes}


def problem_of(document: dict[str, Any]) -> PlanProblem:
    """What is wrong with a document first."""
    with pytest.raises(PlanProblem) as refused:
        read_plan(document)
    return refused.value


def test_there_is_a_sample_of_every_kind() -> None:
    assert tuple(EVERY_SHAPE) == KINDS
    assert set(KINDS) >= ON_THE_GROUND | WITH_CORNER_DEPTHS
    assert not ON_THE_GROUND & WITH_CORNER_DEPTHS


@pytest.mark.parametrize("kind", KINDS)
def test_a_shape_keeps_to_the_schema_and_comes_back_as_written(kind: str) -> None:
    document = zoo.plan(bed(kind))
    SCHEMA.validate(document)
    plan = read_plan(document).plan
    written = json.loads(plan.model_dump_json(exclude_none=True))["beds"][0]["shape"]
    assert written == shape(kind)


@pytest.mark.parametrize(("kind", "key"), [(kind, key) for kind in KINDS for key in EVERY_SHAPE[kind]])
def test_every_measure_has_to_be_there_and_names_itself(kind: str, key: str) -> None:
    measures = {name: at for name, at in shape(kind).items() if name != key}
    if (kind, key) in OPTIONAL:
        read_plan(zoo.plan(bed(kind, shape=measures)))
        return
    problem = problem_of(zoo.plan(bed(kind, shape=measures)))
    assert (problem.path, problem.message) == (f"beds[0].shape.{key}", "has to be there")


@pytest.mark.parametrize("kind", KINDS)
@pytest.mark.parametrize("wrong", [0, -1, 1e9, "1 m", None, True])
def test_a_measure_beyond_its_limits_names_itself(kind: str, wrong: Any) -> None:
    key = next(name for name in EVERY_SHAPE[kind] if name != "corners_m")
    problem = problem_of(zoo.plan(bed(kind, shape=shape(kind, **{key: wrong}))))
    assert problem.path == f"beds[0].shape.{key}"


@pytest.mark.parametrize("kind", KINDS)
def test_an_unknown_measure_is_an_error_with_its_path(kind: str) -> None:
    problem = problem_of(zoo.plan(bed(kind, shape=shape(kind, radius_m=1.0))))
    assert problem.path == "beds[0].shape.radius_m"
    assert "isn't a key" in problem.message


@pytest.mark.parametrize(
    ("amount", "key"),
    [({"fill": True}, "fill"), ({"share": 0.5}, "share")],
)
def test_a_flat_area_has_no_rim_to_fill_to(amount: dict[str, Any], key: str) -> None:
    problem = problem_of(zoo.plan(bed("flat_area", layers=[{"material": "compost", **amount}])))
    assert problem.path == f"beds[0].layers[0].{key}"


@pytest.mark.parametrize(
    ("buried", "path"),
    [
        ({"kind": "pipe", "diameter_m": 0.1}, "length_m"),
        ({"kind": "pipe", "diameter_m": 0.1, "length_m": 1.0, "height_m": 1.0}, "height_m"),
        ({"kind": "post", "diameter_m": 0.1, "height_m": 0.4}, "width_m"),
        ({"kind": "basket", "diameter_m": 0.3}, "height_m"),
        ({"kind": "chest", "diameter_m": 0.3}, "kind"),
        ({"kind": "pot", "diameter_m": 0.3, "height_m": 0.2, "count": 0}, "count"),
    ],
)
def test_what_is_buried_says_its_size(buried: dict[str, Any], path: str) -> None:
    assert problem_of(zoo.plan(zoo.bed(buried=[buried]))).path == f"beds[0].buried[0].{path}"


@pytest.mark.parametrize(
    ("place", "path"),
    [
        ({"x_m": 1.0}, "y_m"),
        ({"x_m": 1.0, "y_m": 1e6}, "y_m"),
        ({"x_m": 1.0, "y_m": 1.0, "turn_deg": 400.0}, "turn_deg"),
        ({"x_m": 1.0, "y_m": 1.0, "z_m": 1.0}, "z_m"),
    ],
)
def test_a_place_is_two_measures_and_a_turn(place: dict[str, Any], path: str) -> None:
    assert problem_of(zoo.plan(zoo.bed(places=[place]))).path == f"beds[0].places[0].{path}"


def test_a_review_names_every_shape_that_is_wrong() -> None:
    document = zoo.plan(
        bed("keyhole", shape=shape("keyhole", path_width_m=0.9)),
        bed("box"),
        bed("hipped_mound", shape=shape("hipped_mound", height_m=2.0)),
        bed("polygon", shape=shape("polygon", corners_m=[[0, 0], [2, 2], [2, 0], [0, 2]])),
    )
    review = review_plan(json.dumps(document).encode())
    assert [problem.path for problem in review.problems] == [
        "beds[0].shape.path_width_m",
        "beds[2].shape.height_m",
        "beds[3].shape.corners_m[2]",
    ]


def test_the_example_holds_one_of_each_and_nothing_clashes() -> None:
    document = json.loads(EXAMPLE.read_text())
    assert [each["shape"]["kind"] for each in document["beds"]] == list(KINDS)
    plan = read_plan(document).plan
    assert all(each.places for each in plan.beds)


@pytest.mark.parametrize("kind", KINDS)
def test_headspace_is_25_mm_with_walls_and_none_on_the_ground(kind: str) -> None:
    plain = Bed.model_validate(bed(kind))
    assert plain.kept_empty_m == (0.0 if kind in ON_THE_GROUND else 0.025)
    assert Bed.model_validate(bed(kind, headspace_m=0.0)).kept_empty_m == 0.0


def test_a_spiral_as_wide_as_its_first_turn_is_not_refused_by_a_rounding() -> None:
    # 0.1 + 0.2 is a hair over 0.3
    assert built("herb_spiral", diameter_m=0.6, path_width_m=0.1, wall_m=0.2).top_area_m2 > 0
