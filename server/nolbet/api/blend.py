"""Blend: soil mixes, what they are like, what they take, and the cheapest that fit."""

from __future__ import annotations

from typing import Annotated

from django.http import HttpRequest, HttpResponse
from ninja import Router, Schema, Status
from pydantic import Field

from nolbet.api.gate import heavy
from nolbet.api.revisions import Restored, Revision
from nolbet.api.written import written
from nolbet.gardens.owned import own_bed, own_garden
from nolbet.gardens.rows import bed_plan
from nolbet.plans.shelf import add_mix, change_mix, remove_mix
from nolbet.plans.supplies import garden_shelf, garden_supplies
from nolbet.plans.whole import whole_garden, whole_plan
from nolbet.shelf.rows import mix_plan
from nolbet_core.figure.blend_figures import BatchFigures, CheapestFigures, MixAmounts, MixFigures, ZonesFigures
from nolbet_core.figure.cheapest_mix import Wish, figure_batch, figure_cheapest
from nolbet_core.figure.mix_amounts import figure_mix_amounts, figure_zones
from nolbet_core.figure.mixing import figure_mix
from nolbet_core.plan.fields import Key
from nolbet_core.plan.mix import PlanMix
from nolbet_core.quantities.units import System

router = Router(tags=["blend"])

SoilM = Annotated[float, Field(ge=0, le=5)]


class KeptMix(Schema):
    """A mix as kept."""

    revision: Revision
    mix: PlanMix


class ChangedMix(KeptMix):
    """A mix to save, with the revision that the change was made from, and the one it brings back where it does."""

    restores: Restored = None


class DraftMix(Schema):
    """A mix as it is being drawn up, and how high soil stands over the water of the bed it is for."""

    mix: PlanMix
    soil_over_water_m: SoilM | None = None


class MixForBed(Schema):
    """A draft mix, and a bed to tell of even if the mix doesn't lie there."""

    mix: PlanMix
    bed: Key | None = None


class Wished(DraftMix):
    """A mix whose target is wished for, what may go in (all there is unless it says), and how much is to be made."""

    materials: Annotated[list[Key], Field(max_length=60)] | None = None
    volume_m3: Annotated[float, Field(gt=0, le=1000)]


@router.get("/{garden_id}/mixes", response=list[KeptMix], exclude_none=True)
def mixes(request: HttpRequest, garden_id: int) -> list[KeptMix]:
    """A garden's mixes."""
    garden = own_garden(request, garden_id)
    revisions = dict(garden.mixes.values_list("key", "revision"))
    return [KeptMix(revision=revisions[mix.key], mix=mix) for mix in garden_shelf(garden).mixes]


@router.post("/{garden_id}/mixes", response={201: KeptMix}, exclude_none=True)
def create_mix(request: HttpRequest, garden_id: int, mix: PlanMix) -> Status[KeptMix]:
    """Keep a new mix; its key is made from its name."""
    kept = add_mix(own_garden(request, garden_id).pk, mix)
    return Status(201, KeptMix(revision=kept.revision, mix=mix_plan(kept)))


@router.put("/{garden_id}/mixes/{key}", response=KeptMix, exclude_none=True)
def save_mix(request: HttpRequest, garden_id: int, key: str, changed: ChangedMix) -> KeptMix:
    """Keep a changed mix, if nobody changed it since."""
    garden = own_garden(request, garden_id)
    kept = change_mix(garden.pk, key, changed.mix, changed.revision, changed.restores)
    return KeptMix(revision=kept.revision, mix=mix_plan(kept))


@router.delete("/{garden_id}/mixes/{key}", response={204: None})
def delete_mix(request: HttpRequest, garden_id: int, key: str) -> Status[None]:
    """Forget a mix that nothing is made of."""
    remove_mix(own_garden(request, garden_id).pk, key)
    return Status(204, None)


@router.post("/{garden_id}/figure/mix", response=MixFigures)
def figure_draft_mix(request: HttpRequest, garden_id: int, draft: DraftMix) -> HttpResponse:
    """What a draft mix is like, quick enough to follow a dragged bucket."""
    garden = own_garden(request, garden_id)
    return written(figure_mix(draft.mix, garden_supplies(garden), System(garden.units), draft.soil_over_water_m))


@router.post("/{garden_id}/figure/mix/amounts", response=MixAmounts)
def figure_amounts(request: HttpRequest, garden_id: int, draft: MixForBed) -> HttpResponse:
    """What a draft mix takes and costs: for a barrow, a mixer load and each bed."""
    garden = own_garden(request, garden_id)
    return written(figure_mix_amounts(whole_garden(garden).built, draft.mix, draft.bed))


@router.post("/{garden_id}/figure/mix/cheapest", response=CheapestFigures)
@heavy
def figure_cheapest_mix(request: HttpRequest, garden_id: int, wished: Wished) -> HttpResponse:
    """The cheapest mix that meets a target, or what stands in the way."""
    garden = own_garden(request, garden_id)
    return written(figure_cheapest(whole_plan(garden), _wish(wished), garden_supplies(garden)))


@router.post("/{garden_id}/figure/mix/batch", response=BatchFigures)
def figure_bagged_batch(request: HttpRequest, garden_id: int, wished: Wished) -> HttpResponse:
    """One batch that meets a target, in whole bags."""
    garden = own_garden(request, garden_id)
    return written(figure_batch(whole_plan(garden), _wish(wished), garden_supplies(garden)))


@router.get("/{garden_id}/beds/{key}/zones", response=ZonesFigures)
def zones_of(request: HttpRequest, garden_id: int, key: str) -> HttpResponse:
    """The soil layers of a kept bed, top to bottom."""
    bed = own_bed(request, garden_id, key)
    return written(figure_zones(whole_plan(bed.garden), bed_plan(bed), garden_supplies(bed.garden)))


def _wish(wished: Wished) -> Wish:
    return Wish(wished.mix, wished.materials, wished.volume_m3, wished.soil_over_water_m)
