"""A garden's works read as the plan writes them, and kept."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from pydantic import ValidationError

from nolbet.gardens.errors import StaleChange
from nolbet.gardens.models import Garden
from nolbet.works.models import KeptWorks
from nolbet_core.plan.log import HoursSpent
from nolbet_core.plan.works import Factor, WorkKind, Works

Pace = Mapping[WorkKind, Factor]


def kept_works(garden: Garden) -> KeptWorks:
    """A garden's works as they are kept; of one that has none yet the first, not kept."""
    try:
        return garden.works
    except KeptWorks.DoesNotExist:
        return KeptWorks(garden=garden, revision=0)


def works_plan(kept: KeptWorks) -> Works | None:
    """Kept works as the plan writes them; None where nothing was said of them, or it can't be read."""
    if not kept.words:
        return None
    try:
        return Works.model_validate(kept.words)
    except ValidationError:
        return None


def hours_plan(kept: KeptWorks) -> list[HoursSpent]:
    """Time that steps took."""
    return [HoursSpent.model_validate(each) for each in kept.hours]


def works_columns(works: Works | None, pace: Pace | None, hours: Sequence[HoursSpent]) -> dict[str, Any]:
    """What is kept of works."""
    return {
        "words": works.model_dump(mode="json", exclude_none=True, exclude_defaults=True) if works else {},
        "pace": dict(pace or {}),
        "hours": [each.model_dump(mode="json", exclude_none=True) for each in hours],
    }


def change_works(garden: Garden, kept: KeptWorks, columns: Mapping[str, Any]) -> KeptWorks:
    """Keep changed works in place of those that were read before.

    Raises StaleChange where they were changed since.
    """
    if kept.pk is None:
        garden.changed()
        return KeptWorks.objects.create(garden=garden, **columns)
    newer = kept.revision + 1
    if not KeptWorks.objects.filter(pk=kept.pk, revision=kept.revision).update(**columns, revision=newer):
        raise StaleChange("The works were")
    garden.changed()
    return KeptWorks(pk=kept.pk, garden=garden, revision=newer, **columns)
