"""Frames: timber by its name, corners and courses by hand, what bows, posts, bricks, legs, and what is judged."""

from __future__ import annotations

import math
from typing import Any

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from nolbet_core.built.plan import build_plan
from nolbet_core.figure.figures import BedFigures
from nolbet_core.frame.bowing import Fill, brace_spacing, side_pressure, ties_for
from nolbet_core.frame.corners import joined, outline_course
from nolbet_core.frame.fasteners import concrete_for, post_depth, screw_length, screws_a_joint
from nolbet_core.frame.sizes import SizeProblem, courses_for, courses_of, nominal_size
from nolbet_core.plan.garden import Plan
from tests.core import zoo
from tests.core.ask import figures_of

# 3 x 7 ft
LONG_M, SHORT_M = 2.1336, 0.9144


def framed(shape: dict[str, Any] | None = None, frame: dict[str, Any] | None = None, **words: Any) -> BedFigures:
    """A bed with a frame, in figures."""
    box = {"kind": "box", "length_m": LONG_M, "width_m": SHORT_M, "depth_m": 0.38}
    boards = {"kind": "boards", "thickness_m": 0.038, "width_m": 0.19} | (frame or {})
    bed = zoo.bed(shape=shape or box, measured="outside", frame=boards) | words
    return figures_of(zoo.plan(bed)).beds[0]


def lengths(figures: BedFigures, part: str = "") -> list[tuple[float, int]]:
    """How long pieces are, and how many, the longest first."""
    assert figures.frame is not None
    found = [(each.length_m, each.count) for each in figures.frame.pieces if part in each.part]
    return sorted(found, reverse=True)


@pytest.mark.parametrize("thick_m", [0.089, 0.038])
@pytest.mark.parametrize(
    ("corner", "by_hand"),
    [
        ("butt", lambda t: [(LONG_M, 4), (SHORT_M - 2 * t, 4)]),
        ("butt_short", lambda t: [(LONG_M - 2 * t, 4), (SHORT_M, 4)]),
        ("alternate", lambda t: [(LONG_M, 2), (LONG_M - 2 * t, 2), (SHORT_M, 2), (SHORT_M - 2 * t, 2)]),
        ("pinwheel", lambda t: [(LONG_M - t, 4), (SHORT_M - t, 4)]),
        ("mitre", lambda t: [(LONG_M, 4), (SHORT_M, 4)]),
        ("slotted_post", lambda t: [(LONG_M - 2 * 0.1 + 2 * 0.03, 4), (SHORT_M - 2 * 0.1 + 2 * 0.03, 4)]),
        ("corner_post", lambda t: [(LONG_M, 4), (SHORT_M - 2 * t, 4)]),
    ],
)
def test_every_corner_of_a_bed_by_hand(corner: str, by_hand: Any, thick_m: float) -> None:
    frame = {"corner": corner, "thickness_m": thick_m}
    if corner in ("slotted_post", "corner_post"):
        frame |= {"post_m": 0.1} | ({"slot_m": 0.03} if corner == "slotted_post" else {})
    figures = framed(frame=frame)
    assert figures.frame is not None
    assert lengths(figures, "side") == [(pytest.approx(each), count) for each, count in by_hand(thick_m)]
    assert figures.frame.courses == 2
    assert figures.inside_length_m == pytest.approx(LONG_M - 2 * thick_m)
    assert figures.frame.outside_length_m == pytest.approx(LONG_M)
    assert figures.frame.diagonal_m == pytest.approx(math.hypot(LONG_M, SHORT_M))


def test_timber_is_thinner_than_its_name() -> None:
    assert nominal_size("2x10") == (0.038, 0.235)
    assert nominal_size("5/4 x 6") == (0.025, 0.140)
    with pytest.raises(SizeProblem, match="'3x9' is no size of timber"):
        nominal_size("3x9")
    figures = framed(frame={"kind": "boards", "nominal": "4x6", "thickness_m": None, "width_m": None})
    assert figures.frame is not None
    assert (figures.frame.thickness_m, figures.frame.board_m) == (0.089, 0.140)


def test_courses_to_a_depth_both_ways() -> None:
    courses = courses_for(0.45, 0.14)
    assert (courses.count, courses.height_m, courses.fewer_m, courses.more_m) == (
        3, pytest.approx(0.42), pytest.approx(0.28), pytest.approx(0.56),
    )  # fmt: skip
    assert courses.rip_to_m == pytest.approx(0.03)
    assert courses_of(1, 0.2, 0.2).fewer_m is None
    assert courses_of(1, 0.2, 0.2).rip_to_m is None


@given(st.floats(0.05, 0.3), st.floats(0.05, 2.0))
def test_the_nearest_courses_are_within_half_a_board(width_m: float, depth_m: float) -> None:
    courses = courses_for(depth_m, width_m)
    assume(courses.count > 1)
    assert abs(courses.height_m - depth_m) <= width_m / 2 + 1e-9


