"""A herb spiral: a bed that winds in and up round its middle, held by a wall of stones."""

from __future__ import annotations

import itertools
import math
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from nolbet_core.shapes.buried import Solid
from nolbet_core.shapes.hollow import LEAST_INSIDE_M, Point, Ring, ShapeProblem
from nolbet_core.shapes.invert import invert_rising, standing_height
from nolbet_core.shapes.outline import Outline, Span, ring_centroid, ring_perimeter
from nolbet_core.shapes.quadrature import Floats, integral
from nolbet_core.shapes.vessel import Form, Vessel

KEPT = 2048
"""Volumes, radii and curves that are kept: a drag asks again for all but one of them."""

ACROSS_LESS = 0.5
"""How many times its wall and path a tape across a spiral shows less than twice its largest radius: half a turn."""

STEPS_A_TURN = 48

MOST_TURNS = 20
"""A spiral three metres across with a hand's breadth of path winds round six times."""

TOLERANCE_M = 1e-9


@dataclass(frozen=True, slots=True)
class SpiralRun:
    """The curve r = R - (w + s) turns from the outer edge to the middle: radius, path width and wall [m]."""

    radius_m: float
    path_width_m: float
    wall_m: float

    @property
    def pitch_m(self) -> float:
        """How far the curve comes in with each turn [m]."""
        return self.path_width_m + self.wall_m

    @property
    def across_m(self) -> float:
        """What a tape across its widest shows [m]: from the outer end through the middle, half a turn on."""
        return 2 * self.radius_m - ACROSS_LESS * self.pitch_m

    @property
    def turns(self) -> float:
        """How often it winds round."""
        return self.radius_m / self.pitch_m

    @property
    def length_m(self) -> float:
        """Length of the run from the outer end to the middle [m]."""
        return self._to_middle(self.radius_m)

    def check_turns(self) -> None:
        """Raises ShapeProblem where it winds round more often than anybody builds."""
        if self.turns > MOST_TURNS:
            most = f"{self.radius_m / MOST_TURNS:.3g} m of path and wall"
            said = f"winds round {self.turns:.0f} times; up to {MOST_TURNS} will do: give it {most} or more"
            raise ShapeProblem("path_width_m", said)

    def run_at(self, radius_m: Floats) -> Floats:
        """Length of the run from the outer end to where it is so far from the middle [m]."""
        b = self.pitch_m / (2 * np.pi)
        arc = (radius_m * np.sqrt(radius_m**2 + b**2) + b**2 * np.arcsinh(radius_m / b)) / (2 * b)
        run: Floats = self.length_m - arc
        return run

    def _to_middle(self, radius_m: float) -> float:
        """Arc length of an Archimedean spiral from a radius to its middle [m]."""
        b = self.pitch_m / (2 * math.pi)
        return (radius_m * math.sqrt(radius_m**2 + b**2) + b**2 * math.asinh(radius_m / b)) / (2 * b)

    def radius_at(self, run_m: float) -> float:
        """How far from the middle the run is after a length [m]."""
        return _radius_at(self, run_m)

    def radius_to_middle(self, length_m: float) -> float:
        """How far from the middle the run is where so much of it is left [m]."""
        return invert_rising(self._to_middle, 0.0, self.radius_m, length_m)

    def swept_m2(self, from_radius_m: float, to_radius_m: float) -> float:
        """Area of the band inside the wall between two radii of the curve, the outer first [m2]."""
        return self._band(from_radius_m) - self._band(to_radius_m)

    def _band(self, radius_m: float) -> float:
        """Area of the band from the middle out to a radius of the curve [m2]."""
        out, inner = max(radius_m - self.wall_m, 0.0), max(radius_m - self.pitch_m, 0.0)
        return math.pi / self.pitch_m * (out**3 - inner**3) / 3

    def strip(self, radius_m: Floats) -> Floats:
        """Area of the band for a step of the radius [m2/m]."""
        out, inner = np.maximum(radius_m - self.wall_m, 0.0), np.maximum(radius_m - self.pitch_m, 0.0)
        strip: Floats = np.pi / self.pitch_m * (out**2 - inner**2)
        return strip

    def curve(self, inside_m: float, from_radius_m: float, to_radius_m: float) -> Ring:
        """Points of the curve moved in by a width, from the middle [m]."""
        return _curve(self, inside_m, from_radius_m, to_radius_m)

    def points(self, inside_m: float, from_radius_m: float, to_radius_m: float) -> Ring:
        """The points of `curve`, worked out."""
        steps = max(math.ceil((from_radius_m - to_radius_m) / self.pitch_m * STEPS_A_TURN), 1)
        points = []
        for i in range(steps + 1):
            radius = from_radius_m + (to_radius_m - from_radius_m) * i / steps
            turn = 2 * math.pi * (self.radius_m - radius) / self.pitch_m
            at = max(radius - inside_m, 0.0)
            points.append((at * math.cos(turn), at * math.sin(turn)))
        return tuple(points)


