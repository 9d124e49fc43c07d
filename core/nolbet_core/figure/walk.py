"""The one door to the rules: a plan in, its figures out. Pure, and quick enough to think with."""

from __future__ import annotations

from collections.abc import Iterable, Sequence

from nolbet_core.figure.beds import bed_figures, built_bed, filled_bed
from nolbet_core.figure.buying import haul_figures, need_figures, supplier_of
from nolbet_core.figure.figures import BedFigures, Figures
from nolbet_core.haul.needs import Need, gather_needs
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.check import Supplies, check_bed
from nolbet_core.plan.garden import Garden, Plan
from nolbet_core.stack.layers import Standing


def figure_bed(bed: Bed, garden: Garden, supplies: Supplies, path: str = "bed") -> BedFigures:
    """Figures of one bed, needs and buying left out: what a draft asks for while a boundary is dragged.

    garden: for the units that judgements are said in. supplies: what layers may name. path: how the bed is called in
    an error.

    Raises PlanProblem where the bed doesn't hold together.
    """
    check_bed(bed, supplies.materials, path)
    return _figured(bed, garden, supplies, path)[0]


def figure_plan(plan: Plan, supplies: Supplies) -> Figures:
    """Figures of a whole plan that has been checked: every bed, the needs of all, and the haul."""
    figured = [_figured(bed, plan.garden, supplies, f"beds[{i}]") for i, bed in enumerate(plan.beds)]
    needs = plan_needs(plan, supplies, ((f.count, layers) for f, layers in figured))
    suppliers = [supplier_of(entry) for entry in plan.suppliers]
    return Figures(
        beds=[figures for figures, _ in figured],
        needs=[need_figures(need, supplies.materials) for need in needs],
        haul=haul_figures(needs, suppliers, supplies.materials),
    )


def figure_beds(plan: Plan, supplies: Supplies) -> Figures:
    """Figures of every bed and the needs, without the haul."""
    figured = [_figured(bed, plan.garden, supplies, f"beds[{i}]") for i, bed in enumerate(plan.beds)]
    needs = plan_needs(plan, supplies, ((f.count, layers) for f, layers in figured))
    return Figures(
        beds=[figures for figures, _ in figured],
        needs=[need_figures(need, supplies.materials) for need in needs],
        haul=None,
    )


def plan_needs(plan: Plan, supplies: Supplies, beds: Iterable[tuple[int, Sequence[Standing]]]) -> tuple[Need, ...]:
    """Needs of a plan's beds less its stock; heaps of one material add up."""
    stock: dict[str, float] = {}
    for entry in plan.stock:
        stock[entry.material] = stock.get(entry.material, 0.0) + entry.volume_m3
    return gather_needs(beds, stock, supplies.mixes, supplies.materials)


def _figured(bed: Bed, garden: Garden, supplies: Supplies, path: str) -> tuple[BedFigures, tuple[Standing, ...]]:
    box = built_bed(bed, path)
    filled = filled_bed(bed, box, supplies.materials)
    return bed_figures(bed, box, filled), filled.layers
