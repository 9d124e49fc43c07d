"""The hollow between two level outlines whose walls run straight from one to the other."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from nolbet_core.shapes.invert import Values, invert_rising_for_all, standing_height


@dataclass(frozen=True, slots=True)
class Prismatoid:
    """Floor and rim joined by straight walls; with both alike it is a straight-walled vessel.

    rim_m: depth [m]. floor_m2, middle_m2, rim_m2: plan area at the floor, half-way up and at the rim [m2].
    floor_perimeter_m, rim_perimeter_m: length round the plan there [m].

    The plan area is a quadratic of the height, so that the volume is the prismatoid's h/6 (A0 + 4 Am + A1).
    """

    rim_m: float
    floor_m2: float
    middle_m2: float
    rim_m2: float
    floor_perimeter_m: float
    rim_perimeter_m: float

    @property
    def is_straight(self) -> bool:
        """Whether the plan is alike at every height."""
        return self.floor_m2 == self.middle_m2 == self.rim_m2

    def area_at(self, height_m: float) -> float:
        """Plan area at a height [m2]."""
        share = min(max(height_m / self.rim_m, 0.0), 1.0)
        rise, bend = self._slopes
        return self.floor_m2 + share * (rise + share * bend)

    def perimeter_at(self, height_m: float) -> float:
        """Length round the plan at a height [m]: it changes evenly from floor to rim."""
        share = min(max(height_m / self.rim_m, 0.0), 1.0)
        return self.floor_perimeter_m + share * (self.rim_perimeter_m - self.floor_perimeter_m)

    def volume_between(self, lower_m: float, upper_m: float) -> float:
        """Volume between two heights [m3]."""
        if self.is_straight:
            return self.floor_m2 * (upper_m - lower_m)
        return self._volume_to(upper_m) - self._volume_to(lower_m)

    def height_for_volume(self, base_m: float, volume_m3: float) -> float:
        """Height [m] at which a volume [m3] poured in from a base height [m] stands."""
        if self.is_straight:
            return base_m + volume_m3 / self.floor_m2
        return standing_height(self._volume_to, self.rim_m, self.rim_m2, base_m, volume_m3)

    def heights_for_volumes(self, base_m: float, volumes_m3: Values) -> Values:
        """Heights [m] at which volumes [m3] poured in from a base height [m] stand, each by itself."""
        if self.is_straight:
            return base_m + volumes_m3 / self.floor_m2
        wanted = self._volume_to(base_m) + volumes_m3
        over = wanted - self._volume_to(self.rim_m)
        within = invert_rising_for_all(self._volumes_to, 0.0, self.rim_m, wanted)
        return np.where(over >= 0, self.rim_m + over / self.rim_m2, within)

    @property
    def _slopes(self) -> tuple[float, float]:
        """Linear and quadratic part of the area over the share of the depth [m2]."""
        bend = 2 * (self.floor_m2 - 2 * self.middle_m2 + self.rim_m2)
        return self.rim_m2 - self.floor_m2 - bend, bend

    def _volume_to(self, height_m: float) -> float:
        rise, bend = self._slopes
        share = min(max(height_m / self.rim_m, 0.0), 1.0)
        below = self.rim_m * share * (self.floor_m2 + share * (rise / 2 + share * bend / 3))
        return below + self.rim_m2 * max(height_m - self.rim_m, 0.0)

    def _volumes_to(self, heights_m: Values) -> Values:
        rise, bend = self._slopes
        shares = np.minimum(np.maximum(heights_m / self.rim_m, 0.0), 1.0)
        below: Values = self.rim_m * shares * (self.floor_m2 + shares * (rise / 2 + shares * bend / 3))
        return below + self.rim_m2 * np.maximum(heights_m - self.rim_m, 0.0)
