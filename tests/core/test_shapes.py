"""Every shape against figures worked by hand and by other ways, and what holds for all of them."""

from __future__ import annotations

import math
from typing import Any

import pytest
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st

from nolbet_core.plan.bed import Bed
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.shapes.hollow import Hollow
from nolbet_core.shapes.mound import Shells
from nolbet_core.shapes.round import ellipse_perimeter
from nolbet_core.shapes.vessel import Vessel
from tests.core import zoo
from tests.core.ask import bed_of
from tests.core.shapes import EVERY_SHAPE, WALLED, built, layers, random_shapes, shape, vessel_of

KINDS = list(EVERY_SHAPE)


def whole(vessel: Vessel) -> float:
    """Everything that a bed holds [m3]."""
    return vessel.hollow.volume_between(0.0, vessel.hollow.rim_m)


def test_a_trough_by_the_prismatoid() -> None:
    hollow = built("trough").hollow
    assert hollow.volume_between(0, 0.35) == pytest.approx(0.110833, rel=1e-5)
    assert hollow.volume_between(0.10, 0.20) == pytest.approx(0.030381, rel=1e-5)


def test_a_round_pot() -> None:
    pot = built("round_tub", base_diameter_m=0.25, rim_diameter_m=0.35, depth_m=0.30)
    assert whole(pot) == pytest.approx(0.021402, rel=1e-5)


def test_a_lying_barrel_filled_to_a_quarter_metre() -> None:
    barrel = built("lying_barrel", opening_width_m=0.6)
    assert barrel.hollow.volume_between(0, 0.25) == pytest.approx(0.100360, rel=1e-5)
    assert barrel.hollow.rim_m == pytest.approx(0.30)


def test_a_hipped_mound_and_its_core() -> None:
    mound = built("hipped_mound")
    assert isinstance(mound.hollow, Shells)
    assert whole(mound) == pytest.approx(2.977282, rel=1e-6)
    assert mound.hollow.core_volume(0.15) == pytest.approx(1.677877, rel=1e-6)


def test_a_rounded_mound() -> None:
    assert whole(built("round_mound")) == pytest.approx(2.852248, rel=1e-6)


def test_the_cover_of_a_mound_stands_in_its_figures() -> None:
    figures = bed_of(
        {
            "key": "mound",
            "shape": shape("hipped_mound"),
            "layers": [{"material": "broadleaf_logs", "fill": True}, {"material": "topsoil", "thickness_m": 0.15}],
        }
    )
    core, cover = figures.layers
    assert core.placed_m3 == pytest.approx(1.677877, rel=1e-6)
    assert core.placed_m3 + cover.placed_m3 == pytest.approx(2.977282, rel=1e-6)
    assert (core.top_m, cover.top_m) == (pytest.approx(0.55), pytest.approx(0.7))
    assert (figures.top_area_m2, figures.footprint_m2) == (pytest.approx(7.2), pytest.approx(7.2))


@pytest.mark.parametrize(
    ("kind", "area_m2"),
    [
        ("l_box", 2.4 * 1.8 - 1.2 * 0.8),
        ("polygon", 2.42),
        ("circle", math.pi * 0.36),
        ("ellipse", math.pi * 0.55),
        ("stadium", 1.2 * 0.6 + math.pi * 0.09),
        ("regular_polygon", 6 * 0.49 * math.tan(math.pi / 6)),
        ("crates", 6 * 0.24),
    ],
)
def test_plan_areas_worked_by_hand(kind: str, area_m2: float) -> None:
    assert built(kind).top_area_m2 == pytest.approx(area_m2, rel=1e-12)


@pytest.mark.parametrize("kind", WALLED)
def test_an_outline_to_draw_holds_the_area_that_is_reckoned(kind: str) -> None:
    inside = built(kind, {"wall_m": 0.03}).inside
    drawn = shapely.union_all([shapely.Polygon(ring) for ring in inside.rings()])
    assert drawn.is_valid
    assert drawn.area == pytest.approx(inside.area_m2, rel=3e-3)
    if kind != "keyhole":  # whose path takes the middle of its right edge
        assert drawn.bounds == pytest.approx((0, 0, inside.length_m, inside.width_m), abs=2e-3)
        assert drawn.centroid.coords[0] == pytest.approx(inside.centroid_m, abs=1e-3)


