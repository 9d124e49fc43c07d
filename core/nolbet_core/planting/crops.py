"""The crops that ship with the core, read once from their data file, and the gardener's own like one of them."""

from __future__ import annotations

import json
from collections.abc import Mapping
from functools import cache
from importlib.resources import files
from typing import Any, Literal

from nolbet_core.planting.roots import Roots
from nolbet_core.record import record
from nolbet_core.shelf.material import YOURS, Property

Hardiness = Literal["hardy", "half_hardy", "tender"]
Zone = Literal["dry", "plain", "moist"]
"""How much water a crop likes where it stands."""

SHALLOW_M, MEDIUM_M = 0.300, 0.450
"""Roots to 300 mm are shallow, to 450 mm medium, deeper ones deep."""


@record
class Crop:
    """A crop with its figures. family: for the years between two of one family. start: sown where it grows, or planted.

    sun_hours: that it wants on the longest day and at the equinox. traits: fruiting, root, herb, flower, perennial,
    support (needs staking or a net), spreads (wants a sunk pot), winter (stands through it), bees (must get to its
    flowers), autumn (can go in then and stand through the winter). sold_as: the crop whose seed or plants are bought
    for it.
    """

    key: str
    name: str
    synonyms: tuple[str, ...]
    family: str
    hardiness: Hardiness
    start: Literal["sown", "planted"]
    zone: Zone
    sun_hours: float
    traits: frozenset[str]
    properties: Mapping[str, Property]
    sold_as: str = ""

    def value(self, name: str) -> float:
        """One of its figures."""
        return self.properties[name].value

    @property
    def roots(self) -> Roots:
        """Its class by the least depth that its roots go to."""
        least_m = self.properties["root_depth_m"].low
        if least_m <= SHALLOW_M:
            return "shallow"
        return "medium" if least_m <= MEDIUM_M else "deep"

    @property
    def spacing_m(self) -> float:
        """From plant to plant."""
        return self.value("spacing_m")

    @property
    def row_m(self) -> float:
        """From row to row."""
        return self.value("row_m")

    @property
    def days(self) -> int:
        """From sowing or planting to the first harvest."""
        return round(self.value("days_to_harvest"))

    @property
    def stage_days(self) -> tuple[float, float, float, float]:
        """How long it takes to root, to grow, stands in full leaf and fades [days] (FAO-56, figure 25)."""
        names = ("initial_days", "development_days", "mid_days", "late_days")
        first, second, third, fourth = (self.value(name) for name in names)
        return first, second, third, fourth

    def kc_after(self, days: float) -> float:
        """Its crop factor so many days after sowing (FAO-56, figure 34): level, rising, level, falling."""
        first, second, third, fourth = self.stage_days
        initial, mid, end = (self.value(name) for name in ("kc_initial", "kc_mid", "kc_end"))
        if days < 0 or days > first + second + third + fourth:
            return 0.0
        if days <= first:
            return initial
        if days <= first + second:
            return initial + (mid - initial) * (days - first) / second
        if days <= first + second + third:
            return mid
        return mid + (end - mid) * (days - first - second - third) / fourth


@cache
def standard_crops() -> Mapping[str, Crop]:
    """Every crop of the library by its key, in the order of the data file."""
    text = files("nolbet_core.planting").joinpath("crops.json").read_text(encoding="utf-8")
    return {row["key"]: _crop(row) for row in json.loads(text)}


def _crop(row: Mapping[str, Any]) -> Crop:
    properties = {
        name: Property(each["value"], each["unit"], each["range"][0], each["range"][1], each["source"])
        for name, each in row["properties"].items()
    }
    return Crop(
        row["key"],
        row["name"],
        tuple(row["synonyms"]),
        row["family"],
        row["hardiness"],
        row["start"],
        row["zone"],
        row["sun_hours"],
        frozenset(row["traits"]),
        properties,
        row["key"],
    )


def own_crop(key: str, name: str | None, like: Crop, figures: Mapping[str, float]) -> Crop:
    """The gardener's own crop: like one of the library save for the figures given, whose source is the gardener."""
    own = {each: Property(value, like.properties[each].unit, value, value, YOURS) for each, value in figures.items()}
    return Crop(
        key, name or key.replace("_", " ").capitalize(), (), like.family, like.hardiness, like.start, like.zone,
        like.sun_hours, like.traits, {**like.properties, **own}, like.sold_as,
    )  # fmt: skip
