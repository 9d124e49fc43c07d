"""Sizing both ways: what bags, a volume, boards or a liner come to, corners from sides and diagonals, pots."""

from __future__ import annotations

from typing import Annotated

from django.http import HttpRequest
from ninja import Router, Schema
from pydantic import Field

from nolbet.gardens.owned import own_garden
from nolbet.plans.supplies import garden_supplies
from nolbet_core.figure.sizing import (
    BoardsFigures,
    CornersFigures,
    SizeFigures,
    SpreadFigures,
    figure_boards,
    figure_corners,
    figure_liner,
    placed_of,
    spread_in_bed,
    spread_over,
)
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.fields import BagM3, DepthM, HeapM3, Key, LengthM, OffsetM, WallM
from nolbet_core.shapes.sizing import POT_CLASSES, PotClass

router = Router(tags=["figure"])


class Spread(Schema):
    """Bags or a loose volume to spread over an area, at a depth, or in a bed."""

    material: Key
    bags: Annotated[int, Field(ge=1, le=1000)] = 1
    bag_m3: BagM3 | None = None
    volume_m3: HeapM3 | None = None
    over_m: Annotated[list[LengthM], Field(min_length=2, max_length=2)] | None = None
    depth_m: DepthM | None = None
    bed: Bed | None = None


class Boards(Schema):
    """Boards for one course, and the outer width that is wanted."""

    boards: Annotated[int, Field(ge=1, le=100)]
    board_m: LengthM
    wall_m: WallM
    width_m: LengthM


class Liner(Schema):
    """A liner, how far it runs up the inside, and what is turned over the edge."""

    length_m: LengthM
    width_m: LengthM
    up_m: DepthM
    lap_m: OffsetM = 0.15


class Measured(Schema):
    """Sides in order, and the diagonals from the first corner."""

    sides_m: Annotated[list[LengthM], Field(min_length=3, max_length=30)]
    diagonals_m: Annotated[list[LengthM], Field(max_length=27)] = Field(default_factory=list)


class PotOut(Schema):
    """A class of nursery pots, and what pots of it hold."""

    name: str
    least_m3: float
    middle_m3: float
    most_m3: float


@router.post("/{garden_id}/figure/spread", response=SpreadFigures)
def spread_out(request: HttpRequest, garden_id: int, spread: Spread) -> SpreadFigures:
    """How deep bags lie over an area or in a bed, or how much they cover at a depth."""
    materials = garden_supplies(own_garden(request, garden_id)).materials
    placed_m3 = placed_of(spread.material, spread.bags, spread.bag_m3, spread.volume_m3, materials)
    if spread.bed is not None:
        return spread_in_bed(placed_m3, spread.bed, materials)
    return spread_over(placed_m3, spread.over_m, spread.depth_m)


@router.post("/{garden_id}/figure/boards", response=BoardsFigures)
def size_of_boards(request: HttpRequest, garden_id: int, boards: Boards) -> BoardsFigures:
    """How long a bed so many boards make, and which sizes waste none of them."""
    own_garden(request, garden_id)
    return figure_boards(boards.boards, boards.board_m, boards.wall_m, boards.width_m)


@router.post("/{garden_id}/figure/liner", response=SizeFigures)
def size_in_liner(request: HttpRequest, garden_id: int, liner: Liner) -> SizeFigures:
    """The largest bed that a liner lines."""
    own_garden(request, garden_id)
    return figure_liner(liner.length_m, liner.width_m, liner.up_m, liner.lap_m)


@router.post("/{garden_id}/figure/corners", response=CornersFigures)
def corners_measured(request: HttpRequest, garden_id: int, measured: Measured) -> CornersFigures:
    """Corners of a bed or a plot from its sides and diagonals."""
    own_garden(request, garden_id)
    return figure_corners(measured.sides_m, measured.diagonals_m)


@router.get("/{garden_id}/figure/pots", response=list[PotOut])
def pot_classes(request: HttpRequest, garden_id: int) -> tuple[PotClass, ...]:
    """Pots by their class: volumes that the trade's gallons don't tell."""
    own_garden(request, garden_id)
    return POT_CLASSES
