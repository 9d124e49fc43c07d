"""Plants along a narrow band, as up a herb spiral: in single file or in as many rows as it is wide for."""

from __future__ import annotations

import math
from collections.abc import Sequence

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry
from shapely.ops import substring

from nolbet_core.planting.placing import Placed

NEARLY = 1e-9


def placed_along(line: BaseGeometry, width_m: float, spacing_m: float) -> Placed:
    """Plants along the middle of a band [m], half a spacing from its ends; leaves may hang over its edges.

    line: its middle. width_m: of the band; a wider one takes several rows.
    """
    rows = files_in(width_m, spacing_m)
    points = [
        point for row in range(rows) for point in _in_file(line, (row - (rows - 1) / 2) * width_m / rows, spacing_m)
    ]
    return Placed("rows", np.array(points).reshape(-1, 2))


def files_in(width_m: float, spacing_m: float) -> int:
    """How many files of plants go side by side into a band [m]; at least one."""
    return max(math.floor(width_m / spacing_m + NEARLY), 1)


def _in_file(line: BaseGeometry, off_m: float, spacing_m: float) -> list[tuple[float, float]]:
    moved = line if abs(off_m) < NEARLY else shapely.offset_curve(line, off_m)
    if moved.is_empty:
        return []
    many = max(math.floor(moved.length / spacing_m + NEARLY), 1 if moved.length >= spacing_m / 2 else 0)
    spare_m = (moved.length - many * spacing_m) / 2
    places = [moved.interpolate(spare_m + (place + 0.5) * spacing_m) for place in range(many)]
    return [(float(each.x), float(each.y)) for each in places]


def parted_along(line: shapely.LineString, lengths_m: Sequence[float | None]) -> list[BaseGeometry]:
    """Pieces of a band's middle, one after another: so long each [m], None for an even share of what is left."""
    known_m = sum(each for each in lengths_m if each is not None)
    shares = sum(each is None for each in lengths_m)
    rest_m = max(line.length - known_m, 0.0) / max(shares, 1)
    pieces: list[BaseGeometry] = []
    begin = 0.0
    for each in lengths_m:
        until = min(begin + (rest_m if each is None else each), line.length)
        pieces.append(substring(line, begin, until) if until > begin + NEARLY else shapely.LineString())
        begin = until
    return pieces
