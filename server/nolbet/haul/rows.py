"""Suppliers, their offers and the heaps on hand read as the plan writes them, and kept."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from decimal import Decimal
from typing import Any

from nolbet.gardens.models import Garden
from nolbet.haul.models import Offer, Stock, Supplier
from nolbet_core.plan.garden import Stock as PlanStock
from nolbet_core.plan.log import Purchase
from nolbet_core.plan.offers import PlanSupplier

OFFER_KEYS = (
    "form", "material", "volume_m3", "mass_kg", "length_m", "width_m", "height_m", "diameter_m", "thickness_m", "count",
    "price",
    "price_per_m3", "step_m3", "minimum_m3", "load_m3",
)  # fmt: skip


def supplier_plan(supplier: Supplier) -> PlanSupplier:
    """A kept supplier as the plan writes it."""
    return PlanSupplier.model_validate(
        {
            "key": supplier.key,
            "name": supplier.name,
            "delivery": supplier.delivery,
            **supplier.more,
            "offers": [_offer(offer) for offer in supplier.offers.all()],
        }
    )


def _offer(offer: Offer) -> dict[str, Any]:
    given = {key: getattr(offer, key) for key in OFFER_KEYS if getattr(offer, key) is not None}
    return {**offer.more, **given} | ({"fetch": True} if offer.fetch else {})


def suppliers_plan(garden: Garden) -> list[PlanSupplier]:
    """A garden's suppliers with their offers."""
    return [supplier_plan(supplier) for supplier in garden.suppliers.prefetch_related("offers")]


def stock_plan(garden: Garden) -> list[PlanStock]:
    """What lies on hand in a garden."""
    return [
        PlanStock.model_validate({**heap.more, "material": heap.material, "volume_m3": heap.volume_m3})
        for heap in garden.stock.all()
    ]


def keep_suppliers(garden: Garden, entries: Sequence[PlanSupplier]) -> None:
    """Keep suppliers of a garden that has none."""
    kept = Supplier.objects.bulk_create(
        Supplier(garden=garden, key=entry.key, position=position, **_columns(entry))
        for position, entry in enumerate(entries)
    )
    Offer.objects.bulk_create(
        offer for supplier, entry in zip(kept, entries, strict=True) for offer in _offers(supplier, entry)
    )


def replace_suppliers(garden: Garden, entries: Sequence[PlanSupplier]) -> None:
    """Keep suppliers in place of those before."""
    garden.suppliers.all().delete()
    keep_suppliers(garden, entries)


def _columns(entry: PlanSupplier) -> dict[str, Any]:
    more = entry.model_dump(mode="json", exclude_none=True, include={"free_over", "minimum_order", "distance_m"})
    return {"name": entry.name or entry.key, "delivery": entry.delivery or Decimal(0), "more": more}


def _offers(supplier: Supplier, entry: PlanSupplier) -> Iterator[Offer]:
    for place, offer in enumerate(entry.offers):
        columns = offer.model_dump(exclude_none=True, include={*OFFER_KEYS, "fetch"})
        more = offer.model_dump(mode="json", exclude_none=True, exclude={*OFFER_KEYS, "fetch"}, exclude_defaults=True)
        yield Offer(supplier=supplier, position=place, more=more, **columns)


def replace_stock(garden: Garden, heaps: Iterable[PlanStock]) -> None:
    """Keep what lies on hand in place of what lay there before."""
    garden.stock.all().delete()
    Stock.objects.bulk_create(
        Stock(
            garden=garden,
            material=heap.material,
            volume_m3=heap.volume_m3,
            more=heap.model_dump(mode="json", exclude_none=True, exclude={"material", "volume_m3"}),
            position=position,
        )
        for position, heap in enumerate(heaps)
    )


def bought_columns(bought: Sequence[Purchase]) -> list[dict[str, Any]]:
    """What was bought, as it is kept."""
    return [each.model_dump(mode="json", exclude_none=True) for each in bought]


def bought_plan(garden: Garden) -> list[Purchase]:
    """What was bought for a kept garden."""
    return [Purchase.model_validate(each) for each in garden.bought]
