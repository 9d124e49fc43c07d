"""The works of a garden in the plan file: when it is worked, by whom, and what the gardener says of single steps."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from nolbet_core.plan.fields import Day, Key, Model, Money, Name

Weekday = Literal["mon", "tue", "wed", "thu", "fri", "sat", "sun"]
WEEKDAYS: tuple[Weekday, ...] = ("mon", "tue", "wed", "thu", "fri", "sat", "sun")

WorkKind = Literal[
    "care", "digging", "moving", "cutting", "fastening", "sheets", "walling", "mixing", "planting"
]  # fmt: skip
"""Kinds of work, of which a gardener's pace may differ."""

GroundKind = Literal["loam", "clay", "stony", "rooty"]
"""What is dug in."""

RateName = Literal[
    "dig_loam_m3_h", "dig_clay_m3_h", "dig_rooty_m3_h", "shovel_m3_h", "cuts_h", "screws_h", "sheet_m2_h",
    "bricks_glued_h", "bricks_mortar_h", "dry_stone_m2_h", "mix_m3_h", "machine_dig_m3_h",
]  # fmt: skip
"""What one person does in an hour."""

STEP_KEY = r"^[a-z][a-z0-9_]{0,59}\.[a-z][a-z0-9_]{0,39}(\.[a-z0-9_]{1,60})?$"

StepKey = Annotated[
    str, Field(pattern=STEP_KEY, max_length=180, description="bed (or garden), kind, and which: long_table.layer.2")
]
Hours = Annotated[float, Field(ge=0, le=2000)]
Factor = Annotated[float, Field(ge=0.05, le=20)]
Words = Annotated[str, Field(min_length=1, max_length=500)]


class Answer(Model):
    """What was found at a hold point: whether it may go on, and what was measured."""

    on: Day
    passed: bool
    measured: Annotated[str, Field(max_length=500)] = ""


class StepSaid(Model):
    """What the gardener says of one step.

    done_on: the day it was done, where that doesn't follow from the bed. not_before: put off to that day. hours: that
    it takes, of one person. left_out: why it isn't done at all. answers: at its hold point, the last one holds.
    """

    step: StepKey
    done_on: Day | None = None
    not_before: Day | None = None
    hours: Hours | None = None
    left_out: Words | None = None
    answers: Annotated[list[Answer], Field(max_length=20)] = Field(default_factory=list)


class OwnStep(Model):
    """A step of the gardener's own. bed: whose, none for the garden's. after: keys of what has to be done before.

    wait_days: to be waited for after it. hold: what is to be looked at before going on.
    """

    step: StepKey
    bed: Key | None = None
    name: Name
    why: Annotated[str, Field(max_length=500)] = ""
    work: WorkKind = "care"
    hours: Hours = 0.5
    after: Annotated[list[StepKey], Field(max_length=20)] = Field(default_factory=list)
    before: Annotated[list[StepKey], Field(max_length=20)] = Field(default_factory=list)
    wait_days: Annotated[int, Field(ge=0, le=400)] = 0
    hold: Words | None = None


class SowOn(Model):
    """The day a bed is to be sown."""

    bed: Key
    on: Day


class Works(Model):
    """When a garden is worked, and how. days: of the week that are worked on. hours_a_day: of each person.

    helpers: beside the gardener. days_off: that are not worked. start: the first day that is. sow_on: the day all beds
    are to be sown, sow: those of single ones. ground: what is dug in. machine: whether a digger is hired, which digs;
    machine_day: what one costs a day. rates: what one does in an hour, where that isn't usual. steps: what is said of
    single ones. own: steps added.
    """

    days: Annotated[list[Weekday], Field(min_length=1, max_length=7)] | None = None
    hours_a_day: Annotated[float, Field(ge=0.25, le=16)] | None = None
    helpers: Annotated[int, Field(ge=0, le=20)] = 0
    days_off: Annotated[list[Day], Field(max_length=400)] = Field(default_factory=list)
    start: Day | None = None
    sow_on: Day | None = None
    sow: Annotated[list[SowOn], Field(max_length=1000)] = Field(default_factory=list)
    ground: GroundKind = "loam"
    machine: bool = False
    machine_day: Money | None = None
    rates: dict[RateName, Annotated[float, Field(gt=0, le=1000)]] = Field(default_factory=dict)
    steps: Annotated[list[StepSaid], Field(max_length=5000)] = Field(default_factory=list)
    own: Annotated[list[OwnStep], Field(max_length=500)] = Field(default_factory=list)

    @property
    def worked_days(self) -> frozenset[int]:
        """Days of the week that are worked on, 0 for Monday: weekends unless said."""
        return frozenset(WEEKDAYS.index(each) for each in self.days or ("sat", "sun"))

    @property
    def worked_hours(self) -> float:
        """Hours of each person on such a day."""
        return WEEKEND_HOURS if self.hours_a_day is None else self.hours_a_day


WEEKEND_HOURS = 6.0
"""Hours of a working day unless said."""
