"""What takes longer than a drag: a bed's coming years, ways of filling it side by side, the schools it may follow."""

from __future__ import annotations

from typing import Annotated

from django.http import HttpRequest, HttpResponse
from ninja import Router, Schema
from pydantic import Field

from nolbet.api.gate import heavy
from nolbet.api.written import written
from nolbet.clock import today
from nolbet.gardens.owned import own_garden
from nolbet.plans.supplies import garden_supplies
from nolbet.plans.whole import whole_plan
from nolbet_core.built.supplies import Supplies
from nolbet_core.figure.compare import figure_compared, figure_schools
from nolbet_core.figure.forecast import figure_forecast, figure_sunken
from nolbet_core.figure.forecast_figures import ComparedFigures, ForecastFigures, OfferedSchools, SunkenFigures
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.garden import Plan
from nolbet_core.settling.clock import MONTHS

router = Router(tags=["figure"])


class LaterDraft(Schema):
    """A bed as it is being drawn, not kept yet."""

    bed: Bed


class DraftInMonth(LaterDraft):
    """A draft, and how many months after filling it is asked about."""

    month: Annotated[int, Field(ge=0, le=MONTHS)]


@router.post("/{garden_id}/figure/forecast", response=ForecastFigures)
def figure_coming_years(request: HttpRequest, garden_id: int, draft: LaterDraft) -> HttpResponse:
    """A draft's coming years: the band of its surface, its springs and their top-ups, doses of meals."""
    plan, supplies = _loaded(request, garden_id)
    return written(figure_forecast(plan, draft.bed, supplies, today()))


@router.post("/{garden_id}/figure/sunken", response=SunkenFigures)
def figure_in_month(request: HttpRequest, garden_id: int, draft: DraftInMonth) -> HttpResponse:
    """A draft as it lies some months after filling, to draw."""
    plan, supplies = _loaded(request, garden_id)
    return written(figure_sunken(plan, draft.bed, supplies, draft.month))


@router.post("/{garden_id}/figure/compared", response=ComparedFigures)
@heavy
def figure_side_by_side(request: HttpRequest, garden_id: int, draft: LaterDraft) -> HttpResponse:
    """A draft as it is, beside the ways of filling it that were set aside."""
    plan, supplies = _loaded(request, garden_id)
    return written(figure_compared(plan, draft.bed, supplies, today()))


@router.post("/{garden_id}/figure/schools", response=OfferedSchools)
@heavy
def figure_offered_schools(request: HttpRequest, garden_id: int, draft: LaterDraft) -> HttpResponse:
    """Every school for a draft's shape, with the stack that it would start with."""
    plan, supplies = _loaded(request, garden_id)
    return written(figure_schools(plan, draft.bed, supplies, today()))


def _loaded(request: HttpRequest, garden_id: int) -> tuple[Plan, Supplies]:
    garden = own_garden(request, garden_id)
    return whole_plan(garden), garden_supplies(garden)
