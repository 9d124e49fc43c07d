"""Looking through all candidates: quick bounds first, then the rules themselves, what was found told on the way."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator, Sequence
from datetime import date
from time import monotonic

from nolbet_core.built.supplies import Supplies
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.wishes import Wishes
from nolbet_core.quantities.units import System
from nolbet_core.record import record
from nolbet_core.wishes.candidates import MOST_CANDIDATES, Candidate, bed_of, candidates
from nolbet_core.wishes.front import Front
from nolbet_core.wishes.judge import Judge, Judged
from nolbet_core.wishes.limits import LimitKind
from nolbet_core.wishes.quick import CENT, Least, QuickBounds

TOLD_EVERY_S = 0.4
"""Between two words of how far it has come [s]."""

SAME_M = 1e-6
"""Heights and areas that follow from the same stack differ by less [m, m2]."""

MOST_EASED = 30
"""Candidates of each limit that are judged in full, where none can be built, to tell what to ease."""


@record
class Ease:
    """A limit that alone stands in the way: what there is of it, the least that would do, and how many ways that single
    limit keeps from being built. named: crops or materials that are meant.
    """

    kind: LimitKind
    has: float
    takes: float
    opens: int
    named: tuple[str, ...]


@record
class Looked:
    """How far looking has come: how many of all candidates were judged; the front so far; others: the cheapest of each
    school that isn't on it; and, at the end and where nothing can be built, what to ease. left_out: ways over
    those that are judged.
    """

    judged: int
    of: int
    front: list[Judged]
    others: list[Judged]
    ended: bool
    eases: list[Ease]
    left_out: int


@record
class _Waiting:
    """A candidate to be judged, and what it takes at least."""

    candidate: Candidate
    bed: Bed
    least: Least


class Search:
    """Looks for beds that a garden's wishes allow. plan: for prices and climate. today: the day that is now."""

    def __init__(self, plan: Plan, wishes: Wishes, supplies: Supplies, today: date | None) -> None:
        self.judge = Judge(plan, wishes, supplies, today)
        self._wishes = wishes
        system = System(plan.garden.units)
        ways = candidates(wishes, supplies.materials, self.judge.suppliers, system)
        self.candidates, self.left_out = ways[:MOST_CANDIDATES], max(len(ways) - MOST_CANDIDATES, 0)
        self._bounds = QuickBounds(wishes, supplies.materials, self.judge.suppliers, self.judge.paces)
        self._fronts: dict[str, Front[Judged]] = {}
        self._stacks: dict[tuple[object, ...], Judged] = {}

    def look(self) -> Iterator[Looked]:
        """Judge one candidate after the other; what was found so far is told every few, and all of it at the end."""
        refused: list[_Waiting] = []
        kept: list[Judged] = []
        likely = self._likely_first(refused)
        done, told_at = len(refused), 0.0
        for waiting in likely:
            done += 1
            if self._is_beaten(waiting):
                continue
            judged = self.judge.judged(waiting.candidate, waiting.bed)
            if judged is None:
                continue
            self._stacks.setdefault(waiting.candidate.stack, judged)
            if judged.short:
                kept.append(judged)
            else:
                self._fronts.setdefault(judged.candidate.school.key, Front()).add(judged.costs, judged)
            if monotonic() - told_at >= TOLD_EVERY_S:
                told_at = monotonic()
                yield self._looked(done, ended=False, eases=[])
        eases = [] if self._fronts else self._eases(kept, refused)
        yield self._looked(len(self.candidates), ended=True, eases=eases)

    def _looked(self, done: int, *, ended: bool, eases: list[Ease]) -> Looked:
        whole: Front[Judged] = Front()
        for front in self._fronts.values():
            for each in front.things:
                whole.add(each.costs, each)
        there = {each.candidate.school.key for each in whole.things}
        others = [
            min(front.things, key=lambda each: each.money)
            for school, front in self._fronts.items()
            if school not in there
        ]
        return Looked(done, len(self.candidates), whole.things, others, ended, eases, self.left_out)

    def _is_beaten(self, waiting: _Waiting) -> bool:
        """Whether one of its school beats it even by what it takes at least. What it sinks, and when it is sown, is
        known once one of the same stack was judged.
        """
        front, alike = self._fronts.get(waiting.candidate.school.key), self._stacks.get(waiting.candidate.stack)
        if front is None or alike is None:
            return False
        _, _, _, sinks_m, sown, _ = alike.costs
        least = waiting.least
        return front.beats(
            (
                least.money - CENT,
                least.money - CENT,
                least.hours,
                sinks_m - SAME_M,
                sown,
                -waiting.candidate.area_m2 - SAME_M,
            )
        )

    def _likely_first(self, refused: list[_Waiting]) -> list[_Waiting]:
        """Candidates that no bound refuses, the cheapest for its area of each school first, schools in turns.

        refused: takes the others.
        """
        by_school: dict[str, list[tuple[float, _Waiting]]] = {}
        for candidate in self.candidates:
            bed = bed_of(candidate, self._wishes.may)
            waiting = _Waiting(candidate, bed, self._bounds.least(candidate, bed))
            if self._bounds.short(candidate, waiting.least):
                refused.append(waiting)
                continue
            row = by_school.setdefault(candidate.school.key, [])
            row.append((waiting.least.money / candidate.area_m2, waiting))
        rows = [sorted(each, key=lambda row: row[0]) for each in by_school.values()]
        return [row[at][1] for at in range(max(map(len, rows), default=0)) for row in rows if at < len(row)]

    def _nearest(self, refused: Sequence[_Waiting]) -> list[_Waiting]:
        """The cheapest of those that each limit alone keeps from being built, by their bounds."""
        by_limit: dict[LimitKind, list[_Waiting]] = {}
        for each in refused:
            short = self._bounds.short(each.candidate, each.least)
            if len(short) == 1:
                by_limit.setdefault(short[0].kind, []).append(each)
        rows = [sorted(row, key=lambda each: each.least.money)[:MOST_EASED] for row in by_limit.values()]
        return [each for row in rows for each in row]

    def _eases(self, kept: Sequence[Judged], refused: Sequence[_Waiting]) -> list[Ease]:
        """What to ease where nothing can be built: limits that alone stand in some candidate's way, those that keep
        most from being built first.
        """
        also = [self.judge.judged(each.candidate, each.bed) for each in self._nearest(refused)]
        judged = [*kept, *(each for each in also if each is not None)]
        single = [each for each in judged if len(each.short) == 1]
        if not single:
            fewest = min((len(each.short) for each in judged), default=0)
            single = [each for each in judged if len(each.short) == fewest]
        opens: Counter[LimitKind] = Counter(short.kind for each in single for short in each.short)
        eases = []
        for kind, count in opens.most_common():
            least = min(
                (short for each in single for short in each.short if short.kind == kind),
                key=lambda short: abs(short.takes - short.has),
            )
            eases.append(Ease(kind, least.has, least.takes, count, least.named))
        return eases
