"""What the tape does to a bed: how its layers' volumes go with each of its measures."""

from __future__ import annotations

import itertools
import math
from collections.abc import Iterator, Mapping
from dataclasses import replace

import numpy as np
from numpy.typing import NDArray

from nolbet_core.built.bed import build_bed
from nolbet_core.built.surroundings import Surroundings
from nolbet_core.built.worked import WorkedBed, worked_bed
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.plot import Plot
from nolbet_core.record import record
from nolbet_core.shapes.flat import FlatArea
from nolbet_core.shelf.material import Material

TAPE_SD_M = 0.005
"""How far one measure with the tape lies off, standard deviation [m]."""

STEP_M = 0.005
"""How far a measure is moved to see what goes with it [m]."""

Values = NDArray[np.float64]


POINT_SD_M = 0.020
"""Error of a point of a path measured on the plot, along each axis, standard deviation [m]."""


@record
class TapedMeasure:
    """One measure of a bed. by_layer: change of the logarithm of each layer's volume for each metre of it.

    sd_m: its error, standard deviation [m].
    """

    name: str
    by_layer: Values
    sd_m: float


def measures_of(worked: WorkedBed, materials: Mapping[str, Material]) -> list[TapedMeasure]:
    """What a bed's layers make of each measure taken of it. materials: by key.

    Each measure is moved a little and the bed built anew by the same rules; one that can't be moved so (a spiral whose
    path would no longer fit) counts for nothing. An outline by its corners stands in by its length and width.
    """
    fields = [name for name in type(worked.bed.shape).model_fields if name.endswith("_m")]
    found_m = {name: getattr(worked.bed.shape, name) for name in fields}
    # what is nothing, as the feather of a patch without one, was not measured
    taped = [name for name, value in found_m.items() if isinstance(value, float | int) and value > 0]
    sd_m = TAPE_SD_M / math.sqrt(worked.bed.taped)
    found = [TapedMeasure(name, by_layer, sd_m) for name in taped for by_layer in _moved(worked, name, materials)]
    if any(isinstance(value, list) for value in found_m.values()):
        inside, ones = worked.vessel.inside, np.ones(len(worked.filled.layers))
        found += [
            TapedMeasure("length", ones / inside.length_m, sd_m),
            TapedMeasure("width", ones / inside.width_m, sd_m),
        ]
    return [*found, *_path_through(worked, materials)]


def _path_through(worked: WorkedBed, materials: Mapping[str, Material]) -> Iterator[TapedMeasure]:
    """The paths that lead through a patch, as one measure: each point of theirs and each width moved by itself.

    Errors of points are independent, so their effects add up by their squares.
    """
    plot = worked.around.plot or worked.around.paths_of
    if not isinstance(worked.vessel, FlatArea) or worked.vessel.path_m2 <= 0 or plot is None:
        return
    squares = np.zeros(len(worked.filled.layers))
    for moved, sd_m in _moved_paths(plot):
        around = replace(worked.around, plot=moved, paths_of=None)
        for by_layer in _changed(worked, worked.bed, around, materials):
            squares += (by_layer * sd_m / POINT_SD_M) ** 2
    yield TapedMeasure("path", -np.sqrt(squares) / STEP_M, POINT_SD_M)


def _moved_paths(plot: Plot) -> Iterator[tuple[Plot, float]]:
    """The plot with one number of one path moved by a step, and that number's error [m]."""
    for index, path in enumerate(plot.paths or []):
        for key in ("outline_m", "line_m"):
            points = getattr(path, key) or []
            for at, axis in itertools.product(range(len(points)), (0, 1)):
                moved = [list(each) for each in points]
                moved[at][axis] += STEP_M
                yield _with_path(plot, index, {key: moved}), POINT_SD_M
        if path.width_m is not None:
            yield _with_path(plot, index, {"width_m": path.width_m + STEP_M}), TAPE_SD_M


def _with_path(plot: Plot, index: int, change: dict[str, object]) -> Plot:
    paths = list(plot.paths or [])
    paths[index] = paths[index].model_copy(update=change)
    return plot.model_copy(update={"paths": paths})


def _moved(worked: WorkedBed, name: str, materials: Mapping[str, Material]) -> Iterator[Values]:
    shape = worked.bed.shape
    moved = shape.model_copy(update={name: getattr(shape, name) + STEP_M})
    for change in _changed(worked, _with_shape(worked.bed, moved), worked.around, materials):
        yield change / STEP_M


def _changed(worked: WorkedBed, bed: Bed, around: Surroundings, materials: Mapping[str, Material]) -> Iterator[Values]:
    """Change of the logarithm of each layer's volume from a bed to the same bed measured otherwise."""
    built = build_bed(bed, materials)
    if built.value is None:
        return
    filled = worked_bed(built.value, around, materials).filled
    before = np.array([layer.placed_m3 for layer in worked.filled.layers])
    after = np.array([layer.placed_m3 for layer in filled.layers])
    both = (before > 0) & (after > 0)
    yield np.where(both, np.log(np.where(both, after, 1.0) / np.where(both, before, 1.0)), 0.0)


def _with_shape(bed: Bed, shape: object) -> Bed:
    return bed.model_copy(update={"shape": shape, "set_aside": []})