def test_a_keyhole_is_a_disc_less_path_and_basket() -> None:
    disc, basket = shapely.Point(0, 0).buffer(1.1, quad_segs=20000), shapely.Point(0, 0).buffer(0.25, quad_segs=20000)
    cut = disc.difference(basket.union(shapely.box(0, -0.225, 2, 0.225)))
    keyhole = built("keyhole").inside
    assert keyhole.area_m2 == pytest.approx(cut.area, rel=1e-7)
    assert keyhole.perimeter_m == pytest.approx(cut.length, rel=1e-7)
    assert keyhole.centroid_m[0] - 1.1 == pytest.approx(cut.centroid.x, rel=1e-5)


@pytest.mark.parametrize("kind", KINDS)
def test_walls_take_ground_only_where_there_are_walls(kind: str) -> None:
    bare = built(kind)
    if kind.endswith("_spiral"):
        assert bare.wall_loss_share == pytest.approx(1 - bare.top_area_m2 / bare.footprint_m2)
        return
    assert bare.wall_loss_share == pytest.approx(0, abs=1e-12)
    if kind in WALLED:
        assert 0.02 < built(kind, {"wall_m": 0.03}).wall_loss_share < 0.5


def test_a_path_inside_a_bed_saves_fill() -> None:
    figures = bed_of({"key": "k", "shape": shape("keyhole"), "layers": []})
    round_bed = bed_of({"key": "c", "shape": shape("circle", diameter_m=2.2, depth_m=0.6), "layers": []})
    assert figures.path_saves_m3 == pytest.approx(round_bed.fill_volume_m3 - figures.fill_volume_m3)
    assert round_bed.path_saves_m3 == 0


def test_round_an_ellipse() -> None:
    steps = 200_000
    turns = [(i + 0.5) * 2 * math.pi / steps for i in range(steps)]
    by_steps = sum(math.hypot(2 * math.sin(t), math.cos(t)) for t in turns) * 2 * math.pi / steps
    assert ellipse_perimeter(2, 1) == pytest.approx(by_steps, rel=1e-9)
    assert ellipse_perimeter(1, 1) == pytest.approx(2 * math.pi)


@pytest.mark.parametrize(
    ("kind", "inside"),
    [
        ("l_box", {"length_m": 2.3, "width_m": 1.7}),
        ("circle", {"diameter_m": 1.1}),
        ("ellipse", {"length_m": 1.9, "width_m": 1.0}),
        ("stadium", {"length_m": 1.7, "width_m": 0.5}),
        ("regular_polygon", {"across_flats_m": 1.3}),
        ("keyhole", {"diameter_m": 2.1, "path_width_m": 0.55, "basket_diameter_m": 0.6}),
        ("round_tub", {"base_diameter_m": 0.3, "rim_diameter_m": 0.45}),
        ("trough", {"base_length_m": 0.7, "base_width_m": 0.2, "rim_length_m": 0.9, "rim_width_m": 0.3}),
        ("lying_barrel", {"diameter_m": 0.5, "length_m": 0.8}),
        ("crates", {"length_m": 0.5, "width_m": 0.3}),
    ],
)
def test_a_wall_works_sideways_alone(kind: str, inside: dict[str, float]) -> None:
    outside = built(kind, {"measured": "outside", "wall_m": 0.05})
    assert whole(outside) == pytest.approx(whole(built(kind, None, **inside)), rel=1e-9)
    assert outside.footprint_m2 == pytest.approx(built(kind).footprint_m2, rel=1e-9)


def test_a_polygons_walls_are_mitred() -> None:
    square = built("polygon", {"wall_m": 0.1}, corners_m=[[0, 0], [1, 0], [1, 1], [0, 1]])
    assert square.footprint_m2 == pytest.approx(1.44, rel=1e-12)
    assert built("crates", {"wall_m": 0.02}).footprint_m2 == pytest.approx(3 * 0.64 * 2 * 0.44, rel=1e-12)


@pytest.mark.parametrize("kind", KINDS)
@settings(max_examples=30)
@given(data=st.data())
def test_volumes_between_heights_add_up_and_invert(kind: str, data: st.DataObject) -> None:
    vessel = vessel_of(Bed(key="a", shape=data.draw(random_shapes(kind)), layers=[]))
    low, high = sorted(data.draw(st.tuples(st.floats(0.02, 1.3), st.floats(0.02, 1.3))))
    for hollow in (vessel.hollow, vessel.solid):
        rim = hollow.rim_m or 1.0
        _adds_up(hollow, min(low, 1.0) * rim if hollow is vessel.solid else low * rim, high * rim, rim)


