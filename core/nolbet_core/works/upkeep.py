"""What a bed asks for in the years after it is built, with the days it falls due."""

from __future__ import annotations

import math
from collections.abc import Iterator
from datetime import date, timedelta

from nolbet_core.built.worked import WorkedBed
from nolbet_core.climate.year import coming_spring, next_day
from nolbet_core.quantities.writing import show_length
from nolbet_core.record import record

TOLD_M = 0.01
"""It isn't told that a bed sinks by less."""
FILM_YEARS = 5
COVER_YEARS = {"fleece": 3, "film": FILM_YEARS, "double_film": FILM_YEARS, "net": 8, "mesh_flat": 8}
COVERS_SAID = {"fleece": "fleece", "film": "film", "double_film": "film", "net": "net", "mesh_flat": "net"}
"""How long covers last in the sun (estimates), and what they are called."""
BEFORE_FIRST_FROST_DAYS = 7
LINER_YEARS = 20
"""How long a pond liner out of the sun holds (estimate)."""
BEFORE_FROST_DAYS = 28
"""Joints and screws are looked at so long before the last frost, as long as the bed lies bare [days]."""


@record
class Upkeep:
    """Something that falls due. key: the same each time it is worked out. every_years: how often it comes again."""

    key: str
    bed: str
    title: str
    why: str
    on: date
    every_years: int


def upkeep_of(worked: WorkedBed, filled_on: date, today: date, years: int = 3) -> Iterator[Upkeep]:
    """What a bed asks for within some years from today. filled_on: the day it was filled, or is planned to be."""
    last = today + timedelta(days=math.ceil(365.25 * years))
    for each in _every(worked, filled_on):
        first = each.on
        for again in range(200):
            on = _years_on(first, again * each.every_years)
            if on > last:
                break
            if on >= today:
                yield Upkeep(f"{each.key}.{on.year}", each.bed, each.title, each.why, on, each.every_years)


def _years_on(day: date, years: int) -> date:
    return date(day.year + years, day.month, min(day.day, 28) if day.month == 2 else day.day)


def _every(worked: WorkedBed, filled_on: date) -> Iterator[Upkeep]:
    bed, year = worked.bed, worked.year
    spring = coming_spring(filled_on, year)
    spring = spring if (spring - filled_on).days >= BEFORE_FROST_DAYS else _years_on(spring, 1)
    before = spring - timedelta(days=BEFORE_FROST_DAYS)
    if worked.lies_under is None:
        what = "Top up with compost and mulch anew"
        yield Upkeep(
            f"{bed.key}.top_up",
            bed.key,
            f"{bed.title}: {what.lower()}",
            _why_top_up(worked),
            before,
            1,
        )
    if worked.framed is not None:
        yield Upkeep(
            f"{bed.key}.joints",
            bed.key,
            f"{bed.title}: try joints, screws and corners",
            "Frost and wet earth push them apart over the winter.",
            before,
            1,
        )
        least, most = worked.framed.life_years()
        yield Upkeep(
            f"{bed.key}.frame",
            bed.key,
            f"{bed.title}: look whether the frame still holds",
            f"Such a wall lasts {least:g} to {most:g} years.",
            _years_on(filled_on, max(math.floor(least), 1)),
            max(math.floor(least), 1),
        )
        if worked.lined_with is not None or worked.framed.timber.treated:
            yield Upkeep(
                f"{bed.key}.film",
                bed.key,
                f"{bed.title}: look at the film inside, seal the wood anew",
                "Film against the soil and sealant both last about five years.",
                _years_on(filled_on, FILM_YEARS),
                FILM_YEARS,
            )
    yield from _of_cover_and_lines(worked, filled_on)
    if worked.water is not None:
        yield Upkeep(
            f"{bed.key}.flush",
            bed.key,
            f"{bed.title}: flush the reservoir, and check it for leaks",
            "Salts gather in it, and a leak shows best while nothing drinks.",
            before,
            1,
        )
        if worked.water.liner_m is not None:
            yield Upkeep(
                f"{bed.key}.liner",
                bed.key,
                f"{bed.title}: think about its liner",
                f"A liner out of the sun lasts about {LINER_YEARS} years.",
                _years_on(filled_on, LINER_YEARS),
                LINER_YEARS,
            )


def _of_cover_and_lines(worked: WorkedBed, filled_on: date) -> Iterator[Upkeep]:
    """A cover that wears out in the sun, and lines that burst where water freezes in them."""
    bed, year = worked.bed, worked.year
    years = COVER_YEARS.get(bed.cover.kind) if bed.cover is not None else None
    if years is not None and bed.cover is not None:
        yield Upkeep(
            f"{bed.key}.cover",
            bed.key,
            f"{bed.title}: renew its {COVERS_SAID[bed.cover.kind]}",
            f"In the sun it lasts about {years} years.",
            _years_on(filled_on, years),
            years,
        )
    if bed.lines is not None:
        frost = next_day(filled_on, year.first_frost)
        yield Upkeep(
            f"{bed.key}.lines",
            bed.key,
            f"{bed.title}: blow out its drip lines",
            "Water that freezes in them splits pipes and emitters.",
            frost - timedelta(days=BEFORE_FIRST_FROST_DAYS),
            1,
        )


def _why_top_up(worked: WorkedBed) -> str:
    sunk_m = _sunk_by(worked)
    if sunk_m <= TOLD_M:
        return "It feeds the year."
    sunk = show_length(sunk_m, worked.system)
    if worked.age_months is None:
        return f"It sinks by about {sunk} till its first spring."
    return f"Next spring it stands about {sunk} below where it was filled."


def _sunk_by(worked: WorkedBed) -> float:
    """How far it sinks from filling to its next spring [m]."""
    months = worked.spring_months
    surface_m = worked.settling.surface_m
    return float(surface_m[0] - surface_m[months[0]]) if months else 0.0
