"""Plan in, figures out: what is kept is put together here, and the core works it out."""

from __future__ import annotations

from typing import Annotated

from django.http import HttpRequest, HttpResponse
from ninja import Router, Schema
from pydantic import Field

from nolbet.gardens.owned import own_garden
from nolbet.gardens.plans import garden_plan, garden_supplies, whole_plan
from nolbet_core.figure.figures import BedFigures
from nolbet_core.figure.tally import TalliedFigures, tallied
from nolbet_core.figure.walk import figure_bed, figure_plan
from nolbet_core.figure.written import Written, written_json
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.check import check_bed, unknown_key
from nolbet_core.plan.fields import BagM3, DepthM, LengthM
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.shapes.amounts import area_for_volume, depth_for_volume, placed_from_bags

router = Router(tags=["figure"])


class Draft(Schema):
    """A bed as it is being drawn, not kept yet."""

    bed: Bed


@router.post("/{garden_id}/figure/bed", response=BedFigures)
def figure_draft(request: HttpRequest, garden_id: int, draft: Draft) -> HttpResponse:
    """Figures of a draft, quick enough to follow a dragged boundary."""
    garden = own_garden(request, garden_id)
    return _written(figure_bed(draft.bed, garden_plan(garden), garden_supplies(garden)))


@router.post("/{garden_id}/figure/buying", response=TalliedFigures)
def figure_buying(request: HttpRequest, garden_id: int, draft: Draft) -> HttpResponse:
    """Needs and haul of a draft bed alone, after the garden's own heaps."""
    garden = own_garden(request, garden_id)
    plan, supplies = whole_plan(garden), garden_supplies(garden)
    check_bed(draft.bed, supplies.materials, "bed")
    return _written(tallied(figure_plan(plan.model_copy(update={"beds": [draft.bed]}), supplies)))


class Spread(Schema):
    """Bags to spread over an area, or at a depth: one of the two is given, the other is asked."""

    material: str
    bags: Annotated[int, Field(ge=1, le=1000)]
    bag_m3: BagM3
    over_m: Annotated[list[LengthM], Field(min_length=2, max_length=2)] | None = None
    depth_m: DepthM | None = None


class SpreadOut(Schema):
    """What the bags come to, trodden in."""

    placed_m3: float
    area_m2: float
    depth_m: float


@router.post("/{garden_id}/figure/spread", response=SpreadOut)
def figure_spread(request: HttpRequest, garden_id: int, spread: Spread) -> SpreadOut:
    """How deep bags lie over an area, or how much they cover at a depth."""
    materials = garden_supplies(own_garden(request, garden_id)).materials
    if spread.material not in materials:
        raise unknown_key("material", spread.material, materials)
    placed_m3 = placed_from_bags(spread.bags, spread.bag_m3, materials[spread.material].loose_factor)
    if spread.over_m is not None:
        area_m2 = spread.over_m[0] * spread.over_m[1]
        return SpreadOut(placed_m3=placed_m3, area_m2=area_m2, depth_m=depth_for_volume(placed_m3, area_m2))
    if spread.depth_m is None:
        raise PlanProblem("over_m", "give the area to cover, or the depth to cover it to")
    return SpreadOut(placed_m3=placed_m3, area_m2=area_for_volume(placed_m3, spread.depth_m), depth_m=spread.depth_m)


@router.get("/{garden_id}/figure", response=TalliedFigures)
def figure_garden(request: HttpRequest, garden_id: int) -> HttpResponse:
    """Figures of a whole garden as it is kept, needs and haul with it."""
    garden = own_garden(request, garden_id)
    plan, supplies = whole_plan(garden), garden_supplies(garden)
    return _written(tallied(figure_plan(plan, supplies)))


def _written(figures: Written) -> HttpResponse:
    """Figures as JSON at once: the core has made them by their models already."""
    return HttpResponse(written_json(figures), content_type="application/json; charset=utf-8")
