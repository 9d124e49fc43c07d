"""Gardens: list, load, add, change, and the bin that deleted ones lie in."""

from __future__ import annotations

from django.http import HttpRequest
from django.utils import timezone
from ninja import Router, Status

from nolbet.api.garden_schemas import (
    ChangedGarden,
    ChangedPlot,
    ChangedUnits,
    GardenHead,
    KeptGarden,
    NewGarden,
    PartHistory,
    garden_head,
    kept_garden,
    part_history,
)
from nolbet.gardens.bin import bin_garden, take_garden_back
from nolbet.gardens.history import walk_steps
from nolbet.gardens.models import Garden
from nolbet.gardens.owned import own_garden, signed_in_id
from nolbet.gardens.parts import PartKind, part_versions
from nolbet.plans.saving import save_head, save_plot, save_units
from nolbet.plans.storing import store_plan
from nolbet.plans.whole import plan_to_take_out
from nolbet_core.plan.garden import FORMAT, Plan

router = Router(tags=["gardens"])


@router.get("", response=list[GardenHead])
def list_gardens(request: HttpRequest) -> list[GardenHead]:
    """The signed-in gardener's gardens; those in the bin come last, with when they were put there."""
    gardens = Garden.objects.filter(owner_id=signed_in_id(request))
    return [garden_head(garden) for garden in sorted(gardens, key=lambda each: each.deleted_at is not None)]


@router.post("", response={201: KeptGarden}, exclude_none=True, by_alias=True)
def create_garden(request: HttpRequest, new: NewGarden) -> Status[KeptGarden]:
    """Keep a new garden without beds."""
    garden = store_plan(signed_in_id(request), Plan(format=FORMAT, garden=new.garden))
    return Status(201, kept_garden(garden))


@router.get("/{garden_id}", response=KeptGarden, exclude_none=True, by_alias=True)
def load_garden(request: HttpRequest, garden_id: int) -> KeptGarden:
    """A garden with its beds, and what of it can't be read."""
    return kept_garden(own_garden(request, garden_id))


@router.put("/{garden_id}", response=KeptGarden, exclude_none=True, by_alias=True)
def change_garden(request: HttpRequest, garden_id: int, changed: ChangedGarden) -> KeptGarden:
    """Keep a garden's name, money, units and climate, if nobody changed them since; its plot is kept by itself."""
    garden = own_garden(request, garden_id)
    return kept_garden(save_head(garden.pk, changed.revision, changed.garden))


@router.put("/{garden_id}/units", response=KeptGarden, exclude_none=True, by_alias=True)
def change_units(request: HttpRequest, garden_id: int, changed: ChangedUnits) -> KeptGarden:
    """Show a garden in feet and inches or in metric units."""
    return kept_garden(save_units(own_garden(request, garden_id).pk, changed.units))


@router.put("/{garden_id}/plot", response=KeptGarden, exclude_none=True, by_alias=True)
def change_plot(request: HttpRequest, garden_id: int, changed: ChangedPlot) -> KeptGarden:
    """Keep a changed plot, if nobody changed it since. It has to hold together."""
    return kept_garden(save_plot(own_garden(request, garden_id).pk, changed.revision, changed.plot, changed.restores))


@router.get("/{garden_id}/history/{kind}/{key}", response=PartHistory, exclude_none=True, by_alias=True)
def load_part_history(request: HttpRequest, garden_id: int, kind: PartKind, key: str) -> PartHistory:
    """What a part of a garden was, save by save, and where undo and redo stand."""
    versions = part_versions(own_garden(request, garden_id), kind, key)
    return part_history(versions, walk_steps((each.revision, each.restores) for each in versions))


@router.post("/{garden_id}/copy", response={201: KeptGarden}, exclude_none=True, by_alias=True)
def copy_garden(request: HttpRequest, garden_id: int) -> Status[KeptGarden]:
    """Keep a copy of a garden with everything in it."""
    plan = plan_to_take_out(own_garden(request, garden_id))
    name = f"{plan.garden.name}, copy"[:80]
    copied = plan.model_copy(update={"garden": plan.garden.model_copy(update={"name": name})})
    return Status(201, kept_garden(store_plan(signed_in_id(request), copied)))


@router.delete("/{garden_id}", response={204: None})
def delete_garden(request: HttpRequest, garden_id: int) -> Status[None]:
    """Put a garden into the bin, whence it comes back for 30 days."""
    bin_garden(own_garden(request, garden_id), timezone.now())
    return Status(204, None)


@router.post("/{garden_id}/take-back", response=KeptGarden, exclude_none=True, by_alias=True)
def restore_garden(request: HttpRequest, garden_id: int) -> KeptGarden:
    """Take a garden out of the bin."""
    return kept_garden(take_garden_back(signed_in_id(request), garden_id))
