"""A simulated weather feed: daily files as a weather service would send them, with its faults."""

from __future__ import annotations

from datetime import date, timedelta
from typing import Literal

import numpy as np

from nolbet_core.climate.daily_file import WeatherDay, written_daily_file
from nolbet_core.climate.weather import DAYS
from nolbet_core.figure.water import weather_for
from nolbet_core.plan.garden import Garden
from nolbet_core.reservoir.season import day_of_year

Fault = Literal["none", "late", "missing", "absurd"]

LATE_DAYS = 5
MISSING_SHARE = 0.2
ABSURD_SHARE = 0.1


def feed_text(garden: Garden, last: date, days: int, fault: Fault, seed: int) -> str:
    """A daily file of some days up to one, as the feed would send it. seed: the same one sends the same."""
    weather, _ = weather_for(garden, ())
    chance = np.random.default_rng(seed)
    year = seed % weather.years
    sent = []
    for back in range(days - 1, -1, -1):
        day = last - timedelta(days=back)
        at = day_of_year((day.month, day.day)) % DAYS
        tmin, tmax, rain = (float(each[year, at]) for each in (weather.tmin_c, weather.tmax_c, weather.rain_mm))
        sent.append(WeatherDay(day, round(tmin, 1), round(tmax, 1), round(rain, 1)))
    if fault == "late":
        sent = sent[:-LATE_DAYS]
    if fault == "missing":
        sent = [each for each in sent if chance.random() > MISSING_SHARE]
    text = written_daily_file(sent)
    if fault != "absurd":
        return text
    head, *rows = text.splitlines()
    wild = [row.rsplit(",", 1)[0] + ",99999" if chance.random() < ABSURD_SHARE else row for row in rows]
    return "\n".join([head, *wild]) + "\n"
