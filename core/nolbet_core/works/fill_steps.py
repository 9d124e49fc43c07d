"""A bed's steps of filling, bottom to top: at the pile, with the mark on the wall, barrows, meals and water."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence

from nolbet_core.built.thirst import soaking_water
from nolbet_core.built.worked import WorkedBed
from nolbet_core.haul.bags import COMMON_BAG_M3, is_bagged
from nolbet_core.haul.offers import bags_for
from nolbet_core.quantities.units import HANDFUL_M3, System
from nolbet_core.quantities.writing import (
    show_area,
    show_bulk_volume,
    show_dose,
    show_length,
    show_mass,
    show_volume,
    show_water,
    trimmed,
)
from nolbet_core.shelf.material import Material
from nolbet_core.stack.layers import Bulk, Sheet, Standing, materials_in
from nolbet_core.stack.zone import mulch_begins
from nolbet_core.works.site import Site
from nolbet_core.works.step import Gate, Step, StepKind, step_key
from nolbet_core.works.texts import (
    BARROW,
    HEAVY_KG,
    HOSE,
    KNIFE,
    RAKE,
    SHOVEL,
    cautions_for,
    gear_for,
    lifting_caution,
)

LOG_H_M3 = 1.5
"""Placing logs and branches, fitted and trodden, in hours a cubic metre (estimate)."""
SPREAD_M2_H = 30.0
"""Raking out and treading one lift [m2 an hour] (estimate)."""
LEAST_LAYER_H = 0.1
BURIED_H = 0.3
"""Setting one buried pipe, pot, basket or post [h] (estimate)."""
A_LIFT_M = 0.15
"""Fill is tamped in lifts of up to so much [m]."""
LOG_KG = 25.0
"""What a log of usual size weighs, moist [kg] (20 cm across, 1 m long)."""
TO_THE_RIM = "Up to the rim"
CAN_L = 10.0
MOST_BY_CAN_L = 60.0
LEAST_WATER_L = 5.0
FITTED = frozenset({"branches", "brush"})
ABRUPT = ("soil",)


def layer_key(bed: str, index: int) -> str:
    """Key of the step that lays a layer, by its place from the bottom, 0 for the lowest."""
    return step_key(bed, "layer", index)


def fill_steps(worked: WorkedBed, site: Site) -> Iterator[Step]:
    """A step for each layer under the mulch, bottom to top, and before the first of a mix one that mixes it."""
    layers = worked.filled.layers
    mixed: set[str] = set()
    if worked.bed.buried:
        yield _buried(worked)
    for index, layer in enumerate(layers[: mulch_begins(layers)]):
        material = layer.material
        if material.parts and material.key not in mixed and not site.loads_with([material.key]):
            mixed.add(material.key)
            yield _mixing(worked, index, [each for each in layers if each.material.key == material.key], site)
        yield laying(worked, index, layer, site)


def _buried(worked: WorkedBed) -> Step:
    """The step that sets what is buried in a bed: soak pipes, pots, baskets, posts."""
    bed, system = worked.bed, worked.system
    count = sum(each.count for each in bed.buried) * bed.count
    pipes = [each for each in bed.buried if each.kind == "pipe"]
    lines = [
        f"{each.count} {each.kind}{'s' if each.count > 1 else ''}, "
        f"{show_length(each.bottom_m, system)} above the floor"
        + (", wrapped so that no soil gets in" if each.wrap else "")
        for each in bed.buried
    ]
    return Step(
        step_key(bed.key, "buried"),
        bed.key,
        "buried",
        "fill",
        title=f"Set what is buried in {bed.title}: {count} in all",
        why="Once the fill stands round it, it is found again only with a spade.",
        done_when="Pipes fall the way the water goes, ends are closed, all stands where the plan says.",
        work="fastening",
        usual_hours=BURIED_H * count,
        tools=(KNIFE, "spirit level"),
        lines=tuple(lines),
        cautions=("Try the pipe with a can of water before it is covered.",) if pipes else (),
        uses=frozenset(each.key for each in (wrap.material for wrap in worked.wraps)),
        layer_after=0 if worked.filled.layers else None,
    )


def _mixing(worked: WorkedBed, first: int, layers: Sequence[Standing], site: Site) -> Step:
    """The step that mixes the gardener's own mix for some layers. first: the lowest of them."""
    bed, system, material = worked.bed, worked.system, layers[0].material
    loose_m3 = sum(each.loose_m3 for each in layers) * bed.count
    parts = [each.material for each in material.parts]
    return Step(
        step_key(bed.key, "mix", material.key),
        bed.key,
        "mix",
        "fill",
        title=f"Mix {show_volume(loose_m3, system)} of {material.name.lower()} for {bed.title}",
        why="Streaks of one part in a bed dry, sour or starve by themselves.",
        done_when="One colour all through, damp enough to hold in the fist, crumbling when pushed.",
        work="mixing",
        usual_hours=site.paces.hours("mix_m3_h", loose_m3),
        tools=(SHOVEL, "tarpaulin", HOSE),
        gear=gear_for(parts),
        cautions=cautions_for(parts),
        materials=tuple(
            f"{show_volume(loose_m3 * each.volume_share, system)} of {each.material.name.lower()}"
            for each in material.parts
        ),
        lines=("In layers on a tarpaulin, turned over twice, damped as it is turned; Blend has it by the barrow.",),
        uses=frozenset(each.key for each in parts),
        layer_after=first,
    )


