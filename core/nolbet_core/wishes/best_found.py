"""What looking has found so far: the front of all schools together, and the cheapest of each."""

from __future__ import annotations

from nolbet_core.record import record
from nolbet_core.wishes.candidates import Candidate
from nolbet_core.wishes.front import Front
from nolbet_core.wishes.judge import Begun, Judged
from nolbet_core.wishes.quick import CENT, Least

SAME_M = 1e-6
"""Heights and areas that follow from the same stack differ by less [m, m2]."""


@record
class _Stack:
    """What follows from layers' depths alone: those alike in them sink as far [m], and are sown on the same day."""

    sinks_m: float
    sown: float


class BestFound:
    """Keeps what is told in the end, and tells who can't be part of it any more by what it takes at least."""

    def __init__(self) -> None:
        self._front: Front[Judged] = Front()
        self._cheapest: dict[str, Judged] = {}
        self._stacks: dict[tuple[object, ...], _Stack] = {}

    @property
    def front(self) -> list[Judged]:
        """Those that none beats."""
        return self._front.things

    @property
    def others(self) -> list[Judged]:
        """The cheapest of each school that isn't on the front."""
        there = {each.candidate.school.key for each in self._front.things}
        return [each for school, each in self._cheapest.items() if school not in there]

    def add(self, judged: Judged) -> None:
        """Take one in that can be built."""
        self._front.add(judged.costs, judged)
        school = judged.candidate.school.key
        if school not in self._cheapest or judged.money < self._cheapest[school].money:
            self._cheapest[school] = judged

    def knows(self, begun: Begun) -> None:
        """Take note of how one sinks and when it is sown: others of the same stack do likewise."""
        _, _, _, sinks_m, sown, _ = begun.least_costs(0.0)
        self._stacks.setdefault(begun.candidate.stack, _Stack(sinks_m, sown))

    def beats(self, begun: Begun, least: Least) -> bool:
        """Whether one can be left out, whatever its hours above the least and its top-ups come to."""
        return self._beats(begun.least_costs(least.hours), begun.candidate.school.key)

    def beats_unseen(self, candidate: Candidate, least: Least) -> bool:
        """Whether one can be left out by what it takes at least, once one of the same stack is known."""
        stack = self._stacks.get(candidate.stack)
        if stack is None:
            return False
        money = least.money - CENT
        costs = money, money, least.hours, stack.sinks_m - SAME_M, stack.sown, -candidate.area_m2 - SAME_M
        return self._beats(costs, candidate.school.key)

    def _beats(self, costs: tuple[float, ...], school: str) -> bool:
        cheapest = self._cheapest.get(school)
        return cheapest is not None and float(cheapest.money) <= costs[0] and self._front.beats(costs)
