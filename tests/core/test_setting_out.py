"""Beds found again with two tapes: each peg from its two distances, diagonals, radii, and flags along contours."""

from __future__ import annotations

import math
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.built.plan_file import read_plan
from nolbet_core.figure.setting_out import SettingOut
from nolbet_core.figure.walk import figure_setting_out
from nolbet_core.plot.setting_out import flags_along, found_at
from tests.core import zoo
from tests.core.shapes import shape

CORNERS = [[0.0, 0.0], [12.0, 0.0], [12.0, 9.0], [0.0, 9.0]]


def told(*beds: dict[str, Any], **plot: Any) -> SettingOut:
    garden = {"name": "Test ground", "plot": {"corners_m": CORNERS, **plot}}
    return figure_setting_out(read_plan(zoo.plan(*beds, garden=garden)))


@given(st.floats(2, 10), st.floats(2, 7), st.floats(-90, 90))
def test_two_tapes_find_every_corner_again(x_m: float, y_m: float, turn_deg: float) -> None:
    place = {"x_m": x_m, "y_m": y_m, "turn_deg": turn_deg}
    (bed,) = told(zoo.bed(places=[place])).beds
    first, second = (CORNERS[number - 1] for number in (bed.first, bed.second))
    for peg in bed.pegs:
        ways = found_at((first[0], first[1]), (second[0], second[1]), peg.first_m, peg.second_m)
        assert min(math.dist(way, peg.at) for way in ways) < 0.001


def test_a_box_by_hand() -> None:
    (bed,) = told(zoo.bed(places=[{"x_m": 5.0, "y_m": 4.0}])).beds
    assert bed.sides_m == pytest.approx([2.0, 1.0, 2.0, 1.0])
    assert [(each.pegs, each.length_m) for each in bed.diagonals] == [
        ((1, 3), pytest.approx(math.sqrt(5))), ((2, 4), pytest.approx(math.sqrt(5))),
    ]  # fmt: skip
    low_left = next(peg for peg in bed.pegs if peg.at == (4.0, 3.5))
    corners = [CORNERS[bed.first - 1], CORNERS[bed.second - 1]]
    assert (low_left.first_m, low_left.second_m) == pytest.approx([math.dist((4.0, 3.5), each) for each in corners])


def test_what_is_round_is_drawn_from_its_middle() -> None:
    round_bed = {**zoo.bed(shape=shape("circle"), layers=[]), "places": [{"x_m": 6.0, "y_m": 5.0}]}
    (bed,) = told(round_bed).beds
    assert [peg.name for peg in bed.pegs] == ["middle"]
    assert bed.radius_m == pytest.approx(shape("circle")["diameter_m"] / 2)
    assert (bed.sides_m, bed.diagonals) == ([], [])


def test_what_follows_a_line_is_pegged_along_its_middle() -> None:
    line = [[3.0, 4.0], [6.0, 5.0], [9.0, 4.0]]
    mound = zoo.bed(
        key="m",
        shape={"kind": "hipped_mound", "length_m": 4.0, "width_m": 1.2, "height_m": 0.5, "slope_deg": 45.0},
        headspace_m=None,
        layers=[],
        along_m=line,
    )
    (bed,) = told(mound).beds
    assert bed.half_m == pytest.approx(0.6)
    assert bed.sides_m == pytest.approx([math.dist(line[0], line[1]), math.dist(line[1], line[2])])
    for (x, y), peg in zip(line, bed.pegs, strict=True):
        assert peg.at == pytest.approx((x, y))
        corner = CORNERS[bed.first - 1]
        assert peg.first_m == pytest.approx(math.dist((x, y), corner))


def test_the_plot_itself_is_checked_by_its_diagonals() -> None:
    plan = told()
    assert plan.base_m == pytest.approx([12, 9, 12, 9])
    assert [(each.pegs, each.length_m) for each in plan.diagonals] == [((1, 3), pytest.approx(15.0))]


def test_flags_stand_a_metre_apart_along_a_height() -> None:
    spots = [{"at_m": [x, y], "height_m": 0.05 * x} for x in (0, 12) for y in (0, 9)]
    lines = told(spots=spots).lines
    assert lines
    for line in lines:
        assert all(peg.at[0] == pytest.approx(line.height_m / 0.05, abs=0.01) for peg in line.flags)
        steps = [math.dist(one.at, two.at) for one, two in zip(line.flags, line.flags[1:], strict=False)]
        assert all(step == pytest.approx(1.0, abs=1e-3) for step in steps[:-1])


@given(st.lists(st.tuples(st.floats(0, 9), st.floats(0, 9)), min_size=2, max_size=6), st.floats(0.3, 3))
def test_flags_begin_and_end_with_the_line(line: list[tuple[float, float]], every_m: float) -> None:
    flags = flags_along(line, every_m)
    assert flags[0] == line[0]
    assert math.dist(flags[-1], line[-1]) < 1e-5


def test_tapes_that_dont_meet_and_ground_that_isnt_measured_are_told() -> None:
    with pytest.raises(ValueError, match="don't meet"):
        found_at((0, 0), (10, 0), 2.0, 3.0)
    assert figure_setting_out(read_plan(zoo.plan(zoo.bed()))).beds == []
