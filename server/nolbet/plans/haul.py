"""Saving suppliers, offers and heaps: what they name has to be on the garden's shelf."""

from __future__ import annotations

from collections.abc import Sequence

from nolbet.gardens.keys import key_for
from nolbet.gardens.models import Garden
from nolbet.haul.models import Supplier
from nolbet.haul.rows import change_supplier, drop_supplier, keep_supplier, replace_stock
from nolbet.plans.saving import save_checked
from nolbet.plans.supplies import garden_supplies
from nolbet_core.built.names import unknown_names
from nolbet_core.plan.garden import PlanSupplier, Stock


def add_supplier(garden_id: int, entry: PlanSupplier) -> Supplier:
    """Keep a new supplier at the end of the list, under a key of its own. Raises PlanProblem for what isn't there."""

    def keep(garden: Garden, _: None) -> Supplier:
        taken = set(garden.suppliers.values_list("key", flat=True))
        return keep_supplier(garden, key_for(entry.name or entry.key, taken), entry)

    return save_checked(garden_id, "shelf_stamp", lambda seen: _check_supplier(seen, entry), keep)


def save_supplier(garden_id: int, key: str, entry: PlanSupplier) -> Supplier:
    """Keep a changed supplier. Raises Missing where there is none of that key, PlanProblem for what isn't there."""
    return save_checked(
        garden_id,
        "shelf_stamp",
        lambda seen: _check_supplier(seen, entry),
        lambda seen, _: change_supplier(seen, key, entry),
    )


def remove_supplier(garden_id: int, key: str) -> None:
    """Forget a supplier. Raises Missing where there is none of that key."""
    save_checked(garden_id, "shelf_stamp", lambda _: None, lambda seen, _: drop_supplier(seen, key))


def save_stock(garden_id: int, heaps: Sequence[Stock]) -> None:
    """Keep what lies on hand in place of what lay there. Raises PlanProblem for what isn't there."""
    save_checked(
        garden_id, "shelf_stamp", lambda seen: _check_stock(seen, heaps), lambda seen, _: replace_stock(seen, heaps)
    )


def _check_supplier(garden: Garden, entry: PlanSupplier) -> None:
    for problem in unknown_names(entry, garden_supplies(garden).materials, "suppliers[0]"):
        raise problem


def _check_stock(garden: Garden, heaps: Sequence[Stock]) -> None:
    materials = garden_supplies(garden).materials
    for index, heap in enumerate(heaps):
        for problem in unknown_names(heap, materials, f"stock[{index}]"):
            raise problem
