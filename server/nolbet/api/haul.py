"""Suppliers with their offers, and what lies on hand."""

from __future__ import annotations

from django.http import HttpRequest
from ninja import Router, Schema, Status
from pydantic import Field

from nolbet.gardens.models import Garden
from nolbet.gardens.owned import own_garden
from nolbet.haul.rows import (
    stock_plan,
    supplier_plan,
    suppliers_plan,
)
from nolbet.plans.haul import add_supplier, remove_supplier, save_stock, save_supplier
from nolbet_core.plan.garden import PlanSupplier, Stock

router = Router(tags=["haul"])


class Sources(Schema):
    """Where things come from: suppliers, and the gardener's own heaps."""

    suppliers: list[PlanSupplier]
    stock: list[Stock]


class Heaps(Schema):
    """Everything that lies on hand."""

    stock: list[Stock] = Field(max_length=200)


@router.get("/{garden_id}/sources", response=Sources, exclude_none=True)
def load_sources(request: HttpRequest, garden_id: int) -> Sources:
    """A garden's suppliers and heaps."""
    return _sources(own_garden(request, garden_id))


@router.put("/{garden_id}/stock", response=Sources, exclude_none=True)
def change_stock(request: HttpRequest, garden_id: int, heaps: Heaps) -> Sources:
    """Keep what lies on hand."""
    garden = own_garden(request, garden_id)
    save_stock(garden.pk, heaps.stock)
    return _sources(garden)


@router.post("/{garden_id}/suppliers", response={201: PlanSupplier}, exclude_none=True)
def create_supplier(request: HttpRequest, garden_id: int, supplier: PlanSupplier) -> Status[PlanSupplier]:
    """Keep a new supplier; its key is made from its name."""
    return Status(201, supplier_plan(add_supplier(own_garden(request, garden_id).pk, supplier)))


@router.put("/{garden_id}/suppliers/{key}", response=PlanSupplier, exclude_none=True)
def change_supplier(request: HttpRequest, garden_id: int, key: str, supplier: PlanSupplier) -> PlanSupplier:
    """Keep a changed supplier with its offers."""
    return supplier_plan(save_supplier(own_garden(request, garden_id).pk, key, supplier))


@router.delete("/{garden_id}/suppliers/{key}", response={204: None})
def delete_supplier(request: HttpRequest, garden_id: int, key: str) -> Status[None]:
    """Forget a supplier."""
    remove_supplier(own_garden(request, garden_id).pk, key)
    return Status(204, None)


def _sources(garden: Garden) -> Sources:
    return Sources(suppliers=suppliers_plan(garden), stock=stock_plan(garden))
