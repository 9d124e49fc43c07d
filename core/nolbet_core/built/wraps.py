"""Sheets that pipes are wrapped in, in the fill and in a reservoir."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence

from nolbet_core.plan.bed import Bed, Buried, Pipe
from nolbet_core.plan.defaults import LAP_M
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.shelf.material import Material
from nolbet_core.stack.fill import sheet_standing
from nolbet_core.stack.layers import Sheet, Standing
from nolbet_core.stack.sheets import wrap_size


def wraps_of(pipes: Sequence[Buried | Pipe], materials: Mapping[str, Material]) -> tuple[Standing, ...]:
    """The sheets that pipes are wrapped in once round, each cut for one pipe: pi d and a lap wide.

    materials: by key. What is no pipe, or isn't wrapped, is passed over.
    """
    wraps = []
    for pipe in pipes:
        if pipe.wrap is None or pipe.diameter_m is None or pipe.length_m is None:
            continue
        length_m, width_m = wrap_size(pipe.diameter_m, pipe.length_m, LAP_M)
        sheet = Sheet(materials[pipe.wrap], lap_m=0.0)
        wraps += [sheet_standing(sheet, 0.0, length_m * width_m, 1, (length_m, width_m))] * pipe.count
    return tuple(wraps)


def wrong_with_wraps(bed: Bed, materials: Mapping[str, Material], path: str) -> Iterator[PlanProblem]:
    """What is wrong with what a bed's pipes are wrapped in. materials: by key. path: how the bed is called."""
    named = [(f"{path}.buried[{index}]", each) for index, each in enumerate(bed.buried)]
    pipes = bed.reservoir.pipes if bed.reservoir else []
    all_named: list[tuple[str, Buried | Pipe]] = [
        *named,
        *((f"{path}.reservoir.pipes[{index}]", each) for index, each in enumerate(pipes)),
    ]
    for where, each in all_named:
        if each.wrap is None:
            continue
        material = materials.get(each.wrap)
        if isinstance(each, Buried) and each.kind != "pipe":
            yield PlanProblem(f"{where}.wrap", f"belongs to a pipe, and this is a {each.kind}")
        elif material is not None and not material.is_sheet:
            yield PlanProblem(f"{where}.wrap", f"{each.wrap} is no sheet; name geotextile or the like")
