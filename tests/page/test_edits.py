"""Edits of a bed as the page makes them: each leaves a bed that holds together, and means what it says."""

from __future__ import annotations

import copy
import math
from dataclasses import asdict
from typing import Any

import pytest

from nolbet_core.built.first import first_layer
from nolbet_core.built.plan_file import read_plan
from nolbet_core.shelf.library import standard_shelf
from tests.core import zoo
from tests.core.ask import bed_of
from tests.page.asking import ask_page

FILE = "draft/edits.ts"

BED = zoo.bed(
    layers=[
        {"material": "cardboard", "plies": 2, "lap_m": 0.15},
        {"material": "branches", "thickness_m": 0.1, "infill": {"material": "compost", "share": 0.5}},
        {"material": "compost", "volume_m3": 0.1},
        {"material": "leaves", "share": 0.25},
        {"material": "topsoil", "fill": True},
    ]
)


def offered(key: str) -> dict[str, Any]:
    """A material of the shelf as the page gets it, as far as edits look at it."""
    material = standard_shelf()[key]
    return {
        "key": key,
        "is_sheet": material.is_sheet,
        "void_share": material.void_share,
        "first_layer": first_layer(material),
    }


SHEET, CARD, GRAVEL, SOIL = (offered(key) for key in ("geotextile", "cardboard", "gravel_20", "garden_soil"))


def spans(bed: dict[str, Any]) -> list[dict[str, Any]]:
    """Where a bed's layers stand, as the page gets them."""
    keys = ("bottom_m", "top_m", "thickness_m", "sheet", "thick_per_m")
    return [{key: getattr(each, key) for key in keys} for each in bed_of(bed).layers]


def halves(bed: dict[str, Any], index: int) -> dict[str, Any] | None:
    """A layer's halves, as the page gets them."""
    split = bed_of(bed).layers[index].split
    return None if split is None else asdict(split)


def thick(bed: dict[str, Any]) -> list[float]:
    """How thick a bed's layers lie."""
    return [layer.top_m - layer.bottom_m for layer in bed_of(bed).layers]


def edited(name: str, bed: dict[str, Any], *given: Any) -> dict[str, Any]:
    """A bed after an edit; it has to hold together, and the one before stays as it was."""
    before = copy.deepcopy(bed)
    (after,) = ask_page(FILE, [(name, bed, *given)])
    read_plan(zoo.plan(after))
    assert bed == before
    return dict(after)


@pytest.mark.parametrize("amount", [{"thickness_m": 0.2}, {"volume_m3": 0.15}, {"share": 0.1}, {"fill": True}])
@pytest.mark.parametrize("index", [1, 2, 3, 4])
def test_an_amount_takes_the_place_of_the_one_before(index: int, amount: dict[str, Any]) -> None:
    after = edited("setAmount", BED, index, amount, thick(BED))
    given = {key: value for key, value in after["layers"][index].items() if value is not None}
    assert given.items() >= amount.items()
    assert len(given.keys() & {"thickness_m", "volume_m3", "share", "fill"}) == 1


def test_a_layer_that_comes_to_fill_leaves_the_other_as_thick_as_it_lay() -> None:
    bed = BED | {"layers": [layer for layer in BED["layers"] if "share" not in layer]}
    after = edited("setAmount", bed, 1, {"fill": True}, thick(bed))
    assert after["layers"][3]["thickness_m"] == pytest.approx(thick(bed)[3])
    assert thick(after) == pytest.approx(thick(bed), abs=1e-9)


@pytest.mark.parametrize("index", [1, 2, 3, 4])
def test_splitting_keeps_every_height(index: int) -> None:
    after = edited("splitLayer", BED, index, halves(BED, index))
    assert len(after["layers"]) == 6
    tops = [layer.top_m for layer in bed_of(after).layers]
    assert [tops[at] for at in range(6) if at != index] == pytest.approx([layer.top_m for layer in bed_of(BED).layers])


def test_a_sheet_is_not_split() -> None:
    assert edited("splitLayer", BED, 0, halves(BED, 0)) == BED


@pytest.mark.parametrize(
    ("index", "by", "order"), [(1, 1, [0, 2, 1, 3, 4]), (4, -1, [0, 1, 2, 4, 3]), (0, 1, [1, 0, 2, 3, 4])]
)
def test_moving_changes_the_order_alone(index: int, by: int, order: list[int]) -> None:
    after = edited("moveLayer", BED, index, by)
    assert after["layers"] == [BED["layers"][at] for at in order]


@pytest.mark.parametrize(("index", "by"), [(0, -1), (4, 1)])
def test_nothing_moves_out_of_the_bed(index: int, by: int) -> None:
    assert edited("moveLayer", BED, index, by) == BED


def test_removing_and_adding_again_is_as_before() -> None:
    without = edited("removeLayer", BED, 2)
    assert len(without["layers"]) == 4
    assert edited("addLayer", without, 2, BED["layers"][2]) == BED


@pytest.mark.parametrize(
    ("material", "bed", "keys"),
    [
        (SHEET, BED, {"material", "plies", "lap_m"}),
        (SOIL, BED, {"material", "thickness_m"}),
        (SOIL, zoo.EMPTY, {"material", "fill"}),
        (
            SOIL,
            {"key": "patch", "shape": {"kind": "flat_area", "length_m": 3.0, "width_m": 2.0}, "layers": []},
            {"material", "thickness_m"},
        ),
    ],
)
def test_a_new_layer_makes_sense_at_once(material: dict[str, Any], bed: dict[str, Any], keys: set[str]) -> None:
    (layer,) = ask_page(FILE, [("newLayer", material, bed, "metric")])
    assert set(layer) == keys
    edited("addLayer", bed, len(bed["layers"]), layer)


