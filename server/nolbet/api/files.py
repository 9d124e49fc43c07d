"""Plan files in and out: a preview of what would come, then the bringing."""

from __future__ import annotations

from django.http import HttpRequest, HttpResponse
from ninja import File, Router, Status
from ninja.files import UploadedFile

from nolbet.api.garden_schemas import KeptGarden, PlanChange, PlanFile, PlanPlace, PlanReview, kept_garden
from nolbet.api.gate import heavy
from nolbet.gardens.keys import key_for
from nolbet.gardens.models import Garden
from nolbet.gardens.owned import own_garden, signed_in_id
from nolbet.plans.archive import MOST_ARCHIVE_BYTES, archive_of, bring_archive
from nolbet.plans.importing import bring_into, changes_to
from nolbet.plans.storing import store_plan
from nolbet.plans.whole import plan_to_take_out
from nolbet_core.built.plan_file import load_plan, review_plan
from nolbet_core.plan.problems import PlanProblem

router = Router(tags=["files"])


@router.post("/import/archive", response={201: KeptGarden}, exclude_none=True, by_alias=True)
def import_archive(request: HttpRequest, archive: File[UploadedFile]) -> Status[KeptGarden]:
    """Keep an archive as a garden of its own, all of it or nothing."""
    if archive.file is None or archive.size is None or archive.size > MOST_ARCHIVE_BYTES:
        raise PlanProblem("archive", f"is larger than the {MOST_ARCHIVE_BYTES // 1_000_000} MB an archive may have")
    return Status(201, kept_garden(bring_archive(signed_in_id(request), archive.file)))


@router.get("/{garden_id}/plan", response=str)
def export_plan(request: HttpRequest, garden_id: int) -> HttpResponse:
    """A garden as a plan file."""
    garden = own_garden(request, garden_id)
    text = plan_to_take_out(garden).model_dump_json(indent=2, exclude_none=True, by_alias=True)
    answer = HttpResponse(text + "\n", content_type="application/json; charset=utf-8")
    answer["Content-Disposition"] = f'attachment; filename="{key_for(garden.name, ())}.nolbet.json"'
    return answer


@router.get("/{garden_id}/archive")
def export_archive(request: HttpRequest, garden_id: int) -> HttpResponse:
    """A garden's archive: plan file, log, weather and photographs."""
    garden = own_garden(request, garden_id)
    answer = HttpResponse(archive_of(garden), content_type="application/zip")
    answer["Content-Disposition"] = f'attachment; filename="{key_for(garden.name, ())}.nolbet.zip"'
    return answer


@router.post("/import/preview", response=PlanReview)
@heavy
def preview_new(request: HttpRequest, file: PlanFile) -> PlanReview:
    """What a plan file would be as a garden of its own, or what is wrong with it."""
    return _review(None, file)


@router.post("/{garden_id}/import/preview", response=PlanReview)
@heavy
def preview_into(request: HttpRequest, garden_id: int, file: PlanFile) -> PlanReview:
    """What a plan file would bring to a garden or change in it, or what is wrong with it."""
    return _review(own_garden(request, garden_id), file)


@router.post("/import", response={201: KeptGarden}, exclude_none=True, by_alias=True)
def import_new(request: HttpRequest, file: PlanFile) -> Status[KeptGarden]:
    """Keep a plan file as a garden of its own."""
    plan = load_plan(file.text.encode()).plan
    return Status(201, kept_garden(store_plan(signed_in_id(request), plan)))


@router.post("/{garden_id}/import", response=KeptGarden, exclude_none=True, by_alias=True)
def import_into(request: HttpRequest, garden_id: int, file: PlanFile) -> KeptGarden:
    """Bring a plan file into a garden."""
    garden = own_garden(request, garden_id)
    return kept_garden(bring_into(garden, load_plan(file.text.encode()).plan))


def _review(garden: Garden | None, file: PlanFile) -> PlanReview:
    review = review_plan(file.text.encode())
    changes = changes_to(garden, review.built.plan) if review.built else []
    return PlanReview(
        name=review.built.plan.garden.name if review.built else None,
        changes=[PlanChange(kind=each.kind, key=each.key, name=each.name, state=each.state) for each in changes],
        problems=[PlanPlace(path=each.path, message=each.message) for each in review.problems],
    )
