"""Saving where things come from: what suppliers, offers and heaps name has to be on the garden's shelf."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from django.db.models import F

from nolbet.gardens.errors import StaleChange
from nolbet.gardens.models import Garden
from nolbet.gardens.parts import remember_part
from nolbet.haul.rows import bought_columns, bought_plan, replace_stock, replace_suppliers, stock_plan, suppliers_plan
from nolbet.plans.saving import save_checked
from nolbet.plans.supplies import garden_supplies
from nolbet_core.built.buying import wrong_with_fixed, wrong_with_heap, wrong_with_purchase, wrong_with_supplier
from nolbet_core.built.names import names_twice
from nolbet_core.plan.garden import Stock
from nolbet_core.plan.log import Purchase
from nolbet_core.plan.offers import FixedLine, PlanSupplier


@dataclass(frozen=True)
class HaulWords:
    """Where things come from and how the haul is chosen, in the plan's words."""

    suppliers: Sequence[PlanSupplier]
    stock: Sequence[Stock]
    fixed: Sequence[FixedLine] = ()
    certainty: float | None = None
    bought: Sequence[Purchase] = ()


def haul_words(garden: Garden) -> HaulWords:
    """Where things come from in a kept garden, and how its haul is chosen."""
    fixed = [FixedLine.model_validate(each) for each in garden.fixed]
    return HaulWords(suppliers_plan(garden), stock_plan(garden), fixed, garden.certainty, bought_plan(garden))


def save_sources(
    garden_id: int,
    revision: int,
    words: HaulWords,
    restores: int | None = None,
) -> Garden:
    """Keep suppliers with their offers, what lies on hand, and how the haul is chosen, in place of those before.

    restores: the earlier revision that the change brings back, where it does.

    Raises StaleChange where they were changed since `revision`, PlanProblem for what isn't on the shelf.
    """

    def keep(garden: Garden, _: None) -> Garden:
        if Garden.objects.values_list("sources_revision", flat=True).get(pk=garden.pk) != revision:
            raise StaleChange("Suppliers or heaps were")
        before = sources_document(garden)
        replace_suppliers(garden, words.suppliers)
        replace_stock(garden, words.stock)
        garden.fixed = [each.model_dump(mode="json", exclude_none=True) for each in words.fixed]
        garden.certainty = words.certainty
        garden.bought = bought_columns(words.bought)
        kept = {"fixed": garden.fixed, "certainty": garden.certainty, "bought": garden.bought}
        Garden.objects.filter(pk=garden.pk).update(sources_revision=F("sources_revision") + 1, **kept)
        after = (revision + 1, sources_document(garden))
        remember_part(garden, "sources", "sources", (revision, before), after, restores)
        return Garden.objects.get(pk=garden.pk)

    return save_checked(garden_id, "shelf_stamp", lambda seen: _check(seen, words), keep)


def bring_sources(
    garden: Garden, suppliers: Sequence[PlanSupplier], stock: Sequence[Stock], bought: Sequence[Purchase] = ()
) -> None:
    """Put checked suppliers beside those there are, in place of those of the same key, heaps in place of all, and what
    was bought beside what is known of that.
    """
    before = (garden.sources_revision, sources_document(garden))
    brought = {each.key: each for each in suppliers}
    there = [brought.pop(each.key, each) for each in suppliers_plan(garden)]
    replace_suppliers(garden, [*there, *brought.values()])
    if stock:
        replace_stock(garden, stock)
    garden.bought += [each for each in bought_columns(bought) if each not in garden.bought]
    after = (garden.sources_revision + 1, sources_document(garden))
    Garden.objects.filter(pk=garden.pk).update(sources_revision=after[0], bought=garden.bought)
    remember_part(garden, "sources", "sources", before, after)


def sources_document(garden: Garden) -> dict[str, Any]:
    """Suppliers and heaps of a garden in the plan file's words."""
    return {
        "suppliers": [each.model_dump(mode="json", exclude_none=True) for each in suppliers_plan(garden)],
        "stock": [each.model_dump(mode="json", exclude_none=True) for each in stock_plan(garden)],
        "fixed": garden.fixed,
        "certainty": garden.certainty,
        "bought": garden.bought,
    }


def _check(garden: Garden, words: HaulWords) -> None:
    materials = garden_supplies(garden).materials
    for problem in names_twice([each.key for each in words.suppliers], "suppliers"):
        raise problem
    for index, supplier in enumerate(words.suppliers):
        for problem in wrong_with_supplier(supplier, materials, f"suppliers[{index}]"):
            raise problem
    for index, heap in enumerate(words.stock):
        for problem in wrong_with_heap(heap, materials, f"stock[{index}]"):
            raise problem
    for index, entry in enumerate(words.bought):
        for problem in wrong_with_purchase(entry, materials, f"bought[{index}]"):
            raise problem
    for problem in wrong_with_fixed(words.fixed, words.suppliers):
        raise problem
