"""Bags of the usual sizes, told before anybody's prices are known."""

from __future__ import annotations

from nolbet_core.haul.offers import bags_for
from nolbet_core.quantities.units import CU_FT_M3, System
from nolbet_core.record import record
from nolbet_core.shelf.material import Material

USUAL_BAGS_M3: dict[System, tuple[float, ...]] = {
    System.METRIC: (0.020, 0.025, 0.040, 0.050, 0.060, 0.070),
    System.FT_IN: tuple(each * CU_FT_M3 for each in (0.75, 1.0, 1.5, 2.0, 3.0)),
}
"""Loose volumes that bags are sold in [m3]."""

COMMON_BAG_M3: dict[System, float] = {System.METRIC: 0.040, System.FT_IN: 1.5 * CU_FT_M3}
"""The one that is told where there is room for one alone [m3]."""

UNBAGGED = frozenset({"logs", "mats", "unbagged"})
"""Traits of what nobody fills into bags to sell."""


@record
class BagCount:
    """So many whole bags of a size [m3]."""

    volume_m3: float
    count: int


def is_bagged(material: Material) -> bool:
    """Whether a material is sold in bags by volume: not logs, mats or sheets, and meals go by weight."""
    return not material.is_sheet and material.group != "meal" and not (material.traits & UNBAGGED)


def usual_bags(loose_m3: float) -> list[BagCount]:
    """Whole bags of every usual size that hold a loose volume [m3]."""
    return [BagCount(size, bags_for(loose_m3, size)) for sizes in USUAL_BAGS_M3.values() for size in sizes]
