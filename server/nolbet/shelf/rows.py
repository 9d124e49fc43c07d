"""A garden's own materials and mixes read as the plan writes them, and kept."""

from __future__ import annotations

from typing import Any

from pydantic import ValidationError

from nolbet.gardens.errors import Unreadable
from nolbet.gardens.models import Garden
from nolbet.shelf.models import Mix, OwnMaterial
from nolbet_core.built.mixes import title_of
from nolbet_core.plan.garden import OwnMaterial as PlanMaterial
from nolbet_core.plan.mix import PlanMix
from nolbet_core.plan.problems import from_validation
from nolbet_core.plan.upgrade import EDITION, TooNew, upgraded


def material_plan(own: OwnMaterial) -> PlanMaterial:
    """A kept own material as the plan writes it. Raises Unreadable."""
    try:
        return PlanMaterial.model_validate({**own.figures, "key": own.key, "name": own.name, "like": own.like})
    except (ValidationError, TypeError) as error:
        raise Unreadable(_why(error)) from error


def material_columns(own: PlanMaterial) -> dict[str, Any]:
    """What is kept of an own material, beside its key."""
    figures = own.model_dump(exclude={"key", "name", "like"}, exclude_none=True)
    return {"name": own.name or own.key, "like": own.like, "figures": figures}


def mix_plan(mix: Mix) -> PlanMix:
    """A kept mix as the plan writes it. Raises Unreadable."""
    try:
        document = upgraded("mix", raw_document(mix), mix.edition)
        return PlanMix.model_validate(document)
    except TooNew as problem:
        raise Unreadable(str(problem)) from problem
    except (ValidationError, TypeError) as error:
        raise Unreadable(_why(error)) from error


def mix_columns(mix: PlanMix) -> dict[str, Any]:
    """What is kept of a mix, beside its key."""
    more = mix.model_dump(mode="json", exclude_none=True, include={"bucket_test", "target"})
    if mix.doses:
        more["doses"] = [dose.model_dump() for dose in mix.doses]
    parts = [part.model_dump(exclude_none=True) for part in mix.parts]
    return {"name": title_of(mix), "parts": parts, "more": more, "edition": EDITION}


def raw_material(own: OwnMaterial) -> dict[str, Any]:
    """An own material's row as it lies in the database, readable or not."""
    return {"key": own.key, "name": own.name, "like": own.like, "document": own.figures}


def raw_mix(mix: Mix) -> dict[str, Any]:
    """A mix's row as it lies in the database, readable or not."""
    return {"key": mix.key, "name": mix.name, "edition": mix.edition, "parts": mix.parts, "document": mix.more}


def raw_document(mix: Mix) -> dict[str, Any]:
    """A mix's row in the plan file's words, as it lies in the database."""
    return {**mix.more, "key": mix.key, "name": mix.name, "parts": mix.parts}


def keep_materials(garden: Garden, materials: list[PlanMaterial]) -> None:
    """Keep own materials of a new garden."""
    OwnMaterial.objects.bulk_create(
        OwnMaterial(garden=garden, key=own.key, **material_columns(own)) for own in materials
    )


def keep_mixes(garden: Garden, mixes: list[PlanMix]) -> None:
    """Keep mixes of a new garden."""
    Mix.objects.bulk_create(Mix(garden=garden, key=mix.key, **mix_columns(mix)) for mix in mixes)


def _why(error: Exception) -> str:
    if isinstance(error, ValidationError):
        return "; ".join(str(problem) for problem in from_validation(error)[:3])
    return "its document isn't what it is written as"
