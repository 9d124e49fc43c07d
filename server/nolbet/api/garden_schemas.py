"""What the gardens API takes and gives."""

from __future__ import annotations

from datetime import datetime
from typing import Any, Literal

from ninja import Schema
from pydantic import Field

from nolbet.api.revisions import Restored, Revision
from nolbet.clock import today
from nolbet.gardens.errors import Unreadable
from nolbet.gardens.history import Steps
from nolbet.gardens.models import Bed, BedVersion, Garden, PartVersion
from nolbet.gardens.rows import bed_plan, garden_plan
from nolbet.plans.importing import Kind, State
from nolbet.plans.whole import whole_garden
from nolbet_core.built.state import state_of
from nolbet_core.plan import bed as plan_bed
from nolbet_core.plan.fields import OffsetM
from nolbet_core.plan.garden import Garden as PlanGarden
from nolbet_core.plan.plot import Plot


class KeptBed(Schema):
    """A bed as kept: its plan, its revision, when it was saved, and how far it has come."""

    key: str
    state: plan_bed.State
    revision: int
    saved_at: datetime
    bed: plan_bed.Bed


class GardenHead(Schema):
    """A garden in a list."""

    id: int
    name: str
    beds: int
    deleted_at: datetime | None


class TroubleOut(Schema):
    """Something of a garden that can't be read, or names what isn't there: what it is, and why.

    readable: whether it can be opened and mended.
    """

    kind: Literal["head", "plot", "material", "mix", "bed"]
    key: str
    name: str
    reason: str
    readable: bool


class KeptGarden(Schema):
    """A garden with its beds, and what of it can't be read or doesn't hold together."""

    id: int
    garden: PlanGarden
    head_revision: int
    plot_revision: int
    beds: list[KeptBed]
    troubles: list[TroubleOut]


class NewGarden(Schema):
    """A garden to add."""

    garden: PlanGarden


class NewBed(Schema):
    """A bed to add; its key is made from its name."""

    bed: plan_bed.Bed


class ChangedBed(Schema):
    """A bed to save, with the revision that the change was made from, and the one it brings back where it does."""

    revision: Revision
    bed: plan_bed.Bed
    restores: Restored = None


class EmptyBed(Schema):
    """A bed to take apart, with the revision it was looked at. down_to_m: height above its floor to dig out to."""

    revision: Revision
    how: Literal["onto_heaps", "build_on"] = "onto_heaps"
    down_to_m: OffsetM = 0.0


class ChangedGarden(Schema):
    """A garden's head to save, with the revision that the change was made from."""

    revision: Revision
    garden: PlanGarden


class ChangedUnits(Schema):
    """The units to show a garden in."""

    units: Literal["ft_in", "metric"]


class ChangedPlot(Schema):
    """A plot to save, with the revision that the change was made from, and the one it brings back where it does."""

    revision: Revision
    plot: Plot | None
    restores: Restored = None


class Version(Schema):
    """A bed as it was saved once."""

    revision: int
    saved_at: datetime
    restores: int | None
    bed: plan_bed.Bed


class History(Schema):
    """A bed's versions, newest first, and the revisions that undo and redo lead through, the nearest first."""

    versions: list[Version]
    past: list[int]
    future: list[int]


class PartVersionOut(Schema):
    """A part of a garden as it was saved once, in the plan file's words."""

    revision: int
    saved_at: datetime
    restores: int | None
    document: dict[str, Any] | None


class PartHistory(Schema):
    """A part's versions, newest first, and the revisions that undo and redo lead through, the nearest first."""

    versions: list[PartVersionOut]
    past: list[int]
    future: list[int]


class BinnedBed(Schema):
    """A bed in the bin; without its words where those can't be read."""

    key: str
    name: str
    deleted_at: datetime
    bed: plan_bed.Bed | None


class PlanFile(Schema):
    """A plan file's text, at most 2 MB."""

    text: str = Field(max_length=2 * 1024 * 1024)


class PlanPlace(Schema):
    """One thing that is wrong with a plan file, and where."""

    path: str
    message: str


class PlanChange(Schema):
    """One thing that a plan file would bring, beside what is there."""

    kind: Kind
    key: str
    name: str
    state: State


class PlanReview(Schema):
    """What a plan file would bring, or what is wrong with it."""

    name: str | None
    changes: list[PlanChange]
    problems: list[PlanPlace]


def garden_head(garden: Garden) -> GardenHead:
    """A garden row as a list shows it."""
    beds = garden.beds.filter(deleted_at=None).count()
    return GardenHead(id=garden.pk, name=garden.name, beds=beds, deleted_at=garden.deleted_at)


def kept_bed(bed: Bed) -> KeptBed:
    """A bed row as the page gets it."""
    plan = bed_plan(bed)
    state = state_of(plan, today())
    return KeptBed(key=bed.key, state=state, revision=bed.revision, saved_at=bed.saved_at, bed=plan)


def kept_garden(garden: Garden) -> KeptGarden:
    """A garden row as the page gets it, beds in order, those left out that can't be read."""
    troubles = whole_garden(garden).troubles
    unread = {each.key for each in troubles if each.kind == "bed" and not each.readable}
    rows = garden.beds.filter(deleted_at=None).exclude(key__in=unread)
    return KeptGarden(
        id=garden.pk,
        garden=garden_plan(garden),
        head_revision=garden.head_revision,
        plot_revision=garden.plot_revision,
        beds=[kept_bed(row) for row in rows],
        troubles=[TroubleOut.model_validate(each, from_attributes=True) for each in troubles],
    )


def binned_bed(bed: Bed) -> BinnedBed:
    """A bed row in the bin as the page gets it."""
    return BinnedBed(key=bed.key, name=bed.name, deleted_at=bed.deleted_at or bed.saved_at, bed=_read(bed))


def history_of(versions: list[BedVersion], steps: Steps) -> History:
    """A bed's history as the page gets it, what can't be read of it left out; versions come oldest first."""
    shown = [
        Version(revision=each.revision, saved_at=each.saved_at, restores=each.restores, bed=bed)
        for each in reversed(versions)
        if (bed := _read(each)) is not None
    ]
    return History(versions=shown, past=steps.past[::-1], future=steps.future)


def part_history(versions: list[PartVersion], steps: Steps) -> PartHistory:
    """A part's history as the page gets it; versions come oldest first."""
    shown = [PartVersionOut.model_validate(each, from_attributes=True) for each in reversed(versions)]
    return PartHistory(versions=shown, past=steps.past[::-1], future=steps.future)


def _read(row: Bed | BedVersion) -> plan_bed.Bed | None:
    try:
        return bed_plan(row)
    except Unreadable:
        return None
