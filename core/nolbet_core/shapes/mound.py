"""Mounds: a solid on the ground whose layers are shells, measured square to the surface."""

from __future__ import annotations

import itertools
import math
from abc import abstractmethod
from dataclasses import dataclass

from nolbet_core.shapes.angular import Rectangle
from nolbet_core.shapes.buried import Solid
from nolbet_core.shapes.hollow import Hollow, Point, Ring, ShapeProblem
from nolbet_core.shapes.invert import invert_rising
from nolbet_core.shapes.outline import Outline, Span
from nolbet_core.shapes.prismatoid import Prismatoid
from nolbet_core.shapes.ribbon import Ribbon
from nolbet_core.shapes.vessel import Form, Vessel

RIDGE_TOLERANCE_M = 0.001
ANCHOR_SHARE = 0.45


class Shells(Hollow):
    """The inside of a mound as nested cores. A level is counted outwards from where the core vanishes [m].

    rim_m is how deep a cover may be before nothing is left inside it. sunk: what is buried under its crest, which takes
    room from the fill.
    """

    sunk: tuple[Solid, ...]

    @abstractmethod
    def crest_m(self, cover_m: float) -> float:
        """Height of a core [m]."""

    @abstractmethod
    def core_volume(self, cover_m: float) -> float:
        """Volume of the core under a cover of a thickness [m3]; a negative one lies round the mound."""

    @abstractmethod
    def core_surface(self, cover_m: float) -> float:
        """Area of that core's surface above the ground [m2]."""

    @abstractmethod
    def core_perimeter(self, cover_m: float) -> float:
        """Length round that core at the ground [m]."""

    def cover_at(self, level_m: float) -> float:
        """Thickness of what lies over a level [m]."""
        return self.rim_m - level_m

    def area_at(self, height_m: float) -> float:
        """Area of the shell's surface [m2]: what a thin layer spread over it needs per thickness."""
        return self.core_surface(self.cover_at(height_m))

    def perimeter_at(self, height_m: float) -> float:
        """Length round the shell at the ground [m]."""
        return self.core_perimeter(self.cover_at(height_m))

    def volume_between(self, lower_m: float, upper_m: float) -> float:
        """Volume that is left for fill between two shells [m3]."""
        return self._left_under(self.cover_at(upper_m)) - self._left_under(self.cover_at(lower_m))

    def _left_under(self, cover_m: float) -> float:
        """Volume of a core less what is buried in it [m3]."""
        whole_m3 = self.core_volume(cover_m)
        if not self.sunk:
            return whole_m3
        crest_m = self.crest_m(cover_m)
        return max(whole_m3 - sum(solid.volume_below(crest_m) for solid in self.sunk), 0.0)

    def height_for_volume(self, base_m: float, volume_m3: float) -> float:
        """Level [m] up to which a volume [m3] laid round a core of a level [m] reaches."""
        wanted = self._left_under(self.cover_at(base_m)) + volume_m3
        most = max(self.rim_m, base_m)
        while self._left_under(self.cover_at(most)) < wanted:
            most *= 2
        return invert_rising(lambda level: self._left_under(self.cover_at(level)), 0.0, most, wanted)


@dataclass(frozen=True, slots=True)
class HippedShells(Shells):
    """Cores of a hipped mound: length, width, height [m] and slope of all four sides [rad].

    A core under a cover t is the half-spaces of sides and top moved in by t: its base is shorter by 2 t / sin a each
    way, its top lower by t, or by more where the sides meet first.
    """

    length_m: float
    width_m: float
    height_m: float
    slope_rad: float
    sunk: tuple[Solid, ...] = ()

    @property
    def rim_m(self) -> float:
        """Cover under which nothing is left [m]."""
        return min(self.height_m, min(self.length_m, self.width_m) / 2 * math.sin(self.slope_rad))

    def base(self, cover_m: float) -> tuple[float, float]:
        """Length and width of a core's base [m]."""
        less_m = 2 * cover_m / math.sin(self.slope_rad)
        return max(self.length_m - less_m, 0.0), max(self.width_m - less_m, 0.0)

    def crest_m(self, cover_m: float) -> float:
        """Height of a core [m]."""
        ridge_m = min(self.base(cover_m)) / 2 * math.tan(self.slope_rad)
        return max(min(self.height_m - cover_m, ridge_m), 0.0)

    def core_volume(self, cover_m: float) -> float:
        """Volume of a core [m3]: the integral of (L - 2 z / tan a)(W - 2 z / tan a) over its height."""
        (length, width), height = self.base(cover_m), self.crest_m(cover_m)
        run = 1 / math.tan(self.slope_rad)
        return height * (length * width - height * run * (length + width) + 4 / 3 * (height * run) ** 2)

    def core_surface(self, cover_m: float) -> float:
        """Surface of a core [m2]: its top, and its sides by their level area over cos a."""
        (length, width), height = self.base(cover_m), self.crest_m(cover_m)
        in_m = 2 * height / math.tan(self.slope_rad)
        top = max(length - in_m, 0.0) * max(width - in_m, 0.0)
        return top + (length * width - top) / math.cos(self.slope_rad)

    def core_perimeter(self, cover_m: float) -> float:
        """Length round a core's base [m]."""
        return 2 * sum(self.base(cover_m))


