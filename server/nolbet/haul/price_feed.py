"""A simulated price service: a list of its own prices for a garden's offers, with its faults."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date, timedelta
from decimal import Decimal
from typing import Literal

import numpy as np

from nolbet_core.built.price_list import price_list_csv
from nolbet_core.plan.offers import BulkOfferModel, OfferModel, PlanSupplier

PriceFault = Literal["none", "late", "partial", "stale", "absurd"]

LOWEST, HIGHEST = 0.94, 1.12
"""How prices move from one list to the next."""
MISSING_SHARE = 0.4
ABSURD_SHARE = 0.25
STALE_DAYS = 400
CENT = Decimal("0.01")


def prices_text(suppliers: Sequence[PlanSupplier], day: date, fault: PriceFault, seed: int) -> str:
    """A price list as the service would send it on a day. seed: the same one sends the same.

    late: nothing but the heading has come yet. partial: some rows are missing. stale: prices of over a year ago.
    absurd: some are a hundred times what they were.
    """
    chance = np.random.default_rng(seed)
    told = day - timedelta(days=STALE_DAYS if fault == "stale" else 1)
    sent = []
    for supplier in suppliers:
        offers = []
        for offer in supplier.offers:
            times = Decimal(str(round(float(chance.uniform(LOWEST, HIGHEST)), 3)))
            lacks, wild = float(chance.random()) < MISSING_SHARE, float(chance.random()) < ABSURD_SHARE
            if fault == "late" or (fault == "partial" and lacks):
                continue
            offers.append(_priced(offer, times * 100 if fault == "absurd" and wild else times, told))
        sent.append(supplier.model_copy(update={"offers": offers}))
    return price_list_csv(sent)


def _priced(offer: OfferModel, times: Decimal, told: date) -> OfferModel:
    keys = ("price_per_m3", "price_per_t") if isinstance(offer, BulkOfferModel) else ("price",)
    known = {key: price for key in keys if (price := getattr(offer, key)) is not None}
    priced = {key: (price * times).quantize(CENT) for key, price in known.items()}
    return offer.model_copy(update={**priced, "priced_on": told.isoformat()})
