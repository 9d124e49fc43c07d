"""Water: a reservoir's year, the weather it runs on, dips of a stick, and what a probe tells."""

from __future__ import annotations

from datetime import date, datetime, timedelta
from typing import Annotated

from django.conf import settings as django_settings
from django.db import transaction
from django.http import HttpRequest, HttpResponse
from django.utils import timezone
from ninja import Router, Schema, Status
from pydantic import AfterValidator, Field

from nolbet.api.gate import heavy
from nolbet.api.written import written
from nolbet.clock import today
from nolbet.gardens.errors import Missing
from nolbet.gardens.owned import own_bed, own_garden
from nolbet.gardens.rows import bed_plan, garden_plan
from nolbet.plans.supplies import garden_supplies
from nolbet.water.feed import Fault, feed_text
from nolbet.water.models import Dip, Probe
from nolbet.water.rows import check_room_for_dip, dipped, first_and_last, keep_days, kept_days, probe_of, series_of
from nolbet_core.climate.daily_file import read_daily_file, written_daily_file
from nolbet_core.figure.reservoir_readings import dips_figures, probe_figures, span_of
from nolbet_core.figure.water import figure_water
from nolbet_core.figure.water_figures import DipsFigures, ToldFigures, WaterFigures
from nolbet_core.plan.bed import Bed as PlanBed
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.quantities.calendar import check_year

router = Router(tags=["water"])

LARGEST_FILE = 2 * 1024 * 1024
FEED_DAYS = 60
PROBE_DAYS = 29
LEAKY_DAYS = 14
DIPS_DAYS = 365


class WateredDraft(Schema):
    """A bed with a reservoir as it is being drawn."""

    bed: PlanBed


class WeatherFile(Schema):
    """A daily file's text: date, tmin_c, tmax_c, rain_mm."""

    text: str = Field(max_length=LARGEST_FILE)


class BadRowOut(Schema):
    """A row that could not be taken, and why."""

    line: int
    message: str


class WeatherKept(Schema):
    """What a garden keeps of its weather, and rows that could not be taken."""

    days: int
    first: date | None
    last: date | None
    taken: int
    bad: list[BadRowOut]


class AskedFeed(Schema):
    """How the simulated feed is to misbehave."""

    fault: Fault = "none"


def _in_the_calendar(at: datetime | None) -> datetime | None:
    if at is not None:
        check_year(at.date())
    return at


class DipIn(Schema):
    """A level read off a stick, and when."""

    level_m: Annotated[float, Field(ge=0, le=5)]
    at: Annotated[datetime | None, AfterValidator(_in_the_calendar)] = None


class DipOut(Schema):
    """A kept dip."""

    id: int
    at: datetime
    level_m: float


class ProbeSettings(Schema):
    """How the simulated probe behaves: shares of readings missing and absurd, days late, and what the liner loses, in
    the last two weeks."""

    missing: Annotated[float, Field(ge=0, le=1)] = 0.05
    absurd: Annotated[float, Field(ge=0, le=1)] = 0.0
    late_days: Annotated[float, Field(ge=0, le=29)] = 0.0
    leak_m3_day: Annotated[float, Field(ge=0, le=1)] = 0.0
    thirst: Annotated[float, Field(ge=0.1, le=3)] = 1.0
    seed: Annotated[int, Field(ge=0, le=10_000)] = 1


@router.post("/{garden_id}/figure/water", response=WaterFigures)
@heavy
def figure_year_of_water(request: HttpRequest, garden_id: int, draft: WateredDraft) -> HttpResponse:
    """A draft reservoir's year: levels, refills, what it saves, how long it lasts."""
    garden = own_garden(request, garden_id)
    supplies = garden_supplies(garden)
    return written(figure_water(draft.bed, garden_plan(garden), supplies, kept_days(garden)))


@router.get("/{garden_id}/weather", response=WeatherKept)
def weather_kept(request: HttpRequest, garden_id: int) -> WeatherKept:
    """What the garden keeps of its weather."""
    return _kept(request, garden_id, 0, [])


@router.get("/{garden_id}/weather.csv")
def weather_file(request: HttpRequest, garden_id: int) -> HttpResponse:
    """The garden's weather as a daily file."""
    text = written_daily_file(kept_days(own_garden(request, garden_id)))
    answer = HttpResponse(text, content_type="text/csv; charset=utf-8")
    answer["Content-Disposition"] = 'attachment; filename="weather.csv"'
    return answer


@router.post("/{garden_id}/weather", response=WeatherKept)
def bring_weather(request: HttpRequest, garden_id: int, file: WeatherFile) -> WeatherKept:
    """Bring a daily file in: good rows are kept, bad ones named with their line."""
    return _taken(request, garden_id, file.text)


