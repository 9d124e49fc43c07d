"""How sure a garden's figures are, and taking in what was measured to narrow them."""

from __future__ import annotations

from typing import Annotated

from django.http import HttpRequest, HttpResponse
from ninja import Router, Schema, Status
from pydantic import Field

from nolbet.api.gate import heavy
from nolbet.api.written import written
from nolbet.clock import today
from nolbet.gardens.models import Garden
from nolbet.gardens.owned import own_garden
from nolbet.plans.measuring import take_measured
from nolbet.plans.supplies import garden_supplies
from nolbet.plans.whole import whole_garden, whole_plan
from nolbet.water.rows import kept_days, log_plan
from nolbet_core.built.plan import BuiltPlan
from nolbet_core.figure.sure import figure_sure, figure_sure_bed, figure_what_if
from nolbet_core.figure.sure_figures import SureBed, SureFigures
from nolbet_core.figure.what_if import WhatIf, WhatIfFigures
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.fields import BagM3, DepthM, Key
from nolbet_core.plan.garden import Plan
from nolbet_core.sure.sources import Way
from nolbet_core.sure.taken import BucketReadings

router = Router(tags=["sure"])


class SureDraft(Schema):
    """A bed as it is being drawn, not kept yet."""

    bed: Bed


class WhatIfAsked(SureDraft):
    """A bed, and what of it would be otherwise. wood_times, below_times: how many times as thick as it is laid."""

    depth_m: DepthM | None = None
    wood_times: Annotated[float, Field(ge=0, le=5)] = 1.0
    below_times: Annotated[float, Field(ge=0, le=5)] = 1.0
    mulch_m: Annotated[float, Field(ge=0, le=0.5)] | None = None


class ReadOff(Schema):
    """Something that was measured. of: key of the bed, material or supplier. volume_m3: loose, or as a label says.
    trodden_m3: what was left of it, or what the bag held. mass_kg: of it. water_m3: that filled its gaps.
    """

    way: Way
    of: Key
    volume_m3: BagM3 | None = None
    trodden_m3: BagM3 | None = None
    mass_kg: Annotated[float, Field(gt=0, le=2000)] | None = None
    water_m3: BagM3 | None = None


@router.get("/{garden_id}/figure/sure", response=SureFigures)
@heavy
def figure_how_sure(request: HttpRequest, garden_id: int) -> HttpResponse:
    """How sure a garden's figures are: where each lies in four of five gardens, what that rests on, what narrows it."""
    garden = own_garden(request, garden_id)
    built = whole_garden(garden).built
    seen = BuiltPlan(_with_dips(built.plan, garden), built.supplies, built.beds)
    return written(figure_sure(seen, today(), kept_days(garden)))


@router.post("/{garden_id}/figure/sure", response=SureBed)
@heavy
def figure_how_sure_draft(request: HttpRequest, garden_id: int, draft: SureDraft) -> HttpResponse:
    """How sure a draft's figures are."""
    garden = own_garden(request, garden_id)
    plan, supplies = _with_dips(whole_plan(garden), garden), garden_supplies(garden)
    return written(figure_sure_bed(plan, draft.bed, supplies, today(), kept_days(garden)))


@router.post("/{garden_id}/figure/what-if", response=WhatIfFigures)
@heavy
def figure_if_it_were(request: HttpRequest, garden_id: int, asked: WhatIfAsked) -> HttpResponse:
    """A bed as it is and as it would be: deeper, with more wood, more under its soil, or more mulch."""
    garden = own_garden(request, garden_id)
    plan, supplies = _with_dips(whole_plan(garden), garden), garden_supplies(garden)
    wish = WhatIf(asked.depth_m, asked.wood_times, asked.below_times, asked.mulch_m)
    return written(figure_what_if(plan, asked.bed, wish, supplies, today(), kept_days(garden)))


@router.post("/{garden_id}/measured", response={204: None})
def take_in_measured(request: HttpRequest, garden_id: int, measured: ReadOff) -> Status[None]:
    """Take something measured into what it is of: the shelf, a bed, or what suppliers offer."""
    readings = BucketReadings(measured.volume_m3, measured.trodden_m3, measured.mass_kg, measured.water_m3)
    take_measured(own_garden(request, garden_id), measured.way, measured.of, readings)
    return Status(204, None)


def _with_dips(plan: Plan, garden: Garden) -> Plan:
    """A plan with the dips that were read in its garden, which tell how thirsty plants are."""
    return plan.model_copy(update={"log": [*plan.log, *log_plan(garden)]})
