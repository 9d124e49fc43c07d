"""What there is to draw: cuts, walls, anchors, grips, plans and zones, against the volumes they stand for."""

from __future__ import annotations

import math
from itertools import pairwise
from typing import Any

import pytest
import shapely

from nolbet_core.figure.figures import BedFigures, LayerFigures
from tests.core import zoo
from tests.core.ask import bed_of
from tests.core.shapes import EVERY_SHAPE, WALLED, layers, shape

KINDS = list(EVERY_SHAPE)


def figures(kind: str, **bed: Any) -> BedFigures:
    """Figures of a bed of a kind."""
    return bed_of({"key": kind, "shape": shape(kind), "layers": layers(kind), **bed})


def cut(layer: LayerFigures) -> shapely.Geometry:
    """A layer's cut."""
    return shapely.union_all([shapely.Polygon(outline).buffer(0) for outline in layer.outlines])


def bulk(bed: BedFigures) -> list[LayerFigures]:
    """Layers with a thickness."""
    return [layer for layer in bed.layers if not layer.sheet]


@pytest.mark.parametrize(
    ("kind", "along_m"),
    [("box", 2.0), ("lying_barrel", 0.9), ("crates", 3 * 0.6)],
)
def test_a_cut_times_its_length_is_the_volume(kind: str, along_m: float) -> None:
    for layer in bulk(figures(kind)):
        assert cut(layer).area * along_m == pytest.approx(layer.placed_m3, rel=3e-3)


def test_a_tubs_cut_turned_round_is_its_volume() -> None:
    for layer in bulk(figures("round_tub")):
        half = cut(layer).intersection(shapely.box(0, -1, 1, 2))
        # Pappus: half the cut times the way of its centre
        assert 2 * math.pi * half.centroid.x * half.area == pytest.approx(layer.placed_m3, rel=1e-3)


@pytest.mark.parametrize("kind", KINDS)
def test_layers_lie_on_each_other_without_overlap(kind: str) -> None:
    for low, high in pairwise(bulk(figures(kind))):
        assert cut(low).intersection(cut(high)).area < 1e-3 * min(cut(low).area, cut(high).area)
        assert cut(low).distance(cut(high)) < 1e-4


@pytest.mark.parametrize("kind", KINDS)
def test_an_anchor_lies_on_its_layer(kind: str) -> None:
    for layer in bulk(figures(kind)):
        assert cut(layer).distance(shapely.Point(layer.anchor)) < 2e-3


@pytest.mark.parametrize("kind", [kind for kind in KINDS if kind != "flat_area"])
def test_a_grip_lies_on_the_top_of_its_layer(kind: str) -> None:
    for layer in bulk(figures(kind)):
        x, y = layer.grip
        assert y == pytest.approx(layer.top_m, abs=1e-4)
        assert cut(layer).distance(shapely.Point(x, y)) < 2e-3


@pytest.mark.parametrize("kind", WALLED)
def test_walls_stand_beside_the_fill_as_thick_as_they_are(kind: str) -> None:
    bed = figures(kind, wall_m=0.03)
    inside = shapely.union_all([shapely.Polygon(ring) for ring in bed.section.hollow])
    walls = shapely.union_all([shapely.Polygon(ring).buffer(0) for ring in bed.section.walls])
    assert inside.intersection(walls).area < 2e-3 * inside.area
    # a skewed wall is cut aslant, and a barrel's is round
    if kind not in ("lying_barrel", "polygon"):
        thick = 0.03
        edges = [x for ring in bed.section.hollow for x, _ in ring]
        assert min(edges) - bed.section.left_m == pytest.approx(thick, abs=1e-4)
        assert bed.section.right_m - max(edges) == pytest.approx(thick, abs=1e-4)


def test_what_lies_in_the_ground_has_no_walls_and_says_where_the_ground_is() -> None:
    for kind in ("trench", "hipped_mound", "round_mound", "flat_area"):
        assert figures(kind).section.walls == []
    assert figures("trench").section.ground_m == pytest.approx(0.5)
    assert figures("hipped_mound").section.ground_m == 0


