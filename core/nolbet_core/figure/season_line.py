"""What happened in a garden week by week: one mark for all that is of a kind, so that years fit on a line."""

from __future__ import annotations

from collections.abc import Iterable
from datetime import date, timedelta

from nolbet_core.figure.season_figures import MarkKind, WeekMark
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.log import (
    HarvestEntry,
    HoursSpent,
    LogEntry,
    Purchase,
    RainEntry,
    RefillEntry,
    SurfaceEntry,
    TopUpEntry,
    WateredEntry,
    day_of,
)
from nolbet_core.works.ticking import step_name


def week_marks(plan: Plan) -> list[WeekMark]:
    """Marks of a plan's log and of its steps that are done, the first week first."""
    sums: dict[tuple[date, str, MarkKind], list[LogEntry | None]] = {}
    for entry in plan.log:
        if isinstance(entry, SurfaceEntry | Purchase | HoursSpent):
            continue
        on = day_of(entry.on)
        sums.setdefault((_week(on), entry.bed or "", entry.kind), []).append(entry)
    works = plan.garden.works
    for said in works.steps if works else ():
        if said.done_on:
            bed = step_name(said.step).bed or ""
            sums.setdefault((_week(date.fromisoformat(said.done_on)), bed, "step"), []).append(None)
    return [_mark(*key, entries) for key, entries in sorted(sums.items())]


def _week(on: date) -> date:
    """The Monday of a day's week."""
    return on - timedelta(days=on.weekday())


def _mark(week: date, bed: str, kind: MarkKind, entries: list[LogEntry | None]) -> WeekMark:
    return WeekMark(
        bed=bed,
        kind=kind,
        week=week,
        count=len(entries),
        mass_kg=sum(each.mass_kg or 0.0 for each in entries if isinstance(each, HarvestEntry)),
        rain_mm=sum(each.mm for each in entries if isinstance(each, RainEntry)),
        volume_m3=_volume(entries),
    )


def _volume(entries: Iterable[LogEntry | None]) -> float:
    return sum(each.volume_m3 or 0.0 for each in entries if isinstance(each, WateredEntry | RefillEntry | TopUpEntry))
