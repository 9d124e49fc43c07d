"""The works of a whole garden: every step with what the gardener says of it, and the plan of its days."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import replace
from datetime import date, timedelta

from nolbet_core.plan.works import OwnStep, StepSaid, Works
from nolbet_core.record import record
from nolbet_core.works.job import Booked, Job, in_order
from nolbet_core.works.levelled import levelled
from nolbet_core.works.rates import Paces
from nolbet_core.works.step import SOON, Step
from nolbet_core.works.working_days import WorkingDays


@record
class Planned:
    """A garden's steps in the order they come, and the days of those still to be done, by key; none where no day is
    known to begin on. people: who work. day_h: hours of all of them on a working day.
    """

    steps: tuple[Step, ...]
    booked: Mapping[str, Booked]
    people: int
    day_h: float

    @property
    def ends_on(self) -> date | None:
        """The day all is done; None without days."""
        return max((each.until for each in self.booked.values()), default=None)


def said_steps(made: Sequence[Step], works: Works, paces: Paces) -> list[Step]:
    """Steps as they are made, with the gardener's own, and what is said of each. paces: how long they take."""
    keys = {each.key for each in made}
    own = [_own(each) for each in works.own if each.step not in keys]
    first = {follower: each.step for each in works.own for follower in each.before}
    said = {each.step: each for each in works.steps}
    steps = [
        replace(each, after=(*each.after, first[each.key])) if each.key in first else each for each in (*made, *own)
    ]
    return [_as_said(each, said.get(each.key), paces) for each in steps]


def _own(own: OwnStep) -> Step:
    return Step(
        own.step, own.bed or "", "own", "ground", title=own.name, why=own.why, done_when=own.hold or "You say so.",
        hold=own.hold or "", work=own.work, usual_hours=own.hours, after=tuple(own.after), wait_days=own.wait_days,
        wait_for="what you said" if own.wait_days else "",
    )  # fmt: skip


def _as_said(step: Step, said: StepSaid | None, paces: Paces) -> Step:
    step = replace(step, hours=step.usual_hours * paces.factor(step.work))
    if said is None:
        return step
    refused = bool(step.hold and said.answers and not said.answers[-1].passed)
    later = max(filter(None, (step.not_before, _day(said.not_before))), default=None)
    return replace(
        step,
        hours=step.hours if said.hours is None else said.hours,
        done=step.done or (said.done_on is not None and not refused),
        done_on=_day(said.done_on) or step.done_on,
        not_before=later,
        left_out=said.left_out or "",
        answers=tuple(said.answers),
    )


def _day(text: str | None) -> date | None:
    return None if text is None else date.fromisoformat(text)


def planned(steps: Sequence[Step], works: Works, today: date | None) -> Planned:
    """Put steps into their order, and those still to be done on days. today: the day that is now, where it is known.

    Raises UnorderedError where some wait for each other.
    """
    people = 1 + works.helpers
    day_h = works.worked_hours * people
    first = max(filter(None, (_day(works.start), today)), default=None)
    if first is None:
        return Planned(tuple(_ordered(steps)), {}, people, day_h)
    days = WorkingDays(first, works.worked_days, map(date.fromisoformat, works.days_off), day_h)
    plan = levelled(jobs_of(steps), days)
    booked = {each.key: each for each in plan.booked}
    at = {key: (each.on, each.until, place) for place, (key, each) in enumerate(booked.items())}
    undone = sorted((each for each in steps if each.key in at), key=lambda each: at[each.key])
    rest = [each for each in steps if each.key not in at]
    return Planned((*rest, *undone), booked, people, day_h)


def _ordered(steps: Sequence[Step]) -> list[Step]:
    by_key = {each.key: each for each in steps}
    return [by_key[job.key] for job in in_order([Job(each.key, 0.0, each.after) for each in steps])]


def jobs_of(steps: Iterable[Step]) -> list[Job]:
    """Steps still to be done as jobs: what is done is waited for from its day, what is left out not at all."""
    by_key = {each.key: each for each in steps}
    jobs = []
    for step in by_key.values():
        if not step.is_open:
            continue
        before, not_before = _waited_for(step, by_key)
        jobs.append(
            Job(step.key, step.hours, before, step.wait_days, not_before, step.due, step.release, step.kind in SOON)
        )
    return jobs


def _waited_for(step: Step, by_key: Mapping[str, Step]) -> tuple[tuple[str, ...], date | None]:
    """Open steps before a step, looking through those left out, and the first day by those that are done."""
    before: dict[str, None] = {}
    first, looked, seen = step.not_before, list(step.after), set[str]()
    while looked:
        key = looked.pop()
        other = by_key.get(key)
        if other is None or key in seen:
            continue
        seen.add(key)
        if other.left_out and not other.done:
            looked += other.after
        elif not other.done:
            before[key] = None
        elif other.done_on is not None and other.wait_days:
            over = other.done_on + timedelta(days=other.wait_days)
            first = over if first is None else max(first, over)
    return tuple(before), first
