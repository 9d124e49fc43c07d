"""The first season's nitrogen: what decomposers could bind, what the soil gives, what a crop wants, what is short."""

from __future__ import annotations

from collections.abc import Sequence

from nolbet_core.draws.each import is_nothing, larger, smaller
from nolbet_core.nutrients.ledger import net_nitrogen, rotted_carbon
from nolbet_core.record import record
from nolbet_core.shelf.material import Material
from nolbet_core.stack.contents import held_in
from nolbet_core.stack.layers import Standing

SOIL_GIVES = (0.015, 0.025, 0.035)
"""Share of a soil's organic nitrogen that it gives in a year: the least, the usual at 12 degrees C, the most."""

WANTED_LIGHT_KG_M2, WANTED_KG_M2, WANTED_HUNGRY_KG_M2 = 0.005, 0.012, 0.020
"""Nitrogen that a crop wants in a season: a light one, a usual one, a hungry one [kg/m2]."""


@record
class SeasonNitrogen:
    """A first season's nitrogen [kg]. supply_kg: what soils and composts among the roots give. scattered_kg: what meals
    give. bind_kg: what decomposers could bind at most; they slow down when it runs out (Recous et al. 1995).
    wanted_kg: what a crop wants.
    """

    supply_kg: float
    scattered_kg: float
    bind_kg: float
    wanted_kg: float

    @property
    def left_kg(self) -> float:
        """What is left for plants [kg]."""
        return larger(self.supply_kg + self.scattered_kg - self.bind_kg, 0.0)

    @property
    def short_kg(self) -> float:
        """What plants go short of [kg]."""
        return larger(self.wanted_kg - self.left_kg, 0.0)

    @property
    def asked_kg(self) -> float:
        """What had to be scattered, all bound nitrogen made up for, so that nothing is short [kg]."""
        return larger(self.wanted_kg + self.bind_kg - self.supply_kg, 0.0)

    @property
    def unfed_kg(self) -> float:
        """What of that isn't scattered yet [kg]; nothing where nothing is short."""
        return larger(self.asked_kg - self.scattered_kg, 0.0)


def soil_gives(yearly_factor: float) -> float:
    """Share of a soil's organic nitrogen that it gives in a year [0-1]. yearly_factor: on decay, over a year."""
    least, usual, most = SOIL_GIVES
    return smaller(larger(usual * yearly_factor, least), most)


def soil_supply(material: Material, dry_kg: float, yearly_factor: float) -> float:
    """Nitrogen [kg] that a dry mass [kg] of mineral soil, whose own decay is too slow to count, gives in a year."""
    return dry_kg * material.nitrogen * soil_gives(yearly_factor)


def season_nitrogen(
    layers: Sequence[Standing],
    contact: Sequence[float],
    in_zone: Sequence[float],
    season_factor: float,
    yearly_factor: float,
    wanted_kg: float,
    ground_kg: float = 0.0,
) -> SeasonNitrogen:
    """The first season of a fill.

    contact: how much each layer's give and take counts; in_zone: share of it among the roots [0-1]. season_factor: on
    decay in the growing season; yearly_factor: over the year. wanted_kg: what a crop wants [kg]. ground_kg: what open
    ground below gives [kg].

    Mineral soil gives of its organic nitrogen by the year, compost what its own rotting leaves over. What takes more
    than it gives, and litter that gives, make up what could be bound; litter that gives more than all that feeds too.
    """
    supply, bound, scattered = ground_kg, 0.0, 0.0
    for layer, counts, among in zip(layers, contact, in_zone, strict=True):
        for held in held_in(layer):
            material = held.material
            gives, takes = net_nitrogen(held, rotted_carbon(held, season_factor))
            net = gives - takes
            if held.scattered:
                scattered += net
            elif material.group == "soil" and is_nothing(material.decay_per_year):
                supply += among * soil_supply(material, held.dry_kg, yearly_factor)
            elif material.group == "soil":
                supply += counts * larger(net, 0.0)
                bound -= counts * smaller(net, 0.0)
            else:
                bound -= counts * net
    return SeasonNitrogen(supply + larger(-bound, 0.0), scattered, larger(bound, 0.0), wanted_kg)
