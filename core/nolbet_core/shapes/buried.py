"""Solids buried in a bed: pipes, baskets, sunken pots, posts. They take room from the fill."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Protocol

from nolbet_core.shapes.hollow import Hollow, ShapeProblem
from nolbet_core.shapes.invert import invert_rising


class Solid(Protocol):
    """A buried solid. Heights are above the bed's floor [m]."""

    @property
    def bottom_m(self) -> float:
        """Where it begins [m]."""
        ...

    @property
    def top_m(self) -> float:
        """Where it ends [m]."""
        ...

    def area_at(self, height_m: float) -> float:
        """Level area that it takes at a height [m2]."""
        ...

    def volume_below(self, height_m: float) -> float:
        """Its volume under a height [m3]."""
        ...


@dataclass(frozen=True, slots=True)
class Upright:
    """Posts, pots and baskets of one level area [m2] from bottom to top [m], several alike together."""

    area_m2: float
    bottom_m: float
    top_m: float

    def area_at(self, height_m: float) -> float:
        """Its level area between bottom and top [m2]."""
        return self.area_m2 if self.bottom_m <= height_m <= self.top_m else 0.0

    def volume_below(self, height_m: float) -> float:
        """Its volume under a height [m3]."""
        return self.area_m2 * (min(max(height_m, self.bottom_m), self.top_m) - self.bottom_m)


@dataclass(frozen=True, slots=True)
class LyingPipe:
    """Pipes lying level: diameter, length of all together, and height of their underside [m]."""

    diameter_m: float
    length_m: float
    bottom_m: float

    @property
    def top_m(self) -> float:
        """Height of their upper side [m]."""
        return self.bottom_m + self.diameter_m

    def area_at(self, height_m: float) -> float:
        """Their chord at a height times their length [m2]."""
        up_m = min(max(height_m - self.bottom_m, 0.0), self.diameter_m)
        return 2 * math.sqrt(up_m * (self.diameter_m - up_m)) * self.length_m

    def volume_below(self, height_m: float) -> float:
        """Their volume under a height [m3], from the area of the circular segment."""
        radius = self.diameter_m / 2
        down_m = radius - min(max(height_m - self.bottom_m, 0.0), self.diameter_m)
        half_chord = math.sqrt(max(radius**2 - down_m**2, 0.0))
        return self.length_m * (radius**2 * math.acos(min(max(down_m / radius, -1.0), 1.0)) - down_m * half_chord)


@dataclass(frozen=True, slots=True)
class Displaced:
    """A hollow less the solids buried in it."""

    hollow: Hollow
    solids: tuple[Solid, ...]

    @property
    def rim_m(self) -> float:
        """Height of the rim above the floor [m]."""
        return self.hollow.rim_m

    def area_at(self, height_m: float) -> float:
        """Plan area that is left for fill at a height [m2]."""
        return self.hollow.area_at(height_m) - sum(solid.area_at(height_m) for solid in self.solids)

    def perimeter_at(self, height_m: float) -> float:
        """Length round the plan at a height [m], solids left out."""
        return self.hollow.perimeter_at(height_m)

    def volume_between(self, lower_m: float, upper_m: float) -> float:
        """Volume that is left for fill between two heights [m3]."""
        taken = sum(solid.volume_below(upper_m) - solid.volume_below(lower_m) for solid in self.solids)
        return self.hollow.volume_between(lower_m, upper_m) - taken

    def height_for_volume(self, base_m: float, volume_m3: float) -> float:
        """Height [m] at which a volume [m3] poured in from a base height [m] stands."""
        buried = sum(solid.volume_below(solid.top_m) for solid in self.solids)
        most = self.hollow.height_for_volume(base_m, volume_m3 + buried)
        return invert_rising(lambda height: self.volume_between(base_m, height), base_m, most, volume_m3)


def displaced(hollow: Hollow, solids: Sequence[Solid]) -> Hollow:
    """A hollow less solids; the hollow itself where there are none.

    Raises ShapeProblem where they leave no room at some height.
    """
    if not solids:
        return hollow
    check_room(hollow, solids)
    return Displaced(hollow, tuple(solids))


def check_room(hollow: Hollow, solids: Sequence[Solid]) -> None:
    """Raise ShapeProblem where solids leave no room for fill at some height, up to the rim."""
    left = Displaced(hollow, tuple(solids))
    for solid in solids:
        for height_m in (solid.bottom_m, (solid.bottom_m + solid.top_m) / 2, solid.top_m):
            at_m = min(height_m, hollow.rim_m) if solid.bottom_m <= hollow.rim_m else height_m
            if at_m <= hollow.rim_m and left.area_at(at_m) <= 0:
                raise ShapeProblem("buried", f"what is buried leaves no room for fill {at_m:g} m above the floor")
