"""Showing quantities: lengths to 1/8 in or 5 mm, volumes to a bag's meaning, money to the cent.

The page formats by the same rules; a test holds both to the same digits. Nothing shown is ever computed with.
"""

from __future__ import annotations

import math
from datetime import date
from decimal import ROUND_HALF_UP, Decimal

from nolbet_core.quantities.units import (
    CU_FT_M3,
    CU_YD_M3,
    INCH_M,
    POUND_KG,
    SHORT_TON_KG,
    SQ_FT_M2,
    TONNE_KG,
    US_GALLON_M3,
    System,
)

EIGHTHS_PER_FOOT = 96
LONG_INCHES = 24
_EIGHTHS = ("", "1/8", "1/4", "3/8", "1/2", "5/8", "3/4", "7/8")
_SIGNS = {"USD": "$", "EUR": "€", "GBP": "£", "CAD": "$", "AUD": "$", "NZD": "$"}


def fixed(value: float, digits: int) -> str:
    """A value rounded half up to so many digits, thousands grouped."""
    scale = 10**digits
    return f"{math.floor(value * scale + 0.5) / scale:,.{digits}f}"


def trimmed(value: float, digits: int) -> str:
    """As `fixed`, without trailing zeros after the point."""
    text = fixed(value, digits)
    return text.rstrip("0").rstrip(".") if "." in text else text


def show_length(length_m: float, system: System) -> str:
    """A length [m] to 1/8 in (feet from 24 in up) or to 5 mm."""
    if length_m < 0:
        return f"−{show_length(-length_m, system)}"
    if system is System.METRIC:
        return _show_metric_length(length_m)
    return _show_tape_length(length_m)


def _show_metric_length(length_m: float) -> str:
    steps = math.floor(length_m / 0.005 + 0.5)
    if steps == 0 and length_m > 0:
        return "< 5 mm"
    if steps < 200:
        return f"{trimmed(steps * 0.5, 1)} cm"
    return f"{trimmed(steps * 0.005, 3)} m"


def _show_tape_length(length_m: float) -> str:
    eighths = math.floor(length_m / INCH_M * 8 + 0.5)
    if eighths == 0 and length_m > 0:
        return '< 1/8"'
    if eighths < LONG_INCHES * 8:
        return f'{_mixed_inches(eighths)}"'
    feet, rest = divmod(eighths, EIGHTHS_PER_FOOT)
    return f"{feet:,}' {_mixed_inches(rest)}\"" if rest else f"{feet:,}'"


def _mixed_inches(eighths: int) -> str:
    whole, part = divmod(eighths, 8)
    if not part:
        return str(whole)
    return f"{whole} {_EIGHTHS[part]}" if whole else _EIGHTHS[part]


def show_sawn(length_m: float, system: System) -> str:
    """A length as it is marked for the saw [m]: whole millimetres, or sixteenths of an inch."""
    if system is System.METRIC:
        return f"{fixed(length_m * 1000, 0)} mm"
    sixteenths = math.floor(length_m / INCH_M * 16 + 0.5)
    whole, part = divmod(sixteenths, 16)
    if part == 0:
        return f'{whole}"'
    shared = math.gcd(part, 16)
    return f'{f"{whole} " if whole else ""}{part // shared}/{16 // shared}"'


def show_fall(fall_m: float, system: System) -> str:
    """How far a level falls [m], finer than a tape is read: in hundredths of an inch or tenths of a mm."""
    if system is System.FT_IN:
        return f"{fixed(fall_m / INCH_M, 2)} in"
    return f"{fixed(fall_m * 1000, 1)} mm"


def show_volume(volume_m3: float, system: System) -> str:
    """A volume [m3] in cu ft, or in litres and from 1,000 of them in m3."""
    if system is System.FT_IN:
        cubic_feet = volume_m3 / CU_FT_M3
        return f"{fixed(cubic_feet, 1 if cubic_feet < 100 else 0)} cu ft"
    litres = volume_m3 * 1000
    if litres >= 999.5:
        return f"{fixed(volume_m3, 2)} m³"
    return f"{fixed(litres, 1 if litres < 10 else 0)} L"


def show_water(volume_m3: float, system: System) -> str:
    """A volume of water [m3] in US gallons, or in litres and from 1,000 of them in m3."""
    if system is System.METRIC:
        return show_volume(volume_m3, system)
    gallons = volume_m3 / US_GALLON_M3
    return f"{fixed(gallons, 1 if gallons < 10 else 0)} gal"


def show_loss(volume_m3: float, system: System) -> str:
    """Water lost a day [m3], finer than what is held: in hundredths of a US gallon or tenths of a litre."""
    if system is System.FT_IN:
        return f"{fixed(volume_m3 / US_GALLON_M3, 2)} gal"
    return f"{fixed(volume_m3 * 1000, 1)} L"