def test_how_far_braces_may_stand_apart() -> None:
    pressure = side_pressure(Fill(()), 0.30)
    assert pressure == pytest.approx(0.5 * 1800 * 9.81 * 0.30)
    assert brace_spacing(pressure, 0.050, 8e9) == pytest.approx(1.75, abs=0.005)
    assert brace_spacing(pressure, 0.019, 8e9) == pytest.approx(0.67, abs=0.005)
    assert ties_for(3.6, 1.75) == 2
    assert ties_for(1.75, 1.75) == 0
    assert ties_for(9.0, math.inf) == 0


def test_water_behind_a_liner_pushes_in_full() -> None:
    layers = ((0.4, 1800.0),)
    dry, wet = side_pressure(Fill(layers), 0.4), side_pressure(Fill(layers, 0.3), 0.4)
    # 0.1 m of water in full, and half of what the soil weighs over it
    assert wet == pytest.approx((0.5 * (0.4 * 1800 - 100) + 100) * 9.81)
    assert wet > dry
    assert side_pressure(Fill(((0.1, 1000.0), (0.1, 2000.0))), 0.15) == pytest.approx(0.5 * 200 * 9.81)


def test_an_l_box_by_hand_and_its_inner_corner() -> None:
    shape = {"kind": "l_box", "length_m": 2.4, "width_m": 1.8, "notch_length_m": 1.0, "notch_width_m": 0.8,
             "depth_m": 0.19}  # fmt: skip
    t = 0.038
    sides = [each for each, count in lengths(framed(shape=shape)) for _ in range(count)]
    assert len(sides) == 6
    # five outer corners take a thickness each, the inner one adds one
    assert sum(sides) == pytest.approx(2 * (2.4 + 1.8) - 5 * t + t)


@given(
    st.lists(st.floats(0.5, 3.0), min_size=4, max_size=10),
    st.sampled_from(["butt", "butt_short", "pinwheel"]),
)
def test_pieces_add_up_to_the_walls_less_their_corners(radii: list[float], corner: Any) -> None:
    count = len(radii)
    ring = [(r * math.cos(2 * math.pi * i / count), r * math.sin(2 * math.pi * i / count)) for i, r in enumerate(radii)]
    turns = [
        (ring[i][0] - ring[i - 1][0]) * (ring[(i + 1) % count][1] - ring[i][1])
        - (ring[i][1] - ring[i - 1][1]) * (ring[(i + 1) % count][0] - ring[i][0])
        for i in range(count)
    ]
    assume(all(abs(turn) > 1e-3 for turn in turns))
    t = 0.02
    pieces = outline_course(corner, ring, t, 0, 0.0, 0.0)
    round_m = sum(math.dist(ring[i - 1], ring[i]) for i in range(count))
    outer = sum(turn > 0 for turn in turns)
    assert sum(each.length_m for each in pieces) == pytest.approx(round_m - outer * t + (count - outer) * t)


@given(st.floats(0.5, 20.0), st.floats(1.5, 5.0))
def test_a_board_over_stock_length_is_joined_apart_from_its_neighbour(length_m: float, stock_m: float) -> None:
    ends = []
    for course in (0, 1):
        parts = joined(length_m, stock_m, course)
        assert sum(parts) == pytest.approx(length_m)
        assert max(parts) <= stock_m + 1e-6
        assert min(parts) > 0
        ends.append([sum(parts[: i + 1]) for i in range(len(parts) - 1)])
    assume(ends[0])
    assert min(abs(one - two) for one in ends[0] for two in ends[1]) >= 0.3 - 1e-6


def test_screws_posts_and_concrete() -> None:
    assert screw_length(0.038) == pytest.approx(0.080)
    assert screw_length(0.019) == pytest.approx(0.060)
    assert screw_length(0.3) is None
    assert (screws_a_joint(0.15), screws_a_joint(0.19)) == (2, 3)
    assert post_depth(0.6) == pytest.approx(0.45)
    assert post_depth(1.2) == pytest.approx(0.60)
    assert concrete_for(4, 0.1, 0.45) == pytest.approx(4 * 0.45 * 0.01 * (9 * math.pi / 4 - 1))
    figures = framed(frame={"corner": "corner_post", "post_m": 0.075})
    assert figures.frame is not None
    assert lengths(figures, "post") == [(pytest.approx(0.38 + 0.45), 4)]
    # two ends at each of four posts, three screws in a board of 190 mm, two courses
    assert [(each.length_m, each.count) for each in figures.frame.screws] == [(pytest.approx(0.080), 2 * 4 * 3 * 2)]
    tamped = framed(frame={"corner": "corner_post", "post_m": 0.075, "posts_in": "tamped"})
    assert tamped.frame is not None
    assert tamped.frame.concrete_m3 == 0


def test_bricks_along_the_middle_of_the_wall() -> None:
    shape = {"kind": "circle", "diameter_m": 1.6, "depth_m": 0.4}
    figures = framed(shape=shape, frame={"kind": "units", "thickness_m": None, "width_m": None}, measured="inside")
    assert figures.frame is not None
    a_course = math.ceil(math.pi * (1.6 + 0.1025) / 0.225)
    courses = round(0.4 / 0.075)
    assert figures.frame.courses == courses
    assert figures.frame.units == {"brick": math.ceil(a_course * courses * 1.05)}
    assert figures.frame.height_m == pytest.approx(courses * 0.075)


