"""A garden's works in figures: its steps in their order, on days, with what weather says and what falls due later."""

from __future__ import annotations

from collections.abc import Mapping
from datetime import date, timedelta

from nolbet_core.built.worked import WorkedBed
from nolbet_core.figure.findings import finding_figures, gravest_first
from nolbet_core.figure.garden_works import GardenWorks
from nolbet_core.figure.plot import Laid
from nolbet_core.figure.works_figures import (
    AnswerFigures,
    BrokenOffFigures,
    DayFigures,
    FoundInWorks,
    LateFigures,
    PaceFigures,
    RateFigures,
    UpkeepFigures,
    WeatherFigures,
    WorksFigures,
    WorkStep,
)
from nolbet_core.findings.every import look_for
from nolbet_core.findings.works import WorksLooked
from nolbet_core.plan.garden import Plan
from nolbet_core.works.broken_off import broken_off
from nolbet_core.works.garden_works import Planned
from nolbet_core.works.gates import KnownDay, weather_against
from nolbet_core.works.job import Booked
from nolbet_core.works.rates import RATES, paces_of, show_rate
from nolbet_core.works.step import Step
from nolbet_core.works.upkeep import upkeep_of


def works_figures(works: GardenWorks) -> WorksFigures:
    """A garden's works in figures."""
    plan = works.planned
    at = _places(works.asked.laid)
    spent = _spent(works)
    known = _known_days(works.asked.plan)
    steps = [_step(each, plan.booked.get(each.key), works, at, spent, known) for each in plan.steps]
    undone = [each for each in plan.steps if each.is_open]
    return WorksFigures(
        steps=steps,
        days=_days(plan),
        ends_on=plan.ends_on,
        late=late_figures(works),
        begins_on=works.begins_on,
        people=plan.people,
        day_hours=plan.day_h,
        hours=sum(each.hours for each in undone),
        done_hours=sum(each.hours for each in plan.steps if each.done),
        broken_off=[
            BrokenOffFigures(
                each.worked.bed.key, each.worked.bed.title, each.done.title, each.next.title, list(each.safe)
            )
            for each in broken_off(plan.steps, works.beds)
        ],
        upkeep=_upkeep(works),
        pace=[PaceFigures(each.work, each.factor, each.hours, each.steps) for each in works.paces.values()],
        rates=_rates(works),
        findings=works_findings(works),
    )


def _days(plan: Planned) -> list[DayFigures]:
    """Days with work, in their order."""
    on: dict[date, list[tuple[Step, float]]] = {}
    for step in plan.steps:
        booked = plan.booked.get(step.key)
        for day, hours in booked.by_day if booked else ():
            on.setdefault(day, []).append((step, hours))
    return [
        DayFigures(
            on=day,
            hours=sum(hours for _, hours in on[day]),
            share=sum(hours for _, hours in on[day]) / plan.day_h,
            steps=[step.key for step, _ in on[day]],
            holds=sum(1 for step, _ in on[day] if step.hold),
            sows=any(step.kind == "plant" for step, _ in on[day]),
        )
        for day in sorted(on)
    ]


def late_figures(works: GardenWorks) -> list[LateFigures]:
    """Beds that are sown later than they should be."""
    titles = {each.bed.key: each.bed.title for each in works.asked.beds}
    return [
        LateFigures(step.bed, titles.get(step.bed, step.bed), step.key, step.due, booked.until, booked.late_days)
        for step in works.planned.steps
        if (booked := works.planned.booked.get(step.key)) and booked.late_days and step.due is not None
    ]


def works_findings(works: GardenWorks) -> list[FoundInWorks]:
    """Findings on the works, the gravest first."""
    looked = WorksLooked(
        works.planned,
        works.beds,
        works.asked.around.usual_months,
        _known_days(works.asked.plan),
        works.asked.around.system,
        works.sow_on,
        works.works.sow_on is None and not works.works.sow,
    )
    beds = {each.bed.key: each.bed for each in works.beds}
    found = [
        FoundInWorks(
            list(each.steps),
            list(each.beds),
            finding_figures(finding, each, beds.get(each.beds[0]) if each.beds else None),
        )
        for finding, each in look_for("works", looked)
    ]
    order = {id(each): place for place, each in enumerate(gravest_first(one.finding for one in found))}
    return sorted(found, key=lambda one: order[id(one.finding)])


