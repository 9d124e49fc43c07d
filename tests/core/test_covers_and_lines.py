"""Covers and drip lines: weeks gained against counting, pieces and heads by hand, zones against trying everything."""

from __future__ import annotations

import itertools
import math
from collections.abc import Iterator

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.climate.typical import CLIMATES
from nolbet_core.climate.weather import SWING_SPREAD_C, TEMPERATURE_KEEPS, TEMPERATURE_SPREAD_C
from nolbet_core.lines.drip import drip_lines, head_lost, outlets_factor
from nolbet_core.lines.zones import TAP_SHARE, zoned
from nolbet_core.planting.cover import (
    RISK,
    CoverKind,
    cover_parts,
    half_ellipse,
    safe_from_and_until,
    usual_nights,
    vent_days,
    weeks_gained,
)

YEARS = 2000


def test_a_cover_by_hand() -> None:
    # a bow 1.2 m wide and 0.6 m high is half a circle
    assert half_ellipse(1.2, 0.6) == pytest.approx(math.pi * 0.6)
    parts = cover_parts(2.4, 1.2, 0.6, None)
    # 2.4 m in spans of at most 0.9: three, of 0.8 m
    assert (parts.hoops, parts.apart_m) == (4, pytest.approx(0.8))
    assert parts.hoop_m == pytest.approx(1.885 + 0.6, abs=1e-3)
    assert parts.sheet_m == pytest.approx((1.885 + 0.6, 2.4 + 2 * 0.9), abs=1e-3)


def simulated_nights(nights_c: np.ndarray, warmer_c: float) -> np.ndarray:
    """Nights of many years from the coldest day on: warm and cold spells that last, and a swing of each day's own."""
    chance = np.random.default_rng(8)
    spell = np.zeros((YEARS, len(nights_c)))
    spell[:, 0] = chance.normal(0.0, TEMPERATURE_SPREAD_C, YEARS)
    for day in range(1, len(nights_c)):
        own = chance.normal(0.0, TEMPERATURE_SPREAD_C * math.sqrt(1 - TEMPERATURE_KEEPS**2), YEARS)
        spell[:, day] = TEMPERATURE_KEEPS * spell[:, day - 1] + own
    swings = chance.normal(0.0, SWING_SPREAD_C / 2, spell.shape)
    return np.roll(nights_c, -int(np.argmin(nights_c))) + warmer_c + spell + swings


def counted_weeks(nights_c: np.ndarray, warmer_c: float) -> tuple[int, int]:
    """The day after which frost came in one spring of ten, and that until which it came in one autumn of ten."""
    frost = simulated_nights(nights_c, warmer_c) < 0
    warmest = int(np.argmax(np.roll(nights_c, -int(np.argmin(nights_c)))))
    last = np.where(frost[:, :warmest].any(axis=1), warmest - 1 - np.argmax(frost[:, :warmest][:, ::-1], axis=1), -1)
    rest = frost[:, warmest:]
    first = np.where(rest.any(axis=1), warmest + np.argmax(rest, axis=1), len(nights_c))
    return int(np.quantile(last, 1 - RISK)) + 1, int(np.quantile(first, RISK)) - 1


@pytest.mark.parametrize("climate", ["cool_continental", "hot_continental", "oceanic", "cold_steppe"])
@pytest.mark.parametrize("warmer_c", [0.0, 3.0])
def test_after_the_safe_day_frost_comes_in_one_year_of_ten(climate: str, warmer_c: float) -> None:
    """All later days of a spring together, in 2,000 simulated years; within two years of a hundred."""
    nights_c = usual_nights(CLIMATES[climate].normals("north"))
    opens, closes = safe_from_and_until(tuple(nights_c.tolist()), warmer_c)
    assert opens is not None and closes is not None
    frost = simulated_nights(nights_c, warmer_c) < 0
    warmest = int(np.argmax(np.roll(nights_c, -int(np.argmin(nights_c)))))
    assert frost[:, opens:warmest].any(axis=1).mean() == pytest.approx(RISK, abs=0.02)
    assert frost[:, warmest : closes + 1].any(axis=1).mean() == pytest.approx(RISK, abs=0.02)


@pytest.mark.parametrize("climate", ["cool_continental", "hot_continental", "oceanic", "cold_steppe"])
@pytest.mark.parametrize("kind", ["fleece", "film", "double_film"])
def test_weeks_gained_are_those_that_are_counted(climate: str, kind: CoverKind) -> None:
    normals = CLIMATES[climate].normals("north")
    nights_c = usual_nights(normals)
    gained = weeks_gained(normals, kind)
    assert gained.spring is not None
    assert gained.autumn is not None
    bare = counted_weeks(nights_c, 0.0)
    under = counted_weeks(nights_c, {"fleece": 2.0, "film": 3.0, "double_film": 5.0}[kind])
    assert gained.spring[0] == pytest.approx((bare[0] - under[0]) / 7, abs=0.6)
    assert gained.autumn[0] == pytest.approx((under[1] - bare[1]) / 7, abs=0.6)
    for middle, least, most in (gained.spring, gained.autumn):
        assert 0 <= least <= middle <= most


