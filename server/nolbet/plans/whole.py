"""A garden's rows put together into a plan, what can't be read told beside it."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date

from nolbet.gardens.errors import Unreadable
from nolbet.gardens.models import Garden
from nolbet.gardens.rows import bed_plan, garden_plan, head_plan, plot_plan
from nolbet.haul.rows import bought_plan, stock_plan, suppliers_plan
from nolbet.plans.supplies import Trouble, garden_shelf
from nolbet.season.rows import OF_THE_BEDS, season_plan
from nolbet.water.rows import log_plan, probes_plan, weather_from, weather_plan
from nolbet.works.rows import hours_plan, kept_works, works_plan
from nolbet_core.built.bed import build_bed
from nolbet_core.built.plan import BuiltPlan
from nolbet_core.built.profiles import wrong_with_profiles
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.frame import Cutting
from nolbet_core.plan.garden import FORMAT, Plan
from nolbet_core.plan.log import SeasonEntry
from nolbet_core.plan.offers import FixedLine
from nolbet_core.plan.upgrade import EDITION


@dataclass(frozen=True, slots=True)
class WholeGarden:
    """A garden as built: the plan of all that holds, and what doesn't."""

    built: BuiltPlan
    troubles: tuple[Trouble, ...]


def whole_plan(garden: Garden) -> Plan:
    """A kept garden as a plan that can be figured: what can't be read is left out, and what was seen in it by day."""
    return _plan_of(garden, readable_beds(garden)[0])


def _plan_of(garden: Garden, beds: list[Bed]) -> Plan:
    shelf, kept = garden_shelf(garden), kept_works(garden)
    return Plan(
        format=FORMAT,
        edition=EDITION,
        garden=garden_plan(garden).model_copy(update={"works": works_plan(kept), "pace": kept.pace or None}),
        materials=list(shelf.materials),
        mixes=list(shelf.mixes),
        crops=list(shelf.crops),
        beds=beds,
        stock=stock_plan(garden),
        cutting=Cutting.model_validate(garden.cutting),
        fixed=[FixedLine.model_validate(each) for each in garden.fixed],
        certainty=garden.certainty,
        suppliers=suppliers_plan(garden),
        log=[*bought_plan(garden), *hours_plan(kept), *_surfaces_of(garden, beds)],
    )


def _surfaces_of(garden: Garden, beds: list[Bed]) -> list[SeasonEntry]:
    """Entries that the figures of these beds rest on."""
    keys = {bed.key for bed in beds}
    return [each for each in season_plan(garden, OF_THE_BEDS) if each.bed in keys]


def garden_with_weather(garden: Garden, today: date) -> BuiltPlan:
    """A garden as built with the weather that is known from today on, as its works look at it."""
    built = whole_garden(garden).built
    return BuiltPlan(built.plan.model_copy(update={"weather": weather_from(garden, today)}), built.supplies, built.beds)


def garden_with_log(garden: Garden) -> BuiltPlan:
    """A garden as built with the weather that was measured and all that was written down."""
    built = whole_garden(garden).built
    keys = {each.bed.key for each in built.beds}
    log = [
        *(each for each in built.plan.log if each.kind not in OF_THE_BEDS),
        *(each for each in season_plan(garden) if each.bed is None or each.bed in keys),
        *(each for each in log_plan(garden) if each.bed in keys),
    ]
    plan = built.plan.model_copy(update={"weather": weather_plan(garden), "log": log})
    return BuiltPlan(plan, built.supplies, built.beds)


def plan_to_take_out(garden: Garden) -> Plan:
    """All of a garden that holds, with its weather and readings: what its plan file and its copy hold."""
    plan = garden_with_log(garden).plan
    beds = {bed.key for bed in plan.beds}
    return plan.model_copy(
        update={
            "beds": _over_what_is_there(plan.beds),
            "probes": [each for each in probes_plan(garden) if each.bed in beds],
        }
    )


def _over_what_is_there(beds: list[Bed]) -> list[Bed]:
    """Beds as a plan file can carry them: over nothing, where what one lay over is gone or is another's by now."""
    wrong = {problem.path for problem in wrong_with_profiles(beds)}
    return [
        bed.model_copy(update={"over": None}) if f"beds[{index}].over" in wrong else bed
        for index, bed in enumerate(beds)
    ]


def readable_beds(garden: Garden) -> tuple[list[Bed], list[Trouble]]:
    """A garden's beds in order, and those that can't be read."""
    beds: list[Bed] = []
    troubles: list[Trouble] = []
    for row in garden.beds.filter(deleted_at=None):
        try:
            beds.append(bed_plan(row))
        except Unreadable as problem:
            troubles.append(Trouble("bed", row.key, row.name, str(problem)))
    return beds, troubles


def head_troubles(garden: Garden) -> list[Trouble]:
    """What can't be read of a garden's head and plot."""
    troubles = []
    for kind, read in (("head", head_plan), ("plot", plot_plan)):
        try:
            read(garden)
        except Unreadable as problem:
            troubles.append(Trouble(kind, kind, "Names and climate" if kind == "head" else "The plot", str(problem)))
    return troubles


def whole_garden(garden: Garden) -> WholeGarden:
    """A garden as built, of the beds that hold together."""
    shelf = garden_shelf(garden)
    beds, troubles = readable_beds(garden)
    plan = _plan_of(garden, beds)
    built = []
    for bed in plan.beds:
        checked = build_bed(bed, shelf.supplies.materials, bed.title)
        if checked.value is not None:
            built.append(checked.value)
        else:
            reason = "; ".join(str(problem).removeprefix(f"{bed.title}.") for problem in checked.problems[:3])
            troubles.append(Trouble("bed", bed.key, bed.title, reason, readable=True))
    held = plan.model_copy(update={"beds": [each.bed for each in built]})
    all_troubles = (*head_troubles(garden), *shelf.troubles, *troubles)
    return WholeGarden(BuiltPlan(held, shelf.supplies, tuple(built)), all_troubles)
