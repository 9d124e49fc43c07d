"""A leak told from thirst, over many seeds; what a probe that misbehaves does to it; and the stand-ins themselves."""

from __future__ import annotations

from datetime import date
from typing import Any

import numpy as np
import pytest

from nolbet.water.feed import ABSURD_SHARE, LATE_DAYS, feed_text
from nolbet.water.probe import Faults, probe_series
from nolbet_core.climate.daily_file import read_daily_file
from nolbet_core.climate.weather import drawn_weather, usual_normals
from nolbet_core.plan.garden import Garden
from nolbet_core.reservoir.leak import Told, told_from
from nolbet_core.reservoir.nights import lost_at_night
from nolbet_core.reservoir.readings import drunk_by, drunk_within, ready_readings, strays
from nolbet_core.reservoir.store import Store
from nolbet_core.shapes.angular import Rectangle
from nolbet_core.shapes.vessel import straight_vessel

DAYS = 14
FIRST = 182
STORE = Store(straight_vessel(Rectangle(2.4, 1.2), 0.6, "inside", 0.0).hollow, 0.2, 0.2, 0.38)
WEATHER = drawn_weather(usual_normals(9.5, 44.1), 44.1, 300, 7)
DEMAND = 0.9


def said(seed: int, faults: Faults, days: int = DAYS) -> tuple[Told, Any]:
    """What some days that end in the middle of July say, rain and refills on; the gravel bed of 2.4 x 1.2 m."""
    within = slice(FIRST + DAYS - days, FIRST + DAYS) if days > DAYS else slice(FIRST, FIRST + days)
    asked = WEATHER.et0_mm[seed, within] * 1e-3 * 2.88 * DEMAND
    rain = WEATHER.rain_mm[seed, within] * 1e-3 * 2.88
    series = probe_series(STORE, asked, rain, 0.25, faults, seed)
    water = np.where(np.isfinite(series.level_m), STORE.water_of(series.level_m), np.nan)
    return told_from(series.times_days, water, asked, rain, series.filled_days, STORE.held_m3), series


def share_told(seeds: range, faults: Faults, days: int) -> float:
    """In how many of so many seeds a leak is told [0-1]."""
    return float(np.mean([said(seed, faults, days)[0].leaks for seed in seeds]))


SCATTERED = 0.10


def four_weeks(leak_m3_day: float, seeds: int = 100) -> list[Told]:
    """What four weeks say whose thirst scatters by a tenth from day to day."""
    faults = Faults(leak_m3_day=leak_m3_day, scatter=SCATTERED)
    return [said(seed, faults, 2 * DAYS)[0] for seed in range(seeds)]


def holds(told: list[Told], leak_m3_day: float) -> float:
    """In how many the error that is said holds the truth [0-1]."""
    return float(np.mean([abs(each.loss_m3_day - leak_m3_day) <= each.error_m3_day for each in told]))


@pytest.mark.parametrize(("leak_m3_day", "least", "most"), [(0.0, 0.0, 0.05), (0.002, 0.80, 1.0), (0.004, 0.95, 1.0)])
def test_four_weeks_tell_leaks_from_a_thirst_that_scatters(leak_m3_day: float, least: float, most: float) -> None:
    told = four_weeks(leak_m3_day)
    assert least <= np.mean([each.leaks for each in told]) <= most
    assert 0.85 <= holds(told, leak_m3_day) <= 0.97
    assert np.mean([each.loss_m3_day for each in told]) == pytest.approx(leak_m3_day, abs=0.0002)


def test_a_thirst_that_scatters_by_a_fifth_is_no_leak() -> None:
    assert share_told(range(60), Faults(scatter=0.2), 2 * DAYS) <= 0.05
    assert share_told(range(60), Faults(scatter=0.2), DAYS) <= 0.1


def test_a_leak_that_began_two_weeks_ago_is_told_with_what_it_loses_now() -> None:
    began = Faults(leak_m3_day=0.004, leak_from_day=DAYS, scatter=SCATTERED)
    found = [said(seed, began, 2 * DAYS)[0] for seed in range(60)]
    assert np.mean([each.leaks for each in found]) >= 0.9
    assert np.mean([each.loss_m3_day for each in found]) == pytest.approx(0.004, abs=0.0005)


def test_nights_alone_tell_how_fast_the_water_falls() -> None:
    times = np.arange(10 * 48) / 48
    water = 0.2 - 0.003 * times - 0.015 * np.floor(times + 0.5)
    readings = ready_readings(times, water, np.full(10, 0.02), np.zeros(10), np.array([]), 0.3)
    nights = lost_at_night(readings, 0.0)
    assert nights.nights == 11
    late = lost_at_night(readings, 6.8)
    assert nights.loss_m3_day == pytest.approx(0.003) == pytest.approx(late.loss_m3_day)
    assert late.nights == 4


