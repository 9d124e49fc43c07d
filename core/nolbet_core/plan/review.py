"""Reading a plan file for a person: everything that is wrong with it, not only the first thing."""

from __future__ import annotations

from dataclasses import dataclass

from pydantic import ValidationError

from nolbet_core.plan.check import (
    Supplies,
    check_bed,
    check_layers,
    check_plan,
    check_stock,
    check_suppliers,
    gather_supplies,
)
from nolbet_core.plan.garden import FORMAT, Plan
from nolbet_core.plan.load import parse_document, read_plan
from nolbet_core.plan.problems import PlanProblem, from_validation

MOST_PROBLEMS = 50


@dataclass(frozen=True, slots=True)
class Review:
    """A plan that can be taken, or what is wrong with it (at most 50 problems)."""

    plan: Plan | None
    problems: tuple[PlanProblem, ...]


def review_plan(content: bytes) -> Review:
    """Read a plan file and gather its problems.

    content: the file's bytes. What breaks the form of a key hides what the keys say together, so that is looked at once
    the form is right.
    """
    try:
        document = parse_document(content)
        plan, _ = read_plan(document)
    except PlanProblem as problem:
        return Review(None, _all_problems(content, problem))
    return Review(plan, ())


def _all_problems(content: bytes, first: PlanProblem) -> tuple[PlanProblem, ...]:
    try:
        document = parse_document(content)
        plan = Plan.model_validate({**document, "format": FORMAT})
    except ValidationError as error:
        found = from_validation(error)
        if all(problem.path != first.path for problem in found):
            found.insert(0, first)
        return tuple(found[:MOST_PROBLEMS])
    except (PlanProblem, TypeError):
        return (first,)
    return tuple(_what_does_not_hold(plan)[:MOST_PROBLEMS]) or (first,)


def _what_does_not_hold(plan: Plan) -> list[PlanProblem]:
    try:
        supplies = gather_supplies(plan.materials, plan.mixes)
    except PlanProblem as problem:
        return [problem]
    found = [problem for index in range(len(plan.beds)) for problem in _bed_problems(plan, index, supplies)]
    try:
        check_stock(plan.stock, supplies.materials)
    except PlanProblem as problem:
        found.append(problem)
    try:
        check_suppliers(plan.suppliers, supplies.materials)
    except PlanProblem as problem:
        found.append(problem)
    if not found:
        try:
            check_plan(plan, supplies)
        except PlanProblem as problem:
            found.append(problem)
    return found


def _bed_problems(plan: Plan, index: int, supplies: Supplies) -> list[PlanProblem]:
    """Problems of a bed, each layer looked at by itself so that one doesn't hide the next."""
    bed, path = plan.beds[index], f"beds[{index}]"
    found: list[PlanProblem] = []
    for place, layer in enumerate(bed.layers):
        try:
            check_layers(bed.model_copy(update={"layers": [layer]}), supplies.materials, path)
        except PlanProblem as problem:
            found.append(PlanProblem(problem.path.replace("layers[0]", f"layers[{place}]", 1), problem.message))
    if found:
        return found
    try:
        check_bed(bed, supplies.materials, path)
    except PlanProblem as problem:
        return [problem]
    return []
