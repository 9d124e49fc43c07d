"""Plan in, figures out: what is kept is put together here, and the core works it out."""

from __future__ import annotations

from django.http import HttpRequest, HttpResponse
from ninja import Router, Schema

from nolbet.api.written import written
from nolbet.clock import today
from nolbet.gardens.owned import own_garden
from nolbet.plans.supplies import garden_around, garden_supplies
from nolbet.plans.whole import whole_garden, whole_plan
from nolbet_core.built.worked import work_bed
from nolbet_core.figure.figures import BedFigures
from nolbet_core.figure.fit import FitFigures, figure_fit
from nolbet_core.figure.frame_figures import CutsFigures
from nolbet_core.figure.tally import BoughtAlone, TalliedFigures, bought_alone, tallied
from nolbet_core.figure.walk import figure_alone, figure_bed, figure_cuts, figure_plan
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.fields import LengthM
from nolbet_core.quantities.units import System

router = Router(tags=["figure"])

SAW_SECONDS = 5.0
"""As long as boards may be cut while somebody waits for the page."""


class Draft(Schema):
    """A bed as it is being drawn, not kept yet."""

    bed: Bed


@router.post("/{garden_id}/figure/bed", response=BedFigures)
def figure_draft(request: HttpRequest, garden_id: int, draft: Draft) -> HttpResponse:
    """Figures of a draft, quick enough to follow a dragged boundary."""
    garden = own_garden(request, garden_id)
    return written(figure_bed(draft.bed, garden_around(garden, today(), draft.bed), garden_supplies(garden)))


class AskedFit(Draft):
    """A draft bed, and the size of crates, blocks or pavers to lie on its floor."""

    length_m: LengthM
    width_m: LengthM


@router.post("/{garden_id}/figure/fit", response=FitFigures)
def figure_pieces_on_floor(request: HttpRequest, garden_id: int, asked: AskedFit) -> FitFigures:
    """How many pieces of a size fit on a draft bed's floor, and how they lie."""
    garden = own_garden(request, garden_id)
    worked = work_bed(asked.bed, garden_around(garden, today(), asked.bed), garden_supplies(garden))
    return figure_fit(worked, asked.length_m, asked.width_m)


@router.post("/{garden_id}/figure/buying", response=BoughtAlone)
def figure_buying(request: HttpRequest, garden_id: int, draft: Draft) -> HttpResponse:
    """Needs and haul of a draft bed alone, after the garden's own heaps."""
    garden = own_garden(request, garden_id)
    figures = figure_alone(draft.bed, whole_plan(garden), garden_supplies(garden), today())
    return written(bought_alone(figures, System(garden.units)))


@router.get("/{garden_id}/figure/cuts", response=CutsFigures | None)
def figure_saw_list(request: HttpRequest, garden_id: int) -> CutsFigures | None:
    """How the boards of a garden's frames are cut together; null where it has none."""
    garden = own_garden(request, garden_id)
    return figure_cuts(whole_garden(garden).built, today(), SAW_SECONDS)


@router.get("/{garden_id}/figure", response=TalliedFigures)
def figure_garden(request: HttpRequest, garden_id: int) -> HttpResponse:
    """Figures of a whole garden as it is kept, needs and haul with it; what doesn't hold together is left out."""
    garden = own_garden(request, garden_id)
    return written(tallied(figure_plan(whole_garden(garden).built, today(), SAW_SECONDS), System(garden.units)))
