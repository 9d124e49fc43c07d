"""Sizing both ways: what bags, a volume, boards or a liner come to, corners from sides and diagonals, pots."""

from __future__ import annotations

from typing import Annotated

from django.http import HttpRequest
from ninja import Router, Schema
from pydantic import Field

from nolbet.gardens.owned import own_garden
from nolbet.gardens.plans import garden_supplies
from nolbet_core.plan.bed import Bed
from nolbet_core.built.vessels import built_bed
from nolbet_core.built.checks import check_bed
from nolbet_core.plan.fields import BagM3, DepthM, HeapM3, LengthM, OffsetM, WallM
from nolbet_core.plan.problems import PlanProblem, unknown_key
from nolbet_core.shapes.amounts import area_for_volume, depth_for_volume, placed_from_bags
from nolbet_core.shapes.hollow import ShapeProblem
from nolbet_core.shapes.sizing import POT_CLASSES, box_from_boards, boxes_without_waste, largest_in_liner
from nolbet_core.shapes.survey import corners_from_sides

router = Router(tags=["figure"])


class Spread(Schema):
    """Bags or a loose volume to spread over an area, at a depth, or in a bed."""

    material: str
    bags: Annotated[int, Field(ge=1, le=1000)] = 1
    bag_m3: BagM3 | None = None
    volume_m3: HeapM3 | None = None
    over_m: Annotated[list[LengthM], Field(min_length=2, max_length=2)] | None = None
    depth_m: DepthM | None = None
    bed: Bed | None = None


class SpreadOut(Schema):
    """What they come to, trodden in. over_m: how far over the rim of the bed asked about."""

    placed_m3: float
    area_m2: float
    depth_m: float
    over_m: float


@router.post("/{garden_id}/figure/spread", response=SpreadOut)
def figure_spread(request: HttpRequest, garden_id: int, spread: Spread) -> SpreadOut:
    """How deep bags lie over an area or in a bed, or how much they cover at a depth."""
    materials = garden_supplies(own_garden(request, garden_id)).materials
    if spread.material not in materials:
        raise unknown_key("material", spread.material, materials)
    loose_factor = materials[spread.material].loose_factor
    if spread.bag_m3 is not None:
        placed_m3 = placed_from_bags(spread.bags, spread.bag_m3, loose_factor)
    elif spread.volume_m3 is not None:
        placed_m3 = spread.volume_m3 / loose_factor
    else:
        raise PlanProblem("bag_m3", "say what one bag holds, or give a volume")
    if spread.bed is not None:
        check_bed(spread.bed, materials, "bed")
        return _in_bed(spread.bed, placed_m3)
    if spread.over_m is not None:
        area_m2 = spread.over_m[0] * spread.over_m[1]
        depth_m = depth_for_volume(placed_m3, area_m2)
        return SpreadOut(placed_m3=placed_m3, area_m2=area_m2, depth_m=depth_m, over_m=0.0)
    if spread.depth_m is None:
        raise PlanProblem("over_m", "give the area to cover, or the depth to cover it to")
    area_m2 = area_for_volume(placed_m3, spread.depth_m)
    return SpreadOut(placed_m3=placed_m3, area_m2=area_m2, depth_m=spread.depth_m, over_m=0.0)


def _in_bed(bed: Bed, placed_m3: float) -> SpreadOut:
    vessel = built_bed(bed, "bed")
    level_m = vessel.hollow.height_for_volume(0.0, placed_m3)
    over_m = max(level_m - vessel.hollow.rim_m, 0.0) if vessel.form != "flat" else 0.0
    return SpreadOut(placed_m3=placed_m3, area_m2=vessel.top_area_m2, depth_m=vessel.height_of(level_m), over_m=over_m)


class Boards(Schema):
    """Boards for one course, and the outer width that is wanted."""

    boards: Annotated[int, Field(ge=1, le=100)]
    board_m: LengthM
    wall_m: WallM
    width_m: LengthM


class SizeOut(Schema):
    """Length and width of a bed."""

    length_m: float
    width_m: float


class BoardsOut(Schema):
    """The longest bed of the width, and those that waste nothing."""

    longest: SizeOut
    without_waste: list[SizeOut]


@router.post("/{garden_id}/figure/boards", response=BoardsOut)
def figure_boards(request: HttpRequest, garden_id: int, boards: Boards) -> BoardsOut:
    """How long a bed so many boards make, and which sizes waste none of them."""
    own_garden(request, garden_id)
    try:
        longest = box_from_boards(boards.boards, boards.board_m, boards.wall_m, boards.width_m)
    except ValueError as problem:
        raise PlanProblem("boards", str(problem)) from problem
    even = boxes_without_waste(boards.boards, boards.board_m, boards.wall_m)
    return BoardsOut(
        longest=SizeOut(length_m=longest.length_m, width_m=longest.width_m),
        without_waste=[SizeOut(length_m=box.length_m, width_m=box.width_m) for box in even],
    )


class Liner(Schema):
    """A liner, how far it runs up the inside, and what is turned over the edge."""

    length_m: LengthM
    width_m: LengthM
    up_m: DepthM
    lap_m: OffsetM = 0.15


@router.post("/{garden_id}/figure/liner", response=SizeOut)
def figure_liner(request: HttpRequest, garden_id: int, liner: Liner) -> SizeOut:
    """The largest bed that a liner lines."""
    own_garden(request, garden_id)
    try:
        length_m, width_m = largest_in_liner(liner.length_m, liner.width_m, liner.up_m, liner.lap_m)
    except ValueError as problem:
        raise PlanProblem("up_m", str(problem)) from problem
    return SizeOut(length_m=length_m, width_m=width_m)


class Measured(Schema):
    """Sides in order, and the diagonals from the first corner."""

    sides_m: Annotated[list[LengthM], Field(min_length=3, max_length=30)]
    diagonals_m: Annotated[list[LengthM], Field(max_length=27)] = Field(default_factory=list)


class CornersOut(Schema):
    """Corners as the plan file writes them."""

    corners_m: list[tuple[float, float]]


@router.post("/{garden_id}/figure/corners", response=CornersOut)
def figure_corners(request: HttpRequest, garden_id: int, measured: Measured) -> CornersOut:
    """Corners of a bed or a plot from its sides and diagonals."""
    own_garden(request, garden_id)
    try:
        corners = corners_from_sides(measured.sides_m, measured.diagonals_m)
    except ShapeProblem as problem:
        raise PlanProblem(problem.key, str(problem)) from problem
    return CornersOut(corners_m=[(round(x, 6), round(y, 6)) for x, y in corners])


class PotOut(Schema):
    """A class of nursery pots, and what pots of it hold."""

    name: str
    least_m3: float
    middle_m3: float
    most_m3: float


@router.get("/{garden_id}/figure/pots", response=list[PotOut])
def pot_classes(request: HttpRequest, garden_id: int) -> list[PotOut]:
    """Pots by their class: volumes that the trade's gallons don't tell."""
    own_garden(request, garden_id)
    return [
        PotOut(name=each.name, least_m3=each.least_m3, middle_m3=each.middle_m3, most_m3=each.most_m3)
        for each in POT_CLASSES
    ]
