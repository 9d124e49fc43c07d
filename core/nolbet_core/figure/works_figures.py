"""Figures of the works, in the names of the plan file."""

from __future__ import annotations

from datetime import date

from nolbet_core.figure.finding_figures import FindingFigures
from nolbet_core.plan.works import RateName, WorkKind
from nolbet_core.record import record
from nolbet_core.works.rates import RateUnit
from nolbet_core.works.step import Gate, StepKind


@record
class AnswerFigures:
    """What was found at a hold point."""

    on: date
    passed: bool
    measured: str


@record
class WeatherFigures:
    """What stands against doing a step on its day. chance: of that weather [0-1]; known: whether it was measured or
    forecast, and not only usual.
    """

    gate: Gate
    said: str
    chance: float
    known: bool


@record
class WorkStep:
    """A step. `on`, `until`: the first and the last day it is worked on; by_day: hours of each. hours: of all who work
    on it; usual_hours: at usual rates. earliest, latest: to begin on, slack_days between them; null where no day is
    known to begin on. wait_days: after it. people: at least. hold: what has to be answered before going on, empty
    where nothing has; passed: whether it was. mark: where a layer's top comes to lie on the wall, in words. at: where
    on the plot, null where it lies nowhere. weather: against it on its day.
    """

    key: str
    bed: str
    name: str
    kind: StepKind
    title: str
    why: str
    done_when: str
    hold: str
    passed: bool | None
    answers: list[AnswerFigures]
    work: WorkKind
    hours: float
    usual_hours: float
    spent_hours: float
    people: int
    barrows: int
    tools: list[str]
    gear: list[str]
    materials: list[str]
    cautions: list[str]
    lines: list[str]
    after: list[str]
    wait_days: int
    wait_for: str
    earliest: date | None
    latest: date | None
    slack_days: int | None
    on: date | None
    until: date | None
    by_day: list[tuple[date, float]]
    done: bool
    done_on: date | None
    not_before: date | None
    left_out: str
    layer: int | None
    mark: str
    at: tuple[float, float] | None
    weather: list[WeatherFigures]


@record
class DayFigures:
    """A day that is worked on. hours: booked of all who work; share: of the day's hours [0-1]. steps: keys of those on
    it, in their order. holds: how many of them have something to be answered. sows: whether anything is sown.
    """

    on: date
    hours: float
    share: float
    steps: list[str]
    holds: int
    sows: bool


@record
class LateFigures:
    """A bed that is sown later than wanted: by which day it was, on which it is, and how many days that is."""

    bed: str
    name: str
    step: str
    wanted_on: date
    on: date
    days: int


@record
class UpkeepFigures:
    """Something that falls due in the years after a bed is built. every_years: how often it comes again."""

    key: str
    bed: str
    title: str
    why: str
    on: date
    every_years: int


@record
class PaceFigures:
    """How many times as long as usual a kind of work takes the gardener, on how many hours and steps that rests."""

    work: WorkKind
    factor: float
    hours: float
    steps: int


@record
class RateFigures:
    """What one person does in an hour, usual and here, in words with its unit, and where it comes from."""

    name: RateName
    title: str
    usual: float
    value: float
    unit: RateUnit
    said: str
    work: WorkKind
    source: str


@record
class BrokenOffFigures:
    """A bed left halfway: the last step done, the next one, and what to make safe till then."""

    bed: str
    name: str
    done: str
    next: str
    safe: list[str]


@record
class WorksFigures:
    """A garden's works. steps: those done first, then as they are planned. days: with work. ends_on: the day all is
    done, null where no day is known to begin on. late: beds sown later than wanted. people: who work; day_hours: of all
    of them on a working day; hours: still to be worked. findings: on the works, with the beds in their keys.
    """

    steps: list[WorkStep]
    days: list[DayFigures]
    ends_on: date | None
    late: list[LateFigures]
    begins_on: date | None
    people: int
    day_hours: float
    hours: float
    done_hours: float
    broken_off: list[BrokenOffFigures]
    upkeep: list[UpkeepFigures]
    pace: list[PaceFigures]
    rates: list[RateFigures]
    findings: list[FoundInWorks]


@record
class FoundInWorks:
    """A finding with the steps it is about."""

    steps: list[str]
    beds: list[str]
    finding: FindingFigures
