"""Season: what was seen and done in a garden, by bed, in and out as a file."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from django.db import transaction
from django.db.models import Prefetch
from django.http import HttpRequest, HttpResponse
from ninja import File, Router, Schema, Status
from ninja.files import UploadedFile
from pydantic import Field

from nolbet.api.revisions import After, Revision
from nolbet.api.written import written
from nolbet.clock import today
from nolbet.gardens.errors import Missing
from nolbet.gardens.models import Garden
from nolbet.gardens.owned import own_bed, own_garden
from nolbet.gardens.pictures import new_picture, shown, too_large
from nolbet.plans.supplies import garden_supplies
from nolbet.plans.whole import garden_with_log
from nolbet.season.models import Entry, EntryPhoto, EntryVersion
from nolbet.season.rows import entry_plan, keep_entry, keep_season, season_plan, take_out, there
from nolbet_core.built.seen import wrong_with_top_up
from nolbet_core.figure.season import figure_season
from nolbet_core.figure.season_figures import SeasonFigures
from nolbet_core.plan.fields import Key
from nolbet_core.plan.log import EntryKey, SeasonEntry, TopUpEntry
from nolbet_core.plan.log_file import MOST_TEXT, read_log, written_log
from nolbet_core.plan.problems import PlanProblem

router = Router(tags=["season"])

PAGE = 100
"""Entries that are told at once."""


class EntryPhotoOut(Schema):
    """A photograph with an entry."""

    key: str
    width: int
    height: int


class EntryOut(Schema):
    """An entry as it is kept. key: it is known again by; revision: to change it from."""

    key: str
    revision: int
    entry: SeasonEntry
    photos: list[EntryPhotoOut]


class EntriesOut(Schema):
    """A page of entries, the last first. total: of all pages."""

    total: int
    entries: list[EntryOut]


class EntryIn(Schema):
    """An entry to keep. revision: that it was changed from, 0 of a new one."""

    revision: Revision = 0
    entry: SeasonEntry = Field(discriminator="kind")


class EntryBefore(Schema):
    """An entry as it was before a change. said: in the plan file's words."""

    revision: int
    bed_key: str
    said: dict[str, Any]
    saved_at: datetime


class LogText(Schema):
    """A log's file: CSV with a row for each entry."""

    text: str = Field(max_length=MOST_TEXT)


class RowLeftOut(Schema):
    """A row that could not be taken, and why."""

    line: int
    reason: str


class LogTaken(Schema):
    """How many entries of a file are new or changed, and rows that could not be taken."""

    taken: int
    bad: list[RowLeftOut]


@router.get("/{garden_id}/season", response=EntriesOut, exclude_none=True)
def list_entries(request: HttpRequest, garden_id: int, bed: Key | None = None, after: After = 0) -> EntriesOut:
    """A page of a garden's entries, the last first. bed: of this alone. after: so many that were told before."""
    rows = there(own_garden(request, garden_id))
    if bed is not None:
        rows = rows.filter(bed__key=bed)
    page = rows.prefetch_related(Prefetch("photos", EntryPhoto.objects.defer("picture")))[after : after + PAGE]
    return EntriesOut(total=rows.count(), entries=[_out(each) for each in page])


@router.put("/{garden_id}/season/{entry_key}", response=EntryOut, exclude_none=True)
def keep_an_entry(request: HttpRequest, garden_id: int, entry_key: EntryKey, sent: EntryIn) -> EntryOut:
    """Keep an entry under its key, new or changed; one that arrives twice is kept once."""
    garden = own_garden(request, garden_id)
    entry = sent.entry
    bed = own_bed(request, garden_id, entry.bed) if entry.bed is not None else None
    if isinstance(entry, TopUpEntry):
        for problem in wrong_with_top_up(entry, garden_supplies(garden).materials, "entry"):
            raise problem
    return _out(keep_entry(garden, entry_key, sent.revision, entry, bed))


@router.delete("/{garden_id}/season/{entry_key}", response={204: None})
def take_entry_out(request: HttpRequest, garden_id: int, entry_key: EntryKey) -> Status[None]:
    """Take an entry out; what it said stays in its history."""
    if not take_out(own_garden(request, garden_id), entry_key):
        raise Missing
    return Status(204, None)


@router.get("/{garden_id}/season/{entry_key}/history", response=list[EntryBefore])
def entry_history(request: HttpRequest, garden_id: int, entry_key: EntryKey) -> list[EntryVersion]:
    """What an entry said before it was changed, the last first."""
    row = own_garden(request, garden_id).entries.filter(key=entry_key).first()
    if row is None:
        raise Missing
    return list(row.versions.all())


