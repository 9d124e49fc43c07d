"""Showing quantities: to an eighth or 5 mm, to a bag's meaning, to the cent; hand-worked cases."""

from __future__ import annotations

from decimal import Decimal

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.quantities import writing
from nolbet_core.quantities.units import CU_FT_M3, CU_YD_M3, INCH_M, POUND_KG, System

FT_IN, METRIC = System.FT_IN, System.METRIC


@pytest.mark.parametrize(
    ("length_m", "system", "shown"),
    [
        (0.0, FT_IN, '0"'),
        (0.001, FT_IN, '< 1/8"'),
        (0.125 * INCH_M, FT_IN, '1/8"'),
        (0.5 * INCH_M, FT_IN, '1/2"'),
        (6.125 * INCH_M, FT_IN, '6 1/8"'),
        (23.625 * INCH_M, FT_IN, '23 5/8"'),
        (24 * INCH_M, FT_IN, "2'"),
        (45 * INCH_M, FT_IN, "3' 9\""),
        (94.5 * INCH_M, FT_IN, "7' 10 1/2\""),
        (100.0, FT_IN, "328' 1\""),
        (-0.0254, FT_IN, '−1"'),
        (0.0, METRIC, "0 cm"),
        (0.001, METRIC, "< 5 mm"),
        (0.005, METRIC, "0.5 cm"),
        (0.0762, METRIC, "7.5 cm"),
        (0.45, METRIC, "45 cm"),
        (0.995, METRIC, "99.5 cm"),
        (1.0, METRIC, "1 m"),
        (1.143, METRIC, "1.145 m"),
        (2.4, METRIC, "2.4 m"),
    ],
)
def test_lengths(length_m: float, system: System, shown: str) -> None:
    assert writing.show_length(length_m, system) == shown


@pytest.mark.parametrize(
    ("volume_m3", "system", "shown"),
    [
        (CU_FT_M3, FT_IN, "1.0 cu ft"),
        (14.64 * CU_FT_M3, FT_IN, "14.6 cu ft"),
        (99.94 * CU_FT_M3, FT_IN, "99.9 cu ft"),
        (2345 * CU_FT_M3, FT_IN, "2,345 cu ft"),
        (0.0042, METRIC, "4.2 L"),
        (0.04, METRIC, "40 L"),
        (0.9994, METRIC, "999 L"),
        (0.9996, METRIC, "1.00 m³"),
        (2.345, METRIC, "2.35 m³"),
    ],
)
def test_volumes(volume_m3: float, system: System, shown: str) -> None:
    assert writing.show_volume(volume_m3, system) == shown


@pytest.mark.parametrize(
    ("volume_m3", "system", "shown"),
    [
        (CU_YD_M3, FT_IN, "1 yd³"),
        (2.5 * CU_YD_M3, FT_IN, "2.5 yd³"),
        (0.333 * CU_YD_M3, FT_IN, "0.33 yd³"),
        (1.5, METRIC, "1.5 m³"),
        (1.234, METRIC, "1.23 m³"),
    ],
)
def test_bulk_volumes(volume_m3: float, system: System, shown: str) -> None:
    assert writing.show_bulk_volume(volume_m3, system) == shown


@pytest.mark.parametrize(
    ("mass_kg", "system", "shown"),
    [
        (2.5 * POUND_KG, FT_IN, "2.5 lb"),
        (1610 * POUND_KG, FT_IN, "1,610 lb"),
        (3999 * POUND_KG, FT_IN, "3,999 lb"),
        (5000 * POUND_KG, FT_IN, "2.50 short tons"),
        (7.25, METRIC, "7.3 kg"),
        (671.2, METRIC, "671 kg"),
        (1999.0, METRIC, "1,999 kg"),
        (2500.0, METRIC, "2.50 tonnes"),
    ],
)
def test_masses(mass_kg: float, system: System, shown: str) -> None:
    assert writing.show_mass(mass_kg, system) == shown


@pytest.mark.parametrize(
    ("amount", "currency", "shown"),
    [
        ("0", "USD", "$0.00"),
        ("6.2", "USD", "$6.20"),
        ("1234.5", "USD", "$1,234.50"),
        ("6.20", "EUR", "€6.20"),
        ("6.20", "GBP", "£6.20"),
        ("6.20", "CHF", "6.20 CHF"),
        ("0.005", "USD", "$0.01"),
    ],
)
def test_money(amount: str, currency: str, shown: str) -> None:
    assert writing.show_money(Decimal(amount), currency) == shown