def test_a_night_of_rain_is_no_witness() -> None:
    times = np.arange(4 * 48) / 48
    water = 0.1 - 0.003 * times + 0.02 * (times >= 1.9)
    readings = ready_readings(times, water, np.zeros(4), np.array([0, 0.02, 0, 0.0]), np.array([]), 0.3)
    assert readings.rains_days.tolist() == pytest.approx([1.9], abs=0.03)
    nights = lost_at_night(readings, 0.0)
    assert nights.nights == 4
    assert nights.loss_m3_day == pytest.approx(0.003)


def test_days_on_which_nothing_is_asked_say_nothing_of_thirst() -> None:
    times = np.arange(14 * 48) / 48
    water = 0.2 - 0.002 * times + np.random.default_rng(4).normal(0, 0.003, len(times))
    told = told_from(times, water, np.zeros(14), np.zeros(14), np.array([]), 0.22)
    assert told.leaks
    assert told.loss_m3_day == pytest.approx(0.002, abs=1e-4)
    assert told.thirst_error > 1


@pytest.mark.parametrize("thirst", [0.8, 1.25])
def test_thirst_is_no_leak_and_is_told_as_thirst(thirst: float) -> None:
    told = [said(seed, Faults(thirst=thirst, scatter=SCATTERED))[0] for seed in range(40)]
    assert sum(each.leaks for each in told) <= 4
    assert share_told(range(100), Faults(thirst=thirst, scatter=SCATTERED), 2 * DAYS) <= 0.05
    assert np.mean([each.thirst for each in told]) == pytest.approx(thirst, abs=0.05)


def test_a_large_leak_is_told_within_a_week() -> None:
    told = [said(seed, Faults(leak_m3_day=0.02), days=7)[0] for seed in range(20)]
    assert sum(each.leaks for each in told) >= 18


def test_too_few_readings_tell_nothing() -> None:
    assert not said(3, Faults(leak_m3_day=0.02), days=4)[0].leaks
    late, _ = said(3, Faults(leak_m3_day=0.02, late_days=11.0))
    assert not late.leaks
    assert late.days < 5


def test_absurd_readings_are_left_out() -> None:
    faults = Faults(leak_m3_day=0.004, absurd=0.1)
    told = [said(seed, faults)[0] for seed in range(20)]
    assert sum(each.leaks for each in told) >= 16
    assert np.mean([each.loss_m3_day for each in told]) == pytest.approx(0.004, abs=0.0006)


def test_a_stray_stands_far_from_its_neighbours() -> None:
    water = np.full(40, 0.1) + np.random.default_rng(1).normal(0, 1e-4, 40)
    water[17] = 0.9
    assert np.flatnonzero(strays(water)).tolist() == [17]
    assert not strays(np.array([1.0, 9.0])).any()


def test_plants_drink_by_daylight() -> None:
    asked = np.array([0.010, 0.020])
    times = np.array([0.0, 0.25, 0.5, 0.75, 1.0, 1.5, 1.999])
    assert drunk_by(times, asked).tolist() == pytest.approx([0, 0, 0.005, 0.010, 0.010, 0.020, 0.030], abs=1e-6)
    assert drunk_within(times, asked).sum(axis=1) == pytest.approx(drunk_by(times, asked))
    assert drunk_within(times, asked)[5].tolist() == pytest.approx([0.010, 0.010])


def test_the_simulated_probe_has_the_faults_it_is_given() -> None:
    _, sound = said(1, Faults(missing=0.0))
    _, gaps = said(1, Faults(missing=0.3))
    _, wild = said(1, Faults(absurd=0.2))
    _, again = said(1, Faults(missing=0.0))
    assert np.isfinite(sound.level_m).all()
    assert np.array_equal(sound.level_m, again.level_m)
    assert np.isnan(gaps.level_m).mean() == pytest.approx(0.3, abs=0.06)
    assert (np.abs(wild.level_m) > 0.5).mean() == pytest.approx(0.2, abs=0.1)
    assert len(sound.times_days) == DAYS * 48


GARDEN = Garden(name="Ground", mean_temp_c=9.5, latitude_deg=44.1)


def test_the_simulated_feed_sends_days_and_misbehaves_when_asked() -> None:
    sent = {
        fault: feed_text(GARDEN, date(2026, 10, 20), 60, fault, 3) for fault in ("none", "late", "missing", "absurd")
    }
    days, bad = read_daily_file(sent["none"])
    assert (len(days), bad, days[-1].day) == (60, [], date(2026, 10, 20))
    assert len(read_daily_file(sent["late"])[0]) == 60 - LATE_DAYS
    assert 30 < len(read_daily_file(sent["missing"])[0]) < 60
    good, wild = read_daily_file(sent["absurd"])
    assert len(good) + len(wild) == 60
    assert 0 < len(wild) <= 60 * ABSURD_SHARE * 3
    assert all("rain_mm" in each.message for each in wild)
