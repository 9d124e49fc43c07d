"""Typical climates by their Koppen class, for gardens whose own weather isn't known: said to be that, and no more."""

from __future__ import annotations

import math
from typing import Literal

from nolbet_core.climate.weather import MonthNormals
from nolbet_core.record import record

Hemisphere = Literal["north", "south"]
HALF_A_YEAR = 6
COLDEST_MONTH = 0.8
"""Where in the northern year the coldest day lies [months from 1 January]."""


@record
class TypicalClimate:
    """A climate as places of its class usually have it, told for the north: all of it estimates.

    mean_c, swing_c: mean of the year, and how far the warmest and the coldest month lie off it [degrees C]. daily_c:
    how far days and nights lie off their mean [degrees C]. rain_mm, rain_days: of January to December. last_frost,
    first_frost: "MM-DD", None where there are none.
    """

    key: str
    koppen: str
    name: str
    said: str
    latitude_deg: float
    mean_c: float
    swing_c: float
    daily_c: float
    rain_mm: tuple[float, ...]
    rain_days: tuple[float, ...]
    last_frost: str | None
    first_frost: str | None

    def normals(self, hemisphere: Hemisphere) -> tuple[MonthNormals, ...]:
        """The twelve months from January on; in the south those of half a year later."""
        months = [self._month(month) for month in range(12)]
        shift = HALF_A_YEAR if hemisphere == "south" else 0
        return tuple(months[(month + shift) % 12] for month in range(12))

    def _month(self, month: int) -> MonthNormals:
        height = -math.cos(2 * math.pi * (month + 0.5 - COLDEST_MONTH) / 12)
        mean_c = self.mean_c + self.swing_c * height
        low, high = round(mean_c - self.daily_c, 1), round(mean_c + self.daily_c, 1)
        return MonthNormals(low, high, self.rain_mm[month], self.rain_days[month])

    def frosts(self, hemisphere: Hemisphere) -> tuple[str | None, str | None]:
        """Last and first frost, "MM-DD"."""
        if hemisphere == "north":
            return self.last_frost, self.first_frost
        return _half_a_year_on(self.last_frost), _half_a_year_on(self.first_frost)


def _half_a_year_on(day: str | None) -> str | None:
    if day is None:
        return None
    month, date = (int(each) for each in day.split("-"))
    return f"{(month + HALF_A_YEAR - 1) % 12 + 1:02d}-{min(date, 28):02d}"


def _even(mm: float, days: float) -> tuple[tuple[float, ...], tuple[float, ...]]:
    return (mm,) * 12, (days,) * 12


def _wave(least: tuple[float, float], most: tuple[float, float], wettest: int) -> tuple[tuple[float, ...], ...]:
    """Rain and rain days of the months, from the driest to the wettest month (0 to 11) and back in a wave."""
    shares = [(1 + math.cos(2 * math.pi * (month - wettest) / 12)) / 2 for month in range(12)]
    return tuple(tuple(round(a + (b - a) * share, 1) for share in shares) for a, b in zip(least, most, strict=True))


def _climate(
    key: str,
    koppen: str,
    name: str,
    said: str,
    latitude_deg: float,
    warmth: tuple[float, float, float],
    rain: tuple[tuple[float, ...], ...],
    frosts: tuple[str | None, str | None],
) -> TypicalClimate:
    return TypicalClimate(key, koppen, name, said, latitude_deg, *warmth, rain[0], rain[1], *frosts)


JANUARY, JULY = 0, 6

CLIMATES: dict[str, TypicalClimate] = {
    each.key: each
    for each in (
        _climate("oceanic", "Cfb", "Mild and damp all year", "mild winters, cool summers, rain in every month", 52,
                 (10.5, 6.5, 4.0), _even(65, 12), ("04-25", "10-25")),
        _climate("cool_oceanic", "Cfc", "Cool, windy and wet", "short cool summers, rain in every month", 60,
                 (6.5, 5.5, 3.0), _wave((70, 14), (130, 20), 10), ("05-25", "09-25")),
        _climate("warm_summer_dry", "Csb", "Dry mild summer, wet winter", "a coast with dry, cool summers", 43,
                 (11.5, 6.0, 5.5), _wave((12, 3), (150, 17), JANUARY), ("04-15", "11-01")),
        _climate("hot_summer_dry", "Csa", "Dry hot summer, mild wet winter", "long dry heat, rain in the cool half", 38,
                 (16.5, 8.0, 5.5), _wave((5, 1), (85, 10), JANUARY), ("03-10", "11-25")),
        _climate("humid_subtropical", "Cfa", "Hot damp summer, short winter", "sultry summers, rain all year", 34,
                 (17.0, 10.0, 5.5), _even(105, 10), ("03-30", "11-05")),
        _climate("summer_rain", "Cwa", "Mild dry winter, hot wet summer", "most rain in the hot half of the year", 26,
                 (18.5, 7.5, 6.0), _wave((12, 2), (210, 15), JULY), ("02-20", "12-05")),
        _climate("hot_continental", "Dfa", "Hot summer, cold winter", "hot damp summers, frozen winters", 41,
                 (10.5, 13.0, 5.5), _wave((45, 8), (100, 11), 5), ("04-28", "10-12")),
        _climate("cool_continental", "Dfb", "Warm summer, long cold winter", "snow for months, rain in every one", 45,
                 (6.5, 13.5, 5.5), _wave((45, 9), (95, 12), JULY), ("05-14", "09-28")),
        _climate("boreal", "Dfc", "Short summer, very long winter", "three months of growth", 62,
                 (0.5, 14.5, 5.0), _wave((28, 8), (75, 13), JULY), ("06-08", "09-01")),
        _climate("cold_steppe", "BSk", "Dry plains, cold winter", "little rain, strong sun, cold nights", 40,
                 (9.5, 12.0, 7.5), _wave((12, 3), (50, 8), 5), ("05-08", "10-02")),
        _climate("hot_steppe", "BSh", "Hot and dry, a short wet season", "rain in a few hot weeks", 20,
                 (24.5, 5.0, 7.0), _wave((3, 0.5), (120, 9), JULY), ("01-25", "12-20")),
        _climate("desert", "BWh", "Desert", "hardly any rain, hot days", 30,
                 (21.5, 9.0, 7.5), _wave((3, 0.5), (16, 2), JANUARY), ("02-10", "12-05")),
        _climate("wet_tropics", "Af", "Warm and wet all year", "no winter and no frost", 5,
                 (26.5, 1.0, 4.0), _even(210, 17), (None, None)),
        _climate("dry_and_wet_tropics", "Aw", "Warm, a wet and a dry season", "no frost; months without rain", 15,
                 (26.0, 2.5, 5.5), _wave((6, 1), (270, 18), JULY), (None, None)),
    )
}  # fmt: skip
"""By key."""
