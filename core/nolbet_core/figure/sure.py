"""How sure a garden's figures are: one set of draws over all that isn't known well, and what figures make of it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from datetime import date
from functools import cached_property

import numpy as np

from nolbet_core.built.bought import less_bought, parts_bought
from nolbet_core.built.buying import suppliers_of
from nolbet_core.built.names import name_of
from nolbet_core.built.plan import BuiltPlan
from nolbet_core.built.profiles import beside_draft
from nolbet_core.built.seen import seen_in
from nolbet_core.built.supplies import Supplies
from nolbet_core.built.surroundings import surroundings_of
from nolbet_core.built.worked import work_bed
from nolbet_core.climate.daily_file import WeatherDay
from nolbet_core.draws.inputs import Inputs
from nolbet_core.draws.shapes import Drawn
from nolbet_core.figure.buying import chosen_haul
from nolbet_core.figure.cuts import board_lines, cuts_figures
from nolbet_core.figure.needed import needed_by
from nolbet_core.figure.sure_beds import BedDrawn
from nolbet_core.figure.sure_figures import SureBed, SureFigures, SureName, SureNeed
from nolbet_core.figure.sure_told import ToldSure, Usual, dips_in, done_in, worth_measuring
from nolbet_core.figure.walk import around_of
from nolbet_core.figure.water import weather_for
from nolbet_core.figure.what_if import WhatIf, WhatIfFigures, changed_bed, parts_of
from nolbet_core.haul.bags import COMMON_BAG_M3, is_bagged
from nolbet_core.haul.certainty import DrawnNeed
from nolbet_core.haul.choose import Chosen
from nolbet_core.haul.offers import Line, Supplier, bags_for
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.garden import Plan
from nolbet_core.quantities.units import System
from nolbet_core.sure.drawn_bed import DrawnBed
from nolbet_core.sure.drawn_needs import DrawnGarden, checked_in, drawn_needs, drawn_total, weighed_in
from nolbet_core.sure.drawn_shelf import DrawnShelf


def figure_sure(
    built: BuiltPlan, today: date | None = None, days: Sequence[WeatherDay] = (), inputs: Inputs | None = None
) -> SureFigures:
    """How sure a plan's figures are. today: as in figure_plan. days: the gardener's own daily weather. inputs: what is
    drawn; the usual draws where none are given.
    """
    return GardenDrawn(built, today, days, inputs or Inputs()).told()


def figure_sure_bed(
    plan: Plan, bed: Bed, supplies: Supplies, today: date | None = None, days: Sequence[WeatherDay] = ()
) -> SureBed:
    """How sure a draft's figures are. plan: of its garden, with its log. today, days: as in figure_sure.

    Raises PlanProblem where the bed doesn't hold together.
    """
    seen = seen_in(plan.log, supplies.materials)
    around = surroundings_of(plan.garden, today, beside_draft(bed, plan.beds), seen=seen, crops=supplies.crops)
    inputs = Inputs()
    worked = work_bed(bed, around, supplies)
    drawn = DrawnBed(worked, DrawnShelf(inputs), inputs, supplies.materials)
    dips = dips_in(plan.log)
    found = BedDrawn(drawn, weather_for(plan.garden, days)[0], inputs, dips[bed.key])
    _ = found.figures
    return found.told(ToldSure(inputs, _names(supplies, [bed], ()), done_in([bed], dips)))


def figure_what_if(
    plan: Plan,
    bed: Bed,
    wish: WhatIf,
    supplies: Supplies,
    today: date | None = None,
    days: Sequence[WeatherDay] = (),
) -> WhatIfFigures:
    """A bed as it is and as it would be, both with their bands. plan, today, days: as in figure_sure_bed.

    Raises PlanProblem where either doesn't hold together.
    """
    # a bed that doesn't hold together is told before anything of it is changed
    now = figure_sure_bed(plan, bed, supplies, today, days)
    changed = changed_bed(bed, wish, supplies.materials)
    return WhatIfFigures(
        parts=parts_of(bed, supplies.materials),
        now=now,
        then=figure_sure_bed(plan, changed, supplies, today, days),
        changed=changed.model_dump(mode="json", exclude_none=True, by_alias=True),
    )


SAW_SECONDS = 1.0
"""As long as the boards may be fitted on those there are, to know what they cost [s]."""


class GardenDrawn:
    """A whole plan in as many gardens as are drawn. days: the gardener's own daily weather."""

    def __init__(self, built: BuiltPlan, today: date | None, days: Sequence[WeatherDay], inputs: Inputs) -> None:
        self._built, self._today, self._inputs = built, today, inputs
        self._needed = needed_by(built, around_of(built, today))
        materials = built.supplies.materials
        self._suppliers = suppliers_of(built.plan, materials)
        shelf = DrawnShelf(inputs)
        self._garden = DrawnGarden(inputs, shelf, materials, checked_in(self._suppliers), weighed_in(self._suppliers))
        self._dips = dips_in(built.plan.log)
        weather = weather_for(built.plan.garden, days)[0]
        self.beds = [
            BedDrawn(DrawnBed(worked, shelf, inputs, materials), weather, inputs, self._dips[worked.bed.key])
            for worked in self._needed.beds
        ]

    @cached_property
    def needs(self) -> list[DrawnNeed]:
        """What is to buy, of everything that something is."""
        found = drawn_needs(self._needed.needs, [each.bed for each in self.beds], self._garden)
        return [each for each in found if each.need.to_buy_m3 > 0]

    @cached_property
    def _chosen(self) -> Chosen | None:
        """What is bought where, the boards of the frames with it."""
        cuts = cuts_figures(self._needed.beds, self._built.plan, self._suppliers, SAW_SECONDS)
        boards = board_lines(cuts, self._suppliers) if cuts else []
        return chosen_haul(less_bought(self._needed.needs, parts_bought(self._built.plan)), self._suppliers, boards)

    @cached_property
    def total(self) -> Drawn | None:
        """What the haul comes to; None where nothing is bought."""
        if self._chosen is None or not self._chosen.lines:
            return None
        return drawn_total(self._chosen.lines, self.needs, self._priced_on, self._today, self._inputs)

    def _priced_on(self, line: Line) -> date | None:
        """The day of the oldest price that a line may be of; None where one of them doesn't say."""
        days = [
            offer.priced_on
            for supplier in self._built.plan.suppliers
            for offer in supplier.offers
            if supplier.key == line.supplier.key and offer.material == line.material and offer.form == line.form
        ]
        known = [date.fromisoformat(each) for each in days if each is not None]
        return min(known) if known and len(known) == len(days) else None

    def figures_of(self, need: DrawnNeed) -> dict[SureName, Usual]:
        """What is to buy of a need, and in bags of the size most usual."""
        to_buy_m3 = need.need.to_buy_m3
        found: dict[SureName, Usual] = {"to_buy_m3": (to_buy_m3, need.to_buy_m3)}
        if is_bagged(self._garden.materials[need.need.material]):
            drawn = np.ceil(need.in_bags_m3 / self._bag_m3 - 1e-9)
            found["bags"] = float(bags_for(to_buy_m3, self._bag_m3)), drawn
        return found

    @property
    def _bag_m3(self) -> float:
        return COMMON_BAG_M3[System(self._built.plan.garden.units)]

    def told(self) -> SureFigures:
        """All of it in figures."""
        for bed in self.beds:
            _ = bed.figures
        needs, total = [(each, self.figures_of(each)) for each in self.needs], self.total
        beds, supplies = self._built.plan.beds, self._built.supplies
        told = ToldSure(self._inputs, _names(supplies, beds, self._suppliers), done_in(beds, self._dips))
        sure_beds = [each.told(told) for each in self.beds]
        sure_needs = [
            SureNeed(
                each.need.material,
                name_of(each.need.material, supplies.materials),
                told.all(drawn, self._bag_m3, _only_bed(each)),
            )
            for each, drawn in needs
        ]
        whole = None if total is None or not self._chosen else told.one("total", float(self._chosen.total), total)
        figures = [(bed.name, each) for bed in sure_beds for each in bed.figures]
        figures += [(need.name, each) for need in sure_needs for each in need.figures]
        figures += [("", whole)] if whole else []
        worth = worth_measuring(figures)
        return SureFigures(self._inputs.draws, sure_beds, sure_needs, whole, worth)


def _only_bed(needed: DrawnNeed) -> str | None:
    """Key of the only bed that needs something; None where several do."""
    keys = {share.bed for share in needed.need.shares}
    return next(iter(keys)) if len(keys) == 1 else None


def _names(supplies: Supplies, beds: Sequence[Bed], suppliers: Sequence[Supplier]) -> Mapping[str, str]:
    """What beds, materials and suppliers are called, by key."""
    materials = {key: each.name for key, each in supplies.materials.items()}
    return materials | {bed.key: bed.title for bed in beds} | {each.key: each.name for each in suppliers}
