"""The rectangular bed against figures worked by hand, and its properties."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.plan.problems import PlanProblem
from nolbet_core.quantities.units import CU_FT_M3, CU_YD_M3
from nolbet_core.shapes.amounts import area_for_volume, depth_for_volume, placed_from_bags
from tests.core import zoo
from tests.core.ask import bed_of
from tests.core.shapes import built
from tests.core.zoo import FT, IN

sizes = st.floats(0.2, 20)
depths = st.floats(0.05, 1)


def test_four_by_eight_ten_inches_deep() -> None:
    figures = bed_of(zoo.FOUR_BY_EIGHT)
    (layer,) = figures.layers
    assert layer.placed_m3 / CU_FT_M3 == pytest.approx(26 + 2 / 3, abs=1e-9)
    assert layer.placed_m3 / CU_YD_M3 == pytest.approx(0.988, abs=5e-4)
    assert layer.placed_m3 * 1000 == pytest.approx(755.1, abs=0.05)
    assert figures.fill_volume_m3 == figures.inside_volume_m3


def test_thick_walls_take_a_fifth_of_a_four_by_eight() -> None:
    box = built("box", {"measured": "outside", "wall_m": 0.089}, length_m=8 * FT, width_m=4 * FT, depth_m=10 * IN)
    assert box.inside.length_m == pytest.approx(2.4384 - 0.178)
    assert box.inside.width_m == pytest.approx(1.2192 - 0.178)
    assert box.wall_loss_share == pytest.approx(0.2083, abs=5e-5)
    assert box.hollow.rim_m == 10 * IN


def test_inside_measure_grows_outwards() -> None:
    box = built("box", {"wall_m": 0.05})
    assert (box.outside.length_m, box.outside.width_m) == (2.1, 1.1)
    assert box.footprint_m2 == pytest.approx(2.31)


def test_walls_that_leave_nothing_are_refused_by_name() -> None:
    with pytest.raises(PlanProblem, match=r"0\.2 m outside leaves nothing") as refused:
        built("box", {"measured": "outside", "wall_m": 0.1}, width_m=0.2)
    assert refused.value.path == "bed.shape.width_m"


def test_unequal_corners_hold_the_volume_under_their_plane() -> None:
    figures = bed_of(zoo.bed(corner_depths_m=[0.4, 0.4, 0.6, 0.6]))
    assert figures.inside_volume_m3 == pytest.approx(2 * 1 * 0.5)
    sloped = bed_of(zoo.bed(corner_depths_m=[0.3, 0.3, 0.4, 0.4]))
    assert sloped.inside_volume_m3 == pytest.approx(2 * 1 * 0.35)


@given(sizes, sizes, depths, st.floats(0.3, 4))
def test_scaling_a_bed_scales_its_volume_by_the_cube(length: float, width: float, depth: float, k: float) -> None:
    sizes = {"length_m": length, "width_m": width, "depth_m": depth}
    one = built("box", {"measured": "outside", "wall_m": 0.02}, **sizes).hollow
    larger = {key: k * size for key, size in sizes.items()}
    other = built("box", {"measured": "outside", "wall_m": k * 0.02}, **larger).hollow
    assert other.volume_between(0, k * depth) == pytest.approx(k**3 * one.volume_between(0, depth), rel=1e-9)


@given(st.integers(1, 200), st.floats(0.01, 0.1), st.floats(0.5, 30))
def test_bags_over_an_area_both_ways(bags: int, bag_m3: float, area_m2: float) -> None:
    placed = placed_from_bags(bags, bag_m3, 1.15)
    assert placed == pytest.approx(bags * bag_m3 / 1.15)
    depth = depth_for_volume(placed, area_m2)
    assert area_for_volume(placed, depth) == pytest.approx(area_m2)


def test_nothing_can_be_spread_over_or_at_nothing() -> None:
    with pytest.raises(ValueError, match="no area"):
        depth_for_volume(1, 0)
    with pytest.raises(ValueError, match="no depth"):
        area_for_volume(1, 0)
