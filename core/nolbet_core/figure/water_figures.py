"""Figures of a reservoir's year, and of what readings say of it."""

from __future__ import annotations

from typing import Literal

from nolbet_core.record import record

Weathered = Literal["daily", "normals", "usual"]
"""Where the weather comes from: the gardener's daily file, monthly normals, or usual ones for the place."""


@record
class Usual:
    """What is usual, and what one year in ten falls short of or passes."""

    low: float
    middle: float
    high: float


@record
class RefillDay:
    """A day of the typical year on which it is filled up [day of the year, 1 to 365], and with how much [m3]."""

    day: int
    volume_m3: float


@record
class WaterFigures:
    """A reservoir's year, over many years of weather.

    low_m, middle_m, high_m: level by day; typical_m: of the typical year. refill_days: of that year. refills: how
    many in a year; refill_m3: with how much. twin_m3: what the same bed takes watered from the top; saved_m3: how
    much less this one takes for what plants got. short_days: on which plants go short. overflow_m3: that runs off.
    hot_day_m3: what plants ask on a hot day in full leaf. lasts_days: from full without rain, by month; longest_days:
    what is not looked beyond; narrow: what would narrow that most. begins: day of the year on which each year begins.
    years: of weather; weather: where it comes from; climate_said: what normals are guessed from, where they are.
    """

    water_m3: float
    overflow_m: float
    low_m: list[float]
    middle_m: list[float]
    high_m: list[float]
    typical_m: list[float]
    refill_days: list[RefillDay]
    refills: Usual
    refill_m3: Usual
    twin_m3: Usual
    saved_m3: Usual
    short_days: Usual
    overflow_m3: Usual
    hot_day_m3: float
    lasts_days: list[Usual]
    longest_days: int
    narrow: str | None
    begins: int
    season: tuple[int, int]
    years: int
    weather: Weathered
    climate_said: str | None


@record
class ReadingFigures:
    """A reading of the level [m] at a time [days since the first midnight], and what the forecast has for it."""

    time_days: float
    level_m: float


@record
class ToldFigures:
    """What a probe's readings say: whether it leaks, how much a day with its error, and how thirsty plants are against
    the forecast, null where they take too little to tell. crop_factor: that fits, null likewise. days, readings: what
    it rests on.
    """

    leaks: bool
    loss_m3_day: float
    error_m3_day: float
    thirst: float | None
    crop_factor: float | None
    readings: int
    days: float
    message: str
    series: list[ReadingFigures]


@record
class DipsFigures:
    """What dips say: how thirsty plants are against the forecast and the crop factor that fits, null where they tell
    too little; the thirst's error; how many stretches between dips it rests on.
    """

    thirst: float | None
    thirst_error: float | None
    crop_factor: float | None
    stretches: int
    message: str
