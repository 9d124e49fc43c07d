"""Getting under a budget: ways to pay less, each worked out by the whole programme, and the fewest that are enough."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from datetime import date
from decimal import Decimal
from itertools import combinations
from time import monotonic
from typing import Literal

from nolbet_core.built.plan import BuiltPlan, build_plan
from nolbet_core.figure.buying_figures import HaulFigures
from nolbet_core.figure.figures import BedFigures
from nolbet_core.figure.swap_figures import JudgedFigures, SwapFigures, SwapsFigures
from nolbet_core.figure.swap_ways import SwapWay, swap_ways
from nolbet_core.figure.walk import figure_cheapest_haul, needs_of
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.mix import PlanMix
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.record import record

SAW_SECONDS = 1.0
HAUL_SECONDS = 2.0
MOST_SWAPS = 4
"""No more ways than that are proposed together, but where even all fall short."""
NEAR_SHARE = 0.8
"""Ways together are worked out where what each saves alone adds up to so much of what is wanted [0-1]."""
WORTH = Decimal("0.01")
NO_LOSS_M = 1e-9


@record
class _Judged:
    """A way with the haul it leads to, and the bed it changes before and after."""

    way: SwapWay
    haul: HaulFigures
    saves: Decimal
    before: BedFigures | None
    after: BedFigures | None

    @property
    def loss_m(self) -> float:
        """Rootable soil that it costs [m]; of a bed that is put off all of it."""
        if self.before is None:
            return 0.0
        return self.before.ready.depth_m - (self.after.ready.depth_m if self.after else 0.0)


@dataclass
class _Search:
    """Looks for ways together that are enough, as long as there is time."""

    plan: Plan
    today: date | None
    until: float
    looked: int = 0
    known: dict[frozenset[str], HaulFigures | None] = field(default_factory=dict)

    def haul_with(self, ways: Sequence[SwapWay]) -> HaulFigures | None:
        """The cheapest haul with ways together; None where the plan doesn't hold so."""
        found = self.worked(ways)
        return found[1] if found else None

    def worked(self, ways: Sequence[SwapWay]) -> tuple[list[BedFigures], HaulFigures | None] | None:
        """Beds and haul with ways together; None where the plan doesn't hold so."""
        plan = self.plan
        for way in ways:
            plan = way.done_to(plan)
        try:
            built = build_plan(plan).holding()
        except PlanProblem:
            return None
        self.looked += 1
        return figure_cheapest_haul(built, self.today, SAW_SECONDS, HAUL_SECONDS)

    @property
    def has_time(self) -> bool:
        """Whether there is time to work out another."""
        return monotonic() < self.until


def figure_swaps(built: BuiltPlan, today: date | None = None, seconds: float = 20.0) -> SwapsFigures | None:
    """Ways to pay less for a plan's haul, and the smallest set of them that gets under its budget.

    today: as in figure_plan. seconds: as long as it may take [s]; ways that there is no time for are left out.

    Fewest ways first, then least loss of rootable soil. None where the plan knows no supplier.
    """
    beds, haul = figure_cheapest_haul(built, today, SAW_SECONDS, HAUL_SECONDS)
    if haul is None:
        return None
    search = _Search(built.plan, today, monotonic() + seconds, 1)
    before = {bed.key: bed for bed in beds}
    judged = sorted(_judged(search, built, haul, before), key=lambda each: -each.saves)
    proposed, total, short_by = _proposed(search, judged, haul)
    return SwapsFigures(
        total=haul.total,
        spent=haul.spent_total,
        budget=haul.budget,
        swaps=[_figures(each) for each in judged],
        proposed=[each.way.key for each in proposed],
        proposed_total=total,
        short_by=short_by,
        looked=search.looked,
    )


def _judged(search: _Search, built: BuiltPlan, haul: HaulFigures, before: dict[str, BedFigures]) -> Iterator[_Judged]:
    """Ways that save something and leave nothing out that could be had before."""
    lacking = {*haul.unmet, *haul.unpriced}
    for way in swap_ways(built, needs_of(built, search.today), search.today):
        if not search.has_time:
            return
        worked = search.worked([way])
        found = worked[1] if worked else None
        if worked is None or found is None:
            continue
        saves = haul.total - found.total
        if saves < WORTH or not {*found.unmet, *found.unpriced} <= lacking:
            continue
        off = isinstance(way.part, Bed) and way.part.put_off_until is not None
        after = None if off else next((bed for bed in worked[0] if bed.key == way.bed), None)
        yield _Judged(way, found, saves, before.get(way.bed), after)


def _proposed(
    search: _Search, judged: Sequence[_Judged], haul: HaulFigures
) -> tuple[Sequence[_Judged], Decimal | None, Decimal | None]:
    """The fewest ways that are enough, what is to pay with them, and by how much all of them fall short."""
    if haul.over_budget is None:
        return (), None, None
    left = haul.total - haul.over_budget
    for number in range(1, MOST_SWAPS + 1):
        for together in _promising(judged, number, haul.over_budget):
            if not search.has_time:
                return (), None, None
            found = together[0].haul if number == 1 else search.haul_with([each.way for each in together])
            if found is not None and found.total <= left:
                return together, found.total, None
    best = _best_of_each(judged)
    found = search.haul_with([each.way for each in best]) if best else haul
    if found is None or found.total <= left:
        return (best, found.total, None) if found else ((), None, None)
    return (), found.total, found.total - left


def _promising(judged: Sequence[_Judged], number: int, over: Decimal) -> list[tuple[_Judged, ...]]:
    """So many ways that go together and may be enough, those that cost least soil first."""
    found = [
        together
        for together in combinations(judged, number)
        if len({each.way.place for each in together}) == number
        and float(sum(each.saves for each in together)) >= NEAR_SHARE * float(over)
    ]
    return sorted(found, key=lambda each: (sum(max(one.loss_m, 0.0) for one in each), -sum(one.saves for one in each)))


def _best_of_each(judged: Sequence[_Judged]) -> list[_Judged]:
    """Of every part of the plan the way that saves most."""
    best: dict[str, _Judged] = {}
    for each in judged:
        best.setdefault(each.way.place, each)
    return list(best.values())


def _figures(each: _Judged) -> SwapFigures:
    part = each.way.part
    kind: Literal["bed", "mix", "plot"] = (
        "bed" if isinstance(part, Bed) else "mix" if isinstance(part, PlanMix) else "plot"
    )
    return SwapFigures(
        key=each.way.key,
        title=each.way.title,
        bed=each.way.bed,
        part=kind,
        changed=part.model_dump(mode="json", exclude_none=True),
        total=each.haul.total,
        saves=each.saves,
        before=_told(each.before),
        after=_told(each.after),
    )


def _told(bed: BedFigures | None) -> JudgedFigures | None:
    if bed is None:
        return None
    sowing = min((each.from_day for each in bed.ready.sowings if each.from_day), default=None)
    return JudgedFigures(bed.ready.depth_m, bed.surface_m[0] - bed.surface_m[12], bed.nitrogen_short_kg, sowing)
