"""What a garden's beds rest on, gathered once for each state of it: what layers may name, and what beds share."""

from __future__ import annotations

from collections.abc import Callable
from contextlib import suppress
from dataclasses import dataclass, replace
from datetime import date
from typing import Generic, TypeVar

from nolbet.gardens.errors import Unreadable
from nolbet.gardens.models import Garden
from nolbet.gardens.rows import bed_plan, crops_plan, garden_plan
from nolbet.haul.rows import stock_plan, suppliers_plan
from nolbet.season.rows import OF_THE_BEDS, season_plan
from nolbet.shelf.rows import material_plan, mix_plan
from nolbet_core.built.seen import seen_in
from nolbet_core.built.sources import Sources, gather_sources
from nolbet_core.built.supplies import Supplies, gather_supplies
from nolbet_core.built.surroundings import Surroundings, surroundings_of
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.frame import Cutting
from nolbet_core.plan.garden import OwnMaterial as PlanMaterial
from nolbet_core.plan.mix import PlanMix
from nolbet_core.plan.planting import OwnCrop
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.quantities.units import System

MOST_KEPT = 500

State = TypeVar("State")
Thing = TypeVar("Thing")


@dataclass(frozen=True, slots=True)
class Trouble:
    """Something of a garden that can't be read, or names what isn't there: what it is, and why.

    readable: whether its document can be read, so that it can be opened and mended.
    """

    kind: str
    key: str
    name: str
    reason: str
    readable: bool = False


@dataclass(frozen=True, slots=True)
class Shelf:
    """What layers of a garden may name, the words of its own materials and mixes, and what is amiss with others."""

    supplies: Supplies
    materials: tuple[PlanMaterial, ...]
    mixes: tuple[PlanMix, ...]
    crops: tuple[OwnCrop, ...]
    troubles: tuple[Trouble, ...]


class _Kept(Generic[State, Thing]):
    """Things worked out once for each state, the oldest forgotten where there are many."""

    def __init__(self) -> None:
        self._things: dict[State, Thing] = {}

    def get(self, state: State, make: Callable[[], Thing]) -> Thing:
        found = self._things.get(state)
        if found is None:
            while len(self._things) >= MOST_KEPT:
                self._things.pop(next(iter(self._things)), None)
            found = self._things[state] = make()
        return found


_shelves: _Kept[object, Shelf] = _Kept()
_surroundings: _Kept[object, Surroundings] = _Kept()


def garden_shelf(garden: Garden) -> Shelf:
    """A garden's shelf; every step of a drag asks for it."""
    return _shelves.get((garden.pk, garden.shelf_stamp), lambda: _gather(garden))


def garden_supplies(garden: Garden) -> Supplies:
    """What a garden's layers may name: the shelf with its own materials and mixes, as far as those hold."""
    return garden_shelf(garden).supplies


def garden_around(garden: Garden, today: date | None = None, draft: Bed | None = None) -> Surroundings:
    """What a garden's beds share: units, year and ground. today: stands in for a day of filling that isn't given.

    draft: a bed that isn't kept as it is, which may lie over another.
    """
    state = (garden.pk, garden.head_stamp, garden.changes, garden.sources_revision, today)
    around = _surroundings.get(state, lambda: _around(garden, today))
    if draft is None or (draft.over is None and not around.beside):
        return around
    pits = around.beside if draft.over in around.beside else {**around.beside, **_bed_of(garden, draft.over)}
    return replace(around, beside={**pits, draft.key: draft})


def _around(garden: Garden, today: date | None) -> Surroundings:
    supplies = garden_supplies(garden)
    seen = seen_in(season_plan(garden, OF_THE_BEDS), supplies.materials)
    return surroundings_of(garden_plan(garden), today, _beside(garden), _sources(garden), seen, supplies.crops)


def _sources(garden: Garden) -> Sources:
    """Where a garden's boards come from, as far as it can be read; nothing where it can't."""
    cutting = Cutting.model_validate(garden.cutting or {})
    with suppress(Unreadable, ValueError):
        return gather_sources(
            suppliers_plan(garden), stock_plan(garden), cutting, garden_supplies(garden).materials, System(garden.units)
        )
    return Sources((), (), cutting)


def _beside(garden: Garden) -> dict[str, Bed]:
    """A garden's beds that lie over others, and those below them, as far as they can be read."""
    beside: dict[str, Bed] = {}
    for row in garden.beds.filter(deleted_at=None, cut__over__isnull=False):
        with suppress(Unreadable):
            bed = bed_plan(row)
            beside |= {bed.key: bed, **_bed_of(garden, bed.over)}
    return beside


def _bed_of(garden: Garden, key: str | None) -> dict[str, Bed]:
    """A kept bed by its key, where there is one that can be read."""
    row = garden.beds.filter(deleted_at=None, key=key).first()
    if row is None:
        return {}
    with suppress(Unreadable):
        return {row.key: bed_plan(row)}
    return {}


def _gather(garden: Garden) -> Shelf:
    troubles: list[Trouble] = []
    materials: list[PlanMaterial] = []
    mixes: list[PlanMix] = []
    for own in garden.materials.all():
        try:
            materials.append(material_plan(own))
        except Unreadable as problem:
            troubles.append(Trouble("material", own.key, own.name, str(problem)))
    for mix in garden.mixes.all():
        try:
            mixes.append(mix_plan(mix))
        except Unreadable as problem:
            troubles.append(Trouble("mix", mix.key, mix.name, str(problem)))
    crops: list[OwnCrop] = []
    with suppress(Unreadable):
        crops = crops_plan(garden)
    gathered = gather_supplies(materials, mixes, crops)
    supplies = gathered.value or Supplies({}, {})
    about_layers = [each for each in gathered.problems if not each.path.startswith("crops[")]
    troubles += [_trouble_of(problem, materials, mixes) for problem in about_layers]
    held_materials = tuple(each for each in materials if each.key in supplies.materials)
    held_mixes = tuple(each for each in mixes if each.key in supplies.mixes)
    held_crops = tuple(each for each in crops if each.key in supplies.crops)
    return Shelf(supplies, held_materials, held_mixes, held_crops, tuple(troubles))


def _trouble_of(problem: PlanProblem, materials: list[PlanMaterial], mixes: list[PlanMix]) -> Trouble:
    """What a problem's path, as in mixes[2].parts[0], is about."""
    part, _, rest = problem.path.partition("[")
    entries: list[PlanMaterial] | list[PlanMix] = mixes if part == "mixes" else materials
    entry = entries[int(rest.partition("]")[0])]
    kind = "mix" if part == "mixes" else "material"
    return Trouble(kind, entry.key, entry.name or entry.key, problem.message, readable=True)
