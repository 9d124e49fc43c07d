"""A barrel lying on its side, cut open at the top."""

from __future__ import annotations

import math
from dataclasses import dataclass

from nolbet_core.shapes.angular import Rectangle
from nolbet_core.shapes.hollow import Hollow, Ring, ShapeProblem
from nolbet_core.shapes.invert import standing_height
from nolbet_core.shapes.outline import Span, left_between
from nolbet_core.shapes.vessel import Measured, Vessel

CURVE_STEPS = 24


@dataclass(frozen=True, slots=True)
class BarrelHollow:
    """The inside of a lying cylinder up to its opening: radius, length and half the opening's width [m]."""

    radius_m: float
    length_m: float
    half_opening_m: float

    @property
    def rim_m(self) -> float:
        """Height at which the opening meets the circle [m]."""
        return self.radius_m + math.sqrt(max(self.radius_m**2 - self.half_opening_m**2, 0.0))

    def half_chord_at(self, height_m: float) -> float:
        """Half the width of the water line at a height [m]."""
        height_m = min(max(height_m, 0.0), self.rim_m)
        return math.sqrt(max(height_m * (2 * self.radius_m - height_m), 0.0))

    def area_at(self, height_m: float) -> float:
        """Plan area at a height [m2]."""
        return 2 * self.half_chord_at(height_m) * self.length_m

    def perimeter_at(self, height_m: float) -> float:
        """Length round the plan at a height [m]."""
        return 4 * self.half_chord_at(height_m) + 2 * self.length_m

    def volume_between(self, lower_m: float, upper_m: float) -> float:
        """Volume between two heights [m3], from the area of the circular segment."""
        return self._volume_to(upper_m) - self._volume_to(lower_m)

    def height_for_volume(self, base_m: float, volume_m3: float) -> float:
        """Height [m] at which a volume [m3] poured in from a base height [m] stands."""
        return standing_height(self._volume_to, self.rim_m, self.area_at(self.rim_m), base_m, volume_m3)

    def _volume_to(self, height_m: float) -> float:
        radius, rim = self.radius_m, self.rim_m
        height = min(max(height_m, 0.0), rim)
        below = radius - height
        segment = radius**2 * math.acos(min(max(below / radius, -1.0), 1.0)) - below * self.half_chord_at(height)
        return self.length_m * (segment + 2 * self.half_opening_m * max(height_m - rim, 0.0))


@dataclass(frozen=True, slots=True)
class LyingBarrel(Vessel):
    """A lying barrel as built: its inside (and what is left of it for fill), its outer diameter and length [m]."""

    hollow: Hollow
    barrel: BarrelHollow
    outer_diameter_m: float
    outer_length_m: float

    @property
    def inside(self) -> Rectangle:
        """Its length by its widest inside [m]."""
        widest = self.barrel.half_chord_at(min(self.barrel.radius_m, self.barrel.rim_m))
        return Rectangle(self.barrel.length_m, 2 * widest)

    @property
    def outside(self) -> Rectangle:
        """Its length by its diameter, walls with it [m]."""
        return Rectangle(self.outer_length_m, self.outer_diameter_m)

    def section(self, lower_m: float, upper_m: float) -> tuple[Ring, ...]:
        """The circle between two heights [m]."""
        radius = self.barrel.radius_m
        start, end = (math.acos(min(max(1 - level / radius, -1.0), 1.0)) for level in (lower_m, upper_m))
        turns = {start + (end - start) * i / CURVE_STEPS for i in range(CURVE_STEPS + 1)}
        if start < math.pi / 2 < end:
            turns.add(math.pi / 2)
        right = [(radius * math.sin(turn), radius * (1 - math.cos(turn))) for turn in sorted(turns)]
        if upper_m > self.barrel.rim_m:
            rim = (self.barrel.half_opening_m, self.barrel.rim_m)
            right = [*(point for point in right if point[1] < rim[1]), rim, (rim[0], upper_m)]
        return ((*right, *((-x, y) for x, y in reversed(right))),)

    def section_spans(self, level_m: float) -> tuple[Span, ...]:
        """Its chord at a height [m]."""
        half = self.barrel.half_chord_at(level_m)
        return ((-half, half),)

    def section_walls(self) -> tuple[Ring, ...]:
        """The staves from one edge of the opening round to the other [m]."""
        hollow, rim = self.barrel, self.barrel.rim_m
        outer_m = self.outer_diameter_m / 2
        open_rad = math.atan2(hollow.half_opening_m, rim - hollow.radius_m)
        turns = [open_rad + (2 * math.pi - 2 * open_rad) * i / (2 * CURVE_STEPS) for i in range(2 * CURVE_STEPS + 1)]
        inner = [(hollow.radius_m * math.sin(t), hollow.radius_m * (1 + math.cos(t))) for t in turns]
        outer = [(outer_m * math.sin(t), hollow.radius_m + outer_m * math.cos(t)) for t in turns]
        return ((*inner, *reversed(outer)),)


def lying_barrel(
    diameter_m: float, length_m: float, opening_width_m: float, measured: Measured, wall_m: float
) -> LyingBarrel:
    """A lying barrel from what was measured.

    diameter_m, length_m: over the walls or inside them as `measured` says [m]; the ends have walls too.
    opening_width_m: width of the cut [m]; one as wide as the barrel is half a barrel. wall_m [m].

    Raises ShapeProblem where the walls leave no inside or the opening is wider than the barrel.
    """
    if opening_width_m > diameter_m:
        said = f"{opening_width_m:g} m is wider than the barrel of {diameter_m:g} m"
        raise ShapeProblem("opening_width_m", said)
    inner = -wall_m if measured == "outside" else 0.0
    inside_m = left_between("diameter_m", diameter_m, inner)
    hollow = BarrelHollow(inside_m / 2, left_between("length_m", length_m, inner), min(opening_width_m, inside_m) / 2)
    return LyingBarrel(hollow, hollow, inside_m + 2 * wall_m, hollow.length_m + 2 * wall_m)
