"""Sizing both ways: what bags or a volume come to in a bed or over an area, what boards, a liner, sides allow."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from nolbet_core.built.bed import build_bed
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.problems import PlanProblem, unknown_key
from nolbet_core.record import record
from nolbet_core.shapes.amounts import area_for_volume, depth_for_volume, placed_from_bags
from nolbet_core.shapes.hollow import ShapeProblem
from nolbet_core.shapes.sizing import BoardedBox, box_from_boards, boxes_without_waste, largest_in_liner
from nolbet_core.shapes.survey import corners_from_sides
from nolbet_core.shelf.material import Material

DRAWN_DIGITS = 6


@record
class SpreadFigures:
    """What an amount comes to, trodden in. over_m: how far over the rim of the bed asked about."""

    placed_m3: float
    area_m2: float
    depth_m: float
    over_m: float


@record
class SizeFigures:
    """Length and width of a bed."""

    length_m: float
    width_m: float


@record
class BoardsFigures:
    """The longest bed of a width that boards make, and those that waste nothing."""

    longest: SizeFigures
    without_waste: list[SizeFigures]


@record
class CornersFigures:
    """Corners as the plan file writes them."""

    corners_m: list[tuple[float, float]]


def placed_of(
    material: str,
    bags: int,
    bag_m3: float | None,
    volume_m3: float | None,
    materials: Mapping[str, Material],
) -> float:
    """Placed volume [m3] of bags, or of a loose volume [m3], of a material.

    bag_m3: what one bag holds [m3]. Raises PlanProblem where the material isn't there or nothing says how much it is.
    """
    if material not in materials:
        raise unknown_key("material", material, materials)
    loose_factor = materials[material].loose_factor
    if bag_m3 is not None:
        return placed_from_bags(bags, bag_m3, loose_factor)
    if volume_m3 is None:
        raise PlanProblem("bag_m3", "say what one bag holds, or give a volume")
    return volume_m3 / loose_factor


def spread_over(placed_m3: float, over_m: Sequence[float] | None, depth_m: float | None) -> SpreadFigures:
    """How deep a placed volume [m3] lies over a rectangle [m, m], or how much it covers at a depth [m].

    Raises PlanProblem where neither is given.
    """
    if over_m is not None:
        area_m2 = over_m[0] * over_m[1]
        return SpreadFigures(placed_m3, area_m2, depth_for_volume(placed_m3, area_m2), 0.0)
    if depth_m is None:
        raise PlanProblem("over_m", "give the area to cover, or the depth to cover it to")
    return SpreadFigures(placed_m3, area_for_volume(placed_m3, depth_m), depth_m, 0.0)


def spread_in_bed(placed_m3: float, bed: Bed, materials: Mapping[str, Material]) -> SpreadFigures:
    """How deep a placed volume [m3] lies in an empty bed. Raises PlanProblem where the bed doesn't hold together."""
    vessel = build_bed(bed, materials).holding().vessel
    level_m = vessel.hollow.height_for_volume(0.0, placed_m3)
    over_m = max(level_m - vessel.hollow.rim_m, 0.0) if vessel.form != "flat" else 0.0
    return SpreadFigures(placed_m3, vessel.top_area_m2, vessel.height_of(level_m), over_m)


def figure_boards(boards: int, board_m: float, wall_m: float, width_m: float) -> BoardsFigures:
    """How long a bed of an outer width [m] so many boards make, and which sizes waste none of them.

    board_m, wall_m: length and thickness of a board [m]. Raises PlanProblem where they make no bed.
    """
    try:
        longest = box_from_boards(boards, board_m, wall_m, width_m)
    except ValueError as problem:
        raise PlanProblem("boards", str(problem)) from problem
    return BoardsFigures(_size(longest), [_size(box) for box in boxes_without_waste(boards, board_m, wall_m)])


def _size(box: BoardedBox) -> SizeFigures:
    return SizeFigures(box.length_m, box.width_m)


def figure_liner(length_m: float, width_m: float, up_m: float, lap_m: float) -> SizeFigures:
    """The largest bed that a liner [m, m] lines up to a height [m], with a lap over the edge [m].

    Raises PlanProblem where it doesn't even run up the sides.
    """
    try:
        return SizeFigures(*largest_in_liner(length_m, width_m, up_m, lap_m))
    except ValueError as problem:
        raise PlanProblem("up_m", str(problem)) from problem


def figure_corners(sides_m: Sequence[float], diagonals_m: Sequence[float]) -> CornersFigures:
    """Corners [m, m] from sides in order and diagonals from the first corner [m].

    Raises PlanProblem where they make no outline.
    """
    try:
        corners = corners_from_sides(sides_m, diagonals_m)
    except ShapeProblem as problem:
        raise PlanProblem(problem.key, str(problem)) from problem
    return CornersFigures([(round(x, DRAWN_DIGITS), round(y, DRAWN_DIGITS)) for x, y in corners])
