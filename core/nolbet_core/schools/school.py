"""A school of filling as its data file tells it, and the stack it starts a bed with."""

from __future__ import annotations

import json
import re
from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache
from importlib.resources import files
from typing import Any

from nolbet_core.quantities.units import INCH_M, System
from nolbet_core.quantities.writing import show_length

LayerWords = dict[str, Any]
"""A layer in the plan file's words."""

ReservoirWords = dict[str, Any]
"""A reservoir in the plan file's words."""

BY_AREA = "mass_kg_m2"


@dataclass(frozen=True, slots=True)
class SchoolCourse:
    """One layer of a school: its words in the plan file, and how its depth scales.

    share: of the bed's depth. least_m, most_m: between which that stays [m]. fills: takes the rest. drops_under_m: left
    out of beds that are shallower [m]. repeats: laid in turns with the others that do, as often as there is room.
    instead: another material for some shapes.
    """

    words: Mapping[str, Any]
    share: float
    least_m: float
    most_m: float
    fills: bool
    drops_under_m: float
    repeats: bool
    instead: Mapping[str, str]


@dataclass(frozen=True, slots=True)
class StartingReservoir:
    """The reservoir under a school's courses: its words in the plan file, and how its height scales.

    soil_m: that is to stand over it [m]. least_m, most_m: of its height [m]. over_fill_m: its height where inert fill
    lies under its liner, in beds too deep for it alone [m]. fill: that fill.
    """

    words: Mapping[str, Any]
    soil_m: float
    least_m: float
    most_m: float
    over_fill_m: float
    fill: str


@dataclass(frozen=True, slots=True)
class School:
    """A school: what it is, the shapes and depths it suits, its courses bottom to top on a reservoir or none, its
    trade-offs in words; `told` writes their lengths.
    """

    key: str
    name: str
    summary: str
    shapes: frozenset[str]
    least_m: float
    most_m: float
    courses: tuple[SchoolCourse, ...]
    reservoir: StartingReservoir | None
    cost: str
    effort: str
    settling: str
    planting: str
    feeds: str
    against: str


def told(text: str, system: System) -> str:
    """A school's text with its lengths, written in braces [m], as a gardener says them: to the inch or to 5 mm."""
    return re.sub(r"\{([\d.]+)\}", lambda found: _about(float(found[1]), system), text)


def _about(length_m: float, system: System) -> str:
    inches = round(length_m / INCH_M)
    return show_length(inches * INCH_M if system is System.FT_IN else length_m, system)


@cache
def all_schools() -> Mapping[str, School]:
    """Every school by its key, in the order of the data file."""
    text = files("nolbet_core.schools").joinpath("schools.json").read_text(encoding="utf-8")
    return {row["key"]: _school(row) for row in json.loads(text)}


def _school(row: dict[str, Any]) -> School:
    return School(
        row["key"],
        row["name"],
        row["summary"],
        frozenset(row["shapes"]),
        row["depth_m"][0],
        row["depth_m"][1],
        tuple(_course(each) for each in row["courses"]),
        _reservoir(row["reservoir"]) if "reservoir" in row else None,
        row["cost"],
        row["effort"],
        row["settling"],
        row["planting"],
        row["feeds"],
        row["against"],
    )


def _reservoir(row: dict[str, Any]) -> StartingReservoir:
    words = {key: value for key, value in row.items() if key not in RESERVOIR_SCALING}
    least_m, most_m = row["between_m"]
    return StartingReservoir(words, row["soil_m"], least_m, most_m, row["over_fill_m"], row["fill"])


RESERVOIR_SCALING = ("soil_m", "between_m", "over_fill_m", "fill")
SCALING = ("share", "between_m", "fills", "drops_under_m", "repeats", "instead")


def _course(row: dict[str, Any]) -> SchoolCourse:
    least_m, most_m = row.get("between_m", (0.0, 3.0))
    words = {key: value for key, value in row.items() if key not in SCALING}
    return SchoolCourse(
        words,
        row.get("share", 0.0),
        least_m,
        most_m,
        row.get("fills", False),
        row.get("drops_under_m", 0.0),
        row.get("repeats", False),
        row.get("instead", {}),
    )


