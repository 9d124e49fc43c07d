"""Beds laid out in rows: an aisle apart, on free ground, alike ones side by side."""

from __future__ import annotations

import pytest
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st

from nolbet_core.plot.rows import Group, LaidSpot, lay_out

GROUND = shapely.box(0, 0, 14, 10)


def box_of(group: Group, spot: LaidSpot) -> shapely.Polygon:
    """Where a bed lies."""
    along, up = (group.width_m, group.length_m) if spot.turn_deg else (group.length_m, group.width_m)
    return shapely.box(spot.x_m - along / 2, spot.y_m - up / 2, spot.x_m + along / 2, spot.y_m + up / 2)


@settings(deadline=None, max_examples=40)
@given(
    st.lists(st.builds(Group, st.floats(0.8, 3), st.floats(0.5, 1.4), st.integers(1, 7)), min_size=1, max_size=3),
    st.one_of(st.none(), st.integers(1, 4)),
    st.floats(0.3, 1.2),
)
def test_nothing_lies_nearer_than_the_aisle_or_off_the_ground(
    groups: list[Group], in_a_row: int | None, aisle_m: float
) -> None:
    shed = shapely.box(6, 4, 8, 6)
    laid = lay_out(groups, in_a_row, aisle_m, GROUND, [shed])
    boxes = [box_of(group, spot) for group, spots in zip(groups, laid, strict=True) for spot in spots]
    for index, each in enumerate(boxes):
        assert GROUND.buffer(1e-6).covers(each)
        for other in [*boxes[index + 1 :], shed]:
            assert each.distance(other) >= aisle_m - 1e-6
    assert all(len(spots) <= group.count for group, spots in zip(groups, laid, strict=True))


def test_seven_beds_stand_in_a_row_of_as_many_as_fit() -> None:
    (spots,) = lay_out([Group(2.1, 1.1, 7)], None, 0.9, GROUND, [])
    # turned a quarter seven of 1.1 m with six aisles of 0.9 m are 13.1 m wide
    assert {spot.turn_deg for spot in spots} == {90.0}
    assert [spot.x_m - spots[0].x_m for spot in spots] == pytest.approx([2.0 * index for index in range(7)])
    assert len({spot.y_m for spot in spots}) == 1


def test_rows_as_long_as_asked() -> None:
    (spots,) = lay_out([Group(2.0, 1.0, 5)], 2, 0.5, GROUND, [])
    assert len({round(spot.x_m, 6) for spot in spots}) == 2
    assert len({round(spot.y_m, 6) for spot in spots}) == 3


def test_one_more_comes_beside_those_alike() -> None:
    (spots,) = lay_out([Group(2.0, 1.0, 1, beside=(11.0, 8.0))], None, 0.5, GROUND, [shapely.box(10, 7.5, 12, 8.5)])
    assert abs(spots[0].x_m - 11.0) + abs(spots[0].y_m - 8.0) < 2.3


def test_where_there_is_no_room_fewer_are_laid() -> None:
    (spots,) = lay_out([Group(6.0, 4.0, 9)], None, 1.0, GROUND, [])
    assert 0 < len(spots) < 9


def test_beds_are_kept_to_the_part_that_was_drawn() -> None:
    part = shapely.box(5, 2, 12.4, 9.5)
    group = Group(2.1, 1.1, 6)
    (spots,) = lay_out([group], None, 0.9, GROUND, [], part)
    assert len(spots) == 6
    assert all(part.buffer(1e-6).covers(box_of(group, spot)) for spot in spots)
    (none,) = lay_out([group], None, 0.9, GROUND, [], shapely.box(3, 3, 4, 4))
    assert none == []
