"""Price lists: written, read back without loss, bad rows with their line and reason, odd prices doubted."""

from __future__ import annotations

from datetime import date
from decimal import Decimal
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.built.plan_file import read_plan
from nolbet_core.built.price_list import COLUMNS, PriceListRead, price_list_csv, read_price_list
from nolbet_core.figure.shopping_list import shopping_csv, shopping_list
from nolbet_core.figure.walk import figure_plan
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.offers import PlanSupplier
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.quantities.cells import cell, cell_read
from nolbet_core.quantities.units import System
from nolbet_core.shelf.library import standard_shelf
from tests.core import zoo

OFFERS: list[dict[str, Any]] = [
    {"material": "compost", "form": "bag", "volume_m3": 0.04, "price": "6.20", "fetch": True,
     "deal": {"count": 3, "price": "15.00"}, "at_most": 40, "priced_on": "2026-09-02"},
    {"material": "blood_meal", "form": "bag", "mass_kg": 5, "price": "11.90", "key": "meal"},
    {"material": "topsoil", "form": "bulk", "price_per_m3": "38.00", "step_m3": 0.5, "minimum_m3": 1.0, "load_m3": 6.0,
     "tiers": [{"from_m3": 5.0, "price_per_m3": "33.00"}]},
    {"material": "gravel_20", "form": "bulk", "price_per_t": "27.50", "step_kg": 500},
    {"material": "geotextile", "form": "roll", "width_m": 1.5, "length_m": 10.0, "price": "24.00"},
    {"material": "larch", "form": "piece", "thickness_m": 0.038, "width_m": 0.19, "length_m": 2.4, "price": "9.60"},
    {"material": "screw", "form": "pack", "count": 50, "length_m": 0.08, "price": "8.40"},
]  # fmt: skip


def suppliers(*offers: dict[str, Any]) -> list[PlanSupplier]:
    """One yard with offers."""
    return [PlanSupplier.model_validate({"key": "yard", "name": "Tide yard", "offers": list(offers or OFFERS)})]


def read(text: str, today: date | None = date(2026, 10, 20)) -> PriceListRead:
    """A price list beside the yard's offers."""
    return read_price_list(text, suppliers(), standard_shelf(), today)


def test_every_offer_comes_back_as_it_was_taken_out() -> None:
    text = price_list_csv(suppliers())
    found = read(text)
    assert found.bad == []
    assert [row.replaces for row in found.rows] == list(range(len(OFFERS)))
    assert all(row.same and not row.doubt for row in found.rows)
    assert [row.offer for row in found.rows] == suppliers()[0].offers


def test_columns_in_any_order_by_name_with_tabs_as_a_spreadsheet_pastes_them() -> None:
    text = "Price\tMaterial\tSupplier\tForm\tVolume m3\n7,40\tCompost\tTide yard\tbag\t0.04\n"
    (row,) = read(text).rows
    assert (row.supplier, row.offer.material, row.replaces, row.same) == ("yard", "compost", 0, False)
    assert row.price_before == Decimal("6.20")
    assert getattr(row.offer, "price") == Decimal("7.40")  # noqa: B009 - of whichever form


def test_bad_rows_are_told_with_their_line_and_good_ones_stand() -> None:
    text = (
        "supplier,material,form,price,volume_m3\n"
        "Tide yard,compost,bag,6.80,0.04\n"
        "\n"
        "Nobody,compost,bag,6.80,0.04\n"
        "Tide yard,moon dust,bag,1.00,0.04\n"
        "Tide yard,topsoil,bag,six,0.04\n"
        "Tide yard,topsoil,bag,6.10,\n"
        "Tide yard,topsoil,bucket,6.10,0.04\n"
        "Tide yard,topsoil,bag,5.10,0.025\n"
    )
    found = read(text)
    assert [row.line for row in found.rows] == [2, 9]
    reasons = {row.line: row.reason for row in found.bad}
    assert set(reasons) == {4, 5, 6, 7, 8}
    for line, told in ((4, "Nobody"), (5, "moon dust"), (6, "price: 'six'"), (7, "volume_m3"), (8, "bucket")):
        assert told in reasons[line], reasons[line]


@pytest.mark.parametrize(
    ("row", "doubt"),
    [
        ("Tide yard,compost,bag,62.00,0.04,2026-10-01", "about 10 times what it was"),
        ("Tide yard,compost,bag,0.62,0.04,2026-10-01", "about a 10th of what it was"),
        ("Tide yard,compost,bag,6.90,0.04,2025-01-04", "654 days ago"),
        ("Tide yard,compost,bag,6.90,0.04,2027-01-04", "still to come"),
        ("Tide yard,compost,bag,6.90,0.04,2026-10-01", ""),
    ],
)
def test_odd_and_old_prices_are_doubted(row: str, doubt: str) -> None:
    (found,) = read(f"supplier,material,form,price,volume_m3,priced_on\n{row}\n").rows
    assert doubt in found.doubt
    assert bool(found.doubt) == bool(doubt)


@pytest.mark.parametrize("text", ["", "   \n", "price,material\n6.20,compost\n", "supplier,material,form,prise\n"])
def test_what_is_no_price_list_says_which_columns_would_do(text: str) -> None:
    with pytest.raises(PlanProblem) as caught:
        read(text)
    assert caught.value.path == "text"
    assert not text.strip() or COLUMNS[0] in caught.value.message


def test_far_too_many_rows_are_refused() -> None:
    with pytest.raises(PlanProblem, match="2000"):
        read("supplier,material,form\n" + "Tide yard,compost,bag\n" * 2500)


@given(st.text(min_size=1, max_size=30))
def test_no_cell_is_a_formula_and_each_reads_back(text: str) -> None:
    shown = cell(text)
    assert not shown.startswith(("=", "+", "-", "@", "\t", "\r"))
    if text == text.strip() and not text.startswith("'"):
        assert cell_read(shown) == text


def test_the_shopping_list_is_the_haul_line_by_line() -> None:
    yard = {"key": "yard", "name": "=2+5 yard", "delivery": "30.00", "offers": OFFERS}
    plan: Plan = read_plan(zoo.plan(zoo.bed(), suppliers=[yard])).plan
    figures = figure_plan(read_plan(plan.model_dump(mode="json", exclude_none=True)), None, 5.0, 2.0)
    assert figures.haul is not None
    listed = shopping_list(figures.haul, "Test ground", "USD", System.METRIC)
    (sheet,) = listed.sheets
    assert [row.price for row in sheet.rows] == [line.price for line in figures.haul.lines]
    assert sheet.total == figures.haul.total == sum((row.price for row in sheet.rows), sheet.delivery)
    rows = shopping_csv(listed).splitlines()
    assert rows[1].startswith("'=2+5 yard,")
    assert rows[-1] == f"'=2+5 yard,Delivery,,1,,,{sheet.delivery:.2f}"


def test_a_decimal_comma_between_commas_shifts_nothing_in_silence() -> None:
    text = "supplier,material,form,price,volume_m3\nyard,compost,bag,7,40,0.04\nyard,compost,bag,7.40,0.04,\n"
    found = read(text)
    assert [row.offer.price for row in found.rows] == [Decimal("7.40")]
    assert [(each.line, "more cells" in each.reason) for each in found.bad] == [(2, True)]
