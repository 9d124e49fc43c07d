"""What a garden's log comes to, in figures: yields and worth, what paid, what was tried, and what it teaches."""

from __future__ import annotations

from datetime import date
from typing import Literal

from nolbet_core.figure.buying_figures import MoneyOut
from nolbet_core.record import record
from nolbet_core.season.trial import Verdict


@record
class CropFigures:
    """What a crop gave in a season, named by the year of its spring. yield_kg_m2: on a m2 of growing area. times: how
    often it was picked. unpriced: harvests that no worth is known of, which are left out of worth.
    """

    crop: str
    season: int
    times: int
    mass_kg: float
    yield_kg_m2: float
    count: int
    worth: MoneyOut
    unpriced: int


@record
class PayBackFigures:
    """The season in which a bed's worth adds up to its cost: the earliest and the latest of nine in ten, null where not
    within forty years. seasons: that it rests on; has_paid: whether it is over already.
    """

    earliest: int | None
    latest: int | None
    seasons: int
    has_paid: bool


@record
class BedSeasons:
    """A bed's seasons so far. area_m2: growing area of it and those alike. worth: of all that was picked.

    cost: of building it, null where nobody offers what it takes: by what was paid, else by today's cheapest offers;
    deliveries shared by value; what lies on the gardener's own heaps costs nothing. without: names of what nobody
    offers, which is left out of it. cost_a_year: over the life of its frame, the least and the most, null where it has
    none. pay_back: null where too little is known; pay_back_said: in a sentence.
    """

    bed: str
    name: str
    area_m2: float
    crops: list[CropFigures]
    worth: MoneyOut
    cost: MoneyOut | None
    without: list[str]
    cost_a_year: tuple[MoneyOut, MoneyOut] | None
    pay_back: PayBackFigures | None
    pay_back_said: str


@record
class PlaceFigures:
    """One side of a trial. half: of the bed, where its halves are told apart. weekly_yield: on a m2, of a week in the
    mean.
    """

    bed: str
    name: str
    half: str | None
    weekly_yield: float


@record
class TrialFigures:
    """Two places with the same crop in a season, paired by week. by_count: whether pieces are told, not kilograms.

    yield_gap: of the first over the second, of a week in the mean; gap_low, gap_high: of that in nine of
    ten. more: which gave more, open where that can't be told. told: in a sentence.
    """

    crop: str
    season: int
    by_count: bool
    first: PlaceFigures
    second: PlaceFigures
    weeks: int
    yield_gap: float
    gap_low: float | None
    gap_high: float | None
    more: Verdict
    told: str


@record
class SeasonWeather:
    """A season's rain and warmth beside the usual, over its frost-free days whose weather is known."""

    season: int
    days: int
    rain_mm: float
    usual_rain_mm: float
    mean_c: float
    usual_mean_c: float
    told: str


LessonKind = Literal["sinking", "thirst", "pace", "price", "loose_factor"]
"""What a lesson is about."""


@record
class SinkingLesson:
    """How a bed sinks against what is usual, as the garden may take it over."""

    settling_factor: float
    decay_factor: float


@record
class PriceLesson:
    """What was paid last by an offer, as that may take it over. place: of the offer among its supplier's. price: of
    one, or of a loose m3; on: the day it was paid.
    """

    supplier: str
    place: int
    price: MoneyOut
    on: str


@record
class Lesson:
    """What the log teaches against what was reckoned with. key: the same each time. told: in a sentence.

    readings: that it rests on. sinking, price: what can be taken over by it, null where nothing can. taken: whether
    the garden has it already.
    """

    key: str
    kind: LessonKind
    bed: str
    told: str
    readings: int
    sinking: SinkingLesson | None
    price: PriceLesson | None
    taken: bool


@record
class SaidDifferently:
    """A note of what would be done differently next time."""

    bed: str
    name: str
    on: date
    text: str


@record
class SurfaceSeen:
    """A bed's surface as it was read last in a season, beside what was forecast for that day by its materials alone.

    read_m, forecast_m: heights above its floor. as_filled_m: as it was filled.
    """

    bed: str
    name: str
    season: int
    on: date
    read_m: float
    forecast_m: float
    as_filled_m: float


MarkKind = Literal[
    "harvest", "dip", "refill", "rain", "watered", "sown", "soil_test", "soil_temperature", "note", "top_up", "step"
]  # fmt: skip
"""What a line of time shows beside surfaces: kinds of entries, and steps of the works that were done."""


@record
class WeekMark:
    """All of a kind in a bed (in the garden, where it is empty) in a week. week: its Monday. count: entries, or steps.

    mass_kg: harvested. rain_mm: in the gauge. volume_m3: poured, or laid on, as far as it was measured.
    """

    bed: str
    kind: MarkKind
    week: date
    count: int
    mass_kg: float
    rain_mm: float
    volume_m3: float


@record
class UpkeepDue:
    """Upkeep that falls due within a year, or did within the last half. done_on: when it was ticked off, null where it
    wasn't. is_late: whether its day has gone by without that.
    """

    key: str
    bed: str
    title: str
    why: str
    on: date
    done_on: date | None
    is_late: bool


@record
class SeasonFigures:
    """What a garden's log comes to. paid: for everything that was bought, as logged; worth: of all that was picked.

    seasons: years that anything was written down in, the last first. southern: whether they begin in July. marks: by
    week, the first first. upkeep: by its day. surfaces: the last reading of each season.
    """

    beds: list[BedSeasons]
    trials: list[TrialFigures]
    weather: list[SeasonWeather]
    lessons: list[Lesson]
    differently: list[SaidDifferently]
    paid: MoneyOut
    worth: MoneyOut
    seasons: list[int]
    southern: bool
    marks: list[WeekMark]
    upkeep: list[UpkeepDue]
    surfaces: list[SurfaceSeen]
