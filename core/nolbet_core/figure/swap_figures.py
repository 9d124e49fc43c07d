"""Ways to pay less, and what they cost otherwise, in the names of the plan file."""

from __future__ import annotations

from datetime import date
from typing import Any, Literal

from nolbet_core.figure.buying_figures import MoneyOut
from nolbet_core.record import record


@record
class JudgedFigures:
    """What a bed is like: rootable soil, how far it sinks in the first year, nitrogen it lacks, its first sowing."""

    soil_m: float
    sinks_m: float
    nitrogen_short_kg: float
    first_sowing: date | None


@record
class SwapFigures:
    """One way to pay less. total: of the cheapest haul with it alone; saves: against that without any.

    part, changed: what it changes and how that would be, in the plan file's words. before, after: of its bed, null
    where it changes none or puts it off. unmet: what nobody offers then and could be had before.
    """

    key: str
    title: str
    bed: str
    part: Literal["bed", "mix", "plot"]
    changed: dict[str, Any]
    total: MoneyOut
    saves: MoneyOut
    before: JudgedFigures | None
    after: JudgedFigures | None


@record
class SwapsFigures:
    """Ways to get under a budget, those that save most first.

    total: of the cheapest haul as it stands; spent: on what was bought. proposed: keys of the smallest set that gets
    under it, empty where it is under it already or nothing does; proposed_total: what is to pay then. short_by: by how
    much even all that go together fall short, null where they don't. looked: how many hauls were worked out.
    """

    total: MoneyOut
    spent: MoneyOut
    budget: MoneyOut | None
    swaps: list[SwapFigures]
    proposed: list[str]
    proposed_total: MoneyOut | None
    short_by: MoneyOut | None
    looked: int
