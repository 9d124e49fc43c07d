"""Beds: add, save by revision, look back, take out as it lies, put into the bin and take out."""

from __future__ import annotations

from typing import Annotated

from django.http import HttpRequest
from django.utils import timezone
from ninja import Query, Router, Status

from nolbet.api.garden_schemas import (
    BinnedBed,
    ChangedBed,
    EmptyBed,
    History,
    KeptBed,
    NewBed,
    binned_bed,
    history_of,
    kept_bed,
)
from nolbet.api.revisions import Revision
from nolbet.gardens.bin import bin_bed, take_bed_back
from nolbet.gardens.errors import Unreadable
from nolbet.gardens.history import MOST_STEPS, steps_of, versions_of
from nolbet.gardens.owned import own_bed, own_garden
from nolbet.plans.emptying import empty_kept
from nolbet.plans.saving import add_bed, save_bed

router = Router(tags=["beds"])


@router.post("/{garden_id}/beds", response={201: KeptBed}, exclude_none=True, by_alias=True)
def create_bed(request: HttpRequest, garden_id: int, new: NewBed) -> Status[KeptBed]:
    """Keep a new bed. It has to hold together, as every bed kept."""
    return Status(201, kept_bed(add_bed(own_garden(request, garden_id).pk, new.bed)))


@router.put("/{garden_id}/beds/{key}", response=KeptBed, exclude_none=True, by_alias=True)
def change_bed(request: HttpRequest, garden_id: int, key: str, changed: ChangedBed) -> KeptBed:
    """Keep a changed bed, if nobody changed it since."""
    kept = own_bed(request, garden_id, key)
    return kept_bed(save_bed(kept, changed.revision, changed.bed, changed.restores))


@router.get("/{garden_id}/beds/{key}/history", response=History, exclude_none=True, by_alias=True)
def bed_history(
    request: HttpRequest,
    garden_id: int,
    key: str,
    before: Annotated[Revision | None, Query()] = None,
    most: Annotated[int, Query(ge=1, le=MOST_STEPS)] = MOST_STEPS,
) -> History:
    """What a bed was, save by save, a page at a time, and where undo and redo stand.

    before: the revision that the page comes before; the newest unless said. most: how many are answered.
    """
    bed = own_bed(request, garden_id, key)
    return history_of(versions_of(bed, before, most), steps_of(bed))


@router.delete("/{garden_id}/beds/{key}", response={204: None})
def delete_bed(request: HttpRequest, garden_id: int, key: str) -> Status[None]:
    """Put a bed into the bin, whence it comes back for 30 days."""
    bin_bed(own_bed(request, garden_id, key), timezone.now())
    return Status(204, None)


@router.post("/{garden_id}/beds/{key}/empty", response=KeptBed, exclude_none=True, by_alias=True)
def empty_one(request: HttpRequest, garden_id: int, key: str, wish: EmptyBed) -> KeptBed:
    """Take a bed apart onto the gardener's heaps as it lies today, or begin a new stack on what is left of it."""
    kept = own_bed(request, garden_id, key)
    return kept_bed(empty_kept(kept, wish.revision, wish.how, wish.down_to_m))


@router.get("/{garden_id}/bin", response=list[BinnedBed], exclude_none=True, by_alias=True)
def list_bin(request: HttpRequest, garden_id: int) -> list[BinnedBed]:
    """Beds in a garden's bin, the last first."""
    beds = own_garden(request, garden_id).beds.exclude(deleted_at=None).order_by("-deleted_at")
    return [binned_bed(bed) for bed in beds]


@router.post("/{garden_id}/beds/{key}/take-back", response={200: KeptBed, 204: None}, exclude_none=True, by_alias=True)
def restore_bed(request: HttpRequest, garden_id: int, key: str) -> Status[KeptBed] | Status[None]:
    """Take a bed out of the bin; one that can't be read comes back as the garden's trouble."""
    bed = take_bed_back(own_garden(request, garden_id), key)
    try:
        return Status(200, kept_bed(bed))
    except Unreadable:
        return Status(204, None)