def _adds_up(hollow: Hollow, low: float, high: float, rim: float) -> None:
    parts = hollow.volume_between(0, low) + hollow.volume_between(low, high) + hollow.volume_between(high, 2 * rim)
    total = hollow.volume_between(0, 2 * rim)
    assert parts == pytest.approx(total, rel=1e-9)
    between = hollow.volume_between(low, high)
    found = hollow.height_for_volume(low, between)
    # where the area is next to nothing a height says little; the volume is what has to come out
    assert hollow.volume_between(low, found) == pytest.approx(between, abs=1e-9 * total)


@pytest.mark.parametrize("kind", KINDS)
@settings(max_examples=15)
@given(data=st.data())
def test_the_area_is_how_fast_the_volume_grows(kind: str, data: st.DataObject) -> None:
    vessel = vessel_of(Bed(key="a", shape=data.draw(random_shapes(kind)), layers=[]))
    share = data.draw(st.floats(0.1, 0.9))
    for hollow in (vessel.hollow, vessel.solid):
        if not hollow.rim_m:
            continue
        at, step = share * hollow.rim_m, 1e-5 * hollow.rim_m
        slope = hollow.volume_between(at - step, at + step) / (2 * step)
        assert slope == pytest.approx(hollow.area_at(at), rel=1e-3, abs=1e-6)


@given(st.floats(0.2, 5), st.floats(0.2, 5), st.floats(0.1, 2), st.floats(0, 1))
def test_tapered_with_equal_ends_is_straight(length: float, width: float, depth: float, share: float) -> None:
    trough = built(
        "trough", base_length_m=length, base_width_m=width, rim_length_m=length, rim_width_m=width, depth_m=depth
    )
    box = built("box", length_m=length, width_m=width, depth_m=depth)
    assert trough.hollow.volume_between(0, share * depth) == pytest.approx(box.hollow.volume_between(0, share * depth))
    tub = built("round_tub", base_diameter_m=width, rim_diameter_m=width, depth_m=depth)
    assert whole(tub) == pytest.approx(whole(built("circle", diameter_m=width, depth_m=depth)))


@pytest.mark.parametrize("kind", ["hipped_mound", "round_mound"])
@settings(max_examples=30)
@given(data=st.data())
def test_core_and_cover_make_the_mound(kind: str, data: st.DataObject) -> None:
    mound = vessel_of(Bed(key="a", shape=data.draw(random_shapes(kind)), layers=[]))
    assert isinstance(mound.hollow, Shells)
    cover = data.draw(st.floats(0.01, 0.99)) * mound.hollow.rim_m
    core = mound.hollow.core_volume(cover)
    shell = mound.hollow.volume_between(mound.hollow.rim_m - cover, mound.hollow.rim_m)
    assert 0 <= core < whole(mound)
    assert core + shell == pytest.approx(whole(mound), rel=1e-9)
    assert mound.solid.volume_between(0, mound.solid.rim_m) == pytest.approx(whole(mound), rel=1e-9)


def test_the_core_of_a_rounded_mound_lies_so_deep_everywhere() -> None:
    """The core found by parallel curves against points tried one by one."""
    mound = built("round_mound")
    feet = [i / 2000 * 0.8 for i in range(2001)]
    surface = shapely.LineString([(x, 0.8 * (1 - (x / 0.8) ** 2)) for x in feet])
    step, area, turned = 0.004, 0.0, 0.0
    for i in range(200):
        for j in range(200):
            x, z = (i + 0.5) * step, (j + 0.5) * step
            if z < 0.8 * (1 - (x / 0.8) ** 2) and surface.distance(shapely.Point(x, z)) >= 0.2:
                area += step**2
                turned += 2 * math.pi * x * step**2
    assert isinstance(mound.hollow, Shells)
    assert mound.hollow.core_volume(0.2) == pytest.approx(2 * area * 2.4 + turned, rel=5e-3)


