"""What a loose m3 of each material costs, before delivery and whole bags."""

from __future__ import annotations

from collections.abc import Iterable
from decimal import Decimal

from nolbet_core.haul.offers import BagOffer, BulkOffer, Supplier


def unit_prices(suppliers: Iterable[Supplier]) -> dict[str, Decimal]:
    """The least price of a loose m3 of each material that is offered."""
    prices: dict[str, Decimal] = {}
    for supplier in suppliers:
        for offer in supplier.offers:
            if not isinstance(offer, BagOffer | BulkOffer):
                continue
            price = price_per_m3(offer)
            prices[offer.material] = min(price, prices.get(offer.material, price))
    return prices


def price_per_m3(offer: BagOffer | BulkOffer) -> Decimal:
    """The price of a loose m3 by an offer."""
    if isinstance(offer, BulkOffer):
        return offer.price_per_m3
    return offer.price / Decimal(repr(offer.volume_m3))


def least_prices(suppliers: Iterable[Supplier]) -> dict[str, Decimal]:
    """What a loose m3 of each material that is offered costs at least, however much is bought: by deals and tiers."""
    prices: dict[str, Decimal] = {}
    for supplier in suppliers:
        for offer in supplier.offers:
            if isinstance(offer, BagOffer | BulkOffer):
                price = _least_per_m3(offer)
                prices[offer.material] = min(price, prices.get(offer.material, price))
    return prices


def _least_per_m3(offer: BagOffer | BulkOffer) -> Decimal:
    if isinstance(offer, BulkOffer):
        return min((offer.price_per_m3, *(each.price_per_m3 for each in offer.tiers)))
    usual = price_per_m3(offer)
    if offer.deal is None:
        return usual
    return min(usual, offer.deal.price / offer.deal.count / Decimal(repr(offer.volume_m3)))
