"""What boards and bricks cost: the cheapest offer of each length, and of a piece of each kind."""

from __future__ import annotations

import math
from collections.abc import Sequence
from decimal import Decimal

from nolbet_core.haul.offers import SAME_M, Line, PieceOffer, Supplier
from nolbet_core.record import record

BoardSection = tuple[str, float, float]
"""A wood's key, and a board's thickness and width [m]."""


@record
class OfferedLength:
    """Boards of a length [m] at the price of one: whose they are, and in which offer."""

    length_m: float
    price: Decimal
    supplier: Supplier
    offer: PieceOffer


def lengths_offered(section: BoardSection, suppliers: Sequence[Supplier]) -> list[OfferedLength]:
    """The cheapest offer of each length of a section."""
    best: dict[float, OfferedLength] = {}
    for supplier in suppliers:
        for offer in supplier.offers:
            if not isinstance(offer, PieceOffer) or offer.length_m is None or not _is_of(offer, section):
                continue
            price = offer.price / offer.count
            known = best.get(offer.length_m)
            if known is None or price < known.price:
                best[offer.length_m] = OfferedLength(offer.length_m, price, supplier, offer)
    return list(best.values())


def _is_of(offer: PieceOffer, section: BoardSection) -> bool:
    material, thick_m, wide_m = section
    return (
        offer.material == material
        and abs((offer.thickness_m or 0.0) - thick_m) < SAME_M
        and abs((offer.width_m or 0.0) - wide_m) < SAME_M
    )


def price_of_metre(section: BoardSection, suppliers: Sequence[Supplier]) -> Decimal | None:
    """What a metre of a section costs where it is cheapest; None where nobody offers it."""
    prices = [each.price / Decimal(repr(each.length_m)) for each in lengths_offered(section, suppliers)]
    return min(prices) if prices else None


def price_of_one(material: str, suppliers: Sequence[Supplier]) -> Decimal | None:
    """What one brick, block, panel or other piece costs where it is cheapest; None where nobody offers it."""
    prices = [
        offer.price / offer.count
        for supplier in suppliers
        for offer in supplier.offers
        if isinstance(offer, PieceOffer) and offer.material == material
    ]
    return min(prices) if prices else None


def board_line(found: OfferedLength, count: int) -> Line:
    """The line that buys so many boards of a length, in whole packs where they come so."""
    packs = math.ceil(count / found.offer.count)
    return Line(found.supplier, found.offer, 0.0, packs, 0.0, found.offer.price * packs)
