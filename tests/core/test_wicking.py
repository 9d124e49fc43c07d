"""What lifts water, how far, and through which layers."""

from __future__ import annotations

import math
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.reservoir.wicking import Lift, Wicking, lifts_of, way_to_roots
from nolbet_core.shelf.library import standard_shelf
from tests.core import zoo
from tests.core.ask import bed_of
from tests.core.shapes import shape

SHELF = standard_shelf()


def test_what_wicks() -> None:
    (columns,) = lifts_of([(0.15, 4, None)], [], "none", 2.88, 0.3, SHELF["gravel_20"])
    assert (columns.kind, columns.rise_m) == ("soil_column", 0.3)
    assert columns.most_m3_day == pytest.approx(4 * math.pi * 0.15**2 / 4 * 0.03)
    (strips,) = lifts_of([], [(0.1, 4, None)], "none", 2.88, 0.3, None)
    assert (strips.kind, strips.most_m3_day) == ("strip", pytest.approx(0.0016))
    fabric, other = lifts_of([], [(0.1, 4, None)], "dips", 2.88, 0.3, None)
    assert (fabric.kind, fabric.most_m3_day, other.kind) == ("fabric", pytest.approx(2.88 * 0.012), "strip")
    assert lifts_of([], [], "none", 2.88, 0.3, SHELF["coarse_sand"])[0].rise_m == pytest.approx(0.1)
    assert lifts_of([], [], "none", 2.88, 0.3, None) == ()
    assert Wicking((columns,)).lifted(np.array([0.0, 0.15, 0.4])) == pytest.approx(
        columns.most_m3_day * np.array([1.0, 0.5, 0.0])
    )


def test_a_flat_fabric_lifts_only_what_touches_it() -> None:
    (flat,) = lifts_of([], [], "flat", 2.88, 0.3, SHELF["gravel_20"])
    (dips,) = lifts_of([], [], "dips", 2.88, 0.3, SHELF["gravel_20"])
    deep = np.array([0.0, 0.008, 0.05, 0.1])
    assert Wicking((flat,)).lifted(deep) == pytest.approx(2.88 * 0.012 * np.array([1.0, 0.2, 0.0, 0.0]))
    assert Wicking((dips,)).lifted(deep) == pytest.approx(2.88 * 0.012 * (1 - deep / 0.2))


def test_water_goes_up_to_the_roots_through_every_layer_on_the_way() -> None:
    # 0.1 m of sand that wicks 0.1 m and 0.4 m of mix that wicks 0.3: roots from 0.2 m over the soil's base up
    way = way_to_roots([(0.0, 0.1, 0.1), (0.1, 0.5, 0.3)], 0.2)
    assert way == ((0.1, 0.1), (0.2, 0.3))
    lift = Lift("soil_column", 0.01, 0.3)
    assert float(Wicking((lift,), way).lifted(np.array(0.0))) == 0.0
    mix_alone = way_to_roots([(0.0, 0.5, 0.3)], 0.2)
    assert float(Wicking((lift,), mix_alone).lifted(np.array(0.0))) == pytest.approx(0.01 / 3)
    near = way_to_roots([(0.0, 0.1, 0.1), (0.1, 0.3, 0.3)], 0.0)
    assert float(Wicking((lift,), near).lifted(np.array(0.05))) == pytest.approx(0.01 * (1 - 0.05 / 0.3) * 0.5)


@given(st.floats(0.02, 0.5), st.lists(st.floats(0.0, 0.6), min_size=2, max_size=6))
def test_wicks_lift_less_the_lower_the_water(rise_m: float, below_m: list[float]) -> None:
    wicking = Wicking((Lift("fabric", 0.03, rise_m),), ((0.1, 0.4),))
    lifted = wicking.lifted(np.array(sorted(below_m)))
    assert np.all(np.diff(lifted) <= 1e-12)
    assert lifted.min() >= 0.0
    assert lifted.max() <= 0.03


@pytest.mark.parametrize(
    ("kind", "frame", "lined"),
    [
        ("stadium", None, False),
        ("stadium", {"kind": "bought", "thickness_m": 0.002}, False),
        ("stadium", {"kind": "units", "material": "brick"}, True),
        ("round_tub", None, False),
        ("trough", None, False),
        ("box", None, True),
        ("crates", None, True),
    ],
)
def test_a_rigid_tub_holds_water_without_a_liner_and_a_crate_does_not(
    kind: str, frame: dict[str, Any] | None, lined: bool
) -> None:
    tank = {"height_m": 0.12, "overflow_m": 0.1, "medium": "gravel_20"}
    bed = zoo.bed(shape=shape(kind), layers=[{"material": "topsoil", "fill": True}], frame=frame)
    plain, wicking = bed_of(bed), bed_of(bed | {"reservoir": tank})
    assert ("no_liner" in {each.code for each in wicking.findings}) == lined
    assert plain.first_reservoir is not None
    assert ("liner_lap_m" in plain.first_reservoir) == lined
