"""What bringing a haul costs, as rows of its programme: drops, free deliveries, least orders."""

from __future__ import annotations

import math
from collections.abc import Sequence

from nolbet_core.haul.columns import CENTS, Bought
from nolbet_core.haul.offers import BulkOffer, Line, Supplier, goods_of
from nolbet_core.haul.rows import Rows


def bring(
    rows: Rows, supplier: Supplier, own: Sequence[Bought], there: Sequence[Line], slack_cents: float = 0.0
) -> None:
    """Add what one supplier's delivery costs: a drop for each load, none from a sum on, and none below a least order.

    own: what of it is delivered. there: its lines that are bought whatever is chosen. slack_cents: so much less is
    enough for a sum, since loose lines are rounded on the bill.
    """
    if not own and not there:
        return
    goods: dict[int, float] = {}
    loads: dict[int, float] = {}
    used = rows.column(0.0, 1.0)
    if there:
        rows.least[used] = 1.0
    for each in own:
        most = _bounded(rows, each.amount)
        rows.row({**each.amount, used: -most}, most=0.0)
        for column, cents in each.price.items():
            goods[column] = goods.get(column, 0.0) + cents
        if isinstance(each.offer, BulkOffer) and each.offer.load_m3:
            for column, many in each.amount.items():
                loads[column] = loads.get(column, 0.0) + many / each.offer.load_m3
    lying = (float(goods_of(there) * CENTS) if there else 0.0) + slack_cents
    if supplier.minimum_order is not None:
        rows.row({**goods, used: -float(supplier.minimum_order * CENTS)}, least=-lying)
    if not supplier.delivery:
        return
    drops = rows.column(float(supplier.delivery * CENTS))
    rows.row({drops: 1.0, used: -1.0}, least=0.0) if supplier.free_over is None else None
    most_drops = max(math.ceil(_bounded(rows, loads)), 1)
    if supplier.free_over is None:
        if loads:
            rows.row({**{column: -share for column, share in loads.items()}, drops: 1.0}, least=-1e-6)
        return
    free = rows.column(0.0, 1.0)
    rows.row({**goods, free: -float(supplier.free_over * CENTS)}, least=-lying)
    rows.row({drops: 1.0, used: -1.0, free: 1.0}, least=0.0)
    if loads:
        rows.row({**{column: -share for column, share in loads.items()}, drops: 1.0, free: most_drops}, least=-1e-6)


def _bounded(rows: Rows, terms: dict[int, float]) -> float:
    """The most that a sum of columns can come to."""
    return sum(many * rows.most[column] for column, many in terms.items())
