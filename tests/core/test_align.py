"""Beds set in line with each other, along walls, and as mirror images."""

from __future__ import annotations

import math
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.built.plan_file import read_plan
from nolbet_core.figure.plot_align import AlignWish, BedAt
from nolbet_core.figure.walk import figure_aligned
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.plot.align import AlignBy, along_line, in_line_with, mirrored, mirrored_over
from nolbet_core.plot.placed import PlacedBed
from nolbet_core.shapes.vessel import Vessel
from tests.core import zoo
from tests.core.ask import worked_of

VESSEL: Vessel = worked_of(zoo.bed(shape={"kind": "box", "length_m": 2.0, "width_m": 1.2, "depth_m": 0.4})).vessel
PLOT = {
    "corners_m": [[0, 0], [12, 0], [12, 8], [0, 8]],
    "aisle_m": 0.75,
    "fixed": [
        {"kind": "house", "line_m": [[0, 8], [12, 8]], "across_m": 0.4},
        {"kind": "tree", "at_m": [9, 6]},
        {"kind": "fence", "line_m": [[1, 0], [4, 4]], "across_m": 0.1},
    ],
}


def placed(x_m: float, y_m: float, turn_deg: float = 0.0) -> PlacedBed:
    return PlacedBed("bed", "Bed", 0, VESSEL, x_m, y_m, turn_deg)


@pytest.mark.parametrize(
    ("how", "x_m", "y_m"),
    [
        # the other lies from 5 to 7 and from 2.4 to 3.6; the moved one is turned a quarter: 1.2 along, 2 up
        ("left", 5.6, 6.0),
        ("right", 6.4, 6.0),
        ("low", 2.0, 3.4),
        ("high", 2.0, 2.6),
        ("middle_along", 6.0, 6.0),
        ("middle_up", 2.0, 3.0),
    ],
)
def test_edges_and_middles_come_in_line(how: AlignBy, x_m: float, y_m: float) -> None:
    spot = in_line_with(placed(2.0, 6.0, 90.0), placed(6.0, 3.0), how)
    assert (spot.x_m, spot.y_m, spot.turn_deg) == (pytest.approx(x_m), pytest.approx(y_m), 90.0)


def test_along_a_wall_an_aisle_off_and_against_it() -> None:
    wall = [(0.0, 8.0), (12.0, 8.0)]
    off = along_line(placed(4.0, 5.0, 12.0), wall, 0.4, "an_aisle_off", 0.75)
    assert (off.x_m, off.y_m, off.turn_deg) == (pytest.approx(4.0), pytest.approx(8 - 0.2 - 0.75 - 0.6), 0.0)
    against = along_line(placed(4.0, 5.0, 80.0), wall, 0.4, "touching", 0.75)
    assert (against.y_m, against.turn_deg) == (pytest.approx(8 - 0.2 - 1.0), 90.0)
    centred = along_line(placed(4.0, 5.0), wall, 0.4, "centred", 0.75)
    assert (centred.x_m, centred.y_m) == (pytest.approx(6.0), pytest.approx(5.0))


@given(st.floats(0.5, 11.5), st.floats(0.5, 7.5), st.floats(0, 359), st.floats(-1, 1), st.floats(-1, 1))
def test_parallel_keeps_its_distance_and_turns_no_more_than_it_must(
    x_m: float, y_m: float, turn_deg: float, dx: float, dy: float
) -> None:
    if math.hypot(dx, dy) < 0.1:
        return
    line = [(6.0 - 5 * dx, 4.0 - 5 * dy), (6.0 + 5 * dx, 4.0 + 5 * dy)]
    spot = along_line(placed(x_m, y_m, turn_deg), line, 0.2, "parallel", 0.6)
    assert (spot.x_m, spot.y_m) == (pytest.approx(x_m), pytest.approx(y_m))
    turned = (spot.turn_deg - turn_deg + 180) % 360 - 180
    assert abs(turned) <= 45 + 1e-6
    off_line = (spot.turn_deg - math.degrees(math.atan2(dy, dx))) % 90
    assert min(off_line, 90 - off_line) == pytest.approx(0, abs=1e-6)


@given(st.floats(0, 12), st.floats(0, 8), st.floats(0, 359), st.floats(0, 180))
def test_mirrored_twice_it_lies_where_it_lay(x_m: float, y_m: float, turn_deg: float, direction_deg: float) -> None:
    once = mirrored(placed(x_m, y_m, turn_deg), (5.0, 3.0), direction_deg)
    again = mirrored(placed(once.x_m, once.y_m, once.turn_deg), (5.0, 3.0), direction_deg)
    assert (again.x_m, again.y_m) == (pytest.approx(x_m, abs=1e-9), pytest.approx(y_m, abs=1e-9))
    assert math.cos(math.radians(again.turn_deg - turn_deg)) == pytest.approx(1)
    off = math.dist((once.x_m, once.y_m), (5.0, 3.0))
    assert off == pytest.approx(math.dist((x_m, y_m), (5.0, 3.0)), abs=1e-9)


def test_over_the_nearest_stretch_of_a_line() -> None:
    spot = mirrored_over(placed(2.0, 1.0), [(4.0, 0.0), (4.0, 5.0), (9.0, 5.0)])
    assert (spot.x_m, spot.y_m) == (pytest.approx(6.0), pytest.approx(1.0))


def aligned(by: AlignBy, **to: Any) -> Any:
    beds = [
        {**zoo.bed(key="one", count=2), "places": [{"x_m": 3, "y_m": 2}, {"x_m": 3, "y_m": 5}]},
        {**zoo.bed(key="two"), "places": [{"x_m": 8, "y_m": 3}]},
    ]
    document = zoo.plan(*beds, garden={"name": "Test ground", "plot": PLOT})
    return figure_aligned(read_plan(document), AlignWish(BedAt("one", 1), by, **to))


def test_a_wish_names_a_bed_a_thing_or_a_side() -> None:
    assert aligned("middle_up", to_bed=BedAt("two")).y_m == pytest.approx(3)
    assert aligned("mirror_along").x_m == pytest.approx(9)
    assert aligned("mirror_up", to_bed=BedAt("two")).y_m == pytest.approx(1)
    assert aligned("mirror", to_side=0).y_m == pytest.approx(-5)
    assert aligned("an_aisle_off", to_thing=0).y_m < 8 - 0.75
    assert aligned("parallel", to_thing=2).turn_deg == pytest.approx(math.degrees(math.atan2(4, 3)) + 270, abs=1e-3)


@pytest.mark.parametrize(
    ("by", "to", "path"),
    [
        ("left", {}, "to_bed"),
        ("left", {"to_bed": BedAt("two", 1)}, "to_bed"),
        ("touching", {"to_thing": 1}, "to_thing"),
        ("touching", {"to_thing": 7}, "to_thing"),
        ("parallel", {}, "to_thing"),
        ("mirror", {"to_side": 4}, "to_side"),
    ],
)
def test_what_isnt_there_is_named(by: AlignBy, to: dict[str, Any], path: str) -> None:
    with pytest.raises(PlanProblem) as problem:
        aligned(by, **to)
    assert problem.value.path == path
