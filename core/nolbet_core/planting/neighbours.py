"""Crops said to do well or badly side by side. Evidence is mixed beside every pair, and the gardener decides."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Literal

from nolbet_core.planting.crops import Crop
from nolbet_core.record import record

View = Literal["good", "bad"]

MIXED = "Evidence is mixed"


@record
class Pair:
    """Two crops, each by its key or its family, and what is said of them side by side."""

    one: str
    other: str
    view: View
    because: str


SAID: tuple[Pair, ...] = (
    Pair("carrot", "onions", "good", "the smell of either is said to hide the other from its fly"),
    Pair("tomato", "basil", "good", "basil is said to keep whitefly off"),
    Pair("tomato", "marigold", "good", "roots of marigolds hold some nematodes down, in whole seasons of them"),
    Pair("sweetcorn", "runner_bean", "good", "beans climb the corn and feed themselves"),
    Pair("sweetcorn", "gourds", "good", "their leaves shade out weeds under the corn"),
    Pair("cabbages", "nasturtium", "good", "white butterflies are said to lay on nasturtiums instead"),
    Pair("lettuce", "chives", "good", "chives are said to keep aphids off"),
    Pair("legumes", "onions", "bad", "onions are said to hold beans and peas back"),
    Pair("tomato", "potato", "bad", "blight goes from one to the other"),
    Pair("tomato", "cabbages", "bad", "both are hungry, and cabbages are said to stunt tomatoes"),
    Pair("fennel", "legumes", "bad", "fennel is said to hold most others back"),
    Pair("fennel", "nightshades", "bad", "fennel is said to hold most others back"),
    Pair("dill", "carrot", "bad", "they are of one family, and cross and share the carrot fly"),
    Pair("potato", "gourds", "bad", "both are hungry, and share blights and mildews"),
    Pair("strawberry", "cabbages", "bad", "cabbages are said to stunt strawberries"),
)
"""What is usually said of pairs (gardeners' lore)."""


def said_of(one: Crop, other: Crop) -> Iterator[Pair]:
    """What is usually said of two crops side by side."""
    for pair in SAID:
        if (_is(one, pair.one) and _is(other, pair.other)) or (_is(one, pair.other) and _is(other, pair.one)):
            yield pair


def _is(crop: Crop, named: str) -> bool:
    return named in (crop.key, crop.family)
