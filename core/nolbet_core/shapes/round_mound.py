"""A rounded mound: a parabola across, half a paraboloid at each end."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np

from nolbet_core.shapes.buried import Solid
from nolbet_core.shapes.hollow import Point, ShapeProblem
from nolbet_core.shapes.invert import invert_rising
from nolbet_core.shapes.mound import Mound, Shells
from nolbet_core.shapes.outline import Outline
from nolbet_core.shapes.quadrature import Floats, integral
from nolbet_core.shapes.ribbon import Ribbon
from nolbet_core.shapes.round import Stadium

CURVE_STEPS = 20


@dataclass(frozen=True, slots=True)
class RoundShells(Shells):
    """Cores of a rounded mound: what lies a cover's thickness or more from its curved surface.

    length_m, width_m, height_m [m]. The surface is z = H (1 - x2/a2) with a half the width; the core's surface is its
    parallel curve, found by the foot x0 of each of its points on the surface. Where the cover is thicker than the
    curve's radius at the top, the two halves of the parallel curve meet in a ridge.
    """

    length_m: float
    width_m: float
    height_m: float
    sunk: tuple[Solid, ...] = ()

    @property
    def half_m(self) -> float:
        """Half the width [m]."""
        return self.width_m / 2

    @property
    def rim_m(self) -> float:
        """Cover under which nothing is left [m]: how near the surface comes to the middle of the base."""
        a, height = self.half_m, self.height_m
        if a**2 >= 2 * height**2:
            return height
        return math.sqrt(a**2 - a**4 / (4 * height**2))

    def crest_m(self, cover_m: float) -> float:
        """Height of a core [m]."""
        if cover_m >= self.rim_m:
            return 0.0
        return max(self.height_over(self.top_foot_m(cover_m), cover_m), 0.0)

    def top_foot_m(self, cover_m: float) -> float:
        """Foot on the surface of the core's highest point [m]: off the middle where two halves meet in a ridge."""
        bend = 2 * self.height_m / self.half_m**2
        return math.sqrt(max((cover_m * bend) ** 2 - 1, 0.0)) / bend if cover_m > 0 else 0.0

    def feet(self, cover_m: float) -> tuple[float, float] | None:
        """Feet on the surface [m] of the core's top and of its edge at the ground; None where nothing is left."""
        if cover_m >= self.rim_m:
            return None
        top, most = self.top_foot_m(cover_m), self.half_m
        while cover_m < 0 and self.height_over(most, cover_m) > 0:
            most *= 2
        return top, invert_rising(lambda foot: -self.height_over(foot, cover_m), top, most, 0.0)

    def height_over(self, foot_m: float, cover_m: float) -> float:
        """Height of the core's surface [m] over a foot on the mound's [m]."""
        steep = 2 * self.height_m * foot_m / self.half_m**2
        return self.height_m * (1 - (foot_m / self.half_m) ** 2) - cover_m / math.sqrt(1 + steep**2)

    def curve(self, feet_m: Floats, cover_m: float) -> tuple[Floats, Floats]:
        """Where the core's surface lies over feet on the mound's: from the middle line and from the ground [m]."""
        steep = 2 * self.height_m * feet_m / self.half_m**2
        along = np.sqrt(1 + steep**2)
        return feet_m - cover_m * steep / along, self.height_m * (1 - (feet_m / self.half_m) ** 2) - cover_m / along

    def _stretch(self, feet_m: Floats, cover_m: float) -> tuple[Floats, Floats]:
        """How fast the core's surface runs sideways for a step of the foot, and along itself."""
        bend = 2 * self.height_m / self.half_m**2
        along = np.sqrt(1 + (bend * feet_m) ** 2)
        sideways = 1 - cover_m * bend / along**3
        return sideways, sideways * along

    def core_volume(self, cover_m: float) -> float:
        """Volume of a core [m3]: its middle by the area of its cut, its ends as one solid of revolution."""
        if cover_m == 0:
            return whole_volume(self.length_m, self.width_m, self.height_m)
        feet = self.feet(cover_m)
        if feet is None:
            return 0.0
        middle_m = self.length_m - self.width_m

        def strip(feet_m: Floats) -> Floats:
            out, up = self.curve(feet_m, cover_m)
            return up * (2 * middle_m + 2 * np.pi * out) * self._stretch(feet_m, cover_m)[0]

        return max(integral(strip, *feet), 0.0)

    def core_surface(self, cover_m: float) -> float:
        """Surface of a core [m2]."""
        feet = self.feet(cover_m)
        if feet is None:
            return 0.0
        middle_m = self.length_m - self.width_m

        def strip(feet_m: Floats) -> Floats:
            out, _ = self.curve(feet_m, cover_m)
            return (2 * middle_m + 2 * np.pi * out) * self._stretch(feet_m, cover_m)[1]

        return integral(strip, *feet)

    def core_perimeter(self, cover_m: float) -> float:
        """Length round a core's base [m]."""
        feet = self.feet(cover_m)
        if feet is None:
            return 0.0
        out, _ = self.curve(np.array([feet[1]]), cover_m)
        return 2 * (self.length_m - self.width_m) + 2 * math.pi * float(out[0])


