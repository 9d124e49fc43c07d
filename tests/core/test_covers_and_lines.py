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
from nolbet_core.climate.weather import SWING_SPREAD_C, TEMPERATURE_SPREAD_C
from nolbet_core.lines.drip import drip_lines, head_lost, outlets_factor
from nolbet_core.lines.zones import TAP_SHARE, zoned
from nolbet_core.planting.cover import (
    RISK,
    CoverKind,
    cover_parts,
    half_ellipse,
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


def counted_weeks(nights_c: np.ndarray, warmer_c: float) -> tuple[int, int]:
    """First and last day since the coldest that frost came on in fewer than one of ten simulated years."""
    chance = np.random.default_rng(8)
    swings = chance.normal(0.0, SWING_SPREAD_C / 2, (YEARS, len(nights_c)))
    nights = nights_c + warmer_c + chance.normal(0.0, TEMPERATURE_SPREAD_C, (YEARS, len(nights_c))) + swings
    share = np.roll((nights < 0).mean(axis=0), -int(np.argmin(nights_c)))
    even = np.convolve(np.pad(share, 7, mode="wrap"), np.ones(15) / 15, mode="valid")
    warmest = int(np.argmin(even))
    before, after = np.flatnonzero(even[:warmest] >= RISK), np.flatnonzero(even[warmest:] >= RISK)
    opens = int(before[-1]) + 1 if len(before) else 0
    return opens, warmest + int(after[0]) - 1 if len(after) else len(even) - 1


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
    assert head_lost(50.0, 100 / 3.6e6, 0.0136) == pytest.approx(0.2234, rel=0.002)
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
