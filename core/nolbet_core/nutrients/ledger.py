"""Carbon and nitrogen of a fill, and what its rotting gives and takes in the first season."""

from __future__ import annotations

from collections.abc import Iterable, Sequence

from nolbet_core.draws.each import exponential, is_nothing
from nolbet_core.record import record
from nolbet_core.stack.contents import Held, held_in
from nolbet_core.stack.layers import Standing

SEASON_YEARS = 0.5
"""A first season [years]."""

MICROBE_EFFICIENCY = 0.36
"""Share of rotted carbon that microbes build into themselves (with their C:N of 9, C:N 25 neither gives nor takes)."""

MICROBE_C_TO_N = 9.0


@record
class LayerNitrogen:
    """One layer's first season: rotted carbon [kg], nitrogen it gives and takes [kg], and how much that counts [0-1].

    fed_kg: net nitrogen [kg] of what is scattered on it, which counts in full.
    """

    rotted_carbon_kg: float
    gives_kg: float
    takes_kg: float
    contact: float
    fed_kg: float = 0.0

    @property
    def net_kg(self) -> float:
        """What it gives less what it takes [kg N], where it lies."""
        return self.gives_kg - self.takes_kg

    @property
    def counted_kg(self) -> float:
        """What plants feel of it [kg N]."""
        return self.contact * self.net_kg + self.fed_kg


def carbon_to_nitrogen(layers: Iterable[Standing]) -> float | None:
    """C:N of layers together: sum of dry mass x C over sum of dry mass x N; None without nitrogen."""
    return weighted_carbon_to_nitrogen((layer, 1.0) for layer in layers)


def weighted_carbon_to_nitrogen(parts: Iterable[tuple[Standing, float]]) -> float | None:
    """C:N of shares of layers [0-1] together, as carbon_to_nitrogen. parts: each layer with its share."""
    carbon = nitrogen = 0.0
    for layer, share in parts:
        if share <= 0:
            continue
        for held in held_in(layer):
            carbon += share * held.dry_kg * held.material.carbon
            nitrogen += share * held.dry_kg * held.material.nitrogen
    return carbon / nitrogen if nitrogen > 0 else None


def rotted_carbon(held: Held, factor: float, years: float = SEASON_YEARS) -> float:
    """Carbon [kg] that rots in a time [years]: m C (1 - exp(-k f t)). factor: f, as decay_factor gives it."""
    rotted_share = 1 - exponential(-held.material.decay_per_year * factor * years)
    return held.dry_kg * held.material.carbon * rotted_share


def net_nitrogen(held: Held, rotted_carbon_kg: float) -> tuple[float, float]:
    """Nitrogen [kg] that rotting so much of its carbon [kg] gives, and that microbes take up for it.

    What holds nitrogen and no carbon gives all of it at once, as a mineral fertiliser does.
    """
    material = held.material
    takes = rotted_carbon_kg * MICROBE_EFFICIENCY / MICROBE_C_TO_N
    if is_nothing(material.carbon):
        return held.dry_kg * material.nitrogen, takes
    return rotted_carbon_kg * material.nitrogen / material.carbon, takes


def nitrogen_ledger(layers: Sequence[Standing], contact: Sequence[float], factor: float) -> tuple[LayerNitrogen, ...]:
    """The first season layer by layer.

    contact: how much each layer counts [0-1]. factor: on decay at the growing season's temperature.
    """
    return tuple(_season(layer, weight, factor) for layer, weight in zip(layers, contact, strict=True))


def _season(layer: Standing, contact: float, factor: float) -> LayerNitrogen:
    rotted = gives = takes = fed = 0.0
    for held in held_in(layer):
        carbon = rotted_carbon(held, factor)
        given, taken = net_nitrogen(held, carbon)
        if held.scattered:
            fed += given - taken
            continue
        rotted, gives, takes = rotted + carbon, gives + given, takes + taken
    return LayerNitrogen(rotted, gives, takes, contact, fed)


def nitrogen_gap(ledger: Iterable[LayerNitrogen]) -> float:
    """Nitrogen that decomposers could take from plants in the first season [kg], 0 where the fill gives enough."""
    return max(-sum(each.counted_kg for each in ledger), 0.0)
