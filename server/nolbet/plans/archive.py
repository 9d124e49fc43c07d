"""A whole garden as an archive: plan file, log, weather and photographs in one zip, out and in again."""

from __future__ import annotations

import hashlib
import io
import json
import zipfile
import zlib
from collections import Counter
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from typing import IO, Annotated, Any

from django.db import transaction
from pydantic import AwareDatetime, BaseModel, ConfigDict, Field, ValidationError

from nolbet.gardens.models import Garden
from nolbet.gardens.pictures import (
    MOST_A_GARDEN,
    MOST_BYTES,
    MOST_OF_ONE,
    Picture,
    check_room_for_pictures,
    kept_picture,
)
from nolbet.plans.storing import store_plan
from nolbet.plans.whole import plan_to_take_out
from nolbet.season.models import EntryPhoto
from nolbet.works.models import StepPhoto
from nolbet_core.built.plan_file import parse_document, read_plan
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.plan.works import StepKey

PLAN, LOG, WEATHER, PHOTOGRAPHS = "plan.nolbet.json", "log.json", "weather.json", "photographs.json"
Key64 = Annotated[str, Field(max_length=64, pattern=r"^[A-Za-z0-9_-]+$")]
MOST_PART_BYTES = 16_000_000
"""Of a log or of weather by day."""
MOST_PHOTOGRAPHS = 2000
MOST_ARCHIVE_BYTES = MOST_A_GARDEN + 40_000_000
MEGA = 1_000_000
BROKEN = "is no archive of a garden that can be read; choose the .zip as it came"


class Archived(BaseModel):
    """A photograph in an archive: of a step, or with an entry under its own key there. sha256: of the file."""

    model_config = ConfigDict(extra="forbid")

    file: Annotated[str, Field(pattern=r"^photographs/[0-9]{1,6}\.jpg$")]
    step: StepKey | None = None
    entry: Key64 | None = None
    key: Key64 | None = None
    taken_at: AwareDatetime
    sha256: Annotated[str, Field(pattern=r"^[0-9a-f]{64}$")]

    @property
    def place(self) -> tuple[str | None, str | None]:
        """With which entry it is, and under which key there."""
        return self.entry, self.key


@dataclass(frozen=True, slots=True)
class _Shot:
    told: Archived
    content: bytes


def archive_of(garden: Garden) -> bytes:
    """A garden's archive. Its plan file stands in it by itself, log and weather beside it."""
    plan = plan_to_take_out(garden).model_dump(mode="json", exclude_none=True, by_alias=True)
    log, weather = plan.pop("log", []), plan.pop("weather", [])
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        archive.writestr(PLAN, _written(plan))
        archive.writestr(LOG, _written(log))
        archive.writestr(WEATHER, _written(weather))
        told = []
        for shot in _photographs(garden):
            # a JPEG doesn't get smaller by being packed
            archive.writestr(shot.told.file, shot.content, zipfile.ZIP_STORED)
            told.append(shot.told.model_dump(mode="json"))
        archive.writestr(PHOTOGRAPHS, _written(told))
    return out.getvalue()


def _written(document: Any) -> str:
    return json.dumps(document, indent=1, ensure_ascii=False) + "\n"


def _photographs(garden: Garden) -> Iterator[_Shot]:
    of_steps = garden.step_photos.all()
    with_entries = garden.entry_photos.filter(entry__deleted_at=None).select_related("entry")
    for number, step in enumerate(of_steps.iterator(), 1):
        yield _shot(number, step, step=step.step)
    for number, photo in enumerate(with_entries.iterator(), of_steps.count() + 1):
        yield _shot(number, photo, entry=photo.entry.key, key=photo.key)


def _shot(number: int, row: Picture, **of: str) -> _Shot:
    content = bytes(row.picture)
    told = Archived(
        file=f"photographs/{number}.jpg",
        taken_at=row.taken_at,
        sha256=hashlib.sha256(content).hexdigest(),
        **of,
    )
    return _Shot(told, content)


def bring_archive(owner_id: int, sent: IO[bytes]) -> Garden:
    """Keep an archive as a garden of its own, all of it or nothing.

    sent: the zip, as it is sent. Raises PlanProblem where it is none, is too large, was changed on its way, or its plan
    doesn't hold together.
    """
    with _told_if_broken():
        archive = zipfile.ZipFile(sent)
    members = _members(archive)
    document = parse_document(_read(archive, members, PLAN), MOST_PART_BYTES)
    if not isinstance(document, dict):
        raise PlanProblem(PLAN, "holds one JSON object")
    document["log"] = _listed(archive, members, LOG)
    document["weather"] = _listed(archive, members, WEATHER)
    plan = read_plan(document).plan
    # looked at before anything is written, so that nobody waits for it who saves meanwhile
    found = [(each, _looked_at(each, _read(archive, members, each.file))) for each in _told(archive, members)]
    if sum(int(columns["size"]) for _, columns in found) > MOST_A_GARDEN:
        raise PlanProblem("archive", f"has more than the {MOST_A_GARDEN / MEGA:.0f} MB of photographs a garden keeps")
    check_room_for_pictures(owner_id, sum(int(columns["size"]) for _, columns in found))
    with transaction.atomic():
        garden = store_plan(owner_id, plan)
        for each, columns in found:
            _keep(garden, each, {"picture": _read(archive, members, each.file)} | columns)
    return garden