def test_where_no_frost_comes_nothing_is_gained_and_much_is_vented() -> None:
    wet = CLIMATES["wet_tropics"].normals("north")
    assert weeks_gained(wet, "film").spring is None
    days = vent_days(CLIMATES["cool_continental"].normals("north"))
    assert days[0] < 0.1
    assert 15 < days[6] < 31
    # the south has its summer in January
    assert vent_days(CLIMATES["cool_continental"].normals("south"))[0] == pytest.approx(days[6], abs=0.5)


def test_head_and_outlets_by_hand() -> None:
    # 100 L/h through 13.6 mm over 50 m: Q = 2.7778e-5, Q^1.852 = 3.645e-9; C^1.852 = 10718; d^4.8704 = 8.120e-10
    # 100 L/h through 13.6 mm: 0.1912 m/s, Re 2,601, Blasius 0.3164 / Re^0.25 = 0.04431,
    # h = 0.04431 x 50 x 0.1912^2 / (2 x 9.81 x 0.0136); Hazen-Williams would say 0.223 m
    assert head_lost(50.0, 100 / 3.6e6, 0.0136) == pytest.approx(0.3036, rel=0.002)
    # 16 L/h: 0.0306 m/s, Re 416, laminar: 64 / 416 = 0.1538
    assert head_lost(2.4, 16 / 3.6e6, 0.0136) == pytest.approx(0.1538 * 2.4 * 0.0306**2 / (2 * 9.81 * 0.0136), rel=0.01)
    # 25 mm and more by Hazen-Williams: 1,000 L/h through 25 mm
    assert head_lost(50.0, 1e3 / 3.6e6, 0.025) == pytest.approx(
        10.67 * 50 * (1e3 / 3.6e6) ** 1.852 / (150**1.852 * 0.025**4.8704), rel=1e-9
    )
    assert head_lost(50.0, 0.0, 0.0136) == 0.0
    # Christiansen's table has 0.402 for ten outlets and 0.376 for twenty
    assert outlets_factor(10) == pytest.approx(0.402, abs=1e-3)
    assert outlets_factor(20) == pytest.approx(0.376, abs=1e-3)


def test_the_lines_of_a_bed_by_hand() -> None:
    lines = drip_lines(2.4, 1.2, None, None, None)
    # 1.2 / 0.3 rows, 2.4 / 0.3 emitters, 2 L/h each
    assert (lines.rows, lines.emitters, lines.flow_l_min) == (4, 32, pytest.approx(64 / 60))
    assert lines.is_even
    assert not drip_lines(90.0, 0.3, None, None, 4.0).is_even


def groupings(sizes: list[float], most: float) -> Iterator[int]:
    """How many zones each way of putting things into zones takes that keeps them within the most."""
    for places in itertools.product(range(len(sizes)), repeat=len(sizes)):
        sums = [sum(size for size, place in zip(sizes, places, strict=True) if place == each) for each in set(places)]
        if max(sums) <= most + 1e-9:
            yield len(sums)


@pytest.mark.parametrize("seed", range(12))
def test_zones_are_as_few_as_trying_everything_finds(seed: int) -> None:
    chance = np.random.default_rng(seed)
    flows = {f"bed_{each}": float(size) for each, size in enumerate(chance.uniform(1.5, 7.0, 6).round(2))}
    found = zoned(flows, 10.0 / TAP_SHARE)
    assert found.proven
    assert len(found.zones) == min(groupings(list(flows.values()), 10.0))
    assert sorted(bed for zone in found.zones for bed in zone.beds) == sorted(flows)


def test_first_fit_is_bettered_where_it_can_be() -> None:
    # largest first puts both fours into one zone, three threes into the next and one into a third
    flows = {"a": 4.0, "b": 4.0, "c": 3.0, "d": 3.0, "e": 3.0, "f": 3.0}
    found = zoned(flows, 10.0 / TAP_SHARE)
    assert len(found.zones) == 2
    assert all(zone.flow_l_min == pytest.approx(10.0) for zone in found.zones)


@given(st.lists(st.floats(0.5, 12.0), min_size=2, max_size=9), st.floats(8.0, 30.0))
def test_no_zone_takes_more_than_the_tap_gives(sizes: list[float], tap_l_min: float) -> None:
    found = zoned({f"bed_{each}": size for each, size in enumerate(sizes)}, tap_l_min)
    for zone in found.zones:
        assert zone.flow_l_min <= TAP_SHARE * tap_l_min + 1e-6 or set(zone.beds) <= set(found.too_much)
