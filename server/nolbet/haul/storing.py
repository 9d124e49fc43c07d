"""Keeping suppliers, their offers and the heaps on hand, as the plan file writes them."""

from __future__ import annotations

from collections.abc import Iterable
from decimal import Decimal
from typing import Any

from django.db import transaction
from django.db.models import Max

from nolbet.gardens.errors import Missing
from nolbet.gardens.keys import key_for
from nolbet.gardens.models import Garden
from nolbet.haul.models import Offer, Stock, Supplier
from nolbet_core.plan.garden import PlanSupplier
from nolbet_core.plan.garden import Stock as PlanStock

OFFER_KEYS = ("form", "material", "volume_m3", "price", "price_per_m3", "step_m3", "minimum_m3", "load_m3")


def supplier_plan(supplier: Supplier) -> PlanSupplier:
    """A kept supplier as the plan writes it."""
    return PlanSupplier.model_validate(
        {
            "key": supplier.key,
            "name": supplier.name,
            "delivery": supplier.delivery,
            "offers": [_offer(offer) for offer in supplier.offers.all()],
        }
    )


def _offer(offer: Offer) -> dict[str, Any]:
    given = {key: getattr(offer, key) for key in OFFER_KEYS if getattr(offer, key) is not None}
    return given | ({"fetch": True} if offer.fetch else {})


def suppliers_plan(garden: Garden) -> list[PlanSupplier]:
    """A garden's suppliers with their offers."""
    return [supplier_plan(supplier) for supplier in garden.suppliers.prefetch_related("offers")]


def stock_plan(garden: Garden) -> list[PlanStock]:
    """What lies on hand in a garden."""
    return [PlanStock(material=heap.material, volume_m3=heap.volume_m3) for heap in garden.stock.all()]


def add_supplier(garden: Garden, entry: PlanSupplier) -> Supplier:
    """Keep a new supplier at the end of the list, under a key of its own."""
    taken = set(garden.suppliers.values_list("key", flat=True))
    return keep_supplier(garden, key_for(entry.name or entry.key, taken), entry)


@transaction.atomic
def keep_supplier(garden: Garden, key: str, entry: PlanSupplier) -> Supplier:
    """Keep a supplier under a key that no other of the garden has."""
    last = garden.suppliers.aggregate(last=Max("position"))["last"]
    supplier = Supplier.objects.create(
        garden=garden,
        key=key,
        name=entry.name or entry.key,
        delivery=entry.delivery or Decimal(0),
        position=0 if last is None else last + 1,
    )
    _replace_offers(supplier, entry)
    return supplier


@transaction.atomic
def change_supplier(garden: Garden, key: str, entry: PlanSupplier) -> Supplier:
    """Keep a supplier's new name, delivery and offers. Raises Missing where there is none of that key."""
    supplier = garden.suppliers.filter(key=key).first()
    if supplier is None:
        raise Missing
    supplier.name = entry.name or entry.key
    supplier.delivery = entry.delivery or Decimal(0)
    supplier.save()
    supplier.offers.all().delete()
    _replace_offers(supplier, entry)
    return supplier


def remove_supplier(garden: Garden, key: str) -> None:
    """Forget a supplier. Raises Missing where there is none of that key."""
    deleted, _ = garden.suppliers.filter(key=key).delete()
    if not deleted:
        raise Missing


def _replace_offers(supplier: Supplier, entry: PlanSupplier) -> None:
    Offer.objects.bulk_create(
        Offer(supplier=supplier, position=place, **offer.model_dump(exclude_none=True))
        for place, offer in enumerate(entry.offers)
    )


@transaction.atomic
def replace_stock(garden: Garden, heaps: Iterable[PlanStock]) -> None:
    """Keep what lies on hand in place of what lay there before."""
    garden.stock.all().delete()
    Stock.objects.bulk_create(
        Stock(garden=garden, material=heap.material, volume_m3=heap.volume_m3, position=position)
        for position, heap in enumerate(heaps)
    )