def test_new_cardboard_comes_in_two_plies() -> None:
    card, cloth = ask_page(FILE, [("newLayer", CARD, BED, "metric"), ("newLayer", SHEET, BED, "ft_in")])
    assert (card["plies"], cloth["plies"]) == (2, 1)
    assert (card["lap_m"], cloth["lap_m"]) == (0.15, pytest.approx(6 * 0.0254))


@pytest.mark.parametrize("index", range(5))
@pytest.mark.parametrize("material", [SHEET, GRAVEL, SOIL], ids=lambda material: str(material["key"]))
def test_a_layer_can_become_anything(index: int, material: dict[str, Any]) -> None:
    after = edited("changeMaterial", BED, index, material, thick(BED)[index])
    layer = {key: value for key, value in after["layers"][index].items() if value is not None}
    assert layer["material"] == material["key"]
    if not material["void_share"]:
        assert "infill" not in layer


@pytest.mark.parametrize("index", [1, 2, 3])
def test_a_dragged_boundary_stands_where_the_pointer_is(index: int) -> None:
    wanted = spans(BED)[index]["top_m"] + 0.03
    after = edited("moveBoundary", BED, index, wanted, spans(BED), 0)
    assert after["layers"][index]["thickness_m"] == pytest.approx(wanted - spans(BED)[index]["bottom_m"])
    if index != 3:  # a share's rest shrinks as its own layer stops sharing
        assert spans(after)[index]["top_m"] == pytest.approx(wanted)


def test_the_top_of_the_filling_layer_moves_the_layer_above() -> None:
    bed = zoo.bed(layers=[{"material": "topsoil", "fill": True}, {"material": "compost", "thickness_m": 0.1}])
    after = edited("moveBoundary", bed, 0, 0.3, spans(bed), 0)
    assert after["layers"][1]["thickness_m"] == pytest.approx(0.2)
    assert spans(after)[0]["top_m"] == pytest.approx(0.3)


@pytest.mark.parametrize(("height_m", "thickness_m"), [(0.1049, 0.105), (0.1024, 0.1), (-1, 0), (9, 3)])
def test_a_drag_snaps_and_stays_within_what_a_layer_may_be(height_m: float, thickness_m: float) -> None:
    bed = zoo.bed(layers=[{"material": "topsoil", "thickness_m": 0.2}])
    (after,) = ask_page(FILE, [("moveBoundary", bed, 0, height_m, spans(bed), 0.005)])
    assert after["layers"][0]["thickness_m"] == pytest.approx(thickness_m)


def test_only_what_can_move_has_a_handle() -> None:
    lone = zoo.bed()
    calls: list[tuple[Any, ...]] = [("canMoveBoundary", BED, index, spans(BED)) for index in range(5)]
    calls.append(("canMoveBoundary", lone, 0, spans(lone)))
    assert ask_page("drawing/grips.ts", calls) == [False, True, True, True, False, False]


def test_undo_and_redo_walk_the_same_steps_and_a_drag_is_one() -> None:
    """The history is played in the page, since each step builds on the one before."""
    steps: list[tuple[Any, ...]] = [("begin", {"step": 0})]
    history = ask_page("draft/history.ts", steps)[0]

    def then(name: str, *given: Any) -> None:
        nonlocal history
        history = ask_page("draft/history.ts", [(name, history, *given)])[0]

    then("step", {"step": 1}, None)
    for position in range(3):
        then("step", {"step": 2, "at": position}, "drag 1")
    then("endGesture")
    then("step", {"step": 3}, None)
    assert len(history["past"]) == 3
    then("undo")
    assert history["present"] == {"step": 2, "at": 2}
    then("undo")
    assert history["present"] == {"step": 1}
    then("redo")
    then("redo")
    assert history["present"] == {"step": 3}
    then("redo")
    assert history["present"] == {"step": 3}
    then("undo")
    then("step", {"step": 4}, None)
    assert history["future"] == []


@pytest.mark.parametrize(
    ("before", "after", "ids"),
    [
        ("abc", "abc", [10, 11, 12]),
        ("abc", "bac", [11, 10, 12]),
        ("abc", "axc", [10, 11, 12]),
        ("abc", "ac", [10, 12]),
        ("abc", "abxc", [10, 11, 13, 12]),
        ("abc", "axyc", [10, 13, 14, 12]),
        ("", "x", [13]),
    ],
)
def test_a_layer_keeps_its_id_wherever_it_goes(before: str, after: str, ids: list[int]) -> None:
    """Letters stand for layers; node compares strings by value as the page compares layers by identity."""
    old = {"layers": list(before)}
    given = [10, 11, 12] if before else [12]
    assert ask_page("draft/layerIds.ts", [("carryIds", old, given, {"layers": list(after)})]) == [ids]


RIDGE_M = 0.9 * math.tan(math.radians(44))


def test_a_shell_dragged_at_the_top_gets_its_thickness_square_to_the_slope() -> None:
    mound = {
        "key": "mound",
        "shape": {"kind": "hipped_mound", "length_m": 4.0, "width_m": 1.8, "height_m": RIDGE_M, "slope_deg": 44.0},
        "layers": [{"material": "broadleaf_logs", "fill": True}, {"material": "topsoil", "thickness_m": 0.1}],
    }
    at = spans(mound)
    wanted = at[0]["top_m"] - 0.05
    (after,) = ask_page(FILE, [("moveBoundary", mound, 0, wanted, at, 0)])
    assert spans(after)[0]["top_m"] == pytest.approx(wanted, abs=1e-6)
    assert after["layers"][1]["thickness_m"] == pytest.approx(0.1 + 0.05 * 0.7193, rel=1e-3)
