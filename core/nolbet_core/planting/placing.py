"""How many plants a bed takes, and where they stand: in a square grid, in an offset one, or in rows."""

from __future__ import annotations

import math
from collections.abc import Iterator
from typing import Literal

import numpy as np
import shapely
from numpy.typing import NDArray
from shapely.geometry.base import BaseGeometry

from nolbet_core.record import record

Pattern = Literal["square", "offset", "rows"]
Points = NDArray[np.float64]

OFFSET_ROW = math.sqrt(3) / 2
"""Rows of an offset grid stand so many spacings apart: every plant has six neighbours a spacing away."""
MOST_DRAWN = 4000
"""More plants than these are counted by the ground they take, and not drawn one by one."""
SHIFTS = 6
"""Steps in which a grid is shifted each way, in outlines that are not rectangles."""
NEARLY_M = 1e-6
ROUNDING_M = 1e-7
"""So far over the edge a plant still counts as on it, however its place was added up."""


@record
class Placed:
    """Plants where they stand. points: one row each [m], x and y. unseen: how many more there are that aren't drawn: in
    the sides, or too many to draw.
    """

    pattern: Pattern
    points: Points
    unseen: int = 0

    @property
    def count(self) -> int:
        """How many there are."""
        return len(self.points) + self.unseen


def placed_in(outline: BaseGeometry, spacing_m: float) -> Placed:
    """Plants in a bed's outline [m], half a spacing from its edge, in whichever pattern takes most.

    A square grid, or an offset one with its rows along or across the bed; the square one where none takes more.
    """
    square = in_grid(outline, spacing_m, spacing_m, "square")
    along = in_grid(outline, spacing_m, spacing_m * OFFSET_ROW, "offset")
    across = _across(outline, spacing_m, spacing_m * OFFSET_ROW, "offset")
    return max(square, along, across, key=lambda placed: placed.count)


def _across(outline: BaseGeometry, spacing_m: float, row_m: float, pattern: Pattern) -> Placed:
    """As in_grid, with the rows along y."""
    turned = in_grid(shapely.transform(outline, lambda points: points[:, ::-1]), spacing_m, row_m, pattern)
    return Placed(pattern, turned.points[:, ::-1], turned.unseen)


def placed_in_rows(outline: BaseGeometry, spacing_m: float, row_m: float) -> Placed:
    """Plants in rows along the longer side of a bed's outline [m], half a spacing from its edge."""
    least_x, least_y, most_x, most_y = outline.bounds
    if most_x - least_x >= most_y - least_y:
        return in_grid(outline, spacing_m, row_m, "rows")
    return _across(outline, spacing_m, row_m, "rows")


def in_grid(outline: BaseGeometry, spacing_m: float, row_m: float, pattern: Pattern) -> Placed:
    """Plants of one pattern, from the corner of what is left of the outline or shifted, whichever takes most.

    spacing_m: along a row; row_m: from row to row [m]. Nearer to the edge than half a spacing there is none.
    """
    inner = outline.buffer(-(spacing_m / 2 - NEARLY_M), join_style="mitre")
    if inner.is_empty:
        return Placed(pattern, np.empty((0, 2)))
    left, low, right, top = inner.bounds
    if (right - left) * (top - low) > MOST_DRAWN * spacing_m * row_m:
        return Placed(pattern, np.empty((0, 2)), math.floor(outline.area / (spacing_m * row_m)))
    region = inner.buffer(ROUNDING_M)
    best = np.empty((0, 2))
    for grid in _grids(inner, spacing_m, row_m, pattern):
        inside = grid[shapely.intersects_xy(region, grid[:, 0], grid[:, 1])]
        if len(inside) > len(best):
            best = inside
    return Placed(pattern, best)


def _grids(inner: BaseGeometry, spacing_m: float, row_m: float, pattern: Pattern) -> Iterator[Points]:
    """Grids over a region: one from its lower left corner, and others shifted in steps from its middle on.

    On a rectangle none takes more than that from the corner.
    """
    left, low, right, top = inner.bounds
    shift = spacing_m / 2 if pattern == "offset" else 0.0
    middle_x, middle_y = (left + right) / 2, (low + top) / 2
    parts = [step / SHIFTS for step in range(SHIFTS)]
    shifted = [(middle_x + one * spacing_m, middle_y + other * row_m) for one in parts for other in parts]
    starts = [(left, low), *shifted]
    is_rectangle = (right - left) * (top - low) - inner.area < NEARLY_M
    for at_x, at_y in starts[:1] if is_rectangle else starts:
        first_x = at_x - math.ceil((at_x - left) / spacing_m + 1) * spacing_m
        rows_below = math.ceil((at_y - low) / row_m)
        columns = np.arange(first_x, right + spacing_m, spacing_m)
        rows = np.arange(-rows_below, math.ceil((top - at_y) / row_m) + 1)
        xs = columns[None, :] + np.where(rows[:, None] % 2, shift, 0.0)
        ys = np.broadcast_to((at_y + rows * row_m)[:, None], xs.shape)
        yield np.column_stack([xs.ravel(), ys.ravel()])
