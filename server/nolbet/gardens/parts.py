"""What parts of a garden were, save by save: its plot, its mixes, and what it is fed from."""

from __future__ import annotations

from typing import Any, Literal

from nolbet.gardens.history import MOST_STEPS
from nolbet.gardens.models import Garden, PartVersion

PartKind = Literal["plot", "mix", "sources"]


def remember_part(
    garden: Garden,
    kind: PartKind,
    key: str,
    before: tuple[int, Any],
    after: tuple[int, Any],
    restores: int | None = None,
) -> None:
    """Put a save of a part into its history.

    before, after: revision and document, in the plan file's words, before the save and by it. What it was before is put
    there too where nothing was saved since the garden was made. restores: the revision that the save brings back.
    """
    kept = PartVersion.objects.filter(garden=garden, kind=kind, key=key)
    if not kept.filter(revision=before[0]).exists():
        PartVersion.objects.create(garden=garden, kind=kind, key=key, revision=before[0], document=before[1])
    PartVersion.objects.create(
        garden=garden, kind=kind, key=key, revision=after[0], document=after[1], restores=restores
    )
    beyond = kept.values_list("pk", flat=True)[MOST_STEPS : 2 * MOST_STEPS]
    PartVersion.objects.filter(pk__in=list(beyond)).delete()


def part_versions(garden: Garden, kind: PartKind, key: str) -> list[PartVersion]:
    """Versions of a part, as far as undo reaches, oldest first."""
    return list(PartVersion.objects.filter(garden=garden, kind=kind, key=key)[:MOST_STEPS])[::-1]


def forget_part(garden: Garden, kind: PartKind, key: str) -> None:
    """Forget what a part was: another of its key is another thing."""
    PartVersion.objects.filter(garden=garden, kind=kind, key=key).delete()