@contextmanager
def _told_if_broken() -> Iterator[None]:
    """Tell what zipfile raises on bytes that are no sound zip, or none that is written here, as one problem.

    BadZipFile: no zip, or a wrong sum. zlib.error, EOFError: a stream that is broken or cut short. ValueError: a place
    before its start, a name in no known letters. RuntimeError, of which NotImplementedError is one: locked by a
    password, or packed in another way.
    """
    try:
        yield
    except (zipfile.BadZipFile, zlib.error, EOFError, ValueError, RuntimeError) as error:
        raise PlanProblem("archive", BROKEN) from error


def _members(archive: zipfile.ZipFile) -> dict[str, zipfile.ZipInfo]:
    """What an archive holds, by name, once its sizes are looked at."""
    found = archive.infolist()
    if len(found) > MOST_PHOTOGRAPHS + 4:
        raise PlanProblem("archive", f"holds more than the {MOST_PHOTOGRAPHS} photographs that a garden keeps")
    if sum(each.file_size for each in found) > MOST_ARCHIVE_BYTES:
        raise PlanProblem("archive", f"unpacks to more than {MOST_ARCHIVE_BYTES / MEGA:.0f} MB")
    if any(each.compress_type not in (zipfile.ZIP_STORED, zipfile.ZIP_DEFLATED) for each in found):
        raise PlanProblem("archive", BROKEN)
    members = {each.filename: each for each in found}
    if len(members) < len(found):
        raise PlanProblem("archive", "holds two files of one name")
    return members


def _read(archive: zipfile.ZipFile, members: dict[str, zipfile.ZipInfo], name: str) -> bytes:
    info = members.get(name)
    if info is None:
        raise PlanProblem("archive", f"lacks {name}")
    most = MOST_BYTES if name.startswith("photographs/") else MOST_PART_BYTES
    if info.file_size > most:
        raise PlanProblem("archive", f"{name} has more than {most / MEGA:.0f} MB")
    with _told_if_broken(), archive.open(info) as member:
        return member.read(most)


def _listed(archive: zipfile.ZipFile, members: dict[str, zipfile.ZipInfo], name: str) -> list[Any]:
    found = parse_document(_read(archive, members, name), MOST_PART_BYTES)
    if not isinstance(found, list):
        raise PlanProblem(name, "holds one JSON list")
    return found


def _told(archive: zipfile.ZipFile, members: dict[str, zipfile.ZipInfo]) -> list[Archived]:
    """What an archive says of its photographs, each of them once."""
    try:
        told = [Archived.model_validate(each) for each in _listed(archive, members, PHOTOGRAPHS)]
    except ValidationError as error:
        first = error.errors()[0]
        raise PlanProblem(PHOTOGRAPHS, f"{'.'.join(map(str, first['loc']))}: {first['msg']}") from error
    if len({each.file for each in told}) < len(told) or len({each.place for each in told if each.entry}) < sum(
        each.entry is not None for each in told
    ):
        raise PlanProblem(PHOTOGRAPHS, "names a photograph twice")
    most = max(Counter((each.step, each.entry) for each in told).values(), default=0)
    if most > MOST_OF_ONE:
        raise PlanProblem(PHOTOGRAPHS, f"has {most} of one step or entry, which keeps up to {MOST_OF_ONE}")
    return told


def _looked_at(told: Archived, content: bytes) -> dict[str, int | bytes]:
    """The columns of a photograph that is what the archive says it is; its picture where it had to be written anew."""
    if hashlib.sha256(content).hexdigest() != told.sha256:
        raise PlanProblem("archive", f"{told.file} isn't what {PHOTOGRAPHS} says it is: it was changed on its way")
    columns = kept_picture(content)
    return {name: value for name, value in columns.items() if value is not content}


def _keep(garden: Garden, told: Archived, columns: dict[str, Any]) -> None:
    row = _row(garden, told, columns)
    type(row)._default_manager.filter(pk=row.pk).update(taken_at=told.taken_at)


def _row(garden: Garden, told: Archived, columns: dict[str, Any]) -> Picture:
    if told.step is not None:
        return StepPhoto.objects.create(garden=garden, step=told.step, **columns)
    entry = garden.entries.filter(key=told.entry).first()
    if entry is None or told.key is None:
        raise PlanProblem("archive", f"{told.file} is of no step, nor with an entry that {LOG} has")
    return EntryPhoto.objects.create(garden=garden, entry=entry, key=told.key, **columns)
