"""The plot in figures: what dragging a bed over it asks, and how many more beds fit."""

from __future__ import annotations

from typing import Annotated

from django.http import HttpRequest, HttpResponse
from ninja import Router, Schema
from pydantic import Field

from nolbet.api.gate import heavy
from nolbet.api.written import written
from nolbet.gardens.models import Garden
from nolbet.gardens.owned import own_garden
from nolbet.plans.supplies import garden_supplies
from nolbet.plans.whole import whole_plan
from nolbet_core.built.plan import BuiltPlan, built_of
from nolbet_core.built.plot_checks import wrong_with_plot
from nolbet_core.figure.plot_align import AlignWish, BedAt
from nolbet_core.figure.plot_figures import PlotFigures, RoomFigures, RowsFigures, SpotFigures
from nolbet_core.figure.setting_out import SettingOut
from nolbet_core.figure.walk import (
    figure_aligned,
    figure_plot,
    figure_room,
    figure_rows,
    figure_setting_out,
    figure_ways,
)
from nolbet_core.figure.ways import Ways
from nolbet_core.plan.fields import Key, LengthM, OffsetM
from nolbet_core.plan.garden import MOST_BEDS, Plan
from nolbet_core.plan.plot import Place, Plot
from nolbet_core.plot.align import AlignBy
from nolbet_core.quantities import limits

PlaceM = Annotated[float, Field(ge=-limits.PLACE_M.most, le=limits.PLACE_M.most)]
PointM = tuple[PlaceM, PlaceM]

router = Router(tags=["plot"])


class DraftPlot(Schema):
    """A plot as it is being drawn: the ground if it changed, and the places of those beds that were moved."""

    plot: Plot | None = None
    places: dict[Key, Annotated[list[Place], Field(max_length=100)]] = Field(default_factory=dict, max_length=MOST_BEDS)


class AskedRoom(DraftPlot):
    """A draft plot, and the outer size of beds to find room for."""

    length_m: LengthM
    width_m: LengthM


@router.post("/{garden_id}/figure/plot", response=PlotFigures)
def figure_draft_plot(request: HttpRequest, garden_id: int, draft: DraftPlot) -> HttpResponse:
    """Figures of a draft plot, quick enough to follow a dragged bed."""
    return written(figure_plot(_drafted(own_garden(request, garden_id), draft)))


class AskedRows(DraftPlot):
    """A draft plot, the beds to be laid out on it, how many side by side, and the aisle between them.

    within_m: two opposite corners of the part of the plot that they are kept to.
    """

    beds: Annotated[list[Key], Field(max_length=1000)]
    in_a_row: Annotated[int, Field(ge=1, le=100)] | None = None
    aisle_m: OffsetM | None = None
    within_m: tuple[PointM, PointM] | None = None


@router.post("/{garden_id}/figure/rows", response=RowsFigures)
def figure_laid_out(request: HttpRequest, garden_id: int, asked: AskedRows) -> RowsFigures:
    """Where beds that lie nowhere yet come to lie in rows."""
    built = _drafted(own_garden(request, garden_id), asked)
    return figure_rows(built, asked.beds, asked.in_a_row, asked.aisle_m, asked.within_m)


class AskedBed(Schema):
    """One of a bed and those alike on the plot."""

    key: Key
    index: Annotated[int, Field(ge=0, le=1000)] = 0


class AskedAlign(DraftPlot):
    """A draft plot, one of its beds, and what it is to be set in line with, laid along, or mirrored over."""

    bed: AskedBed
    by: AlignBy
    to_bed: AskedBed | None = None
    to_thing: Annotated[int, Field(ge=0, le=1000)] | None = None
    to_side: Annotated[int, Field(ge=0, le=1000)] | None = None


@router.post("/{garden_id}/figure/aligned", response=SpotFigures)
def figure_aligned_bed(request: HttpRequest, garden_id: int, asked: AskedAlign) -> SpotFigures:
    """Where a bed comes to lie in line with another, along a wall, or mirrored."""
    to_bed = BedAt(asked.to_bed.key, asked.to_bed.index) if asked.to_bed else None
    wish = AlignWish(BedAt(asked.bed.key, asked.bed.index), asked.by, to_bed, asked.to_thing, asked.to_side)
    return figure_aligned(_drafted(own_garden(request, garden_id), asked), wish)


@router.get("/{garden_id}/figure/setting-out", response=SettingOut)
def figure_set_out(request: HttpRequest, garden_id: int) -> SettingOut:
    """How a garden's plot, as it is kept, is set out with two tapes."""
    return figure_setting_out(_drafted(own_garden(request, garden_id), DraftPlot()))


@router.get("/{garden_id}/figure/ways", response=Ways)
def figure_barrow_ways(request: HttpRequest, garden_id: int) -> Ways:
    """How far it is to each bed from the gates and from where loads are dropped, the plot as it is kept."""
    return figure_ways(_drafted(own_garden(request, garden_id), DraftPlot()))


@router.post("/{garden_id}/figure/room", response=RoomFigures)
@heavy
def figure_more_beds(request: HttpRequest, garden_id: int, asked: AskedRoom) -> RoomFigures:
    """How many more beds of a size the plot takes."""
    return figure_room(_drafted(own_garden(request, garden_id), asked), asked.length_m, asked.width_m)


def _drafted(garden: Garden, draft: DraftPlot) -> BuiltPlan:
    """A garden as it would be with a draft plot, of the beds that hold together. Raises PlanProblem for the plot's."""
    supplies = garden_supplies(garden)
    problems = wrong_with_plot(draft.plot, supplies.materials, "plot") if draft.plot else ()
    if problems:
        raise problems[0]
    built, _ = built_of(_with_draft(whole_plan(garden), draft), supplies)
    return built


def _with_draft(plan: Plan, draft: DraftPlot) -> Plan:
    beds = [
        bed.model_copy(update={"places": draft.places[bed.key][: bed.count]}) if bed.key in draft.places else bed
        for bed in plan.beds
    ]
    garden = plan.garden if draft.plot is None else plan.garden.model_copy(update={"plot": draft.plot})
    return plan.model_copy(update={"beds": beds, "garden": garden})
