"""A season's weather beside the usual, so that a wet summer isn't taken for a good design."""

from __future__ import annotations

from calendar import monthrange
from collections.abc import Iterator, Sequence
from datetime import date, timedelta

from nolbet_core.built.surroundings import surroundings_of
from nolbet_core.climate.daily_file import WeatherDay
from nolbet_core.climate.weather import MonthNormals
from nolbet_core.climate.year import next_day
from nolbet_core.figure.season_figures import SeasonWeather
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.log import WeatherRun
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_length, show_temperature

MM = 1e-3
LEAST_DAYS = 28
"""Of fewer days nothing is told."""


def season_weather(plan: Plan, seasons: Sequence[int], today: date) -> list[SeasonWeather]:
    """The weather of seasons as far as it is known, each named by the year of its spring; those of too few known days
    are left out. today: up to which a season has come.
    """
    around = surroundings_of(plan.garden, today)
    days = known_weather(plan)
    told = []
    for season in seasons:
        first = date(season, *around.year.last_frost)
        last = min(next_day(first, around.year.first_frost), today)
        known = [day for day in days if first <= day.day <= last]
        if len(known) >= LEAST_DAYS:
            told.append(_season(season, known, around.usual_months, around.system))
    return told


def known_weather(plan: Plan) -> list[WeatherDay]:
    """Days of a plan whose weather is known."""
    return [day for run in plan.weather for day in _days(run)]


def _days(run: WeatherRun) -> Iterator[WeatherDay]:
    first = date.fromisoformat(run.from_day)
    for index, (low_c, high_c, rain_mm) in enumerate(zip(run.tmin_c, run.tmax_c, run.rain_mm, strict=True)):
        yield WeatherDay(first + timedelta(days=index), low_c, high_c, rain_mm)


def _season(season: int, known: Sequence[WeatherDay], usual: Sequence[MonthNormals], system: System) -> SeasonWeather:
    months = [usual[day.day.month - 1] for day in known]
    rain_mm = sum(day.rain_mm for day in known)
    usual_rain_mm = sum(
        month.rain_mm / monthrange(day.day.year, day.day.month)[1] for day, month in zip(known, months, strict=True)
    )
    mean_c = sum((day.tmin_c + day.tmax_c) / 2 for day in known) / len(known)
    usual_c = sum((month.tmin_c + month.tmax_c) / 2 for month in months) / len(months)
    said = (
        f"{show_length(rain_mm * MM, system)} of rain on {len(known)} frost-free days, usually "
        f"{show_length(usual_rain_mm * MM, system)}; {show_temperature(mean_c, system)} in the mean, usually "
        f"{show_temperature(usual_c, system)}."
    )
    return SeasonWeather(season, len(known), rain_mm, usual_rain_mm, mean_c, usual_c, said)
