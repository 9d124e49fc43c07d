"""What looking for beds that could be built found, in figures."""

from __future__ import annotations

from datetime import date
from typing import Any

from nolbet_core.built.supplies import Supplies
from nolbet_core.built.surroundings import Surroundings
from nolbet_core.built.worked import work_bed
from nolbet_core.figure.beds import cut_open
from nolbet_core.figure.buying_figures import MoneyOut
from nolbet_core.figure.figures import CutOpen
from nolbet_core.record import record
from nolbet_core.wishes.front import spread_out
from nolbet_core.wishes.judge import Judged
from nolbet_core.wishes.limits import LimitKind
from nolbet_core.wishes.search import Looked

MOST_SHOWN = 9
"""So many proposals are told, those that differ most."""

MOST_OTHERS = 6
"""So many schools are told beside them that others beat in everything: depth, water or keeping may be worth it."""


@record
class ProposalFigures:
    """Beds that could be built. bed: in the plan file's words. cut: one of them, to draw. courses: of boards, 0 without
    a frame. money: for all of them; money_ten_years: with their top-ups. hours: of one person.
    sinks_m: in three years. unbeaten: whether none is better in everything; else it is the cheapest of its school.
    """

    bed: dict[str, Any]
    school: str
    count: int
    outer_length_m: float
    outer_width_m: float
    rim_m: float
    courses: int
    cut: CutOpen
    money: MoneyOut
    money_ten_years: MoneyOut
    hours: float
    sinks_m: float
    first_sowing: date | None
    area_m2: float
    unbeaten: bool


@record
class EaseFigures:
    """A wish that stands in the way of all: what there is of it, and the least that would do, in its own unit; of days
    of the calendar the days. opens: how many ways it alone keeps from being built.
    """

    kind: LimitKind
    has: float
    takes: float
    has_day: date | None
    takes_day: date | None
    opens: int
    named: list[str]


@record
class WishesLooked:
    """How far looking has come: judged of all ways; the proposals so far; found: how many are on the front; eases: what
    to ease, where nothing can be built. left_out: ways that aren't looked at, over the most that are.
    """

    judged: int
    of: int
    found: int
    ended: bool
    left_out: int
    proposals: list[ProposalFigures]
    eases: list[EaseFigures]


def looked_figures(looked: Looked, around: Surroundings, supplies: Supplies) -> WishesLooked:
    """What was found so far, in figures. around, supplies: of the garden."""
    shown = spread_out([each.costs for each in looked.front], MOST_SHOWN)
    best = [looked.front[at] for at in shown]
    return WishesLooked(
        judged=looked.judged,
        of=looked.of,
        found=len(looked.front),
        ended=looked.ended,
        left_out=looked.left_out,
        proposals=[
            *(_proposal(each, around, supplies, unbeaten=True) for each in best),
            *(_proposal(each, around, supplies, unbeaten=False) for each in looked.others[:MOST_OTHERS]),
        ],
        eases=[
            EaseFigures(
                each.kind,
                each.has,
                each.takes,
                date.fromordinal(round(each.has)) if each.kind == "sow_on" else None,
                date.fromordinal(round(each.takes)) if each.kind == "sow_on" else None,
                each.opens,
                list(each.named),
            )
            for each in looked.eases
        ],
    )


def _proposal(judged: Judged, around: Surroundings, supplies: Supplies, *, unbeaten: bool) -> ProposalFigures:
    worked = work_bed(judged.bed, around, supplies)
    words: dict[str, Any] = judged.bed.model_dump(mode="json", exclude_none=True, exclude_defaults=True)
    outside = worked.vessel.outside
    return ProposalFigures(
        bed=words | {"shape": judged.bed.shape.model_dump(mode="json")},
        school=judged.candidate.school.name,
        count=judged.bed.count,
        outer_length_m=outside.length_m,
        outer_width_m=outside.width_m,
        rim_m=worked.vessel.hollow.rim_m,
        courses=judged.candidate.courses,
        cut=cut_open(worked),
        money=judged.money,
        money_ten_years=judged.money_ten_years,
        hours=judged.hours,
        sinks_m=judged.sinks_m,
        first_sowing=judged.first_sowing,
        area_m2=judged.area_m2,
        unbeaten=unbeaten,
    )
