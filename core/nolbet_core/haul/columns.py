"""Offers as columns of the haul's programme: how many or how much is bought of each, and what that costs."""

from __future__ import annotations

import math
from dataclasses import dataclass
from decimal import Decimal

from nolbet_core.haul.choose import is_loose
from nolbet_core.haul.offers import (
    TOLERANCE_M3,
    BagOffer,
    BulkOffer,
    Offer,
    RollOffer,
    Supplier,
    count_for,
    counted_line,
)
from nolbet_core.haul.rows import Rows
from nolbet_core.haul.wanted import Wanted

CENTS = 100
SPARE = 2.0
"""How many times a need may be bought where that makes a delivery free."""


@dataclass(slots=True)
class Bought:
    """An offer in the programme: how many or how much of it is bought, as a sum of columns, and its price in cents."""

    supplier: Supplier
    offer: Offer
    wanted: Wanted
    amount: dict[int, float]
    price: dict[int, float]
    meets: float
    used: int | None = None


def need_of(want: Wanted) -> float:
    """How much is wanted, in the measure that offers meet it in: m3, m of pipe, pieces; 1 of what is bought as one."""
    if want.stretches:
        return sum(each.length_m * each.count for each in want.stretches)
    if want.boxes:
        return float(sum(each.count for each in want.boxes))
    return 1.0 if want.covers else want.volume_m3


def met_by_one(offer: Offer, want: Wanted) -> float | None:
    """How much of a need one of an offer meets (bulk: one m3); None where it is another thing or too small."""
    if isinstance(offer, BulkOffer):
        return 1.0 if is_loose(want) else None
    if isinstance(offer, BagOffer):
        return offer.volume_m3 * want.bag_share if is_loose(want) else None
    count = count_for(offer, want)
    if not count:
        return None
    if want.covers:
        # strips and pieces of one kind cover a sheet's needs together, or not at all
        return None if offer.at_most is not None and count > offer.at_most else 1.0 / count
    if isinstance(offer, RollOffer):
        return None
    return (offer.length_m or 0.0) * offer.count if want.stretches else float(offer.count)


def reach_of(offer: Offer, meets: float) -> float:
    """How much of a need all there is of an offer meets."""
    return math.inf if offer.at_most is None else offer.at_most * meets


def bought_columns(rows: Rows, supplier: Supplier, offer: Offer, want: Wanted, meets: float, held: float) -> Bought:
    """Columns for how much of an offer is bought, with deals, steps and tiers as they are sold.

    want: what for. meets: how much of it one of the offer meets. held: so many or so much [m3] has to be possible.
    """
    if isinstance(offer, BulkOffer):
        return _bulk(rows, supplier, offer, want, held)
    if want.covers:
        return _as_one(rows, supplier, offer, want, meets)
    worth = math.ceil(_worth_reaching(supplier) / offer.price) if offer.price else 0
    most = max(math.ceil(SPARE * need_of(want) / meets), worth, math.ceil(held)) + 1
    most = most if offer.at_most is None else min(offer.at_most, most)
    single = rows.column(0.0, most)
    if offer.deal is None:
        return Bought(supplier, offer, want, {single: 1.0}, {single: float(offer.price * CENTS)}, meets)
    deals = rows.column(0.0, most // offer.deal.count)
    rows.most[single] = min(offer.deal.count - 1, most)
    amount = {single: 1.0, deals: float(offer.deal.count)}
    rows.row(amount, most=most)
    price = {single: float(offer.price * CENTS), deals: float(offer.deal.price * CENTS)}
    return Bought(supplier, offer, want, amount, price, meets)


def _worth_reaching(supplier: Supplier) -> Decimal:
    """Goods for which more may be bought than is needed: a free delivery, or the least that is delivered."""
    return max(supplier.free_over or Decimal(0), supplier.minimum_order or Decimal(0))


def _as_one(rows: Rows, supplier: Supplier, offer: Offer, want: Wanted, meets: float) -> Bought:
    """Rolls or pieces that a sheet is cut from: all of them or none."""
    count = round(1 / meets)
    taken = rows.column(0.0, 1.0)
    if isinstance(offer, BulkOffer):
        raise TypeError("a sheet doesn't come in bulk")
    line = counted_line(supplier, offer, count, want)
    return Bought(supplier, offer, want, {taken: float(count)}, {taken: float(line.price * CENTS)}, meets)


def _bulk(rows: Rows, supplier: Supplier, offer: BulkOffer, want: Wanted, held_m3: float) -> Bought:
    """A loose load: in steps, not below the least sold, at the price of the highest tier it reaches."""
    starts = [(0.0, offer.price_per_m3), *((tier.from_m3, tier.price_per_m3) for tier in offer.tiers)]
    most_m3 = SPARE * want.volume_m3 + offer.minimum_m3 + (offer.step_m3 or 0.0) + starts[-1][0]
    if offer.price_per_m3:
        most_m3 = max(
            most_m3, float(_worth_reaching(supplier) / min(price for _, price in starts)) + (offer.step_m3 or 0)
        )
    most_m3 = max(most_m3, held_m3)
    most_m3 = most_m3 if offer.at_most is None else min(most_m3, offer.at_most)
    amount: dict[int, float] = {}
    price: dict[int, float] = {}
    chosen: dict[int, float] = {}
    for index, (from_m3, per_m3) in enumerate(starts):
        below_m3 = starts[index + 1][0] if index + 1 < len(starts) else math.inf
        step_m3 = offer.step_m3 or 1.0
        most = (most_m3 + TOLERANCE_M3) / step_m3
        many = rows.column(0.0, most if offer.step_m3 is None else math.floor(most), whole=offer.step_m3 is not None)
        taken = rows.column(0.0, 1.0)
        least_m3 = max(from_m3, offer.minimum_m3)
        rows.row({many: step_m3, taken: -max(least_m3 - TOLERANCE_M3, 0.0)}, least=0.0)
        rows.row({many: step_m3, taken: -min(most_m3 + TOLERANCE_M3, below_m3 - 2 * TOLERANCE_M3)}, most=0.0)
        amount[many] = step_m3
        price[many] = float(per_m3 * CENTS) * step_m3
        chosen[taken] = 1.0
    rows.row(chosen, most=1.0)
    return Bought(supplier, offer, want, amount, price, 1.0)