@router.post("/{garden_id}/weather/feed", response=WeatherKept)
def ask_feed(request: HttpRequest, garden_id: int, asked: AskedFeed) -> WeatherKept:
    """Ask the simulated weather feed for the last 60 days."""
    _only_with_stand_ins()
    garden = own_garden(request, garden_id)
    return _taken(request, garden_id, feed_text(garden_plan(garden), today(), FEED_DAYS, asked.fault, garden.pk))


def _taken(request: HttpRequest, garden_id: int, text: str) -> WeatherKept:
    garden = own_garden(request, garden_id)
    try:
        days, bad = read_daily_file(text)
    except ValueError as problem:
        raise PlanProblem("text", str(problem)) from problem
    keep_days(garden, days)
    return _kept(request, garden_id, len(days), [BadRowOut(line=each.line, message=each.message) for each in bad])


def _kept(request: HttpRequest, garden_id: int, taken: int, bad: list[BadRowOut]) -> WeatherKept:
    garden = own_garden(request, garden_id)
    first, last = first_and_last(garden)
    return WeatherKept(days=garden.weather_days.count(), first=first, last=last, taken=taken, bad=bad)


@router.get("/{garden_id}/beds/{key}/dips", response=list[DipOut])
def dips(request: HttpRequest, garden_id: int, key: str) -> list[Dip]:
    """What a stick read of a reservoir, the last first."""
    return list(own_bed(request, garden_id, key).dips.all()[:200])


@router.post("/{garden_id}/beds/{key}/dips", response={201: DipOut})
def log_dip(request: HttpRequest, garden_id: int, key: str, dip: DipIn) -> Status[Dip]:
    """Keep a dip; now, unless it says when. One that says when, and arrives twice, is kept once."""
    bed = own_bed(request, garden_id, key)
    check_room_for_dip(bed)
    if dip.at is None:
        return Status(201, Dip.objects.create(bed=bed, at=timezone.now(), level_m=dip.level_m))
    with transaction.atomic():
        kept = Dip.objects.filter(bed=bed, at=dip.at, level_m=dip.level_m).first()
        return Status(201, kept or Dip.objects.create(bed=bed, at=dip.at, level_m=dip.level_m))


@router.get("/{garden_id}/beds/{key}/dips/told", response=DipsFigures | None)
def told_of_dips(request: HttpRequest, garden_id: int, key: str) -> HttpResponse:
    """What the dips of the last year say of the plants' thirst. Null where the bed has no reservoir."""
    bed = own_bed(request, garden_id, key)
    plan = bed_plan(bed)
    if plan.reservoir is None:
        return HttpResponse("null", content_type="application/json")
    read = dipped(bed, today(), DIPS_DAYS)
    return written(
        dips_figures(plan, garden_plan(bed.garden), garden_supplies(bed.garden), kept_days(bed.garden), read)
    )


@router.delete("/{garden_id}/beds/{key}/dips/{dip_id}", response={204: None})
def forget_dip(request: HttpRequest, garden_id: int, key: str, dip_id: int) -> Status[None]:
    """Forget a dip that was a slip."""
    gone, _ = own_bed(request, garden_id, key).dips.filter(id=dip_id).delete()
    if not gone:
        raise Missing
    return Status(204, None)


@router.put("/{garden_id}/beds/{key}/probe", response=ProbeSettings)
def set_probe(request: HttpRequest, garden_id: int, key: str, settings: ProbeSettings) -> Probe:
    """Put the simulated probe into a reservoir, or change how it behaves."""
    _only_with_stand_ins()
    bed = own_bed(request, garden_id, key)
    probe, _ = Probe.objects.update_or_create(bed=bed, defaults=settings.model_dump())
    return probe


@router.get("/{garden_id}/beds/{key}/told", response=ToldFigures | None)
def told_of(request: HttpRequest, garden_id: int, key: str) -> HttpResponse:
    """What the probe's readings of the last four weeks say: thirst, or a leak. Null where there is no probe."""
    bed = own_bed(request, garden_id, key)
    probe, plan = probe_of(bed), bed_plan(bed)
    if probe is None or plan.reservoir is None:
        return HttpResponse("null", content_type="application/json")
    garden, first = garden_plan(bed.garden), today() - timedelta(days=PROBE_DAYS)
    span = span_of(plan, garden, garden_supplies(bed.garden), kept_days(bed.garden), first, PROBE_DAYS)
    series = series_of(probe, span, plan.watering.threshold, PROBE_DAYS - LEAKY_DAYS)
    return written(probe_figures(series.times_days, series.level_m, series.filled_days, span))


def _only_with_stand_ins() -> None:
    """Nothing simulated is set where none of it is. Raises Missing."""
    if not django_settings.STAND_INS:
        raise Missing
