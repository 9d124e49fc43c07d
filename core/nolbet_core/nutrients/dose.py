"""The dose of a meal that makes up for a lack of nitrogen: how much, over the layers, in grams, cups, handfuls."""

from __future__ import annotations

from collections.abc import Sequence

from nolbet_core.nutrients.ledger import LayerNitrogen, net_nitrogen, rotted_carbon
from nolbet_core.quantities.units import CUP_M3, HANDFUL_M3
from nolbet_core.record import record
from nolbet_core.shelf.material import Material
from nolbet_core.stack.contents import Held

MOST_AT_ONCE_KG_M2 = 0.020
"""Nitrogen never offered in excess of at once [kg N/m2]."""

P_IN_P2O5 = 0.4364
K_IN_K2O = 0.8302
LEAST_DOSE_KG = 0.005
"""Nobody weighs out less [kg]."""

LEAST_SPLIT = 0.05
"""A share of a dose smaller than this isn't worth a layer of its own."""

LEAST_NET = 0.005
"""A meal that gives less than this of its mass as nitrogen in a season is no help against a gap."""


@record
class Dose:
    """A dose of a meal [kg as sold], and what it brings [kg/m2]: by its label, and as elements.

    nitrogen_kg: what of the lack it makes up for. waits_kg: nitrogen of it that has to wait, since the dose is capped.
    split_kg: of the mass, to each layer. handful_kg: what one handful of it weighs.
    """

    material: Material
    mass_kg: float
    nitrogen_kg: float
    waits_kg: float
    n_kg_m2: float
    p2o5_kg_m2: float
    k2o_kg_m2: float
    split_kg: tuple[float, ...]
    handful_kg: float

    @property
    def p_kg_m2(self) -> float:
        """Elemental phosphorus [kg/m2]."""
        return self.p2o5_kg_m2 * P_IN_P2O5

    @property
    def k_kg_m2(self) -> float:
        """Elemental potassium [kg/m2]."""
        return self.k2o_kg_m2 * K_IN_K2O

    @property
    def volume_m3(self) -> float:
        """Volume as it is scooped [m3]."""
        return self.mass_kg / self.material.bulk_density_kg_m3

    @property
    def cups(self) -> float:
        """US cups."""
        return self.volume_m3 / CUP_M3

    @property
    def handfuls(self) -> float:
        """Handfuls."""
        return self.mass_kg / self.handful_kg


def net_of_meal(material: Material, factor: float) -> float:
    """Nitrogen that a kilogram of a meal as sold gives in the first season, less what its own rotting takes [kg/kg]."""
    held = Held(material, 1 - material.moisture)
    gives, takes = net_nitrogen(held, rotted_carbon(held, factor))
    return gives - takes


def dose_for(
    material: Material,
    ledger: Sequence[LayerNitrogen],
    short_kg: float,
    area_m2: float,
    factor: float,
    fed_kg_m2: float = 0.0,
    handful_kg: float | None = None,
) -> Dose | None:
    """The dose of a meal that makes up for what plants go short of; None where there is none to give.

    ledger: the first season layer by layer. short_kg: what is short [kg]. area_m2: the growing area [m2]. factor: on
    decay at the growing season's temperature. fed_kg_m2: nitrogen that is scattered already [kg/m2]. handful_kg: what
    the gardener's handful weighs [kg], where it was weighed.

    A meal that gives little nitrogen in a season, or more phosphate than nitrogen, is no help. The dose is split over
    the layers that take more than they give, by what plants lose to each. What would bring over 20 g N/m2 at once, with
    all that is scattered already, is left to wait.
    """
    net = net_of_meal(material, factor)
    label = material.label
    if short_kg <= 0 or net < LEAST_NET or label is None or label[1] > label[0] or area_m2 <= 0:
        return None
    most_kg = max(MOST_AT_ONCE_KG_M2 - fed_kg_m2, 0.0) * area_m2 / label[0]
    mass_kg = min(short_kg / net, most_kg)
    if mass_kg < LEAST_DOSE_KG:
        return None
    n, p2o5, k2o = (mass_kg * share / area_m2 for share in label)
    return Dose(
        material=material,
        mass_kg=mass_kg,
        nitrogen_kg=mass_kg * net,
        waits_kg=max(short_kg - mass_kg * net, 0.0),
        n_kg_m2=n,
        p2o5_kg_m2=p2o5,
        k2o_kg_m2=k2o,
        split_kg=tuple(mass_kg * share for share in _split(ledger)),
        handful_kg=handful_kg or HANDFUL_M3 * material.bulk_density_kg_m3,
    )


def _split(ledger: Sequence[LayerNitrogen]) -> list[float]:
    """Shares of a dose to each layer, by what plants lose to it, all to the one nearest the roots
    where none is hungry; crumbs go to the hungriest layer.
    """
    hungry = [max(-each.contact * each.net_kg, 0.0) for each in ledger]
    if sum(hungry) <= 0:
        nearest = max(range(len(ledger)), key=lambda index: (ledger[index].contact, index))
        hungry[nearest] = 1.0
    shares = [each / sum(hungry) for each in hungry]
    kept = [share if share >= LEAST_SPLIT else 0.0 for share in shares]
    kept[shares.index(max(shares))] += 1 - sum(kept)
    return kept


def fed_nitrogen(material: Material, mass_kg: float) -> float:
    """Nitrogen in a mass of a meal [kg], by its label where it has one."""
    label = material.label
    return mass_kg * (label[0] if label else material.nitrogen * (1 - material.moisture))
