"""Figures of a bed's coming years: the band of its surface, its springs with their top-ups, and doses of meals."""

from __future__ import annotations

from datetime import date

from nolbet_core.figure.buying_figures import MoneyOut
from nolbet_core.figure.figures import BedFigures
from nolbet_core.figure.finding_figures import Line, StepFigures
from nolbet_core.record import record


@record
class SunkenLayer:
    """A layer where it lies by then, its cut to draw, and where a line to its caption starts."""

    bottom_m: float
    top_m: float
    anchor: tuple[float, float]
    outlines: list[Line]


@record
class SunkenFigures:
    """A bed after some months. solids_kg: dry matter that is left of what was laid; freed_kg: nitrogen that what rotted
    has set free so far.
    """

    month: int
    layers: list[SunkenLayer]
    surface_m: float
    laid_kg: float
    solids_kg: float
    freed_kg: float


@record
class GhostFigures:
    """The line of a bed's surface after some months, to draw over the bed as it is."""

    month: int
    surface_m: float
    lines: list[Line]


@record
class SpringFigures:
    """One spring: the surface, not topped up before, with the band that four draws of five lie in; and the top-up.

    top_up_m3: placed, for one bed. loose_m3: to bring for all that are alike. bags: that it comes in, 0 where it
    comes loose. price: with its delivery, null where nobody offers it.
    """

    month: int
    day: date | None
    surface_m: float
    low_m: float
    high_m: float
    top_up_m3: float
    loose_m3: float
    bags: int
    price: MoneyOut | None


@record
class DoseFigures:
    """A dose of a meal that closes the nitrogen gap, or as much of it as goes at once. By label and as elements."""

    material: str
    name: str
    mass_kg: float
    cups: float
    handfuls: float
    handful_kg: float
    n_kg_m2: float
    p2o5_kg_m2: float
    k2o_kg_m2: float
    p_kg_m2: float
    k_kg_m2: float
    waits_kg: float
    label: str
    layers: list[tuple[int, float]]
    steps: list[StepFigures]


@record
class ForecastFigures:
    """A bed's coming years. low_m, high_m: the band of its surface by month. ghosts: its surface after the first winter
    and in the third spring, to draw. draws: how many the band rests on. top_up_loose_m3, top_up_total: over ten years.
    climate_said: what the climate is guessed from, where it is.
    """

    low_m: list[float]
    high_m: list[float]
    draws: int
    springs: list[SpringFigures]
    ghosts: list[GhostFigures]
    top_up: str
    top_up_loose_m3: float
    top_up_total: MoneyOut | None
    doses: list[DoseFigures]
    climate_said: str | None


@record
class VersionFigures:
    """One way of filling a bed, beside others. index: null for the bed as it is, else its place among those set aside.

    cost: now, for all beds alike; cost_ten_years: with the top-ups; unmet: left out of both. to_buy_m3: loose. hours:
    of shovelling, all beds. best: names of the figures in which it is the best of all.
    """

    index: int | None
    name: str
    school: str | None
    figures: BedFigures
    cost: MoneyOut | None
    cost_ten_years: MoneyOut | None
    unmet: list[str]
    to_buy_m3: float
    loose_m3: float
    hours: float
    first_year_m: float
    three_years_m: float
    first_sowing: date | None
    wait_years: float | None
    best: list[str]


@record
class ComparedFigures:
    """The ways of filling a bed side by side, the bed as it is first."""

    versions: list[VersionFigures]


@record
class SchoolFigures:
    """A school for a bed: its words, and the stack and reservoir it would start with, or why it doesn't suit."""

    key: str
    name: str
    summary: str
    cost: str
    effort: str
    settling: str
    planting: str
    feeds: str
    against: str
    unsuited: str | None
    layers: list[dict[str, object]]
    reservoir: dict[str, object] | None
    figures: BedFigures | None


@record
class OfferedSchools:
    """The schools for a bed, those that suit first."""

    schools: list[SchoolFigures]
