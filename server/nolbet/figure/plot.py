"""The plot in figures: what dragging a bed over it asks, and how many more beds fit."""

from __future__ import annotations

from typing import Annotated

from django.http import HttpRequest, HttpResponse
from ninja import Router, Schema
from pydantic import Field

from nolbet.figure.written import written
from nolbet.gardens.owned import own_garden
from nolbet.gardens.plans import garden_supplies, whole_plan
from nolbet_core.figure.plot_figures import PlotFigures, RoomFigures
from nolbet_core.figure.walk import figure_plot, figure_room
from nolbet_core.built.plot_checks import check_plot
from nolbet_core.plan.fields import LengthM
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.plot import Place, Plot

router = Router(tags=["plot"])


class DraftPlot(Schema):
    """A plot as it is being drawn: the ground if it changed, and the places of those beds that were moved."""

    plot: Plot | None = None
    places: dict[str, Annotated[list[Place], Field(max_length=100)]] = Field(default_factory=dict)


class AskedRoom(DraftPlot):
    """A draft plot, and the outer size of beds to find room for."""

    length_m: LengthM
    width_m: LengthM


@router.post("/{garden_id}/figure/plot", response=PlotFigures)
def figure_draft_plot(request: HttpRequest, garden_id: int, draft: DraftPlot) -> HttpResponse:
    """Figures of a draft plot, quick enough to follow a dragged bed."""
    garden = own_garden(request, garden_id)
    supplies = garden_supplies(garden)
    if draft.plot is not None:
        check_plot(draft.plot, supplies.materials, "plot")
    return written(figure_plot(_with_draft(whole_plan(garden), draft), supplies))


@router.post("/{garden_id}/figure/room", response=RoomFigures)
def figure_more_beds(request: HttpRequest, garden_id: int, asked: AskedRoom) -> RoomFigures:
    """How many more beds of a size the plot takes."""
    garden = own_garden(request, garden_id)
    if asked.plot is not None:
        check_plot(asked.plot, garden_supplies(garden).materials, "plot")
    return figure_room(_with_draft(whole_plan(garden), asked), asked.length_m, asked.width_m)


def _with_draft(plan: Plan, draft: DraftPlot) -> Plan:
    beds = [
        bed.model_copy(update={"places": draft.places[bed.key][: bed.count]}) if bed.key in draft.places else bed
        for bed in plan.beds
    ]
    garden = plan.garden if draft.plot is None else plan.garden.model_copy(update={"plot": draft.plot})
    return plan.model_copy(update={"beds": beds, "garden": garden})
