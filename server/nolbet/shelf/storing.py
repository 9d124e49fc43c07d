"""Keeping a gardener's own materials."""

from __future__ import annotations

from django.db import transaction

from nolbet.gardens.errors import InUse, Missing
from nolbet.gardens.keys import key_for
from nolbet.gardens.models import Garden
from nolbet.gardens.plans import figures_of, material_plan, mixes_plan, whole_plan
from nolbet.shelf.models import Mix, OwnMaterial
from nolbet_core.plan.bed import materials_named
from nolbet_core.built.checks import gather_supplies
from nolbet_core.plan.garden import OwnMaterial as PlanMaterial
from nolbet_core.shelf.library import standard_shelf


@transaction.atomic
def add_material(garden: Garden, own: PlanMaterial) -> OwnMaterial:
    """Keep a new own material under a key of its own. Raises PlanProblem where it is like none of the shelf."""
    name = own.name or standard_shelf()[own.like].name if own.like in standard_shelf() else own.name or own.key
    others = [material_plan(each) for each in garden.materials.all()]
    mixes = mixes_plan(garden)
    taken = {*standard_shelf(), *(each.key for each in others), *(mix.key for mix in mixes)}
    entry = own.model_copy(update={"key": key_for(name, taken), "name": name})
    gather_supplies([*others, entry], mixes)
    garden.shelf_changed()
    return OwnMaterial.objects.create(
        garden=garden, key=entry.key, name=name, like=entry.like, figures=figures_of(entry)
    )


@transaction.atomic
def change_material(garden: Garden, key: str, own: PlanMaterial) -> OwnMaterial:
    """Keep an own material's new name and figures. Raises Missing where there is none of that key."""
    kept = garden.materials.filter(key=key).first()
    if kept is None:
        raise Missing
    entry = own.model_copy(update={"key": key, "name": own.name or kept.name})
    others = [material_plan(each) for each in garden.materials.exclude(key=key)]
    gather_supplies([*others, entry], mixes_plan(garden))
    kept.name, kept.like, kept.figures = entry.name or kept.name, entry.like, figures_of(entry)
    kept.save()
    garden.shelf_changed()
    return kept


def remove_material(garden: Garden, key: str) -> None:
    """Forget an own material. Raises Missing where there is none, InUse where something is made of it."""
    remove_named(garden, garden.materials.filter(key=key).first(), key)


@transaction.atomic
def remove_named(garden: Garden, kept: OwnMaterial | Mix | None, key: str) -> None:
    """Forget what beds and mixes may name. Raises Missing where it isn't there, InUse where something is made of it."""
    if kept is None:
        raise Missing
    users = material_users(garden, key)
    if users:
        raise InUse(f"{kept.name} is used in {', '.join(users)}: change that first.")
    kept.delete()
    garden.shelf_changed()


def material_users(garden: Garden, key: str) -> list[str]:
    """Names of beds, mixes, suppliers, paths and heaps that name a material."""
    plan = whole_plan(garden)
    courses = plan.garden.plot.courses if plan.garden.plot else []
    things: list[tuple[str, set[str]]] = [
        *((bed.title, materials_named(bed)) for bed in plan.beds),
        *((mix.name or mix.key, {part.material for part in mix.parts}) for mix in plan.mixes),
        *((each.name or each.key, {offer.material for offer in each.offers}) for each in plan.suppliers),
        ("the paths", {course.material for course in courses}),
        ("your heaps", {heap.material for heap in plan.stock}),
    ]
    return [name for name, named in things if key in named]
