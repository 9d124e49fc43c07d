"""What the steps of a garden's beds share: how fast is worked, how far is carried, what comes from where."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from datetime import date

from nolbet_core.haul.set_down import barrow_hours, barrow_loads
from nolbet_core.record import record
from nolbet_core.shelf.material import Material
from nolbet_core.works.rates import Paces

USUAL_WAY_M = 15.0
"""How far is carried where the plot doesn't tell [m] (estimate)."""
HEAVY_GROUPS = ("soil", "mineral")


@record
class Load:
    """What one supplier brings, or is fetched from there. key: the supplier's. lines: in words. brings: keys of it.

    delivered: whether it comes to the drive.
    """

    key: str
    name: str
    lines: tuple[str, ...]
    brings: frozenset[str]
    delivered: bool


@dataclass(frozen=True)
class Site:
    """paces: how fast is worked. ways_m: how far each bed lies from where loads are dropped [m]. loads: that come.

    gathered: keys of what nobody sells and has to be got together. sow_on: the day each bed is to be sown. today: the
    day that is now, where it is known.
    """

    paces: Paces = field(default_factory=Paces)
    ways_m: Mapping[str, float] = field(default_factory=dict)
    loads: tuple[Load, ...] = ()
    gathered: frozenset[str] = frozenset()
    sow_on: Mapping[str, date] = field(default_factory=dict)
    today: date | None = None

    def way_m(self, bed: str) -> float:
        """How far is carried to a bed [m]."""
        return self.ways_m.get(bed, USUAL_WAY_M)

    def carrying(self, material: Material, loose_m3: float, bed: str) -> tuple[float, int]:
        """Hours of shovelling and barrowing a loose volume [m3] to a bed, and how many barrows that is."""
        density = material.bulk_density_kg_m3 / material.loose_factor if material.loose_factor else 0.0
        barrows = barrow_loads(loose_m3, density, heavy=material.group in HEAVY_GROUPS)
        return self.paces.hours("shovel_m3_h", loose_m3) + barrow_hours(barrows, self.way_m(bed)), barrows

    def loads_with(self, keys: Iterable[str]) -> list[Load]:
        """Loads that bring any of some materials."""
        wanted = frozenset(keys)
        return [load for load in self.loads if load.brings & wanted]
