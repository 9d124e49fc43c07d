"""A bed's steps on its frame: cut, put together, squared, set and levelled; or laid, stacked, moved to its place."""

from __future__ import annotations

import math
from collections.abc import Iterator

from nolbet_core.built.fixings import fixings_of
from nolbet_core.built.frame import BuiltFrame
from nolbet_core.built.worked import CLOSED_BELOW, WorkedBed
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_area, show_length, show_mass, show_sawn
from nolbet_core.shapes.angular import Rectangle
from nolbet_core.shelf.timber import TIMBER
from nolbet_core.works.ground_steps import A_METRE_M, ACROSS_M, needs_level
from nolbet_core.works.rates import Paces
from nolbet_core.works.site import Site
from nolbet_core.works.step import Step, step_key
from nolbet_core.works.texts import (
    CLAMPS,
    DEFER,
    DRILL,
    EARS,
    GLASSES,
    GLOVES,
    HEAVY_KG,
    LEVEL,
    MARKER,
    MASK,
    SAW,
    SAWING,
    SPADE,
    SQUARE,
    STRAIGHTEDGE,
    TAPE,
    WET_CEMENT,
    lifting_caution,
)
from nolbet_core.works.wall_steps import KIT_H, facing, of_others, of_stone, of_units

SQUARE_M = 0.003
POST_H = 0.75
"""Setting one post, its hole dug [h] (estimate)."""
SET_H = 0.5
"""Setting and levelling one box, and filling in along its foot [h] (estimate)."""
COURSE_H = 0.25
"""Laying and squaring a course of a box [h] (estimate)."""
CONCRETE_DAYS = 2


def frame_steps(worked: WorkedBed, site: Site) -> Iterator[Step]:
    """Steps on the frame of a bed and those alike, or on putting a vessel in its place."""
    framed = worked.framed
    if framed is None:
        if worked.vessel.form == "vessel":
            yield _in_place(worked)
        elif worked.bed.faced is not None:
            yield facing(worked, worked.bed.faced)
        return
    if framed.is_boards:
        yield from _of_boards(worked, framed, site)
    elif framed.frame.kind == "units":
        yield of_units(worked, framed, site)
    elif framed.frame.kind == "dry_stone":
        yield of_stone(worked, framed, site)
    else:
        yield of_others(worked, framed)
    if framed.frame.kind in ("boards", "bought") and worked.vessel.form == "vessel":
        yield _set(worked, framed)
    if framed.lining is not None:
        yield _lined(worked, framed, site)


def cutting_hours(framed: BuiltFrame, count: int, paces: Paces) -> float:
    """Hours of cutting the wood for so many frames of boards alike."""
    return paces.hours("cuts_h", sum(each.count for each in framed.pieces) * count)


def fastening_hours(framed: BuiltFrame, count: int, paces: Paces) -> float:
    """Hours of putting so many frames of boards alike together."""
    screws = sum(each.count for each in fixings_of(framed).screws)
    return (paces.hours("screws_h", screws) + COURSE_H * framed.course_count) * count


def _of_boards(worked: WorkedBed, framed: BuiltFrame, site: Site) -> Iterator[Step]:
    bed, system = worked.bed, worked.system
    pieces = sum(each.count for each in framed.pieces) * bed.count
    holds = fixings_of(framed)
    yield Step(
        step_key(bed.key, "cut"),
        bed.key,
        "cut",
        "frame",
        title=f"Cut the wood for {bed.title}: {pieces} pieces",
        why="Cut together, boards waste least, and pieces that should be alike are.",
        done_when="Each piece is marked with its length; those alike lie flush at both ends.",
        work="cutting",
        usual_hours=cutting_hours(framed, bed.count, site.paces),
        tools=(SAW, TAPE, SQUARE, CLAMPS, MARKER),
        gear=(GLASSES, EARS, GLOVES),
        cautions=(SAWING, *_dust_of(framed)),
        lines=_cut_list(framed, bed.count, system),
        materials=_wood(framed, bed.count, system),
        uses=frozenset(each.material for each in framed.pieces),
    )
    if framed.posts and framed.post_depth_m > 0:
        yield _posts(worked, framed, site)
    pilots = f"Pre-drill at {show_sawn(holds.pilot_m, system)}: ends split without." if holds.pilot_m else ""
    yield Step(
        step_key(bed.key, "assemble"),
        bed.key,
        "assemble",
        "frame",
        title=f"Put the frame of {bed.title} together",
        why="A box that isn't square twists, and its boards don't meet.",
        done_when=f"Both diagonals are the same within {show_sawn(SQUARE_M, system)}{_diagonal(framed, system)}.",
        hold=f"Are both diagonals the same within {show_sawn(SQUARE_M, system)}? Note both.",
        work="fastening",
        usual_hours=fastening_hours(framed, bed.count, site.paces),
        people=2 if framed.mass_kg > HEAVY_KG else 1,
        tools=(DRILL, SQUARE, TAPE, CLAMPS),
        gear=(GLASSES,),
        lines=tuple(
            filter(
                None,
                (
                    "On a flat place: drive or patio, not the lawn.",
                    pilots,
                    "Lay the lowest course, square it, tack a batten across a corner, then go up.",
                ),
            )
        ),
        uses=frozenset(each.ware for each in holds.screws),
    )


def _diagonal(framed: BuiltFrame, system: System) -> str:
    """How long the diagonals of a right-angled box are, in words."""
    outside = framed.vessel.outside
    if not isinstance(outside, Rectangle):
        return ""
    return f", {show_length(math.hypot(outside.length_m, outside.width_m), system)}"


