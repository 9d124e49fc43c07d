"""Sun, evaporation and weather: published examples, another reckoning, normals that come back, daily files."""

from __future__ import annotations

import math
from datetime import date

import numpy as np
import pytest
import refet

from nolbet_core.climate.daily_file import read_daily_file, weather_of_days, written_daily_file
from nolbet_core.climate.radiation import extraterrestrial_radiation, reference_evapotranspiration
from nolbet_core.climate.weather import (
    DAYS,
    MONTH_OF_DAY,
    MonthNormals,
    days_in_order,
    drawn_weather,
    first_day,
    hot_day_evaporation,
    usual_normals,
)
from tests.core import zoo


def test_sunlight_of_the_published_example() -> None:
    # FAO-56 example 8: 20 degrees south, 3 September (day 246)
    assert float(extraterrestrial_radiation(-20.0, np.array([246.0]))[0]) == pytest.approx(32.2, abs=0.05)


def test_evaporation_of_the_published_example() -> None:
    # FAO-56 example 20: 45 degrees 43 minutes north, 15 July, 14.8 to 26.6 degrees: Ra 40.6 MJ/m2, ET0 5.0 mm
    radiation = extraterrestrial_radiation(45.72, np.array([196.0]))
    assert float(radiation[0]) == pytest.approx(40.6, abs=0.05)
    et0 = reference_evapotranspiration(np.array([14.8]), np.array([26.6]), radiation)
    assert float(et0[0]) == pytest.approx(5.0, abs=0.05)


PLACES = [
    (0, 80),
    (10, 200),
    (23.5, 172),
    (-15, 355),
    (35, 15),
    (-35, 183),
    (44.1, 132),
    (52, 350),
    (60, 172),
    (-60, 10),
]


@pytest.mark.parametrize(("latitude", "day"), PLACES)
def test_sunlight_agrees_with_another_reckoning(latitude: float, day: int) -> None:
    other = float(refet.calcs.ra_daily(np.array([math.radians(latitude)]), np.array([day]), method="refet")[0])
    assert float(extraterrestrial_radiation(latitude, np.array([float(day)]))[0]) == pytest.approx(other, rel=0.005)


def test_polar_days_and_nights_have_their_sun() -> None:
    north = extraterrestrial_radiation(75.0, np.array([355.0, 172.0]))
    assert north[0] == 0.0
    assert north[1] > 40.0
    assert float(reference_evapotranspiration(np.array([-40.0]), np.array([-30.0]), north[:1])[0]) == 0.0


def test_monthly_means_come_back() -> None:
    weather = drawn_weather(zoo.NORMALS, 44.1, 200, 5)
    for month, normals in enumerate(zoo.NORMALS):
        within = month == MONTH_OF_DAY
        for values, wanted in (
            (weather.rain_mm[:, within].sum(axis=1), normals.rain_mm),
            ((weather.rain_mm[:, within] > 0).sum(axis=1), normals.rain_days),
            (weather.tmin_c[:, within].mean(axis=1), normals.tmin_c),
            (weather.tmax_c[:, within].mean(axis=1), normals.tmax_c),
        ):
            error = values.std(ddof=1) / math.sqrt(len(values))
            assert abs(values.mean() - wanted) < 3 * error + 1e-3, (month, wanted)


def test_weather_is_drawn_alike_and_rain_comes_in_spells() -> None:
    one, two = drawn_weather(zoo.NORMALS, 44.1, 3, 7), drawn_weather(zoo.NORMALS, 44.1, 3, 7)
    assert np.array_equal(one.rain_mm, two.rain_mm)
    many = drawn_weather(zoo.NORMALS, 44.1, 60, 7)
    wet = many.rain_mm > 0
    after_wet = wet[:, 1:][wet[:, :-1]].mean()
    after_dry = wet[:, 1:][~wet[:, :-1]].mean()
    assert after_wet - after_dry == pytest.approx(0.30, abs=0.03)
    assert np.all(many.tmax_c >= many.tmin_c + 0.99)
    assert np.all(many.et0_mm >= 0)


ODD_RAIN = [(300.0, 31.0), (1000.0, 0.01), (60.0, 0.0), (5000.0, 10.0), (0.0, 10.0), (20.0, 3.0)]


@pytest.mark.parametrize(("rain_mm", "rain_days"), ODD_RAIN)
def test_no_rain_is_lost_or_made_and_no_day_is_a_flood(rain_mm: float, rain_days: float) -> None:
    drawn = drawn_weather((MonthNormals(5.0, 15.0, rain_mm, rain_days),) * 12, 44.1, 30, 4)
    for month in range(12):
        assert drawn.rain_mm[:, month == MONTH_OF_DAY].sum() / 30 == pytest.approx(rain_mm)
    assert drawn.rain_mm.max() <= 250.0 + 1e-9
    if rain_days == 31:
        assert (drawn.rain_mm > 0).mean() == 1.0