@lru_cache(maxsize=KEPT)
def _radius_at(run: SpiralRun, run_m: float) -> float:
    return run.radius_to_middle(run.length_m - run_m)


@lru_cache(maxsize=KEPT)
def _curve(run: SpiralRun, inside_m: float, from_radius_m: float, to_radius_m: float) -> Ring:
    return run.points(inside_m, from_radius_m, to_radius_m)


@dataclass(frozen=True, slots=True)
class SpiralHollow:
    """The bed of a spiral by height: its surface rises evenly along the run from outer to centre height [m].

    Layers lie level on the ground and end where the surface comes down to them, so that each is the surface of its
    own zone. sunk: pots and the like that stand in it and take room from the fill.
    """

    run: SpiralRun
    outer_height_m: float
    centre_height_m: float
    sunk: tuple[Solid, ...] = ()

    @property
    def rim_m(self) -> float:
        """The highest surface [m]."""
        return max(self.outer_height_m, self.centre_height_m)

    @property
    def _lowest_m(self) -> float:
        return min(self.outer_height_m, self.centre_height_m)

    def surface_at(self, run_m: float) -> float:
        """Height of the surface after a length of the run [m]."""
        share = run_m / self.run.length_m
        return self.outer_height_m + (self.centre_height_m - self.outer_height_m) * share

    def run_where(self, height_m: float) -> float:
        """Length of the run where the surface has a height [m]; at its ends beyond them."""
        rise = self.centre_height_m - self.outer_height_m
        if rise == 0:
            return 0.0
        return self.run.length_m * min(max((height_m - self.outer_height_m) / rise, 0.0), 1.0)

    def _outward(self) -> bool:
        """Whether the surface is higher at the outer end."""
        return self.outer_height_m > self.centre_height_m

    def area_at(self, height_m: float) -> float:
        """Area of the band whose surface is as high or higher [m2]; above the highest, the whole band."""
        whole = self.run.swept_m2(self.run.radius_m, 0.0)
        if height_m <= self._lowest_m or height_m > self.rim_m:
            return whole
        radius = self.run.radius_at(self.run_where(height_m))
        inner = self.run.swept_m2(radius, 0.0)
        return whole - inner if self._outward() else inner

    def perimeter_at(self, height_m: float) -> float:
        """Length of both edges of the band [m], at every height alike."""
        del height_m
        return 2 * self.run.length_m

    def volume_between(self, lower_m: float, upper_m: float) -> float:
        """Volume between two heights [m3]."""
        return _volume_to(self, upper_m) - _volume_to(self, lower_m)

    def height_for_volume(self, base_m: float, volume_m3: float) -> float:
        """Height [m] at which a volume [m3] laid level from a base height [m] stands."""
        whole_m2 = self.run.swept_m2(self.run.radius_m, 0.0)
        return standing_height(self.volume_to, self.rim_m, whole_m2, base_m, volume_m3)

    def volume_to(self, height_m: float) -> float:
        """Volume under the surface and under a level [m3], less what is sunk in it."""
        return self.earth_to(height_m) - sum(each.volume_below(height_m) for each in self.sunk)

    def earth_to(self, height_m: float) -> float:
        """Volume under the surface and under a level [m3]: the lesser of both heights over the swept area."""
        run = self.run
        level_m = min(max(height_m, 0.0), self.rim_m)
        whole = run.swept_m2(run.radius_m, 0.0)
        over = whole * max(height_m - self.rim_m, 0.0)
        if level_m <= self._lowest_m:
            return whole * level_m + over
        bend = run.radius_at(self.run_where(level_m))
        inner = run.swept_m2(bend, 0.0)
        if self._outward():
            return over + level_m * (whole - inner) + self._surface_volume(0.0, bend)
        return over + level_m * inner + self._surface_volume(bend, run.radius_m)

    def _surface_volume(self, from_radius_m: float, to_radius_m: float) -> float:
        """Volume under the surface between two radii of the curve, the inner first [m3]."""
        run, rise = self.run, self.centre_height_m - self.outer_height_m
        # the width of the band has kinks where wall and path come to the middle
        kinks = [each for each in (run.wall_m, run.pitch_m) if from_radius_m < each < to_radius_m]
        edges = [from_radius_m, *kinks, to_radius_m]

        def strip(radius_m: Floats) -> Floats:
            surface: Floats = self.outer_height_m + rise * run.run_at(radius_m) / run.length_m
            return surface * run.strip(radius_m)

        return sum(integral(strip, start, end) for start, end in itertools.pairwise(edges))


