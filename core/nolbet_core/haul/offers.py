"""What suppliers offer, and what meeting a need from one offer takes."""

from __future__ import annotations

import math
from decimal import ROUND_HALF_UP, Decimal
from typing import Literal

from nolbet_core.record import record

TOLERANCE_M3 = 1e-6
"""Volumes closer than this are the same: a heap is not measured to the millilitre."""

CENT = Decimal("0.01")
Form = Literal["bag", "bulk"]


@record
class BagOffer:
    """Whole bags: loose volume of one [m3] and its price. fetched: brought home by the gardener, without delivery."""

    material: str
    volume_m3: float
    price: Decimal
    fetched: bool = False


@record
class BulkOffer:
    """Loose by the load: price for a m3, the step it is sold in, the least sold and what one drop brings [m3].

    step_m3: None where any amount is sold. load_m3: None where all fits one drop.
    """

    material: str
    price_per_m3: Decimal
    step_m3: float | None = None
    minimum_m3: float = 0.0
    load_m3: float | None = None
    fetched: bool = False


Offer = BagOffer | BulkOffer


@record
class Supplier:
    """A supplier: what one delivery costs, and the offers."""

    key: str
    name: str
    delivery: Decimal
    offers: tuple[Offer, ...]


@record
class Line:
    """One line of a haul: what is bought of a material, where, and its price before delivery.

    count: whole bags, None for bulk. volume_m3: loose volume bought [m3]. left_over_m3: bought beyond the need [m3].
    """

    supplier: Supplier
    offer: Offer
    need_m3: float
    count: int | None
    volume_m3: float
    price: Decimal

    @property
    def form(self) -> Form:
        """Whether it comes in bags or in bulk."""
        return "bag" if isinstance(self.offer, BagOffer) else "bulk"

    @property
    def material(self) -> str:
        """Key of what is bought."""
        return self.offer.material

    @property
    def left_over_m3(self) -> float:
        """What is bought beyond the need [m3]."""
        return max(self.volume_m3 - self.need_m3, 0.0)


def bags_for(need_m3: float, bag_m3: float) -> int:
    """Whole bags of a volume [m3] that meet a loose need [m3]."""
    return max(math.ceil((need_m3 - TOLERANCE_M3) / bag_m3), 0)


def bulk_for(need_m3: float, offer: BulkOffer) -> float:
    """Loose volume [m3] to order in bulk for a need [m3]: in whole steps, not below the least sold."""
    wanted = max(need_m3, offer.minimum_m3)
    if offer.step_m3 is None:
        return wanted
    return math.ceil((wanted - TOLERANCE_M3) / offer.step_m3) * offer.step_m3


def line_for(supplier: Supplier, offer: Offer, need_m3: float) -> Line:
    """The line that meets a loose need [m3] from one offer."""
    if isinstance(offer, BagOffer):
        count = bags_for(need_m3, offer.volume_m3)
        return Line(supplier, offer, need_m3, count, count * offer.volume_m3, offer.price * count)
    volume_m3 = bulk_for(need_m3, offer)
    price = (Decimal(repr(volume_m3)) * offer.price_per_m3).quantize(CENT, rounding=ROUND_HALF_UP)
    return Line(supplier, offer, need_m3, None, volume_m3, price)


def drops_for(lines: list[Line]) -> int:
    """Deliveries one supplier makes for its lines: bulk volume over the load, added up and rounded up once.

    Bags ride along; fetched lines need none.
    """
    brought = [line for line in lines if not line.offer.fetched]
    if not brought:
        return 0
    loads = sum(
        line.volume_m3 / line.offer.load_m3
        for line in brought
        if isinstance(line.offer, BulkOffer) and line.offer.load_m3
    )
    return max(math.ceil(loads - TOLERANCE_M3), 1)


def delivery_for(lines: list[Line]) -> Decimal:
    """What delivering lines costs, each supplier's drops paid once each."""
    by_supplier: dict[str, list[Line]] = {}
    for line in lines:
        by_supplier.setdefault(line.supplier.key, []).append(line)
    return sum((own[0].supplier.delivery * drops_for(own) for own in by_supplier.values()), Decimal(0))
