"""What is left of a material's volume over the months: it settles at first, and rots for years."""

from __future__ import annotations

from functools import lru_cache
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from nolbet_core.shelf.material import Material

Dampness = Literal["dry", "moist", "waterlogged"]
Shares = NDArray[np.float64]

MONTHS = 120
"""How far a forecast looks [months]."""

SETTLING_YEARS = 0.15
"""Time constant of physical settling [years] (estimate)."""

REFERENCE_C = 12.0
"""Temperature that decay rates are given for [degrees C]."""

WETNESS: dict[Dampness, float] = {"dry": 0.5, "moist": 1.0, "waterlogged": 0.3}
"""Factor on decay by how wet the fill is kept (estimate)."""


def decay_factor(temp_c: float, dampness: Dampness = "moist") -> float:
    """Factor on decay rates: it doubles with every 10 degrees over 12 degrees C, times how wet the fill is kept.

    temp_c: mean temperature [degrees C].
    """
    return WETNESS[dampness] * float(2.0 ** ((temp_c - REFERENCE_C) / 10))


def settled_share(settles: float | NDArray[np.float64], years: NDArray[np.float64]) -> Shares:
    """What physical settling leaves after times [years]: 1 - s (1 - exp(-t / tau)). settles: share lost [0-1]."""
    return 1 - settles * (1 - np.exp(-years / SETTLING_YEARS))


@lru_cache(maxsize=4096)
def remaining_by_month(settles: float, stays: float, decay_per_year: float, factor: float) -> Shares:
    """Volume over the volume as laid, for months 0 to 120.

    V(t)/V0 = [1 - s (1 - exp(-t / tau))] x [r + (1 - r) exp(-k f t)]. settles, stays: s and r [0-1]. decay_per_year: k
    at 12 degrees C [1/year]. factor: f, as decay_factor gives it.
    """
    years = np.arange(MONTHS + 1) / 12
    shares: Shares = settled_share(settles, years) * (stays + (1 - stays) * np.exp(-decay_per_year * factor * years))
    shares.flags.writeable = False
    return shares


def remaining_shares(material: Material, factor: float) -> Shares:
    """Volume over the volume as laid of a material, for months 0 to 120; a mix sinks as its parts do, each by itself.

    factor: on decay rates, as decay_factor gives it.
    """
    if not material.parts:
        return remaining_by_month(*material.settling, factor)
    return sum(
        (each.volume_share * remaining_by_month(*each.material.settling, factor) for each in material.parts),
        np.zeros(MONTHS + 1),
    )