def _dust_of(framed: BuiltFrame) -> tuple[str, ...]:
    if not framed.timber.treated:
        return ()
    return (f"Dust of treated wood: mask, outdoors, wash hands; never burn the offcuts. {DEFER}",)


def _cut_list(framed: BuiltFrame, count: int, system: System) -> tuple[str, ...]:
    return tuple(f"{each.count * count} of {show_sawn(each.length_m, system)} ({each.part})" for each in framed.pieces)


def _wood(framed: BuiltFrame, count: int, system: System) -> tuple[str, ...]:
    sums: dict[tuple[str, float, float], float] = {}
    for each in framed.pieces:
        key = (each.material, each.thickness_m, each.width_m)
        sums[key] = sums.get(key, 0.0) + each.count * count * each.length_m
    return tuple(
        f"{show_length(long_m, system)} of {TIMBER[wood].name.lower()}, "
        f"{show_sawn(thick_m, system)} by {show_sawn(wide_m, system)}"
        for (wood, thick_m, wide_m), long_m in sums.items()
    )


def _posts(worked: WorkedBed, framed: BuiltFrame, site: Site) -> Step:
    bed, system = worked.bed, worked.system
    posts = framed.posts * bed.count
    poured = framed.concrete_m3 > 0
    holds = fixings_of(framed)
    bags = f"{holds.concrete_bags * bed.count} bags of concrete"
    return Step(
        step_key(bed.key, "posts"),
        bed.key,
        "posts",
        "frame",
        title=f"Set {posts} posts for {bed.title}, {show_length(framed.post_depth_m, system)} deep",
        why="A leaning post pulls the boards out of line, and concrete doesn't forgive.",
        done_when="Every post stands plumb both ways, in line, and at its height.",
        hold="Is every post plumb both ways and in line? Note the worst.",
        work="digging",
        usual_hours=POST_H * posts * site.paces.harder_ground,
        tools=("post spade", LEVEL, TAPE, SPADE),
        gear=(GLOVES, GLASSES, MASK) if poured else (GLOVES,),
        cautions=(WET_CEMENT,) if poured else (),
        materials=(bags,) if poured else (),
        lines=(
            "First one corner post; the board held to it finds the next, and so round.",
            "A hand of gravel below each, so that its foot drains.",
        ),
        wait_days=CONCRETE_DAYS if poured else 0,
        wait_for="concrete to set" if poured else "",
        gates=("frost",) if poured else (),
        uses=frozenset(["concrete_bag"]) if poured else frozenset(),
    )


def _set(worked: WorkedBed, framed: BuiltFrame) -> Step:
    bed, system = worked.bed, worked.system
    heavy = framed.mass_kg > HEAVY_KG
    lined = worked.water is not None
    within = f"{show_sawn(A_METRE_M, system)} a metre" if lined else f"{show_sawn(ACROSS_M, system)} across"
    there = "on its legs" if worked.legs else "in its place"
    return Step(
        step_key(bed.key, "set"),
        bed.key,
        "set",
        "frame",
        title=f"Set {bed.title} {there} and level it",
        why="Filled it can't be moved any more: stand back and look before anything goes in.",
        done_when=f"Level within {within} both ways, it doesn't rock, and it stands where you want it.",
        hold=f"Level within {within}, doesn't rock, right place? Note how far it is out.",
        work="fastening",
        usual_hours=SET_H * bed.count,
        people=2 if heavy else 1,
        tools=(LEVEL, STRAIGHTEDGE, SPADE),
        cautions=(lifting_caution(framed.mass_kg, f"The frame of {bed.title}", system),) if heavy else (),
        lines=("Fill in and tread soil along its foot outside, so that nothing washes out.",)
        if needs_level(worked)
        else ("Shim every leg or edge that is off; none may hang.",),
    )


def _in_place(worked: WorkedBed) -> Step:
    """A vessel that isn't built here is set where it stays."""
    bed, system = worked.bed, worked.system
    full_kg = worked.mass_saturated_kg
    closed = bed.shape.kind in CLOSED_BELOW
    return Step(
        step_key(bed.key, "place"),
        bed.key,
        "place",
        "frame",
        title=f"Set {bed.title} in place" if closed else f"Set up {bed.title} and level it",
        why=f"Full and wet it weighs about {show_mass(full_kg, system)}: it isn't moved again.",
        done_when="It stands level, doesn't rock, "
        + ("and its drain holes are clear of the floor." if closed else "and where you want it."),
        hold="Level, steady, right place? Note how far it is out.",
        work="fastening",
        usual_hours=(SET_H / 2 if closed else KIT_H) * bed.count,
        tools=(LEVEL, TAPE),
        lines=("Feet or tiles under a tub let it drain.",)
        if closed
        else ("Its frame isn't entered: Frame says what to cut, and how long that takes.",),
    )


def _lined(worked: WorkedBed, framed: BuiltFrame, site: Site) -> Step:
    bed, system = worked.bed, worked.system
    lining = framed.lining
    area_m2 = (lining.sheet_area_m2 if lining else 0.0) * bed.count
    return Step(
        step_key(bed.key, "line"),
        bed.key,
        "line",
        "frame",
        title=f"Line the walls of {bed.title}: {show_area(area_m2, system)}",
        why="Wet soil against bare wood rots it first where it can't be seen.",
        done_when="It hangs without folds from under the rim to the floor, fastened only near the top.",
        work="sheets",
        usual_hours=site.paces.hours("sheet_m2_h", area_m2),
        tools=("stapler", "knife"),
        uses=frozenset([lining.material.key]) if lining else frozenset(),
    )
