"""Planting: the crops that a garden's beds may name."""

from __future__ import annotations

from typing import Literal

from django.http import HttpRequest
from ninja import Router, Schema

from nolbet.gardens.owned import own_garden
from nolbet.plans.supplies import garden_supplies
from nolbet_core.planting.crops import Crop, Hardiness, Zone
from nolbet_core.planting.roots import Roots

router = Router(tags=["planting"])


class CropOut(Schema):
    """A crop as the page shows it. days: from sowing or planting to the first harvest. sources: of its figures."""

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
    sources: list[str]


@router.get("/{garden_id}/crops", response=list[CropOut])
def list_crops(request: HttpRequest, garden_id: int) -> list[CropOut]:
    """The shelf's crops and the gardener's own."""
    return [_out(each) for each in garden_supplies(own_garden(request, garden_id)).crops.values()]


def _out(crop: Crop) -> CropOut:
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
        sources=sorted({each.source for each in crop.properties.values()}),
    )
