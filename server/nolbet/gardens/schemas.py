"""What the gardens API takes and gives."""

from __future__ import annotations

from datetime import datetime
from typing import Literal

from ninja import Schema
from nolbet_core.plan import bed as plan_bed
from nolbet_core.plan.garden import Garden as PlanGarden

from nolbet.gardens.models import Bed, Garden
from nolbet.gardens.plans import bed_plan, garden_plan


class KeptBed(Schema):
    """A bed as kept: its plan, its revision and when it was saved."""

    key: str
    revision: int
    saved_at: datetime
    bed: plan_bed.Bed


class GardenHead(Schema):
    """A garden in a list."""

    id: int
    name: str


class KeptGarden(Schema):
    """A garden with its beds."""

    id: int
    garden: PlanGarden
    beds: list[KeptBed]


class NewBed(Schema):
    """A bed to add; its key is made from its name."""

    bed: plan_bed.Bed


class ChangedBed(Schema):
    """A bed to save, with the revision that the change was made from."""

    revision: int
    bed: plan_bed.Bed


class ChangedUnits(Schema):
    """The units to show a garden in."""

    units: Literal["ft_in", "metric"]


def kept_bed(bed: Bed) -> KeptBed:
    """A bed row as the page gets it."""
    return KeptBed(key=bed.key, revision=bed.revision, saved_at=bed.saved_at, bed=bed_plan(bed))


def kept_garden(garden: Garden) -> KeptGarden:
    """A garden row as the page gets it, beds in order."""
    return KeptGarden(id=garden.pk, garden=garden_plan(garden), beds=[kept_bed(bed) for bed in garden.beds.all()])
