"""Upkeep that falls due, and what of it was ticked off in the log."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date, timedelta

from nolbet_core.built.worked import WorkedBed
from nolbet_core.figure.season_figures import UpkeepDue
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.log import NoteEntry, day_of
from nolbet_core.works.upkeep import upkeep_of

AHEAD_DAYS = 365
LATE_DAYS = 183
"""What fell due longer ago isn't asked for any more."""


def upkeep_due(beds: Sequence[WorkedBed], plan: Plan, today: date) -> list[UpkeepDue]:
    """What filled beds ask for within a year, and asked for within the last half, by its day."""
    done = {
        entry.upkeep: day_of(entry.on)
        for entry in plan.log
        if isinstance(entry, NoteEntry) and entry.upkeep is not None
    }
    since = today - timedelta(days=LATE_DAYS)
    due = []
    for worked in beds:
        if worked.state != "filled" or worked.built_on is None:
            continue
        for each in upkeep_of(worked, worked.built_on, since, years=2):
            if each.on > today + timedelta(days=AHEAD_DAYS):
                continue
            done_on = done.get(each.key)
            late = each.on < today and done_on is None
            due.append(UpkeepDue(each.key, each.bed, each.title, each.why, each.on, done_on, late))
    return sorted(due, key=lambda each: each.on)
