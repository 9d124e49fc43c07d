"""What a document names is told by the types of its keys, so that a new key can't be forgotten."""

from __future__ import annotations

from pydantic import Field

from nolbet_core.built.names import unknown_names
from nolbet_core.built.plan_file import read_plan
from nolbet_core.plan.bed import Bed, Layer, Reservoir
from nolbet_core.plan.fields import MaterialKey
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.named import material_keys, materials_named
from nolbet_core.shelf.library import standard_shelf
from tests.core import zoo

FULL = zoo.bed(
    layers=[
        {
            "material": "branches",
            "thickness_m": 0.1,
            "infill": {"material": "leaf_mould"},
            "amendment": {"material": "blood_meal", "mass_kg": 0.2},
        },
        {"material": "topsoil", "fill": True},
    ],
    reservoir={"height_m": 0.1, "medium": "scoria", "under": {"material": "rubble", "height_m": 0.05}},
    top_up="worm_compost",
    set_aside=[{"name": "Other", "layers": [{"material": "coir", "fill": True}]}],
)


def test_every_place_that_names_a_material_is_found_with_its_path() -> None:
    assert dict(materials_named(Bed.model_validate(FULL), "bed")) == {
        "bed.layers[0].material": "branches",
        "bed.layers[0].infill.material": "leaf_mould",
        "bed.layers[0].amendment.material": "blood_meal",
        "bed.layers[1].material": "topsoil",
        "bed.reservoir.medium": "scoria",
        "bed.reservoir.under.material": "rubble",
        "bed.top_up": "worm_compost",
        "bed.set_aside[0].layers[0].material": "coir",
    }


class EdgedLayer(Layer):
    """A layer with a key that there isn't."""

    edging: MaterialKey | None = None


class HeatedReservoir(Reservoir):
    """A reservoir with a list of them."""

    warmers: list[MaterialKey] = Field(default_factory=list)


class EdgedBed(Bed):
    """A bed of such layers, over such a reservoir."""

    layers: list[EdgedLayer]
    reservoir: HeatedReservoir | None = None


class EdgedPlan(Plan):
    """A plan of such beds."""

    beds: list[EdgedBed] = Field(default_factory=list)


def test_a_throw_away_key_is_found_without_further_code() -> None:
    bed = EdgedBed.model_validate(
        zoo.bed(
            layers=[{"material": "topsoil", "fill": True, "edging": "cork"}],
            reservoir={"height_m": 0.1, "warmers": ["perlite", "moss"]},
        )
    )
    plan = EdgedPlan.model_validate(zoo.plan(zoo.bed()) | {"beds": [bed]})
    assert {"cork", "perlite", "moss"} <= material_keys(plan)
    (problem,) = unknown_names(plan, standard_shelf(), "")
    assert problem.path == "beds[0].reservoir.warmers[1]"


def test_a_limit_of_a_mix_names_a_material_too() -> None:
    mixes = [{"key": "half", "parts": [{"material": "compost", "parts": 2}],
              "target": {"limits": [{"material": "peat", "most": 0.2}]}}]  # fmt: skip
    (mix,) = read_plan(zoo.plan(mixes=mixes)).plan.mixes
    assert material_keys(mix) == {"compost", "peat"}
