"""The haul as a shopping list: a sheet a supplier, a row a line."""

from __future__ import annotations

import csv
import io
from decimal import Decimal

from nolbet_core.figure.buying_figures import HaulFigures, HaulLine
from nolbet_core.quantities.cells import cell
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_bulk_volume, show_length, show_mass, show_volume
from nolbet_core.record import record

HEADINGS = ("Got", "What", "Size", "How many", "How much", "Each", "Price")


@record
class ShoppingRow:
    """One line: what, how large one is, how many or how much, what one costs (loose: a m3), and all of them."""

    name: str
    size: str
    count: int | None
    amount: str
    unit_price: Decimal
    price: Decimal


@record
class ShoppingSheet:
    """What is got from one supplier, its deliveries and the sum with them."""

    supplier: str
    rows: list[ShoppingRow]
    drops: int
    delivery: Decimal
    total: Decimal


@record
class ShoppingList:
    """A garden's shopping list."""

    garden: str
    currency: str
    sheets: list[ShoppingSheet]


def shopping_list(haul: HaulFigures | None, garden: str, currency: str, system: System) -> ShoppingList:
    """A haul as a list, supplier by supplier; empty where nothing is left to get."""
    if haul is None:
        return ShoppingList(garden, currency, [])
    return ShoppingList(
        garden,
        currency,
        [
            ShoppingSheet(
                each.name,
                [_row(line, system) for line in haul.lines if line.supplier == each.supplier],
                each.drops,
                each.delivery,
                each.total,
            )
            for each in haul.suppliers
        ],
    )


def _row(line: HaulLine, system: System) -> ShoppingRow:
    loose = line.form == "bulk"
    return ShoppingRow(
        f"{line.name}, loose" if loose else line.name,
        _size(line, system),
        line.count,
        show_bulk_volume(line.volume_m3, system) if loose else "",
        line.unit_price,
        line.price,
    )


def _size(line: HaulLine, system: System) -> str:
    if line.bag_kg is not None:
        return f"bag of {show_mass(line.bag_kg, system)}"
    if line.bag_m3 is not None:
        return f"bag of {show_volume(line.bag_m3, system)}"
    sides = " x ".join(show_length(each, system) for each in line.size_m)
    packed = f"{line.in_pack} to a pack" if line.in_pack else ""
    return ", ".join(part for part in (packed, sides) if part)


def shopping_csv(listed: ShoppingList) -> str:
    """The list as CSV, suppliers one after the other, words shielded from being run as formulas."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(["Supplier", *HEADINGS[1:]])
    for sheet in listed.sheets:
        name = cell(sheet.supplier)
        for row in sheet.rows:
            count = "" if row.count is None else row.count
            money = (f"{row.unit_price:.2f}", f"{row.price:.2f}")
            writer.writerow([name, cell(row.name), cell(row.size), count, cell(row.amount), *money])
        if sheet.delivery:
            writer.writerow([name, "Delivery", "", sheet.drops, "", "", f"{sheet.delivery:.2f}"])
    return out.getvalue()
