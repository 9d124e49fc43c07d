"""The plot: beds on measured ground, the paths between them, levels, and what is amiss."""

from __future__ import annotations

import math
from typing import Any

import pytest
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st

from nolbet_core.built.plan_file import read_plan
from nolbet_core.figure.plot_figures import PlotFigures
from nolbet_core.figure.walk import figure_room
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.plot.levels import Surface, packing_under, surface_of
from nolbet_core.plot.room import room_for
from nolbet_core.quantities.units import INCH_M, System
from nolbet_core.quantities.writing import show_length, show_volume
from nolbet_core.shapes.sizing import POT_CLASSES, box_from_boards, boxes_without_waste, largest_in_liner
from tests.core import zoo
from tests.core.ask import bed_of, figures_of, mended_by
from tests.core.shapes import EVERY_SHAPE, layers, shape

GROUND = [[0, 0], [10, 0], [10, 8], [0, 8]]


def placed(kind: str, x_m: float, y_m: float, turn_deg: float = 0.0, **bed: Any) -> dict[str, Any]:
    """A bed of a kind with its middle at a place."""
    place = {"x_m": x_m, "y_m": y_m, "turn_deg": turn_deg}
    plain = {
        "key": f"{kind}_{x_m * 10:.0f}_{y_m * 10:.0f}",
        "shape": shape(kind),
        "layers": layers(kind),
        "places": [place],
    }
    return plain | bed


def plot_plan(*beds: dict[str, Any], **plot: Any) -> dict[str, Any]:
    """A plan of beds on a ground of 10 x 8 m."""
    return zoo.plan(*beds, garden={"name": "Test ground", "plot": {"corners_m": GROUND, **plot}})


def plot_of(*beds: dict[str, Any], **plot: Any) -> PlotFigures:
    """Figures of a plot."""
    figures = figures_of(plot_plan(*beds, **plot)).plot
    assert figures is not None
    return figures


def codes(figures: PlotFigures) -> list[str]:
    """Codes of what was found, in order."""
    return [each.finding.code for each in figures.findings]


