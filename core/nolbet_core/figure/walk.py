"""The one door to the rules: a plan in, its figures out. Pure, and quick enough to think with."""

from __future__ import annotations

from dataclasses import dataclass, replace

from nolbet_core.figure.beds import bed_figures, filled_bed
from nolbet_core.figure.buying import chosen_haul, haul_figures, need_figures, supplier_of
from nolbet_core.figure.figures import BedFigures, Figures
from nolbet_core.figure.judged import bought_keys, with_buying
from nolbet_core.haul.choose import Chosen
from nolbet_core.haul.needs import Need, NeedSums
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.build import built_bed
from nolbet_core.plan.check import Supplies, check_bed
from nolbet_core.plan.garden import Garden, Plan
from nolbet_core.quantities.units import System
from nolbet_core.stack.layers import Standing


@dataclass(frozen=True, slots=True)
class _Figured:
    bed: Bed
    figures: BedFigures
    bought_keys: frozenset[str]


def figure_bed(bed: Bed, garden: Garden, supplies: Supplies, path: str = "bed") -> BedFigures:
    """Figures of one bed, needs and buying left out: what a draft asks for while a boundary is dragged.

    garden: for the units that judgements are said in. supplies: what layers may name. path: how the bed is called in
    an error.

    Raises PlanProblem where the bed doesn't hold together.
    """
    check_bed(bed, supplies.materials, path)
    return _filled(bed, garden, supplies, path)[0]


def figure_plan(plan: Plan, supplies: Supplies) -> Figures:
    """Figures of a whole plan that has been checked: every bed, the needs of all, and the haul."""
    figured, needs = _beds_and_needs(plan, supplies)
    suppliers = [supplier_of(entry) for entry in plan.suppliers]
    chosen = chosen_haul(needs, suppliers)
    return Figures(
        beds=[_bought(each, chosen, plan, supplies) for each in figured],
        needs=[need_figures(need, supplies.materials) for need in needs],
        haul=haul_figures(chosen, needs, suppliers, supplies.materials) if chosen else None,
    )


def figure_beds(plan: Plan, supplies: Supplies) -> Figures:
    """Figures of every bed and the needs, without the haul."""
    figured, needs = _beds_and_needs(plan, supplies)
    return Figures(
        beds=[each.figures for each in figured],
        needs=[need_figures(need, supplies.materials) for need in needs],
        haul=None,
    )


def _beds_and_needs(plan: Plan, supplies: Supplies) -> tuple[list[_Figured], tuple[Need, ...]]:
    figured: list[_Figured] = []
    sums = NeedSums()
    for index, bed in enumerate(plan.beds):
        figures, layers = _filled(bed, plan.garden, supplies, f"beds[{index}]")
        sums.add(bed.count, layers)
        figured.append(_Figured(bed, figures, bought_keys(layers, supplies.mixes)))
    return figured, sums.less_stock(_stock(plan), supplies.mixes, supplies.materials)


def _stock(plan: Plan) -> dict[str, float]:
    """What lies on hand by material [m3]; heaps of one material add up."""
    stock: dict[str, float] = {}
    for entry in plan.stock:
        stock[entry.material] = stock.get(entry.material, 0.0) + entry.volume_m3
    return stock


def _bought(each: _Figured, chosen: Chosen | None, plan: Plan, supplies: Supplies) -> BedFigures:
    if chosen is None:
        return each.figures
    system = System(plan.garden.units)
    findings = with_buying(each.bed, each.figures.findings, each.bought_keys, chosen, supplies.materials, system)
    return replace(each.figures, findings=findings)


def _filled(bed: Bed, garden: Garden, supplies: Supplies, path: str) -> tuple[BedFigures, tuple[Standing, ...]]:
    vessel = built_bed(bed, path)
    filled = filled_bed(bed, vessel, supplies.materials)
    return bed_figures(bed, vessel, filled, System(garden.units)), filled.layers
