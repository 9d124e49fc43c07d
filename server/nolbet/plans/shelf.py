"""Changing what a garden's layers may name: own materials and mixes, checked against all that is made of them."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from nolbet.gardens.errors import InUse, Missing, StaleChange
from nolbet.gardens.keys import key_for
from nolbet.gardens.models import Garden
from nolbet.gardens.parts import forget_part, remember_part
from nolbet.plans.saving import save_checked
from nolbet.plans.supplies import Shelf, garden_shelf
from nolbet.plans.uses import broken_by, users_of
from nolbet.plans.whole import whole_plan
from nolbet.shelf.models import Mix, OwnMaterial
from nolbet.shelf.rows import material_columns, mix_columns, raw_document
from nolbet_core.built.mixes import title_of
from nolbet_core.built.supplies import Supplies, gather_supplies
from nolbet_core.plan.garden import OwnMaterial as PlanMaterial
from nolbet_core.plan.mix import PlanMix
from nolbet_core.shelf.library import standard_shelf


def add_material(garden_id: int, own: PlanMaterial) -> OwnMaterial:
    """Keep a new own material under a key of its own. Raises PlanProblem where it is like none of the shelf."""
    return save_checked(garden_id, "shelf_stamp", lambda seen: _new_material(seen, own), _keep_material)


def _new_material(garden: Garden, own: PlanMaterial) -> PlanMaterial:
    shelf = garden_shelf(garden)
    like = standard_shelf().get(own.like)
    name = own.name or (like.name if like else own.key)
    entry = own.model_copy(update={"key": key_for(name, _taken(garden)), "name": name})
    gather_supplies([*shelf.materials, entry], shelf.mixes).holding()
    return entry


def _keep_material(garden: Garden, entry: PlanMaterial) -> OwnMaterial:
    garden.shelf_changed()
    return OwnMaterial.objects.create(garden=garden, key=entry.key, **material_columns(entry))


def measure_material(garden_id: int, key: str, figures: Mapping[str, float]) -> None:
    """Keep figures of a material as they were measured: in the gardener's own one, else in the shelf's as hers.

    Raises Missing where there is none of that key, or it is a mix; InUse where something that is made of it wouldn't
    hold together any more.
    """

    def check(garden: Garden) -> PlanMaterial:
        shelf = garden_shelf(garden)
        kept = next((each for each in shelf.materials if each.key == key), None)
        if kept is None and key not in standard_shelf():
            raise Missing
        entry = kept or PlanMaterial(key=key, like=key, name=standard_shelf()[key].name)
        entry = PlanMaterial.model_validate({**entry.model_dump(exclude_none=True), **figures})
        others = [each for each in shelf.materials if each.key != key]
        _refuse_breaking(garden, shelf, [*others, entry], shelf.mixes, entry.name or key)
        return entry

    def keep(garden: Garden, entry: PlanMaterial) -> None:
        columns = material_columns(entry)
        kept, new = OwnMaterial.objects.get_or_create(garden=garden, key=key, defaults=columns)
        if not new:
            for name, value in columns.items():
                setattr(kept, name, value)
            kept.revision += 1
            kept.save(update_fields=[*columns, "revision"])
        garden.shelf_changed()

    save_checked(garden_id, "changes", check, keep)


def change_material(garden_id: int, key: str, own: PlanMaterial, revision: int | None) -> OwnMaterial:
    """Keep an own material's new name and figures. revision: that it was changed from, where that is known.

    Raises Missing where there is none of that key, StaleChange where it was changed since, InUse where something that
    is made of it wouldn't hold together any more.
    """

    def check(garden: Garden) -> PlanMaterial:
        kept = garden.materials.filter(key=key).first()
        if kept is None:
            raise Missing
        entry = own.model_copy(update={"key": key, "name": own.name or kept.name})
        shelf = garden_shelf(garden)
        others = [each for each in shelf.materials if each.key != key]
        _refuse_breaking(garden, shelf, [*others, entry], shelf.mixes, entry.name or key)
        return entry

    def keep(garden: Garden, entry: PlanMaterial) -> OwnMaterial:
        kept = garden.materials.get(key=key)
        if revision is not None and kept.revision != revision:
            raise StaleChange(f"{kept.name} was")
        columns = material_columns(entry)
        for name, value in columns.items():
            setattr(kept, name, value)
        kept.revision += 1
        kept.save(update_fields=[*columns, "revision"])
        garden.shelf_changed()
        return kept

    return save_checked(garden_id, "changes", check, keep)


def add_mix(garden_id: int, mix: PlanMix) -> Mix:
    """Keep a new mix under a key of its own. Raises PlanProblem where it can't be mixed."""
    return save_checked(garden_id, "shelf_stamp", lambda seen: _new_mix(seen, mix), _keep_mix)


