"""From a reservoir as the plan file writes it to the store that holds the water."""

from __future__ import annotations

from collections.abc import Mapping

from nolbet_core.plan.bed import Bed, Reservoir, Wick
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.reservoir.store import CRATE_SHARE, Crates, Store, column_area
from nolbet_core.shapes.buried import LyingPipe
from nolbet_core.shapes.hollow import ShapeProblem
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.shelf.library import nearest_keys
from nolbet_core.shelf.material import Material

SIZED_BY = {"soil_column": "diameter_m", "strip": "width_m", "fabric": None}


def store_of(bed: Bed, vessel: Vessel, materials: Mapping[str, Material], path: str) -> Store | None:
    """The store of a bed's reservoir; None where it has none. path: how the bed is called in an error.

    Raises PlanProblem where the reservoir doesn't fit the bed, or its parts don't fit into it.
    """
    reservoir = bed.reservoir
    if reservoir is None:
        return None
    here = f"{path}.reservoir"
    if vessel.form != "vessel":
        kind = bed.shape.kind.replace("_", " ")
        raise PlanProblem(here, f"a {kind} holds no water; a reservoir wants walls and a floor")
    _check_under(reservoir, materials, here)
    for index, wick in enumerate(reservoir.wicks):
        _check_wick(wick, f"{here}.wicks[{index}]")
    store = Store(
        vessel.hollow,
        reservoir.height_m,
        overflow_of(reservoir),
        _share(reservoir, materials, here),
        tuple(LyingPipe(each.diameter_m, each.length_m * each.count, 0.0) for each in reservoir.pipes),
        tuple(
            Crates(
                each.length_m * each.width_m * each.count,
                each.height_m,
                CRATE_SHARE if each.void_share is None else each.void_share,
            )
            for each in reservoir.crates
        ),
        sum(column_area(each.diameter_m or 0.0, each.count) for each in reservoir.wicks if each.kind == "soil_column"),
        reservoir.tilt_m or 0.0,
        reservoir.under.height_m if reservoir.under else 0.0,
    )
    try:
        store.check()
    except ShapeProblem as problem:
        raise PlanProblem(f"{here}.{problem.key}", str(problem)) from problem
    return store


def overflow_of(reservoir: Reservoir) -> float:
    """Where water runs off [m]: the top of the reservoir unless it says otherwise."""
    return reservoir.height_m if reservoir.overflow_m is None else reservoir.overflow_m


def base_of(bed: Bed) -> float:
    """Where a bed's layers begin above its floor [m]: on its reservoir, and what lies under that."""
    if bed.reservoir is None:
        return 0.0
    return bed.reservoir.height_m + (bed.reservoir.under.height_m if bed.reservoir.under else 0.0)


def _check_under(reservoir: Reservoir, materials: Mapping[str, Material], path: str) -> None:
    if reservoir.under is None:
        return
    key = reservoir.under.material
    material = materials.get(key)
    if material is None or material.is_sheet:
        raise PlanProblem(f"{path}.under.material", f"'{key}' is no fill on the shelf; name rubble, gravel or the like")
    if material.decay_per_year > 0 or material.parts:
        raise PlanProblem(
            f"{path}.under.material", f"{key} rots or settles, and the liner over it would tear; name stone"
        )


def _share(reservoir: Reservoir, materials: Mapping[str, Material], path: str) -> float:
    if reservoir.medium is None:
        return 1.0
    medium = materials.get(reservoir.medium)
    if medium is None:
        near = nearest_keys(materials, reservoir.medium)
        hint = f"; did you mean {' or '.join(near)}?" if near else ""
        raise PlanProblem(f"{path}.medium", f"'{reservoir.medium}' isn't on the shelf{hint}")
    if medium.is_sheet or medium.water_share <= 0:
        raise PlanProblem(f"{path}.medium", f"{reservoir.medium} holds no free water; gravel, scoria or coarse sand do")
    return medium.water_share


def _check_wick(wick: Wick, path: str) -> None:
    wanted = SIZED_BY[wick.kind]
    for key in ("diameter_m", "width_m"):
        given = getattr(wick, key) is not None
        if given != (key == wanted):
            said = "doesn't belong to" if given else "has to be given for"
            raise PlanProblem(f"{path}.{key}", f"{said} a {wick.kind.replace('_', ' ')}")
