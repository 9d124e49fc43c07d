"""Laying out beds in rows with their aisles where the ground is free."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from typing import TYPE_CHECKING

import numpy as np

from nolbet_core.lazy import lazily
from nolbet_core.plot.room import free_ground, room_for, spots_for
from nolbet_core.record import record
from nolbet_core.shapes.hollow import Point

if TYPE_CHECKING:
    import shapely
    from shapely.geometry.base import BaseGeometry
else:
    shapely = lazily("shapely")

TURNED_DEG = 90.0


@record
class Group:
    """Beds of one outer size [m] that are laid out together. beside: where one lies already [m], if one does."""

    length_m: float
    width_m: float
    count: int
    beside: Point | None = None


@record
class LaidSpot:
    """Where one bed comes to lie: its middle [m], and how far it is turned anticlockwise [degrees]."""

    x_m: float
    y_m: float
    turn_deg: float


def lay_out(
    groups: Sequence[Group],
    in_a_row: int | None,
    aisle_m: float,
    ground: BaseGeometry,
    taken: Sequence[BaseGeometry],
    within: BaseGeometry | None = None,
) -> list[list[LaidSpot]]:
    """Spots for groups of beds, one after the other, each group in rows.

    in_a_row: how many beside one another, None for as many as fit. aisle_m: kept between beds, rows and all that stands
    there [m]. taken: outlines of that. within: the part of the ground they are kept to. A group is laid
    in the longest rows that fit, across or turned a quarter, as near as can be to those of it that lie there; where no
    whole block fits, one by one where there is room. A group may get fewer spots than it has beds.
    """
    standing = list(taken)
    part = ground if within is None else ground.intersection(within)
    laid = []
    for group in groups:
        spots = _block(group, in_a_row, aisle_m, free_ground(part, standing, aisle_m))
        if not spots:
            spots = _singly(group, aisle_m, part, standing)
        standing += [_outline(group, spot) for spot in spots]
        laid.append(spots)
    return laid


def _outline(group: Group, spot: LaidSpot) -> BaseGeometry:
    along, up = _sides(group, spot.turn_deg)
    return shapely.box(spot.x_m - along / 2, spot.y_m - up / 2, spot.x_m + along / 2, spot.y_m + up / 2)


def _sides(group: Group, turn_deg: float) -> tuple[float, float]:
    return (group.width_m, group.length_m) if turn_deg else (group.length_m, group.width_m)


def _block(group: Group, in_a_row: int | None, aisle_m: float, free: BaseGeometry) -> list[LaidSpot]:
    """The group as one block of rows, a single bed in the middle of what is free; nothing where none fits."""
    single = group.count == 1
    turns = (0.0, TURNED_DEG) if single else (TURNED_DEG, 0.0)
    middle = (free.centroid.x, free.centroid.y) if single and not free.is_empty else None
    for columns in _row_lengths(group.count, in_a_row):
        rows = math.ceil(group.count / columns)
        for turn_deg in turns:
            along, up = _sides(group, turn_deg)
            wide = columns * (along + aisle_m) - aisle_m
            high = rows * (up + aisle_m) - aisle_m
            corner = _nearest_corner(wide, high, free, group.beside or middle)
            if corner is not None:
                x, y = corner
                return [
                    LaidSpot(
                        x + along / 2 + (index % columns) * (along + aisle_m),
                        y + up / 2 + (index // columns) * (up + aisle_m),
                        turn_deg,
                    )
                    for index in range(group.count)
                ]
    return []


def _row_lengths(count: int, in_a_row: int | None) -> Iterator[int]:
    """Lengths of row to be tried: the one asked for, else each that makes fewer rows than the next."""
    if in_a_row is not None:
        yield min(in_a_row, count)
        return
    seen = 0
    for columns in range(count, 0, -1):
        rows = math.ceil(count / columns)
        if rows != seen:
            seen = rows
            yield math.ceil(count / rows)


def _nearest_corner(wide_m: float, high_m: float, free: BaseGeometry, beside: Point | None) -> Point | None:
    """Lower left corner of a free rectangle, nearest to a place; lowest and then leftmost without one."""
    xs, ys, fits = spots_for(wide_m, high_m, free)
    if not fits.any():
        return None
    rows, columns = np.nonzero(fits)
    if beside is None:
        return float(xs[columns[0]]), float(ys[rows[0]])
    off = np.hypot(xs[columns] + wide_m / 2 - beside[0], ys[rows] + high_m / 2 - beside[1])
    at = int(np.argmin(off))
    return float(xs[columns[at]]), float(ys[rows[at]])


def _singly(group: Group, aisle_m: float, ground: BaseGeometry, taken: Sequence[BaseGeometry]) -> list[LaidSpot]:
    room = room_for(group.length_m, group.width_m, aisle_m, ground, taken)
    turn_deg = TURNED_DEG if room.turned else 0.0
    return [LaidSpot(x, y, turn_deg) for x, y in room.middles_m[: group.count]]
