"""The plan file: what has to be there, what is refused and where, what defaults stand for what is left out."""

from __future__ import annotations

import copy
import json
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.built.plan_file import LARGEST_BYTES, load_plan, read_plan
from nolbet_core.figure.written import written_document
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.problems import PlanProblem, path_of
from tests.core import zoo
from tests.core.ask import figures_of, planned


def problem(document: Any) -> PlanProblem:
    """What is wrong with a plan document."""
    with pytest.raises(PlanProblem) as refused:
        read_plan(document)
    return refused.value


def with_layer(**layer: Any) -> dict[str, Any]:
    """A plan whose bed has one layer."""
    return zoo.plan(zoo.bed(layers=[layer]))


def test_only_name_key_shape_and_layers_have_to_be_there() -> None:
    document = {
        "format": "nolbet-plan/1",
        "garden": {"name": "Bare"},
        "beds": [{"key": "a", "shape": zoo.shape(2, 1, 0.5), "layers": []}],
    }
    plan = read_plan(document).plan
    (bed,) = plan.beds
    assert (bed.count, bed.measured, bed.wall_m, bed.kept_empty_m, bed.title) == (1, "inside", 0.0, 0.025, "A")
    assert plan.garden.currency == "USD"
    assert plan.garden.units == "metric"


@pytest.mark.parametrize("key", ["format", "garden"])
def test_what_has_to_be_there_is_missed_by_name(key: str) -> None:
    document = zoo.plan()
    del document[key]
    assert problem(document).path == key


@pytest.mark.parametrize("key", ["key", "shape", "layers"])
def test_what_a_bed_has_to_have_is_missed_by_path(key: str) -> None:
    document = zoo.plan(zoo.bed())
    del document["beds"][0][key]
    assert problem(document).path == f"beds[0].{key}"


