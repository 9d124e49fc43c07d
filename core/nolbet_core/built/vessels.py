"""From a bed's shape as the plan file writes it to the bed as built."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import replace
from typing import Any

from nolbet_core.built.frame import posts_inside
from nolbet_core.built.lined import along_line, hipped_vessel, round_vessel, trench_vessel
from nolbet_core.built.walls import wall_of
from nolbet_core.plan import shapes as kinds
from nolbet_core.plan.bed import Bed, Buried
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.plan.shapes import BOARDED, ON_THE_GROUND, WITH_CORNER_DEPTHS
from nolbet_core.shapes.angular import CrateGrid, LShape, Rectangle, RegularPolygon
from nolbet_core.shapes.barrel import LyingBarrel, lying_barrel
from nolbet_core.shapes.buried import LyingPipe, Solid, Upright, check_room, displaced
from nolbet_core.shapes.flat import flat_area
from nolbet_core.shapes.freeform import free_polygon
from nolbet_core.shapes.hollow import Hollow, ShapeProblem
from nolbet_core.shapes.mound import HippedMound
from nolbet_core.shapes.outline import Outline
from nolbet_core.shapes.prismatoid import Prismatoid
from nolbet_core.shapes.ring_spiral import ring_spiral
from nolbet_core.shapes.round import Disc, Ellipse, Keyhole, Stadium
from nolbet_core.shapes.round_mound import RoundMound
from nolbet_core.shapes.spiral import HerbSpiral, herb_spiral
from nolbet_core.shapes.vessel import Vessel, WalledVessel, depth_under_corners, straight_vessel, tapered_vessel

BED_KEYS = ("buried", "corner_depths_m", "along_m", "frame")
"""Measures that stand beside the shape, not in it."""

STANDING_SIZES = {"post": "width_m", "pot": "diameter_m", "basket": "diameter_m"}


def build_vessel(bed: Bed, path: str, problems: list[PlanProblem]) -> Vessel | None:
    """The vessel of a bed's shape, None where its measures make none.

    path: how the bed is called. problems: takes what is wrong.
    """
    try:
        _check_kind(bed)
        vessel = _BUILDERS[type(bed.shape)](bed, bed.shape)
        less = _less_posts(vessel, bed) if bed.frame is not None else vessel
        return _with_buried(less, bed, path, problems) if bed.buried else less
    except ShapeProblem as problem:
        problems.append(_told(problem, path))
        return None


def _told(problem: ShapeProblem, path: str) -> PlanProblem:
    beside = problem.key.split("[")[0].split(".")[0] in (*BED_KEYS, "wall_m", "headspace_m")
    return PlanProblem(f"{path}.{problem.key}" if beside else f"{path}.shape.{problem.key}", str(problem))


def _check_kind(bed: Bed) -> None:
    kind = bed.shape.kind
    if kind in ON_THE_GROUND:
        if bed.wall_m:
            raise ShapeProblem("wall_m", f"a {_said(kind)} has no bed wall, given {bed.wall_m:g}; leave it 0")
        if bed.headspace_m:
            raise ShapeProblem(
                "headspace_m", f"a {_said(kind)} has no headspace, given {bed.headspace_m:g}; leave it out"
            )
    if bed.corner_depths_m is not None and kind not in WITH_CORNER_DEPTHS:
        raise ShapeProblem(
            "corner_depths_m", f"only a bed with upright walls has depths at its corners, a {_said(kind)} has none"
        )


def _said(kind: str) -> str:
    return kind.replace("_", " ")


def _upright(bed: Bed, outline: Outline, depth_m: float) -> WalledVessel:
    vessel = straight_vessel(outline, depth_m, bed.measured, wall_of(bed))
    corners = bed.corner_depths_m
    if corners is None:
        return vessel
    depth_m = depth_under_corners(vessel.inside, (corners[0], corners[1], corners[2], corners[3]))
    return straight_vessel(outline, depth_m, bed.measured, wall_of(bed))


def _box(bed: Bed, shape: kinds.BoxShape) -> Vessel:
    return _upright(bed, Rectangle(shape.length_m, shape.width_m), shape.depth_m)


def _l_box(bed: Bed, shape: kinds.LBoxShape) -> Vessel:
    outline = LShape(shape.length_m, shape.width_m, shape.notch_length_m, shape.notch_width_m)
    return _upright(bed, outline, shape.depth_m)


def _polygon(bed: Bed, shape: kinds.PolygonShape) -> Vessel:
    return _upright(bed, free_polygon([(x, y) for x, y in shape.corners_m]), shape.depth_m)


def _circle(bed: Bed, shape: kinds.CircleShape) -> Vessel:
    return _upright(bed, Disc(shape.diameter_m), shape.depth_m)


def _ellipse(bed: Bed, shape: kinds.EllipseShape) -> Vessel:
    return _upright(bed, Ellipse(shape.length_m, shape.width_m), shape.depth_m)


def _stadium(bed: Bed, shape: kinds.StadiumShape) -> Vessel:
    return _upright(bed, Stadium(shape.length_m, shape.width_m), shape.depth_m)


def _regular_polygon(bed: Bed, shape: kinds.RegularPolygonShape) -> Vessel:
    return _upright(bed, RegularPolygon(shape.sides, shape.across_flats_m), shape.depth_m)


def _keyhole(bed: Bed, shape: kinds.KeyholeShape) -> Vessel:
    return _upright(bed, Keyhole(shape.diameter_m, shape.path_width_m, shape.basket_diameter_m), shape.depth_m)


def _crates(bed: Bed, shape: kinds.CratesShape) -> Vessel:
    gap_m = 2 * wall_of(bed) if bed.measured == "inside" else 0.0
    grid = CrateGrid(shape.columns, shape.rows, shape.length_m, shape.width_m, gap_m)
    return _upright(bed, grid, shape.depth_m)


def _round_tub(bed: Bed, shape: kinds.RoundTubShape) -> Vessel:
    middle = Disc((shape.base_diameter_m + shape.rim_diameter_m) / 2)
    floor, rim = Disc(shape.base_diameter_m, "base_diameter_m"), Disc(shape.rim_diameter_m, "rim_diameter_m")
    return tapered_vessel(floor, middle, rim, shape.depth_m, bed.measured, wall_of(bed), "vessel")


def _trough(bed: Bed, shape: kinds.TroughShape) -> Vessel:
    floor = Rectangle(shape.base_length_m, shape.base_width_m, ("base_length_m", "base_width_m"))
    rim = Rectangle(shape.rim_length_m, shape.rim_width_m, ("rim_length_m", "rim_width_m"))
    middle = _half_way(floor, rim)
    return tapered_vessel(floor, middle, rim, shape.depth_m, bed.measured, wall_of(bed), "vessel")


def _trench(bed: Bed, shape: kinds.TrenchShape) -> Vessel:
    line = along_line(bed, shape.top_width_m)
    if line is not None:
        return trench_vessel(bed, shape, line)
    floor, rim = (
        Rectangle(shape.bottom_length_m, shape.bottom_width_m),
        Rectangle(shape.top_length_m, shape.top_width_m),
    )
    return tapered_vessel(floor, _half_way(floor, rim), rim, shape.depth_m, bed.measured, 0.0, "trench")


def _half_way(floor: Rectangle, rim: Rectangle) -> Rectangle:
    return Rectangle((floor.length_m + rim.length_m) / 2, (floor.width_m + rim.width_m) / 2)


def _lying_barrel(bed: Bed, shape: kinds.LyingBarrelShape) -> Vessel:
    return lying_barrel(shape.diameter_m, shape.length_m, shape.opening_width_m, bed.measured, wall_of(bed))


def _hipped_mound(bed: Bed, shape: kinds.HippedMoundShape) -> Vessel:
    return hipped_vessel(bed, shape)


def _round_mound(bed: Bed, shape: kinds.RoundMoundShape) -> Vessel:
    return round_vessel(bed, shape)


def _herb_spiral(bed: Bed, shape: kinds.HerbSpiralShape) -> Vessel:
    return herb_spiral(shape.diameter_m, shape.path_width_m, shape.wall_m, shape.outer_height_m, shape.centre_height_m)


def _ring_spiral(bed: Bed, shape: kinds.RingSpiralShape) -> Vessel:
    return ring_spiral(shape.diameter_m, shape.path_width_m, shape.wall_m, shape.ring_height_m, shape.centre_height_m)


def _flat_area(bed: Bed, shape: kinds.FlatAreaShape) -> Vessel:
    bare = flat_area(shape.length_m, shape.width_m, shape.feather_m, 0.0)
    laid_m = sum(
        layer.thickness_m or bare.hollow.height_for_volume(0.0, layer.volume_m3 or 0.0) for layer in bed.layers
    )
    return flat_area(shape.length_m, shape.width_m, shape.feather_m, laid_m)


_BUILDERS: dict[type, Callable[[Bed, Any], Vessel]] = {
    kinds.BoxShape: _box,
    kinds.LBoxShape: _l_box,
    kinds.PolygonShape: _polygon,
    kinds.CircleShape: _circle,
    kinds.EllipseShape: _ellipse,
    kinds.StadiumShape: _stadium,
    kinds.RegularPolygonShape: _regular_polygon,
    kinds.KeyholeShape: _keyhole,
    kinds.RoundTubShape: _round_tub,
    kinds.TroughShape: _trough,
    kinds.LyingBarrelShape: _lying_barrel,
    kinds.CratesShape: _crates,
    kinds.TrenchShape: _trench,
    kinds.HippedMoundShape: _hipped_mound,
    kinds.RoundMoundShape: _round_mound,
    kinds.HerbSpiralShape: _herb_spiral,
    kinds.RingSpiralShape: _ring_spiral,
    kinds.FlatAreaShape: _flat_area,
}


def _with_buried(vessel: Vessel, bed: Bed, path: str, problems: list[PlanProblem]) -> Vessel | None:
    if not isinstance(vessel, WalledVessel | LyingBarrel | HerbSpiral | HippedMound | RoundMound):
        raise ShapeProblem("buried", f"what is buried in a {_said(bed.shape.kind)} can't be taken from its fill")
    solids: list[Solid] = []
    for index, each in enumerate(bed.buried):
        try:
            solids.append(_solid(each, f"buried[{index}]"))
        except ShapeProblem as problem:
            problems.append(_told(problem, path))
    if len(solids) < len(bed.buried):
        return None
    if isinstance(vessel, HerbSpiral):
        check_room(vessel.hollow, solids)
        return replace(vessel, hollow=replace(vessel.hollow, sunk=tuple(solids)))
    if isinstance(vessel, HippedMound | RoundMound):
        check_room(vessel.solid, _under_crest(vessel.solid, solids))
        return _sunk_in_mound(vessel, tuple(solids))
    return replace(vessel, hollow=displaced(vessel.hollow, solids))


def _less_posts(vessel: Vessel, bed: Bed) -> Vessel:
    """A vessel less the posts of its frame that stand inside."""
    if bed.frame is None or not isinstance(vessel, WalledVessel) or not isinstance(bed.shape, BOARDED):
        return vessel
    area_m2 = posts_inside(bed.frame, len(vessel.outside.rings()[0]))
    if area_m2 <= 0:
        return vessel
    hollow = vessel.hollow
    if not isinstance(hollow, Prismatoid) or not hollow.is_straight:
        return replace(vessel, hollow=displaced(hollow, (Upright(area_m2, 0.0, hollow.rim_m),)))
    left_m2 = hollow.floor_m2 - area_m2
    if left_m2 <= 0:
        raise ShapeProblem("frame.post_m", "its posts leave no room for fill between them")
    return replace(vessel, hollow=replace(hollow, floor_m2=left_m2, middle_m2=left_m2, rim_m2=left_m2))


def _under_crest(mound: Hollow, solids: list[Solid]) -> list[Solid]:
    """Solids that don't stand out of a mound's top, where no fill is left to have room."""
    return [each for each in solids if each.top_m < mound.rim_m]


def _sunk_in_mound(vessel: HippedMound | RoundMound, solids: tuple[Solid, ...]) -> Vessel:
    """A mound with solids under its crest."""
    if isinstance(vessel, HippedMound):
        return replace(vessel, hollow=replace(vessel.hollow, sunk=solids))
    return replace(vessel, hollow=replace(vessel.hollow, sunk=solids))


def _solid(each: Buried, path: str) -> Solid:
    if each.kind == "pipe":
        wanted: tuple[str, ...] = ("diameter_m", "length_m")
    else:
        wanted = (STANDING_SIZES[each.kind], "height_m")
    for key in ("width_m", "diameter_m", "height_m", "length_m"):
        given = getattr(each, key) is not None
        if given != (key in wanted):
            said = "doesn't belong to" if given else "has to be given for"
            raise ShapeProblem(f"{path}.{key}", f"{said} a {each.kind}, which has {wanted[0]} and {wanted[1]}")
    if each.kind == "pipe":
        return LyingPipe(each.diameter_m or 0.0, (each.length_m or 0.0) * each.count, each.bottom_m)
    size_m = getattr(each, wanted[0])
    area_m2 = size_m**2 if each.kind == "post" else math.pi * size_m**2 / 4
    return Upright(area_m2 * each.count, each.bottom_m, each.bottom_m + (each.height_m or 0.0))