@lru_cache(maxsize=KEPT)
def _volume_to(hollow: SpiralHollow, height_m: float) -> float:
    return hollow.volume_to(height_m)


@dataclass(frozen=True, slots=True)
class SpiralOutline:
    """The outermost turn of a spiral from above."""

    run: SpiralRun

    @property
    def area_m2(self) -> float:
        """Ground inside the outermost turn [m2]."""
        outer, inner, pitch = self.run.radius_m, max(self.run.radius_m - self.run.pitch_m, 0.0), self.run.pitch_m
        return math.pi / pitch * (outer**3 - inner**3) / 3

    @property
    def perimeter_m(self) -> float:
        """Length round it [m]."""
        return ring_perimeter(self.rings()[0])

    @property
    def length_m(self) -> float:
        """Length of the surrounding rectangle [m]."""
        return self._extent(0)

    @property
    def width_m(self) -> float:
        """Width of the surrounding rectangle [m]."""
        return self._extent(1)

    def _extent(self, axis: int) -> float:
        values = [point[axis] for point in self.round_the_middle()]
        return max(values) - min(values)

    @property
    def inradius_m(self) -> float:
        """Half of what a tape across it shows [m]: the middle is reached from outside, over the turns."""
        return self.run.across_m / 2

    @property
    def centroid_m(self) -> Point:
        """Centre of its area [m, m]."""
        return ring_centroid(self.rings()[0])

    @property
    def corner_m(self) -> Point:
        """The lower left of the surrounding rectangle, from the middle of the spiral [m, m]."""
        points = self.round_the_middle()
        return min(x for x, _ in points), min(y for _, y in points)

    def round_the_middle(self) -> Ring:
        """Its outermost turn from the middle of the spiral [m]."""
        inner = max(self.run.radius_m - self.run.pitch_m, 0.0)
        return self.run.curve(0.0, self.run.radius_m, inner)

    def moved(self, out_m: float) -> SpiralOutline:
        """A spiral of a radius larger by so much [m]."""
        return SpiralOutline(SpiralRun(self.run.radius_m + out_m, self.run.path_width_m, self.run.wall_m))

    def rings(self) -> tuple[Ring, ...]:
        """Its outermost turn from the lower left of the surrounding rectangle [m]."""
        left, low = self.corner_m
        return (tuple((x - left, y - low) for x, y in self.round_the_middle()),)

    def spans(self) -> tuple[Span, ...]:
        """The run as it is drawn unrolled [m]."""
        return ((0.0, self.run.length_m),)