def test_paths_are_the_plot_less_its_beds() -> None:
    beds = [
        placed(kind, 1.5 + 2.2 * (i % 4), 1.5 + 2.4 * (i // 4))
        for i, kind in enumerate(
            ("box", "l_box", "circle", "keyhole", "stadium", "regular_polygon", "herb_spiral", "round_tub")
        )
    ]
    figures = plot_of(
        *beds, courses=[{"material": "path_base", "thickness_m": 0.08}, {"material": "wood_chips", "thickness_m": 0.05}]
    )
    footprints = sum(bed.footprint_m2 for bed in figures_of(plot_plan(*beds)).beds)
    assert figures.path_m2 == pytest.approx(80 - footprints, rel=1e-9)
    base, chips = figures.courses
    assert base.placed_m3 == pytest.approx(figures.path_m2 * 0.08)
    assert chips.placed_m3 == pytest.approx(figures.path_m2 * 0.05)
    assert base.loose_m3 > 1.15 * base.placed_m3
    assert base.mass_moist_kg == pytest.approx(base.placed_m3 * 2000, rel=0.2)


def test_ground_under_two_beds_counts_once() -> None:
    figures = plot_of(placed("trench", 5, 4), placed("hipped_mound", 5, 4))
    assert figures.path_m2 == pytest.approx(80 - 7.2)
    assert "clash" not in codes(figures)


def test_the_haul_counts_the_courses() -> None:
    bare, laid = (
        figures_of(plot_plan(placed("box", 3, 3), courses=courses))
        for courses in ([], [{"material": "geotextile"}, {"material": "topsoil", "thickness_m": 0.1}])
    )
    assert laid.plot is not None
    needs = {need.material: need for need in laid.needs}
    before = {need.material: need for need in bare.needs}
    # strips of 2 m with laps of 15 cm
    assert needs["geotextile"].area_m2 == pytest.approx(78.0 * 2 / 1.85)
    assert needs["topsoil"].placed_m3 - before["topsoil"].placed_m3 == pytest.approx(7.8)


@pytest.mark.parametrize(
    ("gap_m", "level"), [(0.4, "caution"), (0.45, "advice"), (0.6, "advice"), (0.9, "good"), (1.2, "good")]
)
def test_aisles_are_judged_for_walker_and_barrow(gap_m: float, level: str) -> None:
    figures = plot_of(placed("box", 2, 2), placed("box", 2, 3 + gap_m))
    (aisle,) = figures.aisles
    assert (aisle.width_m, aisle.level) == (pytest.approx(gap_m), level)
    # where two run side by side the aisle is measured in the middle of that
    assert aisle.start[0] == pytest.approx(2, abs=0.05)
    assert ("aisle_narrow" in codes(figures)) == (level != "good")
    beds = figures_of(plot_plan(placed("box", 2, 2), placed("box", 2, 3 + gap_m))).beds
    assert [("aisle_narrow" in {finding.code for finding in bed.findings}) for bed in beds] == [level != "good"] * 2


def test_no_aisle_runs_through_a_third_bed_or_between_beds_that_touch() -> None:
    row = [placed("box", 2, y, shape=shape("box", width_m=0.4)) for y in (1.0, 1.7, 2.4)]
    assert sorted(round(aisle.width_m, 6) for aisle in plot_of(*row).aisles) == [0.3, 0.3]
    assert plot_of(placed("box", 2, 2), placed("box", 4, 2)).aisles == []


def test_a_turned_bed_is_measured_as_it_lies() -> None:
    square = shape("box", length_m=1.0)
    figures = plot_of(placed("box", 2, 2, shape=square), placed("box", 4, 2, 45, shape=square))
    (aisle,) = figures.aisles
    assert aisle.width_m == pytest.approx(4 - math.sqrt(0.5) - 2.5)


def test_clashes_name_what_takes_the_same_ground() -> None:
    figures = plot_of(
        placed("box", 2, 2),
        placed("circle", 3, 2),
        placed("box", 9.5, 6),
        fixed=[{"kind": "tree", "name": "Old pear", "at_m": [2.0, 2.2], "across_m": 0.3}],
    )
    said = {each.finding.message for each in figures.findings if each.finding.code == "clash"}
    assert len(said) == 3
    assert any("Old pear" in each for each in said) and any("beyond the plot's edge" in each for each in said)
    edge = next(clash for clash in figures.clashes if clash.other is None)
    assert edge.area_m2 == pytest.approx(0.5)


def test_how_many_more_fit_in_the_better_turn() -> None:
    room = figure_room(read_plan(plot_plan(aisle_m=0.6)), 3.0, 1.0)
    # three across with two aisles are 10.2 m, too wide; turned, six side by side are 9.0 m, in two rows of 3 m
    assert (room.count, room.turned) == (12, True)


@settings(max_examples=25, deadline=None)
@given(
    st.floats(0.5, 3),
    st.floats(0.5, 3),
    st.floats(0, 1),
    st.lists(st.tuples(st.floats(0, 9), st.floats(0, 7)), max_size=4),
)
def test_beds_that_fit_keep_their_distance(
    length: float, width: float, aisle: float, spots: list[tuple[float, float]]
) -> None:
    ground = shapely.Polygon(GROUND)
    taken = [shapely.box(x, y, x + 1, y + 1) for x, y in spots]
    room = room_for(length, width, aisle, ground, taken)
    along, up = (width, length) if room.turned else (length, width)
    beds = [shapely.box(x - along / 2, y - up / 2, x + along / 2, y + up / 2) for x, y in room.middles_m]
    for index, bed in enumerate(beds):
        assert ground.buffer(1e-9).covers(bed)
        assert all(bed.distance(other) >= aisle - 1e-6 for other in [*beds[:index], *taken])


PLANE = [(0.0, 0.0, 0.1), (4.0, 0.0, 0.5), (4.0, 4.0, 0.7), (0.0, 4.0, 0.3), (1.0, 2.0, 0.3)]


def test_a_plane_through_spot_heights() -> None:
    surface = surface_of(PLANE)
    assert surface is not None
    assert surface.height_at(2, 2) == pytest.approx(0.4)
    assert surface.height_at(5, 2) is None
    assert surface.area_m2 == pytest.approx(16)
    assert surface.mean_m == pytest.approx(0.4)
    # half the ground is a wedge over the level: rise 0.1 and 0.05 a metre, three fifths of a metre at the corner
    done = surface.cut_and_fill(None)
    assert done.cut_m3 == pytest.approx(done.fill_m3)
    steps = 400
    cells = [(4 * (i + 0.5) / steps, 4 * (j + 0.5) / steps) for i in range(steps) for j in range(steps)]
    cut = sum(max(0.1 + 0.1 * x + 0.05 * y - 0.4, 0) for x, y in cells) * (4 / steps) ** 2
    assert done.cut_m3 == pytest.approx(cut, rel=1e-3)
    lower = surface.cut_and_fill(0.1)
    assert (lower.cut_m3, lower.fill_m3) == (pytest.approx(16 * 0.3), pytest.approx(0))


@given(
    st.lists(st.tuples(st.integers(0, 20), st.integers(0, 20), st.floats(-2, 2)), min_size=4, max_size=30),
    st.floats(-2, 2),
)
def test_cut_less_fill_is_what_lies_over_the_level(spots: list[tuple[int, int, float]], level: float) -> None:
    surface = surface_of([(float(x), float(y), z) for x, y, z in spots])
    if surface is None:
        return
    done = surface.cut_and_fill(level)
    assert done.cut_m3 - done.fill_m3 == pytest.approx((surface.mean_m - level) * surface.area_m2, abs=1e-7)
    assert min(done.cut_m3, done.fill_m3) >= -1e-9


@pytest.mark.parametrize("tiny_m", [1e-200, 5e-324])
def test_a_hair_over_the_level_is_no_division_by_nothing(tiny_m: float) -> None:
    surface = surface_of([(0, 0, tiny_m), (4, 0, -tiny_m), (0, 3, -tiny_m)])
    assert surface is not None
    done = surface.cut_and_fill(0.0)
    assert (done.cut_m3, done.fill_m3) == (pytest.approx(0), pytest.approx(0))


def test_packing_lifts_the_low_corners() -> None:
    surface = surface_of(PLANE)
    assert surface is not None
    packing = packing_under([(1, 1), (3, 1), (3, 2), (1, 2)], surface)
    assert packing == pytest.approx([0.25, 0.05, 0.0, 0.2])
    assert packing_under([(1, 1), (5, 1)], surface) is None


def test_a_contour_runs_where_the_ground_has_its_height() -> None:
    surface = surface_of(PLANE)
    assert surface is not None
    (line,) = surface.contour(0.4)
    for x, y in line:
        assert surface.height_at(x, y) == pytest.approx(0.4)
    turn = surface.contour_turn_deg(2, 2)
    assert turn == pytest.approx(math.degrees(math.atan2(-2, 1)) % 180)
    assert surface_of(PLANE[:2]) is None
    assert Surface(*[((PLANE[0], PLANE[1], (2.0, 2.0, 0.3)),)] * 2).contour(9.0) == ()
    inches = [level / INCH_M for level in surface.contour_levels(System.FT_IN)]
    assert len(inches) > 3
    assert inches == pytest.approx([round(each) for each in inches])


def test_ground_outside_a_re_entrant_plot_is_neither_cut_nor_filled() -> None:
    # an L of 4 x 4 m less 2 x 2 m at its upper right, sloping by 0.1 m a metre to the right
    outline = [(0.0, 0.0), (4.0, 0.0), (4.0, 2.0), (2.0, 2.0), (2.0, 4.0), (0.0, 4.0)]
    spots = [(x, y, 0.1 * x) for x, y in outline]
    whole, ground = surface_of(spots), surface_of(spots, outline)
    assert whole is not None and ground is not None
    assert whole.area_m2 == pytest.approx(14.0)
    assert ground.area_m2 == pytest.approx(12.0)
    done = ground.cut_and_fill(0.2)
    # right of x = 2: 2 x 2 m that rise to 0.2 m over the level; left of it 2 x 4 m that fall to 0.2 m under it
    assert done.cut_m3 == pytest.approx(4 * 0.1)
    assert done.fill_m3 == pytest.approx(8 * 0.1)
    assert ground.height_at(3.0, 2.5) == pytest.approx(0.3)
    assert surface_of(spots[:3], [(10.0, 10.0), (11.0, 10.0), (11.0, 11.0)]) is None


SPOTS = [{"at_m": [x, y], "height_m": 0.02 * x} for x in (0, 10) for y in (0, 8)]


def found(bed: dict[str, Any], code: str, **plot: Any) -> str | None:
    """The level at which a finding holds for a bed on a plot."""
    (figures,) = figures_of(plot_plan(bed, **plot)).beds
    return next((finding.level for finding in figures.findings if finding.code == code), None)


@pytest.mark.parametrize(
    ("bed", "plot", "code", "level"),
    [
        (placed("box", 3, 3), {"spots": SPOTS}, "not_level", "advice"),
        (placed("box", 3, 3, 90), {"spots": SPOTS}, "not_level", None),
        (placed("box", 3, 3, 90, reservoir={"height_m": 0.1}), {"spots": SPOTS}, "not_level", "caution"),
        (placed("round_mound", 4, 4), {"spots": SPOTS}, "not_level", "advice"),
        (placed("round_mound", 4, 4, 90), {"spots": SPOTS}, "not_level", None),
        (placed("box", 3, 3), {"fixed": [{"kind": "house", "line_m": [[0, 2.3], [9, 2.3]]}]}, "near_house", "caution"),
        (placed("box", 3, 3), {"fixed": [{"kind": "house", "line_m": [[0, 1], [9, 1]]}]}, "near_house", None),
        (placed("box", 3, 3, layers=[{"material": "broadleaf_logs", "fill": True}]),
         {"fixed": [{"kind": "house", "line_m": [[0, 2.0], [9, 2.0]]}]}, "near_house", "caution"),
        (placed("box", 3, 3), {"fixed": [{"kind": "tree", "at_m": [3, 6.0], "across_m": 0.25}]}, "near_tree", "advice"),
        (placed("trench", 3, 3), {"fixed": [{"kind": "tree", "at_m": [3, 6.0], "across_m": 0.25}]},
         "near_tree", "caution"),
        (placed("box", 3, 3), {"fixed": [{"kind": "tree", "at_m": [3, 7.0], "across_m": 0.25}]}, "near_tree", None),
        (placed("trench", 3, 3), {"fixed": [{"kind": "service", "line_m": [[0, 3.0], [9, 3.0]]}]},
         "buried_services", "stop"),
        (placed("trench", 3, 3), {}, "buried_services", "caution"),
        (placed("box", 3, 3), {}, "buried_services", None),
    ],
)  # fmt: skip
def test_where_a_bed_lies_is_judged(bed: dict[str, Any], plot: dict[str, Any], code: str, level: str | None) -> None:
    assert found(bed, code, **plot) == level


def test_a_mound_across_the_contour_is_turned_in_one_click() -> None:
    document = plot_plan(placed("round_mound", 4, 4), spots=SPOTS)
    (bed,) = figures_of(document).beds
    finding = next(each for each in bed.findings if each.code == "not_level")
    assert finding.mend is not None
    document["beds"][0] = mended_by(document["beds"][0], finding)
    assert "not_level" not in {each.code for each in figures_of(document).beds[0].findings}


@pytest.mark.parametrize(
    ("bed", "code", "level"),
    [
        (shape("hipped_mound", slope_deg=40.0, height_m=0.5), "steep_slope", None),
        (shape("hipped_mound", slope_deg=45.0), "steep_slope", "advice"),
        (shape("hipped_mound", slope_deg=55.0), "steep_slope", "caution"),
        (shape("round_mound", height_m=0.3), "steep_slope", None),
        (shape("round_mound"), "steep_slope", "caution"),
        (shape("trench"), "trench", "note"),
        (shape("trench", depth_m=1.2), "trench", "caution"),
        (shape("trench", depth_m=1.5), "trench", "stop"),
        (shape("keyhole"), "too_wide", None),
        (shape("circle", diameter_m=1.3), "too_wide", "advice"),
        (shape("l_box", length_m=4.0, width_m=4.0), "too_wide", "caution"),
    ],
)
def test_shapes_are_judged(bed: dict[str, Any], code: str, level: str | None) -> None:
    figures = bed_of({"key": "a", "shape": bed, "layers": []})
    assert next((each.level for each in figures.findings if each.code == code), None) == level


@pytest.mark.parametrize(
    ("plot", "path"),
    [
        ({"corners_m": [[0, 0], [2, 2], [2, 0], [0, 2]]}, "garden.plot.corners_m[2]"),
        ({"fixed": [{"kind": "tree"}]}, "garden.plot.fixed[0]"),
        ({"fixed": [{"kind": "house", "at_m": [1, 1]}]}, "garden.plot.fixed[0].line_m"),
        ({"courses": [{"material": "path_base"}]}, "garden.plot.courses[0].thickness_m"),
        ({"courses": [{"material": "moondust", "thickness_m": 0.1}]}, "garden.plot.courses[0].material"),
        ({"courses": [{"material": "geotextile", "thickness_m": 0.1}]}, "garden.plot.courses[0].thickness_m"),
        ({"north": 3}, "garden.plot.north"),
    ],
)
def test_a_plot_that_does_not_hold_together_names_the_place(plot: dict[str, Any], path: str) -> None:
    with pytest.raises(PlanProblem) as refused:
        figures_of(plot_plan(placed("box", 3, 3), **plot))
    assert refused.value.path == path


def test_more_places_than_beds_are_refused() -> None:
    bed = placed("box", 3, 3)
    with pytest.raises(PlanProblem, match="one place more") as refused:
        figures_of(plot_plan(bed | {"places": bed["places"] * 2}))
    assert refused.value.path == "beds[0].places[1]"


@pytest.mark.parametrize("kind", list(EVERY_SHAPE))
def test_every_shape_lies_on_the_ground_with_its_footprint(kind: str) -> None:
    document = plot_plan(placed(kind, 5, 4, 30))
    figures = figures_of(document)
    assert figures.plot is not None
    (bed,) = figures.plot.placed
    drawn = shapely.union_all([shapely.Polygon(ring) for ring in bed.outline])
    assert drawn.area == pytest.approx(figures.beds[0].footprint_m2, rel=1e-4)
    assert figures.plot.ground_m2 - figures.plot.path_m2 == pytest.approx(figures.beds[0].footprint_m2, rel=1e-9)


def test_boards_both_ways() -> None:
    # 4 boards of 2.4 m: two sides, two ends 1.2 m between walls of 38 mm
    box = box_from_boards(4, 2.4, 0.038, 1.2)
    assert 2 * box.length_m + 2 * (1.2 - 0.076) == pytest.approx(9.6)
    sizes = {(round(each.length_m, 3), round(each.width_m, 3)) for each in boxes_without_waste(3, 2.4, 0.038)}
    assert (2.4, 1.276) in sizes
    for each in boxes_without_waste(6, 2.4, 0.038):
        assert 2 * each.length_m + 2 * (each.width_m - 0.076) == pytest.approx(14.4)
    with pytest.raises(ValueError, match="don't go round"):
        box_from_boards(1, 2.4, 0.038, 1.3)


def test_the_largest_bed_a_liner_lines() -> None:
    assert largest_in_liner(4.0, 3.0, 0.4, 0.15) == (pytest.approx(2.9), pytest.approx(1.9))
    with pytest.raises(ValueError, match="doesn't run up"):
        largest_in_liner(4.0, 1.0, 0.4, 0.15)


def test_a_five_gallon_pot_is_a_class() -> None:
    five = next(each for each in POT_CLASSES if each.name == "#5")
    assert (five.least_m3 * 1000, five.most_m3 * 1000) == (
        pytest.approx(12.86, abs=0.01),
        pytest.approx(20.35, abs=0.01),
    )
    assert five.middle_m3 < 5 * 3.785e-3


def test_a_framed_box_on_a_slope_may_follow_the_ground_with_a_ripped_board() -> None:
    frame = {"kind": "boards", "thickness_m": 0.04, "width_m": 0.2}
    figures = figures_of(plot_plan(placed("box", 3, 3, frame=frame), spots=SPOTS))
    (bed,) = figures.beds
    assert figures.plot is not None
    told = next(each for each in bed.findings if each.code == "not_level").advice
    fall_m = max(figures.plot.placed[0].packing_m or [])
    assert fall_m == pytest.approx(0.02 * (bed.inside_length_m + 2 * 0.04))
    assert f"a board ripped to {show_length(fall_m, System.METRIC)}" in told
    wedge_m3 = bed.inside_length_m * bed.inside_width_m * fall_m / 2
    assert f"up to {show_volume(wedge_m3, System.METRIC)} more fill" in told
