"""From a reservoir as the plan file writes it to the store that holds the water."""

from __future__ import annotations

import math
from collections.abc import Iterator, Mapping, Sequence

from nolbet_core.built.fittings import wrong_with_fittings
from nolbet_core.plan.bed import Bed, Reservoir, Wick
from nolbet_core.plan.named import material_keys
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.reservoir.store import CRATE_SHARE, Crates, Store, column_area
from nolbet_core.shapes.buried import LyingPipe
from nolbet_core.shapes.hollow import ShapeProblem
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.shelf.material import Material

SIZED_BY = {"soil_column": "diameter_m", "strip": "width_m", "fabric": None}


def build_store(
    bed: Bed, vessel: Vessel, materials: Mapping[str, Material], path: str, problems: list[PlanProblem]
) -> Store | None:
    """The store of a bed's reservoir; None where it has none, or one that doesn't fit.

    path: how the bed is called. problems: takes what is wrong with the reservoir and its parts; a name that isn't there
    is told for the whole bed.
    """
    reservoir = bed.reservoir
    if reservoir is None:
        return None
    here = f"{path}.reservoir"
    if vessel.form != "vessel":
        kind = bed.shape.kind.replace("_", " ")
        problems.append(PlanProblem(here, f"a {kind} holds no water; a reservoir wants walls and a floor"))
        return None
    found = [
        *_wrong_with_under(reservoir, materials, here),
        *_wrong_with_medium(reservoir, materials, here),
        *_wrong_with_underlay(reservoir, materials, here),
        *wrong_with_fittings(reservoir, vessel, here),
        *_wrong_with_wicks(reservoir.wicks, f"{here}.wicks"),
    ]
    problems += found
    if found or any(key not in materials for key in material_keys(reservoir)):
        return None
    store = _store(reservoir, vessel, materials)
    try:
        store.check()
    except ShapeProblem as problem:
        problems.append(PlanProblem(f"{here}.{problem.key}", str(problem)))
        return None
    return store


def _store(reservoir: Reservoir, vessel: Vessel, materials: Mapping[str, Material]) -> Store:
    columns = [
        (column_area(each.diameter_m or 0.0, each.count), max(reservoir.height_m - (each.height_m or math.inf), 0.0))
        for each in reservoir.wicks
        if each.kind == "soil_column"
    ]
    return Store(
        vessel.hollow,
        reservoir.height_m,
        overflow_of(reservoir),
        1.0 if reservoir.medium is None else materials[reservoir.medium].water_share,
        tuple(LyingPipe(each.diameter_m, each.length_m * each.count, 0.0) for each in reservoir.pipes),
        tuple(
            Crates(
                each.length_m * each.width_m * each.count,
                each.height_m,
                CRATE_SHARE if each.void_share is None else each.void_share,
            )
            for each in reservoir.crates
        ),
        sum(area_m2 for area_m2, foot_m in columns if foot_m <= 0),
        tuple((area_m2, foot_m) for area_m2, foot_m in columns if foot_m > 0),
        reservoir.tilt_m or 0.0,
        reservoir.under.height_m if reservoir.under else 0.0,
    )


def overflow_of(reservoir: Reservoir) -> float:
    """Where water runs off [m]: at its overflow, else at the top of the reservoir."""
    known_m = known_overflow(reservoir)
    return reservoir.height_m if known_m is None else known_m


def known_overflow(reservoir: Reservoir) -> float | None:
    """Where a reservoir's overflow is said to be [m], by its height or its lowest fitting; None where none is."""
    if reservoir.overflow_m is not None:
        return reservoir.overflow_m
    heights = [each.height_m for each in reservoir.fittings if each.kind == "overflow" and each.height_m is not None]
    return min(heights, default=None)


def base_of(bed: Bed) -> float:
    """Where a bed's layers begin above its floor [m]: on its reservoir, and what lies under that."""
    return 0.0 if bed.reservoir is None else stands_on_m(bed.reservoir)


def stands_on_m(reservoir: Reservoir) -> float:
    """How high a reservoir is with what lies under its liner [m]."""
    return reservoir.height_m + (reservoir.under.height_m if reservoir.under else 0.0)


def _wrong_with_under(reservoir: Reservoir, materials: Mapping[str, Material], path: str) -> Iterator[PlanProblem]:
    key = reservoir.under.material if reservoir.under else None
    material = materials.get(key) if key else None
    if material is None:
        return
    here = f"{path}.under.material"
    if material.is_sheet:
        yield PlanProblem(here, f"'{key}' is no fill on the shelf; name rubble, gravel or the like")
    elif material.decay_per_year > 0 or material.parts:
        yield PlanProblem(here, f"{key} rots or settles, and the liner over it would tear; name stone")


def _wrong_with_underlay(reservoir: Reservoir, materials: Mapping[str, Material], path: str) -> Iterator[PlanProblem]:
    material = materials.get(reservoir.underlay) if reservoir.underlay else None
    if material is not None and (not material.is_sheet or material.is_liner):
        yield PlanProblem(f"{path}.underlay", f"{reservoir.underlay} protects no liner; name geotextile or cardboard")


def _wrong_with_medium(reservoir: Reservoir, materials: Mapping[str, Material], path: str) -> Iterator[PlanProblem]:
    medium = materials.get(reservoir.medium) if reservoir.medium else None
    if medium is not None and (medium.is_sheet or medium.water_share <= 0):
        message = f"{reservoir.medium} holds no free water; gravel, scoria or coarse sand do"
        yield PlanProblem(f"{path}.medium", message)


def _wrong_with_wicks(wicks: Sequence[Wick], path: str) -> Iterator[PlanProblem]:
    for index, wick in enumerate(wicks):
        for key in ("diameter_m", "width_m"):
            given = getattr(wick, key) is not None
            if given != (key == SIZED_BY[wick.kind]):
                said = "doesn't belong to" if given else "has to be given for"
                yield PlanProblem(f"{path}[{index}].{key}", f"{said} a {wick.kind.replace('_', ' ')}")
        for key, kind in (("height_m", "soil_column"), ("length_m", "strip")):
            if getattr(wick, key) is not None and wick.kind != kind:
                yield PlanProblem(f"{path}[{index}].{key}", f"belongs to a {kind.replace('_', ' ')}")
