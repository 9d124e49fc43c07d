"""What is set down beside each bed of what is bought: whole bags by largest remainders, loose loads in proportion."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence

from nolbet_core.quantities.units import USUAL_BARROW_M3

NEARLY = 1e-9

HEAVY_M3 = 0.060
"""A barrow of wet soil or stone [m3]."""
MOST_KG = 80.0
"""More is never pushed in one [kg]."""
WALK_M_S = 1.0
TIP_S = 20.0
REPOSE_DEG = 35.0
"""How steep a heap lies that was tipped."""
STACKED_HIGH = 5
BAG_LIES_M2 = 0.6 * 0.4
ROUNDABOUT = 1.3
"""How much longer a way is than straight, where the plot gives none."""


def bags_by_bed(count: int, shares: Mapping[str, float]) -> dict[str, int]:
    """So many bags parted over beds by what each needs, whole ones: by largest remainders, adding up to all of them.

    shares: what each bed needs, in any measure. Nothing where none needs any.
    """
    whole = sum(shares.values())
    if whole <= 0:
        return {}
    quotas = {bed: count * share / whole for bed, share in shares.items()}
    given = {bed: math.floor(quota + NEARLY) for bed, quota in quotas.items()}
    left = count - sum(given.values())
    for bed in sorted(quotas, key=lambda each: (given[each] - quotas[each], each))[:left]:
        given[bed] += 1
    return given


def barrow_loads(loose_m3: float, density_kg_m3: float, *, heavy: bool) -> int:
    """Barrow loads of a loose volume [m3]. density_kg_m3: loose and moist. heavy: wet soil or stone."""
    if loose_m3 <= 0:
        return 0
    each_m3 = min(HEAVY_M3 if heavy else USUAL_BARROW_M3, MOST_KG / density_kg_m3 if density_kg_m3 > 0 else math.inf)
    return max(math.ceil(loose_m3 / each_m3 - NEARLY), 1)


def barrow_hours(loads: int, way_m: float) -> float:
    """Hours that one person walks a barrow there and back, and tips it [h]. way_m: one way [m]."""
    return loads * (2 * way_m / WALK_M_S + TIP_S) / 3600


def footprint(loads_m3: Sequence[float], bags: int) -> float:
    """What a delivery takes of a drive [m2]: each loose load a cone [m3], bags stacked five high."""
    steep = math.tan(math.radians(REPOSE_DEG))
    cones: float = sum(
        math.pi * (3 * volume_m3 / (math.pi * steep)) ** (2 / 3) for volume_m3 in loads_m3 if volume_m3 > 0
    )
    return cones + math.ceil(bags / STACKED_HIGH) * BAG_LIES_M2
