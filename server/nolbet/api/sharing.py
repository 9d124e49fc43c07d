"""Links that show a garden or one list of it: made and ended by its gardener, looked at by whoever holds them."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated

from django.db import transaction
from django.http import HttpRequest
from django.middleware.csrf import get_token
from django.utils import timezone
from ninja import Router, Schema, Status
from pydantic import Field

from nolbet.api.account import from_this_page
from nolbet.clock import today
from nolbet.gardens.errors import Missing
from nolbet.gardens.models import Garden
from nolbet.gardens.owned import own_garden
from nolbet.haul.rows import suppliers_plan
from nolbet.plans.ticking import Tick, tick
from nolbet.plans.whole import garden_with_weather, whole_garden
from nolbet.sharing.links import Shows, drop_run_out, link_with, make_link
from nolbet.sharing.models import SharedLink
from nolbet_core.figure.buying_figures import HaulLine, NeedFigures
from nolbet_core.figure.figures import BedFigures
from nolbet_core.figure.walk import figure_plan, figure_works
from nolbet_core.figure.works_figures import WorkStep
from nolbet_core.plan.plot import Plot
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.plan.works import StepKey
from nolbet_core.works.ticking import step_name

router = Router(tags=["sharing"])
looked_at = Router(tags=["sharing"])

Secret = Annotated[str, Field(min_length=1, max_length=100)]
Days = Annotated[int, Field(ge=1, le=366)]
LOOK_SECONDS = 2.0
"""As long as a haul may be looked for while somebody without an account waits."""


class NewLink(Schema):
    """A link to make. of: key of the supplier, of a list. days: until it runs out."""

    label: str = Field(min_length=1, max_length=80)
    shows: Shows
    of: str = Field(default="", max_length=60)
    may_tick: bool = False
    days: Days = 14


class LinkOut(Schema):
    """A link, without its secret."""

    id: int
    label: str
    shows: Shows
    of: str
    may_tick: bool
    made_at: datetime
    ends_at: datetime


class MadeLink(Schema):
    """A link just made. secret: the end of its address, told this once."""

    link: LinkOut
    secret: str


class LookedPlace(Schema):
    """Where a bed lies on the plot, its middle [m] and how it is turned."""

    bed: str
    x_m: float
    y_m: float
    turn_deg: float


class SharedLook(Schema):
    """What a link shows, and nothing beside. Null is what it doesn't show."""

    garden: str
    units: str
    currency: str
    shows: Shows
    may_tick: bool
    ends_at: datetime
    plot: Plot | None = None
    places: list[LookedPlace] | None = None
    beds: list[BedFigures] | None = None
    needs: list[NeedFigures] | None = None
    steps: list[WorkStep] | None = None
    supplier: str | None = None
    lines: list[HaulLine] | None = None


class TickByLink(Schema):
    """A step ticked by whoever holds a link."""

    step: StepKey
    done: bool


@router.get("/{garden_id}/shared-links", response=list[LinkOut])
def list_links(request: HttpRequest, garden_id: int) -> list[SharedLink]:
    """A garden's links that haven't run out."""
    garden = own_garden(request, garden_id)
    drop_run_out(garden, timezone.now())
    return list(garden.shared_links.all())


@router.post("/{garden_id}/shared-links", response={201: MadeLink})
def add_link(request: HttpRequest, garden_id: int, new: NewLink) -> Status[MadeLink]:
    """Make a link to look at a garden, at its steps, or at the list of one supplier."""
    garden = own_garden(request, garden_id)
    if new.shows == "list" and all(each.key != new.of for each in suppliers_plan(garden)):
        raise PlanProblem("of", "a list is one supplier's: choose one of the garden's")
    of = new.of if new.shows == "list" else ""
    may_tick = new.may_tick and new.shows != "list"
    link, secret = make_link(garden, new.label, new.shows, of, may_tick, new.days, timezone.now())
    return Status(201, MadeLink(link=LinkOut.model_validate(link), secret=secret))


@router.delete("/{garden_id}/shared-links/{link_id}", response={204: None})
def end_link(request: HttpRequest, garden_id: int, link_id: int) -> Status[None]:
    """End a link: whoever holds it sees nothing from now on."""
    gone, _ = own_garden(request, garden_id).shared_links.filter(pk=link_id).delete()
    if not gone:
        raise Missing
    return Status(204, None)


@looked_at.get("/{secret}", auth=None, response=SharedLook)
def look(request: HttpRequest, secret: Secret) -> SharedLook:
    """What a link shows. 404 where it was ended, ran out, or never was."""
    link = link_with(secret, timezone.now())
    get_token(request)
    told = SharedLook(
        garden=link.garden.name,
        units=link.garden.units,
        currency=link.garden.currency,
        shows=_shows(link),
        may_tick=link.may_tick,
        ends_at=link.ends_at,
    )
    if link.shows == "list":
        return told.model_copy(update=_list(link))
    steps = figure_works(garden_with_weather(link.garden, today()), today()).steps
    if link.shows == "works":
        return told.model_copy(update={"steps": steps})
    return told.model_copy(update={"steps": steps, **_whole(link.garden)})


@looked_at.post("/{secret}/tick", auth=None, response={204: None})
def tick_by_link(request: HttpRequest, secret: Secret, asked: TickByLink) -> Status[None]:
    """Tick a step, or take that back, where the gardener lets whoever holds the link."""
    from_this_page(request)
    link = link_with(secret, timezone.now())
    if not link.may_tick:
        raise Missing
    name = step_name(asked.step)
    with transaction.atomic():
        bed = link.garden.beds.filter(key=name.bed, deleted_at=None).first() if name.bed else None
        if name.bed and bed is None:
            raise Missing
        tick(link.garden, bed, Tick(asked.step, asked.done))
    return Status(204, None)


def _shows(link: SharedLink) -> Shows:
    return "list" if link.shows == "list" else "works" if link.shows == "works" else "garden"


def _list(link: SharedLink) -> dict[str, object]:
    haul = figure_plan(whole_garden(link.garden).built, today(), LOOK_SECONDS).haul
    lines = [line for line in haul.lines if line.supplier == link.of] if haul else []
    names = {each.key: each.name or each.key for each in suppliers_plan(link.garden)}
    return {"lines": lines, "supplier": names.get(link.of, link.of)}


def _whole(garden: Garden) -> dict[str, object]:
    built = whole_garden(garden).built
    figures = figure_plan(built, today(), LOOK_SECONDS)
    below = {each.bed.over for each in built.beds}
    places = [
        LookedPlace(bed=each.bed.key, x_m=place.x_m, y_m=place.y_m, turn_deg=place.turn_deg)
        for each in built.beds
        for place in each.bed.places
        if each.bed.key not in below
    ]
    return {"plot": built.plan.garden.plot, "places": places, "beds": figures.beds, "needs": figures.needs}
