"""What something new starts as: a layer of a material, a reservoir, the halves of a layer."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from nolbet_core.plan.bed import Layer
from nolbet_core.plan.defaults import LAP_M, LINER_LAP_M
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.shelf.material import Material

FIRST_THICKNESS_M = 0.1
"""How thick a new layer is until somebody says [m]."""

FIRST_MEAL_M = 0.002
"""How thick a meal is that is laid, which is meant to be scattered [m]."""

FIRST_PLIES = {"cardboard": 2}
"""Sheets that are laid in more than one ply."""

FIRST_RESERVOIR_M, LEAST_SOIL_M, LOWEST_RESERVOIR_M = 0.2, 0.1, 0.02

LayerWords = dict[str, Any]


def first_layer(material: Material) -> LayerWords:
    """A new layer of a material in the plan file's words, where nothing else is said."""
    if material.is_sheet:
        return {"material": material.key, "plies": FIRST_PLIES.get(material.key, 1), "lap_m": LAP_M}
    return {"material": material.key, "thickness_m": FIRST_MEAL_M if material.group == "meal" else FIRST_THICKNESS_M}


def first_reservoir(vessel: Vessel, watertight: bool) -> dict[str, Any] | None:
    """The reservoir that a bed starts with, in the plan file's words; None where the vessel holds no water.

    20 cm of gravel with an overflow at its top and a fabric tucked down to its floor as its wick; lower where the bed
    is shallow. watertight: whether the bed holds water of itself; else it is lined.
    """
    if vessel.form != "vessel":
        return None
    half_m = (vessel.hollow.rim_m - LEAST_SOIL_M) / 2
    height_m = round(max(min(FIRST_RESERVOIR_M, half_m), LOWEST_RESERVOIR_M), 3)
    lined = {} if watertight else {"liner_lap_m": LINER_LAP_M}
    return {
        "height_m": height_m,
        "overflow_m": height_m,
        "medium": "gravel_20",
        "wicks": [{"kind": "fabric", "count": 1, "dips": True}],
        **lined,
    }


def halves_of(layers: Sequence[Layer], index: int, thickness_m: float) -> tuple[LayerWords, LayerWords]:
    """How much the lower and the upper half of a bulk layer are, in the plan file's words.

    thickness_m: how thick it stands [m]. The lower half of one that fills the rest gets its thickness, or where others
    share what is left a share, so that theirs stay as they are.
    """
    layer = layers[index]
    for key in ("thickness_m", "volume_m3", "share"):
        amount = getattr(layer, key)
        if amount is not None:
            return {key: amount / 2}, {key: amount / 2}
    shared = sum(each.share or 0.0 for each in layers)
    lower = {"share": (1 - shared) / 2} if shared > 0 else {"thickness_m": thickness_m / 2}
    return lower, {"fill": True}
