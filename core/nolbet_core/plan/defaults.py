"""What a key that is left out means, told from the models themselves."""

from __future__ import annotations

from typing import Any

from pydantic import BaseModel

from nolbet_core.plan.bed import HEADSPACE_M, Bed, Buried, Infill, Layer, Reservoir, Watering
from nolbet_core.plan.garden import Garden
from nolbet_core.plan.plot import Place, Plot
from nolbet_core.plan.shapes import KINDS, ON_THE_GROUND, WITH_CORNER_DEPTHS
from nolbet_core.quantities.units import INCH_M, System
from nolbet_core.shapes.spiral import ACROSS_LESS

LAP_M = 0.15
"""Overlap of neighbouring sheets where nothing is said [m]."""

TOLD: tuple[type[BaseModel], ...] = (Bed, Layer, Infill, Reservoir, Watering, Buried, Garden, Plot, Place)

MEANT: dict[str, dict[str, Any]] = {
    "Bed": {"headspace_m": HEADSPACE_M},
    "Layer": {"plies": 1, "lap_m": LAP_M, "up_sides_m": 0.0, "skirt_m": 0.0, "lifts": 1},
    "Reservoir": {"tilt_m": 0.0},
}
"""Of keys that may be left out and then mean something that depends on the rest; this is what they mean as a rule."""


USUAL_M: dict[System, dict[str, float]] = {
    System.FT_IN: {
        "reach_m": 24 * INCH_M,
        "aisle_m": 24 * INCH_M,
        "lap_m": 6 * INCH_M,
        "thickness_m": 4 * INCH_M,
        "headspace_m": INCH_M,
    },
    System.METRIC: {
        "reach_m": 0.6,
        "aisle_m": 0.6,
        "lap_m": 0.15,
        "thickness_m": 0.1,
        "headspace_m": 0.025,
    },
}
"""What something new gets in a garden of either system, so that its tape reads whole numbers [m]."""


def plan_defaults() -> dict[str, dict[str, Any]]:
    """What each key means that is left out, by model, where that is a plain value."""
    return {model.__name__: _plain_defaults(model) | MEANT.get(model.__name__, {}) for model in TOLD}


def _plain_defaults(model: type[BaseModel]) -> dict[str, Any]:
    found = {name: field.default for name, field in model.model_fields.items()}
    return {name: value for name, value in found.items() if isinstance(value, str | int | float)}


def shape_facts() -> dict[str, dict[str, bool | float]]:
    """What each kind of shape can have.

    walled: a wall of its own and headspace. cornered: a floor that slopes, with a depth at each corner. fills: a rim
    that a layer can fill up to. across_less: how many times its wall and path a tape across shows less than its
    diameter here, which is twice its largest radius.
    """
    return {
        kind: {
            "walled": kind not in ON_THE_GROUND,
            "cornered": kind in WITH_CORNER_DEPTHS,
            "fills": kind != "flat_area",
            "across_less": ACROSS_LESS if kind == "herb_spiral" else 0.0,
        }
        for kind in KINDS
    }


LINER_LAP_M = 0.1
"""How far a liner is turned over at the top [m]."""