def test_a_spirals_zones_follow_each_other_along_the_run() -> None:
    figures = bed_of(
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
    moist, plain, gritty = (layer.run_m for layer in figures.layers)
    assert moist and plain and gritty and figures.spiral
    assert (moist[0], gritty[1]) == (0.0, pytest.approx(figures.spiral.run_length_m))
    assert (moist[1], plain[1]) == (pytest.approx(plain[0]), pytest.approx(gritty[0]))
    assert moist[1] == pytest.approx(figures.spiral.run_length_m / 3)


def test_a_flat_patch_feathers_each_layer() -> None:
    figures = bed_of({"key": "strip", "shape": shape("flat_area"), "layers": layers("flat_area")})
    card, compost = figures.layers
    # the layer is a frustum: full over 4.4 x 2.4 m, nothing at 5 x 3 m
    frustum = (5 * 3 + 4.4 * 2.4 + 4 * 4.7 * 2.7) / 6 * 0.1
    assert compost.placed_m3 == pytest.approx(frustum, rel=1e-12)
    assert card.cover_m2 == pytest.approx(15.0)
    assert (figures.over_m, figures.top_area_m2) == (0.0, 15.0)


def test_a_layer_low_in_a_tub_is_smaller_than_one_high_in_it() -> None:
    figures = bed_of(
        {
            "key": "tub",
            "shape": shape("round_tub"),
            "headspace_m": 0.0,
            "layers": [
                {"material": "scoria", "thickness_m": 0.1},
                {"material": "topsoil", "fill": True},
                {"material": "compost", "thickness_m": 0.1},
            ],
        }
    )
    low, _, high = figures.layers
    assert low.placed_m3 == pytest.approx(math.pi * 0.1 / 3 * (0.2**2 + 0.2 * 0.21667 + 0.21667**2), rel=1e-4)
    assert high.placed_m3 > 1.4 * low.placed_m3


@pytest.mark.parametrize("kind", KINDS)
def test_every_shape_is_filled_weighed_and_drawn(kind: str) -> None:
    figures = bed_of({"key": kind, "shape": shape(kind), "layers": layers(kind)})
    bulk = [layer for layer in figures.layers if not layer.sheet]
    assert sum(layer.placed_m3 for layer in bulk) == pytest.approx(figures.fill_volume_m3, rel=1e-9)
    assert figures.layers[0].sheet_area_m2 >= 0
    for layer in bulk:
        assert layer.top_m >= layer.bottom_m and layer.mass_moist_kg > 0
        drawn = [shapely.Polygon(outline).buffer(0) for outline in layer.outlines]
        assert (
            figures.section.left_m - 1e-4 <= drawn[0].bounds[0] <= drawn[-1].bounds[2] <= figures.section.right_m + 1e-4
        )
    assert figures.plan.outside and figures.plan.inside


@pytest.mark.parametrize("kind", [kind for kind in KINDS if kind not in ("keyhole", "flat_area")])
def test_the_cut_of_the_layers_is_the_cut_of_the_inside(kind: str) -> None:
    figures = bed_of({"key": kind, "shape": shape(kind), "headspace_m": 0.0, "layers": layers(kind)})
    hollow = sum(shapely.Polygon(ring).area for ring in figures.section.hollow)
    parts = sum(shapely.Polygon(ring).area for layer in figures.layers if not layer.sheet for ring in layer.outlines)
    assert parts == pytest.approx(hollow, rel=2e-3)


@pytest.mark.parametrize(
    ("kind", "changes", "path", "said"),
    [
        ("l_box", {"notch_length_m": 2.4}, "bed.shape.notch_length_m", "leaves nothing"),
        ("stadium", {"length_m": 0.5}, "bed.shape.length_m", "shorter than the width"),
        ("keyhole", {"path_width_m": 0.6}, "bed.shape.path_width_m", "wider than the basket"),
        ("lying_barrel", {"opening_width_m": 0.7}, "bed.shape.opening_width_m", "wider than the barrel"),
        ("hipped_mound", {"height_m": 1.2}, "bed.shape.height_m", r"meet 1\.073 m up"),
        ("round_mound", {"length_m": 1.0}, "bed.shape.length_m", "shorter than the width"),
        ("herb_spiral", {"path_width_m": 0.9}, "bed.shape.path_width_m", "wider than half the spiral"),
        ("flat_area", {"feather_m": 1.6}, "bed.shape.feather_m", "meet before the middle"),
        (
            "polygon",
            {"corners_m": [[0, 0], [2, 2], [2, 0], [0, 2]]},
            "bed.shape.corners_m[2]",
            r"1–2 crosses side 3–4 near \(1\.00, 1\.00\)",
        ),
        (
            "polygon",
            {"corners_m": [[0, 0], [2, 0], [2, 0], [0, 2]]},
            "bed.shape.corners_m[2]",
            "corner 3 lies where corner 2",
        ),
        ("polygon", {"corners_m": [[0, 0], [2, 0], [4, 0]]}, "bed.shape.corners_m", "crosses|one line"),
    ],
)
def test_measures_that_make_no_shape_are_refused(kind: str, changes: dict[str, Any], path: str, said: str) -> None:
    with pytest.raises(PlanProblem, match=said) as refused:
        built(kind, None, **changes)
    assert refused.value.path.startswith(path)


@pytest.mark.parametrize(
    ("kind", "bed", "path"),
    [
        ("round_mound", {"wall_m": 0.05}, "bed.wall_m"),
        ("trench", {"headspace_m": 0.05}, "bed.headspace_m"),
        ("round_tub", {"corner_depths_m": [0.3, 0.3, 0.4, 0.4]}, "bed.corner_depths_m"),
        ("flat_area", {"buried": [{"kind": "pipe", "diameter_m": 0.1, "length_m": 1.0}]}, "bed.buried"),
        ("box", {"buried": [{"kind": "pot", "diameter_m": 0.1}]}, "bed.buried[0].height_m"),
        ("box", {"buried": [{"kind": "post", "width_m": 2.0, "height_m": 1.0}]}, "bed.buried"),
        ("circle", {"measured": "outside", "wall_m": 0.7}, "bed.shape.diameter_m"),
        ("polygon", {"measured": "outside", "wall_m": 0.9}, "bed.shape.corners_m"),
    ],
)
def test_what_a_bed_has_not_is_refused_by_name(kind: str, bed: dict[str, Any], path: str) -> None:
    with pytest.raises(PlanProblem) as refused:
        built(kind, bed)
    assert refused.value.path == path


def test_buried_solids_take_room_where_they_lie() -> None:
    pipe = {"kind": "pipe", "diameter_m": 0.1, "length_m": 2.0}
    pot = {"kind": "pot", "diameter_m": 0.2, "height_m": 0.3, "bottom_m": 0.1, "count": 2}
    vessel = built("box", {"buried": [pipe, pot, {"kind": "post", "width_m": 0.1, "height_m": 0.8}]})
    taken = math.pi * 0.05**2 * 2 + 2 * math.pi * 0.1**2 * 0.3 + 0.01 * 0.5
    assert whole(vessel) == pytest.approx(1.0 - taken)
    half_pipe = math.pi * 0.05**2  # half of two metres
    assert vessel.hollow.volume_between(0, 0.05) == pytest.approx(2 * 0.05 - half_pipe - 0.01 * 0.05)
    filled = vessel.hollow.volume_between(0.02, 0.3)
    assert vessel.hollow.height_for_volume(0.02, filled) == pytest.approx(0.3)


def test_corner_depths_lie_under_their_plane() -> None:
    deeper = {"corner_depths_m": [0.3, 0.5, 0.5, 0.3]}
    assert whole(built("box", deeper)) == pytest.approx(2 * 1 * 0.4)
    l_bed = built("l_box", deeper)
    # the plane rises by 0.2 m over 2.4 m; the L's centre lies nearer its full end
    centre = (2.4 * 1.8 * 1.2 - 1.2 * 0.8 * 1.8) / (2.4 * 1.8 - 1.2 * 0.8)
    assert whole(l_bed) == pytest.approx(l_bed.top_area_m2 * (0.3 + 0.2 * centre / 2.4))


def test_a_trench_gives_its_soil_back_swollen() -> None:
    figures = bed_of({"key": "t", "shape": shape("trench"), "layers": []})
    assert figures.spoil_m3 == pytest.approx(figures.inside_volume_m3 * 1.25)
    assert bed_of(zoo.bed()).spoil_m3 == 0


def test_sheets_in_and_under_every_form() -> None:
    bed = {"key": "a", "shape": shape("hipped_mound"), "layers": []}
    under = [{"material": "cardboard"}, {"material": "topsoil", "fill": True}]
    over = [{"material": "topsoil", "fill": True}, {"material": "cardboard", "plies": 2}]
    assert bed_of(bed | {"layers": under}).layers[0].cover_m2 == pytest.approx(7.2)
    top = (4 - 1.4 / math.tan(math.radians(50))) * (1.8 - 1.4 / math.tan(math.radians(50)))
    slopes = (7.2 - top) / math.cos(math.radians(50))
    assert bed_of(bed | {"layers": over}).layers[1].cover_m2 == pytest.approx(top + slopes)
    skirted = [{"material": "weed_mat", "skirt_m": 0.5}]
    crates = {"key": "c", "shape": shape("crates"), "layers": skirted}
    assert bed_of(crates).layers[0].cover_m2 == pytest.approx(1.44 + (2.8 * 1.8 - 1.8 * 0.8))