def whole_volume(length_m: float, width_m: float, height_m: float) -> float:
    """Volume of a rounded mound [m3]: 2/3 W H over its middle, and pi/8 W2 H for both ends."""
    return (length_m - width_m) * width_m * height_m * 2 / 3 + math.pi * width_m**2 * height_m / 8


@dataclass(frozen=True, slots=True)
class RoundSolid:
    """A rounded mound by height above the ground: length, width and height [m]."""

    length_m: float
    width_m: float
    rim_m: float

    def _width_at(self, height_m: float) -> float:
        return self.width_m * math.sqrt(1 - min(max(height_m / self.rim_m, 0.0), 1.0))

    def area_at(self, height_m: float) -> float:
        """Plan area at a height [m2]."""
        width_m = self._width_at(height_m)
        return (self.length_m - self.width_m) * width_m + math.pi * width_m**2 / 4

    def perimeter_at(self, height_m: float) -> float:
        """Length round the plan at a height [m]."""
        return 2 * (self.length_m - self.width_m) + math.pi * self._width_at(height_m)

    def volume_between(self, lower_m: float, upper_m: float) -> float:
        """Volume between two heights [m3]; there is nothing above the top."""
        return self._volume_above(lower_m) - self._volume_above(upper_m)

    def height_for_volume(self, base_m: float, volume_m3: float) -> float:
        """Height [m] up to which a volume [m3] over a base height [m] reaches; at most the top."""
        wanted = volume_m3 + self.volume_between(0.0, base_m)
        return invert_rising(lambda height: self.volume_between(0.0, height), 0.0, self.rim_m, wanted)

    def _volume_above(self, height_m: float) -> float:
        """What stands over a height is a rounded mound too [m3]."""
        width_m, left_m = self._width_at(height_m), self.rim_m - min(max(height_m, 0.0), self.rim_m)
        return whole_volume(self.length_m - self.width_m + width_m, width_m, left_m)


@dataclass(frozen=True, slots=True)
class RoundMound(Mound):
    """A rounded mound as built. line: its base along a line that it follows, if it does."""

    hollow: RoundShells
    line: Ribbon | None = None

    @property
    def inside(self) -> Outline:
        """Its base [m]."""
        return self.line or Stadium(self.hollow.length_m, self.hollow.width_m)

    @property
    def solid(self) -> RoundSolid:
        """The mound by height above the ground."""
        return RoundSolid(self.hollow.length_m, self.hollow.width_m, self.hollow.height_m)

    def crest_of(self, cover_m: float) -> float:
        """Height of the core under a cover [m]."""
        return self.hollow.crest_m(cover_m)

    def profile(self, cover_m: float) -> tuple[Point, ...]:
        """The core's curve from foot to foot [m]."""
        feet = self.hollow.feet(cover_m)
        if feet is None:
            return ((0.0, 0.0), (0.0, 0.0))
        out, up = self.hollow.curve(np.linspace(feet[0], feet[1], CURVE_STEPS), cover_m)
        right = list(zip(out.tolist(), up.clip(min=0.0).tolist(), strict=True))
        return (*((-x, y) for x, y in reversed(right)), *right)


def round_mound(length_m: float, width_m: float, height_m: float, line: Ribbon | None = None) -> RoundMound:
    """A rounded mound. length_m: over all [m]. width_m, height_m [m]. line: its base, where that follows a line.

    Raises ShapeProblem where it is shorter than wide.
    """
    if length_m < width_m:
        raise ShapeProblem("length_m", f"{length_m:g} m is shorter than the width of {width_m:g} m")
    return RoundMound(RoundShells(length_m, width_m, height_m), line)
