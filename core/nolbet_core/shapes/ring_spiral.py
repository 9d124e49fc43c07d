"""A spiral in a ring: a full round wall of level height, a low foot inside it, and the spiral that rises from there."""

from __future__ import annotations

import math
from dataclasses import dataclass

from nolbet_core.shapes.hollow import Point, Ring, ShapeProblem
from nolbet_core.shapes.invert import standing_height
from nolbet_core.shapes.outline import arc
from nolbet_core.shapes.round import Disc
from nolbet_core.shapes.spiral import HerbSpiral, SpiralHollow, SpiralOutline, SpiralRun

TOLERANCE_M = 1e-9


@dataclass(frozen=True, slots=True)
class RingSpiralHollow(SpiralHollow):
    """The bed of a spiral in a ring by height. foot_m2: the low foot between the ring and the spiral's first turn [m2],
    which lies level with the ring; from there the band rises evenly to the middle.
    """

    foot_m2: float = 0.0

    @property
    def whole_m2(self) -> float:
        """Band and foot together, from above [m2]."""
        return self.run.swept_m2(self.run.radius_m, 0.0) + self.foot_m2

    def area_at(self, height_m: float) -> float:
        """Area whose surface is as high or higher [m2]; above the highest, all of it."""
        foot = self.foot_m2 if height_m <= self.outer_height_m or height_m > self.rim_m else 0.0
        return SpiralHollow.area_at(self, height_m) + foot

    def height_for_volume(self, base_m: float, volume_m3: float) -> float:
        """Height [m] at which a volume [m3] laid level from a base height [m] stands."""
        return standing_height(self.volume_to, self.rim_m, self.whole_m2, base_m, volume_m3)

    def earth_to(self, height_m: float) -> float:
        """Volume under the surface and under a level [m3], what is sunk in it left out of account."""
        over_m = max(height_m - self.rim_m, 0.0)
        foot = self.foot_m2 * (min(max(height_m, 0.0), self.outer_height_m) + over_m)
        return SpiralHollow.earth_to(self, height_m) + foot


@dataclass(frozen=True, slots=True)
class RingSpiral(HerbSpiral):
    """A spiral in a ring as built. Its section is drawn along the run of the spiral, the foot left out."""

    hollow: RingSpiralHollow
    ring_m: float = 0.0

    @property
    def inside(self) -> Disc:
        """What the ring encloses."""
        return Disc(2 * self.hollow.run.radius_m)

    @property
    def outside(self) -> Disc:
        """The ring."""
        return Disc(2 * (self.hollow.run.radius_m + self.ring_m))

    @property
    def across_m(self) -> float:
        """What a tape across it shows [m]."""
        return self.outside.diameter_m

    @property
    def top_area_m2(self) -> float:
        """Band and foot, from above [m2]."""
        return self.hollow.whole_m2

    @property
    def wall_face_m2(self) -> float:
        """Face of the walls [m2]: the level ring, and the spiral from the ground to the bed's height along its run."""
        return math.pi * self.outside.diameter_m * self.hollow.outer_height_m + HerbSpiral.spiral_face_m2(self)

    @property
    def corner_m(self) -> Point:
        """The lower left of the surrounding square, from the middle [m, m]."""
        return -self.outside.diameter_m / 2, -self.outside.diameter_m / 2

    def plan_zone(self, lower_m: float, upper_m: float) -> tuple[Ring, ...]:
        """The part of the band where a layer is the surface, with the foot where it is the surface there [m]."""
        zones = HerbSpiral.plan_zone(self, lower_m, upper_m)
        level = self.hollow.outer_height_m
        if not lower_m < level - TOLERANCE_M or upper_m < level - TOLERANCE_M:
            return zones
        run, (left, low) = self.hollow.run, self.corner_m
        round_it = arc((0.0, 0.0), run.radius_m, 0.0, 2 * math.pi)
        back = run.curve(0.0, run.radius_m, max(run.radius_m - run.pitch_m, 0.0))
        foot = tuple((x - left, y - low) for x, y in (*round_it, *reversed(back)))
        return (*zones, foot)


def ring_spiral(
    diameter_m: float, path_width_m: float, wall_m: float, ring_height_m: float, centre_height_m: float
) -> RingSpiral:
    """A spiral in a ring. diameter_m: over the ring's outside [m]. path_width_m: of the bed between the walls [m].
    wall_m: thickness of ring and spiral wall [m].

    ring_height_m: of the ring, and of the foot inside it [m]. centre_height_m: of the bed's surface in the middle [m].

    Raises ShapeProblem where a wall and a path are wider than the ring from its inside to its middle, or wind round too
    often.
    """
    run = SpiralRun(diameter_m / 2 - wall_m, path_width_m, wall_m)
    if run.pitch_m > run.radius_m + TOLERANCE_M:
        said = f"a path of {path_width_m:g} m with a wall of {wall_m:g} m is wider than half the ring inside"
        raise ShapeProblem("path_width_m", said)
    run.check_turns()
    foot_m2 = math.pi * run.radius_m**2 - SpiralOutline(run).area_m2
    hollow = RingSpiralHollow(run, ring_height_m, centre_height_m, foot_m2=foot_m2)
    return RingSpiral(hollow, ring_m=wall_m)
