"""What was paid for what is on offer: an offer's price as it last really was."""

from __future__ import annotations

from collections.abc import Iterable
from decimal import Decimal

from nolbet_core.built.bought import offer_bought
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.log import Purchase
from nolbet_core.plan.offers import BulkOfferModel, OfferModel
from nolbet_core.record import record

CENT = Decimal("0.01")
FRACTION = Decimal("0.0001")


@record
class PaidOffer:
    """An offer that something was bought by. place: among its supplier's offers. said: its price there; paid: what one,
    or a loose m3, came to when it was bought last. purchases: that there were.
    """

    supplier: str
    place: int
    offer: OfferModel
    said: Decimal
    paid: Decimal
    on: str
    purchases: int


def paid_offers(plan: Plan) -> list[PaidOffer]:
    """Offers that anything was bought by at a price, each as it was paid for last; one in several is left as it is."""
    bought: dict[tuple[str, int], list[Purchase]] = {}
    for entry in plan.log:
        if not isinstance(entry, Purchase) or not entry.price:
            continue
        place = _place(plan, entry)
        if place is not None:
            bought.setdefault((entry.supplier, place), []).append(entry)
    found = []
    for (supplier, place), entries in bought.items():
        offer = next(each for each in plan.suppliers if each.key == supplier).offers[place]
        last = max(entries, key=lambda each: each.on)
        said, paid = _said(offer), _paid(offer, last)
        if said is not None and paid is not None:
            found.append(PaidOffer(supplier, place, offer, said, paid, last.on, len(entries)))
    return found


def _place(plan: Plan, entry: Purchase) -> int | None:
    offer = offer_bought(entry, plan)
    supplier = next((each for each in plan.suppliers if each.key == entry.supplier), None)
    if offer is None or supplier is None:
        return None
    return next((index for index, each in enumerate(supplier.offers) if each is offer), None)


def _said(offer: OfferModel) -> Decimal | None:
    """The price of one, or of a loose m3; None where it depends on how much is taken."""
    if isinstance(offer, BulkOfferModel):
        return None if offer.tiers else offer.price_per_m3
    return offer.price if offer.deal is None else None


def _paid(offer: OfferModel, entry: Purchase) -> Decimal | None:
    if isinstance(offer, BulkOfferModel):
        if not entry.volume_m3 or entry.price is None:
            return None
        return (entry.price / Decimal(repr(entry.volume_m3))).quantize(FRACTION)
    if not entry.count or entry.price is None:
        return None
    return (entry.price / entry.count).quantize(CENT)


def repriced(offer: OfferModel, price: Decimal, on: str) -> OfferModel:
    """An offer at another price as of a day."""
    column = "price_per_m3" if isinstance(offer, BulkOfferModel) else "price"
    return offer.model_copy(update={column: price, "priced_on": on})


def with_prices(plan: Plan, paid: Iterable[PaidOffer]) -> Plan:
    """A plan whose offers cost what was paid for them."""
    by_supplier: dict[str, dict[int, PaidOffer]] = {}
    for each in paid:
        by_supplier.setdefault(each.supplier, {})[each.place] = each
    suppliers = []
    for supplier in plan.suppliers:
        own = by_supplier.get(supplier.key, {})
        offers = [
            repriced(offer, own[place].paid, own[place].on) if place in own else offer
            for place, offer in enumerate(supplier.offers)
        ]
        suppliers.append(supplier.model_copy(update={"offers": offers}) if own else supplier)
    return plan.model_copy(update={"suppliers": suppliers})


def as_paid(plan: Plan) -> Plan:
    """A plan whose offers cost what was last paid for them, where that is known."""
    return with_prices(plan, paid_offers(plan))
