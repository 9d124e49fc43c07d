"""Corners from what a tape gives: sides and diagonals, and what doesn't close."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.shapes.hollow import ShapeProblem
from nolbet_core.shapes.outline import ring_area
from nolbet_core.shapes.survey import corners_from_sides


def test_corners_from_sides_and_diagonals() -> None:
    corners = corners_from_sides([4, 3, 4, 3], [5])
    assert [pytest.approx(corner) for corner in corners] == [(0, 0), (4, 0), (4, 3), (0, 3)]
    with pytest.raises(ShapeProblem, match=r"corners 1, 2 and 3 don't close: side 2–3 is 3 m .* between 4 and 12 m"):
        corners_from_sides([4, 3, 4, 3], [8])
    with pytest.raises(ShapeProblem, match="4 sides need 1 diagonals"):
        corners_from_sides([4, 3, 4, 3], [])


@given(st.lists(st.tuples(st.floats(1, 3), st.floats(0.3, 1)), min_size=3, max_size=8))
def test_a_measured_fan_comes_out_as_it_was(spokes: list[tuple[float, float]]) -> None:
    turn, points = 0.0, [(0.0, 0.0)]
    for reach, angle in spokes:
        points.append((reach * math.cos(turn), reach * math.sin(turn)))
        turn += angle / 3
    sides = [math.dist(points[i], points[(i + 1) % len(points)]) for i in range(len(points))]
    diagonals = [math.dist(points[0], points[i]) for i in range(2, len(points) - 1)]
    found = corners_from_sides(sides, diagonals)
    for one, two in zip(found, points, strict=True):
        assert one == pytest.approx(two, abs=1e-6)


def test_a_triangle_needs_no_diagonal_and_lies_where_it_is_measured() -> None:
    corners = corners_from_sides([3.0, 4.0, 5.0], [])
    assert corners[:2] == ((0.0, 0.0), (3.0, 0.0))
    assert math.dist(corners[1], corners[2]) == pytest.approx(4.0)
    assert ring_area(corners) == pytest.approx(6.0)


@pytest.mark.parametrize(
    ("sides", "diagonals", "key"),
    [
        ([1.0, 1.0, 2.5], [], "sides_m[1]"),
        ([4.0, 3.0, 4.0, 10.0], [5.0], "sides_m[2]"),
        ([2.0, 2.0, 2.0, 2.0, 2.0], [3.0, 9.0], "sides_m[2]"),
        ([1.0, 1.0, 1.0], [1.0], "diagonals_m"),
    ],
)
def test_what_does_not_close_is_named(sides: list[float], diagonals: list[float], key: str) -> None:
    with pytest.raises(ShapeProblem) as refused:
        corners_from_sides(sides, diagonals)
    assert refused.value.key == key


def test_a_flat_triangle_closes_on_a_line() -> None:
    corners = corners_from_sides([2.0, 1.0, 3.0], [])
    assert corners[2] == (pytest.approx(3.0), pytest.approx(0.0, abs=1e-6))