def show_bulk_volume(volume_m3: float, system: System) -> str:
    """A volume [m3] as bulk is ordered: in cubic yards or m3."""
    if system is System.FT_IN:
        return f"{trimmed(volume_m3 / CU_YD_M3, 2)} yd³"
    return f"{trimmed(volume_m3, 2)} m³"


def show_area(area_m2: float, system: System) -> str:
    """An area [m2] in square feet or m2."""
    if system is System.FT_IN:
        return f"{fixed(area_m2 / SQ_FT_M2, 1 if area_m2 < 10 * SQ_FT_M2 else 0)} sq ft"
    return f"{fixed(area_m2, 2)} m²"


def show_mass(mass_kg: float, system: System) -> str:
    """A mass [kg] in lb or kg, in full tons or tonnes from two of them up."""
    if system is System.FT_IN:
        if mass_kg >= 2 * SHORT_TON_KG:
            return f"{fixed(mass_kg / SHORT_TON_KG, 2)} short tons"
        pounds = mass_kg / POUND_KG
        return f"{fixed(pounds, 1 if pounds < 10 else 0)} lb"
    if mass_kg >= 2 * TONNE_KG:
        return f"{fixed(mass_kg / TONNE_KG, 2)} tonnes"
    return f"{fixed(mass_kg, 1 if mass_kg < 10 else 0)} kg"


def show_load(load_kg_m2: float, system: System) -> str:
    """What weighs on a floor [kg/m2], in lb a sq ft or kg a m2."""
    if system is System.FT_IN:
        return f"{fixed(load_kg_m2 * SQ_FT_M2 / POUND_KG, 0)} lb a sq ft"
    return f"{fixed(load_kg_m2, 0)} kg a m²"


def show_density(density_kg_m3: float, system: System) -> str:
    """How heavy something lies [kg/m3], in lb a cu ft or kg a m3."""
    if system is System.FT_IN:
        return f"{fixed(density_kg_m3 * CU_FT_M3 / POUND_KG, 0)} lb a cu ft"
    return f"{fixed(density_kg_m3, 0)} kg a m³"


def show_mixed_in(dose_kg_m3: float, system: System) -> str:
    """What is mixed into soil by weight [kg/m3]: to the cubic yard or metre, as mixes are reckoned."""
    if system is System.FT_IN:
        return f"{trimmed(dose_kg_m3 * CU_YD_M3 / POUND_KG, 2)} lb a cu yd"
    return f"{trimmed(dose_kg_m3, 2)} kg a m³"


def show_temperature(temperature_c: float, system: System) -> str:
    """A temperature [C], to the degree Fahrenheit or half a degree Celsius."""
    if system is System.FT_IN:
        return f"{fixed(temperature_c * 9 / 5 + 32, 0)} °F"
    return f"{trimmed(math.floor(temperature_c * 2 + 0.5) / 2, 1)} °C"


def show_dose(mass_kg: float, system: System) -> str:
    """A small mass [kg] as it is weighed out: in oz under a pound and g under a kilogram, else to a tenth of either."""
    if system is System.FT_IN:
        ounces = mass_kg / POUND_KG * 16
        return f"{trimmed(ounces, 1)} oz" if ounces < 16 else f"{trimmed(ounces / 16, 1)} lb"
    return f"{fixed(mass_kg * 1000, 0)} g" if mass_kg < 1 else f"{trimmed(mass_kg, 1)} kg"


def show_money(amount: Decimal, currency: str) -> str:
    """An amount of money to the cent with its currency's sign, or its code where it has none here."""
    cents = amount.quantize(Decimal("0.01"), rounding=ROUND_HALF_UP)
    sign = _SIGNS.get(currency)
    return f"{sign}{cents:,}" if sign else f"{cents:,} {currency}"


def show_unit_price(price_per_m3: Decimal, system: System, currency: str) -> str:
    """A price of a m3 as bulk is priced: by the cubic yard or the m3, to the cent."""
    if system is System.FT_IN:
        return f"{show_money(price_per_m3 * Decimal(repr(CU_YD_M3)), currency)} a yd³"
    return f"{show_money(price_per_m3, currency)} a m³"


def show_share(share: float) -> str:
    """A share [0-1] in per cent."""
    return f"{trimmed(share * 100, 1)} %"


MONTHS = (
    "January", "February", "March", "April", "May", "June", "July", "August", "September", "October", "November",
    "December",
)  # fmt: skip


def show_day(day: date) -> str:
    """A day with its month and year in words."""
    return f"{day.day} {MONTHS[day.month - 1]} {day.year}"


def other_system(system: System) -> System:
    """The unit system that a garden does not use."""
    return System.METRIC if system is System.FT_IN else System.FT_IN