@dataclass(frozen=True, slots=True)
class HerbSpiral(Vessel):
    """A herb spiral as built. Its section is drawn along the run, from the outer end to the middle."""

    hollow: SpiralHollow
    form: Form = "spiral"

    @property
    def inside(self) -> Outline:
        """The outermost turn."""
        return SpiralOutline(self.hollow.run)

    @property
    def outside(self) -> Outline:
        """The outermost turn."""
        return SpiralOutline(self.hollow.run)

    @property
    def across_m(self) -> float:
        """What a tape across its widest shows [m]."""
        return self.hollow.run.across_m

    @property
    def corner_m(self) -> Point:
        """The lower left of the surrounding rectangle, from the middle of the spiral [m, m]."""
        return SpiralOutline(self.hollow.run).corner_m

    @property
    def top_area_m2(self) -> float:
        """The band inside the wall, from above [m2]."""
        return self.hollow.run.swept_m2(self.hollow.run.radius_m, 0.0)

    @property
    def wall_loss_share(self) -> float:
        """Share of the ground that the wall takes from the band [0-1]."""
        return 1 - self.top_area_m2 / self.footprint_m2

    @property
    def wall_face_m2(self) -> float:
        """Face of the wall [m2], from the ground to the bed's height along its run."""
        return self.spiral_face_m2()

    def spiral_face_m2(self) -> float:
        """Face of the spiral's own wall [m2]: its height rises evenly along the run."""
        return self.hollow.run.length_m * (self.hollow.outer_height_m + self.hollow.centre_height_m) / 2

    def section(self, lower_m: float, upper_m: float) -> tuple[Ring, ...]:
        """A level layer under the surface, along the run [m]."""
        hollow, length = self.hollow, self.hollow.run.length_m
        if upper_m > hollow.rim_m and lower_m >= hollow.rim_m:
            return (((0.0, lower_m), (length, lower_m), (length, upper_m), (0.0, upper_m)),)
        places = sorted({0.0, hollow.run_where(lower_m), hollow.run_where(upper_m), length})
        top = [(run, min(max(hollow.surface_at(run), lower_m), upper_m)) for run in places]
        low, high = (run for run in self._standing(lower_m))
        return (((low, lower_m), *((x, y) for x, y in top if low <= x <= high), (high, lower_m)),)

    def _standing(self, level_m: float) -> Span:
        """From where to where along the run the surface is as high [m]."""
        run, length = self.hollow.run_where(level_m), self.hollow.run.length_m
        if self.hollow.outer_height_m == self.hollow.centre_height_m:
            return 0.0, length
        return (0.0, run) if self.hollow.outer_height_m > self.hollow.centre_height_m else (run, length)

    def section_spans(self, level_m: float) -> tuple[Span, ...]:
        """Where the surface is as high, along the run [m]."""
        return (self._standing(min(level_m, self.hollow.rim_m)),)

    def zone(self, lower_m: float, upper_m: float) -> Span:
        """From where to where along the run a layer is the surface [m]; nothing where it lies under others."""
        if lower_m >= self.hollow.rim_m - TOLERANCE_M and upper_m > lower_m:
            return 0.0, self.hollow.run.length_m
        if self.hollow.outer_height_m == self.hollow.centre_height_m:
            whole = upper_m >= self.hollow.rim_m - TOLERANCE_M
            return (0.0, self.hollow.run.length_m) if whole else (0.0, 0.0)
        one, two = self.hollow.run_where(lower_m), self.hollow.run_where(upper_m)
        return min(one, two), max(one, two)

    def plan_zone(self, lower_m: float, upper_m: float) -> tuple[Ring, ...]:
        """The part of the band where a layer is the surface [m]."""
        start, end = self.zone(lower_m, upper_m)
        if end - start < LEAST_INSIDE_M:
            return ()
        run, (left, low) = self.hollow.run, self.corner_m
        outer, inner = run.radius_at(start), run.radius_at(end)
        edge = run.curve(run.wall_m, outer, inner)
        back = reversed(run.curve(run.pitch_m, outer, inner))
        return (tuple((x - left, y - low) for x, y in (*edge, *back)),)


def herb_spiral(
    diameter_m: float, path_width_m: float, wall_m: float, outer_height_m: float, centre_height_m: float
) -> HerbSpiral:
    """A herb spiral. diameter_m: over all [m]. path_width_m: of the bed between the walls [m]. wall_m: thickness [m].

    outer_height_m, centre_height_m: of the bed's surface at the outer end and in the middle [m].

    Raises ShapeProblem where a wall and a path are wider than the spiral from its edge to its middle, or wind round too
    often.
    """
    run = SpiralRun(diameter_m / 2, path_width_m, wall_m)
    if run.pitch_m > run.radius_m + TOLERANCE_M:
        said = f"a path of {path_width_m:g} m with a wall of {wall_m:g} m is wider than half the spiral"
        raise ShapeProblem("path_width_m", said)
    run.check_turns()
    return HerbSpiral(SpiralHollow(run, outer_height_m, centre_height_m))
