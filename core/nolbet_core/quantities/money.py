"""Reading money: Decimal from the first step to the last."""

from __future__ import annotations

import re
from decimal import Decimal

from nolbet_core.quantities.numbers import Comma
from nolbet_core.quantities.terms import Problem, refuse_below_nothing

SIGNS = {"$": {"USD", "CAD", "AUD", "NZD"}, "€": {"EUR"}, "£": {"GBP"}}

_MONEY = re.compile(r"(?P<sign>[$€£])?\s*(?P<number>\d[\d.,' ]*|[.,]\d+)\s*(?P<after>[$€£]|[a-z]{3})?")


def read_money(text: str, currency: str, comma: Comma) -> Decimal:
    """The amount a text names, in the garden's currency, to the cent.

    text: spelled out, lower case. currency: the garden's ISO 4217 code. A comma before exactly three digits groups
    thousands, since money has no third decimal. Raises Problem for another currency or parts of a cent.
    """
    del comma  # money is never ambiguous: see above
    refuse_below_nothing(text, "a price")
    match = _MONEY.fullmatch(text)
    if not match:
        raise Problem("no amount of money found" if not re.search(r"\d", text) else "this can't be read as money")
    _check_currency(match["sign"], match["after"], currency)
    return _amount(match["number"].strip())


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
