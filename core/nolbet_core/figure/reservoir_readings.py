"""What readings of a reservoir say: a leak, the thirst of its plants, and the crop factor that fits."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from datetime import UTC, date, datetime, timedelta

import numpy as np
from numpy.typing import NDArray

from nolbet_core.built.planted import planted_of, plot_of
from nolbet_core.built.supplies import Supplies
from nolbet_core.built.surroundings import latitude_of
from nolbet_core.climate.daily_file import WeatherDay, evaporation_of_days
from nolbet_core.figure.water import watered_bed, weather_for
from nolbet_core.figure.water_figures import DipsFigures, ReadingFigures, ToldFigures
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.garden import Garden
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_loss
from nolbet_core.record import record
from nolbet_core.reservoir.balance import MM
from nolbet_core.reservoir.dipped import thirst_of_dips
from nolbet_core.reservoir.leak import LEAST_M3_DAY, Told, told_from
from nolbet_core.reservoir.season import Planted, crop_factor_for, day_of_year, demand_by_day
from nolbet_core.reservoir.store import Store

SURE_OF_THIRST = 0.3
"""Error of the thirst up to which it is said."""

LATE_DAYS = 2
"""Days without a reading after which a probe is said to be late."""

DIP_ERROR_M = 0.005
"""How well a stick is read [m] (estimate)."""

LEAST_FACTOR, MOST_FACTOR = 0.1, 2.0

Values = NDArray[np.float64]


@record
class Span:
    """Some days of a bed's forecast. days: of the year, 0 to 364. et0_mm, rain_mm: of those days, years x days; a day
    whose weather is known is alike in all years. area_m2: that plants drink from; led_m2: whose rain comes in.
    system: that messages are in.
    """

    store: Store
    planted: Planted
    days: NDArray[np.int64]
    et0_mm: Values
    rain_mm: Values
    area_m2: float
    led_m2: float
    system: System

    @property
    def asked_m3(self) -> Values:
        """What plants ask, of each day [m3]."""
        asked: Values = self.et0_mm * (MM * self.area_m2) * demand_by_day(self.planted)[self.days]
        return asked

    @property
    def rained_m3(self) -> Values:
        """What rain brings, of each day [m3]."""
        rained: Values = self.rain_mm * (MM * self.led_m2)
        return rained

    def crop_factor_for(self, thirst: float) -> float | None:
        """The crop factor with which plants would ask so much more, to two digits; None where none between the least
        and the most would do."""
        factor = crop_factor_for(self.planted, thirst, self.days, self.et0_mm.mean(axis=0))
        if factor is None or not LEAST_FACTOR <= round(factor, 2) <= MOST_FACTOR:
            return None
        return round(factor, 2)


def span_of(bed: Bed, garden: Garden, supplies: Supplies, known: Sequence[WeatherDay], first: date, days: int) -> Span:
    """Some days of a bed's forecast from one on. known: the gardener's own weather, which goes before what is usual.

    Raises PlanProblem where the bed has no reservoir.
    """
    worked, water = watered_bed(bed, garden, supplies)
    weather, _ = weather_for(garden, known)
    planted = planted_of(worked)
    plot = plot_of(worked, planted)
    at = (day_of_year((first.month, first.day)) + np.arange(days)) % len(plot.demand)
    et0_mm, rain_mm = weather.et0_mm[:, at].copy(), weather.rain_mm[:, at].copy()
    own = {each.day: each for each in known}
    for index in range(days):
        day = own.get(first + timedelta(days=index))
        if day is not None:
            et0_mm[:, index] = evaporation_of_days([day], latitude_of(garden))[0]
            rain_mm[:, index] = day.rain_mm
    led_m2 = plot.area_m2 + plot.catchment_m2
    return Span(water.store, planted, at, et0_mm, rain_mm, plot.area_m2, led_m2, worked.system)


def thirstier(span: Span, crop_factor: float) -> Span:
    """The same days with plants of another crop factor."""
    return replace(span, planted=replace(span.planted, crop_factor=crop_factor))


def probe_figures(times_days: Values, level_m: Values, filled_days: Values, span: Span) -> ToldFigures:
    """What a probe's readings say of a leak and of thirst.

    times_days: of the readings, since the first midnight of the span. level_m: read then, NaN where nothing came
    [m]. filled_days: when the reservoir was filled up.
    """
    store = span.store
    water_m3 = np.where(np.isfinite(level_m), store.water_of(level_m), np.nan)
    told = told_from(times_days, water_m3, span.asked_m3[0], span.rained_m3[0], filled_days, store.held_m3)
    return told_figures(told, times_days, level_m, span)


def told_figures(told: Told, times: Values, levels: Values, span: Span) -> ToldFigures:
    """What a probe's readings say, in words and figures."""
    sure = told.thirst_error < SURE_OF_THIRST
    kept = np.isfinite(levels)
    return ToldFigures(
        leaks=told.leaks,
        loss_m3_day=told.loss_m3_day,
        error_m3_day=min(told.error_m3_day, 1e6),
        thirst=told.thirst if sure else None,
        crop_factor=span.crop_factor_for(told.thirst) if sure else None,
        readings=told.readings,
        days=told.days,
        message=_said(told, span.system) + _late(times, kept),
        series=[
            ReadingFigures(float(time), float(level))
            for time, level in zip(times[kept][::4].round(4), levels[kept][::4].round(5), strict=True)
        ],
    )


