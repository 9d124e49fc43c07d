"""Up to which volume bags alone cost less than a loose load alone, and what each costs along the way."""

from __future__ import annotations

import math
from collections.abc import Sequence
from decimal import Decimal

from nolbet_core.haul.offers import BagOffer, BulkOffer, Form, Supplier, delivery_for, line_for
from nolbet_core.haul.wanted import Wanted
from nolbet_core.record import record

MOST_M3 = 50.0
DIGITS = 1000


@record
class CostsByVolume:
    """What a material costs by volume: bags alone, and loose alone; None where it can't be had so."""

    volumes_m3: tuple[float, ...]
    bags: tuple[Decimal | None, ...]
    bulk: tuple[Decimal | None, ...]


def cost_of(material: str, volume_m3: float, suppliers: Sequence[Supplier], form: Form) -> Decimal | None:
    """What a volume [m3] costs in one form from one offer, with its delivery; None where nobody sells so much so."""
    want = Wanted(material, volume_m3)
    lines = [
        line
        for supplier in suppliers
        for offer in supplier.offers
        if offer.material == material and offer.form == form and (line := line_for(supplier, offer, want)) is not None
    ]
    return min((line.price + delivery_for([line]) for line in lines), default=None)


def break_even(material: str, suppliers: Sequence[Supplier]) -> float | None:
    """The largest need up to 50 m3 that bags alone meet for less than loose alone [m3], to the litre.

    None where it is sold one way only. What bags cost rises only where one more is opened, so that the largest such
    need fills its bags to the brim.
    """
    offers = [offer for supplier in suppliers for offer in supplier.offers if offer.material == material]
    bags = [offer for offer in offers if isinstance(offer, BagOffer)]
    if not bags or not any(isinstance(offer, BulkOffer) for offer in offers):
        return None
    for volume_m3 in _full(bags):
        in_bags = cost_of(material, volume_m3, suppliers, "bag")
        loose = cost_of(material, volume_m3, suppliers, "bulk")
        if in_bags is not None and (loose is None or in_bags < loose):
            return math.floor(volume_m3 * DIGITS + 1e-6) / DIGITS
    return 0.0


def _full(bags: Sequence[BagOffer]) -> list[float]:
    """Volumes at which all bags are full, the largest first [m3]."""
    full = {MOST_M3}
    for bag in bags:
        full |= {count * bag.volume_m3 for count in range(1, int(MOST_M3 / bag.volume_m3 + 1e-9) + 1)}
    return sorted(full, reverse=True)


def cost_curve(material: str, suppliers: Sequence[Supplier], to_m3: float, points: int = 60) -> CostsByVolume:
    """What a material costs in bags and loose, up to a volume [m3]. points: how many volumes are told."""
    volumes = tuple(to_m3 * step / points for step in range(1, points + 1))
    costs = [tuple(cost_of(material, each, suppliers, form) for each in volumes) for form in ("bag", "bulk")]
    return CostsByVolume(volumes, costs[0], costs[1])
