"""Price lists: taken out as a table, read from a file, from what is pasted and from the price service, before anybody
says yes to them; and the shopping list as a table.
"""

from __future__ import annotations

from typing import Annotated

from django.http import HttpRequest, HttpResponse
from ninja import Router, Schema
from pydantic import Field

from nolbet.api.looking import HAUL_SECONDS
from nolbet.clock import today
from nolbet.gardens.owned import own_garden
from nolbet.haul.price_feed import PriceFault, prices_text
from nolbet.haul.rows import suppliers_plan
from nolbet.haul.workbook import shopping_workbook
from nolbet.plans.supplies import garden_supplies
from nolbet.plans.whole import whole_garden
from nolbet_core.built.price_list import PriceListRead, price_list_csv, read_price_list
from nolbet_core.cuts.programme import SECONDS as SAW_SECONDS
from nolbet_core.figure.shopping_list import ShoppingList, shopping_csv, shopping_list
from nolbet_core.figure.walk import figure_cheapest_haul
from nolbet_core.quantities.units import System

router = Router(tags=["haul"])

XLSX = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"
MOST_LETTERS = 500_000


class PriceText(Schema):
    """A price list as it lies in a file, or as it is pasted from a spreadsheet."""

    text: Annotated[str, Field(max_length=MOST_LETTERS)]


class AskedPrices(Schema):
    """How the simulated price service behaves; the same seed sends the same."""

    fault: PriceFault = "none"
    seed: Annotated[int, Field(ge=0, le=10_000)] = 1


@router.get("/{garden_id}/prices.csv")
def take_out_prices(request: HttpRequest, garden_id: int) -> HttpResponse:
    """Every offer as a table."""
    text = price_list_csv(suppliers_plan(own_garden(request, garden_id)))
    return _file(text.encode(), "text/csv; charset=utf-8", "prices.csv")


@router.post("/{garden_id}/prices/read", response=PriceListRead)
def read_prices(request: HttpRequest, garden_id: int, sent: PriceText) -> PriceListRead:
    """What a price list would change, row by row; nothing is kept."""
    garden = own_garden(request, garden_id)
    return read_price_list(sent.text, suppliers_plan(garden), garden_supplies(garden).materials, today())


@router.post("/{garden_id}/prices/service", response=PriceListRead)
def ask_price_service(request: HttpRequest, garden_id: int, asked: AskedPrices) -> PriceListRead:
    """What the simulated price service would change, row by row; nothing is kept."""
    garden = own_garden(request, garden_id)
    suppliers = suppliers_plan(garden)
    text = prices_text(suppliers, today(), asked.fault, asked.seed)
    return read_price_list(text, suppliers, garden_supplies(garden).materials, today())


@router.get("/{garden_id}/shopping-list.csv")
def take_out_shopping_csv(request: HttpRequest, garden_id: int) -> HttpResponse:
    """The cheapest haul as a table, a line a row."""
    return _file(
        shopping_csv(_list_of(request, garden_id)).encode("utf-8-sig"), "text/csv; charset=utf-8", "shopping.csv"
    )


@router.get("/{garden_id}/shopping-list.xlsx")
def take_out_shopping_workbook(request: HttpRequest, garden_id: int) -> HttpResponse:
    """The cheapest haul as a workbook, a sheet a supplier."""
    return _file(shopping_workbook(_list_of(request, garden_id)), XLSX, "shopping.xlsx")


def _list_of(request: HttpRequest, garden_id: int) -> ShoppingList:
    garden = own_garden(request, garden_id)
    _, haul = figure_cheapest_haul(whole_garden(garden).built, today(), SAW_SECONDS, HAUL_SECONDS)
    return shopping_list(haul, garden.name, garden.currency, System(garden.units))


def _file(content: bytes, kind: str, name: str) -> HttpResponse:
    answer = HttpResponse(content, content_type=kind)
    answer["Content-Disposition"] = f'attachment; filename="{name}"'
    return answer
