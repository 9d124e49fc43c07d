"""What follows from a material's dry density, moisture, pores and loose factor: its other densities and porosity."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from nolbet_core.draws.each import larger

MINERAL_KG_M3 = 2650.0
"""Density of mineral grains, quartz and most others [kg/m3]."""

ORGANIC_KG_M3 = 1500.0
"""Density of the walls of cells and of humus, their pores left out [kg/m3]."""

PLANT_CARBON = 0.45
"""Carbon in the dry mass of plant matter [0-1]."""

WATER_KG_M3 = 1000.0

FOLLOWING = ("bulk_density_kg_m3", "saturated_density_kg_m3", "loose_dry_kg_m3", "porosity")
"""The figures that are worked out."""


@dataclass(frozen=True, slots=True)
class Densities:
    """Densities [kg/m3] of a placed volume moist and wet through, of a loose one dry, and its pores [0-1]."""

    bulk_density_kg_m3: float
    saturated_density_kg_m3: float
    loose_dry_kg_m3: float
    porosity: float


def rotting_share(carbon: float) -> float:
    """What of a dry mass was once alive and can rot [0-1], by its carbon [share of it]."""
    return min(carbon / PLANT_CARBON, 1.0)


def grain_density(carbon: float) -> float:
    """Density of the grains themselves [kg/m3], by how much of them is organic. carbon: share of dry mass [0-1]."""
    organic = rotting_share(carbon)
    return 1 / (organic / ORGANIC_KG_M3 + (1 - organic) / MINERAL_KG_M3)


def grain_density_of_loose(loose_dry_kg_m3: float, porosity: float) -> float:
    """Density of grains [kg/m3] of which a loose volume has so many pores that water finds [0-1]; closed ones count
    with the grain. loose_dry_kg_m3: its dry mass [kg/m3].
    """
    return loose_dry_kg_m3 / (1 - porosity) if porosity < 1 else ORGANIC_KG_M3


def densities(
    dry_kg_m3: float, moisture: float, loose_factor: float, void_share: float, grain_kg_m3: float
) -> Densities:
    """What a material weighs in each state.

    dry_kg_m3: dry mass of a placed volume [kg/m3]. moisture: water as a share of the moist mass [0-1]. loose_factor:
    loose volume for each placed one. void_share: coarse gaps of the placed volume, which drain [0-1]. grain_kg_m3:
    density of its grains [kg/m3].

    Moist: dry / (1 - moisture). Wet through: dry + water x (1 - dry / grain - gaps). Loose: dry / loose factor, with
    pores of 1 - loose / grain. Pores are never less than nothing.
    """
    loose = dry_kg_m3 / loose_factor
    held = larger(1 - dry_kg_m3 / grain_kg_m3 - void_share, 0.0)
    moist = dry_kg_m3 / (1 - moisture)
    return Densities(
        bulk_density_kg_m3=moist,
        saturated_density_kg_m3=larger(dry_kg_m3 + WATER_KG_M3 * held, moist),
        loose_dry_kg_m3=loose,
        porosity=larger(1 - loose / grain_kg_m3, 0.0),
    )


def dry_of(figures: Mapping[str, float], moisture: float, loose_factor: float) -> float | None:
    """Dry mass of a placed volume [kg/m3] by whichever density is given: moist, dry or loose; None by none of them.

    figures: property name to value. moisture [share of moist mass], loose_factor: those that hold.
    """
    if "bulk_density_kg_m3" in figures:
        return figures["bulk_density_kg_m3"] * (1 - moisture)
    if "dry_density_kg_m3" in figures:
        return figures["dry_density_kg_m3"]
    if "loose_dry_kg_m3" in figures:
        return figures["loose_dry_kg_m3"] * loose_factor
    return None