@pytest.mark.parametrize(
    ("price", "system", "shown"),
    [
        ("62.781630", FT_IN, "$48.00 a yd³"),
        ("62.80", METRIC, "$62.80 a m³"),
        ("0.01", FT_IN, "$0.01 a yd³"),
    ],
)
def test_unit_prices(price: str, system: System, shown: str) -> None:
    assert writing.show_unit_price(Decimal(price), system, "USD") == shown


@pytest.mark.parametrize(
    ("area_m2", "system", "shown"),
    [
        (0.5, FT_IN, "5.4 sq ft"),
        (2.972896, FT_IN, "32 sq ft"),
        (2.972896, METRIC, "2.97 m²"),
    ],
)
def test_areas(area_m2: float, system: System, shown: str) -> None:
    assert writing.show_area(area_m2, system) == shown


@pytest.mark.parametrize(("share", "shown"), [(0.6, "60 %"), (0.125, "12.5 %"), (1.0, "100 %"), (0.0, "0 %")])
def test_shares(share: float, shown: str) -> None:
    assert writing.show_share(share) == shown


@given(st.floats(0, 90), st.floats(0, 5), st.sampled_from(list(System)))
def test_a_longer_bed_is_never_shown_shorter(length_m: float, more_m: float, system: System) -> None:
    step_m = INCH_M / 8 if system is FT_IN else 0.005
    one, other = round(length_m / step_m), round((length_m + more_m) / step_m)
    assert one <= other
    if one == other:
        return
    assert writing.show_length(length_m, system) != writing.show_length(length_m + more_m + step_m, system)


@given(st.floats(0, 1e6), st.integers(0, 4))
def test_what_is_trimmed_is_what_is_fixed(value: float, digits: int) -> None:
    fixed = writing.fixed(value, digits)
    trimmed = writing.trimmed(value, digits)
    assert float(fixed.replace(",", "")) == float(trimmed.replace(",", ""))
    assert fixed.startswith(trimmed)
    assert abs(float(fixed.replace(",", "")) - value) <= 0.5000001 * 10**-digits + value * 1e-12


@pytest.mark.parametrize(
    ("volume_m3", "metric", "feet"),
    [
        (0.003785411784, "3.8 L", "1.0 gal"),
        (0.05, "50 L", "13 gal"),
        (0.22, "220 L", "58 gal"),
        (1.5, "1.50 m³", "396 gal"),
    ],
)
def test_water_is_told_in_litres_or_gallons(volume_m3: float, metric: str, feet: str) -> None:
    assert writing.show_water(volume_m3, System.METRIC) == metric
    assert writing.show_water(volume_m3, System.FT_IN) == feet


@pytest.mark.parametrize(
    ("mass_kg", "metric", "feet"),
    [(0.04, "40 g", "1.4 oz"), (0.4535924, "454 g", "1 lb"), (1.25, "1.3 kg", "2.8 lb"), (0.999, "999 g", "2.2 lb")],
)
def test_a_dose_is_told_as_it_is_weighed_out(mass_kg: float, metric: str, feet: str) -> None:
    assert writing.show_dose(mass_kg, System.METRIC) == metric
    assert writing.show_dose(mass_kg, System.FT_IN) == feet


def test_a_levels_fall_is_said_finer_than_a_tape() -> None:
    assert writing.show_fall(0.00183, System.METRIC) == "1.8 mm"
    assert writing.show_fall(0.00183, System.FT_IN) == "0.07 in"


def test_a_loss_is_said_finer_than_what_is_held() -> None:
    assert writing.show_loss(0.002, System.METRIC) == "2.0 L"
    assert writing.show_loss(0.002, System.FT_IN) == "0.53 gal"


def test_a_floors_load_is_said_as_floors_are_rated() -> None:
    # 40 lb on a square foot is 195.3 kg on a square metre
    assert writing.show_load(195.3, System.FT_IN) == "40 lb a sq ft"
    assert writing.show_load(195.3, System.METRIC) == "195 kg a m²"