def _step(
    step: Step, booked: Booked | None, works: GardenWorks, at: Mapping[str, tuple[float, float]],
    spent: Mapping[str, float], known: Mapping[date, KnownDay],
) -> WorkStep:  # fmt: skip
    around = works.asked.around
    against = weather_against(step.gates, booked.on, around.usual_months, known, around.system) if booked else []
    return WorkStep(
        key=step.key,
        bed=step.bed,
        name=works.name_of(step.bed),
        kind=step.kind,
        title=step.title,
        why=step.why,
        done_when=step.done_when,
        hold=step.hold,
        passed=step.passed,
        answers=[AnswerFigures(date.fromisoformat(each.on), each.passed, each.measured) for each in step.answers],
        work=step.work,
        hours=step.hours,
        usual_hours=step.usual_hours,
        spent_hours=spent.get(step.key, 0.0),
        people=step.people,
        barrows=step.barrows,
        tools=list(step.tools),
        gear=list(step.gear),
        materials=list(step.materials),
        cautions=list(step.cautions),
        lines=list(step.lines),
        after=list(step.after),
        wait_days=step.wait_days,
        wait_for=step.wait_for,
        earliest=booked.earliest if booked else None,
        latest=booked.latest if booked else None,
        slack_days=booked.slack_days if booked else None,
        on=booked.on if booked else None,
        until=booked.until if booked else None,
        by_day=list(booked.by_day) if booked else [],
        done=step.done,
        done_on=step.done_on,
        not_before=step.not_before,
        left_out=step.left_out,
        layer=step.layer,
        mark=step.mark,
        at=at.get(step.bed),
        weather=[WeatherFigures(each.gate, each.said, each.chance, each.known) for each in against],
    )


def _places(laid: Laid | None) -> dict[str, tuple[float, float]]:
    """Where on the plot each bed lies, the first of those alike."""
    if laid is None:
        return {}
    return {each.key: (round(each.x_m, 3), round(each.y_m, 3)) for each in reversed(laid.placed)}


def _spent(works: GardenWorks) -> dict[str, float]:
    spent: dict[str, float] = {}
    for entry in works.hours_logged:
        spent[entry.step] = spent.get(entry.step, 0.0) + entry.hours
    return spent


def _known_days(plan: Plan) -> dict[date, KnownDay]:
    """Days of the garden's weather file."""
    known = {}
    for run in plan.weather:
        first = date.fromisoformat(run.from_day)
        for index, (low, high, rain) in enumerate(zip(run.tmin_c, run.tmax_c, run.rain_mm, strict=True)):
            known[first + timedelta(days=index)] = KnownDay(low, high, rain)
    return known


def _upkeep(works: GardenWorks) -> list[UpkeepFigures]:
    """What falls due in the next years, of beds that are filled or will be."""
    if works.today is None:
        return []
    due = []
    for worked in works.asked.beds:
        if worked.state == "emptied" or not worked.filled.layers:
            continue
        filled_on = _filled_on(worked, works.planned)
        if filled_on is not None:
            due += list(upkeep_of(worked, filled_on, works.today))
    due.sort(key=lambda each: (each.on, each.key))
    return [UpkeepFigures(each.key, each.bed, each.title, each.why, each.on, each.every_years) for each in due]


def _filled_on(worked: WorkedBed, plan: Planned) -> date | None:
    if worked.state == "filled" and worked.bed.built_on is not None:
        return date.fromisoformat(worked.bed.built_on)
    booked = plan.booked.get(f"{worked.bed.key}.filled")
    return booked.until if booked else None


def _rates(works: GardenWorks) -> list[RateFigures]:
    paces, system = paces_of(works.works, {}), works.asked.around.system
    return [
        RateFigures(
            name,
            each.name,
            each.usual,
            paces.rate(name),
            each.unit,
            show_rate(name, paces.rate(name), system),
            each.work,
            each.source if name not in works.works.rates else "yours",
        )
        for name, each in RATES.items()
    ]
