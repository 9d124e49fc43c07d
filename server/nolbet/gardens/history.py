"""A bed's history: what was saved when, and which of it undo and redo lead to."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, field

from nolbet.gardens.models import Bed, BedVersion

MOST_STEPS = 200


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


def versions_of(bed: Bed) -> list[BedVersion]:
    """A bed's newest versions, oldest first."""
    return list(bed.versions.select_related("bed")[:MOST_STEPS])[::-1]
