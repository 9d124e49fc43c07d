"""Taking a plan file in: what it would bring or change, and bringing it, all of it or nothing."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any, Literal

from nolbet.gardens.models import Bed, Garden
from nolbet.gardens.rows import crops_column, crops_plan
from nolbet.plans.haul import bring_sources
from nolbet.plans.saving import add_row, change_plot_columns, change_row, save_checked
from nolbet.plans.whole import plan_to_take_out, whole_plan
from nolbet.season.rows import keep_season
from nolbet.shelf.models import Mix, OwnMaterial
from nolbet.shelf.rows import material_columns, mix_columns
from nolbet.water.rows import keep_log, keep_probes, keep_weather
from nolbet.works.rows import change_works, hours_plan, kept_works, works_columns, works_plan
from nolbet_core.built.plan import build_plan
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.log import Dip, HoursSpent, Purchase, season_entries

Kind = Literal["material", "mix", "crop", "bed", "supplier", "stock", "plot", "weather", "log", "probe"]
State = Literal["new", "changed", "same"]

PARTS: tuple[tuple[Kind, str], ...] = (
    ("material", "materials"),
    ("mix", "mixes"),
    ("crop", "crops"),
    ("bed", "beds"),
    ("supplier", "suppliers"),
)
WHOLE: tuple[tuple[Kind, str, str], ...] = (
    ("stock", "stock", "Heaps on hand"),
    ("weather", "weather", "Weather by day"),
    ("log", "log", "What was read"),
    ("probe", "probes", "Probes"),
)
"""Parts of a plan that come as one, by their key and what they are called."""


@dataclass(frozen=True, slots=True)
class Change:
    """One thing in a plan file beside what a garden has under the same key."""

    kind: Kind
    key: str
    name: str
    state: State


def changes_to(garden: Garden | None, plan: Plan) -> list[Change]:
    """What a plan file would bring to a garden; everything is new where there is none yet."""
    return _changes(plan_to_take_out(garden) if garden else None, plan)


def _changes(kept: Plan | None, plan: Plan) -> list[Change]:
    changes = []
    for kind, part in PARTS:
        before = {each.key: each for each in getattr(kept, part)} if kept else {}
        changes += [
            Change(kind, each.key, _name(each), _state(before.get(each.key), each)) for each in getattr(plan, part)
        ]
    for kind, part, name in WHOLE:
        brought = getattr(plan, part)
        if brought:
            same = kept is not None and getattr(kept, part) == brought
            state: State = "same" if same else "changed" if kept is not None and getattr(kept, part) else "new"
            changes.append(Change(kind, part, name, state))
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


def bring_into(garden: Garden, plan: Plan) -> Garden:
    """Bring a plan file into a garden: what is new is added, what has a key of the garden's takes its place.

    Nothing of the garden goes. Raises PlanProblem where the two together don't hold together.
    """
    save_checked(
        garden.pk,
        "changes",
        lambda seen: _checked_together(seen, plan),
        lambda seen, changed: _bring(seen, plan, changed),
    )
    return Garden.objects.get(pk=garden.pk)


def _checked_together(garden: Garden, plan: Plan) -> set[str]:
    """Keys of the beds that change. Raises PlanProblem where garden and plan don't hold together."""
    before = whole_plan(garden)
    together = before.model_copy(
        update={
            part: list((_by_key(getattr(before, part)) | _by_key(getattr(plan, part))).values()) for _, part in PARTS
        }
    )
    build_plan(together).holding()
    return {each.key for each in _changes(before, plan) if each.kind == "bed" and each.state == "changed"}


def _by_key(things: Iterable[Any]) -> dict[str, Any]:
    return {each.key: each for each in things}


def _bring(garden: Garden, plan: Plan, changed: set[str]) -> None:
    for own in plan.materials:
        OwnMaterial.objects.update_or_create(garden=garden, key=own.key, defaults=material_columns(own))
    for mix in plan.mixes:
        Mix.objects.update_or_create(garden=garden, key=mix.key, defaults=mix_columns(mix))
    beds = _bring_beds(garden, plan, changed)
    bought = [each for each in plan.log if isinstance(each, Purchase)]
    if plan.suppliers or plan.stock or bought:
        bring_sources(garden, plan.suppliers, plan.stock, bought)
    _bring_works(garden, plan)
    if plan.garden.plot:
        change_plot_columns(garden, garden.plot_revision, plan.garden.plot)
    keep_weather(garden, plan.weather)
    keep_log(beds, [each for each in plan.log if isinstance(each, Dip)])
    keep_season(garden, beds, season_entries(plan.log))
    keep_probes(beds, plan.probes)
    if plan.crops:
        both = (_by_key(crops_plan(garden)) | _by_key(plan.crops)).values()
        Garden.objects.filter(pk=garden.pk).update(crops=crops_column(both))
    garden.shelf_changed()


def _bring_works(garden: Garden, plan: Plan) -> None:
    """What the plan says of the works takes the place of what was said; time spent is added to what was."""
    spent = [each for each in plan.log if isinstance(each, HoursSpent)]
    if not plan.garden.works and not plan.garden.pace and not spent:
        return
    kept = kept_works(garden)
    there = hours_plan(kept)
    works, pace = plan.garden.works or works_plan(kept), plan.garden.pace or kept.pace
    change_works(garden, kept, works_columns(works, pace, [*there, *(each for each in spent if each not in there)]))


def _bring_beds(garden: Garden, plan: Plan, changed: set[str]) -> dict[str, Bed]:
    """The plan's beds as they are kept then, by the plan's keys; one whose key lies in the bin gets another."""
    kept = {bed.key: bed for bed in garden.beds.all()}
    brought: dict[str, Bed] = {}
    for bed in plan.beds:
        there = kept.get(bed.key)
        if there is None or there.deleted_at is not None:
            brought[bed.key] = add_row(garden, bed, bed.key if there is None else None)
        elif bed.key in changed:
            brought[bed.key] = change_row(there.pk, there.revision, bed)
        else:
            brought[bed.key] = there
    return brought
