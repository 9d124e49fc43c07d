"""What if a bed were deeper, held more wood, more of what its school lays under the soil, or more mulch."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from nolbet_core.figure.sure_figures import SureBed
from nolbet_core.plan.bed import Bed, Layer
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.record import record
from nolbet_core.shelf.material import Material
from nolbet_core.stack.zone import mulch_from

USUAL_MULCH = "wood_chips"
"""What is laid where a bed without mulch is asked about some."""


@record
class WhatIf:
    """Changes to a bed. depth_m: its own; wood_times, below_times: how many times as thick its wood, and what else lies
    under its soil, is laid; mulch_m: how thick its mulch is. None, or once, leaves it as it is.
    """

    depth_m: float | None = None
    wood_times: float = 1.0
    below_times: float = 1.0
    mulch_m: float | None = None


@record
class WhatIfParts:
    """What of a bed can be asked about: its depth, how thick its wood and what else lies under its soil is, and its
    mulch [m]; null of what it hasn't.
    """

    depth_m: float | None
    wood_m: float | None
    below_m: float | None
    mulch_m: float


@record
class WhatIfFigures:
    """A bed as it is and as it would be. changed: in the plan file's words."""

    parts: WhatIfParts
    now: SureBed
    then: SureBed
    changed: dict[str, Any]


def changed_bed(bed: Bed, wish: WhatIf, materials: Mapping[str, Material]) -> Bed:
    """A bed changed so. materials: by key.

    Raises PlanProblem where it has no depth of its own.
    """
    shape = bed.shape
    if wish.depth_m is not None:
        if not hasattr(shape, "depth_m"):
            raise PlanProblem("depth_m", f"a {shape.kind.replace('_', ' ')} has no depth of its own")
        shape = shape.model_copy(update={"depth_m": wish.depth_m})
    begins = _mulch_begins(bed, materials)
    layers = [_thicker(each, wish, materials) for each in bed.layers[:begins]]
    mulch = _mulched(bed.layers[begins:], wish.mulch_m)
    return bed.model_copy(update={"shape": shape, "layers": [*layers, *mulch]})


def parts_of(bed: Bed, materials: Mapping[str, Material]) -> WhatIfParts:
    """What of a bed can be asked about. materials: by key."""
    begins = _mulch_begins(bed, materials)
    under = [each for each in bed.layers[:begins] if each.thickness_m and not _is_soil(each, materials)]
    wood = [each.thickness_m or 0.0 for each in under if _is_wood(each, materials)]
    others = [each.thickness_m or 0.0 for each in under if not _is_wood(each, materials)]
    return WhatIfParts(
        depth_m=getattr(bed.shape, "depth_m", None),
        wood_m=sum(wood) if wood else None,
        below_m=sum(others) if others else None,
        mulch_m=sum(each.thickness_m or 0.0 for each in bed.layers[begins:]),
    )


def _mulch_begins(bed: Bed, materials: Mapping[str, Material]) -> int:
    """Index of the lowest layer of mulch; as many as there are where none is."""
    return mulch_from([(materials[each.material].group, bool(each.thickness_m or each.fill)) for each in bed.layers])


def _thicker(layer: Layer, wish: WhatIf, materials: Mapping[str, Material]) -> Layer:
    if not layer.thickness_m or _is_soil(layer, materials):
        return layer
    times = wish.wood_times if _is_wood(layer, materials) else wish.below_times
    return layer.model_copy(update={"thickness_m": layer.thickness_m * times})


def _mulched(mulch: list[Layer], thick_m: float | None) -> list[Layer]:
    """Mulch of some thickness [m], each of its layers in proportion; as it is where none is said."""
    if thick_m is None:
        return mulch
    whole_m = sum(each.thickness_m or 0.0 for each in mulch)
    if whole_m > 0:
        times = thick_m / whole_m
        laid = [(each, (each.thickness_m or 0.0) * times) for each in mulch]
        return [
            each.model_copy(update={"thickness_m": new_m}) if each.thickness_m else each
            for each, new_m in laid
            if new_m > 0 or not each.thickness_m
        ]
    return [*mulch, Layer(material=USUAL_MULCH, thickness_m=thick_m)] if thick_m > 0 else mulch


def _is_wood(layer: Layer, materials: Mapping[str, Material]) -> bool:
    return materials[layer.material].group == "wood"


def _is_soil(layer: Layer, materials: Mapping[str, Material]) -> bool:
    return materials[layer.material].group == "soil"
