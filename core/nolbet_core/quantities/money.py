"""Reading money: Decimal from the first step to the last."""

from __future__ import annotations

import re
from decimal import ROUND_HALF_UP, Decimal

from nolbet_core.quantities.measures import Problem, refuse_below_nothing
from nolbet_core.quantities.units import Contents, System, Unit, mass_units, volume_units, weighed_volume_units
from nolbet_core.quantities.writing import show_money

SIGNS = {"$": {"USD", "CAD", "AUD", "NZD"}, "€": {"EUR"}, "£": {"GBP"}}

UNIT_PRICE_STEP = Decimal("0.000001")
"""Prices of a cubic metre keep six decimals, so that a price of a yard comes back to the cent."""

CUBIC_YARD = volume_units(Contents.MEDIA)["yd"]
CUBIC_METRE = volume_units(Contents.MEDIA)["m3"]

_UNIT_PRICE = re.compile(r"(?P<price>.*?)\s*(?:/|\ban?\b|\bper\b|\bfor a\b)\s*(?P<unit>[a-z][a-z0-9. ]*)")
_MONEY = re.compile(r"(?P<sign>[$€£])?\s*(?P<number>\d[\d.,' ]*|[.,]\d+)\s*(?P<after>[$€£]|[a-z]{3})?")
PATTERNS = {"unit_price": _UNIT_PRICE, "money": _MONEY}
"""Every pattern here by a name of its own."""


def read_money(text: str, currency: str) -> Decimal:
    """The amount a text names, in the garden's currency, to the cent.

    text: spelled out, lower case. currency: the garden's ISO 4217 code. A comma before exactly three digits groups
    thousands, since money has no third decimal. Raises Problem for another currency or parts of a cent.
    """
    refuse_below_nothing(text, "a price")
    match = _MONEY.fullmatch(text)
    if not match:
        raise Problem("no amount of money found" if not re.search(r"\d", text) else "this can't be read as money")
    _check_currency(match["sign"], match["after"], currency)
    return _amount(match["number"].strip())


def read_unit_price(
    text: str, currency: str, system: System, density_kg_m3: float | None = None
) -> tuple[Decimal, str]:
    """The price of a cubic metre that a text names, and how it was understood.

    text: spelled out, as in "48 a yd", "62.80/m3" or "48": a bare price is for the garden's own bulk unit, a cubic yard
    or a m3. currency: the garden's ISO 4217 code. system: the garden's units. density_kg_m3: the moist bulk density of
    what is sold, where it is known: it may be sold by the ton then. Raises Problem with the reason.
    """
    price, unit_name = _split_price(text)
    amount = read_money(price, currency)
    if unit_name is None:
        unit = CUBIC_YARD if system is System.FT_IN else CUBIC_METRE
    else:
        unit = _bulk_unit(unit_name.replace(".", "").strip(), system, density_kg_m3)
    per_m3 = (amount / Decimal(repr(unit.size))).quantize(UNIT_PRICE_STEP, rounding=ROUND_HALF_UP)
    return per_m3, f"{show_money(amount, currency)} a {unit.one}"


def _bulk_unit(name: str, system: System, density_kg_m3: float | None) -> Unit:
    weighed = weighed_volume_units(density_kg_m3, system) if density_kg_m3 else {}
    found = (volume_units(Contents.MEDIA) | weighed).get(name)
    if found is not None:
        return found
    if name in mass_units(system):
        raise Problem("say first what it is: a price by weight needs to know how heavy it lies")
    raise Problem(f"“{name}” isn't a unit of volume known here")


def _split_price(text: str) -> tuple[str, str | None]:
    match = _UNIT_PRICE.fullmatch(text)
    return (match["price"], match["unit"]) if match else (text, None)


def _check_currency(sign: str | None, after: str | None, currency: str) -> None:
    for mark in (sign, after):
        if mark is None:
            continue
        meant = SIGNS.get(mark, {mark.upper()})
        if currency not in meant:
            raise Problem(f"this garden counts in {currency}")


def _amount(number: str) -> Decimal:
    plain = re.sub(r"[' ](?=\d{3}(?!\d))", "", number)
    if " " in plain or "'" in plain:
        raise Problem("the digits don't group by three")
    cents = re.fullmatch(r"(?P<whole>[\d.,]*?)(?:[.,](?P<cents>\d{1,2}))?", plain)
    if not cents:
        raise Problem("this can't be read as money")
    return Decimal(f"{_whole(cents['whole'], plain) or '0'}.{cents['cents'] or '0'}")


def _whole(text: str, plain: str) -> str:
    signs = set(re.findall(r"[.,]", text))
    if not signs:
        return text
    first, *others = re.split(r"[.,]", text)
    lone_point = text == plain and signs == {"."}
    if lone_point or len(signs) > 1 or not 1 <= len(first) <= 3 or any(len(group) != 3 for group in others):
        raise Problem("money goes to the cent, with two digits after the point")
    return first + "".join(others)
