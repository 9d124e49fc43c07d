"""Beds: add, save by revision, look back, put into the bin and take out."""

from __future__ import annotations

from django.http import HttpRequest
from django.utils import timezone
from ninja import Router, Status

from nolbet.gardens.bin import bin_bed, take_bed_back
from nolbet.gardens.history import versions_of, walk_steps
from nolbet.gardens.owned import own_bed, own_garden
from nolbet.gardens.plans import bed_plan, garden_plan, garden_supplies
from nolbet.gardens.saving import add_bed, save_bed
from nolbet.gardens.schemas import BinnedBed, ChangedBed, History, KeptBed, NewBed, history_of, kept_bed
from nolbet_core.figure.walk import figure_bed

router = Router(tags=["beds"])


@router.post("/{garden_id}/beds", response={201: KeptBed}, exclude_none=True)
def create_bed(request: HttpRequest, garden_id: int, new: NewBed) -> Status[KeptBed]:
    """Keep a new bed. It has to hold together, as every bed kept."""
    garden = own_garden(request, garden_id)
    figure_bed(new.bed, garden_plan(garden), garden_supplies(garden))
    return Status(201, kept_bed(add_bed(garden, new.bed)))


@router.put("/{garden_id}/beds/{key}", response=KeptBed, exclude_none=True)
def change_bed(request: HttpRequest, garden_id: int, key: str, changed: ChangedBed) -> KeptBed:
    """Keep a changed bed, if nobody changed it since."""
    kept = own_bed(request, garden_id, key)
    figure_bed(changed.bed, garden_plan(kept.garden), garden_supplies(kept.garden))
    return kept_bed(save_bed(kept.pk, changed.revision, changed.bed, changed.restores))


@router.get("/{garden_id}/beds/{key}/history", response=History, exclude_none=True)
def bed_history(request: HttpRequest, garden_id: int, key: str) -> History:
    """What a bed was, save by save, and where undo and redo stand."""
    versions = versions_of(own_bed(request, garden_id, key))
    return history_of(versions, walk_steps((each.revision, each.restores) for each in versions))


@router.delete("/{garden_id}/beds/{key}", response={204: None})
def delete_bed(request: HttpRequest, garden_id: int, key: str) -> Status[None]:
    """Put a bed into the bin, whence it comes back for 30 days."""
    bin_bed(own_bed(request, garden_id, key), timezone.now())
    return Status(204, None)


@router.get("/{garden_id}/bin", response=list[BinnedBed], exclude_none=True)
def list_bin(request: HttpRequest, garden_id: int) -> list[BinnedBed]:
    """Beds in a garden's bin, the last first."""
    beds = own_garden(request, garden_id).beds.exclude(deleted_at=None).order_by("-deleted_at")
    return [BinnedBed(key=bed.key, deleted_at=bed.deleted_at, bed=bed_plan(bed)) for bed in beds if bed.deleted_at]


@router.post("/{garden_id}/beds/{key}/take-back", response=KeptBed, exclude_none=True)
def restore_bed(request: HttpRequest, garden_id: int, key: str) -> KeptBed:
    """Take a bed out of the bin."""
    return kept_bed(take_bed_back(own_garden(request, garden_id), key))
