"""How a bed sinks, month by month."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from functools import cached_property

import numpy as np

from nolbet_core.climate.year import Year
from nolbet_core.settling.accounts import remaining_of_layers
from nolbet_core.settling.clock import Clock, Dampness, clock_of
from nolbet_core.settling.curve import Shares
from nolbet_core.settling.surface import surface_by_month
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.stack.fill import Filled


@dataclass(frozen=True)
class BedSettling:
    """A filled bed over the coming years, with the pit below it where it lies over one.

    built_on: the day of filling, where it is known. pit_layers: how many of its layers are the pit's. ground_m: height
    of the ground above the pit's floor [m].
    """

    vessel: Vessel
    filled: Filled
    year: Year
    dampness: Dampness
    built_on: date | None
    pit_layers: int = 0
    ground_m: float = 0.0

    @cached_property
    def clock(self) -> Clock:
        """How fast things rot in it, month by month."""
        return clock_of(self.year.temps_from(self.built_on), self.dampness)

    @cached_property
    def remaining(self) -> Shares:
        """What is left of the volume of each of the bed's own layers [0-1]: one row a layer, months 0 to 120."""
        return self.remaining_with_pit[self.pit_layers :]

    @cached_property
    def remaining_with_pit(self) -> Shares:
        """The same with the layers of the pit below."""
        return remaining_of_layers(self.filled, self.clock)

    @cached_property
    def volume_m3(self) -> Shares:
        """What the bed's fill and the pit's below it come to by month [m3]."""
        volumes: Shares = np.array([layer.placed_m3 for layer in self.filled.layers]) @ self.remaining_with_pit
        return volumes

    @cached_property
    def surface_m(self) -> list[float]:
        """Height of the surface above the floor by month [m]."""
        surface: list[float] = (surface_by_month(self.vessel, self.filled, self.clock) - self.ground_m).tolist()
        return surface