def test_no_day_is_over_a_fifth_wetter_than_the_wettest_known() -> None:
    drawn = drawn_weather(zoo.NORMALS, 44.1, 50, 4, wettest_mm=25.0)
    assert drawn.rain_mm.max() == pytest.approx(30.0)
    assert drawn.rain_mm.sum() / 50 == pytest.approx(sum(each.rain_mm for each in zoo.NORMALS))


def longest_dry(wet: np.ndarray) -> list[int]:
    """The longest run of dry days in each year."""
    return [max(len(run) for run in "".join("x" if day else " " for day in year).split("x")) for year in wet]


def test_long_dry_spells_come_as_they_do() -> None:
    normals = (MonthNormals(5.0, 15.0, 50.0, 8.0),) * 12
    drawn = drawn_weather(normals, 44.1, 100, 4)
    chance = np.random.default_rng(3)
    by_chance = chance.random((100, DAYS)) < 8 / 30.4
    assert 20 < np.median(longest_dry(drawn.rain_mm > 0)) < 40
    assert np.median(longest_dry(drawn.rain_mm > 0)) > np.median(longest_dry(by_chance)) + 5


def test_the_south_draws_the_same_weather_half_a_year_on() -> None:
    turned = [zoo.NORMALS[(each + 6) % 12] for each in range(12)]
    north, south = drawn_weather(zoo.NORMALS, 44.1, 30, 4), drawn_weather(turned, -44.1, 30, 4)
    one, other = north.tmax_c[:, days_in_order(44.1)], south.tmax_c[:, days_in_order(-44.1)]
    assert (first_day(44.1), first_day(None), first_day(-44.1)) == (304, 304, 120)
    # months are not quite alike in length: a few days a year fall into the one beside
    assert np.mean(np.abs(one - other) < 0.05) > 0.85


def test_a_hot_day_asks_more_than_a_usual_one() -> None:
    hot = hot_day_evaporation(usual_normals(9.5, 44.1), 44.1)
    drawn = drawn_weather(usual_normals(9.5, 44.1), 44.1, 50)
    july = drawn.et0_mm[:, MONTH_OF_DAY == 6]
    assert hot == pytest.approx(float(np.percentile(july, 90)), rel=0.1)


def test_a_garden_that_says_nothing_has_summer_in_its_half() -> None:
    north, south = usual_normals(10.0, 44.0), usual_normals(10.0, -44.0)
    assert north[6].tmax_c > north[0].tmax_c
    assert south[0].tmax_c > south[6].tmax_c


FILE = """date,tmin_c,tmax_c,rain_mm
2026-07-01,11.5,24,0
2026-07-02,12,23.5,4.2
2026-07-02,12,23.5,4.2
July 3,12,24,0
2026-07-04,20,12,0
2026-07-05,12,warm,0
2026-07-06,12,24,-3
2026-07-07,12,24,nan
2026-07-08,"12,5",24,0
"""


def test_a_daily_file_keeps_good_rows_and_names_bad_ones() -> None:
    days, bad = read_daily_file(FILE)
    assert [each.day.day for each in days] == [1, 2, 8]
    assert days[2].tmin_c == 12.5
    assert [each.line for each in bad] == [4, 5, 6, 7, 8, 9]
    said = [
        "stands twice",
        "'July 3' is no day",
        "under the day's tmin_c",
        "'warm' is no number",
        "not between",
        "not between",
    ]
    assert all(part in each.message for part, each in zip(said, bad, strict=True))
    assert read_daily_file(written_daily_file(days)) == (days, [])


@pytest.mark.parametrize("text", ["", "day,low,high,rain\n", "date,tmin_c\n2026-07-01,3\n"])
def test_a_file_without_its_columns_is_refused(text: str) -> None:
    with pytest.raises(ValueError, match="has to name date, tmin_c, tmax_c, rain_mm"):
        read_daily_file(text)


def test_only_whole_years_are_used_and_leap_days_left_out() -> None:
    rows = "".join(
        f"{date.fromordinal(day).isoformat()},5,15,1\n"
        for day in range(date(2024, 1, 1).toordinal(), date(2025, 6, 1).toordinal())
    )
    days, _ = read_daily_file("date,tmin_c,tmax_c,rain_mm\n" + rows)
    weather = weather_of_days(days, 44.0)
    assert weather is not None
    assert weather.rain_mm.shape == (1, DAYS)
    assert weather_of_days(days[400:], 44.0) is None
