"""Days counted by those on which the server ran, so that a clock that is wrong once throws nothing away."""

from __future__ import annotations

from datetime import UTC, date, datetime, time

from nolbet.daily.models import ServedDay

REMEMBERED_DAYS = 400
"""More days than anything is kept for."""


def note_day(day: date) -> bool:
    """Note that the server runs on a day; whether that is new."""
    _, new = ServedDay.objects.get_or_create(day=day)
    if new:
        kept = ServedDay.objects.order_by("-day").values_list("day", flat=True)[:REMEMBERED_DAYS]
        ServedDay.objects.exclude(day__in=list(kept)).delete()
    return new


def days_ago(days: int, today: date) -> datetime | None:
    """The beginning of the day so many served days before today; None where the server hasn't run for that long.

    A clock that is a month ahead for a while adds one day to those served, not a month.
    """
    served = ServedDay.objects.filter(day__lt=today).order_by("-day").values_list("day", flat=True)
    found = list(served[days - 1 : days])
    return datetime.combine(found[0], time.min, tzinfo=UTC) if found else None
