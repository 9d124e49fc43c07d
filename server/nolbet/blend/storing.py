"""Keeping a garden's soil mixes."""

from __future__ import annotations

from django.db import transaction

from nolbet.gardens.errors import Missing
from nolbet.gardens.keys import key_for
from nolbet.gardens.models import Garden
from nolbet.gardens.plans import material_plan, mix_columns, mix_plan
from nolbet.shelf.models import Mix
from nolbet.shelf.storing import remove_named
from nolbet_core.built.checks import gather_supplies
from nolbet_core.plan.mix import PlanMix
from nolbet_core.built.mixes import title_of
from nolbet_core.shelf.library import standard_shelf


@transaction.atomic
def add_mix(garden: Garden, mix: PlanMix) -> Mix:
    """Keep a new mix under a key of its own. Raises PlanProblem where it can't be mixed."""
    own = [material_plan(each) for each in garden.materials.all()]
    others = [mix_plan(each) for each in garden.mixes.all()]
    taken = {*standard_shelf(), *(each.key for each in own), *(each.key for each in others)}
    entry = mix.model_copy(update={"key": key_for(title_of(mix), taken), "name": title_of(mix)})
    gather_supplies(own, [*others, entry])
    garden.shelf_changed()
    return Mix.objects.create(garden=garden, key=entry.key, **mix_columns(entry))


@transaction.atomic
def change_mix(garden: Garden, key: str, mix: PlanMix) -> Mix:
    """Keep a mix's new recipe. Raises Missing where there is none of that key, PlanProblem where it can't be mixed."""
    kept = garden.mixes.filter(key=key).first()
    if kept is None:
        raise Missing
    entry = mix.model_copy(update={"key": key, "name": mix.name or kept.name})
    own = [material_plan(each) for each in garden.materials.all()]
    gather_supplies(own, [*(mix_plan(each) for each in garden.mixes.exclude(key=key)), entry])
    for name, value in mix_columns(entry).items():
        setattr(kept, name, value)
    kept.save()
    garden.shelf_changed()
    return kept


def remove_mix(garden: Garden, key: str) -> None:
    """Forget a mix. Raises Missing where there is none, InUse where something is made of it."""
    remove_named(garden, garden.mixes.filter(key=key).first(), key)
