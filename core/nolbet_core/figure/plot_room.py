"""Room for more beds on a plot: how many fit, and where those that lie nowhere yet come to lie in rows."""

from __future__ import annotations

from collections.abc import Sequence
from typing import TYPE_CHECKING

from nolbet_core.built.bed import BuiltBed
from nolbet_core.built.ground import placed_beds
from nolbet_core.built.surroundings import Surroundings
from nolbet_core.figure.drawn import drawn_ring
from nolbet_core.figure.plot import barrow_aisle
from nolbet_core.figure.plot_figures import LaidOutFigures, RoomFigures, RowsFigures, SpotFigures
from nolbet_core.lazy import lazily
from nolbet_core.plot.fixed import STANDING
from nolbet_core.plot.ground import Ground
from nolbet_core.plot.placed import PlacedBed
from nolbet_core.plot.room import room_for
from nolbet_core.plot.rows import Group, LaidSpot, lay_out
from nolbet_core.shapes.hollow import Point

if TYPE_CHECKING:
    import shapely
    from shapely.geometry.base import BaseGeometry
else:
    shapely = lazily("shapely")


def rows_figures(
    around: Surroundings,
    beds: Sequence[BuiltBed],
    keys: Sequence[str],
    in_a_row: int | None,
    aisle_m: float | None,
    within_m: tuple[Point, Point] | None = None,
) -> RowsFigures:
    """Beds that lie nowhere yet, laid out in rows on what is free of a garden's plot.

    beds: all of the garden. keys: which of them. in_a_row: how many side by side, None for as many as fit. aisle_m:
    kept between them [m]; where None what a barrow needs, or less where that leaves a bed out.
    within_m: two opposite corners of the part they are kept to [m].
    Raises ValueError where there is no plot.
    """
    ground, plot = around.ground, around.plot
    if ground is None or plot is None:
        raise ValueError("the garden has no plot")
    placed = {each.bed.key: placed_beds(each.bed, each.vessel) for each in beds}
    taken = [*(bed.outline for own in placed.values() for bed in own), *_standing(ground)]
    asked = [each for each in beds if each.bed.key in keys and each.bed.count > len(placed[each.bed.key])]
    groups = [
        Group(
            each.vessel.outside.length_m,
            each.vessel.outside.width_m,
            each.bed.count - len(placed[each.bed.key]),
            (placed[each.bed.key][-1].x_m, placed[each.bed.key][-1].y_m) if placed[each.bed.key] else None,
        )
        for each in asked
    ]
    within = None if within_m is None else shapely.box(*_bounds(*within_m))
    # what a barrow needs, as aisles are judged; where that leaves a bed out, what is kept on the plot
    wanted = [max(barrow_aisle(plot), ground.aisle_m), ground.aisle_m] if aisle_m is None else [aisle_m]
    laid: list[list[LaidSpot]] = []
    for kept_m in wanted:
        laid = lay_out(groups, in_a_row, kept_m, ground.polygon, taken, within)
        if all(len(spots) == group.count for spots, group in zip(laid, groups, strict=True)):
            break
    return RowsFigures(
        aisle_m=kept_m,
        beds=[
            LaidOutFigures(
                key=each.bed.key,
                spots=[SpotFigures(round(spot.x_m, 4), round(spot.y_m, 4), spot.turn_deg) for spot in spots],
                lacking=group.count - len(spots),
            )
            for each, group, spots in zip(asked, groups, laid, strict=True)
        ],
    )


def _bounds(one: Point, other: Point) -> tuple[float, float, float, float]:
    return min(one[0], other[0]), min(one[1], other[1]), max(one[0], other[0]), max(one[1], other[1])


def _standing(ground: Ground) -> list[BaseGeometry]:
    """Outlines of what stands on the ground or wants to be walked to; pipes under it are in nobody's way."""
    return [thing.outline for thing in ground.fixed if thing.kind in STANDING | {"door", "gate"}]


def room_figures(around: Surroundings, placed: Sequence[PlacedBed], length_m: float, width_m: float) -> RoomFigures:
    """How many more beds of an outer size [m] fit on a garden's plot, with its aisle round each.

    Raises ValueError where it has none.
    """
    ground = around.ground
    if ground is None:
        raise ValueError("the garden has no plot")
    taken = [*(bed.outline for bed in placed), *_standing(ground)]
    room = room_for(length_m, width_m, ground.aisle_m, ground.polygon, taken)
    return RoomFigures(count=len(room.middles_m), turned=room.turned, middles=drawn_ring(room.middles_m))
