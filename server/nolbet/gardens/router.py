"""Gardens and beds: list, load, add, save."""

from __future__ import annotations

from django.http import HttpRequest
from ninja import Router, Status
from nolbet_core.figure.walk import figure_bed

from nolbet.gardens.models import Garden
from nolbet.gardens.owned import own_bed, own_garden
from nolbet.gardens.plans import garden_plan, garden_supplies
from nolbet.gardens.saving import add_bed, save_bed
from nolbet.gardens.schemas import (
    ChangedBed,
    ChangedUnits,
    GardenHead,
    KeptBed,
    KeptGarden,
    NewBed,
    kept_bed,
    kept_garden,
)

router = Router(tags=["gardens"])


@router.get("", response=list[GardenHead])
def list_gardens(request: HttpRequest) -> list[Garden]:
    """The signed-in gardener's gardens."""
    return list(Garden.objects.filter(owner_id=request.user.pk))


@router.get("/{garden_id}", response=KeptGarden, exclude_none=True)
def load_garden(request: HttpRequest, garden_id: int) -> KeptGarden:
    """A garden with its beds."""
    return kept_garden(own_garden(request, garden_id))


@router.put("/{garden_id}/units", response=KeptGarden, exclude_none=True)
def change_units(request: HttpRequest, garden_id: int, changed: ChangedUnits) -> KeptGarden:
    """Show a garden in feet and inches or in metric units."""
    garden = own_garden(request, garden_id)
    garden.units = changed.units
    garden.save(update_fields=["units"])
    return kept_garden(garden)


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
    return kept_bed(save_bed(kept.pk, changed.revision, changed.bed))