REFUSED: list[tuple[dict[str, Any], str, str]] = [
    (with_layer(material="topsoil"), "beds[0].layers[0]", "needs one of thickness_m, volume_m3, share, fill"),
    (
        with_layer(material="topsoil", thickness_m=0.1, share=0.5),
        "beds[0].layers[0].share",
        "stands beside thickness_m",
    ),
    (with_layer(material="topsoil", thickness_m=3.01), "beds[0].layers[0].thickness_m", "less than or equal to 3"),
    (with_layer(material="topsoil", thickness_m=-0.01), "beds[0].layers[0].thickness_m", "greater than or equal to 0"),
    (with_layer(material="topsoil", thickness_m=True), "beds[0].layers[0].thickness_m", "valid number"),
    (with_layer(material="topsoil", share=1.01), "beds[0].layers[0].share", "less than or equal to 1"),
    (with_layer(material="topsoil", volume_m3=501), "beds[0].layers[0].volume_m3", "less than or equal to 500"),
    (with_layer(material="topsoil", fill=False), "beds[0].layers[0].fill", "True"),
    (with_layer(material="topsoil", fill=True, lifts=0), "beds[0].layers[0].lifts", "greater than or equal to 1"),
    (with_layer(material="topsoil", fill=True, plies=2), "beds[0].layers[0].plies", "only sheets have it"),
    (with_layer(material="cardboard", fill=True), "beds[0].layers[0].fill", "is a sheet"),
    (with_layer(material="cardboard", plies=21), "beds[0].layers[0].plies", "less than or equal to 20"),
    (with_layer(material="topsoyl", fill=True), "beds[0].layers[0].material", "did you mean topsoil"),
    (with_layer(material="Topsoil", fill=True), "beds[0].layers[0].material", "pattern"),
    (
        with_layer(material="topsoil", fill=True, infill={"material": "compost"}),
        "beds[0].layers[0].infill",
        "has no voids to pack",
    ),
    (
        with_layer(material="branches", fill=True, infill={"material": "gravel_20"}),
        "beds[0].layers[0].infill.material",
        "isn't fine enough",
    ),
    (
        with_layer(material="branches", fill=True, infill={"material": "nosuch"}),
        "beds[0].layers[0].infill.material",
        "isn't on the shelf",
    ),
    (zoo.plan(zoo.bed(shape=zoo.shape(101, 1, 0.5))), "beds[0].shape.length_m", "less than or equal to 100"),
    (zoo.plan(zoo.bed(shape=zoo.shape(2, 0, 0.5))), "beds[0].shape.width_m", "greater than or equal to 0.001"),
    (zoo.plan(zoo.bed(shape=zoo.shape(2, 1, 5.1))), "beds[0].shape.depth_m", "less than or equal to 5"),
    (zoo.plan(zoo.bed(shape={"kind": "key_hole"})), "beds[0].shape.kind", "did you mean keyhole"),
    (zoo.plan(zoo.bed(shape={"depth_m": 0.5})), "beds[0].shape.kind", "has to be there"),
    (zoo.plan(mixes=[{"key": "half", "parts": [3]}]), "mixes[0].parts[0]", "in { } are wanted, given 3"),
    (zoo.plan(zoo.bed(shape=[])), "beds[0].shape", "in { } are wanted"),
    (zoo.plan(zoo.bed(shape={"kind": "cube"})), "beds[0].shape.kind", "isn't a shape"),
    (zoo.plan(zoo.bed(wall_m=1.1)), "beds[0].wall_m", "less than or equal to 1"),
    (zoo.plan(zoo.bed(count=0)), "beds[0].count", "greater than or equal to 1"),
    (zoo.plan(zoo.bed(count=1001)), "beds[0].count", "less than or equal to 1000"),
    (zoo.plan(zoo.bed(count=1.5)), "beds[0].count", "integer"),
    (zoo.plan(zoo.bed(corner_depths_m=[0.5, 0.5, 0.5])), "beds[0].corner_depths_m", "at least 4"),
    (zoo.plan(zoo.bed(colour="red")), "beds[0].colour", "isn't a key of this format"),
    (zoo.plan(zoo.bed(school="wood")), "beds[0].school", "given 'wood'"),
    (zoo.plan(garden={"name": ""}), "garden.name", "at least 1 character"),
    (zoo.plan(garden={"name": "G", "latitude_deg": 91}), "garden.latitude_deg", "less than or equal to 90"),
    (zoo.plan(garden={"name": "G", "last_frost": "13-01"}), "garden.last_frost", "pattern"),
    (zoo.plan(garden={"name": "G", "currency": "dollars"}), "garden.currency", "pattern"),
    (zoo.plan(stock=[{"material": "nosuch", "volume_m3": 1}]), "stock[0].material", "isn't on the shelf"),
    (zoo.plan(stock=[{"material": "topsoil", "volume_m3": -1}]), "stock[0].volume_m3", "greater than or equal to 0"),
    (zoo.plan(materials=[{"key": "topsoil", "like": "compost"}]), "materials[0].key", "taken already"),
    (zoo.plan(materials=[{"key": "mine", "like": "composst"}]), "materials[0].like", "did you mean compost"),
    (zoo.plan(materials=[{"key": "mine", "like": "compost", "moisture": 1}]), "materials[0].moisture", "less than 1"),
    (
        zoo.plan(mixes=[{"key": "m", "parts": [{"material": "topsoil", "parts": 0}]}]),
        "mixes[0].parts",
        "add up to nothing",
    ),
    (
        zoo.plan(mixes=[{"key": "m", "parts": [{"material": "cardboard", "parts": 1}]}]),
        "mixes[0].parts[0].material",
        "is a sheet and can't be mixed",
    ),
    (
        zoo.plan(
            mixes=[
                {"key": "a", "parts": [{"material": "b", "parts": 1}]},
                {"key": "b", "parts": [{"material": "a", "parts": 1}]},
            ]
        ),
        "mixes[1].parts[0].material",
        "would contain itself",
    ),
    (zoo.plan(suppliers=[{"key": "a"}, {"key": "a"}]), "suppliers[1].key", "taken already"),
    (
        zoo.plan(suppliers=[{"key": "a", "offers": [{"material": "topsoil", "form": "bag", "price": "1.00"}]}]),
        "suppliers[0].offers[0].volume_m3",
        "has to be there",
    ),
    (
        zoo.plan(
            suppliers=[
                {
                    "key": "a",
                    "offers": [{"material": "topsoil", "form": "bag", "volume_m3": 2.5, "price": "1.00"}],
                }
            ]
        ),
        "suppliers[0].offers[0].volume_m3",
        "less than or equal to 2",
    ),
    (
        zoo.plan(
            suppliers=[
                {
                    "key": "a",
                    "offers": [{"material": "topsoil", "form": "bag", "volume_m3": 0.05, "price": 1.0}],
                }
            ]
        ),
        "suppliers[0].offers[0].price",
        "decimal string to the cent",
    ),
    (
        zoo.plan(
            suppliers=[
                {
                    "key": "a",
                    "offers": [{"material": "nosuch", "form": "bag", "volume_m3": 0.05, "price": "1.00"}],
                }
            ]
        ),
        "suppliers[0].offers[0].material",
        "isn't on the shelf",
    ),
]


@pytest.mark.parametrize(
    ("document", "path", "said"), REFUSED, ids=[f"{path} {said[:24]}" for _, path, said in REFUSED]
)
def test_what_breaks_the_format_is_named_by_its_path(document: dict[str, Any], path: str, said: str) -> None:
    found = problem(document)
    assert found.path == path
    assert said in found.message


