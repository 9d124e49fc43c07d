"""Planting: the crops that a garden's beds may name, the gardener's own among them, their calendar and their sun."""

from __future__ import annotations

from datetime import date
from itertools import combinations
from typing import Annotated, Literal

from django.http import HttpRequest, HttpResponse
from ninja import Query, Router, Schema
from pydantic import Field

from nolbet.api.figure import Draft
from nolbet.api.written import written
from nolbet.clock import today
from nolbet.gardens.owned import own_garden
from nolbet.gardens.rows import crops_plan
from nolbet.plans.crops import save_crops
from nolbet.plans.supplies import garden_around, garden_supplies
from nolbet.plans.whole import whole_garden
from nolbet_core.built.worked import work_bed
from nolbet_core.figure.sowing_calendar import SowingDay
from nolbet_core.figure.sun_map import SunMap, sun_map
from nolbet_core.figure.walk import figure_sowing
from nolbet_core.plan.planting import OwnCrop
from nolbet_core.planting.crops import Crop, Hardiness, Zone
from nolbet_core.planting.neighbours import View, said_of
from nolbet_core.planting.roots import Roots

router = Router(tags=["planting"])

AskedCrops = Annotated[list[str], Query(default_factory=list, max_length=60)]


class CropFigure(Schema):
    """A figure of a crop with its unit, range and source."""

    name: str
    value: float
    unit: str
    low: float
    high: float
    source: str


class CropOut(Schema):
    """A crop as the page shows it. days: from sowing or planting to the first harvest. is_own: the gardener's own."""

    key: str
    name: str
    synonyms: list[str]
    family: str
    hardiness: Hardiness
    start: Literal["sown", "planted"]
    zone: Zone
    roots: Roots
    root_depth_m: float
    height_m: float
    spacing_m: float
    row_m: float
    days: int
    figures: list[CropFigure]
    is_own: bool


class SaidOfPair(Schema):
    """What is usually said of two crops side by side, by their keys."""

    crop: str
    beside: str
    view: View
    because: str


class AskedSun(Draft):
    """A draft bed, and the day whose crops shade it; all of them where none is said."""

    on: date | None = None


class OwnCrops(Schema):
    """All own crops of a garden, in place of those it had."""

    crops: Annotated[list[OwnCrop], Field(max_length=500)]


@router.get("/{garden_id}/crops", response=list[CropOut])
def list_crops(request: HttpRequest, garden_id: int) -> list[CropOut]:
    """The shelf's crops and the gardener's own."""
    garden = own_garden(request, garden_id)
    own = {each.key for each in crops_plan(garden)}
    return [_out(each, each.key in own) for each in garden_supplies(garden).crops.values()]


@router.get("/{garden_id}/crops/own", response=list[OwnCrop])
def list_own_crops(request: HttpRequest, garden_id: int) -> list[OwnCrop]:
    """The gardener's own crops as they were written."""
    return crops_plan(own_garden(request, garden_id))


@router.put("/{garden_id}/crops/own", response=list[OwnCrop])
def keep_own_crops(request: HttpRequest, garden_id: int, asked: OwnCrops) -> list[OwnCrop]:
    """Keep the gardener's own crops."""
    return crops_plan(save_crops(own_garden(request, garden_id).pk, asked.crops))


@router.get("/{garden_id}/crops/neighbours", response=list[SaidOfPair])
def list_neighbours(request: HttpRequest, garden_id: int, crops: AskedCrops) -> list[SaidOfPair]:
    """What is usually said of some crops side by side; evidence is mixed beside every pair. Unknown ones are passed
    over.
    """
    there = garden_supplies(own_garden(request, garden_id)).crops
    asked = [there[key] for key in dict.fromkeys(crops) if key in there]
    return [
        SaidOfPair(crop=one.key, beside=other.key, view=pair.view, because=pair.because)
        for one, other in combinations(asked, 2)
        for pair in said_of(one, other)
    ]


@router.get("/{garden_id}/figure/sowing", response=list[SowingDay])
def figure_the_sowing(request: HttpRequest, garden_id: int) -> list[SowingDay]:
    """The whole garden's sowing calendar."""
    return figure_sowing(whole_garden(own_garden(request, garden_id)).built, today())


@router.post("/{garden_id}/figure/sun", response=SunMap)
def figure_sun(request: HttpRequest, garden_id: int, asked: AskedSun) -> HttpResponse:
    """Hours of sun over a draft bed, month by month."""
    garden = own_garden(request, garden_id)
    worked = work_bed(asked.bed, garden_around(garden, today(), asked.bed), garden_supplies(garden))
    return written(sun_map(worked, asked.on))


def _out(crop: Crop, is_own: bool) -> CropOut:
    return CropOut(
        key=crop.key,
        name=crop.name,
        synonyms=list(crop.synonyms),
        family=crop.family,
        hardiness=crop.hardiness,
        start=crop.start,
        zone=crop.zone,
        roots=crop.roots,
        root_depth_m=crop.value("root_depth_m"),
        height_m=crop.value("height_m"),
        spacing_m=crop.spacing_m,
        row_m=crop.row_m,
        days=crop.days,
        figures=[
            CropFigure(name=name, value=each.value, unit=each.unit, low=each.low, high=each.high, source=each.source)
            for name, each in crop.properties.items()
        ],
        is_own=is_own,
    )
