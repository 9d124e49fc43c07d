"""From when a fresh bed can be sown: what it waits for, and what the season allows."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date, timedelta

from nolbet_core.climate.year import Year, first_spring, next_day
from nolbet_core.planting.roots import LEAST_DEPTH_M, RootPath, Roots, root_path
from nolbet_core.record import record
from nolbet_core.settling.clock import Clock
from nolbet_core.stack.layers import Standing, materials_in
from nolbet_core.stack.zone import mulch_begins

FRESH_WOOD_YEARS = 165 / 365.25
"""Wait for fresh wood that takes nitrogen: five to six months at 12 degrees C and moist [years]."""

UNROTTED_YEARS = 120 / 365.25
"""Wait for fresh greens and browns with too little finished compost or soil on top, the same way [years] (estimate)."""

FINISHED_COVER_M = 0.100
"""Finished compost or soil over cardboard or litter that can be sown at once [m]."""

RAW_MANURE_DAYS = 120
"""From raw manure to a harvest that touches the soil [days] (7 CFR 205.203)."""

RAW_MANURE_DAYS_ABOVE = 90
"""From raw manure to a harvest that doesn't [days] (7 CFR 205.203)."""

SMALL_GAP_KG_M2 = 0.005
"""A lack of nitrogen that fresh sowings get over [kg/m2]."""

HARDY_BEFORE_DAYS = 56
"""Hardy crops go out so long before the last frost [days] (estimate)."""

HARDY_LAST_DAYS = 42
"""The last sowing that still makes a crop, before the first frost [days] (estimate)."""

WINTERS = ("wood_mound", "wood_in_a_trench")
"""Schools whose fill lies through one winter first."""

RESTING = ("dug_bed",)
"""Schools whose ground is covered till spring."""


@record
class Wait:
    """A reason to wait. days: after filling; None for until spring."""

    days: int | None
    because: str


@record
class Sowing:
    """From when a class of crops can be sown. years: after filling until roots find their depth, None for never.

    from_day: the first day, where it is known when the bed is filled. because: what decides it.
    """

    roots: Roots
    years: float | None
    from_day: date | None
    because: str


@record
class Readiness:
    """From when what may be sown. depth_m: rootable at once [m]. waits: why not sooner.

    harvest_days, harvest_days_above: from filling to the first harvest, where raw manure is in it: of what touches the
    soil, and of what doesn't [days].
    """

    depth_m: float
    waits: tuple[Wait, ...]
    sowings: tuple[Sowing, ...]
    harvest_days: int | None
    harvest_days_above: int | None


def waits_of(layers: Sequence[Standing], school: str | None, short_kg_m2: float, clock: Clock) -> tuple[Wait, ...]:
    """What a fresh fill waits for. school: which it is filled by. short_kg_m2: nitrogen plants go short of [kg/m2].

    clock: how fast things rot there; what has to rot first is waited for by warmth, not by the calendar.
    """
    standing = tuple(layers)
    below = standing[: mulch_begins(standing)]
    waits = []
    woody = any("raw_wood" in layer.material.traits and layer.thickness_m > 0 for layer in below)
    if school in WINTERS and woody:
        waits.append(Wait(None, "a mound or trench of wood settles through one winter first"))
    if school in RESTING:
        waits.append(Wait(None, "dug ground rests under its cover till spring"))
    if woody and short_kg_m2 > SMALL_GAP_KG_M2:
        waits.append(Wait(_days(FRESH_WOOD_YEARS, clock), "fresh wood takes nitrogen at first, unless it is fed"))
    elif _unrotted(below) and _cover(standing) < FINISHED_COVER_M - 1e-9:
        waits.append(
            Wait(_days(UNROTTED_YEARS, clock), "less than 100 mm of finished compost or soil lies over fresh litter")
        )
    return tuple(waits)


def _days(rotted_years: float, clock: Clock) -> int:
    """Days until things have rotted as in so many years moist at 12 degrees C."""
    return round(clock.years_until(rotted_years) * 365.25)


def _unrotted(layers: Sequence[Standing]) -> bool:
    return any(layer.material.group == "organic" and layer.thickness_m > 0 for layer in layers)


def _cover(layers: tuple[Standing, ...]) -> float:
    """Depth of soil and finished compost from the surface down to what isn't either [m]."""
    depth_m = 0.0
    for layer in reversed(layers[: mulch_begins(layers)]):
        if layer.material.group != "soil":
            break
        depth_m += layer.thickness_m
    return depth_m


def holds_raw_manure(layers: Sequence[Standing]) -> bool:
    """Whether raw manure lies anywhere in the fill."""
    return any("raw_manure" in material.traits for layer in layers for material in materials_in(layer))


def readiness(
    layers: Sequence[Standing],
    school: str | None,
    short_kg_m2: float,
    below_m: float,
    clock: Clock,
    built: date | None,
    year: Year,
) -> Readiness:
    """From when what may be sown.

    layers: as they stand, bottom to top. school: which they follow. short_kg_m2: nitrogen the first season goes
    short of [kg/m2]. below_m: how deep roots can go on into the ground [m]. clock: how fast things rot. built: the day
    of filling, where it is known. year: the garden's frosts.
    """
    standing = tuple(layers)
    waits = waits_of(standing, school, short_kg_m2, clock)
    manure = holds_raw_manure(standing)
    soil = any(layer.material.group == "soil" and layer.thickness_m > 0 for layer in standing)
    path = root_path(standing, below_m, clock)
    sowings = [_sowing(roots, path, waits, built, year) for roots in LEAST_DEPTH_M] if soil else []
    return Readiness(
        depth_m=path.depth_after(0.0),
        waits=waits,
        sowings=tuple(sowings),
        harvest_days=RAW_MANURE_DAYS if manure else None,
        harvest_days_above=RAW_MANURE_DAYS_ABOVE if manure else None,
    )


def _sowing(roots: Roots, path: RootPath, waits: tuple[Wait, ...], built: date | None, year: Year) -> Sowing:
    years = path.years_to(LEAST_DEPTH_M[roots])
    if years is None:
        return Sowing(roots, None, None, "the fill is too shallow for such roots")
    longest = max((wait.days or 0 for wait in waits), default=0)
    because = waits[0].because if waits else "nothing in the fill has to rot first"
    if years * 365.25 > longest and years > 0:
        because = "what lies below has to rot first, until roots can go through"
    if built is None:
        return Sowing(roots, max(years, longest / 365.25), None, because)
    ready = built + timedelta(days=round(max(years * 365.25, longest)))
    if any(wait.days is None for wait in waits):
        ready = max(ready, first_spring(built, year))
    from_day = sowing_day(ready, year)
    if from_day > ready and (from_day - ready).days > 1:
        because = f"{because}; then winter is over" if waits or years > 0 else "winter has to be over"
    return Sowing(roots, years, from_day, because)


def sowing_day(ready: date, year: Year) -> date:
    """The first day on or after one on which hardy crops can be sown: from eight weeks before the last frost until six
    weeks before the first."""
    opens = next_day(ready, year.last_frost) - timedelta(days=HARDY_BEFORE_DAYS)
    closes = next_day(ready, year.first_frost) - timedelta(days=HARDY_LAST_DAYS)
    if opens <= ready:
        return ready
    frost = next_day(ready, year.first_frost)
    spring = next_day(ready, year.last_frost)
    growing = frost < spring
    if growing and ready <= closes:
        return ready
    return opens
