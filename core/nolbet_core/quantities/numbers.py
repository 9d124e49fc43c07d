"""Reading a number as people write it: halves, vulgar fractions, decimal commas and grouped thousands."""

from __future__ import annotations

import re
from dataclasses import dataclass
from enum import Enum, auto

VULGAR = {
    "¼": "1/4", "½": "1/2", "¾": "3/4", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8",
    "⅓": "1/3", "⅔": "2/3", "⅕": "1/5", "⅖": "2/5", "⅗": "3/5", "⅘": "4/5", "⅙": "1/6", "⅚": "5/6",
}  # fmt: skip

NUMBER_PATTERN = (
    r"(?:\d+(?:\s+|\s*-\s*)\d+\s*/\s*\d+"  # 3 1/2, 3-1/2
    r"|\d+\s*/\s*\d+"  # 1/2
    r"|\d{1,3}(?: \d{3})+(?:[.,]\d+)?(?![\d/])"  # 1 200
    r"|\d+(?:[.,]\d+)*"  # 3, 3.5, 3,5, 1,200.5
    r"|[.,]\d+)"  # .5
)

PLAIN_SIGNS = str.maketrans(
    {
        "″": '"', "”": '"', "“": '"', "′": "'", "’": "'", "‘": "'", "`": "'", "´": "'",
        "×": "x", "✕": "x", "⁄": "/", "−": "-", "–": "-", "—": "-",
        "\u00a0": " ", "\u2009": " ", "\u202f": " ", "\t": " ", "²": "2", "³": "3",
    }
)  # fmt: skip

MIXED = re.compile(r"(?:(\d+)(?:\s+|\s*-\s*))?(\d+)\s*/\s*(\d+)")


class Comma(Enum):
    """How a comma is taken where it could be either."""

    DECIMAL = auto()
    THOUSANDS = auto()


class NumberProblem(ValueError):  # noqa: N818 - it is a problem with the text, told to the gardener as such
    """A text that is no number; its message is the reason, ready to show."""


@dataclass(frozen=True, slots=True)
class Number:
    """A number as read; `ambiguous` when a mark before exactly three digits could be either."""

    value: float
    ambiguous: bool = False

    @property
    def whole(self) -> bool:
        """Whether the number has no fraction."""
        return self.value == int(self.value)


def spell_out(text: str) -> str:
    """The text with typographic quotes, crosses, spaces and vulgar fractions as plain characters, in lower case."""
    for sign, plain in VULGAR.items():
        text = re.sub(rf"(\d)\s*{sign}", rf"\g<1> {plain}", text).replace(sign, plain)
    plain = text.translate(PLAIN_SIGNS).replace("''", '"').lower()
    return re.sub(r"\s+", " ", plain).strip()


def read_number(text: str, comma: Comma) -> Number:
    """The number that a text matching NUMBER_PATTERN stands for.

    Raises NumberProblem for a division by nothing, a top-heavy fraction after a whole number, or separators
    that group in no known way.
    """
    mixed = MIXED.fullmatch(text)
    if mixed:
        return _read_fraction(mixed)
    return _read_decimal(text.replace(" ", ""), comma)


def _read_fraction(match: re.Match[str]) -> Number:
    whole, top, bottom = match[1], int(match[2]), int(match[3])
    if bottom == 0:
        raise NumberProblem("nothing can be divided by 0")
    if whole is None:
        return Number(top / bottom)
    if top >= bottom:
        raise NumberProblem(f"the fraction {top}/{bottom} after {whole} is one or more")
    return Number(int(whole) + top / bottom)


def _read_decimal(text: str, comma: Comma) -> Number:
    commas, dots = text.count(","), text.count(".")
    if commas and dots:
        decimal = max(",", ".", key=text.rfind)
        grouping = "." if decimal == "," else ","
        whole, _, rest = text.rpartition(decimal)
        if decimal in whole or not _grouped(whole.split(grouping)):
            raise NumberProblem(f"the commas and points in {text} don't group by three")
        return Number(float(whole.replace(grouping, "") + "." + rest))
    if dots > 1 or commas > 1:
        sign = "," if commas else "."
        if not _grouped(text.split(sign)):
            raise NumberProblem(f"{text} has more than one decimal sign")
        return Number(float(text.replace(sign, "")))
    if commas == 1:
        return _read_single_mark(text, ",", comma)
    if text.endswith(".000"):  # nobody writes thousandths that are nothing, many write thousands so
        return _read_single_mark(text, ".", comma)
    return Number(float(text))


def _read_single_mark(text: str, mark: str, comma: Comma) -> Number:
    before, after = text.split(mark)
    either = len(after) == 3 and _grouped([before, after])
    if either and comma is Comma.THOUSANDS:
        return Number(float(before + after), ambiguous=True)
    return Number(float(f"{before or '0'}.{after}"), ambiguous=either)


def _grouped(groups: list[str]) -> bool:
    first, *others = groups
    return 1 <= len(first) <= 3 and not first.startswith("0") and all(len(group) == 3 for group in others)
