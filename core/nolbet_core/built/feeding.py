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
from nolbet_core.nutrients.season import SeasonNitrogen, season_nitrogen, soil_supply
from nolbet_core.settling.clock import Dampness, decay_factor
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.shelf.library import standard_shelf
from nolbet_core.shelf.material import Material
from nolbet_core.stack.contents import held_in
from nolbet_core.stack.fill import Filled
from nolbet_core.stack.layers import Standing
from nolbet_core.stack.zone import ROOT_ZONE_M, contacts, zone_shares

GROUND = "garden_soil"
"""What open ground is taken to be."""


def _feeds(layer: Standing) -> bool:
    """Whether anything could grow in a layer."""
    return any(held.material.nitrogen > 0 for held in held_in(layer) if not held.material.is_sheet)


@dataclass(frozen=True)
class BedFeeding:
    """A filled bed's first season. handful_kg: what the gardener's handful of meal weighs [kg].

    below_m: how deep roots go on into the ground [m]. wanted_kg_m2: nitrogen that its crop wants [kg/m2].
    """

    vessel: Vessel
    filled: Filled
    year: Year
    dampness: Dampness
    handful_kg: float | None
    below_m: float
    wanted_kg_m2: float

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
        """Nitrogen that decomposers could take from plants in the first season, what is scattered counted [kg]."""
        return nitrogen_gap(self.ledger)

    @cached_property
    def season(self) -> SeasonNitrogen:
        """What is given, bound, wanted and short in the first season."""
        yearly = decay_factor(self.year.mean_temp_c, self.dampness)
        layers, in_zone = self.filled.layers, self.zone_shares
        contact = [each.contact for each in self.ledger]
        area_m2 = self.vessel.top_area_m2
        wanted_kg = self.wanted_kg_m2 * area_m2 if any(map(_feeds, layers)) else 0.0
        ground_kg = self.ground_kg(yearly)
        return season_nitrogen(layers, contact, in_zone, self.season_factor, yearly, wanted_kg, ground_kg)

    def ground_kg(self, yearly_factor: float) -> float:
        """What open ground among the roots gives in a year [kg]. yearly_factor: on decay."""
        ground_m = min(max(ROOT_ZONE_M - self.filled.top_m, 0.0), self.below_m) if self.filled.layers else 0.0
        ground = standard_shelf()[GROUND]
        return soil_supply(ground, ground_m * self.vessel.top_area_m2 * ground.dry_density_kg_m3, yearly_factor)

    @cached_property
    def fed_kg_m2(self) -> float:
        """Nitrogen scattered on all layers together [kg/m2]."""
        fed = [scattered for layer in self.filled.layers for scattered in layer.asked.scattered]
        return sum(fed_nitrogen(each.material, each.mass_kg) for each in fed) / self.vessel.top_area_m2

    def dose(self, material: Material) -> Dose | None:
        """The dose of a meal that makes up for what is short, None where there is none or it doesn't help."""
        area_m2 = self.vessel.top_area_m2
        asked_kg = self.season.unfed_kg
        return dose_for(material, self.ledger, asked_kg, area_m2, self.season_factor, self.fed_kg_m2, self.handful_kg)

    @cached_property
    def zone_shares(self) -> list[float]:
        """Share of each layer's volume in the root zone [0-1]."""
        return zone_shares(self.filled, self.vessel.hollow)

    @cached_property
    def root_zone_c_to_n(self) -> float | None:
        """C:N of the root zone."""
        return weighted_carbon_to_nitrogen(zip(self.filled.layers, self.zone_shares, strict=True))
