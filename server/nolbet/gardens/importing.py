"""Taking a plan file in: what it would bring or change, and bringing it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any, Literal

from django.db import transaction

from nolbet.gardens.models import Garden
from nolbet.gardens.plans import figures_of, mix_columns, whole_plan
from nolbet.gardens.saving import add_bed, save_bed, save_plot
from nolbet.haul.storing import change_supplier, keep_supplier, replace_stock
from nolbet.shelf.models import Mix, OwnMaterial
from nolbet_core.built.checks import check_plan, gather_supplies
from nolbet_core.plan.garden import Plan

Kind = Literal["material", "mix", "bed", "supplier", "stock", "plot"]
State = Literal["new", "changed", "same"]
PARTS: tuple[tuple[Kind, str], ...] = (
    ("material", "materials"),
    ("mix", "mixes"),
    ("bed", "beds"),
    ("supplier", "suppliers"),
)


@dataclass(frozen=True, slots=True)
class Change:
    """One thing in a plan file beside what a garden has under the same key."""

    kind: Kind
    key: str
    name: str
    state: State


def changes_to(garden: Garden | None, plan: Plan) -> list[Change]:
    """What a plan file would bring to a garden; everything is new where there is none yet."""
    kept = whole_plan(garden) if garden else None
    changes = []
    for kind, part in PARTS:
        before = {each.key: each for each in getattr(kept, part)} if kept else {}
        changes += [
            Change(kind, each.key, _name(each), _state(before.get(each.key), each)) for each in getattr(plan, part)
        ]
    if plan.stock:
        same = kept is not None and kept.stock == plan.stock
        changes.append(Change("stock", "stock", "Heaps on hand", "same" if same else "changed" if kept else "new"))
    if plan.garden.plot:
        before_plot = kept.garden.plot if kept else None
        same = before_plot == plan.garden.plot
        changes.append(Change("plot", "plot", "The plot", "same" if same else "changed" if before_plot else "new"))
    return changes


def _name(thing: Any) -> str:
    return str(getattr(thing, "name", None) or thing.key.replace("_", " ").capitalize())


def _state(before: Any, after: Any) -> State:
    if before is None:
        return "new"
    return "same" if _shown(before) == _shown(after) else "changed"


def _shown(thing: Any) -> dict[str, Any]:
    """A thing without its name where that only repeats its key, and without what is left to its default."""
    document: dict[str, Any] = thing.model_dump(mode="json", exclude_none=True, exclude_defaults=True)
    return document | {"name": _name(thing)}


@transaction.atomic
def bring_into(garden: Garden, plan: Plan) -> None:
    """Bring a plan file into a garden: what is new is added, what has a key of the garden's takes its place.

    Nothing of the garden goes. Raises PlanProblem where the two together don't hold together.
    """
    before = whole_plan(garden)
    _check_together(before, plan)
    states = {(change.kind, change.key): change.state for change in changes_to(garden, plan)}
    for own in plan.materials:
        OwnMaterial.objects.update_or_create(
            garden=garden, key=own.key, defaults={"name": _name(own), "like": own.like, "figures": figures_of(own)}
        )
    for mix in plan.mixes:
        Mix.objects.update_or_create(garden=garden, key=mix.key, defaults=mix_columns(mix))
    kept = {bed.key: bed for bed in garden.beds.all()}
    for bed in plan.beds:
        if bed.key not in kept:
            add_bed(garden, bed, bed.key)
        elif kept[bed.key].deleted_at is not None:
            add_bed(garden, bed)
        elif states["bed", bed.key] == "changed":
            save_bed(kept[bed.key].pk, kept[bed.key].revision, bed)
    suppliers = set(garden.suppliers.values_list("key", flat=True))
    for supplier in plan.suppliers:
        if supplier.key in suppliers:
            change_supplier(garden, supplier.key, supplier)
        else:
            keep_supplier(garden, supplier.key, supplier)
    if plan.stock:
        replace_stock(garden, plan.stock)
    if plan.garden.plot:
        save_plot(garden.pk, garden.plot_revision, plan.garden.plot)
        garden.refresh_from_db()
    garden.shelf_changed()


def _check_together(before: Plan, plan: Plan) -> None:
    together = before.model_copy(
        update={
            part: list((_by_key(getattr(before, part)) | _by_key(getattr(plan, part))).values()) for _, part in PARTS
        }
    )
    check_plan(together, gather_supplies(together.materials, together.mixes))


def _by_key(things: list[Any]) -> dict[str, Any]:
    return {each.key: each for each in things}