@pytest.mark.parametrize("kind", KINDS)
def test_the_plan_lies_in_its_rectangle_with_the_inside_in_its_middle(kind: str) -> None:
    wall = {"wall_m": 0.04} if kind in WALLED else {}
    plan = figures(kind, **wall).plan
    outside = shapely.union_all([shapely.Polygon(ring) for ring in plan.outside])
    inside = shapely.union_all([shapely.Polygon(ring) for ring in plan.inside])
    assert outside.buffer(1e-3).covers(inside)
    assert outside.bounds[:2] == pytest.approx((0, 0), abs=2e-3)
    if kind != "keyhole":
        assert outside.bounds[2:] == pytest.approx((plan.length_m, plan.width_m), abs=2e-3)
    if wall and kind not in ("keyhole", "lying_barrel", "crates", "ellipse"):
        assert outside.exterior.distance(inside.exterior) == pytest.approx(0.04, abs=2e-3)


def test_zones_of_a_spiral_share_its_band() -> None:
    spiral = bed_of(
        {
            "key": "coil",
            "shape": shape("herb_spiral"),
            "layers": [
                {"material": "compost", "thickness_m": 0.4},
                {"material": "topsoil", "thickness_m": 0.2},
                {"material": "grit", "fill": True},
            ],
        }
    )
    zones = [shapely.union_all([shapely.Polygon(ring).buffer(0) for ring in layer.zones]) for layer in spiral.layers]
    assert sum(zone.area for zone in zones) == pytest.approx(spiral.top_area_m2, rel=5e-3)
    for low, high in pairwise(zones):
        assert low.intersection(high).area < 1e-3


def test_a_layer_under_the_lowest_surface_has_no_zone() -> None:
    spiral = bed_of(
        {
            "key": "coil",
            "shape": shape("herb_spiral"),
            "layers": [{"material": "rubble", "thickness_m": 0.15}, {"material": "topsoil", "fill": True}],
        }
    )
    rubble, soil = spiral.layers
    assert rubble.zones == [] and soil.run_m == (0.0, pytest.approx(spiral.spiral.run_length_m if spiral.spiral else 0))


def test_a_spiral_that_falls_inwards_or_is_level_is_reckoned_too() -> None:
    def filled(outer_m: float, centre_m: float) -> BedFigures:
        measures = shape("herb_spiral", outer_height_m=outer_m, centre_height_m=centre_m)
        stack = [{"material": "grit", "thickness_m": 0.15}, {"material": "topsoil", "fill": True}]
        return bed_of({"key": "coil", "shape": measures, "layers": stack})

    level = filled(0.4, 0.4)
    assert level.inside_volume_m3 == pytest.approx(level.top_area_m2 * 0.4)
    falling, rising = filled(0.6, 0.2), filled(0.2, 0.6)
    for bed in (falling, rising):
        assert sum(layer.placed_m3 for layer in bed.layers) == pytest.approx(bed.inside_volume_m3)
    # most of the band lies outside, so the one that is high there holds more
    assert falling.inside_volume_m3 > rising.inside_volume_m3
    assert (falling.inside_volume_m3 + rising.inside_volume_m3) / 2 == pytest.approx(level.inside_volume_m3)


def test_buried_solids_are_drawn_at_their_height() -> None:
    bed = figures(
        "box",
        buried=[
            {"kind": "pipe", "diameter_m": 0.1, "length_m": 2.0},
            {"kind": "pot", "diameter_m": 0.2, "height_m": 0.3, "bottom_m": 0.1},
        ],
    )
    pipe, pot = bed.section.solids
    assert (min(y for _, y in pipe), max(y for _, y in pipe)) == (0.0, pytest.approx(0.1))
    assert (min(y for _, y in pot), max(y for _, y in pot)) == (pytest.approx(0.1), pytest.approx(0.4))
    edges = [x for x, _ in bed.section.hollow[0]]
    assert all(min(edges) < x < max(edges) for ring in bed.section.solids for x, _ in ring)


def test_a_skirt_is_drawn_past_the_outer_edge() -> None:
    sheet = {"material": "cardboard", "skirt_m": 0.3}
    walled = zoo.bed(wall_m=0.04, measured="inside", layers=[sheet, {"material": "topsoil", "fill": True}])
    bed, bare = bed_of(walled), bed_of(walled | {"layers": [{"material": "cardboard"}]})
    (line,) = bed.layers[0].outlines
    assert line[0] == pytest.approx((bare.section.left_m - 0.3, 0.0))
    assert line[1] == pytest.approx((bare.section.right_m + 0.3, 0.0))
    assert (bed.section.left_m, bed.section.right_m) == (line[0][0], line[1][0])
