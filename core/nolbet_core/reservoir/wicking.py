"""How high water wicks, and how much of it in a day."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from nolbet_core.reservoir.store import column_area
from nolbet_core.shelf.material import Material

Values = NDArray[np.float64]
WickKind = Literal["soil_column", "strip", "fabric", "medium"]

COLUMN_M_DAY = 0.030
"""Water that a soil column lifts a day, standing in water, for its level area [m/day] (estimate, 0.01 to 0.05)."""

FABRIC_M_DAY = 0.012
"""Water that a wicking fabric under all of the soil lifts a day [m/day] (estimate, 0.006 to 0.02)."""

STRIP_M3_DAY_M = 0.004
"""Water that a strip of wicking fabric lifts a day for each metre of its width [m3/day/m] (estimate)."""

MEDIUM_M_DAY = 0.010
"""Water that a medium lifts itself a day, where it wicks at all [m/day] (estimate)."""

STRIP_RISE_M = 0.25
FABRIC_RISE_M = 0.20
"""How high strips and fabrics lift water [m] (estimates)."""


@dataclass(frozen=True, slots=True)
class Wicking:
    """What lifts water into the soil: by which kind, how much at the most [m3/day], and how high [m]."""

    kind: WickKind
    most_m3_day: float
    rise_m: float

    def reach(self, below_m: Values) -> Values:
        """Share of the most that is lifted from water so far below the soil [0-1]: weaker with distance, then none."""
        if self.rise_m <= 0:
            return np.zeros_like(below_m)
        share: Values = np.clip(1 - below_m / self.rise_m, 0.0, 1.0)
        return share


def capillary_rise(materials: Sequence[tuple[Material, float]]) -> float:
    """How high soil wicks [m]: the mean of its parts by volume, an estimate. materials: each with its volume [m3]."""
    whole = sum(volume for _, volume in materials)
    if whole <= 0:
        return 0.0
    return sum(material.capillary_rise_m * volume for material, volume in materials) / whole


def wicking_of(
    columns: Sequence[tuple[float, int]],
    strips: Sequence[tuple[float, int]],
    fabric: bool,
    area_m2: float,
    soil_rise_m: float,
    medium: Material | None,
) -> Wicking:
    """What lifts a reservoir's water.

    columns: diameters [m] and counts. strips: widths [m] and counts. fabric: whether one lies under all of the soil.
    area_m2: of the soil's base [m2]. soil_rise_m: how high the soil wicks [m]. medium: lifts by itself where nothing
    else does.
    """
    most = rise = 0.0
    kind: WickKind = "medium"
    if columns:
        kind, rise = "soil_column", soil_rise_m
        most += sum(column_area(diameter, count) for diameter, count in columns) * COLUMN_M_DAY
    if strips:
        kind, rise = ("strip", max(rise, STRIP_RISE_M)) if not columns else (kind, max(rise, STRIP_RISE_M))
        most += sum(width * count for width, count in strips) * STRIP_M3_DAY_M
    if fabric:
        kind, rise = ("fabric", max(rise, FABRIC_RISE_M)) if most == 0 else (kind, max(rise, FABRIC_RISE_M))
        most += area_m2 * FABRIC_M_DAY
    if most > 0:
        return Wicking(kind, most, rise)
    own_rise_m = medium.capillary_rise_m if medium else 0.0
    return Wicking("medium", area_m2 * MEDIUM_M_DAY if own_rise_m > 0 else 0.0, own_rise_m)
