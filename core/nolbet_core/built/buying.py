"""A plan's suppliers and heaps as the haul takes them."""

from __future__ import annotations

from collections.abc import Sequence
from decimal import Decimal

from nolbet_core.haul.offers import BagOffer, BulkOffer, Offer, Supplier
from nolbet_core.plan.garden import BagOfferModel, BulkOfferModel, Plan, PlanSupplier


def suppliers_of(plan: Plan) -> Sequence[Supplier]:
    """A plan's suppliers as the haul takes them."""
    return [supplier_of(entry) for entry in plan.suppliers]


def supplier_of(entry: PlanSupplier) -> Supplier:
    """One supplier as the haul takes it."""
    name = entry.name or entry.key.replace("_", " ").capitalize()
    return Supplier(entry.key, name, entry.delivery or Decimal(0), tuple(_offer(offer) for offer in entry.offers))


def _offer(entry: BagOfferModel | BulkOfferModel) -> Offer:
    if isinstance(entry, BagOfferModel):
        return BagOffer(entry.material, entry.volume_m3, entry.price, entry.fetch)
    return BulkOffer(
        entry.material, entry.price_per_m3, entry.step_m3, entry.minimum_m3 or 0.0, entry.load_m3, entry.fetch
    )


def stock_of(plan: Plan) -> dict[str, float]:
    """What lies on hand by material [m3]; heaps of one material add up."""
    stock: dict[str, float] = {}
    for entry in plan.stock:
        stock[entry.material] = stock.get(entry.material, 0.0) + entry.volume_m3
    return stock
