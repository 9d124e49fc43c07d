"""Kinds of wood for boards, by key: strength class, density and life in the ground."""

from __future__ import annotations

from nolbet_core.record import record

GIGA = 1e9
MEGA = 1e6


@record
class StrengthClass:
    """A strength class of EN 338. elasticity_pa: mean modulus along the grain [Pa].

    bending_pa, shear_pa, compression_pa: characteristic strengths, along the grain [Pa].
    """

    name: str
    elasticity_pa: float
    bending_pa: float
    shear_pa: float
    compression_pa: float


C16 = StrengthClass("C16", 8 * GIGA, 16 * MEGA, 3.2 * MEGA, 17 * MEGA)
C18 = StrengthClass("C18", 9 * GIGA, 18 * MEGA, 3.4 * MEGA, 18 * MEGA)
D24 = StrengthClass("D24", 10 * GIGA, 24 * MEGA, 4.0 * MEGA, 21 * MEGA)


@record
class Timber:
    """A kind of wood. strength: its strength class. density_kg_m3: damp, as it is outside [kg/m3].

    life_years: life in the ground, the least and the most [years] (EN 350, the class of its heartwood, with the lives
    usual for it). treated: with copper, as sold for use in the ground.
    """

    key: str
    name: str
    strength: StrengthClass
    density_kg_m3: float
    life_years: tuple[float, float]
    treated: bool = False

    @property
    def elasticity_pa(self) -> float:
        """Mean modulus along the grain [Pa]."""
        return self.strength.elasticity_pa

    @property
    def is_durable(self) -> bool:
        """True if it lasts ten years in the ground, or more."""
        return self.life_years[0] >= 10


OFF_GROUND = 2.0
"""Multiplier of the life of wood off the ground (estimate)."""

TIMBER: dict[str, Timber] = {
    each.key: each
    for each in (
        # spruce and fir are durability class 4 to 5
        Timber("softwood", "Softwood", C16, 480.0, (3.0, 7.0)),
        Timber("larch", "Larch", C18, 620.0, (7.0, 12.0)),
        Timber("cedar", "Cedar", C18, 400.0, (12.0, 20.0)),
        Timber("hardwood_durable", "Oak, robinia or the like", D24, 760.0, (15.0, 25.0)),
        Timber("treated_softwood", "Treated softwood", C16, 520.0, (12.0, 20.0), treated=True),
    )
}
"""By key."""

TIMBER_NAMES: dict[str, str] = {key: each.name for key, each in TIMBER.items()}
"""Their names, by key."""
