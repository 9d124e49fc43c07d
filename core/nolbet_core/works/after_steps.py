"""A bed's steps once it is filled: soaked, settled, waited for, planted, mulched, tried, labelled."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from datetime import date

from nolbet_core.built.thirst import soaking_water
from nolbet_core.built.worked import WorkedBed
from nolbet_core.climate.year import Year, first_spring
from nolbet_core.planting.ready import Readiness, sowing_day
from nolbet_core.quantities.writing import show_length, show_water
from nolbet_core.stack.zone import root_surface
from nolbet_core.works.fill_steps import mulch_steps
from nolbet_core.works.site import Site
from nolbet_core.works.step import Step, following, step_key
from nolbet_core.works.texts import HOSE, RAKE, TAPE, TROWEL

SOAK_H = 0.5
PLANTS_M2_H = 4.0
"""Sown or planted in an hour [m2] (estimate)."""
TOP_UP_M2_H = 10.0
SETTLE_DAYS = 7
LEAST_EMPTY_M = 0.005
COVERED_AT_ONCE_DAYS = 45
"""A fill that waits longer before it is planted is mulched first, so that it doesn't lie bare."""


def after_steps(worked: WorkedBed, site: Site) -> list[Step]:
    """Steps from the last layer on, in their order; of a pit that another bed lies over only that it is full."""
    if not worked.filled.layers:
        return []
    filled = _filled(worked)
    if worked.lies_under is not None:
        return [filled]
    ready = worked.sowing.ready
    waits = list(_waits(worked, ready))
    long = any(each.kind == "winter" or each.wait_days > COVERED_AT_ONCE_DAYS for each in waits)
    mulch = list(mulch_steps(worked, site))
    plant = _plant(worked, site)
    last = [_watered(worked), _label(worked)]
    early = [replace(each, stage="fill") for each in mulch] if long else []
    late = [] if long else mulch
    topped = _topped(worked)
    row = following([*early, filled, _settle(worked), topped])
    waiting = [replace(each, after=(filled.key,)) for each in waits]
    planted = following([plant, *late, *last], (topped.key, *(each.key for each in waiting)))
    return [*row, *waiting, *planted]


def _filled(worked: WorkedBed) -> Step:
    bed, system = worked.bed, worked.system
    soak_m3 = sum(map(soaking_water, worked.filled.layers)) / 1000 * bed.count
    return Step(
        step_key(bed.key, "filled"),
        bed.key,
        "filled",
        "fill",
        title=f"Soak {bed.title} through and step back",
        why="Water carries fines down and shows where it sinks, while there is still soil at the pile.",
        done_when=f"It stands {_under_rim(worked)} after soaking, level."
        if worked.vessel.form == "vessel"
        else "Soaked through, no hollow where water stands.",
        work="care",
        usual_hours=SOAK_H * bed.count,
        tools=(HOSE, RAKE),
        lines=(f"What hasn't been wetted yet takes up to {show_water(soak_m3, system)} in all.",)
        if soak_m3 > 0.001
        else (),
    )


def _under_rim(worked: WorkedBed) -> str:
    """Where the surface that is sown stands, in words: what mulch comes on it later isn't counted."""
    empty_m = worked.vessel.hollow.rim_m - root_surface(worked.filled.layers)
    return f"{show_length(empty_m, worked.system)} under the rim" if empty_m > LEAST_EMPTY_M else "up to the rim"


def _settle(worked: WorkedBed) -> Step:
    bed = worked.bed
    return Step(
        step_key(bed.key, "settle"),
        bed.key,
        "settle",
        "after",
        title=f"Let {bed.title} settle for a week",
        why="What it drops at first shows only now.",
        done_when="A week is over, with rain or two waterings in it.",
        work="care",
        usual_hours=0.0,
        wait_days=SETTLE_DAYS,
        wait_for="the fill to settle for a week",
    )


