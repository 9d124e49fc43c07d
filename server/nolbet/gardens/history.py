"""A bed's history: what was saved when, which of it undo and redo lead to, and how it is thinned."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, field

from django.db.models import TextField
from django.db.models.functions import Cast, Length

from nolbet.gardens.models import Bed, BedVersion

MOST_STEPS = 200
"""How far undo reaches."""

MOST_BYTES = 2_000_000
"""What a bed's versions take together; an elaborate bed is undone less far for it."""

FEWEST_STEPS = 20
"""So many are kept whatever they take."""


@dataclass(slots=True)
class Steps:
    """Revisions that undo leads back through (the nearest last) and redo forward through (the nearest first)."""

    past: list[int] = field(default_factory=list)
    present: int | None = None
    future: list[int] = field(default_factory=list)


def walk_steps(saves: Iterable[tuple[int, int | None]]) -> Steps:
    """Where undo and redo stand after a run of saves.

    saves: revision and the revision it brought back, if any, oldest first. A save that brings back the step before is
    an undo, one that brings back the step after is a redo; everything else is a new step, from which nothing is redone.
    """
    steps = Steps()
    for revision, restores in saves:
        if steps.present is None:
            steps.present = revision
        elif restores is not None and steps.past and restores == steps.past[-1]:
            steps.future.insert(0, steps.present)
            steps.present = steps.past.pop()
        elif restores is not None and steps.future and restores == steps.future[0]:
            steps.past.append(steps.present)
            steps.present = steps.future.pop(0)
        else:
            steps.past.append(steps.present)
            steps.present = revision
            steps.future = []
    return steps


def versions_of(bed: Bed, before: int | None, most: int) -> list[BedVersion]:
    """A bed's newest versions before a revision, or of all, oldest first; so many of them at most."""
    versions = bed.versions.select_related("bed")
    if before is not None:
        versions = versions.filter(revision__lt=before)
    return list(versions[:most])[::-1]


def steps_of(bed: Bed) -> Steps:
    """Where undo and redo stand, as far as undo reaches."""
    return walk_steps(list(bed.versions.values_list("revision", "restores")[:MOST_STEPS])[::-1])


def thin_versions(bed: Bed) -> None:
    """Of versions that undo doesn't reach any more keep the last of each day, for good.

    A bed that is drawn all day for years keeps a few hundred, and what it was on any day can still be looked at, as far
    as that takes no more than MOST_BYTES.
    """
    beyond = bed.versions.values_list("pk", "saved_at")[MOST_STEPS : 2 * MOST_STEPS]
    days = set()
    gone = []
    for pk, saved_at in beyond:
        if saved_at.date() in days:
            gone.append(pk)
        days.add(saved_at.date())
    BedVersion.objects.filter(pk__in=gone).delete()
    _thin_by_size(bed)


def _thin_by_size(bed: Bed) -> None:
    """Of a bed's versions keep the newest that fit into what they may take together."""
    sizes = bed.versions.annotate(bytes=Length(Cast("cut", TextField()))).values_list("pk", "bytes")
    taken, gone = 0, []
    for at, (pk, size) in enumerate(sizes):
        taken += size
        if at >= FEWEST_STEPS and taken > MOST_BYTES:
            gone.append(pk)
    BedVersion.objects.filter(pk__in=gone).delete()
