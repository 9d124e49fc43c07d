"""What stays where it is: house walls, fences, trees, taps, doors, drains, buried services."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import TYPE_CHECKING

from nolbet_core.lazy import lazily
from nolbet_core.shapes.hollow import Point

if TYPE_CHECKING:
    import shapely
    from shapely.geometry.base import BaseGeometry
else:
    shapely = lazily("shapely")

USUAL_ACROSS_M = {
    "house": 0.3, "wall": 0.2, "fence": 0.05, "tree": 0.3, "tap": 0.1, "door": 0.9, "drain": 0.3, "service": 0.0,
    "gate": 1.0, "compost_heap": 1.2, "shed": 2.0, "patio": 3.0, "pond": 2.0, "stump": 0.4,
}  # fmt: skip
"""How thick or wide each is where nothing is said [m]."""

STANDING = frozenset({"house", "wall", "fence", "tree", "tap", "compost_heap", "shed", "pond", "stump"})
"""What a bed can't be set over."""

ROOT_CIRCLE_PER_TRUNK = 12.0
"""Radius of the roots to be spared over the trunk's diameter (BS 5837:2012, root protection area)."""


@dataclass(frozen=True)
class FixedThing:
    """A fixed thing: kind, what it is called, and its points, one or a line of them [m]. across_m: how thick [m].

    height_m: how high it stands, where that is known [m].
    """

    kind: str
    name: str
    points_m: tuple[Point, ...]
    across_m: float
    height_m: float | None = None

    @cached_property
    def outline(self) -> BaseGeometry:
        """The ground it takes, or the line or point of what is buried."""
        line = shapely.Point(self.points_m[0]) if len(self.points_m) == 1 else shapely.LineString(self.points_m)
        return (
            line.buffer(self.across_m / 2, cap_style="flat" if len(self.points_m) > 1 else "round")
            if self.across_m
            else line
        )

    @property
    def root_circle_m(self) -> float:
        """Radius of a tree's roots to be spared [m]."""
        return ROOT_CIRCLE_PER_TRUNK * self.across_m


def fixed_thing(
    kind: str, name: str | None, points_m: Sequence[Point], across_m: float | None, height_m: float | None = None
) -> FixedThing:
    """A fixed thing with what is usual where nothing is said. points_m: one, or a line [m]. across_m, height_m [m]."""
    across = USUAL_ACROSS_M[kind] if across_m is None else across_m
    return FixedThing(kind, name or kind.replace("_", " ").capitalize(), tuple(points_m), across, height_m)