def mulch_steps(worked: WorkedBed, site: Site) -> Iterator[Step]:
    """A step for each layer of mulch on the topmost soil."""
    layers = worked.filled.layers
    begins = mulch_begins(layers)
    for index, layer in enumerate(layers[begins:], start=begins):
        yield laying(worked, index, layer, site)


def laying(worked: WorkedBed, index: int, layer: Standing, site: Site) -> Step:
    """The step that lays one layer."""
    if isinstance(layer.asked, Sheet):
        return _sheet(worked, index, layer, layer.asked, site)
    return _bulk(worked, index, layer, layer.asked, site)


def _sheet(worked: WorkedBed, index: int, layer: Standing, sheet: Sheet, site: Site) -> Step:
    bed, system = worked.bed, worked.system
    area_m2 = layer.sheet_area_m2 * bed.count
    rots = "rots" in layer.material.traits
    plies = f" in {sheet.plies} plies" if sheet.plies > 1 else ""
    pieces = f", {layer.pieces * bed.count} pieces" if layer.pieces else ""
    lines = [f"Neighbours overlap by {show_length(sheet.lap_m, system)} or more, joints of the plies apart."]
    if rots:
        lines = ["Tape, staples and glossy print come off first.", *lines,
                 "Soak it in a tub or on the ground first: dry card sheds water for months."]  # fmt: skip
    if sheet.up_sides_m:
        lines.append(f"Up the walls by {show_length(sheet.up_sides_m, system)}.")
    if sheet.skirt_m:
        lines.append(f"Out past the edge by {show_length(sheet.skirt_m, system)}.")
    gates: tuple[Gate, ...] = ("wind",) if rots else ()
    return Step(
        layer_key(bed.key, index),
        bed.key,
        "sheet",
        "fill",
        title=f"Lay {layer.material.name.lower()}{plies} in {bed.title}: {show_area(area_m2, system)}{pieces}",
        why="Weeds find every gap, and what is laid on a dry sheet stays dry."
        if rots
        else "It keeps what lies over it apart from what lies below.",
        done_when="No ground shows anywhere, and it is wet through." if rots else "It lies flat, no gap at the edge.",
        work="sheets",
        usual_hours=max(site.paces.hours("sheet_m2_h", area_m2), LEAST_LAYER_H),
        tools=(KNIFE, HOSE) if rots else (KNIFE,),
        gear=gear_for([layer.material]),
        lines=tuple(lines),
        cautions=("On a windy day two people: one lays, one wets and weighs down.",) if rots else (),
        materials=(f"{show_area(area_m2, system)} of {layer.material.name.lower()}",),
        layer=index,
        gates=gates,
        uses=frozenset(each.key for each in materials_in(layer)),
    )