def _late(times: Values, kept: NDArray[np.bool_]) -> str:
    """What is said of a probe that has gone quiet."""
    last = float(times[kept].max()) if kept.any() else float(times[0])
    quiet_days = round(float(times[-1]) - last)
    if quiet_days < LATE_DAYS:
        return ""
    return f" The last reading is {quiet_days} days old: look after the probe."


def _said(told: Told, system: System) -> str:
    if told.days < 5:
        return f"{told.readings} readings so far: five days are wanted to tell a leak from thirst."
    sure = told.thirst_error < SURE_OF_THIRST
    thirst = f" Plants take {told.thirst * 100:.0f} % of what the forecast has." if sure else ""
    loss, error = (show_loss(each, system) for each in (told.loss_m3_day, told.error_m3_day))
    if told.leaks:
        said = f"It loses {loss} a day (give or take {error}) that no plant takes, at night and in rain too: a leak."
        return said + thirst
    over = show_loss(max(max(told.loss_m3_day, 0.0) + told.error_m3_day, LEAST_M3_DAY), system)
    least = f" A leak under {show_loss(told.least_m3_day, system)} a day can't be told yet." if told.finds_some else ""
    return f"No leak over {over} a day is to be seen in {told.days:.0f} days.{least}{thirst}"


def dips_figures(
    bed: Bed,
    garden: Garden,
    supplies: Supplies,
    known: Sequence[WeatherDay],
    dips: Sequence[tuple[datetime, float]],
) -> DipsFigures:
    """What dips of a stick say of the plants' thirst. dips: aware times and levels [m].

    Raises PlanProblem where the bed has no reservoir.
    """
    ordered = sorted(dips)
    if len(ordered) < 2:
        return DipsFigures(None, None, None, 0, WANTED)
    first = ordered[0][0].astimezone(UTC).replace(hour=0, minute=0, second=0, microsecond=0)
    times = np.array([(at - first).total_seconds() / 86_400 for at, _ in ordered])
    span = span_of(bed, garden, supplies, known, first.date(), int(times[-1]) + 1)
    store = span.store
    if store.overflow_m <= 0:
        return DipsFigures(None, None, None, 0, HOLDS_NOTHING)
    water = store.water_of(np.array([level for _, level in ordered]))
    dip_error_m3 = DIP_ERROR_M * store.held_m3 / store.overflow_m
    told = thirst_of_dips(times, water, span.asked_m3, span.rained_m3, store.held_m3, dip_error_m3)
    if told is None:
        return DipsFigures(None, None, None, 0, WANTED)
    give = f"give or take {told.thirst_error * 100:.0f} %"
    rests = f"{told.stretches} stretch{'' if told.stretches == 1 else 'es'} between dips"
    if told.thirst_error >= SURE_OF_THIRST:
        message = f"{rests} tell too little of the thirst yet ({give}): log a dip a week, and bring in the rain."
        return DipsFigures(None, told.thirst_error, None, told.stretches, message)
    message = f"By {rests}, plants take {told.thirst * 100:.0f} % of what the forecast has ({give})."
    return DipsFigures(told.thirst, told.thirst_error, span.crop_factor_for(told.thirst), told.stretches, message)


HOLDS_NOTHING = "Its overflow lies on its floor: there is no water to be drunk. Raise it, then dip."
WANTED = "Two dips in a row with no filling between tell how thirsty the plants are: log one a week."
