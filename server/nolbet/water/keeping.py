"""Keeping weather and readings."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date

from django.db import transaction

from nolbet.gardens.models import Bed, Garden
from nolbet.water.models import Probe
from nolbet.water.models import WeatherDay as WeatherRow
from nolbet_core.climate.daily_file import WeatherDay


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
