"""What the tape does to a bed: how its layers' volumes go with each of its measures."""

from __future__ import annotations

from collections.abc import Iterator, Mapping

import numpy as np
from numpy.typing import NDArray

from nolbet_core.built.bed import build_bed
from nolbet_core.built.worked import WorkedBed, worked_bed
from nolbet_core.plan.bed import Bed
from nolbet_core.record import record
from nolbet_core.shelf.material import Material

TAPE_SD_M = 0.005
"""How far one measure with the tape lies off, standard deviation [m]."""

STEP_M = 0.005
"""How far a measure is moved to see what goes with it [m]."""

Values = NDArray[np.float64]


@record
class TapedMeasure:
    """One measure of a bed, and what its layers' volumes do with it: change of their logarithm for each metre."""

    name: str
    by_layer: Values


def measures_of(worked: WorkedBed, materials: Mapping[str, Material]) -> list[TapedMeasure]:
    """What a bed's layers make of each measure taken of it. materials: by key.

    Each measure is moved a little and the bed built anew by the same rules; one that can't be moved so (a spiral whose
    path would no longer fit) counts for nothing. An outline by its corners stands in by its length and width.
    """
    fields = [name for name in type(worked.bed.shape).model_fields if name.endswith("_m")]
    taped = [name for name in fields if isinstance(getattr(worked.bed.shape, name), float | int)]
    found = [TapedMeasure(name, by_layer) for name in taped for by_layer in _moved(worked, name, materials)]
    if len(taped) < len(fields):
        inside, ones = worked.vessel.inside, np.ones(len(worked.filled.layers))
        found += [TapedMeasure("length", ones / inside.length_m), TapedMeasure("width", ones / inside.width_m)]
    return found


def _moved(worked: WorkedBed, name: str, materials: Mapping[str, Material]) -> Iterator[Values]:
    shape = worked.bed.shape
    moved = shape.model_copy(update={name: getattr(shape, name) + STEP_M})
    built = build_bed(_with_shape(worked.bed, moved), materials)
    if built.value is None:
        return
    filled = worked_bed(built.value, worked.around, materials).filled
    before = np.array([layer.placed_m3 for layer in worked.filled.layers])
    after = np.array([layer.placed_m3 for layer in filled.layers])
    both = (before > 0) & (after > 0)
    yield np.where(both, np.log(np.where(both, after, 1.0) / np.where(both, before, 1.0)), 0.0) / STEP_M


def _with_shape(bed: Bed, shape: object) -> Bed:
    return bed.model_copy(update={"shape": shape, "set_aside": [], "places": []})
