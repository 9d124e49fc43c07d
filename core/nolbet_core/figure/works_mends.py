"""What would mend it where beds are sown too late: more hands, more days, a digger, another school, autumn."""

from __future__ import annotations

import math
from collections.abc import Iterator
from datetime import date
from decimal import Decimal
from typing import Any

from nolbet_core.built.bed import build_bed
from nolbet_core.built.plan import BuiltPlan
from nolbet_core.figure.buying_figures import MoneyOut
from nolbet_core.figure.compare import figure_school
from nolbet_core.figure.garden_works import GardenWorks
from nolbet_core.figure.walk import garden_works
from nolbet_core.figure.works import late_figures
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.works import WEEKDAYS, Works
from nolbet_core.record import record
from nolbet_core.schools.school import all_schools

MORE_DAYS = ("sat", "sun", "fri", "wed")
"""Days that are added first where they aren't worked on yet."""
MOST_BEDS = 3
"""For so many late beds other schools are tried."""


@record
class MendOfWorks:
    """One way to be sown in time. late_days: over all beds, still; ends_on: the day all is done then. hours: of work
    less (or more, negative). price: what it costs more; null where nobody has said what that costs. works: the words of
    the works that bring it about, or bed: a bed filled otherwise, with its layers; neither where it can't be taken by a
    click.
    """

    key: str
    title: str
    late_days: int
    ends_on: date | None
    hours_less: float
    price: MoneyOut | None
    price_said: str
    works: dict[str, Any] | None
    bed: str | None
    school: str | None


@record
class MendsOfWorks:
    """What is late now, and what would mend it, best first."""

    late_days: int
    ends_on: date | None
    mends: list[MendOfWorks]


def figure_mends(built: BuiltPlan, today: date) -> MendsOfWorks:
    """Ways to be sown in time in a garden. today: the day that is now."""
    now = garden_works(built, today)
    late = _late(now)
    mends = [*_of_terms(built, now, today), *_of_schools(built, now, today)]
    helping = [each for each in mends if each.late_days < late or (each.hours_less > 0.5 and each.key == "machine")]
    helping.sort(key=lambda each: (each.late_days, each.price is None, each.price or Decimal(0), each.key))
    if late:
        helping.append(_later(now, late))
    return MendsOfWorks(late, now.planned.ends_on, helping)


def _late(works: GardenWorks) -> int:
    return sum(each.days for each in late_figures(works))


def _hours(works: GardenWorks) -> float:
    return sum(each.hours for each in works.planned.steps if each.is_open)


def _of_terms(built: BuiltPlan, now: GardenWorks, today: date) -> Iterator[MendOfWorks]:
    """More hands, another day a week, longer days, a digger."""
    works = now.works
    yield _tried(
        "helper", "One more helper", works.model_copy(update={"helpers": works.helpers + 1}), built, now, today
    )
    day = next((each for each in MORE_DAYS if WEEKDAYS.index(each) not in works.worked_days), None)
    if day is not None:
        days = [each for each in WEEKDAYS if WEEKDAYS.index(each) in works.worked_days or each == day]
        title = f"{DAYS[day]}s as well"
        yield _tried("day", title, works.model_copy(update={"days": days}), built, now, today)
    longer = works.worked_hours + 2
    if longer <= 10:
        title = f"{longer:g} h a day in place of {works.worked_hours:g}"
        yield _tried("hours", title, works.model_copy(update={"hours_a_day": longer}), built, now, today)
    digs = sum(
        each.hours
        for each in now.planned.steps
        if each.is_open and each.kind in ("dig", "path_dig", "loosen", "level_plot")
    )
    if digs > 0 and not works.machine:
        tried = _tried("machine", "Hire a small digger", works.model_copy(update={"machine": True}), built, now, today)
        days_hired = max(math.ceil((digs - tried.hours_less) / works.worked_hours), 1)
        if works.machine_day is not None:
            yield _priced(tried, works.machine_day * days_hired, f"{days_hired} x hire of a day")
        else:
            yield _priced(
                tried, None, f"hire for {days_hired} day{'s' if days_hired > 1 else ''}: enter what a day costs"
            )


DAYS = {"mon": "Monday", "tue": "Tuesday", "wed": "Wednesday", "thu": "Thursday", "fri": "Friday", "sat": "Saturday",
        "sun": "Sunday"}  # fmt: skip


def _with_works(built: BuiltPlan, works: Works) -> BuiltPlan:
    garden = built.plan.garden.model_copy(update={"works": works})
    return BuiltPlan(built.plan.model_copy(update={"garden": garden}), built.supplies, built.beds)


def _tried(key: str, title: str, works: Works, built: BuiltPlan, now: GardenWorks, today: date) -> MendOfWorks:
    then = garden_works(_with_works(built, works), today)
    words = works.model_dump(mode="json", exclude_none=True)
    return MendOfWorks(
        key,
        title,
        _late(then),
        then.planned.ends_on,
        _hours(now) - _hours(then),
        Decimal(0),
        "no money",
        words,
        None,
        None,
    )


def _priced(mend: MendOfWorks, price: Decimal | None, said: str) -> MendOfWorks:
    return MendOfWorks(
        mend.key,
        mend.title,
        mend.late_days,
        mend.ends_on,
        mend.hours_less,
        price,
        said,
        mend.works,
        mend.bed,
        mend.school,
    )


def _of_schools(built: BuiltPlan, now: GardenWorks, today: date) -> Iterator[MendOfWorks]:
    """Each late bed filled by another school that suits it."""
    plan = built.plan
    haul = now.asked.haul
    for late in late_figures(now)[:MOST_BEDS]:
        bed = next((each for each in plan.beds if each.key == late.bed), None)
        if bed is None or bed.over is not None or now.is_pit(late.bed):
            continue
        for school in all_schools().values():
            if school.key == bed.school:
                continue
            offered = figure_school(school, plan, bed, built.supplies, today)
            if offered.unsuited is not None or offered.figures is None:
                continue
            words = {**bed.model_dump(mode="json", exclude_none=True), "school": school.key, "layers": offered.layers}
            then = garden_works(_with_bed(built, plan, words), today)
            if _late(then) >= _late(now):
                continue
            more = None
            if haul is not None and then.asked.haul is not None and not then.asked.haul.unmet:
                more = then.asked.haul.total - haul.total
            yield MendOfWorks(
                f"school {late.bed} {school.key}", f"{late.name} as {school.name.lower()}", _late(then),
                then.planned.ends_on, _hours(now) - _hours(then), more,
                "more to buy" if more is not None else "not all of it has a price", None, late.bed, school.key,
            )  # fmt: skip


def _with_bed(built: BuiltPlan, plan: Plan, words: dict[str, Any]) -> BuiltPlan:
    """The plan with a bed in other words."""
    bed = type(plan.beds[0]).model_validate(words)
    made = build_bed(bed, built.supplies.materials).holding()
    beds = tuple(made if each.bed.key == bed.key else each for each in built.beds)
    changed = plan.model_copy(update={"beds": [bed if each.key == bed.key else each for each in plan.beds]})
    return BuiltPlan(changed, built.supplies, beds)


def _later(now: GardenWorks, late: int) -> MendOfWorks:
    """Nothing is changed: what is late is sown late, or in autumn."""
    first = max(late_figures(now), key=lambda each: each.days)
    return MendOfWorks(
        "autumn", f"Leave it as it is, and sow {first.name} in autumn or a year on", late, now.planned.ends_on, 0.0,
        Decimal(0), "no money, a season lost", None, first.bed, None,
    )  # fmt: skip
