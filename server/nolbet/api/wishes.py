"""Wishes: from what a gardener has, wants and may to beds that could be built, and taking one of them."""

from __future__ import annotations

from collections.abc import Iterator

from django.http import HttpRequest, StreamingHttpResponse
from ninja import Router, Schema, Status
from pydantic import Field

from nolbet.api.garden_schemas import KeptBed, kept_bed
from nolbet.api.gate import Crowded
from nolbet.clock import today
from nolbet.gardens.models import Garden
from nolbet.gardens.owned import own_garden
from nolbet.plans.apart import BrokenOffError, end_work, is_crowded, lines_apart, warm_up
from nolbet.plans.taking import take_proposal
from nolbet.plans.whole import whole_plan
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.garden import Plan, Stock
from nolbet_core.plan.wishes import Wishes
from nolbet_core.wishes.figures import WishesLooked
from nolbet_core.wishes.running import look_aloud

router = Router(tags=["wishes"])

MOST_SECONDS = 120.0


class TakenProposal(Schema):
    """A proposal to take: its bed, and what there is, which becomes what lies on hand in the garden."""

    bed: Bed
    stock: list[Stock] = Field(default_factory=list, max_length=200)


@router.get("/{garden_id}/wishes", response=Wishes, exclude_none=True, by_alias=True)
def start_wishes(request: HttpRequest, garden_id: int) -> Wishes:
    """What wishes of a garden start as: its own money and heaps, what is known of where it is worked."""
    garden = own_garden(request, garden_id)
    warm_up()
    plan = whole_plan(garden)
    works = plan.garden.works
    return Wishes.model_validate(
        {
            "have": {"money": plan.garden.budget, "stock": plan.stock, "helpers": works.helpers if works else 0},
            "want": {"sow_on": works.sow_on if works else None},
        }
    )


@router.post("/{garden_id}/figure/wishes", response=WishesLooked)
def figure_wishes(request: HttpRequest, garden_id: int, wishes: Wishes) -> StreamingHttpResponse:
    """Look for beds that wishes allow, told a line of JSON at a time. A newer look of the same gardener ends this one,
    and so does who stops listening.
    """
    garden = own_garden(request, garden_id)
    if is_crowded(_name(garden)):
        raise Crowded
    document = _document(whole_plan(garden))
    said = wishes.model_dump(mode="json", exclude_none=True, by_alias=True)
    lines = _encoded(lines_apart(_name(garden), MOST_SECONDS, look_aloud, document, said, today().isoformat()))
    return StreamingHttpResponse(lines, content_type="application/x-ndjson; charset=utf-8")


@router.post("/{garden_id}/figure/wishes/end", response={204: None})
def end_wishes(request: HttpRequest, garden_id: int) -> Status[None]:
    """Leave off looking; what was told so far stands."""
    end_work(_name(own_garden(request, garden_id)))
    return Status(204, None)


@router.post("/{garden_id}/wishes/take", response={201: KeptBed}, exclude_none=True, by_alias=True)
def take_one(request: HttpRequest, garden_id: int, taken: TakenProposal) -> Status[KeptBed]:
    """Take a proposal: its beds are kept, and what there is becomes what lies on hand."""
    return Status(201, kept_bed(take_proposal(own_garden(request, garden_id), taken.bed, taken.stock)))


def _name(garden: Garden) -> str:
    """A gardener looks for one thing at a time, in whichever garden."""
    return f"wishes of {garden.owner_id}"


def _document(plan: Plan) -> dict[str, object]:
    """What of a plan looking rests on."""
    alone = plan.model_copy(update={"beds": [], "stock": [], "log": [], "fixed": []})
    return alone.model_dump(mode="json", exclude_none=True, by_alias=True)


def _encoded(lines: Iterator[str]) -> Iterator[bytes]:
    """Lines as they are sent; a look that was ended leaves off without a last word."""
    try:
        for line in lines:
            yield line.encode()
    except BrokenOffError:
        return
