"""What a check gives: the thing as far as it holds, and every problem that was met on the way."""

from __future__ import annotations

from typing import Generic, TypeVar

from nolbet_core.plan.problems import PlanProblem
from nolbet_core.record import record

Thing = TypeVar("Thing")


@record
class Checked(Generic[Thing]):
    """A thing built of words, None where too little of it holds, with all that is wrong with the words."""

    value: Thing | None
    problems: tuple[PlanProblem, ...] = ()

    def holding(self) -> Thing:
        """The thing, of words that hold together. Raises the first problem where they don't."""
        if self.problems:
            raise self.problems[0]
        if self.value is None:
            raise ValueError("nothing was built and nothing said why")
        return self.value
