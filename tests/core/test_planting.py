"""Crops on beds: how many go in, the sun's way and what shades it; against counting, drawing and another source."""

from __future__ import annotations

import math
from datetime import UTC, datetime, timedelta

import numpy as np
import pytest
from astral import Observer
from astral.sun import azimuth, elevation
from hypothesis import given
from hypothesis import strategies as st
from shapely import Point, Polygon, box
from shapely.geometry.base import BaseGeometry

from nolbet_core.planting.crops import own_crop, standard_crops
from nolbet_core.planting.placing import OFFSET_ROW, Pattern, in_grid, placed_in, placed_in_rows
from nolbet_core.planting.sun import Blocker, declination_on, sun_hours, sun_over_day, sun_position

EQUINOX, LONGEST, SHORTEST = 78, 171, 354


def test_sixty_crops_each_figure_with_its_range_and_source() -> None:
    crops = standard_crops()
    assert len(crops) >= 60
    for crop in crops.values():
        for name, figure in crop.properties.items():
            assert figure.low <= figure.value <= figure.high, (crop.key, name)
            assert figure.source == "estimate" or figure.source.startswith("FAO-56 table "), (crop.key, name)
    carrot = crops["carrot"]
    # FAO-56 table 22 has 0.5 to 1.0 m, table 12 a factor of 1.05 in full leaf
    assert (carrot.properties["root_depth_m"].low, carrot.properties["root_depth_m"].high) == (0.5, 1.0)
    assert carrot.value("kc_mid") == 1.05
    assert [crops[key].roots for key in ("strawberry", "cabbage", "tomato")] == ["shallow", "deep", "deep"]


def test_a_crop_factor_rises_stands_and_falls() -> None:
    lettuce = standard_crops()["lettuce"]
    # 20, 30, 15 and 10 days; 0.7, 1.0 and 0.95 (FAO-56 tables 11 and 12)
    assert [lettuce.kc_after(day) for day in (10, 35, 60, 70, 80)] == pytest.approx([0.7, 0.85, 1.0, 0.975, 0.0])


def test_an_own_crop_is_like_another_save_for_what_is_said() -> None:
    own = own_crop("long_carrot", None, standard_crops()["carrot"], {"spacing_m": 0.08})
    assert (own.name, own.spacing_m, own.properties["spacing_m"].source) == ("Long carrot", 0.08, "yours")
    assert own.row_m == standard_crops()["carrot"].row_m


def counted(inner: BaseGeometry, anchor: tuple[float, float], spacing_m: float, row_m: float, shift: float) -> int:
    """Plants of a grid through an anchor that lie within a region, looked at one by one."""
    left, low, right, top = inner.bounds
    many = 0
    for row in range(-27, 28):
        y = anchor[1] + row * row_m
        if not low - 1e-9 <= y <= top + 1e-9:
            continue
        for column in range(-27, 28):
            x = anchor[0] + column * spacing_m + (shift if row % 2 else 0.0)
            if left - 1e-9 <= x <= right + 1e-9 and inner.distance(Point(x, y)) <= 1e-7:
                many += 1
    return many


@pytest.mark.parametrize("seed", range(40))
def test_counts_are_those_of_looking_at_every_place(seed: int) -> None:
    chance = np.random.default_rng(seed)
    corners = int(chance.integers(3, 9))
    angles = np.sort(chance.uniform(0, 2 * math.pi, corners))
    reach = chance.uniform(0.4, 1.6, corners)
    outline = Polygon(np.column_stack([reach * np.cos(angles), reach * np.sin(angles)])).buffer(0)
    if outline.geom_type != "Polygon" or outline.is_empty:
        outline = box(0, 0, *chance.uniform(0.5, 2.5, 2))
    spacing_m = float(chance.uniform(0.15, 0.45))
    inner = outline.buffer(-(spacing_m / 2 - 1e-6), join_style="mitre")
    patterns: list[tuple[Pattern, float, float]] = [
        ("square", spacing_m, 0.0),
        ("offset", spacing_m * OFFSET_ROW, spacing_m / 2),
    ]
    for pattern, row_m, shift in patterns:
        expected = 0
        if not inner.is_empty:
            left, low, right, top = inner.bounds
            middle = ((left + right) / 2, (low + top) / 2)
            sixths = [(one / 6 * spacing_m, other / 6 * row_m) for one in range(6) for other in range(6)]
            anchors = [(left, low), *((middle[0] + dx, middle[1] + dy) for dx, dy in sixths)]
            expected = max(counted(inner, each, spacing_m, row_m, shift) for each in anchors)
        assert in_grid(outline, spacing_m, row_m, pattern).count == expected


