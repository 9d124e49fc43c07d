"""Outlines from above against the same outlines as polygons of many corners."""

from __future__ import annotations

import math

import pytest
import shapely
from hypothesis import given
from hypothesis import strategies as st
from shapely import affinity

from nolbet_core.shapes.angular import CrateGrid, LShape, Rectangle, RegularPolygon
from nolbet_core.shapes.freeform import FreePolygon, free_polygon
from nolbet_core.shapes.hollow import ShapeProblem
from nolbet_core.shapes.outline import (
    Outline,
    arc,
    left_between,
    ring_area,
    ring_centroid,
    ring_perimeter,
)
from nolbet_core.shapes.round import Disc, Ellipse, Keyhole, Stadium
from nolbet_core.shapes.spiral import SpiralOutline, SpiralRun

FINE = 4000
KITE = free_polygon([(0, 0), (2, -1), (4, 0), (2, 3)])

OUTLINES: dict[str, Outline] = {
    "rectangle": Rectangle(2.4, 1.2),
    "l": LShape(2.4, 1.8, 1.2, 0.8),
    "thin l": LShape(3.0, 3.0, 2.5, 2.5),
    "fat l": LShape(3.0, 3.0, 0.4, 0.4),
    "hexagon": RegularPolygon(6, 1.4),
    "pentagon": RegularPolygon(5, 1.4),
    "triangle": RegularPolygon(3, 1.0),
    "kite": KITE,
    "disc": Disc(1.3),
    "ellipse": Ellipse(2.0, 1.1),
    "stadium": Stadium(1.8, 0.6),
    "keyhole": Keyhole(2.2, 0.45, 0.5),
}


def polygon(outline: Outline) -> shapely.Geometry:
    """An outline as a polygon, its arcs with many corners."""
    if isinstance(outline, Disc | Ellipse):
        turns = [2 * math.pi * i / FINE for i in range(FINE)]
        x, y = outline.length_m / 2, outline.width_m / 2
        return shapely.Polygon([(x + x * math.cos(turn), y + y * math.sin(turn)) for turn in turns])
    if isinstance(outline, Stadium):
        radius = outline.width_m / 2
        line = shapely.LineString([(radius, radius), (outline.length_m - radius, radius)])
        return line.buffer(radius, quad_segs=FINE)
    if isinstance(outline, Keyhole):
        centre = shapely.Point(outline.diameter_m / 2, outline.diameter_m / 2)
        half = outline.path_width_m / 2
        path = shapely.box(centre.x, centre.y - half, 2 * outline.diameter_m, centre.y + half)
        basket = centre.buffer(outline.basket_diameter_m / 2, quad_segs=FINE)
        return centre.buffer(outline.diameter_m / 2, quad_segs=FINE).difference(path.union(basket))
    return shapely.union_all([shapely.Polygon(ring) for ring in outline.rings()])


@pytest.mark.parametrize("name", list(OUTLINES))
def test_area_perimeter_centre_and_size(name: str) -> None:
    outline, drawn = OUTLINES[name], polygon(OUTLINES[name])
    assert outline.area_m2 == pytest.approx(drawn.area, rel=1e-6)
    assert outline.perimeter_m == pytest.approx(drawn.length, rel=1e-6)
    assert outline.centroid_m == pytest.approx(drawn.centroid.coords[0], abs=1e-6)
    if name != "keyhole":
        assert drawn.bounds == pytest.approx((0, 0, outline.length_m, outline.width_m), abs=1e-6)


@pytest.mark.parametrize("name", [name for name in OUTLINES if name != "keyhole"])
def test_the_soil_farthest_from_an_edge(name: str) -> None:
    outline, drawn = OUTLINES[name], polygon(OUTLINES[name])
    circle = shapely.maximum_inscribed_circle(drawn, tolerance=1e-5)
    assert outline.inradius_m == pytest.approx(circle.length, abs=2e-4)


@pytest.mark.parametrize("name", ["rectangle", "l", "hexagon", "pentagon", "triangle", "kite"])
@pytest.mark.parametrize("out_m", [0.05, -0.05, 0.2])
def test_cornered_outlines_grow_with_mitred_corners(name: str, out_m: float) -> None:
    outline = OUTLINES[name]
    grown = polygon(outline).buffer(out_m, join_style="mitre", mitre_limit=100)
    assert outline.moved(out_m).area_m2 == pytest.approx(grown.area, rel=1e-9)
    assert outline.moved(out_m).perimeter_m == pytest.approx(grown.length, rel=1e-9)


@pytest.mark.parametrize("name", ["disc", "stadium"])
@pytest.mark.parametrize("out_m", [0.05, -0.05, 0.2])
def test_round_outlines_grow_as_round_ones(name: str, out_m: float) -> None:
    grown = polygon(OUTLINES[name]).buffer(out_m, quad_segs=FINE)
    assert OUTLINES[name].moved(out_m).area_m2 == pytest.approx(grown.area, rel=1e-5)


