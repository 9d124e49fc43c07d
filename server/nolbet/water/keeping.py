"""Keeping weather and readings."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date, datetime, timedelta

from django.db import transaction

from nolbet.gardens.models import Bed, Garden
from nolbet.water.models import Probe
from nolbet.water.models import WeatherDay as WeatherRow
from nolbet.water.probe import Faults, Series, probe_series
from nolbet_core.climate.daily_file import WeatherDay
from nolbet_core.figure.reservoir_readings import Span, thirstier
from nolbet_core.plan.bed import Watering


@transaction.atomic
def keep_days(garden: Garden, days: Sequence[WeatherDay]) -> None:
    """Keep days of weather; a day that is there already takes the new figures."""
    rows = [
        WeatherRow(garden=garden, day=each.day, tmin_c=each.tmin_c, tmax_c=each.tmax_c, rain_mm=each.rain_mm)
        for each in days
    ]
    WeatherRow.objects.bulk_create(
        rows,
        update_conflicts=True,
        unique_fields=["garden", "day"],
        update_fields=["tmin_c", "tmax_c", "rain_mm"],
        batch_size=500,
    )


def kept_days(garden: Garden) -> list[WeatherDay]:
    """A garden's days of weather, in order."""
    rows = garden.weather_days.values_list("day", "tmin_c", "tmax_c", "rain_mm")
    return [WeatherDay(*row) for row in rows]


def first_and_last(garden: Garden) -> tuple[date | None, date | None]:
    """The first and the last day of weather that a garden keeps."""
    days = garden.weather_days.all()
    first, last = days.first(), days.last()
    return (first.day if first else None), (last.day if last else None)


def probe_of(bed: Bed) -> Probe | None:
    """The probe in a bed's reservoir, None where there is none."""
    return Probe.objects.filter(bed=bed).first()


def series_of(probe: Probe, span: Span, threshold: float, leak_from_day: float) -> Series:
    """What a simulated probe read over a span of days. Its plants take what is usual, whatever the plan says."""
    faults = Faults(
        missing=probe.missing,
        absurd=probe.absurd,
        late_days=probe.late_days,
        leak_m3_day=probe.leak_m3_day,
        leak_from_day=leak_from_day,
        thirst=probe.thirst,
    )
    usual = thirstier(span, Watering().crop_factor)
    return probe_series(span.store, usual.asked_m3[0], span.rained_m3[0], threshold, faults, probe.seed)


def dipped(bed: Bed, until: date, days: int) -> list[tuple[datetime, float]]:
    """What a stick read in some days up to one."""
    rows = bed.dips.filter(at__date__gt=until - timedelta(days=days), at__date__lte=until)
    return list(rows.values_list("at", "level_m"))
