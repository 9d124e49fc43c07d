"""Daily weather as a file: CSV with date, tmin_c, tmax_c, rain_mm; read row by row, each bad row named."""

from __future__ import annotations

import csv
import io
import math
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from datetime import date

import numpy as np
from numpy.typing import NDArray

from nolbet_core.climate.radiation import extraterrestrial_radiation, reference_evapotranspiration
from nolbet_core.climate.weather import DAYS, USUAL_LATITUDE_DEG, Weather, with_evaporation
from nolbet_core.quantities.calendar import check_year

COLUMNS = ("date", "tmin_c", "tmax_c", "rain_mm")
COLDEST_C, HOTTEST_C = -70.0, 60.0
MOST_RAIN_MM = 1900.0
MOST_ROWS = 20_000
LEAP_DAY = (2, 29)


MORE = "more"
"""Under this name stands what a row has beyond the columns."""


@dataclass(frozen=True, slots=True)
class WeatherDay:
    """One day: its extremes [degrees C] and rain [mm]."""

    day: date
    tmin_c: float
    tmax_c: float
    rain_mm: float


@dataclass(frozen=True, slots=True)
class BadRow:
    """A row that could not be taken: its line in the file, and why."""

    line: int
    message: str


def read_daily_file(text: str) -> tuple[list[WeatherDay], list[BadRow]]:
    """Days of a CSV text and the rows that could not be taken; good rows are kept beside bad ones.

    Raises ValueError where the columns aren't there, or it has more rows than 50 years have days.
    """
    reader = csv.DictReader(io.StringIO(text.lstrip("\ufeff"), newline=""), restkey=MORE)
    names = _names(reader)
    missing = [column for column in COLUMNS if column not in names]
    if missing:
        raise ValueError(f"the first line has to name {', '.join(COLUMNS)}; {', '.join(missing)} isn't there")
    reader.fieldnames = names
    days: dict[date, WeatherDay] = {}
    bad: list[BadRow] = []
    for row in _rows(reader):
        if reader.line_num > MOST_ROWS:
            raise ValueError(f"a file of more than {MOST_ROWS:,} rows is more than can be used")
        try:
            day = _day(row)
            if day.day in days:
                raise ValueError(f"{day.day.isoformat()} stands twice")
            days[day.day] = day
        except ValueError as problem:
            bad.append(BadRow(reader.line_num, str(problem)))
    return sorted(days.values(), key=lambda each: each.day), bad


def _names(reader: csv.DictReader[str]) -> list[str]:
    try:
        return [name.strip().lower() for name in reader.fieldnames or []]
    except csv.Error as problem:
        raise ValueError(f"the first line can't be told apart: {problem}") from problem


def _rows(reader: csv.DictReader[str]) -> Iterator[dict[str, str | None]]:
    """The rows there are. Raises ValueError where a row can't be told from the next."""
    try:
        yield from reader
    except csv.Error as problem:
        raise ValueError(f"line {reader.line_num}: {problem}; a quotation mark may stand there alone") from problem


def _day(row: dict[str, str | None]) -> WeatherDay:
    if any((each or "").strip() for each in row.get(MORE) or ()):
        raise ValueError("has more values than columns: a decimal is written with a point")
    text = (row.get("date") or "").strip()
    try:
        day = date.fromisoformat(text)
    except ValueError as problem:
        raise ValueError(f"date: '{text[:30]}' is no day; write it as 2026-10-17") from problem
    check_year(day)
    tmin, tmax = _number(row, "tmin_c", COLDEST_C, HOTTEST_C), _number(row, "tmax_c", COLDEST_C, HOTTEST_C)
    if tmax < tmin:
        raise ValueError(f"tmax_c: {tmax:g} is under the day's tmin_c of {tmin:g}")
    return WeatherDay(day, tmin, tmax, _number(row, "rain_mm", 0.0, MOST_RAIN_MM))


def _number(row: dict[str, str | None], name: str, least: float, most: float) -> float:
    text = (row.get(name) or "").strip()
    try:
        value = float(text.replace(",", "."))
    except ValueError as problem:
        raise ValueError(f"{name}: '{text[:30]}' is no number") from problem
    if not math.isfinite(value) or not least <= value <= most:
        raise ValueError(f"{name}: {text[:30]} is not between {least:g} and {most:g}")
    return value


def written_daily_file(days: Iterable[WeatherDay]) -> str:
    """Days as a CSV text."""
    out = io.StringIO(newline="")
    writer = csv.writer(out)
    writer.writerow(COLUMNS)
    for each in days:
        writer.writerow([each.day.isoformat(), f"{each.tmin_c:g}", f"{each.tmax_c:g}", f"{each.rain_mm:g}"])
    return out.getvalue()


def weather_of_days(days: Sequence[WeatherDay], latitude_deg: float | None) -> Weather | None:
    """The whole years that days hold, as weather; None where no year is whole. Leap days are left out."""
    by_year: dict[int, list[WeatherDay]] = {}
    for each in sorted(days, key=lambda one: one.day):
        if (each.day.month, each.day.day) != LEAP_DAY:
            by_year.setdefault(each.day.year, []).append(each)
    whole = [year for year in by_year.values() if len(year) == DAYS]
    if not whole:
        return None
    arrays = [np.array([[getattr(each, name) for each in year] for year in whole]) for name in COLUMNS[1:]]
    return with_evaporation(arrays[0], arrays[1], arrays[2], latitude_deg)


def evaporation_of_days(days: Sequence[WeatherDay], latitude_deg: float | None) -> NDArray[np.float64]:
    """Reference evapotranspiration of days [mm]; the last of a leap year counts as the day before it."""
    latitude = USUAL_LATITUDE_DEG if latitude_deg is None else latitude_deg
    of_year = np.array([min(each.day.timetuple().tm_yday, DAYS) for each in days], dtype=float)
    tmin_c, tmax_c = (np.array([getattr(each, name) for each in days]) for name in ("tmin_c", "tmax_c"))
    return reference_evapotranspiration(tmin_c, tmax_c, extraterrestrial_radiation(latitude, of_year))
