"""A bed's steps on the ground: set out, grass, digging, and level, before anything is built there."""

from __future__ import annotations

from collections.abc import Iterator

from nolbet_core.built.worked import CLOSED_BELOW, WorkedBed
from nolbet_core.plan.works import GroundKind
from nolbet_core.quantities.writing import show_area, show_bulk_volume, show_length, show_sawn
from nolbet_core.works.site import Site
from nolbet_core.works.step import Step, step_key
from nolbet_core.works.texts import (
    DEFER,
    FORK,
    GLOVES,
    HOSE,
    LEVEL,
    PEGS,
    RAKE,
    SPADE,
    STRAIGHTEDGE,
    TAPE,
    trench_caution,
)

SET_OUT_H = 0.4
"""Setting out one bed with pegs and two tapes [h] (estimate)."""
LEVELS_M2_H = 6.0
"""Ground raked and tamped level in an hour [m2] (estimate)."""
TRIMS_M2_H = 40.0
"""Grass cut short or weeds trimmed in an hour [m2] (estimate)."""
TURF_M = 0.050
"""How thick turf is stripped [m]."""
TURNS_M2_H = 5.0
"""Turf cut or turned by hand in an hour [m2] (estimate)."""
SPADE_M = 0.25
"""How deep a spade goes, where a bed is dug over and nothing else is said [m]."""
SQUARE_OUT_M = 0.010
ACROSS_M = 0.010
A_METRE_M = 0.003
DIGGING_ON = ("compacted",)
OFF_GROUND = ("deck", "balcony", "roof", "paving")


def on_soil(worked: WorkedBed) -> bool:
    """Whether it stands in or on ground that can be dug and levelled."""
    stand = worked.bed.stand
    return worked.legs is None and (stand is None or stand.on not in OFF_GROUND)


def opens_ground(worked: WorkedBed) -> bool:
    """Whether the ground is opened deeper than turf, so that buried services have to be marked first."""
    framed = worked.framed
    posts = framed is not None and framed.posts > 0 and framed.post_depth_m > 0
    return worked.is_dug or bool(worked.bed.dug_m) or worked.bed.school == "dug_bed" or posts


def needs_level(worked: WorkedBed) -> bool:
    """Whether the ground under it has to be level: of all with walls."""
    return worked.vessel.form == "vessel" and on_soil(worked) and worked.bed.shape.kind not in CLOSED_BELOW


def ground_steps(worked: WorkedBed, site: Site) -> Iterator[Step]:
    """Steps on the ground of a bed and those alike, in their order."""
    if on_soil(worked) and worked.bed.shape.kind not in CLOSED_BELOW:
        yield _set_out(worked)
    yield from _turf(worked)
    yield from _dug(worked, site)
    if needs_level(worked):
        yield _level(worked)


def _set_out(worked: WorkedBed) -> Step:
    bed, system = worked.bed, worked.system
    size = (
        f"{show_length(worked.vessel.outside.length_m, system)} by {show_length(worked.vessel.outside.width_m, system)}"
    )
    within = show_sawn(SQUARE_OUT_M, system)
    return Step(
        step_key(bed.key, "set_out"),
        bed.key,
        "set_out",
        "ground",
        title=f"Set out {bed.title}: {size} outside",
        why="Moving a peg takes a minute, moving a filled bed a weekend.",
        done_when=f"Pegs stand at its corners, both diagonals the same within {within}, aisles as wide as planned.",
        work="care",
        usual_hours=SET_OUT_H * bed.count,
        tools=(TAPE, PEGS),
        lines=("Measure from two fixed points; the plot's setting-out list has both distances to each corner.",),
    )


def _turf(worked: WorkedBed) -> Iterator[Step]:
    bed, system = worked.bed, worked.system
    on_grass = bed.stand is None or bed.stand.on in ("lawn", "bare_soil")
    if not on_grass or not on_soil(worked) or worked.is_dug or bed.shape.kind in CLOSED_BELOW:
        return
    area_m2 = bed.count * worked.vessel.footprint_m2
    where = show_area(area_m2, system)
    key = step_key(bed.key, "turf")
    if bed.turf in ("stripped", "turned"):
        verb = "Strip" if bed.turf == "stripped" else "Turn"
        whither = "Stack it grass to grass, or keep it for the fill." if verb == "Strip" else "Grass side down."
        yield Step(
            key,
            bed.key,
            "turf",
            "ground",
            title=f"{verb} the turf under {bed.title}: {where}",
            why="Grass left in the light grows up through the fill at its edge.",
            done_when=f"No green shows inside the pegs, cut {show_length(TURF_M, system)} thick.",
            work="digging",
            usual_hours=area_m2 / TURNS_M2_H,
            tools=(SPADE,),
            gear=(GLOVES,),
            lines=(whither,),
        )
        return
    yield Step(
        key,
        bed.key,
        "turf",
        "ground",
        title=f"Cut the grass and weeds short under {bed.title}, and wet them: {where}",
        why="Short and wet it rots under the cover; tall and dry it props the cover up and grows on.",
        done_when="Cut to the ground, cuttings left lying, the soil dark and wet a finger deep.",
        work="care",
        usual_hours=area_m2 / TRIMS_M2_H + 0.1,
        tools=("mower or shears", HOSE),
        gear=(GLOVES,),
    )


