"""A garden's works in figures: its steps in their order, on days, with what weather says and what falls due later."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from datetime import date, timedelta
from functools import cached_property

from nolbet_core.built.names import name_of
from nolbet_core.built.state import is_put_off
from nolbet_core.built.surroundings import Surroundings
from nolbet_core.built.worked import WorkedBed
from nolbet_core.climate.year import next_day
from nolbet_core.figure.buying_figures import HaulFigures
from nolbet_core.figure.findings import finding_figures, gravest_first
from nolbet_core.figure.plot import Laid
from nolbet_core.figure.shopping_list import shopping_list
from nolbet_core.figure.works_figures import (
    AnswerFigures,
    BrokenOffFigures,
    LateFigures,
    PaceFigures,
    RateFigures,
    UpkeepFigures,
    WeatherFigures,
    WorksFigures,
    WorksFinding,
    WorkStep,
)
from nolbet_core.findings.every import look_for
from nolbet_core.findings.works import WorksLooked
from nolbet_core.haul.needs import Need
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.log import HoursSpent
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.plan.works import WorkKind, Works
from nolbet_core.record import record
from nolbet_core.shelf.material import Material
from nolbet_core.works.bed_steps import bed_steps, is_worked_on
from nolbet_core.works.broken_off import broken_off
from nolbet_core.works.garden_steps import Gathered, PathWork, garden_steps, gathered_of
from nolbet_core.works.garden_works import Planned, planned, said_steps
from nolbet_core.works.gates import KnownDay, weather_against
from nolbet_core.works.job import Booked, UnorderedError
from nolbet_core.works.pace import Pace, Spent, paces_logged
from nolbet_core.works.rates import RATES, paces_of, show_rate
from nolbet_core.works.site import Load, Site
from nolbet_core.works.step import Step
from nolbet_core.works.upkeep import upkeep_of

PATHS_KEY = "all"


@record
class WorksAsked:
    """What a garden's works follow from. beds: at work. laid: its plot, where it is measured. needs: still to be got.

    haul: what is bought where, where anybody sells. ways_m: how far each bed lies from where loads are dropped [m].
    """

    plan: Plan
    around: Surroundings
    materials: Mapping[str, Material]
    beds: Sequence[WorkedBed]
    laid: Laid | None
    needs: Sequence[Need]
    haul: HaulFigures | None
    ways_m: Mapping[str, float]


class GardenWorks:
    """A garden's works, each part worked out when it is first asked for. today: the day that is now, where known."""

    def __init__(self, asked: WorksAsked, today: date | None) -> None:
        self.asked, self.today = asked, today
        self.works = asked.plan.garden.works or Works()

    @cached_property
    def beds(self) -> list[WorkedBed]:
        """Beds that are worked on."""
        return [each for each in self.asked.beds if is_worked_on(each)]

    @property
    def begins_on(self) -> date | None:
        """The first day of work: as said, but not before today."""
        said = date.fromisoformat(self.works.start) if self.works.start else None
        return max(filter(None, (said, self.today)), default=None)

    @cached_property
    def made(self) -> list[Step]:
        """Steps as they follow from the garden, at usual rates, before anything is said of them."""
        asked, site = self.asked, self._site
        gathered = gathered_of(self._needs, self._sold)
        steps = list(garden_steps(self.beds, site, gathered, self._paths, asked.around.system))
        for bed in self.beds:
            steps += [self._put_off(each, bed) for each in bed_steps(bed, site)]
        return steps

    def _put_off(self, step: Step, bed: WorkedBed) -> Step:
        if bed.bed.put_off_until is None or not is_put_off(bed.bed, self.today):
            return step
        return step.moved_to(date.fromisoformat(bed.bed.put_off_until))

    @cached_property
    def paces(self) -> dict[WorkKind, Pace]:
        """The gardener's own pace by kind of work."""
        made = {each.key: each for each in self.made}
        spent = [
            Spent(made[entry.step].work, made[entry.step].usual_hours, entry.hours)
            for entry in self.hours_logged
            if entry.step in made
        ]
        return paces_logged(spent, self.asked.plan.garden.pace or {})

    @cached_property
    def hours_logged(self) -> list[HoursSpent]:
        """Time that steps took, as logged."""
        return [entry for entry in self.asked.plan.log if isinstance(entry, HoursSpent)]

    @cached_property
    def planned(self) -> Planned:
        """All steps in their order, those still to be done on days.

        Raises PlanProblem where own steps wait for each other.
        """
        factors = {pace.work: pace.factor for pace in self.paces.values()}
        try:
            return planned(said_steps(self.made, self.works, paces_of(self.works, factors)), self.works, self.today)
        except UnorderedError as problem:
            raise PlanProblem("garden.works.own", str(problem)) from problem
        except ValueError as problem:
            raise PlanProblem("garden.works.days_off", str(problem)) from problem

    @cached_property
    def _site(self) -> Site:
        return Site(
            paces_of(self.works, {}),
            self.asked.ways_m,
            self._loads,
            frozenset(each.material.key for each in gathered_of(self._needs, self._sold)),
            self.sow_on,
            self.today,
        )

    @cached_property
    def sow_on(self) -> dict[str, date]:
        """The day each bed is to be sown: as said, else the next last frost."""
        usual = date.fromisoformat(self.works.sow_on) if self.works.sow_on else self._next_spring
        own = {each.bed: date.fromisoformat(each.on) for each in self.works.sow}
        if usual is None:
            return own
        return {each.bed.key: own.get(each.bed.key, usual) for each in self.asked.beds}

    @property
    def _next_spring(self) -> date | None:
        begins = self.begins_on
        return None if begins is None else next_day(begins, self.asked.around.year.last_frost)

    @cached_property
    def _loads(self) -> tuple[Load, ...]:
        haul, garden = self.asked.haul, self.asked.plan.garden
        if haul is None:
            return self._unpriced_load
        listed = shopping_list(haul, garden.name, garden.currency, self.asked.around.system)
        lines = {
            each.supplier: tuple(
                " ".join(filter(None, (_counted(row.count), row.amount, row.name, row.size))) for row in each.rows
            )
            for each in listed.sheets
        }
        return tuple(
            Load(
                each.supplier,
                each.name,
                lines.get(each.name, ()),
                frozenset(line.material for line in haul.lines if line.supplier == each.supplier),
                any(not line.fetch for line in haul.lines if line.supplier == each.supplier),
            )
            for each in haul.suppliers
        )

    @property
    def _unpriced_load(self) -> tuple[Load, ...]:
        """Where nobody sells yet: all that is no use getting together, as one load."""
        keys = frozenset(key for key in self._needs if not gathered_of({key: self._needs[key]}, frozenset()))
        if not keys:
            return ()
        names = tuple(sorted(name_of(key, self.asked.materials) for key in keys))
        return (Load("all", "whoever sells it", names, keys, delivered=True),)

    @cached_property
    def _sold(self) -> frozenset[str]:
        return frozenset(key for load in self._loads for key in load.brings)

    @cached_property
    def _needs(self) -> dict[str, Gathered]:
        materials = self.asked.materials
        return {
            need.material: Gathered(materials[need.material], need.to_buy_m3, need.area_m2, need.mass_kg)
            for need in self.asked.needs
            if need.material in materials and (need.to_buy_m3 > 0 or need.covers)
        }

    @property
    def _paths(self) -> list[PathWork]:
        laid = self.asked.laid
        if laid is None:
            return []
        beside = tuple(dict.fromkeys(each.key for each in laid.placed if each.vessel.form == "vessel"))
        named = [
            PathWork(str(index), each.band.name, each.ground.area, each.band.dug_m, each.courses, beside)
            for index, each in enumerate(laid.paths)
        ]
        if not named and laid.courses:
            named = [PathWork(PATHS_KEY, "the paths", laid.path_m2, 0.0, laid.courses, beside)]
        return [each for each in named if each.area_m2 > 0]

    def name_of(self, bed: str) -> str:
        """What a bed is called; the garden's name for what is no bed's."""
        found = next((each for each in self.asked.plan.beds if each.key == bed), None)
        return found.title if found else self.asked.plan.garden.name


def _counted(count: int | None) -> str:
    return "" if count is None else f"{count} of"


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


def late_figures(works: GardenWorks) -> list[LateFigures]:
    """Beds that are sown later than they should be."""
    titles = {each.bed.key: each.bed.title for each in works.asked.beds}
    return [
        LateFigures(step.bed, titles.get(step.bed, step.bed), step.key, step.due, booked.until, booked.late_days)
        for step in works.planned.steps
        if (booked := works.planned.booked.get(step.key)) and booked.late_days and step.due is not None
    ]


def works_findings(works: GardenWorks) -> list[WorksFinding]:
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
        WorksFinding(
            list(each.steps), list(each.beds),
            finding_figures(finding, each, beds.get(each.beds[0]) if each.beds else None),
        )
        for finding, each in look_for("works", looked)
    ]  # fmt: skip
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
        RateFigures(name, each.name, each.usual, paces.rate(name), show_rate(name, paces.rate(name), system), each.work,
                    each.source if name not in works.works.rates else "yours")
        for name, each in RATES.items()
    ]  # fmt: skip
