"""How sure a garden's figures are, in figures."""

from __future__ import annotations

from typing import Literal

from nolbet_core.record import record
from nolbet_core.sure.sources import Of, Source, Way

SureName = Literal[
    "placed_m3", "loose_m3", "mass_moist_kg", "mass_saturated_kg", "first_spring_m", "third_spring_m",
    "nitrogen_short_kg", "lasting_days", "to_buy_m3", "bags", "total",
]  # fmt: skip
"""Figures that have a band, by the names that they have elsewhere."""


@record
class RestsOn:
    """What a figure's spread comes from, and its share of the variance [0-1].

    belongs, of, name: what it is of, its key and what that is called; empty of the garden.
    """

    source: Source
    belongs: Of
    of: str
    name: str
    share: float


@record
class NarrowWay:
    """Something to measure, and how wide the band is afterwards, as a share of what it is [0-1].

    of, name: key of what is measured, and what it is called.
    """

    way: Way
    of: str
    name: str
    leaves: float


@record
class SureFigure:
    """A figure and where it lies in four of five gardens, in its own unit. usual: as it is told elsewhere.

    rests_on: what its spread comes from, most first. narrows: what would narrow it, most first. each_m3: of bags, how
    much one holds.
    """

    figure: SureName
    usual: float
    low: float
    high: float
    rests_on: list[RestsOn]
    narrows: list[NarrowWay]
    each_m3: float | None = None


@record
class SureBed:
    """How sure a bed's figures are; of one, however many are alike. lasting_month: in which its water lasts shortest, 1
    to 12, null without a reservoir.
    """

    key: str
    name: str
    figures: list[SureFigure]
    lasting_month: int | None


@record
class SureNeed:
    """How sure a need is: what is to buy of it, loose and in bags of the size most usual."""

    material: str
    name: str
    figures: list[SureFigure]


@record
class WorthMeasuring:
    """Something worth measuring, with the figure that it makes surest of. where: the bed or material that is of, empty
    of the whole haul.
    """

    narrows: NarrowWay
    where: str
    figure: SureFigure


@record
class SureFigures:
    """How sure a garden's figures are, over so many gardens as they may turn out. total: what the haul comes to, null
    where no price is known. worth: what is worth measuring, what makes surest first.
    """

    draws: int
    beds: list[SureBed]
    needs: list[SureNeed]
    total: SureFigure | None
    worth: list[WorthMeasuring]
