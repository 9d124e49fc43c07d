"""How many more beds of a size the ground takes."""

from __future__ import annotations

from collections.abc import Sequence
from typing import TYPE_CHECKING

import numpy as np
from numpy.typing import NDArray

from nolbet_core.lazy import lazily
from nolbet_core.record import record
from nolbet_core.shapes.hollow import Point
from nolbet_core.shapes.quadrature import Floats

if TYPE_CHECKING:
    import shapely
    from shapely.geometry.base import BaseGeometry
else:
    shapely = lazily("shapely")

STEP_M = 0.1
"""Beds are tried on a grid so fine [m]."""
FINEST_GRID = 40_000


@record
class Room:
    """Beds of one size that fit: their middles [m], and whether they are turned a quarter."""

    middles_m: tuple[Point, ...]
    turned: bool


def room_for(
    length_m: float, width_m: float, aisle_m: float, ground: BaseGeometry, taken: Sequence[BaseGeometry]
) -> Room:
    """Where more beds of a size fit, in whichever of the two turns takes more.

    length_m, width_m: outside, of one bed [m]. aisle_m: kept free round each, other beds and the ground's edge apart
    [m]. taken: outlines that stand there already. Tried on a grid of 10 cm (coarser on large ground) row by row and
    column by column, so it is a number that surely fits, not always the largest there is.
    """
    free = free_ground(ground, taken, aisle_m)
    ways = [_rows(length_m, width_m, aisle_m, free), _rows(width_m, length_m, aisle_m, free)]
    turned = len(ways[1]) > len(ways[0])
    return Room(ways[turned], turned)


def _rows(along_m: float, up_m: float, aisle_m: float, free: BaseGeometry) -> tuple[Point, ...]:
    xs, ys, fits = spots_for(along_m, up_m, free)
    ways = [
        _greedy(fits, xs, ys, along_m + aisle_m, up_m + aisle_m),
        [(x, y) for y, x in _greedy(fits.T, ys, xs, up_m + aisle_m, along_m + aisle_m)],
    ]
    best = max(ways, key=len)
    return tuple((x + along_m / 2, y + up_m / 2) for x, y in best)


def spots_for(along_m: float, up_m: float, free: BaseGeometry) -> tuple[Floats, Floats, NDArray[np.bool_]]:
    """Where a rectangle fits on free ground: lower left corners by column and row of a grid [m], and which of them do.

    along_m, up_m: its sides [m].
    """
    left, low, right, high = free.bounds if not free.is_empty else (0.0, 0.0, 0.0, 0.0)
    if right - left < along_m or high - low < up_m:
        return np.empty(0), np.empty(0), np.empty((0, 0), dtype=np.bool_)
    area = (right - left) * (high - low)
    step = max(STEP_M, (area / FINEST_GRID) ** 0.5)
    xs: Floats = np.arange(left, right - along_m + 1e-9, step)
    ys: Floats = np.arange(low, high - up_m + 1e-9, step)
    grid_x, grid_y = np.meshgrid(xs, ys)
    shapely.prepare(free)
    fits: NDArray[np.bool_] = shapely.covers(free, shapely.box(grid_x, grid_y, grid_x + along_m, grid_y + up_m))
    return xs, ys, fits


def free_ground(ground: BaseGeometry, taken: Sequence[BaseGeometry], aisle_m: float) -> BaseGeometry:
    """Ground that lies an aisle [m] off everything that stands on it."""
    return ground.difference(shapely.union_all([outline.buffer(aisle_m, join_style="mitre") for outline in taken]))


def _greedy(
    fits: NDArray[np.bool_],
    xs: Floats,
    ys: Floats,
    apart_x: float,
    apart_y: float,
) -> list[Point]:
    """Lower left corners taken row by row, each as near the last as it can stand."""
    taken: list[Point] = []
    for row, y in enumerate(ys):
        near = [(tx, ty) for tx, ty in taken if y - ty < apart_y - 1e-9]
        for column in np.flatnonzero(fits[row]).tolist():
            x = float(xs[column])
            if all(abs(x - tx) >= apart_x - 1e-9 for tx, _ in near):
                near.append((x, float(y)))
                taken.append((x, float(y)))
    return taken
