"""A bed's steps on its reservoir: smooth, lined, tested for a day and a night, then filled."""

from __future__ import annotations

from collections.abc import Iterator

from nolbet_core.built.water import BedWater
from nolbet_core.built.worked import WorkedBed
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_bulk_volume, show_length, show_sawn, show_water
from nolbet_core.stack.layers import Bulk
from nolbet_core.works.site import Site
from nolbet_core.works.step import Step, step_key
from nolbet_core.works.texts import GLOVES, HOSE, KNIFE, LEVEL, MARKER, STANDING_WATER, TAPE, cautions_for, gear_for

UNDERLAY_H = 0.4
FOLDING_H = 0.5
TEST_H = 0.5
FITTING_H = 0.2
"""Making one opening tight, or setting one pipe or crate [h] (estimate)."""
LARGE_LINER_M2 = 4.0
"""A liner over that is folded in by two [m2] (estimate)."""
TEST_DAYS = 1
HELD_M = 0.003
"""A level that falls less over 24 h under a cover is held [m] (estimate: what a mark can be read to)."""


def water_steps(worked: WorkedBed, site: Site) -> Iterator[Step]:
    """Steps on the reservoir of a bed and those alike; none without one."""
    water = worked.water
    if water is None:
        return
    if water.liner_m is not None:
        yield _underlay(worked, water)
        yield _liner(worked, water, site)
    yield _test(worked, water)
    yield _inside(worked, water, site)


def _underlay(worked: WorkedBed, water: BedWater) -> Step:
    bed = worked.bed
    what = water.underlay.name.lower() if water.underlay else "old carpet, fleece or sand"
    under: tuple[str, ...] = ()
    if water.under is not None:
        under = (f"{water.under.name} goes in first, raked level and tamped, {_under(worked, water)} high.",)
    return Step(
        step_key(bed.key, "underlay"),
        bed.key,
        "underlay",
        "water",
        title=f"Smooth the inside of {bed.title} and lay {what}",
        why="One splinter or stone under the water's weight is a leak found after planting.",
        done_when="A bare hand run over floor and walls meets no point, screw or stone.",
        hold="Did a bare hand over floor and walls meet nothing sharp?",
        work="sheets",
        usual_hours=UNDERLAY_H * bed.count,
        tools=("sandpaper", KNIFE),
        gear=(GLOVES,),
        lines=under,
        uses=frozenset(each.key for each in (water.underlay, water.under) if each is not None),
    )


def _under(worked: WorkedBed, water: BedWater) -> str:
    return show_length(water.store.under_m, worked.system)


def _liner(worked: WorkedBed, water: BedWater, site: Site) -> Step:
    bed, system = worked.bed, worked.system
    long_m, wide_m = water.liner_m or (0.0, 0.0)
    size = f"{show_length(long_m, system)} by {show_length(wide_m, system)}"
    openings = [each for each in water.reservoir.fittings if each.kind in ("inlet", "drain", "overflow")]
    full = show_length(water.store.overflow_m, system)
    laying_h = site.paces.hours("sheet_m2_h", long_m * wide_m)
    return Step(
        step_key(bed.key, "liner"),
        bed.key,
        "liner",
        "water",
        title=f"Lay the liner of {bed.title}: one piece of {size}",
        why="Stretched over a corner it tears once water and stones press on it.",
        done_when=f"It lies in every corner with slack, uncut; nothing pierces it under the overflow, {full} up.",
        work="sheets",
        usual_hours=bed.count * (laying_h + FOLDING_H + FITTING_H * len(openings)),
        people=2 if long_m * wide_m > LARGE_LINER_M2 else 1,
        tools=(KNIFE, "stapler", TAPE),
        lines=(
            "Warm it in the sun first: it folds better.",
            "Fasten above the water line only.",
            *(("Make the openings tight now: pipes through the liner with a gasket.",) if openings else ()),
        ),
        uses=frozenset([water.liner.key]),
    )