class Mound(Vessel):
    """A mound as built: its base and its shells."""

    form: Form = "mound"
    hollow: Shells

    @abstractmethod
    def crest_of(self, cover_m: float) -> float:
        """Height of the core under a cover [m]."""

    @abstractmethod
    def profile(self, cover_m: float) -> tuple[Point, ...]:
        """The core under a cover, cut across: from its left foot over its top to its right foot [m]."""

    @property
    def top_area_m2(self) -> float:
        """Its base [m2]."""
        return self.inside.area_m2

    @property
    def outside(self) -> Outline:
        """Its base [m]."""
        return self.inside

    def height_of(self, level_m: float) -> float:
        """Height of a shell's highest point above the ground [m]."""
        return self.crest_of(self.hollow.cover_at(level_m))

    def sheet_area_at(self, level_m: float) -> float:
        """Under the mound its base; higher up the surface that a sheet lies on [m2]."""
        return self.inside.area_m2 if level_m <= 0 else self.hollow.area_at(level_m)

    def sheet_perimeter_at(self, level_m: float) -> float:
        """Length round that at the ground [m]."""
        return self.inside.perimeter_m if level_m <= 0 else self.hollow.perimeter_at(level_m)

    def sheet_size_at(self, level_m: float) -> tuple[float, float]:
        """Length and width of a sheet [m, m]: under the mound its base, higher up over the slopes."""
        base = self.inside
        if level_m <= 0:
            return base.length_m, base.width_m
        profile = self.profile(self.hollow.cover_at(level_m))
        over_m = sum(math.dist(one, two) for one, two in itertools.pairwise(profile))
        return base.length_m - base.width_m + over_m, over_m

    def grip(self, level_m: float) -> Point:
        """The middle of a shell's top [m]."""
        return 0.0, self.height_of(level_m)

    def section(self, lower_m: float, upper_m: float) -> tuple[Ring, ...]:
        """A shell: over its outside and back over its inside [m]; under all, the base."""
        if upper_m <= 0:
            half_m = self.inside.width_m / 2
            return (((-half_m, 0.0), (half_m, 0.0)),)
        outer = self.profile(self.hollow.cover_at(upper_m))
        inner = self.profile(self.hollow.cover_at(lower_m)) if lower_m > 0 else ()
        return ((*outer, *reversed(inner)),)

    def section_spans(self, level_m: float) -> tuple[Span, ...]:
        """Its width at the ground [m]."""
        profile = self.profile(self.hollow.cover_at(level_m))
        return ((profile[0][0], profile[-1][0]),)

    def anchor(self, lower_m: float, upper_m: float) -> Point:
        """The middle of a shell on its right flank [m]."""
        level_m = (lower_m + upper_m) / 2
        height_m = self.height_of(level_m) * ANCHOR_SHARE
        profile = self.profile(self.hollow.cover_at(level_m))
        right = [point for point in profile if point[0] >= 0]
        for high, low in itertools.pairwise(right):
            if high[1] >= height_m >= low[1] and high[1] > low[1]:
                share = (high[1] - height_m) / (high[1] - low[1])
                return high[0] + share * (low[0] - high[0]), height_m
        return right[-1][0], height_m


@dataclass(frozen=True, slots=True)
class HippedMound(Mound):
    """A mound on a rectangle with all sides at one slope. line: the base along a line that it follows, if it does."""

    hollow: HippedShells
    line: Ribbon | None = None

    @property
    def inside(self) -> Outline:
        """Its base [m]."""
        return self.line or Rectangle(self.hollow.length_m, self.hollow.width_m)

    @property
    def face_m2(self) -> float:
        """Area of its four sides, measured on the slope [m2]."""
        mound = self.hollow
        in_m = 2 * mound.height_m / math.tan(mound.slope_rad)
        top_m2 = max(mound.length_m - in_m, 0.0) * max(mound.width_m - in_m, 0.0)
        return (mound.length_m * mound.width_m - top_m2) / math.cos(mound.slope_rad)

    @property
    def solid(self) -> Prismatoid:
        """The mound by height above the ground."""
        mound = self.hollow
        run = 2 * mound.height_m / math.tan(mound.slope_rad)
        sizes = [
            (max(mound.length_m - run * share, 0.0), max(mound.width_m - run * share, 0.0)) for share in (0.0, 0.5, 1.0)
        ]
        areas = [length * width for length, width in sizes]
        return Prismatoid(mound.height_m, areas[0], areas[1], areas[2], 2 * sum(sizes[0]), 2 * sum(sizes[2]))

    def crest_of(self, cover_m: float) -> float:
        """Height of the core under a cover [m]."""
        return self.hollow.crest_m(cover_m)

    def profile(self, cover_m: float) -> tuple[Point, ...]:
        """Two feet and the two edges of the top [m]."""
        half = self.hollow.base(cover_m)[1] / 2
        height = self.hollow.crest_m(cover_m)
        top = max(half - height / math.tan(self.hollow.slope_rad), 0.0)
        return (-half, 0.0), (-top, height), (top, height), (half, 0.0)


def hipped_mound(
    length_m: float, width_m: float, height_m: float, slope_deg: float, line: Ribbon | None = None
) -> HippedMound:
    """A hipped mound. length_m, width_m: of its base [m]. height_m [m]. slope_deg: of all four sides [deg]. line: its
    base, where that follows a line.

    Raises ShapeProblem where the sides meet below the height (beyond a millimetre), naming the height where they do.
    """
    slope_rad = math.radians(slope_deg)
    ridge_m = min(length_m, width_m) / 2 * math.tan(slope_rad)
    if height_m > ridge_m + RIDGE_TOLERANCE_M:
        said = f"{height_m:g} m is over the ridge, where the sides meet {ridge_m:.3f} m up"
        raise ShapeProblem("height_m", said)
    return HippedMound(HippedShells(length_m, width_m, min(height_m, ridge_m), slope_rad), line)
