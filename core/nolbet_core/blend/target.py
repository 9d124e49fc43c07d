"""What a mix is to be good for: bands that its figures should lie in, by use."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from types import MappingProxyType
from typing import Literal

MixUse = Literal["raised_bed", "deep_container", "wicking_bed", "seed_sowing", "dry_herb", "moist_herb"]

Band = tuple[float, float]

COMPOST_MOST = 0.5
"""Share of compost that is a usual ceiling, of the parts by volume."""

WICKED_M = 0.30
"""Soil over the water of a wicking bed whose own isn't known [m]."""


@dataclass(frozen=True, slots=True)
class Target:
    """Bands for a mix. air_filled, water_held: of its loose volume, drained to 1 kPa [0-1]. ph. c_to_n_most: carbon to
    nitrogen by mass. rise_least_m: how high it has to wick [m]. fresh_wood: whether it may hold any. compost_most: of
    the parts by volume [0-1]. organic_matter: of dry mass [0-1], None where nothing is asked of it.
    """

    air_filled: Band
    water_held: Band
    ph: Band
    c_to_n_most: float | None = None
    rise_least_m: float | None = None
    fresh_wood: bool = True
    compost_most: float = COMPOST_MOST
    organic_matter: Band | None = None


USUAL_TARGETS: Mapping[MixUse, Target] = MappingProxyType(
    {
        "raised_bed": Target((0.10, 0.25), (0.35, 0.60), (6.0, 7.0), c_to_n_most=25.0, organic_matter=(0.08, 0.30)),
        "deep_container": Target((0.15, 0.30), (0.45, 0.65), (5.5, 6.8), organic_matter=(0.30, 1.0)),
        "wicking_bed": Target((0.10, 0.20), (0.45, 0.65), (5.8, 7.0), rise_least_m=WICKED_M),
        "seed_sowing": Target((0.10, 0.20), (0.50, 0.70), (5.5, 6.5), c_to_n_most=20.0, fresh_wood=False),
        "dry_herb": Target((0.20, 0.35), (0.20, 0.40), (6.5, 7.5)),
        "moist_herb": Target((0.08, 0.15), (0.50, 0.70), (6.0, 7.0)),
    }
)
"""Bands that are usual for a use, each to be changed by the gardener (estimates)."""
