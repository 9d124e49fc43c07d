"""The works as a calendar that other programs take in: each step keeps its id, so that another taking in updates it."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta
from uuid import NAMESPACE_URL, uuid5

from icalendar import Calendar, Event

from nolbet_core.figure.works_figures import UpkeepFigures, WorksFigures, WorkStep

PRODUCT = "-//Nolbet//Works//EN"


def works_calendar(garden_id: int, name: str, works: WorksFigures, changes: int, now: datetime) -> bytes:
    """Steps that have a day and the upkeep of the coming years as whole-day events.

    garden_id: which, part of each event's id. changes: counts up with every change, so that a newer one is known.
    """
    calendar = Calendar()
    calendar.add("prodid", PRODUCT)
    calendar.add("version", "2.0")
    calendar.add("method", "PUBLISH")
    calendar.add("x-wr-calname", f"{name}: works")
    for step in works.steps:
        if step.on is not None and step.hours > 0:
            calendar.add_component(_of_step(garden_id, step, changes, now))
    for due in works.upkeep:
        calendar.add_component(_of_upkeep(garden_id, due, changes, now))
    return bytes(calendar.to_ical())


def event_id(garden_id: int, key: str) -> str:
    """The id that an event keeps for good."""
    return f"{uuid5(NAMESPACE_URL, f'nolbet:{garden_id}:{key}')}@nolbet"


def _event(uid: str, changes: int, now: datetime) -> Event:
    event = Event()
    event.add("uid", uid)
    event.add("dtstamp", now.astimezone(UTC))
    event.add("sequence", changes)
    event.add("transp", "TRANSPARENT")
    return event


def _of_step(garden_id: int, step: WorkStep, changes: int, now: datetime) -> Event:
    event = _event(event_id(garden_id, step.key), changes, now)
    event.add("summary", step.title)
    event.add("dtstart", step.on)
    event.add("dtend", (step.until or step.on or now.date()) + timedelta(days=1))
    parts = [f"About {step.hours:.1f} h. {step.why}", *step.lines, f"Done when: {step.done_when}", *step.cautions]
    if step.wait_days and step.wait_for:
        parts.append(f"Then wait {step.wait_days} days for {step.wait_for}.")
    event.add("description", "\n".join(parts))
    event.add("categories", [step.name])
    return event


def _of_upkeep(garden_id: int, due: UpkeepFigures, changes: int, now: datetime) -> Event:
    event = _event(event_id(garden_id, f"upkeep {due.key}"), changes, now)
    event.add("summary", due.title)
    event.add("dtstart", due.on)
    event.add("dtend", due.on + timedelta(days=1))
    event.add("description", due.why)
    return event
