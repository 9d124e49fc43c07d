"""Ticking a step: what it changes of its bed, and what is said of it, all or nothing."""

from __future__ import annotations

from dataclasses import dataclass

from django.db import transaction

from nolbet.clock import today
from nolbet.gardens.errors import Missing
from nolbet.gardens.models import Bed, Garden
from nolbet.gardens.rows import bed_plan
from nolbet.plans.saving import change_row
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


def tick(garden: Garden, wish: Tick) -> Ticked:
    """Keep what is said of a step, with its bed or beside it.

    Raises Missing where its bed is gone, Unreadable where that can't be read, PlanProblem where it has no such layer.
    """
    name, on = step_name(wish.step), wish.on or today().isoformat()
    done = wish.done and wish.passed is not False
    with transaction.atomic():
        changed = _change_bed(garden, name, done, on) if name.bed else None
        kept = kept_works(garden)
        works = works_plan(kept) or Works()
        hours = hours_plan(kept)
        if wish.hours is not None:
            hours = [each for each in hours if each.step != wish.step]
            if wish.hours > 0:
                hours.append(HoursSpent(kind="hours", on=on, step=wish.step, hours=wish.hours, bed=name.bed or None))
        columns = works_columns(_said(works, wish, done, on), kept.pace, hours)
        return Ticked(change_works(garden, kept.revision, columns), changed)


def _change_bed(garden: Garden, name: StepName, done: bool, on: str) -> Bed | None:
    row = Bed.objects.filter(garden=garden, key=name.bed, deleted_at=None).first()
    if row is None:
        raise Missing
    bed = bed_plan(row)
    if not ticks_bed(name, bed):
        return None
    mulch = 0
    if name.kind in ("layer", "filled"):
        mulch = lowest_mulch(build_bed(bed, garden_supplies(garden).materials).holding())
    try:
        after = ticked(bed, name, done, on, mulch)
    except (IndexError, ValueError) as error:
        raise PlanProblem("step", f"{bed.title} has no layer {name.which}") from error
    return row if after == bed else change_row(row.pk, row.revision, after)


def _said(works: Works, wish: Tick, done: bool, on: str) -> Works:
    before = next((each for each in works.steps if each.step == wish.step), StepSaid(step=wish.step))
    answers = before.answers
    if wish.passed is not None:
        answers = [*answers, Answer(on=on, passed=wish.passed, measured=wish.measured)][-20:]
    after = before.model_copy(update={"done_on": on if done else None, "answers": answers})
    others = [each for each in works.steps if each.step != wish.step]
    nothing = after == StepSaid(step=wish.step)
    return works.model_copy(update={"steps": others if nothing else [*others, after]})
