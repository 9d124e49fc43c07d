"""The shopping list as a workbook."""

from __future__ import annotations

import io
import re

from openpyxl import Workbook
from openpyxl.styles import Font
from openpyxl.worksheet.worksheet import Worksheet

from nolbet_core.figure.shopping_list import HEADINGS, ShoppingList, ShoppingSheet
from nolbet_core.quantities.cells import cell

NOT_IN_TITLES = re.compile(r"[\\/*?:\[\]]")
LONGEST_TITLE = 28
WIDTHS = (6, 34, 24, 10, 14, 14, 12)
MONEY_FORMAT = "0.00"


def shopping_workbook(listed: ShoppingList) -> bytes:
    """A workbook with a sheet for each supplier, amounts as numbers, words shielded from being run as formulas."""
    book = Workbook()
    book.remove(book.worksheets[0])
    for number, sheet in enumerate(listed.sheets, start=1):
        title = NOT_IN_TITLES.sub(" ", sheet.supplier)[:LONGEST_TITLE].strip("' ") or "Supplier"
        _write(book.create_sheet(f"{number} {title}"), sheet, listed)
    if not listed.sheets:
        book.create_sheet("Nothing to get").append(["Nothing is left to get."])
    out = io.BytesIO()
    book.save(out)
    return out.getvalue()


def _write(page: Worksheet, sheet: ShoppingSheet, listed: ShoppingList) -> None:
    page.append([cell(f"{listed.garden}: {sheet.supplier}")])
    page.append(list(HEADINGS))
    for row in sheet.rows:
        page.append(
            ["", cell(row.name), cell(row.size), row.count, cell(row.amount), float(row.unit_price), float(row.price)]
        )
    page.append(["", "Delivery", "", sheet.drops, "", None, float(sheet.delivery)])
    page.append(["", cell(f"Together, {listed.currency}"), "", None, "", None, float(sheet.total)])
    for number in (1, 2, page.max_row):
        for each in page[number]:
            each.font = Font(bold=True)
    for column, width in zip("ABCDEFG", WIDTHS, strict=True):
        page.column_dimensions[column].width = width
    for (price,) in page.iter_rows(min_row=3, min_col=7, max_col=7):
        price.number_format = MONEY_FORMAT
    page.freeze_panes = "A3"
    page.page_setup.orientation = "landscape"