def test_a_box_by_hand() -> None:
    # 2.4 x 1.2 m at 30 cm: 8 by 4 in a square grid; offset 8, 7, 8, 7
    assert (placed_in(box(0, 0, 2.4, 1.2), 0.30).count, placed_in(box(0, 0, 2.4, 1.2), 0.30).pattern) == (32, "square")
    # 3.0 x 1.0 m at 22 cm: 13 by 4 square; rows 19 cm apart take one row more: 13, 13, 13, 13, 13
    assert placed_in(box(0, 0, 3.0, 1.0), 0.22).pattern == "offset"
    # 1.0 x 3.0 m is the same turned, its offset rows across
    assert placed_in(box(0, 0, 1.0, 3.0), 0.22).count == placed_in(box(0, 0, 3.0, 1.0), 0.22).count
    # 0.90 x 1.06 m at 24 cm leaves 0.66 x 0.82 m: 3 by 4 square, offset along 3, 3, 3, 3; four rows across: 4, 3, 4, 3
    assert placed_in(box(0, 0, 0.90, 1.06), 0.24).count == 14
    assert in_grid(box(0, 0, 0.90, 1.06), 0.24, 0.24 * OFFSET_ROW, "offset").count == 12
    # rows along 2.4 m, 40 cm apart at 10 cm: 24 in each of 3 (10 cm of 1.2 are edge)
    assert placed_in_rows(box(0, 0, 1.2, 2.4), 0.10, 0.40).count == 72
    assert placed_in(box(0, 0, 0.2, 0.2), 0.30).count == 0


@given(st.floats(0.6, 4), st.floats(0.4, 2), st.floats(0.1, 0.5))
def test_no_two_stand_nearer_than_their_spacing_nor_too_near_the_edge(
    length_m: float, width_m: float, spacing_m: float
) -> None:
    points = placed_in(box(0, 0, length_m, width_m), spacing_m).points
    for index, point in enumerate(points):
        others = np.delete(points, index, axis=0)
        if len(others):
            assert np.hypot(*(others - point).T).min() >= spacing_m - 1e-6
        assert min(point[0], length_m - point[0], point[1], width_m - point[1]) >= spacing_m / 2 - 1e-5


@pytest.mark.parametrize("latitude_deg", [-38.0, 12.5, 44.2, 59.0])
def test_the_sun_stands_where_another_source_has_it(latitude_deg: float) -> None:
    observer = Observer(latitude_deg, 11.4)
    for day in range(4, 365, 30):
        for hour in (6, 9, 12, 15):
            when = datetime(2026, 1, 1, hour, 20, tzinfo=UTC) + timedelta(days=day)
            up, round_deg = sun_position(when, latitude_deg, 11.4)
            expected = elevation(observer, when, with_refraction=False)
            assert up == pytest.approx(expected, abs=0.1)
            if expected < 80:
                off = (round_deg - azimuth(observer, when) + 180) % 360 - 180
                assert off * math.cos(math.radians(up)) == pytest.approx(0.0, abs=0.1)


def test_a_day_by_hand() -> None:
    # at the equinox the sun is up half the day everywhere; on the longest one its noon stands at 90 - 44 + 23.44
    assert math.degrees(declination_on(EQUINOX)) == pytest.approx(0.0, abs=0.5)
    assert math.degrees(sun_over_day(LONGEST, 44.0)[0].max()) == pytest.approx(69.4, abs=0.2)
    bare = sun_hours(np.array([[0.0, 0.0]]), [], [LONGEST, EQUINOX, SHORTEST], 44.0)[0]
    # half day arcs cos h = (sin 3 deg - sin 44 sin d) / (cos 44 cos d): 14.8, 11.4 and 8.2 hours
    assert bare == pytest.approx([14.8, 11.5, 8.2], abs=0.35)


def test_a_wall_shades_as_it_is_drawn() -> None:
    wall = Blocker(((-50.0, 2.0), (50.0, 2.0)), 2.0)
    south = Blocker(((-50.0, -2.0), (50.0, -2.0)), 2.0)
    points = np.array([[0.0, 0.0]])
    bare = sun_hours(points, [], [EQUINOX], 45.0)[0, 0]
    # at the equinox in 45 degrees the sun runs in a plane tilted by 45 degrees: a wall 2 m to the south and 2 m high
    # stands just at its foot all day
    assert bare > 11
    higher = sun_hours(points, [Blocker(south.corners, 2.2)], [EQUINOX], 45.0)[0, 0]
    lower = sun_hours(points, [Blocker(south.corners, 1.8)], [EQUINOX], 45.0)[0, 0]
    assert higher == 0.0
    assert lower == pytest.approx(bare, abs=0.01)
    # to the north of the point it takes nothing then, nor where north is turned round does it stay in the north
    assert sun_hours(points, [wall], [EQUINOX], 45.0)[0, 0] == pytest.approx(bare)
    assert sun_hours(points, [Blocker(wall.corners, 2.2)], [EQUINOX], 45.0, north_deg=180.0)[0, 0] == 0.0