def _bulk(worked: WorkedBed, index: int, layer: Standing, asked: Bulk, site: Site) -> Step:
    bed, system, material = worked.bed, worked.system, layer.material
    logs = _in_pieces(material)
    hours, barrows = site.carrying(material, layer.loose_m3 * bed.count, bed.key)
    infill = asked.infill
    if infill is not None:
        more_h, more = site.carrying(infill.material, layer.infill_loose_m3 * bed.count, bed.key)
        hours, barrows = hours + more_h, barrows + more
    if logs:
        hours = max(hours, LOG_H_M3 * layer.placed_m3 * bed.count)
    lifts = max(asked.lifts, 1)
    area_m2 = worked.vessel.top_area_m2 * bed.count
    hours += lifts * area_m2 / SPREAD_M2_H
    kind: StepKind = "mulch" if index >= mulch_begins(worked.filled.layers) else "layer"
    mark = _mark(worked, layer)
    thick = show_length(layer.thickness_m, system)
    heavy = "logs" in material.traits
    return Step(
        layer_key(bed.key, index),
        bed.key,
        kind,
        "after" if kind == "mulch" else "fill",
        title=f"Lay {thick} of {material.name.lower()} in {bed.title}",
        why=_why(worked, index, material),
        done_when=_done_when(logs, thick, mark),
        work="moving",
        usual_hours=max(hours, LEAST_LAYER_H),
        people=2 if heavy else 1,
        barrows=barrows,
        tools=(SHOVEL, BARROW, RAKE, HOSE),
        gear=gear_for(materials_in(layer)),
        cautions=(*cautions_for(materials_in(layer)), *_logs_heavy(heavy, system)),
        materials=tuple(_amounts(layer, bed.count, system)),
        lines=tuple(_lines(worked, index, layer, asked, mark)),
        layer=index,
        mark=mark,
        uses=frozenset(each.key for each in materials_in(layer)),
    )


def _in_pieces(material: Material) -> bool:
    """Whether it comes in pieces that are fitted by hand: logs, branches, brush."""
    return "logs" in material.traits or (material.like or material.key) in FITTED


def _done_when(wood: bool, thick: str, mark: str) -> str:
    how = "Nothing rocks underfoot" if wood else "Raked level"
    where = mark[:1].lower() + mark[1:] if mark else f"{thick} deep all over"
    return f"{how}, {where}, wet through."


def _logs_heavy(heavy: bool, system: System) -> tuple[str, ...]:
    return (lifting_caution(max(LOG_KG, HEAVY_KG), "A log", system),) if heavy else ()


def _mark(worked: WorkedBed, layer: Standing) -> str:
    """Where its top stands on the wall, in words; of what has no wall nothing."""
    if worked.vessel.form not in ("vessel", "trench"):
        return ""
    below_m = worked.vessel.hollow.rim_m - layer.top_m
    if below_m < 0.005:
        return TO_THE_RIM
    return f"{show_length(below_m, worked.system)} below the rim"


def _why(worked: WorkedBed, index: int, material: Material) -> str:
    if index >= mulch_begins(worked.filled.layers):
        return "Bare soil dries, crusts and washes; a cover feeds it as it rots."
    if "logs" in material.traits or material.group == "wood":
        return "Gaps left now are where the bed drops later: soil runs down into them."
    if material.group == "mineral":
        return "It has to drain for as long as the bed stands."
    if index == mulch_begins(worked.filled.layers) - 1:
        return "This is what is sown in: even, fine, and as deep as it is meant to be."
    return "Dry fill stays dry inside: each layer is wetted before the next one covers it."