def _topped(worked: WorkedBed) -> Step:
    bed = worked.bed
    area_m2 = worked.vessel.top_area_m2 * bed.count
    return Step(
        step_key(bed.key, "top_up"),
        bed.key,
        "top_up",
        "after",
        title=f"Top {bed.title} up after its first week",
        why="Fresh fill drops in its first week by what no raking shows.",
        done_when="Raked level again at the height it was filled to; note how far it had dropped.",
        work="moving",
        usual_hours=max(area_m2 / TOP_UP_M2_H, 0.2),
        tools=(RAKE, TAPE),
    )


def _waits(worked: WorkedBed, ready: Readiness) -> Iterator[Step]:
    """What the fill waits for, as steps without work."""
    bed, year = worked.bed, worked.year
    timed = [each for each in ready.waits if each.days]
    if timed:
        longest = max(timed, key=lambda each: each.days or 0)
        yield Step(
            step_key(bed.key, "rest"),
            bed.key,
            "rest",
            "after",
            title=f"Let {bed.title} rot before it is sown",
            why=longest.because[:1].upper() + longest.because[1:] + ".",
            done_when="It smells of soil, and a hand pushed in finds it no warmer than the ground.",
            work="care",
            usual_hours=0.0,
            wait_days=longest.days or 0,
            wait_for=longest.because,
        )
    winter = next((each for each in ready.waits if each.days is None), None)
    if winter is not None:
        yield Step(
            step_key(bed.key, "winter"),
            bed.key,
            "winter",
            "after",
            title=f"Leave {bed.title} through the winter",
            why=winter.because[:1].upper() + winter.because[1:] + ".",
            done_when="The last frost after its first winter is over.",
            work="care",
            usual_hours=0.0,
            release=lambda day: first_spring(day, year),
            wait_for="the winter",
        )


def _plant(worked: WorkedBed, site: Site) -> Step:
    bed, year = worked.bed, worked.year
    ready = worked.sowing.ready
    area_m2 = worked.vessel.top_area_m2 * bed.count
    cautions: tuple[str, ...] = ()
    if ready.harvest_days is not None:
        cautions = (
            f"Raw manure lies in it: harvest {ready.harvest_days_above} days after filling, {ready.harvest_days} "
            "where the crop touches soil (7 CFR 205.203).",
        )
    return Step(
        step_key(bed.key, "plant"),
        bed.key,
        "plant",
        "after",
        title=f"Sow and plant {bed.title}",
        why="From the middle outwards you don't lean on what stands already; stakes go in now, not through roots.",
        done_when="Sown, watered in with a rose, stakes and supports standing.",
        work="planting",
        usual_hours=area_m2 / PLANTS_M2_H,
        tools=(TROWEL, "rose", "stakes"),
        cautions=cautions,
        lines=("Middle first, then the edges.", "Supports first, then the plant beside them."),
        due=site.sow_on.get(bed.key),
        release=lambda day: _open(day, year),
    )


def _open(day: date, year: Year) -> date:
    """The first day on or after one on which hardy crops can be sown."""
    return sowing_day(day, year)


def _watered(worked: WorkedBed) -> Step:
    bed = worked.bed
    lined = worked.water is not None
    return Step(
        step_key(bed.key, "watering"),
        bed.key,
        "watering",
        "after",
        title=f"Fill the reservoir of {bed.title} and try it"
        if lined
        else f"Water {bed.title} and try how it takes it",
        why="Seedlings can't reach the reservoir yet: water from the top for their first weeks."
        if lined
        else "Water that runs off now does so all summer.",
        done_when="The overflow runs at its height, the surface darkens within a day."
        if lined
        else "It soaks in everywhere, nothing runs over the edge.",
        work="care",
        usual_hours=0.25 * bed.count,
        tools=(HOSE,),
    )


def _label(worked: WorkedBed) -> Step:
    bed = worked.bed
    return Step(
        step_key(bed.key, "label"),
        bed.key,
        "label",
        "after",
        title=f"Label {bed.title}, and photograph it",
        why="Next year nobody knows what lies where, and how deep.",
        done_when="Crop, day, and what it is filled with stand on it, and a picture is kept.",
        work="care",
        usual_hours=0.15 * bed.count,
        tools=("labels", "marker"),
    )
