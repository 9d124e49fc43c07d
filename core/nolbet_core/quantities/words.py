"""Numbers in words, as people say small ones: half a yard, two and a half bags, an inch and a half."""

from __future__ import annotations

import re

NUMBERS = ("one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve")
PARTS = {"half": 2, "halves": 2, "quarter": 4, "quarters": 4, "third": 3, "thirds": 3}

_PART = "|".join(PARTS)
_STARTS = r"(?:^|(?<=\bto )|(?<=\bx )|(?<=\bby ))"
_WHOLE = re.compile(rf"\b({'|'.join(NUMBERS)})\b")
_SOME_PARTS = re.compile(rf"\b(\d) ({_PART})\b(?: of)?(?: an?\b)?")
_ONE_PART = re.compile(rf"{_STARTS}(?:an? )?({_PART})\b(?: of)?(?: an?\b)?")
_AND_A_PART = re.compile(rf"\b(\d+)( [a-z][a-z ]*?)? and (?:an? ({_PART})|(\d/\d))\b")
_ONE = re.compile(rf"{_STARTS}an? (?=[a-z])")
PATTERNS = {
    "whole": _WHOLE,
    "some_parts": _SOME_PARTS,
    "one_part": _ONE_PART,
    "and_a_part": _AND_A_PART,
    "one": _ONE,
}
"""Every pattern here by a name of its own."""


def digits_for_words(text: str) -> str:
    """A spelled-out text with its number words up to twelve, and its halves, quarters and thirds, in digits.

    text: in lower case with plain spaces. What names no number stays as it stands.
    """
    text = _WHOLE.sub(lambda found: str(NUMBERS.index(found[1]) + 1), text)
    text = _SOME_PARTS.sub(lambda found: f"{found[1]}/{PARTS[found[2]]}", text)
    text = _ONE_PART.sub(lambda found: f"1/{PARTS[found[1]]}", text)
    text = _ONE.sub("1 ", text)
    return _AND_A_PART.sub(_whole_and_part, text)


def _whole_and_part(found: re.Match[str]) -> str:
    part = found[4] or f"1/{PARTS[found[3]]}"
    return f"{found[1]} {part}{found[2] or ''}"
