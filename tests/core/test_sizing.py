"""Sizing both ways: what bags come to, and what boards, a liner or sides allow; by hand."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.figure.sizing import (
    figure_boards,
    figure_corners,
    figure_liner,
    placed_of,
    spread_in_bed,
    spread_over,
)
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.shapes.outline import ring_area
from nolbet_core.shelf.library import standard_shelf
from tests.core import zoo

SHELF = standard_shelf()
TROUGH = {
    "kind": "trough",
    "base_length_m": 0.8,
    "base_width_m": 0.3,
    "rim_length_m": 1.0,
    "rim_width_m": 0.4,
    "depth_m": 0.35,
}


def test_bags_and_loose_volumes_are_told_as_they_lie_trodden_in() -> None:
    factor = SHELF["topsoil"].loose_factor
    assert factor > 1
    assert placed_of("topsoil", 12, 0.04, None, SHELF) == pytest.approx(0.48 / factor)
    assert placed_of("topsoil", 12, None, 0.6, SHELF) == pytest.approx(0.6 / factor)
    with pytest.raises(PlanProblem, match="what one bag holds") as unsaid:
        placed_of("topsoil", 12, None, None, SHELF)
    assert unsaid.value.path == "bag_m3"
    with pytest.raises(PlanProblem) as unknown:
        placed_of("topsol", 12, 0.04, None, SHELF)
    assert unknown.value.path == "material"
    assert "topsoil" in str(unknown.value)


def test_an_amount_lies_so_deep_over_an_area_or_covers_so_much_at_a_depth() -> None:
    over = spread_over(0.48, (2.0, 1.2), None)
    assert (over.area_m2, over.depth_m) == (pytest.approx(2.4), pytest.approx(0.2))
    covered = spread_over(0.48, None, 0.05)
    assert (covered.area_m2, covered.depth_m) == (pytest.approx(9.6), 0.05)
    with pytest.raises(PlanProblem) as unsaid:
        spread_over(0.48, None, None)
    assert unsaid.value.path == "over_m"


@given(st.floats(0.01, 20.0), st.floats(0.01, 2.0))
def test_depth_and_area_lead_back_to_each_other(placed_m3: float, depth_m: float) -> None:
    area_m2 = spread_over(placed_m3, None, depth_m).area_m2
    assert spread_over(placed_m3, (area_m2 / 2, 2.0), None).depth_m == pytest.approx(depth_m)


def test_an_amount_stands_so_high_in_a_bed_and_over_its_rim() -> None:
    box = Bed.model_validate(zoo.bed())
    assert spread_in_bed(0.6, box, SHELF).depth_m == pytest.approx(0.3)
    heaped = spread_in_bed(1.2, box, SHELF)
    assert heaped.over_m == pytest.approx(0.1)
    # a trough of 0.3 x 0.8 m at its base and 0.4 x 1.0 m at its rim holds 110.833 L to the rim
    trough = Bed.model_validate(zoo.bed(shape=TROUGH))
    full = spread_in_bed(0.110833, trough, SHELF)
    assert full.depth_m == pytest.approx(0.35, abs=1e-5)
    assert full.area_m2 == pytest.approx(0.4)
    assert spread_in_bed(0.05, trough, SHELF).depth_m > 0.35 * 0.05 / 0.110833


def test_boards_make_a_bed_so_long_and_some_sizes_waste_none() -> None:
    # ends between the sides: 1.2 m less twice 40 mm, and the sides share the rest of 9.6 m
    four = figure_boards(4, 2.4, 0.04, 1.2)
    assert four.longest.length_m == pytest.approx(3.68)
    assert [(each.length_m, each.width_m) for each in four.without_waste] == [(2.4, pytest.approx(2.48))]
    three, six = (figure_boards(count, 2.4, 0.04, 1.2).without_waste for count in (3, 6))
    assert [(each.length_m, each.width_m) for each in three] == [(2.4, pytest.approx(1.28))]
    assert [(each.length_m, each.width_m) for each in six] == [(4.8, pytest.approx(2.48))]
    for count, width_m in ((2, 2.0), (4, 0.08)):
        with pytest.raises(PlanProblem) as problem:
            figure_boards(count, 1.2, 0.04, width_m)
        assert problem.value.path == "boards"


@given(st.integers(2, 12), st.floats(1.2, 6.0), st.floats(0.02, 0.1), st.floats(0.4, 2.0))
def test_sides_and_ends_use_all_the_boards(count: int, board_m: float, wall_m: float, width_m: float) -> None:
    try:
        made = figure_boards(count, board_m, wall_m, width_m)
    except PlanProblem:
        assert count * board_m / 2 <= width_m
        return
    for box in [made.longest, *made.without_waste]:
        around_m = 2 * box.length_m + 2 * (box.width_m - 2 * wall_m)
        assert around_m == pytest.approx(count * board_m)


def test_a_liner_lines_a_bed_less_its_sides_and_laps() -> None:
    size = figure_liner(4.0, 3.0, 0.3, 0.2)
    assert (size.length_m, size.width_m) == (pytest.approx(3.0), pytest.approx(2.0))
    with pytest.raises(PlanProblem) as problem:
        figure_liner(4.0, 3.0, 1.4, 0.2)
    assert problem.value.path == "up_m"


def test_sides_and_a_diagonal_make_corners() -> None:
    corners = figure_corners([2.0, 1.5, 2.0, 1.5], [2.5]).corners_m
    assert abs(ring_area(corners)) == pytest.approx(3.0, abs=1e-5)
    sides = [math.dist(one, two) for one, two in zip(corners, [*corners[1:], corners[0]], strict=True)]
    assert sides == [pytest.approx(each, abs=1e-5) for each in (2.0, 1.5, 2.0, 1.5)]
    with pytest.raises(PlanProblem):
        figure_corners([2.0, 1.5, 9.0], [])
