"""Entries of a garden's log read as the plan writes them, and kept."""

from __future__ import annotations

import uuid
from collections.abc import Iterable, Mapping, Sequence
from typing import Annotated, Any

from django.db import transaction
from django.db.models import QuerySet
from django.utils import timezone
from pydantic import Field, TypeAdapter

from nolbet.gardens.errors import StaleChange
from nolbet.gardens.models import Bed, Garden
from nolbet.season.models import Entry, EntryVersion
from nolbet_core.plan.log import SeasonEntry
from nolbet_core.plan.problems import PlanProblem

MOST_ENTRIES = 20_000
"""That a garden keeps."""
OF_THE_BEDS = ("surface", "top_up", "sown")
"""Kinds that a bed's figures rest on."""

_read: TypeAdapter[SeasonEntry] = TypeAdapter(Annotated[SeasonEntry, Field(discriminator="kind")])


def there(garden: Garden) -> QuerySet[Entry]:
    """A garden's entries, the last first, those of beds in the bin left out."""
    return garden.entries.filter(deleted_at=None, bed__deleted_at=None).select_related("bed")


def season_plan(garden: Garden, kinds: Sequence[str] = ()) -> list[SeasonEntry]:
    """A garden's entries in order. kinds: of these alone, where any are named."""
    rows = there(garden).order_by("on", "id")
    return [entry_plan(each) for each in (rows.filter(kind__in=kinds) if kinds else rows)]


def entry_plan(row: Entry) -> SeasonEntry:
    """An entry as the plan writes it."""
    bed = {"bed": row.bed.key} if row.bed else {}
    return _read.validate_python({**row.said, **bed, "key": row.key})


def _columns(entry: SeasonEntry, bed: Bed | None) -> dict[str, Any]:
    said = entry.model_dump(mode="json", exclude_none=True, exclude_defaults=True, exclude={"key", "bed"})
    return {"kind": entry.kind, "on": entry.on, "bed": bed, "said": {**said, "kind": entry.kind}}


def keep_season(garden: Garden, beds: Mapping[str, Bed], entries: Iterable[SeasonEntry]) -> int:
    """Keep entries that aren't there yet; one whose key is there takes its place. Gives how many are new or changed.

    beds: by key. Raises PlanProblem where a garden would keep more than it can.
    """
    kept = {each.key: each for each in garden.entries.select_related("bed")}
    unnamed = [_told(row) for row in kept.values() if row.deleted_at is None]
    new: list[Entry] = []
    changed = 0
    for entry in entries:
        columns = _columns(entry, beds[entry.bed] if entry.bed is not None else None)
        row = kept.get(entry.key) if entry.key else None
        if row is not None:
            changed += _change(row, columns)
        elif entry.key is None and (columns["bed"], columns["said"]) in unnamed:
            continue
        else:
            new.append(Entry(garden=garden, key=entry.key or uuid.uuid4().hex, **columns))
    if len(kept) + len(new) > MOST_ENTRIES:
        raise PlanProblem("log", f"would have more than the {MOST_ENTRIES:,} entries that a garden keeps")
    Entry.objects.bulk_create(new, batch_size=500)
    return len(new) + changed


def _told(row: Entry) -> tuple[Bed | None, dict[str, Any]]:
    return row.bed, row.said


def _change(row: Entry, columns: Mapping[str, Any]) -> bool:
    """Keep an entry's new words, its old ones beside; False where it says the same already."""
    if row.deleted_at is None and _told(row) == (columns["bed"], columns["said"]):
        return False
    EntryVersion.objects.create(
        entry=row,
        revision=row.revision,
        bed_key=row.bed.key if row.bed else "",
        said=row.said,
        saved_at=row.saved_at,
    )
    for name, value in columns.items():
        setattr(row, name, value)
    row.revision += 1
    row.deleted_at = None
    row.save()
    return True


def keep_entry(garden: Garden, key: str, revision: int, entry: SeasonEntry, bed: Bed | None) -> Entry:
    """Keep one entry under its key. revision: that the change was made from, 0 of a new one.

    One that arrives twice is kept once. Raises StaleChange where it was changed since, PlanProblem where there are
    enough.
    """
    columns = _columns(entry, bed)
    with transaction.atomic():
        row = garden.entries.select_related("bed").filter(key=key).first()
        if row is None:
            if garden.entries.count() >= MOST_ENTRIES:
                raise PlanProblem("entry", f"is one more than the {MOST_ENTRIES:,} that a garden keeps")
            row = Entry.objects.create(garden=garden, key=key, **columns)
        elif row.deleted_at is None and _told(row) == (columns["bed"], columns["said"]):
            return row
        elif row.revision != revision:
            raise StaleChange("This entry was")
        else:
            _change(row, columns)
        garden.changed()
    return row


def take_out(garden: Garden, key: str) -> bool:
    """Take an entry out with its photographs; its words stay in its history. False where there is none."""
    with transaction.atomic():
        gone = garden.entries.filter(key=key, deleted_at=None).update(deleted_at=timezone.now())
        if gone:
            garden.entry_photos.filter(entry__key=key).delete()
            garden.changed()
    return bool(gone)
