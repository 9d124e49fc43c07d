"""A garden's works read as the plan writes them, and kept."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from django.db.models import F
from pydantic import ValidationError

from nolbet.gardens.errors import StaleChange
from nolbet.gardens.models import Garden
from nolbet.works.models import KeptWorks
from nolbet_core.plan.log import HoursSpent
from nolbet_core.plan.works import Factor, WorkKind, Works

Pace = Mapping[WorkKind, Factor]


def kept_works(garden: Garden) -> KeptWorks:
    """A garden's works as they are kept; of one that has none yet the first, not kept."""
    found = KeptWorks.objects.filter(garden=garden).first()
    return found or KeptWorks(garden=garden, revision=0)


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


def change_works(garden: Garden, revision: int, columns: Mapping[str, Any]) -> KeptWorks:
    """Keep changed works. Raises StaleChange where they were changed since `revision`."""
    kept = KeptWorks.objects.filter(garden=garden).first()
    if kept is None:
        if revision != 0:
            raise StaleChange("The works were")
        made = KeptWorks.objects.create(garden=garden, **columns)
        garden.changed()
        return made
    changed = KeptWorks.objects.filter(garden=garden, revision=revision).update(**columns, revision=F("revision") + 1)
    if not changed:
        raise StaleChange("The works were")
    garden.changed()
    return KeptWorks.objects.get(garden=garden)
