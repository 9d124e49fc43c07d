"""The page's table of shapes against the core's: every measure asked for, and any shape guessed from any other."""

from __future__ import annotations

from typing import Any, get_args

import pytest

from nolbet_core.plan import shapes as plan_shapes
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.shapes import KINDS, AnyShape
from nolbet_core.quantities.limits import LIMITS
from tests.core.ask import bed_of
from tests.core.shapes import EVERY_SHAPE, layers, shape, vessel_of
from tests.page.asking import ask_page

FILE = "shapes/kinds.ts"


def table() -> dict[str, dict[str, Any]]:
    """The page's kinds by their name in the plan file."""
    found = ask_page(FILE, [("kindOf", {"kind": kind}) for kind in KINDS])
    return {each["kind"]: each for each in found}


def test_every_kind_asks_for_every_measure_of_its_model() -> None:
    kinds = table()
    models = {get_args(model.model_fields["kind"].annotation)[0]: model for model in get_args(AnyShape)}
    for kind, model in models.items():
        asked = {measure["key"] for measure in kinds[kind]["measures"]}
        assert asked == set(model.model_fields) - {"kind", "corners_m"}, kind


def test_every_field_names_a_limit_that_the_core_reads_by() -> None:
    limits = {measure["limit"] for each in table().values() for measure in each["measures"]}
    assert limits <= set(LIMITS)


def test_every_drawing_lies_on_its_sheet_and_names_its_measures() -> None:
    for kind, each in table().items():
        tapes = each["drawing"]["tapes"]
        assert tapes, kind
        for x1, y1, x2, y2, name, _ in tapes:
            assert 0 <= min(x1, x2) <= max(x1, x2) <= 400 and 0 <= min(y1, y2) <= max(y1, y2) <= 160, (kind, name)
            assert (x1, y1) != (x2, y2)
        assert len({name for *_, name, _ in tapes}) == len(tapes), kind


SIZES = [(2.4, 1.2, 0.3), (0.6, 0.6, 0.9), (6.0, 1.5, 0.4), (1.0, 2.0, 0.5)]


@pytest.mark.parametrize("size", SIZES, ids=str)
def test_any_shape_is_guessed_so_that_it_can_be_built(size: tuple[float, float, float]) -> None:
    wanted = dict(zip(("length_m", "width_m", "depth_m"), size, strict=True))
    guesses = ask_page(FILE, [("shapeLike", kind, wanted) for kind in KINDS])
    for kind, guess in zip(KINDS, guesses, strict=True):
        assert guess["kind"] == kind
        vessel = vessel_of(Bed.model_validate({"key": "a", "shape": guess, "layers": []}))
        assert vessel.footprint_m2 > 0.1 * size[0] * size[1], kind


@pytest.mark.parametrize("kind", KINDS)
def test_a_bed_becomes_any_other_shape_and_still_holds_together(kind: str) -> None:
    bed = {
        "key": "a",
        "shape": shape("box"),
        "wall_m": 0.04,
        "headspace_m": 0.05,
        "corner_depths_m": [0.5, 0.5, 0.6, 0.6],
        "buried": [{"kind": "pipe", "diameter_m": 0.1, "length_m": 1.0}],
        "layers": [
            {"material": "cardboard"},
            {"material": "branches", "share": 0.3},
            {"material": "topsoil", "fill": True},
        ],
    }
    (changed,) = ask_page(FILE, [("withShape", bed, shape(kind))])
    if kind not in plan_shapes.ON_THE_GROUND:
        changed = {**changed, "buried": []} if kind in ("lying_barrel", "round_tub") else changed
        assert changed["wall_m"] == 0.04
    given = {key: value for key, value in changed.items() if value is not None}
    given["layers"] = [{key: at for key, at in layer.items() if at is not None} for layer in changed["layers"]]
    figures = bed_of(given)
    assert figures.section.form == bed_of({"key": "b", "shape": shape(kind), "layers": layers(kind)}).section.form
    assert len(figures.layers) == 3


@pytest.mark.parametrize("kind", list(EVERY_SHAPE))
def test_a_measure_is_read_and_changed_by_its_key(kind: str) -> None:
    bed = {"key": "a", "shape": shape(kind), "layers": []}
    keys = [measure["key"] for measure in table()[kind]["measures"]]
    values = ask_page(FILE, [("valueOf", bed["shape"], key) for key in keys])
    assert values == [bed["shape"][key] for key in keys]
    (changed,) = ask_page(FILE, [("withMeasure", bed, keys[0], 0.75)])
    assert changed["shape"] == {**shape(kind), keys[0]: 0.75}
    assert bed["shape"] == shape(kind)
