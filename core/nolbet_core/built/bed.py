"""A bed built of its words: one walk gives its vessel, its layers and its store, and everything that is wrong."""

from __future__ import annotations

from collections.abc import Iterator, Mapping

from nolbet_core.built.checked import Checked
from nolbet_core.built.footing import wrong_with_footing
from nolbet_core.built.frame_checks import wrong_with_frame
from nolbet_core.built.layers import build_layers
from nolbet_core.built.lined import wrong_with_line
from nolbet_core.built.names import unknown_names
from nolbet_core.built.runoff import wrong_with_runoff
from nolbet_core.built.state import wrong_with_state
from nolbet_core.built.stores import build_store
from nolbet_core.built.vessels import build_vessel
from nolbet_core.built.wraps import wrong_with_wraps
from nolbet_core.plan.bed import Bed, filled_with
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.record import record
from nolbet_core.reservoir.store import Store
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.shelf.material import Material
from nolbet_core.stack.layers import Asked


@record
class BuiltBed:
    """A bed of the plan that holds together, with what was built of it. store: None without a reservoir."""

    bed: Bed
    vessel: Vessel
    layers: tuple[Asked, ...]
    store: Store | None


def build_bed(bed: Bed, materials: Mapping[str, Material], path: str = "bed") -> Checked[BuiltBed]:
    """Build a bed. materials: what it may name. path: how it is called in a problem.

    Problems: names that aren't there, keys of a layer that don't go together, measures that make no shape, a reservoir
    that doesn't fit, more places than beds; of the ways of filling it that are set aside, too.
    """
    problems = list(unknown_names(bed, materials, path))
    layers = build_layers(bed.layers, bed.shape.kind, materials, path, problems)
    vessel = build_vessel(bed, path, problems)
    store = build_store(bed, vessel, materials, path, problems) if vessel is not None else None
    for index, aside in enumerate(bed.set_aside):
        here, way = f"{path}.set_aside[{index}]", filled_with(bed, aside)
        build_layers(way.layers, bed.shape.kind, materials, here, problems)
        if vessel is not None:
            build_store(way, vessel, materials, here, problems)
    problems += _wrong_with_top_up(bed, materials, path)
    problems += _wrong_with_holes(bed, materials, path)
    problems += wrong_with_state(bed, path)
    problems += wrong_with_footing(bed, path)
    problems += wrong_with_frame(bed, materials, path)
    problems += wrong_with_line(bed, path)
    problems += wrong_with_runoff(bed, path)
    problems += wrong_with_wraps(bed, materials, path)
    if len(bed.places) > bed.count:
        alike = "one bed" if bed.count == 1 else f"{bed.count} beds alike"
        problems.append(PlanProblem(f"{path}.places[{bed.count}]", f"is one place more than there are beds ({alike})"))
    if problems or vessel is None:
        return Checked(None, tuple(problems))
    return Checked(BuiltBed(bed, vessel, layers, store))


def _wrong_with_top_up(bed: Bed, materials: Mapping[str, Material], path: str) -> Iterator[PlanProblem]:
    material = materials.get(bed.top_up)
    if material is not None and material.is_sheet:
        yield PlanProblem(f"{path}.top_up", f"{bed.top_up} is a sheet; name what is laid on each spring, as compost")


def _wrong_with_holes(bed: Bed, materials: Mapping[str, Material], path: str) -> Iterator[PlanProblem]:
    material = materials.get(bed.holes.material) if bed.holes else None
    if material is not None and (material.is_sheet or material.grain != "fine"):
        yield PlanProblem(f"{path}.holes.material", f"{material.key} is no soil to plant in; name a mix or compost")
