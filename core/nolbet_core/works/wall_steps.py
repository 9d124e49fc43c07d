"""A bed's steps on a wall that isn't of boards: bricks, dry stone, logs, metal, hurdles, a faced mound."""

from __future__ import annotations

from nolbet_core.built.frame import BuiltFrame
from nolbet_core.built.worked import WorkedBed
from nolbet_core.plan.bed import Faced
from nolbet_core.quantities.writing import show_area, show_length
from nolbet_core.works.site import Site
from nolbet_core.works.step import Step, step_key
from nolbet_core.works.texts import DEFER, DRILL, GLASSES, GLOVES, LEVEL, MASK, TROWEL, WET_CEMENT

UNIT_H = 0.25
"""Setting one panel, pallet, log or stake [h] (estimate)."""
RODS_H = 30.0
"""Rods woven in an hour (estimate)."""
KIT_H = 1.5
"""Putting a bought box together [h] (estimate)."""
FACES_H_M = 0.3
"""A metre of a mound's facing [h] (estimate)."""
ADHESIVE_DAYS = 1
MORTAR_DAYS = 2


def facing(worked: WorkedBed, faced: Faced) -> Step:
    """What holds a mound's sides is set before it is filled behind."""
    bed, system = worked.bed, worked.system
    round_m = worked.vessel.outside.perimeter_m
    return Step(
        step_key(bed.key, "wall"),
        bed.key,
        "wall",
        "frame",
        title=f"Face the sides of {bed.title} with {faced.material}: {show_length(round_m, system)} round",
        why="Soil steeper than it lies by itself slides with the first hard rain.",
        done_when="It leans in at its angle all round, and nothing gives when pushed from behind.",
        hold="Does it lean in all round, and does nothing give? Note what did.",
        work="fastening",
        usual_hours=FACES_H_M * round_m * bed.count,
        people=2,
        tools=("mallet", LEVEL, DRILL),
        gear=(GLOVES, GLASSES),
        lines=("Facing and fill rise together: fill up behind it and tread, a hand at a time.",),
    )


def of_units(worked: WorkedBed, framed: BuiltFrame, site: Site) -> Step:
    """The step that lays a wall of bricks, blocks or panels."""
    bed, system = worked.bed, worked.system
    wall = framed.unit_wall
    bricks = sum(framed.units.values()) * bed.count
    mortar = wall is not None and wall.mortar_m3 > 0
    return Step(
        step_key(bed.key, "wall"),
        bed.key,
        "wall",
        "frame",
        title=f"Lay the wall of {bed.title}: {bricks} pieces in {framed.course_count} courses",
        why="The first course decides: what is out there is out all the way up.",
        done_when="Every course is level and in line, joints don't stand over one another, nothing rocks.",
        hold="Does nothing rock, and is each course level? Note the worst.",
        work="walling",
        usual_hours=site.paces.hours("bricks_mortar_h" if mortar else "bricks_glued_h", bricks),
        tools=(TROWEL, LEVEL, "line", "rubber mallet"),
        gear=(GLOVES, GLASSES, MASK),
        cautions=(WET_CEMENT,) if mortar else (f"Stone dust when cutting: wet, mask, eye protection. {DEFER}",),
        lines=(
            "Hidden courses take the broken ones.",
            *_rising(worked),
            f"It gets {show_length(framed.height_m, system)} high.",
        ),
        wait_days=MORTAR_DAYS if mortar else ADHESIVE_DAYS,
        wait_for="mortar to set" if mortar else "adhesive to set, 24 h",
        gates=("frost",) if mortar else ("wet",),
        uses=frozenset(framed.units),
    )


def _rising(worked: WorkedBed) -> tuple[str, ...]:
    """A spiral's wall has nothing to stand against but its fill."""
    if worked.vessel.form != "spiral":
        return ()
    return ("Wall and fill rise together: core and mix go up behind each course, tamped along the wall.",)


def of_stone(worked: WorkedBed, framed: BuiltFrame, site: Site) -> Step:
    """The step that builds a dry wall."""
    bed, system = worked.bed, worked.system
    face_m2 = framed.stone_face_m2 * bed.count
    return Step(
        step_key(bed.key, "wall"),
        bed.key,
        "wall",
        "frame",
        title=f"Build the dry wall of {bed.title}: {show_area(face_m2, system)} of face",
        why="Only its own weight and the packing behind hold it.",
        done_when="No stone moves under a foot; it leans in, long stones go through, gaps behind are packed.",
        hold="Does no stone move under your foot? Nobody steps on it before. Note what moved.",
        work="walling",
        usual_hours=site.paces.hours("dry_stone_m2_h", face_m2),
        people=2,
        tools=("line", "mallet", LEVEL),
        gear=(GLOVES, GLASSES, "strong shoes"),
        cautions=(f"Stones over 20 kg take two; keep fingers clear, children off. {DEFER}",),
        lines=(
            "Wall and fill rise together: after each course fill up behind it and tamp.",
            "Largest stones lowest, joints broken, small leftovers inside.",
        ),
        uses=frozenset(["walling_stone"]),
    )


def of_others(worked: WorkedBed, framed: BuiltFrame) -> Step:
    """The step that builds any other wall, or puts a bought box together."""
    bed = worked.bed
    units = sum(framed.units.values()) * bed.count
    kind = framed.frame.kind
    hours = KIT_H * bed.count if kind == "bought" else units / RODS_H if kind == "hurdle" else UNIT_H * max(units, 1)
    what = {"sheet": "metal wall", "logs": "log wall", "pallets": "pallet wall", "hurdle": "hurdle"}.get(kind, "box")
    return Step(
        step_key(bed.key, "wall"),
        bed.key,
        "wall",
        "frame",
        title=f"Build the {what} of {bed.title}" + (f": {units} pieces" if units else ""),
        why="Once it is filled, earth pushes on it from inside every day.",
        done_when="It stands plumb, nothing rocks, every stake or joint holds against a push.",
        hold="Does nothing rock or give when you push from inside? Note what did.",
        work="fastening",
        usual_hours=hours,
        tools=("mallet", LEVEL, DRILL),
        gear=(GLOVES, GLASSES),
        cautions=(f"Cut edges of sheet metal are sharp: thick gloves, rubber edging. {DEFER}",)
        if kind == "sheet"
        else (),
        uses=frozenset(framed.units),
    )