def unsuited(school: School, shape_kind: str, depth_m: float, system: System) -> str | None:
    """Why a school doesn't suit a bed, in words; None where it does. depth_m: that the fill may take [m].
    system: that the words are in.
    """
    if shape_kind not in school.shapes:
        return f"{school.name} isn't laid in a {shape_kind.replace('_', ' ')}."
    if shape_kind == "flat_area":
        return None
    if depth_m < school.least_m - 1e-9:
        return f"{school.name} wants a depth of {show_length(school.least_m, system)} or more."
    if depth_m > school.most_m + 1e-9:
        return f"{school.name} is for depths up to {show_length(school.most_m, system)}."
    return None


def starting_reservoir(school: School, depth_m: float) -> ReservoirWords | None:
    """The reservoir that a school starts a bed with, in the plan file's words; None where it has none.

    depth_m: that fill and reservoir may take [m]. It takes what the soil over it leaves; where that is more than it
    should be deep, inert fill lies under its liner.
    """
    if school.reservoir is None:
        return None
    scale = school.reservoir
    room_m = depth_m - scale.soil_m - sum(_thickness(course, depth_m) for course in school.courses)
    height_m = round(max(room_m, scale.least_m), 3)
    words: ReservoirWords = dict(scale.words)
    if room_m > scale.most_m:
        under = {"material": scale.fill, "height_m": round(room_m - scale.over_fill_m, 3)}
        return words | {"height_m": scale.over_fill_m, "overflow_m": scale.over_fill_m, "under": under}
    return words | {"height_m": height_m, "overflow_m": height_m}


def starting_layers(school: School, shape_kind: str, depth_m: float, area_m2: float) -> list[LayerWords]:
    """The stack that a school starts a bed with, bottom to top, in the plan file's words.

    shape_kind: of the bed. depth_m: that the fill may take, square to the surface in mounds [m]. area_m2: growing area,
    for what is scattered by area [m2].

    Every course takes its share of the depth between its least and most; those that a shallow bed has no room for are
    left out, and one fills the rest. On flat ground, which has no rim to fill to, each takes what it takes at least.
    """
    courses = [course for course in school.courses if depth_m >= course.drops_under_m]
    if shape_kind == "flat_area":
        return [_words(course, shape_kind, max(course.least_m, 0.02), area_m2) for course in courses]
    courses = _repeated(courses, depth_m)
    return [
        _words(course, shape_kind, None if course.fills else _thickness(course, depth_m), area_m2) for course in courses
    ]


def _repeated(courses: list[SchoolCourse], depth_m: float) -> list[SchoolCourse]:
    """Courses with those that repeat laid in turns, as often as there is room for."""
    turns = [course for course in courses if course.repeats]
    if not turns:
        return courses
    once_m = sum(_thickness(course, depth_m) for course in turns)
    others_m = sum(course.least_m if course.fills else _thickness(course, depth_m) for course in courses) - once_m
    times = max(int((depth_m - others_m) / once_m + 1e-9), 1)
    first = courses.index(turns[0])
    rest = [course for course in courses[first:] if not course.repeats]
    return [*courses[:first], *(turns * times), *rest]


def _thickness(course: SchoolCourse, depth_m: float) -> float:
    if course.fills or _is_sheet(course):
        return 0.0
    return min(max(course.share * depth_m, course.least_m), course.most_m)


def _is_sheet(course: SchoolCourse) -> bool:
    return course.least_m == 0.0 and course.share == 0.0 and not course.fills


def _words(course: SchoolCourse, shape_kind: str, thickness_m: float | None, area_m2: float) -> LayerWords:
    """A course in the plan file's words; without a thickness it fills the rest."""
    words: LayerWords = dict(course.words)
    words["material"] = course.instead.get(shape_kind, words["material"])
    fed = words.get("amendment")
    if fed is not None:
        mass_kg = round(fed[BY_AREA] * area_m2, 3)
        # on a hand's breadth it comes to less than a gram
        words["amendment"] = {"material": fed["material"], "mass_kg": mass_kg}
        if mass_kg <= 0:
            del words["amendment"]
    if _is_sheet(course):
        return words
    if thickness_m is None:
        return words | {"fill": True}
    return words | {"thickness_m": round(thickness_m, 3)}
