"""A whole plan built of its words: what holds of it, and everything that is wrong with the rest."""

from __future__ import annotations

from collections.abc import Iterator

from nolbet_core.built.bed import BuiltBed, build_bed
from nolbet_core.built.buying import wrong_with_fixed, wrong_with_heap, wrong_with_purchase, wrong_with_supplier
from nolbet_core.built.checked import Checked
from nolbet_core.built.crops import wrong_with_arches, wrong_with_crops
from nolbet_core.built.frame_checks import too_thin
from nolbet_core.built.names import names_twice, unknown_names
from nolbet_core.built.plot_checks import wrong_with_plot
from nolbet_core.built.profiles import wrong_with_profiles
from nolbet_core.built.seen import wrong_with_top_up
from nolbet_core.built.supplies import Supplies, gather_supplies
from nolbet_core.plan.frame import Cutting
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.log import HoursSpent, Purchase, TopUpEntry
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.record import record


@record
class BuiltPlan:
    """A plan with what its layers may name and its beds as built; the plan names none but those that hold."""

    plan: Plan
    supplies: Supplies
    beds: tuple[BuiltBed, ...]


def build_plan(plan: Plan, supplies: Supplies | None = None) -> Checked[BuiltPlan]:
    """Build a plan. supplies: what it may name, where that has been gathered already.

    Beds that don't hold are left out of what is built, and their problems told.
    """
    built, problems = built_of(plan, supplies)
    return Checked(built, problems)


def built_of(plan: Plan, supplies: Supplies | None = None) -> tuple[BuiltPlan, tuple[PlanProblem, ...]]:
    """What holds of a plan as built, and everything that is wrong with the rest, as `build_plan`."""
    problems = [
        *names_twice((bed.key for bed in plan.beds), "beds"),
        *names_twice((supplier.key for supplier in plan.suppliers), "suppliers"),
    ]
    if supplies is None:
        gathered = gather_supplies(plan.materials, plan.mixes, plan.crops)
        problems += gathered.problems
        supplies = gathered.value or Supplies({}, {})
    beds = []
    for index, bed in enumerate(plan.beds):
        checked = build_bed(bed, supplies.materials, f"beds[{index}]")
        problems += checked.problems
        problems += wrong_with_crops(bed, supplies.crops, f"beds[{index}]")
        if checked.value is not None:
            beds.append(checked.value)
    problems += wrong_with_arches(plan.beds)
    problems += _wrong_beside_beds(plan, supplies)
    if len(beds) < len(plan.beds):
        plan = plan.model_copy(update={"beds": [each.bed for each in beds]})
    return BuiltPlan(plan, supplies, tuple(beds)), tuple(problems)


def _wrong_beside_beds(plan: Plan, supplies: Supplies) -> list[PlanProblem]:
    materials = supplies.materials
    found: list[PlanProblem] = []
    if plan.garden.plot is not None:
        found += wrong_with_plot(plan.garden.plot, materials, "garden.plot")
    for index, mix in enumerate(plan.mixes):
        if mix.target is not None:
            found += unknown_names(mix.target, materials, f"mixes[{index}].target")
    for index, heap in enumerate(plan.stock):
        found += wrong_with_heap(heap, materials, f"stock[{index}]")
    found += _entries_twice(plan)
    for index, entry in enumerate(plan.log):
        if isinstance(entry, Purchase):
            found += wrong_with_purchase(entry, materials, f"log[{index}]")
        elif isinstance(entry, TopUpEntry):
            found += wrong_with_top_up(entry, materials, f"log[{index}]")
    for index, supplier in enumerate(plan.suppliers):
        found += wrong_with_supplier(supplier, materials, f"suppliers[{index}]")
    if plan.cutting.kerf_m > Cutting().kerf_m:
        for index, bed in enumerate(plan.beds):
            found += too_thin(bed, plan.cutting.kerf_m, f"beds[{index}]")
    found += wrong_with_fixed(plan.fixed, plan.suppliers)
    return [*found, *_unknown_beds(plan), *wrong_with_profiles(plan.beds)]


def _entries_twice(plan: Plan) -> Iterator[PlanProblem]:
    seen: set[str] = set()
    for index, entry in enumerate(plan.log):
        key = getattr(entry, "key", None)
        if key is not None and key in seen:
            yield PlanProblem(f"log[{index}].key", f"'{key}' stands twice; each entry needs its own, or none")
        seen.add(key or "")


def _unknown_beds(plan: Plan) -> Iterator[PlanProblem]:
    beds = {bed.key for bed in plan.beds}
    named = [
        (f"log[{index}].bed", entry.bed)
        for index, entry in enumerate(plan.log)
        if not isinstance(entry, Purchase | HoursSpent) and entry.bed is not None
    ]
    named += [(f"probes[{index}].bed", probe.bed) for index, probe in enumerate(plan.probes)]
    for path, key in named:
        if key not in beds:
            yield PlanProblem(path, f"'{key}' is no bed of this plan")
