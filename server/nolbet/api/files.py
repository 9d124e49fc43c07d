"""Plan files in and out: a preview of what would come, then the bringing."""

from __future__ import annotations

from django.http import HttpRequest, HttpResponse
from ninja import Router, Status

from nolbet.api.garden_schemas import KeptGarden, PlanChange, PlanFile, PlanPlace, PlanReview, kept_garden
from nolbet.gardens.keys import key_for
from nolbet.gardens.models import Garden
from nolbet.gardens.owned import own_garden, signed_in_id
from nolbet.plans.importing import bring_into, changes_to
from nolbet.plans.storing import store_plan
from nolbet.plans.whole import plan_to_take_out
from nolbet_core.built.plan_file import load_plan, review_plan

router = Router(tags=["files"])


@router.get("/{garden_id}/plan", response=str)
def export_plan(request: HttpRequest, garden_id: int) -> HttpResponse:
    """A garden as a plan file."""
    garden = own_garden(request, garden_id)
    text = plan_to_take_out(garden).model_dump_json(indent=2, exclude_none=True, by_alias=True)
    answer = HttpResponse(text + "\n", content_type="application/json; charset=utf-8")
    answer["Content-Disposition"] = f'attachment; filename="{key_for(garden.name, ())}.nolbet.json"'
    return answer


@router.post("/import/preview", response=PlanReview)
def preview_new(request: HttpRequest, file: PlanFile) -> PlanReview:
    """What a plan file would be as a garden of its own, or what is wrong with it."""
    return _review(None, file)


@router.post("/{garden_id}/import/preview", response=PlanReview)
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