def _test(worked: WorkedBed, water: BedWater) -> Step:
    bed, system = worked.bed, worked.system
    level = show_length(water.store.overflow_m, system)
    held = show_sawn(HELD_M, system)
    low_m = water.store.under_m
    held_m3 = water.store.hollow.volume_between(low_m, low_m + water.store.overflow_m)
    litres = show_water(held_m3 * bed.count, system)
    return Step(
        step_key(bed.key, "leak_test"),
        bed.key,
        "leak_test",
        "water",
        title=f"Fill {bed.title} with water and leave it 24 h",
        why="A leak found now is a patch; found after planting it is the whole bed out again.",
        done_when=f"Filled to {level}, marked and covered, the level falls less than {held} in 24 h.",
        hold=f"Has the level held for 24 h, within {held}? Note how far it fell.",
        work="care",
        usual_hours=TEST_H * bed.count,
        tools=(HOSE, MARKER, LEVEL),
        cautions=(STANDING_WATER,),
        lines=(
            f"It takes about {litres}.",
            "Mark the level at both ends: that shows how level the floor is, too.",
            "Leave the water in for the next step, or use it to wet the fill.",
        ),
        wait_days=TEST_DAYS,
        wait_for="the level to hold for 24 h",
        gates=("frost",),
    )


def _inside(worked: WorkedBed, water: BedWater, site: Site) -> Step:
    bed, system, store = worked.bed, worked.system, water.store
    hours, barrows, named = 0.0, 0, list[str]()
    for part in water.parts:
        if not isinstance(part.asked, Bulk) or part.material is water.under:
            continue
        moved_h, loads = site.carrying(part.material, part.loose_m3 * bed.count, bed.key)
        hours, barrows = hours + moved_h, barrows + loads
        named.append(f"{show_bulk_volume(part.loose_m3 * bed.count, system)} of {part.material.name.lower()}")
    lying = sum(each.count for each in water.reservoir.pipes) + sum(each.count for each in water.reservoir.crates)
    pieces = lying + len(water.reservoir.fittings)
    top = show_length(store.height_m, system)
    materials = [part.material for part in water.parts]
    return Step(
        step_key(bed.key, "reservoir"),
        bed.key,
        "reservoir",
        "water",
        title=f"Set pipes and fill the reservoir of {bed.title} to {top}",
        why="What is dropped on a bare liner cuts it, and what is laid unevenly sinks later.",
        done_when=f"Level at {top}, overflow and filler clear, wicks stand on the floor.",
        work="moving",
        usual_hours=hours + (FITTING_H * pieces + 0.25) * bed.count,
        barrows=barrows,
        tools=("shovel", "barrow", LEVEL),
        gear=gear_for(materials),
        cautions=cautions_for(materials),
        materials=tuple(named),
        lines=_inside_lines(water, system),
        uses=frozenset(part.material.key for part in water.parts) | {ware.key for ware, _ in water.wares},
    )


def _inside_lines(water: BedWater, system: System) -> tuple[str, ...]:
    lines = []
    if water.reservoir.pipes or water.reservoir.crates:
        lines.append("Pipes and crates first, their ends capped or wrapped; the filler tube stands up past the rim.")
    if water.medium is not None:
        lines.append("Lower the stones in by the bucket; rinse them first, dust clogs the wicks.")
    kinds = {each.kind for each in water.reservoir.wicks}
    if "soil_column" in kinds:
        lines.append("Columns: damp soil, tamped down to the floor, before the sheet goes over.")
    if "strip" in kinds:
        lines.append("Strips hang from the floor up into the root zone, wetted first.")
    if "fabric" in kinds:
        lines.append("The fabric over all, laps of a hand, up the wall, tucked down to the floor where it dips.")
    lines.append(f"Try the overflow: pour until it runs, at {show_length(water.store.overflow_m, system)}.")
    return tuple(lines)