def test_two_layers_can_not_both_fill_the_rest() -> None:
    filling = {"material": "topsoil", "fill": True}
    found = problem(zoo.plan(zoo.bed(layers=[filling, filling])))
    assert found.path == "beds[0].layers[1].fill"
    assert "layers[0] fills the rest already" in found.message


def test_a_newer_file_says_so() -> None:
    newer = zoo.plan() | {"format": "nolbet-plan/3"}
    assert "newer than the nolbet-plan/1" in problem(newer).message
    assert "the file's format is newer" in problem(newer | {"tides": []}).message


@pytest.mark.parametrize(
    ("content", "said"),
    [
        (b"\xff\xfe", "isn't UTF-8 text"),
        (b"{", "isn't JSON"),
        (b"[1]", "one JSON object"),
        (b"[" * 100_000, "nested too deeply"),
        (b'{"a": 1, "a": 2}', "stands twice"),
        (b'{"a": Infinity}', "no number that a plan can hold"),
        (b'{"a": ' + b"9" * 5000 + b"}", "too long to read"),
        (b" " * (LARGEST_BYTES + 1), "over 2 MB"),
    ],
    ids=["not text", "cut off", "a list", "deep", "twice", "infinite", "long", "large"],
)
def test_what_is_no_plan_at_all_is_refused_politely(content: bytes, said: str) -> None:
    with pytest.raises(PlanProblem, match=said):
        load_plan(content)


def test_a_byte_order_mark_does_no_harm() -> None:
    plan = load_plan(b"\xef\xbb\xbf" + json.dumps(zoo.plan()).encode()).plan
    assert plan.garden.name == "Test ground"


def test_a_plan_written_and_read_again_is_the_same_plan() -> None:
    document = zoo.plan(zoo.MIXED_AMOUNTS, zoo.WOODY, suppliers=zoo.SUPPLIERS)
    plan = read_plan(document).plan
    again, _ = planned(json.loads(plan.model_dump_json(exclude_none=True)))
    assert again == plan
    written = figures_of(json.loads(plan.model_dump_json()))
    assert written_document(written) == written_document(figures_of(document))


def test_a_price_of_a_cubic_metre_keeps_its_decimals_and_money_has_two() -> None:
    document = zoo.plan(suppliers=copy.deepcopy(zoo.SUPPLIERS))
    document["suppliers"][0]["offers"][1]["price_per_m3"] = "62.781630"
    plan = read_plan(document).plan
    written = json.loads(plan.model_dump_json())["suppliers"][0]
    assert written["delivery"] == "45.00"
    assert written["offers"][1]["price_per_m3"] == "62.78163"
    assert written["offers"][0]["price"] == "6.20"


@pytest.mark.parametrize(
    ("parts", "path"),
    [([], ""), (["beds", 0, "layers", 2, "share"], "beds[0].layers[2].share"), (["stock", 1], "stock[1]")],
)
def test_paths_are_written_in_the_formats_own_words(parts: list[str | int], path: str) -> None:
    assert path_of(parts) == path


junk = st.recursive(
    st.none() | st.booleans() | st.floats(allow_nan=False) | st.text(max_size=8) | st.integers(-5, 5),
    lambda inner: st.lists(inner, max_size=3) | st.dictionaries(st.text(max_size=8), inner, max_size=3),
    max_leaves=8,
)


@given(st.sampled_from(sorted(Plan.model_fields)), junk)
def test_junk_in_any_place_is_a_problem_with_a_path_or_a_plan(key: str, value: Any) -> None:
    try:
        plan = read_plan(zoo.plan() | {key: value}).plan
    except PlanProblem as refused:
        assert str(refused)
        return
    assert isinstance(plan, Plan)


@given(st.data())
def test_junk_in_a_layer_never_breaks_the_core(data: st.DataObject) -> None:
    layer = data.draw(
        st.fixed_dictionaries(
            {"material": st.sampled_from(["topsoil", "branches", "cardboard", "pond_liner", "nosuch"])},
            optional={
                "thickness_m": st.floats(-1, 4),
                "volume_m3": st.floats(-1, 600),
                "share": st.floats(-1, 2),
                "fill": st.just(True),
                "plies": st.integers(-1, 25),
                "lap_m": st.floats(-1, 6),
                "lifts": st.integers(-1, 60),
            },
        )
    )
    try:
        figures = figures_of(zoo.plan(zoo.bed(layers=[layer])))
    except PlanProblem as refused:
        assert refused.path.startswith("beds[0].layers[0]")
        return
    assert figures.beds[0].placed_m3 >= 0
