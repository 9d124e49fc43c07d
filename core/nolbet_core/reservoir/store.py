"""Water held in a reservoir: the integral of plan area times water share, with pipes, crates and wicks in it."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from nolbet_core.shapes.buried import LyingPipe
from nolbet_core.shapes.hollow import Hollow, ShapeProblem

Values = NDArray[np.float64]

PIPE_SHARE = 0.925
"""Water that a drain pipe lets in, of its own volume (estimate, 0.90 to 0.95)."""

CRATE_SHARE = 0.95
"""Water that a drainage crate lets in, of its own volume (estimate, 0.90 to 0.95)."""

STEPS = 120
"""Steps of the table that turns water into level."""

TILT_STEPS = 40


@dataclass(frozen=True, slots=True)
class Crates:
    """Crates alike standing in the water: their level area together [m2], height [m] and water share [0-1]."""

    area_m2: float
    height_m: float
    water_share: float = CRATE_SHARE


@dataclass(frozen=True)
class Store:
    """A reservoir in a bed.

    hollow: the bed's inside. height_m: where the soil begins; overflow_m: where water runs off, at most that [m].
    water_share: of the medium round pipes and crates [0-1], 1 where there is none. columns_m2: level area of soil
    columns that stand in it as wicks, down to its floor [m2]; hanging: of such that end above it, and how high over it
    [m2, m]. tilt_m: how far one end lies over the other [m]. under_m: inert fill under
    its liner [m]; all other heights are above that.
    """

    hollow: Hollow
    height_m: float
    overflow_m: float
    water_share: float = 1.0
    pipes: tuple[LyingPipe, ...] = ()
    crates: tuple[Crates, ...] = ()
    columns_m2: float = 0.0
    hanging: tuple[tuple[float, float], ...] = ()
    tilt_m: float = 0.0
    under_m: float = 0.0

    @property
    def top_m(self) -> float:
        """Where the soil begins, above the bed's floor [m]."""
        return self.under_m + self.height_m

    @property
    def full_m(self) -> float:
        """Where the full water stands, above the bed's floor [m]."""
        return self.under_m + self.overflow_m

    def medium_below(self, height_m: float) -> float:
        """Volume of the medium under a height [m3]: the hollow less all that stands in it."""
        taken = sum(pipe.volume_below(height_m) for pipe in self.pipes)
        taken += sum(each.area_m2 * min(height_m, each.height_m) for each in self.crates)
        whole = self.hollow.volume_between(self.under_m, self.under_m + height_m)
        return whole - taken - self.columns_below(height_m)

    def columns_below(self, height_m: float) -> float:
        """Volume of the soil columns under a height [m3]."""
        hung_m3 = sum(area_m2 * max(height_m - foot_m, 0.0) for area_m2, foot_m in self.hanging)
        return self.columns_m2 * height_m + hung_m3

    @property
    def columns_m3(self) -> float:
        """Volume of all soil columns [m3]."""
        return self.columns_below(self.height_m)

    def level_water(self, height_m: float) -> float:
        """Water under a height [m3], the bed lying level."""
        in_pipes = sum(pipe.volume_below(height_m) for pipe in self.pipes)
        in_crates = sum(each.water_share * each.area_m2 * min(height_m, each.height_m) for each in self.crates)
        return self.water_share * max(self.medium_below(height_m), 0.0) + PIPE_SHARE * in_pipes + in_crates

    @cached_property
    def held_m3(self) -> float:
        """Water it holds up to the overflow as it lies [m3]."""
        return self.level_water(self.overflow_m) - self.lost_to_tilt_m3

    @cached_property
    def lost_to_tilt_m3(self) -> float:
        """Water that it holds less for lying out of level [m3]: the overflow stands at the low end, and from there the
        depth falls evenly to the high end."""
        if self.tilt_m <= 0:
            return 0.0
        depths = [max(self.overflow_m - self.tilt_m * (step + 0.5) / TILT_STEPS, 0.0) for step in range(TILT_STEPS)]
        return self.level_water(self.overflow_m) - sum(self.level_water(depth) for depth in depths) / TILT_STEPS

    @property
    def depths_m(self) -> tuple[float, float]:
        """Depth of the water at the low and at the high end, full [m]."""
        return self.overflow_m, max(self.overflow_m - self.tilt_m, 0.0)

    @cached_property
    def heights(self) -> Values:
        """Heights of the table between water and level [m]."""
        return np.linspace(0.0, self.overflow_m, STEPS + 1)

    @cached_property
    def waters(self) -> Values:
        """Water under each of the table's heights [m3], less what the tilt takes in proportion."""
        level = np.array([self.level_water(float(height)) for height in self.heights])
        return level * (self.held_m3 / level[-1]) if level[-1] > 0 else level

    def level_of(self, water_m3: Values) -> Values:
        """Height at which amounts of water stand [m]."""
        return np.interp(water_m3, self.waters, self.heights)

    def water_of(self, level_m: Values) -> Values:
        """Water under levels [m3]; a level read over the overflow or under the floor goes on as steeply as before.

        A probe that trembles round the overflow would else read too low on the whole.
        """
        low, high = self.heights[[0, -1]]
        first, last = np.gradient(self.waters, self.heights)[[0, -1]]
        inside = np.interp(level_m, self.heights, self.waters)
        water: Values = inside + np.maximum(level_m - high, 0.0) * last - np.maximum(low - level_m, 0.0) * first
        return water

    def check(self) -> None:
        """Raise ShapeProblem where it doesn't fit the bed, or its parts don't fit into it."""
        if self.top_m >= self.hollow.rim_m:
            raise ShapeProblem("height_m", f"{self.top_m:g} m leaves no room for soil under the rim")
        if self.overflow_m > self.height_m:
            said = f"{self.overflow_m:g} m is over the reservoir, which is {self.height_m:g} m high"
            raise ShapeProblem("overflow_m", said)
        for pipe in self.pipes:
            if pipe.top_m > self.height_m + 1e-9:
                raise ShapeProblem("pipes", f"a pipe {pipe.diameter_m:g} m across is higher than the reservoir")
        for each in self.crates:
            if each.height_m > self.height_m + 1e-9:
                raise ShapeProblem("crates", f"crates {each.height_m:g} m high are higher than the reservoir")
        for step in range(1, 9):
            if self.medium_below(self.height_m * step / 8) < -1e-9:
                raise ShapeProblem("height_m", "pipes, crates and wicks take more room than the reservoir has")


def column_area(diameter_m: float, count: int) -> float:
    """Level area of round soil columns [m2]."""
    return math.pi * diameter_m**2 / 4 * count


def liner_sheet(length_m: float, width_m: float, depth_m: float, lap_m: float) -> tuple[float, float]:
    """Length and width of the sheet that lines a bed [m, m]: L + 2 d + 2 lap each way.

    length_m, width_m: inside [m]. depth_m: up the sides, to above the overflow [m]. lap_m: turned over [m].
    """
    return length_m + 2 * depth_m + 2 * lap_m, width_m + 2 * depth_m + 2 * lap_m
