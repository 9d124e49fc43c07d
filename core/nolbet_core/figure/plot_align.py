"""Where a bed comes to lie when it is set in line with another, along a wall, or mirrored."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from nolbet_core.built.bed import BuiltBed
from nolbet_core.built.ground import placed_beds
from nolbet_core.built.surroundings import Surroundings
from nolbet_core.figure.plot_figures import SpotFigures
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.plot.align import WITH_BED, AlignBy, along_line, in_line_with, mirrored, mirrored_over
from nolbet_core.plot.ground import Ground
from nolbet_core.plot.placed import PlacedBed
from nolbet_core.plot.rows import LaidSpot
from nolbet_core.record import record
from nolbet_core.shapes.hollow import Point

UPRIGHT_DEG = 90.0


@record
class BedAt:
    """One of a bed and those alike: its key, and which of them."""

    key: str
    index: int = 0


@record
class AlignWish:
    """What is to be done with a bed on the plot, by what: another bed, a thing with a line, or a side of the plot.

    to_thing: its place among the plot's fixed things. to_side: of the plot, from its corner of that number.
    """

    bed: BedAt
    by: AlignBy
    to_bed: BedAt | None = None
    to_thing: int | None = None
    to_side: int | None = None


@record
class _Line:
    points_m: tuple[Point, ...]
    across_m: float


def aligned_figures(around: Surroundings, beds: Sequence[BuiltBed], wish: AlignWish) -> SpotFigures:
    """Where one of a garden's beds comes to lie by a wish.

    beds: all of the garden. Raises PlanProblem where what is asked for isn't there, or doesn't go together.
    """
    placed = {each.bed.key: placed_beds(each.bed, each.vessel) for each in beds}
    bed = _one_of(placed, wish.bed, "bed")
    spot = _spot(bed, wish, placed, around.ground)
    return SpotFigures(round(spot.x_m, 4), round(spot.y_m, 4), round(spot.turn_deg % 360, 4))


def _spot(
    bed: PlacedBed, wish: AlignWish, placed: Mapping[str, Sequence[PlacedBed]], ground: Ground | None
) -> LaidSpot:
    by = wish.by
    other = _one_of(placed, wish.to_bed, "to_bed") if wish.to_bed else None
    if by in WITH_BED:
        if other is None:
            raise PlanProblem("to_bed", f"has to be given: a bed comes in line ({by}) with another")
        return in_line_with(bed, other, by)
    if by in ("mirror_along", "mirror_up"):
        through = (other.x_m, other.y_m) if other else _middle_of(_there(ground))
        return mirrored(bed, through, UPRIGHT_DEG if by == "mirror_along" else 0.0)
    line = _line_of(_there(ground), wish)
    if by == "mirror":
        return mirrored_over(bed, line.points_m)
    return along_line(bed, line.points_m, line.across_m, by, _there(ground).aisle_m)


def _there(ground: Ground | None) -> Ground:
    if ground is None:
        raise PlanProblem("garden.plot", "the ground has to be measured first")
    return ground


def _one_of(placed: Mapping[str, Sequence[PlacedBed]], at: BedAt, path: str) -> PlacedBed:
    beds = placed.get(at.key, ())
    if not 0 <= at.index < len(beds):
        raise PlanProblem(path, f"'{at.key}' number {at.index + 1} doesn't lie on the plot")
    return beds[at.index]


def _line_of(ground: Ground, wish: AlignWish) -> _Line:
    if wish.to_thing is not None:
        things = ground.fixed
        if not 0 <= wish.to_thing < len(things) or len(things[wish.to_thing].points_m) < 2:
            raise PlanProblem("to_thing", f"thing number {wish.to_thing + 1} has no line to lie along")
        return _Line(things[wish.to_thing].points_m, things[wish.to_thing].across_m)
    if wish.to_side is None:
        raise PlanProblem("to_thing", f"has to be given, or to_side: a bed comes to lie ({wish.by}) along a line")
    corners = ground.corners_m
    if not 0 <= wish.to_side < len(corners):
        raise PlanProblem("to_side", f"the plot has {len(corners)} sides, and no number {wish.to_side + 1}")
    return _Line((corners[wish.to_side], corners[(wish.to_side + 1) % len(corners)]), 0.0)


def _middle_of(ground: Ground) -> Point:
    left, low, right, high = ground.polygon.bounds
    return (left + right) / 2, (low + high) / 2
