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
from nolbet_core.wishes.best_found import BestFound
from nolbet_core.wishes.candidates import MOST_CANDIDATES, Candidate, bed_of, candidates
from nolbet_core.wishes.judge import Judge, Judged
from nolbet_core.wishes.limits import LimitKind
from nolbet_core.wishes.quick import Least, QuickBounds

TOLD_EVERY_S = 0.4
"""Between two words of how far it has come [s]."""

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
        self._found = BestFound()

    def look(self) -> Iterator[Looked]:
        """Judge one candidate after the other; what was found so far is told every few, and all of it at the end."""
        refused: list[_Waiting] = []
        kept: list[Judged] = []
        likely = self._likely_first(refused)
        done, told_at = len(refused), 0.0
        for waiting in likely:
            done += 1
            judged = self._judged(waiting)
            if judged is None:
                continue
            if judged.short:
                kept.append(judged)
            else:
                self._found.add(judged)
            if monotonic() - told_at >= TOLD_EVERY_S:
                told_at = monotonic()
                yield self._looked(done, ended=False, eases=[])
        eases = [] if self._found.front else self._eases(kept, refused)
        yield self._looked(len(self.candidates), ended=True, eases=eases)

    def _looked(self, done: int, *, ended: bool, eases: list[Ease]) -> Looked:
        found = self._found
        return Looked(done, len(self.candidates), found.front, found.others, ended, eases, self.left_out)

    def _judged(self, waiting: _Waiting) -> Judged | None:
        """A candidate as it would be; None where it doesn't hold together, or others are known to beat it."""
        if self._found.beats_unseen(waiting.candidate, waiting.least):
            return None
        begun = self.judge.begun(waiting.candidate, waiting.bed)
        if begun is None:
            return None
        self._found.knows(begun)
        return None if self._found.beats(begun, waiting.least) else self.judge.finished(begun)

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
