"""Ticking a step: what it changes of its bed, and what is said of it, all or nothing."""

from __future__ import annotations

from dataclasses import dataclass

from nolbet.clock import today
from nolbet.gardens.models import Bed, Garden
from nolbet.gardens.rows import bed_plan
from nolbet.plans.saving import keep_in_row
from nolbet.plans.supplies import garden_supplies
from nolbet.works.models import KeptWorks
from nolbet.works.rows import change_works, hours_plan, kept_works, works_columns, works_plan
from nolbet_core.built.bed import build_bed
from nolbet_core.plan.log import HoursSpent
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.plan.works import Answer, StepSaid, Works
from nolbet_core.works.ticking import StepName, lowest_mulch, step_name, ticked, ticks_bed


@dataclass(frozen=True, slots=True)
class Tick:
    """What is said of a step: whether it is done, what was found at its hold point, and how long it took.

    passed, measured: at its hold point, None where nothing was looked at there. hours: of all who worked on it, None
    where that isn't said.
    """

    step: str
    done: bool
    on: str | None = None
    passed: bool | None = None
    measured: str = ""
    hours: float | None = None


@dataclass(frozen=True, slots=True)
class Ticked:
    """What a tick changed. bed: as it is kept now, None where it changed none."""

    works: KeptWorks
    bed: Bed | None


def tick(garden: Garden, bed: Bed | None, wish: Tick) -> Ticked:
    """Keep what is said of a step, with its bed or beside it. To be called within a transaction that read both.

    bed: the step's, None of one that is no bed's. Raises Unreadable where the bed can't be read, PlanProblem where it
    has no such layer.
    """
    name, on = step_name(wish.step), wish.on or today().isoformat()
    done = wish.done and wish.passed is not False
    changed = None if bed is None else _change_bed(garden, bed, name, done, on)
    kept = kept_works(garden)
    works, hours = works_plan(kept) or Works(), hours_plan(kept)
    if wish.hours is not None:
        hours = _with_hours(hours, wish.step, wish.hours, name.bed, on)
    columns = works_columns(_said(works, wish, done, on), kept.pace, hours)
    return Ticked(change_works(garden, kept, columns), changed)


def _with_hours(hours: list[HoursSpent], step: str, spent: float, bed: str, on: str) -> list[HoursSpent]:
    """Time logged, with what one step took in place of what was logged of it before; nothing where it took none."""
    others = [each for each in hours if each.step != step]
    own = [HoursSpent(kind="hours", on=on, step=step, hours=spent, bed=bed or None)] if spent > 0 else []
    return [*others, *own]


def _change_bed(garden: Garden, row: Bed, name: StepName, done: bool, on: str) -> Bed | None:
    bed = bed_plan(row)
    if not ticks_bed(name, bed):
        return None
    mulch = 0
    if name.kind == "filled" or (name.kind == "layer" and not done):
        mulch = lowest_mulch(build_bed(bed, garden_supplies(garden).materials).holding())
    try:
        after = ticked(bed, name, done, on, mulch)
    except (IndexError, ValueError) as error:
        raise PlanProblem("step", f"{bed.title} has no layer {name.which}") from error
    return row if after == bed else keep_in_row(row, after)


def _said(works: Works, wish: Tick, done: bool, on: str) -> Works:
    before = next((each for each in works.steps if each.step == wish.step), StepSaid(step=wish.step))
    answers = before.answers
    if wish.passed is not None:
        answers = [*answers, Answer(on=on, passed=wish.passed, measured=wish.measured)][-20:]
    after = before.model_copy(update={"done_on": on if done else None, "answers": answers})
    others = [each for each in works.steps if each.step != wish.step]
    nothing = after == StepSaid(step=wish.step)
    return works.model_copy(update={"steps": others if nothing else [*others, after]})
