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
from nolbet_core.reservoir.readings import drunk_by, strays
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


def test_a_leak_of_two_litres_a_day_is_told_two_weeks_after_it_began() -> None:
    began = Faults(leak_m3_day=0.002, leak_from_day=DAYS)
    assert share_told(range(100), began, 2 * DAYS) >= 0.95
    assert share_told(range(100, 300), began, 2 * DAYS) >= 0.95


def test_four_weeks_without_a_leak_tell_none() -> None:
    assert share_told(range(100), Faults(), 2 * DAYS) <= 0.05
    assert share_told(range(100, 300), Faults(), 2 * DAYS) <= 0.05


def test_a_leak_from_the_first_day_is_told_within_four_weeks() -> None:
    assert share_told(range(100), Faults(leak_m3_day=0.002), 2 * DAYS) >= 0.95


def test_a_probe_two_weeks_old_tells_two_litres_a_day_in_ninety_of_a_hundred() -> None:
    told = [said(seed, Faults(leak_m3_day=0.002))[0] for seed in range(100)]
    assert sum(each.leaks for each in told) >= 90
    assert np.mean([each.loss_m3_day for each in told]) == pytest.approx(0.002, abs=0.0003)


def test_without_a_leak_none_is_told_in_ninety_five_of_a_hundred() -> None:
    told = [said(seed, Faults())[0] for seed in range(100)]
    assert sum(each.leaks for each in told) <= 5


def test_days_on_which_nothing_is_asked_say_nothing_of_thirst() -> None:
    times = np.arange(14 * 48) / 48
    water = 0.2 - 0.002 * times + np.random.default_rng(4).normal(0, 0.003, len(times))
    told = told_from(times, water, np.zeros(14), np.zeros(14), np.array([]), 0.22)
    assert told.leaks
    assert told.loss_m3_day == pytest.approx(0.002, abs=1e-4)
    assert told.thirst_error > 1


@pytest.mark.parametrize("thirst", [0.8, 1.25])
def test_thirst_is_no_leak_and_is_told_as_thirst(thirst: float) -> None:
    told = [said(seed, Faults(thirst=thirst))[0] for seed in range(40)]
    assert sum(each.leaks for each in told) <= 5
    assert share_told(range(100), Faults(thirst=thirst), 2 * DAYS) <= 0.07
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
