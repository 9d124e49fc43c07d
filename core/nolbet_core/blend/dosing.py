"""What is mixed in by weight: lime, meals and fertilisers, and what lime does to a mix's pH."""

from __future__ import annotations

from collections.abc import Iterable

from nolbet_core.record import record
from nolbet_core.shelf.material import Material

LIME_KG_M3 = (1.0, 2.0, 4.0)
"""Ground limestone that lifts a mix by a unit of pH [kg/m3]: the least, the usual and the most (estimate)."""

NEUTRALISES = {"lime": 1.0, "wood_ash": 0.5}
"""How much of what limestone neutralises a material does, mass for mass; ash about half (estimate)."""

LIMED_TO = 8.3
"""No amount of ground limestone brings a soil over this pH: there it stops dissolving."""


@record
class Weighed:
    """A material mixed in by weight, as sold, for each loose m3 of mix [kg/m3]."""

    material: Material
    dose_kg_m3: float

    @property
    def loose_m3(self) -> float:
        """Its own loose volume, for each loose m3 of mix [m3/m3]."""
        return self.dose_kg_m3 * self.material.loose_factor / self.material.bulk_density_kg_m3

    @property
    def dry_kg_m3(self) -> float:
        """Its dry mass for each loose m3 of mix [kg/m3]."""
        return self.dose_kg_m3 * (1 - self.material.moisture)


def lime_in(doses: Iterable[Weighed]) -> float:
    """Limestone that the doses come to [kg/m3]."""
    return sum(each.dose_kg_m3 * NEUTRALISES.get(each.material.like or each.material.key, 0.0) for each in doses)


def limed(ph: float, lime_kg_m3: float) -> float:
    """The pH of a mix with so much limestone [kg/m3] in it: a unit for 2 kg, never lifted over 8.3."""
    return max(ph, min(ph + lime_kg_m3 / LIME_KG_M3[1], LIMED_TO))


def lime_for(ph: float, wanted_ph: float) -> float:
    """Limestone that lifts a pH to another [kg/m3]; nothing where it stands there already."""
    return max(min(wanted_ph, LIMED_TO) - ph, 0.0) * LIME_KG_M3[1]


def lime_spread(lime_kg_m3: float) -> float:
    """How far off the lift of so much limestone [kg/m3] may be, either way [pH]."""
    least, usual, most = LIME_KG_M3
    return lime_kg_m3 * max(1 / least - 1 / usual, 1 / usual - 1 / most)
