"""What of a garden is made of a material or a mix, and what wouldn't hold together any more if it changed."""

from __future__ import annotations

from collections.abc import Iterator

from pydantic import BaseModel

from nolbet_core.built.bed import build_bed
from nolbet_core.built.supplies import Supplies
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.named import material_keys


def things_of(plan: Plan) -> Iterator[tuple[str, BaseModel]]:
    """Everything in a plan that may name a material, with what it is called."""
    yield from ((bed.title, bed) for bed in plan.beds)
    yield from ((mix.name or mix.key, mix) for mix in plan.mixes)
    yield from ((each.name or each.key, each) for each in plan.suppliers)
    if plan.garden.plot is not None:
        yield "the paths", plan.garden.plot
    yield from (("your heaps", heap) for heap in plan.stock)


def users_of(plan: Plan, key: str) -> list[str]:
    """What in a plan names a material or a mix, each once."""
    return list(dict.fromkeys(name for name, thing in things_of(plan) if key in material_keys(thing)))


def broken_by(plan: Plan, before: Supplies, after: Supplies) -> list[str]:
    """Beds that hold together with what there was and wouldn't with what there is to be, each with why."""
    broken = []
    for bed in plan.beds:
        checked = build_bed(bed, after.materials, bed.title)
        if checked.problems and not build_bed(bed, before.materials, bed.title).problems:
            broken.append(str(checked.problems[0]))
    return broken
