"""Thirst from dips now and then, and a leak's readings made ready: what counts, what doesn't, and how sure it is."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.reservoir.dipped import Dipped, thirst_of_dips
from nolbet_core.reservoir.leak import fitted
from nolbet_core.reservoir.readings import Readings, drunk_by, good_readings, ready_readings

HELD = 0.2
ASKED = np.full((3, 30), 0.008)
DRY = np.zeros((3, 30))


def told(times: list[float], water: list[float], rained: np.ndarray = DRY, error: float = 0.002) -> Dipped | None:
    """What dips of water say; plants ask for 8 L a day."""
    return thirst_of_dips(np.array(times), np.array(water), ASKED, rained, HELD, error)


def test_what_fell_is_what_was_drunk() -> None:
    found = told([0, 5, 10], [0.19, 0.15, 0.11])
    assert found is not None
    assert (found.thirst, found.stretches) == (pytest.approx(1.0), 2)
    # two stretches of 40 L asked, each known to 2 L twice over: 2 sqrt 2 / (40 sqrt 2)
    assert found.thirst_error == pytest.approx(0.05)


def test_rain_that_is_known_is_added_to_what_fell() -> None:
    rained = DRY.copy()
    rained[:, 2] = 0.010
    found = told([0, 5], [0.19, 0.16], rained)
    assert found is not None
    assert found.thirst == pytest.approx(1.0)
    assert found.thirst_error == pytest.approx(0.002 * np.sqrt(2) / 0.04)


def test_rain_that_may_have_been_widens_the_error() -> None:
    rained = DRY.copy()
    rained[:, 2] = [0.0, 0.010, 0.020]
    sure, unsure = told([0, 5], [0.19, 0.16]), told([0, 5], [0.19, 0.16], rained)
    assert sure is not None and unsure is not None
    assert unsure.thirst_error > 2 * sure.thirst_error


NOTHING: list[tuple[str, list[float], list[float]]] = [
    ("one dip", [0], [0.1]),
    ("it rose", [0, 5], [0.1, 0.15]),
    ("it stood still", [0, 5], [0.1, 0.1]),
    ("it ran dry", [0, 5], [0.1, 0.001]),
    ("hours apart", [0, 0.4], [0.1, 0.09]),
]


@pytest.mark.parametrize(("_why", "times", "water"), NOTHING, ids=[row[0] for row in NOTHING])
def test_what_says_nothing_is_left_out(_why: str, times: list[float], water: list[float]) -> None:
    assert told(times, water) is None


def test_a_stretch_that_may_have_run_over_is_left_out() -> None:
    rained = DRY.copy()
    rained[:, 1] = 0.1
    assert told([0, 5], [0.19, 0.15], rained) is None


@given(st.floats(0.5, 2.0), st.lists(st.floats(1.0, 6.0), min_size=1, max_size=5))
def test_any_dips_of_one_thirst_tell_it(thirst: float, gaps: list[float]) -> None:
    times = np.concatenate([[0.0], np.cumsum(gaps)])
    water = 0.9 - thirst * drunk_by(times, ASKED[0])
    found = thirst_of_dips(times, water, ASKED, DRY, 1.0, 0.002)
    if found is not None:
        assert found.thirst == pytest.approx(thirst, rel=1e-6)


def readings(loss: float, thirst: float, days: int = 14) -> Readings:
    """Two weeks without noise: a steady loss and some thirst, half-hourly."""
    times = np.arange(days * 48) / 48
    asked = 0.006 + 0.003 * (np.arange(days) % 3)
    drunk = drunk_by(times, asked)
    water = 0.6 - thirst * drunk - loss * times
    return Readings(times, water, drunk, np.zeros(len(times), dtype=np.int64), np.ones(len(times)), np.array([]))


ASKS_20 = 0.006 + 0.003 * (np.arange(20) % 3)


@given(st.floats(0.0, 0.01), st.floats(0.5, 1.5))
def test_loss_and_thirst_come_apart(loss: float, thirst: float) -> None:
    fit = fitted(readings(loss, thirst), ASKS_20[:14], 0.0)
    assert fit.loss_m3_day == pytest.approx(loss, abs=1e-4)
    assert fit.thirst == pytest.approx(thirst, rel=0.02)


def test_a_loss_that_began_is_found_from_then_on() -> None:
    seen = readings(0.0, 1.0, days=20)
    late = np.maximum(seen.times_days - 12, 0.0)
    leaking = replace(seen, water_m3=seen.water_m3 - 0.003 * late)
    assert fitted(leaking, ASKS_20, 12.0).loss_m3_day == pytest.approx(0.003, abs=1e-5)
    assert fitted(leaking, ASKS_20, 12.0).likelihood > fitted(leaking, ASKS_20, 0.0).likelihood
    assert fitted(readings(0.0, 0.9, days=20), ASKS_20, None).thirst == pytest.approx(0.9, abs=1e-3)


def test_readings_are_parted_where_it_was_filled_and_where_rain_may_have_run_over() -> None:
    times = np.arange(4 * 48) / 48
    asked, rain = np.full(4, 0.005), np.array([0.0, 0.0, 0.3, 0.0])
    water = 0.15 - drunk_by(times, asked)
    water[times >= 1.3] += 0.04
    ready = ready_readings(times, water, asked, rain, np.array([1.3]), 0.2)
    assert not ((ready.times_days >= 2) & (ready.times_days < 3)).any()
    assert len(np.unique(ready.stretch)) == 3
    assert ready.weight.max() > 1
    assert ready.rains_days.tolist() == pytest.approx([2.0], abs=1.0)


def test_missing_and_impossible_readings_are_no_good() -> None:
    water = np.array([0.1, np.nan, 9.0, -1.0, 0.1, 0.1])
    assert good_readings(water, 0.2).tolist() == [True, False, False, False, True, True]