@router.post("/{garden_id}/season/{entry_key}/photos/{photo_key}", response=EntryPhotoOut)
def add_entry_photo(
    request: HttpRequest, garden_id: int, entry_key: EntryKey, photo_key: EntryKey, photo: File[UploadedFile]
) -> EntryPhoto:
    """Keep a photograph with an entry, under its key; one that arrives twice is kept once."""
    garden = own_garden(request, garden_id)
    entry = garden.entries.filter(key=entry_key, deleted_at=None).first()
    if entry is None:
        raise Missing
    if wrong := too_large(photo.size):
        raise wrong
    with transaction.atomic():
        found = entry.photos.filter(key=photo_key).defer("picture").first()
        if found is not None:
            return found
        columns = new_picture(garden, photo.read(), entry.photos.count(), "an entry")
        return EntryPhoto.objects.create(garden=garden, entry=entry, key=photo_key, **columns)


@router.get("/{garden_id}/season/{entry_key}/photos/{photo_key}")
def show_entry_photo(request: HttpRequest, garden_id: int, entry_key: EntryKey, photo_key: EntryKey) -> HttpResponse:
    """A photograph, to its owner alone."""
    found = own_garden(request, garden_id).entry_photos.filter(entry__key=entry_key, key=photo_key).first()
    if found is None:
        raise Missing
    return shown(found)


@router.delete("/{garden_id}/season/{entry_key}/photos/{photo_key}", response={204: None})
def forget_entry_photo(request: HttpRequest, garden_id: int, entry_key: EntryKey, photo_key: EntryKey) -> Status[None]:
    """Take a photograph out."""
    gone, _ = own_garden(request, garden_id).entry_photos.filter(entry__key=entry_key, key=photo_key).delete()
    if not gone:
        raise Missing
    return Status(204, None)


@router.get("/{garden_id}/figure/season", response=SeasonFigures)
def figure_the_season(request: HttpRequest, garden_id: int) -> HttpResponse:
    """What a garden's log comes to: yields, worth, trials, and what it teaches."""
    return written(figure_season(garden_with_log(own_garden(request, garden_id)), today()))


@router.get("/{garden_id}/season.csv")
def take_out_log(request: HttpRequest, garden_id: int) -> HttpResponse:
    """A garden's entries as a file, the first first."""
    text = written_log(season_plan(own_garden(request, garden_id)))
    answer = HttpResponse(text, content_type="text/csv; charset=utf-8")
    answer["Content-Disposition"] = 'attachment; filename="season.csv"'
    return answer


@router.post("/{garden_id}/season", response=LogTaken)
def bring_log(request: HttpRequest, garden_id: int, file: LogText) -> LogTaken:
    """Bring a file of entries in: good rows are kept, bad ones named with their line."""
    garden = own_garden(request, garden_id)
    try:
        rows, bad = read_log(file.text)
    except ValueError as problem:
        raise PlanProblem("text", str(problem)) from problem
    left_out = [RowLeftOut(line=each.line, reason=each.reason) for each in bad]
    beds = {bed.key: bed for bed in garden.beds.filter(deleted_at=None)}
    good: dict[str | int, SeasonEntry] = {}
    for line, entry in rows:
        wrong = _wrong(garden, entry, set(beds))
        if wrong is None and entry.key in good:
            wrong = PlanProblem("key", f"'{entry.key}' stands twice")
        if wrong is None:
            good[entry.key or line] = entry
        else:
            left_out.append(RowLeftOut(line=line, reason=str(wrong)))
    with transaction.atomic():
        taken = keep_season(garden, beds, good.values())
        garden.changed()
    return LogTaken(taken=taken, bad=sorted(left_out, key=lambda each: each.line))


def _wrong(garden: Garden, entry: SeasonEntry, beds: set[str]) -> PlanProblem | None:
    """What an entry names that isn't in its garden; None where all is."""
    if entry.bed is not None and entry.bed not in beds:
        return PlanProblem("bed", f"'{entry.bed}' is no bed of this garden")
    if isinstance(entry, TopUpEntry):
        return next(wrong_with_top_up(entry, garden_supplies(garden).materials, "entry"), None)
    return None


def _out(row: Entry) -> EntryOut:
    photos = [EntryPhotoOut(key=each.key, width=each.width, height=each.height) for each in row.photos.all()]
    return EntryOut(key=row.key, revision=row.revision, entry=entry_plan(row), photos=photos)
