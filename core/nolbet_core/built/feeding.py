"""What feeds in a bed and what starves: its first season's nitrogen, its root zone, doses of meals."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

from nolbet_core.climate.year import Year
from nolbet_core.nutrients.dose import Dose, dose_for, fed_nitrogen
from nolbet_core.nutrients.ledger import (
    LayerNitrogen,
    nitrogen_gap,
    nitrogen_ledger,
    weighted_carbon_to_nitrogen,
)
from nolbet_core.settling.clock import Dampness, decay_factor
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.shelf.material import Material
from nolbet_core.stack.fill import Filled
from nolbet_core.stack.zone import contacts, zone_shares


@dataclass(frozen=True)
class BedFeeding:
    """A filled bed's first season. handful_kg: what the gardener's handful of meal weighs [kg]."""

    vessel: Vessel
    filled: Filled
    year: Year
    dampness: Dampness
    handful_kg: float | None

    @cached_property
    def season_factor(self) -> float:
        """Factor on decay rates in the growing season."""
        return decay_factor(self.year.season_temp_c, self.dampness)

    @cached_property
    def ledger(self) -> tuple[LayerNitrogen, ...]:
        """The first season's nitrogen, layer by layer."""
        contact = contacts(self.filled, self.vessel.hollow, self.zone_shares)
        return nitrogen_ledger(self.filled.layers, contact, self.season_factor)

    @cached_property
    def gap_kg(self) -> float:
        """Nitrogen that plants go short of in the first season [kg]."""
        return nitrogen_gap(self.ledger)

    @cached_property
    def fed_kg_m2(self) -> float:
        """Nitrogen scattered on all layers together [kg/m2]."""
        fed = [layer.asked.amendment for layer in self.filled.layers if layer.asked.amendment]
        return sum(fed_nitrogen(each.material, each.mass_kg) for each in fed) / self.vessel.top_area_m2

    def dose(self, material: Material) -> Dose | None:
        """The dose of a meal that closes the gap, None where there is none or it doesn't help."""
        area_m2 = self.vessel.top_area_m2
        return dose_for(material, self.ledger, area_m2, self.season_factor, self.fed_kg_m2, self.handful_kg)

    @cached_property
    def zone_shares(self) -> list[float]:
        """Share of each layer's volume in the root zone [0-1]."""
        return zone_shares(self.filled, self.vessel.hollow)

    @cached_property
    def root_zone_c_to_n(self) -> float | None:
        """C:N of the root zone."""
        return weighted_carbon_to_nitrogen(zip(self.filled.layers, self.zone_shares, strict=True))
