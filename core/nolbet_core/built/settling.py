"""How a bed sinks, month by month."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from functools import cached_property

from nolbet_core.climate.year import Year
from nolbet_core.settling.accounts import remaining_of_layers
from nolbet_core.settling.clock import Clock, Dampness, clock_of
from nolbet_core.settling.curve import Shares
from nolbet_core.settling.surface import surface_by_month
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.stack.fill import Filled


@dataclass(frozen=True)
class BedSettling:
    """A filled bed over the coming years. built_on: the day of filling, where it is known."""

    vessel: Vessel
    filled: Filled
    year: Year
    dampness: Dampness
    built_on: date | None

    @cached_property
    def clock(self) -> Clock:
        """How fast things rot in it, month by month."""
        return clock_of(self.year.temps_from(self.built_on), self.dampness)

    @cached_property
    def remaining(self) -> Shares:
        """What is left of each layer's volume [0-1]: one row a layer, months 0 to 120."""
        return remaining_of_layers(self.filled, self.clock)

    @cached_property
    def surface_m(self) -> list[float]:
        """Height of the surface above the floor by month [m]."""
        surface: list[float] = surface_by_month(self.vessel, self.filled, self.clock).tolist()
        return surface