def test_a_keyholes_wall_follows_path_and_basket() -> None:
    inside = affinity.translate(polygon(OUTLINES["keyhole"].moved(-0.05)), 0.05, 0.05)
    outside = polygon(OUTLINES["keyhole"])
    assert outside.covers(inside)
    # nothing of the inside comes nearer to the outside than the wall is thick
    assert inside.exterior.distance(outside.exterior) == pytest.approx(0.05, abs=1e-3)


def test_a_path_that_its_walls_fill_is_named_as_that() -> None:
    with pytest.raises(ShapeProblem, match=r"a path of 0\.45 m leaves nothing between two walls of 0\.25 m") as refused:
        OUTLINES["keyhole"].moved(0.25)
    assert refused.value.key == "path_width_m"


@given(st.floats(0.3, 5), st.floats(0.3, 5), st.floats(-0.1, 0.3))
def test_out_and_back_again_is_where_it_was(length: float, width: float, out_m: float) -> None:
    shapes: list[Outline] = [
        Rectangle(length, width),
        Ellipse(length, width),
        Disc(length),
        RegularPolygon(7, width),
        Stadium(max(length, width) + 0.2, width),
        LShape(length + 1, width + 1, length, width),
    ]
    for outline in shapes:
        back = outline.moved(out_m).moved(-out_m)
        assert back.area_m2 == pytest.approx(outline.area_m2)


def test_crates_side_by_side_are_one_rectangle_outside() -> None:
    inside = CrateGrid(3, 2, 0.56, 0.36, gap_m=0.04)
    outside = inside.moved(0.02)
    assert outside.area_m2 == pytest.approx(3 * 0.6 * 2 * 0.4)
    assert (outside.length_m, outside.width_m) == (pytest.approx(1.8), pytest.approx(0.8))
    assert outside.surrounding.area_m2 == pytest.approx(outside.area_m2)
    assert inside.perimeter_m == pytest.approx(6 * 2 * (0.56 + 0.36))
    assert len(inside.rings()) == 6 and len(inside.spans()) == 2
    apart = inside.spans()[1][0] - inside.spans()[0][1]
    assert apart == pytest.approx(0.04)


def test_the_outermost_turn_of_a_spiral() -> None:
    outline = SpiralOutline(SpiralRun(0.9, 0.35, 0.1))
    steps = 20_000
    turns = [(i + 0.5) / steps * 2 * math.pi for i in range(steps)]
    area = sum((0.9 - 0.45 * turn / (2 * math.pi)) ** 2 / 2 for turn in turns) * 2 * math.pi / steps
    assert outline.area_m2 == pytest.approx(area, rel=1e-7)
    assert ring_area(outline.rings()[0]) == pytest.approx(outline.area_m2, rel=5e-3)
    assert outline.length_m < 1.8 and outline.width_m < outline.length_m


@pytest.mark.parametrize("corners", [
    [(0, 0), (2, 0), (2, 1), (0, 1)],
    [(0, 0), (0, 1), (2, 1), (2, 0)],
    [(-1, -1), (1, -1), (1, 0), (-1, 0)],
])  # fmt: skip
def test_corners_measured_either_way_round_are_the_same_bed(corners: list[tuple[float, float]]) -> None:
    outline = free_polygon(corners)
    assert outline.area_m2 == pytest.approx(2)
    assert outline.rings()[0][0] in {(0.0, 0.0), (0.0, 1.0), (2.0, 0.0), (2.0, 1.0)}
    assert outline.centroid_m == pytest.approx((1, 0.5))


def test_walls_that_cut_a_narrow_waist_are_refused() -> None:
    waist = free_polygon([(0, 0), (2, 0), (2, 1), (1.1, 1), (1.1, 1.2), (2, 1.2), (2, 2), (0, 2), (0, 1.2), (0.9, 1.2),
                          (0.9, 1), (0, 1)])  # fmt: skip
    assert isinstance(waist.moved(-0.05), FreePolygon)
    with pytest.raises(ShapeProblem, match="in pieces where it is narrow"):
        waist.moved(-0.15)
    with pytest.raises(ShapeProblem, match="leave nothing"):
        waist.moved(-1.0)


def test_a_side_that_folds_back_on_itself_is_refused() -> None:
    with pytest.raises(ShapeProblem, match="crosses"):
        free_polygon([(0, 0), (2, 0), (1, 0), (1, 1)])


def test_rings_by_hand() -> None:
    ring = [(0.0, 0.0), (3.0, 0.0), (0.0, 4.0)]
    assert ring_area(ring) == 6
    assert ring_area(ring[::-1]) == -6
    assert ring_perimeter(ring) == 12
    assert ring_centroid(ring) == (1.0, pytest.approx(4 / 3))
    half = arc((0, 0), 1.0, 0.0, math.pi)
    assert half[0] == (1.0, 0.0) and half[-1] == (pytest.approx(-1), pytest.approx(0, abs=1e-12))


def test_what_is_left_between_walls() -> None:
    assert left_between("width_m", 1.0, -0.2) == pytest.approx(0.6)
    assert left_between("width_m", 1.0, 0.2) == pytest.approx(1.4)
    with pytest.raises(ShapeProblem) as refused:
        left_between("width_m", 0.4, -0.2)
    assert refused.value.key == "width_m"
