"""How a bed sinks, month by month."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

from nolbet_core.climate.year import Year
from nolbet_core.settling.accounts import remaining_of_layers
from nolbet_core.settling.curve import Dampness, Shares, decay_factor
from nolbet_core.settling.surface import surface_by_month
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.stack.fill import Filled


@dataclass(frozen=True)
class BedSettling:
    """A filled bed over the coming years."""

    vessel: Vessel
    filled: Filled
    year: Year
    dampness: Dampness

    @cached_property
    def decay_factor(self) -> float:
        """Factor on decay rates over the whole year."""
        return decay_factor(self.year.mean_temp_c, self.dampness)

    @cached_property
    def remaining(self) -> Shares:
        """What is left of each layer's volume [0-1]: one row a layer, months 0 to 120."""
        return remaining_of_layers(self.filled, self.decay_factor)

    @cached_property
    def surface_m(self) -> list[float]:
        """Height of the surface above the floor by month [m]."""
        surface: list[float] = surface_by_month(self.vessel, self.filled, self.decay_factor).tolist()
        return surface