def _volume(loose_m3: float, material: Material, system: System) -> str:
    """A loose volume, and whole bags of the common size where it is sold so."""
    much = show_bulk_volume(loose_m3, system)
    if not is_bagged(material):
        return much
    size_m3 = COMMON_BAG_M3[system]
    bags = bags_for(loose_m3, size_m3)
    of = "1.5 cu ft" if system is System.FT_IN else "40 L"
    return f"{much} ({bags} {'bag' if bags == 1 else 'bags'} of {of})"


def _amounts(layer: Standing, count: int, system: System) -> Iterator[str]:
    yield f"{_volume(layer.loose_m3 * count, layer.material, system)} of {layer.material.name.lower()}, loose"
    if isinstance(layer.asked, Bulk) and layer.asked.infill is not None and layer.infill_loose_m3 > 0:
        fines = layer.asked.infill.material.name.lower()
        much = _volume(layer.infill_loose_m3 * count, layer.asked.infill.material, system)
        yield f"{much} of {fines} for the gaps, loose"
    for fed in layer.asked.scattered:
        yield f"{show_mass(fed.mass_kg * count, system)} of {fed.material.name.lower()}"


def _lines(worked: WorkedBed, index: int, layer: Standing, asked: Bulk, mark: str) -> Iterator[str]:
    """What is done at the pile, one thing after the other; of one bed, where several are alike."""
    system, material, lifts = worked.system, layer.material, max(asked.lifts, 1)
    each = " in each" if worked.bed.count > 1 else ""
    if mark:
        yield f"{mark}." if mark == TO_THE_RIM else f"Mark the side {mark}: that is its top."
    if index == 0 and material.group in ABRUPT and worked.open_below:
        yield "Scratch the ground below and mix the first of it in, so that no plane lies between."
    if _in_pieces(material):
        yield "Largest lowest, fitted close; step on each: what rocks is turned until it lies."
    elif material.group == "wood" and index < mulch_begins(worked.filled.layers):
        if worked.bed.school == "soaked_chips":
            yield "Soak them for a day in tubs first: dry ones float, and take weeks to wet through."
        yield "Trodden down all over, close along the wall, until it no longer gives."
    if asked.infill is not None and layer.infill_loose_m3 > 0:
        yield (
            f"Work {show_volume(layer.infill_loose_m3, system)} of {asked.infill.material.name.lower()} into its gaps"
            f"{each}, shaken and washed down with the hose until they take no more."
        )
    tamped = lifts if lifts > 1 else 0
    if not tamped and material.group == "soil" and layer.thickness_m > A_LIFT_M:
        lift = show_length(A_LIFT_M, system)
        yield f"In lifts of {lift}, each raked, trodden lightly and watered; close along the wall."
    if tamped:
        yield (
            f"In {lifts} lifts of {show_length(layer.thickness_m / lifts, system)}, "
            f"{show_volume(layer.loose_m3 / lifts, system)} loose{each}."
        )
    for fed in asked.scattered:
        lift_kg = fed.mass_kg / lifts
        hands = lift_kg / (worked.around.handful_kg or HANDFUL_M3 * fed.material.bulk_density_kg_m3)
        per = " a lift" if lifts > 1 else ""
        yield (
            f"{show_dose(lift_kg, system)} of {fed.material.name.lower()}{per}{each}: {trimmed(hands, 1)} handfuls, "
            "scattered evenly and watered in."
        )
    water_l = soaking_water(layer)
    if water_l >= LEAST_WATER_L and material.group != "mineral":
        cans = f", {trimmed(math.ceil(water_l / CAN_L), 0)} watering cans" if water_l < MOST_BY_CAN_L else ""
        yield f"Wet it through: about {show_water(water_l / 1000, system)}{each}{cans}."
