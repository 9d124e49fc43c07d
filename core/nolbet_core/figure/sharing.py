"""A heap shared over beds, in figures: what each gets, how deep it lies there, and what each still lacks."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date

from nolbet_core.built.plan import BuiltPlan
from nolbet_core.built.profiles import in_profiles
from nolbet_core.built.surroundings import surroundings_of
from nolbet_core.built.worked import WorkedBed, worked_bed
from nolbet_core.figure.spring import add_bed
from nolbet_core.haul.needs import NeedSums
from nolbet_core.haul.sharing import SharedBy, Taker, shared
from nolbet_core.plan.problems import PlanProblem, unknown_key
from nolbet_core.record import record
from nolbet_core.shelf.material import Material


@record
class ShareOfBed:
    """What one bed and those alike get of a heap, loose, and of it each one placed; depth_m: on top of what lies there.

    needs_m3: what they need of it, loose; lacks_m3: what of that they don't get.
    """

    bed: str
    name: str
    count: int
    loose_m3: float
    placed_m3: float
    depth_m: float
    needs_m3: float
    lacks_m3: float


@record
class SharedHeap:
    """A heap shared over beds. left_m3: what stays on it, loose."""

    shares: list[ShareOfBed]
    left_m3: float


def figure_shared(
    built: BuiltPlan, material: str, volume_m3: float, keys: Sequence[str], by: SharedBy, today: date | None = None
) -> SharedHeap:
    """Share a loose volume [m3] of a material over beds.

    keys: which beds. today: for what lies in them. Raises PlanProblem where the material isn't on the shelf.
    """
    materials = built.supplies.materials
    if material not in materials:
        raise unknown_key("material", material, materials)
    if materials[material].is_sheet:
        raise PlanProblem("material", f"{material} is a sheet, and is shared by its pieces")
    around = surroundings_of(built.plan.garden, today, in_profiles(built.plan.beds))
    beds = [worked_bed(each, around, materials) for each in built.beds if each.bed.key in keys]
    takers = [
        Taker(each.bed.key, each.bed.count, _need_of(each, material, built), each.vessel.top_area_m2) for each in beds
    ]
    given = shared(volume_m3, takers, by)
    shares = [
        _share(bed, taker, loose_m3, materials[material])
        for bed, taker, loose_m3 in zip(beds, takers, given, strict=True)
    ]
    return SharedHeap(shares=shares, left_m3=max(volume_m3 - sum(given), 0.0))


def _need_of(worked: WorkedBed, material: str, built: BuiltPlan) -> float:
    sums = NeedSums()
    add_bed(sums, worked)
    needs = sums.less_stock({}, built.supplies.mixes, built.supplies.materials)
    return sum(need.loose_m3 for need in needs if need.material == material)


def _share(worked: WorkedBed, taker: Taker, loose_m3: float, material: Material) -> ShareOfBed:
    placed_m3 = loose_m3 / material.loose_factor / taker.count
    return ShareOfBed(
        bed=taker.key,
        name=worked.bed.title,
        count=taker.count,
        loose_m3=loose_m3,
        placed_m3=placed_m3,
        depth_m=_depth(worked, placed_m3),
        needs_m3=taker.need_m3,
        lacks_m3=max(taker.need_m3 - loose_m3, 0.0),
    )


def _depth(worked: WorkedBed, placed_m3: float) -> float:
    """How deep a placed volume [m3] lies on what is in the bed today [m]."""
    vessel = worked.vessel
    if vessel.sinks_in_place or worked.state != "filling":
        return placed_m3 / vessel.top_area_m2
    top_m = worked.laid.top_m
    return vessel.hollow.height_for_volume(top_m, placed_m3) - top_m