def _dug(worked: WorkedBed, site: Site) -> Iterator[Step]:
    bed, system = worked.bed, worked.system
    hard = bed.stand is not None and bed.stand.on in DIGGING_ON
    dug_m = bed.dug_m or (SPADE_M if bed.school == "dug_bed" else 0.0)
    if not worked.is_dug and not dug_m:
        return
    if hard or site.paces.ground == "clay":
        yield Step(
            step_key(bed.key, "water_ground"),
            bed.key,
            "water_ground",
            "ground",
            title=f"Water the ground where {bed.title} is dug, the day before",
            why="Hard dry ground takes twice as long to dig, and breaks up in clods.",
            done_when="A spade goes in by its own weight and a foot on it.",
            work="care",
            usual_hours=0.25,
            tools=(HOSE,),
            wait_days=1,
            wait_for="water to soak in overnight",
        )
    ground: GroundKind | None = "clay" if hard and site.paces.ground == "loam" else None
    if worked.is_dug:
        volume_m3 = bed.count * worked.vessel.hollow.volume_between(0.0, worked.vessel.hollow.rim_m)
        depth = show_length(worked.vessel.hollow.rim_m, system)
        yield Step(
            step_key(bed.key, "dig"),
            bed.key,
            "dig",
            "ground",
            title=f"Dig {bed.title}: {depth} deep, {show_bulk_volume(volume_m3, system)} as it lies",
            why="What comes out is the soil that goes on top: keep it apart from the subsoil.",
            done_when=f"{depth} deep all along, the floor loose and not smeared.",
            work="digging",
            usual_hours=site.paces.digging(volume_m3, ground=ground),
            people=2,
            tools=(SPADE, "pick", TAPE),
            gear=(GLOVES, "strong shoes"),
            cautions=(trench_caution(system),),
            gates=("frozen",),
            lines=("Topsoil to one side, subsoil to the other, both a pace back from the edge.",),
        )
    if dug_m:
        volume_m3 = bed.count * worked.vessel.footprint_m2 * dug_m
        blended = ""
        if bed.blended_m:
            blended = f"Fork the lowest {show_length(bed.blended_m, system)} of fill into it, half and half."
        yield Step(
            step_key(bed.key, "loosen"),
            bed.key,
            "loosen",
            "ground",
            title=f"Loosen the ground under {bed.title}, {show_length(dug_m, system)} deep",
            why="Water and roots stop where loose fill meets a hard plane.",
            done_when="The fork goes in to its depth without a foot on it; nobody walks there again.",
            work="digging",
            usual_hours=site.paces.digging(volume_m3, ground=ground),
            tools=(FORK,),
            lines=tuple(filter(None, (blended,))),
            gates=("frozen",),
        )


def _level(worked: WorkedBed) -> Step:
    bed, system = worked.bed, worked.system
    across, a_metre = show_sawn(ACROSS_M, system), show_sawn(A_METRE_M, system)
    lined = worked.water is not None
    judged = f"level within {a_metre} a metre both ways" if lined else f"level within {across} from side to side"
    area_m2 = bed.count * worked.vessel.footprint_m2
    return Step(
        step_key(bed.key, "level"),
        bed.key,
        "level",
        "ground",
        title=f"Level the ground under {bed.title}",
        why="A reservoir out of level holds less and drowns one end."
        if lined
        else "A box on a slope opens at its low corner, and water runs out there.",
        done_when=f"A straight board across it shows {judged}, and it doesn't give underfoot.",
        hold=f"Is it {judged}? Note how far it is out.",
        work="digging",
        usual_hours=area_m2 / LEVELS_M2_H + 0.25 * bed.count,
        tools=(RAKE, SPADE, STRAIGHTEDGE, LEVEL),
        lines=("Cut the high side down, don't build up the low one: filled ground sinks.",),
        gates=("frozen",),
        cautions=(f"Level by hand near marked services. {DEFER}",) if opens_ground(worked) else (),
    )
