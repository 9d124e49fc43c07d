"""Ways of filling one bed side by side, and the schools that it may follow."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import replace
from datetime import date
from decimal import Decimal

from nolbet_core.built.bed import build_bed
from nolbet_core.built.profiles import beside_draft
from nolbet_core.built.state import as_planned
from nolbet_core.built.stores import base_of
from nolbet_core.built.supplies import Supplies
from nolbet_core.built.surroundings import surroundings_of
from nolbet_core.built.worked import work_bed
from nolbet_core.figure.beds import bed_figures
from nolbet_core.figure.forecast import figure_forecast
from nolbet_core.figure.forecast_figures import ComparedFigures, OfferedSchools, SchoolFigures, VersionFigures
from nolbet_core.figure.walk import figure_alone
from nolbet_core.plan.bed import Bed, Layer, Reservoir, filled_with
from nolbet_core.plan.garden import Plan
from nolbet_core.quantities.units import System
from nolbet_core.schools.school import School, all_schools, starting_layers, starting_reservoir, told, unsuited
from nolbet_core.works.shovelling import shovelling_hours

AS_IT_IS = "As it is"
GRAVE = ("stop", "caution")

BEST: dict[str, Callable[[VersionFigures], float | None]] = {
    "cost": lambda each: _whole(each.cost, each),
    "cost_ten_years": lambda each: _whole(each.cost_ten_years, each),
    "to_buy_m3": lambda each: each.to_buy_m3,
    "mass_saturated_kg": lambda each: each.figures.mass_saturated_kg,
    "hours": lambda each: each.hours,
    "first_year_m": lambda each: each.first_year_m,
    "three_years_m": lambda each: each.three_years_m,
    "nitrogen_short_kg": lambda each: each.figures.nitrogen_short_kg,
    "first_sowing": lambda each: each.first_sowing.toordinal() if each.first_sowing else each.wait_years,
    "findings": lambda each: sum(one.level in GRAVE for one in each.figures.findings),
}
"""Figures that are better the smaller they are."""


def _whole(amount: Decimal | None, version: VersionFigures) -> float | None:
    """An amount that leaves nothing out, so that it can be held against others."""
    return None if amount is None or version.unmet else float(amount)


def figure_compared(plan: Plan, bed: Bed, supplies: Supplies, today: date | None = None) -> ComparedFigures:
    """The bed as it is and every way of filling it that was set aside, each with its figures.

    plan: for stock and suppliers. today: stands in for a day of filling that isn't given.
    """
    ways: list[tuple[int | None, str, Bed]] = [(None, AS_IT_IS, bed)]
    ways += [(index, aside.name, filled_with(bed, aside)) for index, aside in enumerate(bed.set_aside)]
    versions = [_version(index, name, plan, way, supplies, today) for index, name, way in ways]
    return ComparedFigures(versions=_with_best(versions))


def _version(
    index: int | None, name: str, plan: Plan, bed: Bed, supplies: Supplies, today: date | None
) -> VersionFigures:
    planned = as_planned(bed)
    figures = figure_alone(planned, plan, supplies, today)
    forecast = figure_forecast(plan, planned, supplies, today)
    (own,) = figures.beds
    cost = figures.haul.total if figures.haul else None
    later = forecast.top_up_total
    loose_m3 = own.loose_m3 * bed.count
    surface = own.surface_m
    return VersionFigures(
        index=index,
        name=name,
        school=bed.school,
        figures=own,
        cost=cost,
        cost_ten_years=None if cost is None or later is None else cost + later,
        unmet=[supplies.materials[key].name for key in figures.haul.unmet] if figures.haul else [],
        to_buy_m3=sum(need.to_buy_m3 for need in figures.needs),
        loose_m3=loose_m3,
        hours=shovelling_hours(loose_m3),
        first_year_m=surface[0] - surface[12],
        three_years_m=surface[0] - surface[36],
        first_sowing=min((each.from_day for each in own.ready.sowings if each.from_day), default=None),
        wait_years=min((each.years for each in own.ready.sowings if each.years is not None), default=None),
        best=[],
    )


def _with_best(versions: Sequence[VersionFigures]) -> list[VersionFigures]:
    """Each version with the names of the figures in which it is the best, where they differ."""
    best: list[list[str]] = [[] for _ in versions]
    for name, of in BEST.items():
        values = [of(each) for each in versions]
        known = [value for value in values if value is not None]
        if len(known) < len(versions) or max(known) - min(known) <= 1e-9:
            continue
        for index, value in enumerate(values):
            if value == min(known):
                best[index].append(name)
    return [replace(each, best=names) for each, names in zip(versions, best, strict=True)]


def figure_schools(plan: Plan, bed: Bed, supplies: Supplies, today: date | None = None) -> OfferedSchools:
    """Every school for a bed: those that suit with the stack they start it with and its figures, then the others."""
    found = [figure_school(school, plan, bed, supplies, today) for school in all_schools().values()]
    return OfferedSchools(schools=sorted(found, key=lambda each: each.unsuited is not None))


def figure_school(school: School, plan: Plan, bed: Bed, supplies: Supplies, today: date | None = None) -> SchoolFigures:
    """A school for a bed: the stack it starts it with and its figures, or why it doesn't suit."""
    bed = as_planned(bed)
    vessel = build_bed(bed.model_copy(update={"layers": [], "set_aside": []}), supplies.materials).holding().vessel
    depth_m = max(vessel.hollow.rim_m - bed.kept_empty_m, 0.0)
    started = bed.model_copy(update={"school": school.key, "layers": [], "seen": [], "set_aside": []})
    own_m = depth_m if school.reservoir else depth_m - base_of(bed)
    why_not = unsuited(school, bed.shape.kind, own_m, System(plan.garden.units))
    if why_not is None:
        started = _started(started, school, depth_m, vessel.top_area_m2)
    return _school_figures(school, why_not, started, plan, supplies, today)


def _words(part: Layer | Reservoir) -> dict[str, object]:
    """A part in the plan file's words."""
    words: dict[str, object] = part.model_dump(mode="json", exclude_unset=True)
    return words


def _started(bed: Bed, school: School, depth_m: float, area_m2: float) -> Bed:
    """A bed as a school starts it: on the reservoir it has, else on the school's own."""
    words = starting_reservoir(school, depth_m) if bed.reservoir is None else None
    if words is not None:
        bed = bed.model_copy(update={"reservoir": Reservoir.model_validate(words)})
    layers = starting_layers(school, bed.shape.kind, depth_m - base_of(bed), area_m2)
    return bed.model_copy(update={"layers": [Layer.model_validate(layer) for layer in layers]})


def _school_figures(
    school: School, why_not: str | None, started: Bed, plan: Plan, supplies: Supplies, today: date | None
) -> SchoolFigures:
    around = surroundings_of(plan.garden, today, beside_draft(started, plan.beds))
    figures = None if why_not else bed_figures(work_bed(started, around, supplies))
    system = System(plan.garden.units)
    return SchoolFigures(
        key=school.key,
        name=school.name,
        summary=told(school.summary, system),
        cost=told(school.cost, system),
        effort=told(school.effort, system),
        settling=told(school.settling, system),
        planting=told(school.planting, system),
        feeds=told(school.feeds, system),
        against=told(school.against, system),
        unsuited=why_not,
        layers=[_words(layer) for layer in started.layers],
        reservoir=_words(started.reservoir) if started.reservoir else None,
        figures=figures,
    )
