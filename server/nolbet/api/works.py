"""Works: the steps of a garden on days, ticked off; what mends what is late; as a calendar; photographs of steps."""

from __future__ import annotations

from typing import Annotated, Any

from django.db import transaction
from django.http import HttpRequest, HttpResponse, JsonResponse
from django.utils import timezone
from ninja import File, Router, Schema, Status
from ninja.files import UploadedFile
from pydantic import Field

from nolbet.api.gate import heavy
from nolbet.api.revisions import Revision
from nolbet.api.written import written
from nolbet.clock import today
from nolbet.gardens.errors import Missing
from nolbet.gardens.owned import own_bed, own_garden
from nolbet.gardens.pictures import new_picture, shown, too_large
from nolbet.plans.ticking import Tick, tick
from nolbet.plans.whole import garden_with_weather, whole_garden
from nolbet.plans.working import save_works
from nolbet.works.calendar import works_calendar
from nolbet.works.models import KeptWorks, StepPhoto
from nolbet.works.rows import kept_works, works_plan
from nolbet_core.figure.build_when import AutumnOrSpring, figure_autumn_or_spring
from nolbet_core.figure.walk import figure_works
from nolbet_core.figure.works_figures import WorksFigures
from nolbet_core.figure.works_mends import MendsOfWorks, figure_mends
from nolbet_core.plan.fields import Day, Key
from nolbet_core.plan.works import Factor, Hours, StepKey, WorkKind, Works
from nolbet_core.works.ticking import step_name

router = Router(tags=["works"])


class WorksWords(Schema):
    """What a gardener says of the works. pace: how many times as long as usual a kind of work takes."""

    works: Works = Field(default_factory=Works)
    pace: dict[WorkKind, Factor] = Field(default_factory=dict)


class WorksKept(Schema):
    """What is said of the works, as kept."""

    revision: int
    words: WorksWords


class ChangedWorks(Schema):
    """Works to save, with the revision that the change was made from."""

    revision: Revision
    words: WorksWords


class StepTick(Schema):
    """What is said of a step: done or not, what was found at its hold point, how long it took all who worked on it."""

    step: StepKey
    done: bool
    on: Day | None = None
    passed: bool | None = None
    measured: Annotated[str, Field(max_length=500)] = ""
    hours: Hours | None = None


class StepTicked(Schema):
    """What a tick changed. bed: whose revision is another now, null where none is."""

    works: WorksKept
    bed: str | None
    bed_revision: int | None


class PhotoOut(Schema):
    """A photograph of a step."""

    id: int
    step: str
    width: int
    height: int


@router.get("/{garden_id}/works", response=WorksKept, exclude_none=True)
def load_works(request: HttpRequest, garden_id: int) -> WorksKept:
    """What is said of a garden's works."""
    return _kept(kept_works(own_garden(request, garden_id)))


@router.put("/{garden_id}/works", response=WorksKept, exclude_none=True)
def change_the_works(request: HttpRequest, garden_id: int, changed: ChangedWorks) -> WorksKept:
    """Keep what is said of the works, if nobody changed it since."""
    garden = own_garden(request, garden_id)
    return _kept(save_works(garden.pk, changed.revision, changed.words.works, changed.words.pace))


@router.post("/{garden_id}/works/tick", response=StepTicked, exclude_none=True)
def tick_step(request: HttpRequest, garden_id: int, asked: StepTick) -> JsonResponse:
    """Tick a step, or take that back; a tick that is its bed's state is kept there."""
    name = step_name(asked.step)
    with transaction.atomic():
        bed = own_bed(request, garden_id, name.bed, "garden__works") if name.bed else None
        garden = bed.garden if bed else own_garden(request, garden_id, "works")
        done = tick(garden, bed, Tick(**vars(asked)))
    # as it was just written: a tick is answered at once, and isn't read through a second time
    words = {"works": done.works.words, "pace": done.works.pace}
    answer: dict[str, Any] = {"works": {"revision": done.works.revision, "words": words}}
    if done.bed is not None:
        answer |= {"bed": done.bed.key, "bed_revision": done.bed.revision}
    return JsonResponse(answer)


@router.get("/{garden_id}/figure/works", response=WorksFigures)
def figure_the_works(request: HttpRequest, garden_id: int) -> HttpResponse:
    """A garden's steps on days."""
    return written(figure_works(garden_with_weather(own_garden(request, garden_id), today()), today()))


@router.get("/{garden_id}/figure/works/mends", response=MendsOfWorks)
@heavy
def figure_works_mends(request: HttpRequest, garden_id: int) -> MendsOfWorks:
    """What would mend it where beds are sown too late."""
    return figure_mends(whole_garden(own_garden(request, garden_id)).built, today())


@router.get("/{garden_id}/figure/works/when/{key}", response=AutumnOrSpring)
def figure_when(request: HttpRequest, garden_id: int, key: Key) -> AutumnOrSpring:
    """A bed built in autumn against spring."""
    built = whole_garden(own_garden(request, garden_id)).built
    if all(each.bed.key != key for each in built.beds):
        raise Missing
    return figure_autumn_or_spring(built, key, today())


@router.get("/{garden_id}/works.ics")
def take_out_calendar(request: HttpRequest, garden_id: int) -> HttpResponse:
    """The works and the upkeep of the coming years as a calendar."""
    garden = own_garden(request, garden_id)
    figures = figure_works(garden_with_weather(garden, today()), today())
    content = works_calendar(garden.pk, garden.name, figures, garden.changes, timezone.now())
    answer = HttpResponse(content, content_type="text/calendar; charset=utf-8")
    answer["Content-Disposition"] = 'attachment; filename="works.ics"'
    return answer


@router.get("/{garden_id}/works/photos", response=list[PhotoOut])
def list_photos(request: HttpRequest, garden_id: int) -> list[StepPhoto]:
    """A garden's photographs of steps."""
    return list(own_garden(request, garden_id).step_photos.defer("picture"))


@router.post("/{garden_id}/works/photos", response={201: PhotoOut})
def add_photo(request: HttpRequest, garden_id: int, step: StepKey, photo: File[UploadedFile]) -> Status[StepPhoto]:
    """Keep a photograph of a step."""
    garden = own_garden(request, garden_id)
    if wrong := too_large(photo.size):
        raise wrong
    columns = new_picture(garden, photo.read(), garden.step_photos.filter(step=step).count(), "a step")
    return Status(201, garden.step_photos.create(step=step, **columns))


@router.get("/{garden_id}/works/photos/{photo_id}")
def show_photo(request: HttpRequest, garden_id: int, photo_id: int) -> HttpResponse:
    """A photograph, to its owner alone."""
    found = own_garden(request, garden_id).step_photos.filter(pk=photo_id).first()
    if found is None:
        raise Missing
    return shown(found)


@router.delete("/{garden_id}/works/photos/{photo_id}", response={204: None})
def forget_photo(request: HttpRequest, garden_id: int, photo_id: int) -> Status[None]:
    """Take a photograph out."""
    gone, _ = own_garden(request, garden_id).step_photos.filter(pk=photo_id).delete()
    if not gone:
        raise Missing
    return Status(204, None)


def _kept(kept: KeptWorks) -> WorksKept:
    return WorksKept(revision=kept.revision, words=WorksWords(works=works_plan(kept) or Works(), pace=kept.pace))
