"""The one door to the rules: a plan in, its figures out. Pure, and quick enough to think with."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date

from nolbet_core.climate.year import garden_year
from nolbet_core.figure.beds import bed_figures, filled_bed
from nolbet_core.figure.buying import chosen_haul, haul_figures, need_figures, stock_of, supplier_of
from nolbet_core.figure.figures import BedFigures, Figures
from nolbet_core.figure.found import FindingFigures
from nolbet_core.figure.judged import bought_keys, finding_figures, gravest_first, with_buying
from nolbet_core.figure.plot_figures import PlotFigures, PlotFinding, RoomFigures
from nolbet_core.figure.site import (
    Laid,
    found_in_place,
    found_on_plot,
    laid_plot,
    place_findings,
    placed_beds,
    plot_figures,
    room_figures,
    site_of,
)
from nolbet_core.findings.pattern import View
from nolbet_core.haul.choose import Chosen
from nolbet_core.haul.needs import Need, NeedSums
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.build import built_bed
from nolbet_core.plan.check import Supplies, check_bed
from nolbet_core.plan.garden import Garden, Plan
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.plan.reservoir import store_of
from nolbet_core.plot.placed import PlacedBed
from nolbet_core.plot.site import Site
from nolbet_core.quantities.units import System

LINER = "pond_liner"
"""What lines a reservoir."""


@dataclass(frozen=True, slots=True)
class _Figured:
    bed: Bed
    figures: BedFigures
    bought_keys: frozenset[str]
    placed: tuple[PlacedBed, ...]


def figure_bed(
    bed: Bed, garden: Garden, supplies: Supplies, path: str = "bed", today: date | None = None
) -> BedFigures:
    """Figures of one bed, needs and buying left out: what a draft asks for while a boundary is dragged.

    garden: for the units that judgements are said in, its year and the ground. supplies: what layers may name. path:
    how the bed is called in an error. today: stands in for a day of filling that isn't given.

    Raises PlanProblem where the bed doesn't hold together.
    """
    check_bed(bed, supplies.materials, path)
    return bed_figures(viewed_bed(bed, garden, _site(garden), supplies, path, today))


def figure_plan(plan: Plan, supplies: Supplies, today: date | None = None) -> Figures:
    """Figures of a whole plan that has been checked: every bed, the plot, the needs of all, and the haul.

    today: stands in for days of filling that aren't given.
    """
    figured, laid, needs = _beds_and_needs(plan, supplies, today)
    suppliers = [supplier_of(entry) for entry in plan.suppliers]
    chosen = chosen_haul(needs, suppliers)
    system = System(plan.garden.units)
    between = found_on_plot(laid, system) if laid else []
    beds = []
    for each in figured:
        shared = [finding_figures(each.bed, one.code, one.found) for one in between if each.bed.key in one.beds]
        beds.append(_with_others(each, shared, chosen, supplies, system))
    return Figures(
        beds=beds,
        plot=_plot(plan, laid, figured),
        needs=[need_figures(need, supplies.materials) for need in needs],
        haul=haul_figures(chosen, needs, suppliers, supplies.materials) if chosen else None,
    )


def figure_beds(plan: Plan, supplies: Supplies) -> Figures:
    """Figures of every bed, the plot and the needs, without the haul."""
    figured, laid, needs = _beds_and_needs(plan, supplies)
    return Figures(
        beds=[each.figures for each in figured],
        plot=_plot(plan, laid, figured),
        needs=[need_figures(need, supplies.materials) for need in needs],
        haul=None,
    )


def figure_plot(plan: Plan, supplies: Supplies) -> PlotFigures:
    """Figures of a plan's plot alone: what a bed that is dragged over it asks for.

    Raises PlanProblem where the plan has no plot.
    """
    plot = plan.garden.plot
    if plot is None:
        raise PlanProblem("garden.plot", "the ground has to be measured first")
    site = site_of(plot)
    own: list[PlotFinding] = []
    placed: list[PlacedBed] = []
    for index, bed in enumerate(plan.beds):
        if not bed.places:
            continue
        view = viewed_bed(bed, plan.garden, site, supplies, f"beds[{index}]")
        own += found_in_place(view)
        placed += view.placed
    beds = {bed.key: bed for bed in plan.beds}
    return plot_figures(plot, laid_plot(plot, placed, supplies.materials), beds, own, System(plan.garden.units))


def figure_room(plan: Plan, length_m: float, width_m: float) -> RoomFigures:
    """How many more beds of an outer size [m] the plot takes beside those that lie on it.

    Raises PlanProblem where the plan has no plot.
    """
    plot = plan.garden.plot
    if plot is None:
        raise PlanProblem("garden.plot", "the ground has to be measured first")
    built = [placed_beds(bed, built_bed(bed, f"beds[{index}]")) for index, bed in enumerate(plan.beds)]
    return room_figures(plot, [place for places in built for place in places], length_m, width_m)


def _beds_and_needs(
    plan: Plan, supplies: Supplies, today: date | None = None
) -> tuple[list[_Figured], Laid | None, tuple[Need, ...]]:
    figured: list[_Figured] = []
    sums = NeedSums()
    site = _site(plan.garden)
    for index, bed in enumerate(plan.beds):
        view = viewed_bed(bed, plan.garden, site, supplies, f"beds[{index}]", today)
        layers = (*view.filled.layers, *view.water_parts)
        sums.add(bed.count, layers)
        figured.append(_Figured(bed, bed_figures(view), bought_keys(layers, supplies.mixes), view.placed))
    laid = _laid(plan, figured, supplies)
    if laid is not None:
        sums.add(1, laid.courses)
    return figured, laid, sums.less_stock(stock_of(plan), supplies.mixes, supplies.materials)


def _laid(plan: Plan, figured: Sequence[_Figured], supplies: Supplies) -> Laid | None:
    if plan.garden.plot is None:
        return None
    placed = [place for each in figured for place in each.placed]
    return laid_plot(plan.garden.plot, placed, supplies.materials)


def _plot(plan: Plan, laid: Laid | None, figured: Sequence[_Figured]) -> PlotFigures | None:
    if plan.garden.plot is None or laid is None:
        return None
    own: list[PlotFinding] = []
    for each in figured:
        if each.placed:
            own += place_findings(each.bed.key, each.figures.findings)
    beds = {each.bed.key: each.bed for each in figured}
    return plot_figures(plan.garden.plot, laid, beds, own, System(plan.garden.units))


def _with_others(
    each: _Figured, shared: Sequence[FindingFigures], chosen: Chosen | None, supplies: Supplies, system: System
) -> BedFigures:
    """A bed's figures with the findings that rest on other beds and on what is bought."""
    findings = [*each.figures.findings, *shared]
    if chosen is not None:
        findings = with_buying(each.bed, findings, each.bought_keys, chosen, supplies.materials, system)
    elif not shared:
        return each.figures
    return replace(each.figures, findings=gravest_first(findings))


def _site(garden: Garden) -> Site | None:
    return site_of(garden.plot) if garden.plot else None


def viewed_bed(
    bed: Bed, garden: Garden, site: Site | None, supplies: Supplies, path: str, today: date | None = None
) -> View:
    """A bed built and filled, as findings and forecasts look at it. path: how it is called in an error."""
    vessel = built_bed(bed, path)
    filled = filled_bed(bed, vessel, supplies.materials)
    year = garden_year(garden.mean_temp_c, garden.last_frost, garden.first_frost, garden.latitude_deg, today)
    placed = placed_beds(bed, vessel)
    system, materials = System(garden.units), supplies.materials
    store = store_of(bed, vessel, materials, path)
    medium = materials[bed.reservoir.medium] if bed.reservoir and bed.reservoir.medium else None
    liner = materials[LINER] if store else None
    under = materials[bed.reservoir.under.material] if bed.reservoir and bed.reservoir.under else None
    return View(
        bed,
        vessel,
        filled,
        system,
        site,
        placed,
        year,
        garden.handful_kg,
        store=store,
        medium=medium,
        liner=liner,
        under=under,
    )
