"""Odd climates and odd plantings: deserts, monsoons, poles, the south, no leaves and no mulch."""

from __future__ import annotations

from datetime import date

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.climate.daily_file import WeatherDay, read_daily_file, weather_of_days, written_daily_file
from nolbet_core.climate.radiation import extraterrestrial_radiation
from nolbet_core.climate.weather import DAYS, MonthNormals, drawn_weather, usual_normals
from nolbet_core.quantities.calendar import FIRST_YEAR, LAST_YEAR
from nolbet_core.reservoir.season import Planted, day_of_year, demand_by_day, season_days

DESERT = (MonthNormals(15.0, 38.0, 0.0, 0.0),) * 12
MONSOON = (MonthNormals(22.0, 27.0, 600.0, 29.0),) * 12


def test_a_desert_stays_dry_and_a_monsoon_wet() -> None:
    desert, monsoon = drawn_weather(DESERT, 25.0, 5, 1), drawn_weather(MONSOON, 10.0, 40, 1)
    assert desert.rain_mm.max() == 0.0
    assert desert.et0_mm.mean() > monsoon.et0_mm.mean()
    assert (monsoon.rain_mm > 0).mean() == pytest.approx(29 / 30.4, abs=0.02)


def test_no_sun_evaporates_nothing() -> None:
    polar = drawn_weather(usual_normals(-10.0, 80.0), 80.0, 2, 1)
    assert polar.et0_mm[:, :30].max() == 0.0
    assert polar.et0_mm.min() >= 0.0


@given(st.floats(-66, 66), st.integers(1, 365))
def test_the_halves_of_the_earth_mirror_one_another(latitude: float, day: int) -> None:
    here = float(extraterrestrial_radiation(latitude, np.array([float(day)]))[0])
    later = float(extraterrestrial_radiation(-latitude, np.array([float((day + 182) % 365 + 1)]))[0])
    # the earth is nearer to the sun in January: seven per cent either way, no more
    assert here == pytest.approx(later, rel=0.09, abs=0.6)


@given(st.integers(0, 364), st.integers(20, 340), st.floats(0.1, 2), st.floats(0, 1), st.floats(0, 1))
def test_what_plants_ask_is_never_negative_and_most_in_full_leaf(
    starts: int, length: int, factor: float, canopy: float, mulch: float
) -> None:
    planted = Planted(factor, canopy, mulch, starts, (starts + length) % DAYS)
    demand = demand_by_day(planted)
    assert demand.min() >= 0.0
    assert season_days(planted).sum() == length + 1
    bare = 0.6 * mulch
    assert demand[~season_days(planted)].tolist() == pytest.approx([bare] * (DAYS - length - 1))


@pytest.mark.parametrize(("month_day", "day"), [((1, 1), 0), ((3, 1), 59), ((12, 31), 364), ((2, 29), 59)])
def test_days_of_a_year(month_day: tuple[int, int], day: int) -> None:
    assert day_of_year(month_day) == day


CELLS = st.text(alphabet="0123456789.,-eE+naif \"'", max_size=12)


@given(st.lists(st.tuples(st.dates().map(str) | CELLS, CELLS, CELLS, CELLS), max_size=8))
def test_no_file_breaks_the_reader(rows: list[tuple[str, str, str, str]]) -> None:
    text = "date,tmin_c,tmax_c,rain_mm\n" + "\n".join(",".join(f'"{cell}"' for cell in row) for row in rows)
    days, bad = read_daily_file(text)
    assert len(days) + len(bad) <= len(rows) + 1
    assert all(each.tmin_c <= each.tmax_c and each.rain_mm >= 0 for each in days)


@given(
    st.lists(
        st.builds(
            WeatherDay,
            st.dates(date(FIRST_YEAR, 1, 1), date(LAST_YEAR, 12, 31)),
            st.floats(-60, 10).map(lambda value: round(value, 1)),
            st.floats(10, 50).map(lambda value: round(value, 1)),
            st.floats(0, 300).map(lambda value: round(value, 1)),
        ),
        unique_by=lambda day: day.day,
        max_size=20,
    )
)
def test_days_go_out_and_come_in_again(days: list[WeatherDay]) -> None:
    ordered = sorted(days, key=lambda each: each.day)
    assert read_daily_file(written_daily_file(ordered)) == (ordered, [])
    assert weather_of_days(days, 44.0) is None
