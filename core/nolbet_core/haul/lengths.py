"""What boards and bricks cost: the cheapest offer of each length, and of a piece of each kind."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
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

    @property
    def count(self) -> int | None:
        """Number of boards that can be had; None if any number can."""
        return None if self.offer.at_most is None else self.offer.at_most * self.offer.count


def lengths_offered(section: BoardSection, suppliers: Sequence[Supplier]) -> list[OfferedLength]:
    """Offers of each length of a section, the cheapest first, down to one that any number can be had of."""
    by_length: dict[float, list[OfferedLength]] = {}
    for supplier in suppliers:
        for offer in supplier.offers:
            if not isinstance(offer, PieceOffer) or offer.length_m is None or not _is_of(offer, section):
                continue
            found = OfferedLength(offer.length_m, offer.price / offer.count, supplier, offer)
            by_length.setdefault(offer.length_m, []).append(found)
    return [each for offers in by_length.values() for each in _worth_asking(offers)]


def _worth_asking(offers: Sequence[OfferedLength]) -> Iterator[OfferedLength]:
    for each in sorted(offers, key=lambda offered: offered.price):
        yield each
        if each.count is None:
            return


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
