"""The page shows every quantity with the same digits as the core."""

from __future__ import annotations

from decimal import Decimal
from typing import Any

from nolbet_core.quantities import writing
from nolbet_core.quantities.units import System
from tests.page.asking import ask_page

VALUES = [0.0, 1e-4, 0.0031, 0.0254, 0.03, 0.0762, 0.08, 0.155, 0.6096, 0.6, 0.99, 1.0, 1.143, 2.4, 12.345, 99.99]
VALUES += [value * 1.37 for value in VALUES] + [0.028316846592 * each for each in (0.05, 9.95, 99.95, 100, 1234.5)]
NAMES = {
    "showLength": writing.show_length,
    "showVolume": writing.show_volume,
    "showBulkVolume": writing.show_bulk_volume,
    "showArea": writing.show_area,
    "showMixedIn": writing.show_mixed_in,
    "showWater": writing.show_water,
}


def test_page_and_core_show_the_same_digits() -> None:
    asked: list[tuple[Any, ...]] = []
    expected: list[str] = []
    for system in System:
        for name, function in NAMES.items():
            for value in VALUES:
                asked.append((name, value, system.value))
                expected.append(function(value, system))
        for mass_kg in [*(value * 100 for value in VALUES), 1999.0, 2000.0, 45_000.0]:
            asked.append(("showMass", mass_kg, system.value))
            expected.append(writing.show_mass(mass_kg, system))
            asked.append(("showDose", mass_kg / 100, system.value))
            expected.append(writing.show_dose(mass_kg / 100, system))
    for amount in ("0.00", "6.20", "1234.56", "1000000.00"):
        for currency in ("USD", "EUR", "CHF"):
            asked.append(("showMoney", amount, currency))
            expected.append(writing.show_money(Decimal(amount), currency))
    for price in ("48.00", "62.781630", "0.01", "1234.567891"):
        for system in System:
            asked.append(("showUnitPrice", price, {"units": system.value, "currency": "USD"}))
            expected.append(writing.show_unit_price(Decimal(price), system, "USD"))
    said = ask_page("quantities/format.ts", asked)
    differing = [(one, got, want) for one, got, want in zip(asked, said, expected, strict=True) if got != want]
    assert differing == []


def test_figures_never_part_from_their_units() -> None:
    said = [
        ("glued", "the far soil is 1.2 m away and the reach is 60 cm."),
        ("glued", "swallow 6.3 cu ft of what lies above"),
        ("glued", "weighs about 2.50 short tons, 12 lb over"),
        ("glued", "lay 2 men to it"),
    ]
    assert ask_page("quantities/format.ts", list(said)) == [
        "the far soil is 1.2\u00a0m away and the reach is 60\u00a0cm.",
        "swallow 6.3\u00a0cu\u00a0ft of what lies above",
        "weighs about 2.50\u00a0short\u00a0tons, 12\u00a0lb over",
        "lay 2 men to it",
    ]