def test_a_box_on_legs_says_what_each_leg_bears() -> None:
    legs = {"count": 4, "length_m": 0.6, "section_m": [0.038, 0.14]}
    figures = framed(frame={"legs": legs, "floor": {"thickness_m": 0.019, "width_m": 0.14, "gap_m": 0.02}})
    frame = figures.frame
    assert frame is not None
    inside_m2 = (LONG_M - 0.076) * (SHORT_M - 0.076)
    assert frame.leg_load_kg == pytest.approx((figures.mass_saturated_kg + frame.mass_kg + 5 * inside_m2) / 4)
    slats = math.ceil((LONG_M - 0.076 + 0.02) / 0.16)
    assert lengths(figures, "slat") == [(pytest.approx(SHORT_M - 0.076), slats)]
    codes = {each.code for each in figures.findings}
    assert {"legs_unbraced", "foot_sinks", "slats_apart"} <= codes


def codes(**frame: Any) -> set[str]:
    """Codes of what is found with a frame."""
    return {each.code for each in framed(frame=frame).findings}


def test_what_a_frame_is_judged_for() -> None:
    thin, thick = framed(frame={"thickness_m": 0.019}), framed(frame={"thickness_m": 0.089})
    brace = next(each for each in thin.findings if each.code == "brace_far")
    assert thin.frame is not None
    assert brace.mend is not None
    assert (
        brace.mend.steps[0].value == thin.frame.ties == ties_for(thin.inside_length_m, thin.frame.brace_spacing_m or 0)
    )
    assert "brace_far" not in {each.code for each in thick.findings}
    assert "treated_timber" in codes(material="treated_softwood")
    assert "treated_timber" in codes(lowest="treated_softwood")
    assert "treated_timber" not in codes(material="larch")
    assert "end_grain" in codes()
    assert "end_grain" not in codes(corner="corner_post", post_m=0.075)
    off = framed(frame={"width_m": 0.14})
    told = next(each for each in off.findings if each.code == "frame_off_depth")
    assert told.mend is not None
    assert told.mend.steps[0].value == pytest.approx(0.42)
    assert "frame_off_depth" not in codes()


def wrong(frame: dict[str, Any], **words: Any) -> list[str]:
    """Paths of what is wrong with a frame."""
    plan = Plan.model_validate(zoo.plan(zoo.bed(frame=frame) | words))
    return [each.path for each in build_plan(plan).problems]


@pytest.mark.parametrize(
    ("frame", "words", "path"),
    [
        ({"kind": "boards"}, {}, "beds[0].frame.thickness_m"),
        ({"kind": "boards", "thickness_m": 0.04}, {}, "beds[0].frame.width_m"),
        ({"kind": "boards", "nominal": "2x7"}, {}, "beds[0].frame.nominal"),
        ({"kind": "boards", "nominal": "2x10"}, {"wall_m": 0.05}, "beds[0].wall_m"),
        ({"kind": "boards", "nominal": "2x10", "corner": "slotted_post"}, {}, "beds[0].frame.post_m"),
        ({"kind": "boards", "nominal": "2x10", "material": "plastic_wood"}, {}, "beds[0].frame.material"),
        ({"kind": "boards", "nominal": "2x10", "lowest": "brick"}, {}, "beds[0].frame.lowest"),
    ],
)
def test_a_frame_that_cant_be_is_told_with_its_field(frame: dict[str, Any], words: dict[str, Any], path: str) -> None:
    assert path in wrong(frame, **words)


def test_boards_round_what_is_round_are_refused() -> None:
    round_bed = {"shape": {"kind": "circle", "diameter_m": 2.0, "depth_m": 0.3}}
    assert wrong({"kind": "boards", "nominal": "2x10"}, **round_bed) == ["beds[0].frame.kind"]


def test_cleats_stand_in_each_corner_and_take_their_room() -> None:
    plain, held = framed(frame={"width_m": 0.2}), framed(frame={"width_m": 0.2, "cleats_m": 0.05})
    assert plain.frame is not None
    assert held.frame is not None
    cleats = [each for each in held.frame.pieces if each.part == "cleat"]
    assert [(each.count, each.width_m, each.length_m) for each in cleats] == [(4, 0.05, pytest.approx(0.4))]
    assert held.inside_volume_m3 == pytest.approx(plain.inside_volume_m3 - 4 * 0.05**2 * held.rim_m)
    # each corner is screwed from both sides then, and wants no bracket
    assert held.frame.screws[0].count == 2 * plain.frame.screws[0].count
    assert (plain.frame.fixings.brackets, held.frame.fixings.brackets) == (4 * 2, 0)
    assert "end_grain" not in codes(cleats_m=0.05)
    assert "cleat" not in {each.part for each in plain.frame.pieces}


@pytest.mark.parametrize(("behind", "told"), [(None, False), ("slope", True), ("load", True)])
def test_a_low_wall_with_more_behind_it_is_deferred(behind: str | None, told: bool) -> None:
    assert ("wall_high" in codes(behind=behind)) == told
