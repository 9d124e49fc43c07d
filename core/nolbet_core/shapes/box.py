"""The rectangular bed."""

from __future__ import annotations

from dataclasses import dataclass
from statistics import fmean
from typing import Literal

from nolbet_core.shapes.hollow import Point, ShapeProblem

LEAST_INSIDE_M = 0.001
Measured = Literal["inside", "outside"]


@dataclass(frozen=True, slots=True)
class BoxHollow:
    """The inside of a rectangular bed: length, width and depth [m]."""

    length_m: float
    width_m: float
    depth_m: float

    @property
    def rim_m(self) -> float:
        """Height of the rim above the floor [m]."""
        return self.depth_m

    def area_at(self, height_m: float) -> float:
        """Plan area [m2], alike at every height."""
        del height_m
        return self.length_m * self.width_m

    def perimeter_at(self, height_m: float) -> float:
        """Length round the inside [m], alike at every height."""
        del height_m
        return 2 * (self.length_m + self.width_m)

    def volume_between(self, lower_m: float, upper_m: float) -> float:
        """Volume between two heights [m3]."""
        return self.length_m * self.width_m * (upper_m - lower_m)

    def height_for_volume(self, base_m: float, volume_m3: float) -> float:
        """Height [m] at which a volume [m3] poured in from a base height [m] stands."""
        return base_m + volume_m3 / (self.length_m * self.width_m)


@dataclass(frozen=True, slots=True)
class Box:
    """A rectangular bed as built: its hollow and its outer length and width [m], walls included."""

    hollow: BoxHollow
    outer_length_m: float
    outer_width_m: float

    @property
    def footprint_m2(self) -> float:
        """Ground that the bed covers with its walls [m2]."""
        return self.outer_length_m * self.outer_width_m

    @property
    def wall_loss_share(self) -> float:
        """Share of the footprint that the walls take from growing [0-1]."""
        return 1 - self.hollow.area_at(0) / self.footprint_m2

    def plan_outline(self) -> tuple[Point, ...]:
        """Corners of the inside seen from above [m]."""
        length, width = self.hollow.length_m, self.hollow.width_m
        return ((0.0, 0.0), (length, 0.0), (length, width), (0.0, width))

    def section_outline(self) -> tuple[Point, ...]:
        """Corners of the inside cut across its width [m], height upwards."""
        width, rim = self.hollow.width_m, self.hollow.rim_m
        return ((0.0, 0.0), (width, 0.0), (width, rim), (0.0, rim))


def build_box(
    length_m: float,
    width_m: float,
    depth_m: float,
    measured: Measured,
    wall_m: float,
    corner_depths_m: tuple[float, float, float, float] | None,
) -> Box:
    """A box from what was measured.

    length_m, width_m: plan size [m], inside or outside the walls as `measured` says. depth_m: floor to rim [m].
    wall_m: thickness of the wall [m]; it works sideways only. corner_depths_m: depth at each corner [m], going round;
    the volume lies under the plane through the corners (the best-fitting one where four don't share a plane), which
    holds the mean of the four.

    Raises ShapeProblem where the walls leave no inside.
    """
    depth = depth_m if corner_depths_m is None else fmean(corner_depths_m)
    if measured == "inside":
        return Box(BoxHollow(length_m, width_m, depth), length_m + 2 * wall_m, width_m + 2 * wall_m)
    for key, outer_m in (("length_m", length_m), ("width_m", width_m)):
        if outer_m - 2 * wall_m < LEAST_INSIDE_M:
            raise ShapeProblem(key, f"{outer_m:g} m outside leaves nothing between two walls of {wall_m:g} m")
    return Box(BoxHollow(length_m - 2 * wall_m, width_m - 2 * wall_m, depth), length_m, width_m)
