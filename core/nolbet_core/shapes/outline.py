"""What every outline seen from above answers: a bed's plan, inside or outside its walls."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import Protocol, Self

from nolbet_core.shapes.hollow import LEAST_INSIDE_M, Point, Ring, ShapeProblem

Span = tuple[float, float]
"""From where to where across the bed, from its middle line [m, m]."""

ARC_STEPS = 72
"""Corners that stand for a full circle where an outline is drawn."""


class Outline(Protocol):
    """A plan. Its rings lie in a frame with the lower left of its surrounding rectangle at (0, 0)."""

    @property
    def area_m2(self) -> float:
        """Plan area [m2]."""
        ...

    @property
    def perimeter_m(self) -> float:
        """Length round the plan [m]."""
        ...

    @property
    def length_m(self) -> float:
        """Length of the surrounding rectangle [m]."""
        ...

    @property
    def width_m(self) -> float:
        """Width of the surrounding rectangle [m]."""
        ...

    @property
    def inradius_m(self) -> float:
        """How far the soil farthest from any edge lies from it [m]."""
        ...

    @property
    def centroid_m(self) -> Point:
        """Centre of the area [m, m]."""
        ...

    def moved(self, out_m: float) -> Self:
        """The outline with every edge moved outwards [m] (inwards where negative), corners mitred."""
        ...

    def rings(self) -> tuple[Ring, ...]:
        """Outlines to draw [m]."""
        ...

    def spans(self) -> tuple[Span, ...]:
        """Where a cut across the width meets the inside [m]."""
        ...

    def __hash__(self) -> int:
        """Outlines are frozen: alike ones count as one, so that what is drawn of them is drawn once."""
        ...


def left_between(key: str, measure_m: float, out_m: float) -> float:
    """A measure [m] after both its edges moved outwards by out_m [m]. Raises ShapeProblem where nothing is left."""
    left_m = measure_m + 2 * out_m
    if left_m < LEAST_INSIDE_M:
        raise ShapeProblem(key, f"{measure_m:g} m outside leaves nothing between two walls of {abs(out_m):g} m")
    return left_m


def ring_area(ring: Sequence[Point]) -> float:
    """Area inside a ring [m2], positive where its corners go round anticlockwise (the shoelace formula)."""
    return sum(x0 * y1 - x1 * y0 for (x0, y0), (x1, y1) in zip(ring, (*ring[1:], ring[0]), strict=True)) / 2


def ring_perimeter(ring: Sequence[Point]) -> float:
    """Length round a ring [m]."""
    return sum(math.dist(one, two) for one, two in zip(ring, (*ring[1:], ring[0]), strict=True))


def ring_centroid(ring: Sequence[Point]) -> Point:
    """Centre of the area inside a ring [m, m]."""
    area = ring_area(ring)
    x = y = 0.0
    for (x0, y0), (x1, y1) in zip(ring, (*ring[1:], ring[0]), strict=True):
        cross = x0 * y1 - x1 * y0
        x += (x0 + x1) * cross
        y += (y0 + y1) * cross
    return x / (6 * area), y / (6 * area)


def arc(centre: Point, radius_m: float, start_rad: float, end_rad: float) -> list[Point]:
    """Points along an arc [m], both ends among them; from start to end, either way round."""
    steps = max(math.ceil(abs(end_rad - start_rad) / (2 * math.pi) * ARC_STEPS), 2)
    turn = (end_rad - start_rad) / steps
    x, y = centre
    return [
        (x + radius_m * math.cos(start_rad + i * turn), y + radius_m * math.sin(start_rad + i * turn))
        for i in range(steps + 1)
    ]


def middle_span(width_m: float) -> tuple[Span, ...]:
    """The one span of a cut that meets nothing but the outer edges."""
    return ((-width_m / 2, width_m / 2),)