def _new_mix(garden: Garden, mix: PlanMix) -> PlanMix:
    shelf, title = garden_shelf(garden), title_of(mix)
    entry = mix.model_copy(update={"key": key_for(title, _taken(garden)), "name": title})
    gather_supplies(shelf.materials, [*shelf.mixes, entry]).holding()
    return entry


def _keep_mix(garden: Garden, entry: PlanMix) -> Mix:
    garden.shelf_changed()
    return Mix.objects.create(garden=garden, key=entry.key, **mix_columns(entry))


def change_mix(garden_id: int, key: str, mix: PlanMix, revision: int, restores: int | None = None) -> Mix:
    """Keep a mix's new recipe. restores: the earlier revision that the change brings back, where it does.

    Raises Missing where there is none of that key, StaleChange where it was changed since `revision`, PlanProblem where
    it can't be mixed, InUse where something that is made of it wouldn't hold together any more.
    """

    def check(garden: Garden) -> PlanMix:
        kept = garden.mixes.filter(key=key).first()
        if kept is None:
            raise Missing
        entry = mix.model_copy(update={"key": key, "name": mix.name or kept.name})
        shelf = garden_shelf(garden)
        others = [each for each in shelf.mixes if each.key != key]
        _refuse_breaking(garden, shelf, shelf.materials, [*others, entry], entry.name or key)
        return entry

    def keep(garden: Garden, entry: PlanMix) -> Mix:
        kept = garden.mixes.get(key=key)
        if kept.revision != revision:
            raise StaleChange(f"{kept.name} was")
        before = raw_document(kept)
        columns = mix_columns(entry)
        for name, value in columns.items():
            setattr(kept, name, value)
        kept.revision += 1
        kept.save(update_fields=[*columns, "revision"])
        remember_part(garden, "mix", key, (revision, before), (kept.revision, raw_document(kept)), restores)
        garden.shelf_changed()
        return kept

    return save_checked(garden_id, "changes", check, keep)


def remove_material(garden_id: int, key: str) -> None:
    """Forget an own material. Raises Missing where there is none, InUse where something is made of it."""
    _remove(garden_id, key, OwnMaterial)


def remove_mix(garden_id: int, key: str) -> None:
    """Forget a mix. Raises Missing where there is none, InUse where something is made of it."""
    _remove(garden_id, key, Mix)


def _remove(garden_id: int, key: str, model: type[OwnMaterial] | type[Mix]) -> None:
    def check(garden: Garden) -> None:
        kept = model.objects.filter(garden=garden, key=key).first()
        if kept is None:
            raise Missing
        users = users_of(whole_plan(garden), key)
        if users:
            raise InUse(f"{kept.name} is used in {', '.join(users)}: change that first.")

    def keep(garden: Garden, _: None) -> None:
        model.objects.filter(garden=garden, key=key).delete()
        forget_part(garden, "mix", key)
        garden.shelf_changed()

    save_checked(garden_id, "changes", check, keep)


def _refuse_breaking(
    garden: Garden, shelf: Shelf, materials: Sequence[PlanMaterial], mixes: Sequence[PlanMix], name: str
) -> Supplies:
    """What there is to be. Raises PlanProblem where it doesn't hold, InUse where a bed would fall apart by it."""
    after = gather_supplies(materials, mixes).holding()
    broken = broken_by(whole_plan(garden), shelf.supplies, after)
    if broken:
        raise InUse(f"{name} can't be changed so, since it is used: {'; '.join(broken[:3])}. Change that first.")
    return after


def _taken(garden: Garden) -> set[str]:
    own = garden.materials.values_list("key", flat=True)
    return {*standard_shelf(), *own, *garden.mixes.values_list("key", flat=True)}
