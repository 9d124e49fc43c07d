"""What a garden's works follow from, and each part of them worked out when it is first asked for."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from datetime import date
from functools import cached_property

from nolbet_core.built.names import name_of
from nolbet_core.built.state import is_put_off
from nolbet_core.built.surroundings import Surroundings
from nolbet_core.built.worked import WorkedBed
from nolbet_core.climate.year import next_day
from nolbet_core.figure.buying_figures import HaulFigures
from nolbet_core.figure.plot import Laid
from nolbet_core.figure.shopping_list import shopping_list
from nolbet_core.haul.needs import Need
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.log import HoursSpent
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.plan.works import WorkKind, Works
from nolbet_core.record import record
from nolbet_core.shelf.material import Material
from nolbet_core.works.bed_steps import bed_steps, is_worked_on
from nolbet_core.works.garden_steps import (
    UNNAMED,
    Gathered,
    Levelling,
    PathWork,
    garden_steps,
    gathered_of,
    is_gathered,
)
from nolbet_core.works.garden_works import Planned, planned, said_steps
from nolbet_core.works.job import UnorderedError
from nolbet_core.works.pace import Pace, Spent, paces_logged
from nolbet_core.works.rates import paces_of
from nolbet_core.works.site import Load, Site
from nolbet_core.works.step import Step
from nolbet_core.works.working_days import WorkingDays

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
        steps = list(garden_steps(self.beds, site, gathered, self._paths, asked.around.system, self._levelling))
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
        """The day each bed is to be sown: as said, else the first working day after the next last frost."""
        usual = date.fromisoformat(self.works.sow_on) if self.works.sow_on else self._after_frost
        own = {each.bed: date.fromisoformat(each.on) for each in self.works.sow}
        if usual is None:
            return own
        return {each.bed.key: own.get(each.bed.key, usual) for each in self.asked.beds}

    @property
    def _after_frost(self) -> date | None:
        begins = self.begins_on
        if begins is None:
            return None
        frost = next_day(begins, self.asked.around.year.last_frost)
        days = WorkingDays(frost, self.works.worked_days, map(date.fromisoformat, self.works.days_off), 1.0)
        return days.day(0)

    @cached_property
    def _loads(self) -> tuple[Load, ...]:
        haul, garden = self.asked.haul, self.asked.plan.garden
        if haul is None:
            return self._of_nobody(frozenset(), delivered=True)
        listed = shopping_list(haul, garden.name, garden.currency, self.asked.around.system)
        lines = {
            each.supplier: tuple(
                " ".join(filter(None, (_counted(row.count), row.amount, row.name, row.size))) for row in each.rows
            )
            for each in listed.sheets
        }
        own = tuple(
            Load(
                each.supplier,
                each.name,
                lines.get(each.name, ()),
                frozenset(line.material for line in haul.lines if line.supplier == each.supplier),
                any(not line.fetch for line in haul.lines if line.supplier == each.supplier),
            )
            for each in haul.suppliers
        )
        brought = frozenset(key for load in own for key in load.brings)
        return (*own, *self._of_nobody(brought, delivered=False))

    def _of_nobody(self, brought: frozenset[str], *, delivered: bool) -> tuple[Load, ...]:
        """What no supplier brings and is no use getting together, as one load. brought: keys of what they do bring."""
        wanted = {need.material for need in self.asked.needs if need.material not in self.asked.materials}
        wanted |= {key for key, each in self._needs.items() if not is_gathered(each.material)}
        keys = frozenset(wanted - brought)
        if not keys:
            return ()
        names = tuple(sorted(name_of(key, self.asked.materials) for key in keys))
        return (Load(UNNAMED, "whoever sells it", names, keys, delivered),)

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
    def _levelling(self) -> Levelling | None:
        laid = self.asked.laid
        if laid is None or laid.plot.level_m is None or laid.ground.surface is None:
            return None
        done = laid.ground.surface.cut_and_fill(laid.plot.level_m)
        return Levelling(done.cut_m3, done.fill_m3) if done.cut_m3 + done.fill_m3 > 0 else None

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

    def is_pit(self, bed: str) -> bool:
        """Whether another bed lies over one."""
        return any(each.over == bed for each in self.asked.plan.beds)

    def name_of(self, bed: str) -> str:
        """What a bed is called; the garden's name for what is no bed's."""
        found = next((each for each in self.asked.plan.beds if each.key == bed), None)
        return found.title if found else self.asked.plan.garden.name


def _counted(count: int | None) -> str:
    return "" if count is None else f"{count} of"
