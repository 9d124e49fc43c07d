"""What boards are made of, by key: how stiff and heavy the wood is, and how long it lasts."""

from __future__ import annotations

from nolbet_core.record import record


@record
class Timber:
    """A kind of wood. elasticity_pa: along the grain [Pa]. density_kg_m3: as it stands outside, damp [kg/m3].

    life_years: how long it lasts in the ground, the least and the most (EN 350, the class of its heartwood, with the
    lives usual for it). treated: with copper, as sold for use in the ground.
    """

    key: str
    name: str
    elasticity_pa: float
    density_kg_m3: float
    life_years: tuple[float, float]
    treated: bool = False

    @property
    def is_durable(self) -> bool:
        """Whether it lasts ten years in the ground, or more."""
        return self.life_years[0] >= 10


OFF_GROUND = 2.0
"""How many times longer wood lasts off the ground (estimate)."""

GIGA = 1e9

TIMBER: dict[str, Timber] = {
    each.key: each
    for each in (
        # C16 of EN 338; spruce and fir are durability class 4 to 5
        Timber("softwood", "Softwood", 8 * GIGA, 480.0, (3.0, 7.0)),
        Timber("larch", "Larch", 11 * GIGA, 620.0, (7.0, 12.0)),
        Timber("cedar", "Cedar", 8 * GIGA, 400.0, (12.0, 20.0)),
        Timber("hardwood_durable", "Oak, robinia or the like", 10 * GIGA, 760.0, (15.0, 25.0)),
        Timber("treated_softwood", "Treated softwood", 8 * GIGA, 520.0, (12.0, 20.0), treated=True),
    )
}
"""By key."""

TIMBER_NAMES: dict[str, str] = {key: each.name for key, each in TIMBER.items()}
"""What it is called, by key."""
