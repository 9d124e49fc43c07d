"""Corners of a bed from what a tape gives: its sides and the diagonals from one corner."""

from __future__ import annotations

import math
from collections.abc import Sequence

from nolbet_core.shapes.hollow import Point, ShapeProblem

SLACK_M = 1e-9


def corners_from_sides(sides_m: Sequence[float], diagonals_m: Sequence[float]) -> tuple[Point, ...]:
    """Corners [m, m] from sides and diagonals, the first at (0, 0), the second along the first side.

    sides_m: sides in order [m], from corner 1 to 2, 2 to 3, and so on back to 1; three or more. diagonals_m: from
    corner 1 to corners 3, 4 and so on up to the last but one [m]: a triangle needs none, a four-cornered bed one.
    Corners are found one triangle after the other, going round anticlockwise.

    Raises ShapeProblem where there are too few or too many diagonals, or where three lengths make no triangle, naming
    the corners and what would close it.
    """
    needed = len(sides_m) - 3
    if len(diagonals_m) != needed:
        said = f"{len(sides_m)} sides need {needed} diagonals from corner 1, given {len(diagonals_m)}"
        raise ShapeProblem("diagonals_m", said)
    from_first = [sides_m[0], *diagonals_m, sides_m[-1]]
    corners: list[Point] = [(0.0, 0.0), (sides_m[0], 0.0)]
    turned = 0.0
    for index in range(1, len(sides_m) - 1):
        near, far, side = from_first[index - 1], from_first[index], sides_m[index]
        turned += _angle(near, far, side, index + 1)
        corners.append((far * math.cos(turned), far * math.sin(turned)))
    return tuple(corners)


def _angle(near_m: float, far_m: float, side_m: float, corner: int) -> float:
    """Angle at corner 1 [rad] between the lines to a corner and to the next, by the law of cosines."""
    least, most = abs(near_m - far_m), near_m + far_m
    if not least - SLACK_M <= side_m <= most + SLACK_M:
        said = f"corners 1, {corner} and {corner + 1} don't close: side {corner}–{corner + 1} is {side_m:.3g} m and"
        raise ShapeProblem(f"sides_m[{corner - 1}]", f"{said} would have to be between {least:.3g} and {most:.3g} m")
    cosine = (near_m**2 + far_m**2 - side_m**2) / (2 * near_m * far_m)
    return math.acos(min(max(cosine, -1.0), 1.0))
