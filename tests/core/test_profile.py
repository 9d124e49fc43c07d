"""Beds over pits as one profile with them, mounds and trenches along a line, faced sides, rain that is led in."""

from __future__ import annotations

import itertools
import math
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.built.bed import build_bed
from nolbet_core.built.lined import foot_spread_m
from nolbet_core.built.plan import build_plan
from nolbet_core.figure.figures import BedFigures, Figures
from nolbet_core.figure.forecast import figure_sunken
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.garden import Plan
from nolbet_core.shapes.hollow import ShapeProblem
from nolbet_core.shapes.mound import hipped_mound
from nolbet_core.shapes.ribbon import ribbon
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.shelf.library import standard_shelf
from tests.core import zoo
from tests.core.ask import figures_of, planned

WOOD = [{"material": "broadleaf_logs", "thickness_m": 0.25}, {"material": "leaves", "thickness_m": 0.05}]
SOIL = [{"material": "compost", "thickness_m": 0.1}, {"material": "topsoil", "fill": True}]
TRENCH = {
    "kind": "trench", "top_length_m": 2.0, "top_width_m": 1.0, "bottom_length_m": 2.0, "bottom_width_m": 1.0,
    "depth_m": 0.3,
}  # fmt: skip
BOX = {"kind": "box", "length_m": 2.0, "width_m": 1.0, "depth_m": 0.4}
ARC = [[6 + 5 * math.cos(math.radians(a)), 6 + 5 * math.sin(math.radians(a))] for a in range(0, 121, 3)]
ARC_M = sum(math.dist(one, two) for one, two in itertools.pairwise(ARC))


def pit_and_bed(**changes: Any) -> tuple[BedFigures, BedFigures]:
    """A pit of wood and a bed of soil over it, as changed."""
    pit = zoo.bed(key="pit", name="Pit", shape=TRENCH, headspace_m=None, layers=WOOD)
    bed = zoo.bed(key="bed", name="Bed", shape=BOX, layers=SOIL, over="pit") | changes
    below, over = figures_of(zoo.plan(pit, bed)).beds
    return below, over


def codes(figures: BedFigures) -> list[str]:
    """Codes of a bed's findings."""
    return [each.code for each in figures.findings]


def vessel_of(shape: dict[str, Any], **words: Any) -> Vessel:
    """The vessel of a bed's words."""
    bed = Bed.model_validate({"key": "a", "shape": shape, "layers": [], **words})
    return build_bed(bed, standard_shelf()).holding().vessel


def volume_of(vessel: Vessel) -> float:
    """All that a vessel holds [m3]."""
    return vessel.hollow.volume_between(0.0, vessel.hollow.rim_m)


def wrong_in(*beds: dict[str, Any]) -> list[str]:
    """Paths of what is wrong in a plan of beds."""
    return [each.path for each in build_plan(Plan.model_validate(zoo.plan(*beds))).problems]


def test_one_profile_feeds_sinks_and_roots_as_the_same_stack_in_one_bed() -> None:
    one = zoo.bed(key="one", shape=BOX | {"depth_m": 0.7}, layers=WOOD + SOIL)
    whole = figures_of(zoo.plan(one)).beds[0]
    pit, bed = pit_and_bed()
    for key in ("nitrogen_short_kg", "nitrogen_bind_kg", "nitrogen_supply_kg", "nitrogen_gap_kg", "root_zone_c_to_n",
                "void_drop_m", "vanishing_m3", "plants_need_kg"):  # fmt: skip
        assert getattr(bed, key) == pytest.approx(getattr(whole, key), rel=1e-9), key
    assert [each + 0.3 for each in bed.surface_m] == pytest.approx(whole.surface_m, abs=1e-9)
    assert [each.years for each in bed.ready.sowings] == [each.years for each in whole.ready.sowings]
    of_both = {"voids_open", "nitrogen_short", "sinks_much", "bare_surface", "soil_thin_over_wood"}
    told = {each.code: each.message for each in whole.findings if each.code in of_both}
    assert told == {
        each.code: each.message.removesuffix(" It lies in Pit.") for each in bed.findings if each.code in of_both
    }
    assert len(told) >= 3
    # the pit is judged with the bed over it, and gives its own spoil
    assert not of_both & set(codes(pit))
    assert pit.plants_need_kg == 0
    assert pit.spoil_m3 == pytest.approx(2.0 * 1.0 * 0.3 * 1.25)
    assert bed.spoil_m3 == 0


def test_each_buys_its_own_and_a_mend_stays_in_the_bed_it_is_told_of() -> None:
    pit, bed = pit_and_bed()
    plan = zoo.plan(
        zoo.bed(key="pit", shape=TRENCH, headspace_m=None, layers=WOOD),
        zoo.bed(key="bed", shape=BOX, layers=SOIL, over="pit"),
    )
    needs = {need.material: need.placed_m3 for need in figures_of(plan).needs}
    assert needs["broadleaf_logs"] == pytest.approx(2.0 * 0.25)
    assert needs["topsoil"] == pytest.approx(2.0 * (0.4 - 0.1))
    assert len(bed.layers) == len(SOIL)
    assert len(pit.layers) == len(WOOD)
    for found in bed.findings:
        assert found.layer is None or found.layer < len(SOIL)
        assert found.code != "voids_open" or found.mend is None


def test_a_mound_over_a_trench_sinks_with_it() -> None:
    mound = {"kind": "hipped_mound", "length_m": 3.0, "width_m": 1.6, "height_m": 0.6, "slope_deg": 45.0}
    packed = [WOOD[0] | {"infill": {"material": "topsoil"}}, WOOD[1]]
    below = zoo.bed(key="pit", shape=TRENCH, headspace_m=None, layers=packed)
    over_it = zoo.bed(key="bed", shape=mound, headspace_m=None, layers=SOIL, over="pit")
    pit, over = figures_of(zoo.plan(below, over_it)).beds
    by_itself = figures_of(zoo.plan(zoo.bed(key="bed", shape=mound, headspace_m=None, layers=SOIL))).beds[0]
    lost_m = by_itself.surface_m[60] - over.surface_m[60]
    assert over.surface_m[0] == pytest.approx(0.6)
    assert lost_m == pytest.approx(pit.surface_m[0] - pit.surface_m[60], abs=1e-6)
    assert lost_m > 0.02


def test_an_empty_pit_lets_the_bed_down() -> None:
    pit = zoo.bed(key="pit", shape=TRENCH, headspace_m=None, layers=[WOOD[0] | {"thickness_m": 0.2}])
    bed = zoo.bed(key="bed", shape=BOX, layers=SOIL, over="pit")
    over = figures_of(zoo.plan(pit, bed)).beds[1]
    assert over.surface_m[0] == pytest.approx(0.4 - 0.1)
    assert "pit_not_full" in codes(over)
    assert "pit_not_full" not in codes(pit_and_bed()[1])


@pytest.mark.parametrize(
    ("pit", "bed", "path"),
    [
        ({}, {"over": "nothing"}, "beds[1].over"),
        ({}, {"over": "bed"}, "beds[1].over"),
        ({"shape": {"kind": "round_mound", "length_m": 3.0, "width_m": 1.4, "height_m": 0.5}}, {}, "beds[1].over"),
        ({"count": 2}, {}, "beds[1].over"),
        ({"stand": {"on": "paving"}}, {}, "beds[1].over"),
    ],
)
def test_what_no_bed_can_lie_over_is_refused(pit: dict[str, Any], bed: dict[str, Any], path: str) -> None:
    below = zoo.bed(key="pit", shape=TRENCH, headspace_m=None, layers=WOOD) | pit
    assert path in wrong_in(below, zoo.bed(key="bed", shape=BOX, layers=SOIL, over="pit") | bed)


def test_two_over_one_pit_are_refused() -> None:
    pit = zoo.bed(key="pit", shape=TRENCH, headspace_m=None, layers=WOOD)
    two = [zoo.bed(key=key, shape=BOX, layers=SOIL, over="pit") for key in ("one", "two")]
    assert wrong_in(pit, *two) == ["beds[2].over"]


def by_cuts(line: list[list[float]], area_of: Any, steps: int = 4000) -> float:
    """Volume of a cut carried along a line, added up in thin slices, each a hair narrower outside than in. [m3]"""
    lengths = [math.dist(one, two) for one, two in itertools.pairwise(line)]
    whole = sum(lengths)
    return sum(area_of(min(s, whole - s)) * whole / steps for s in ((i + 0.5) * whole / steps for i in range(steps)))


def test_a_mound_along_a_line_holds_its_cut_times_its_middle_line() -> None:
    height, width, slope = 0.6, 1.6, math.radians(50)
    run = height / math.tan(slope)

    def cut(from_end_m: float) -> float:
        """The cut near an end is lower: its own end slopes up to it. [m2]"""
        high = min(height, from_end_m * math.tan(slope))
        return high * (width - high / math.tan(slope))

    shape = {"kind": "hipped_mound", "length_m": 4.0, "width_m": width, "height_m": height, "slope_deg": 50.0}
    mound = vessel_of(shape, along_m=ARC)
    assert volume_of(mound) == pytest.approx(by_cuts(ARC, cut), rel=1e-3)
    assert mound.outside.area_m2 == pytest.approx(ARC_M * width)
    assert run < width / 2


def test_a_trench_along_a_line_by_its_corners_in_space() -> None:
    shape = TRENCH | {"bottom_width_m": 0.5, "bottom_length_m": 1.8, "depth_m": 0.5}
    trench = vessel_of(shape, along_m=ARC)

    def area_at(height_m: float) -> float:
        share = height_m / 0.5
        return (ARC_M - 0.2 + 0.2 * share) * (0.5 + 0.5 * share)

    heights = np.linspace(0, 0.5, 2001)
    assert volume_of(trench) == pytest.approx(float(np.trapezoid([area_at(z) for z in heights], heights)), rel=1e-6)


def test_a_rounded_mound_along_a_line_by_its_parabola() -> None:
    shape = {"kind": "round_mound", "length_m": 4.0, "width_m": 1.6, "height_m": 0.8}
    mound = vessel_of(shape, along_m=ARC)
    assert volume_of(mound) == pytest.approx(2 / 3 * 1.6 * 0.8 * (ARC_M - 1.6) + math.pi * 1.6**2 * 0.8 / 8)
    assert mound.outside.area_m2 == pytest.approx((ARC_M - 1.6) * 1.6 + math.pi * 0.8**2)


@given(
    st.lists(st.floats(-25, 25), min_size=2, max_size=8),
    st.floats(0.3, 0.8),
    st.floats(1.0, 2.0),
)
def test_a_bands_area_is_its_middle_line_times_its_width(turns: list[float], width_m: float, step_m: float) -> None:
    line, heading = [(0.0, 0.0)], 0.0
    for turn in turns:
        heading += math.radians(turn)
        line.append((line[-1][0] + step_m * math.cos(heading), line[-1][1] + step_m * math.sin(heading)))
    band = ribbon(line, width_m)
    assert band.polygon.area == pytest.approx(band.length_m * width_m, rel=1e-6)
    assert band.polygon.length == pytest.approx(band.perimeter_m, rel=1e-6)
    wider = band.moved(0.1)
    assert wider.length_m == pytest.approx(band.length_m + 0.2)
    assert wider.polygon.area == pytest.approx((band.length_m + 0.2) * (width_m + 0.2), rel=2e-3)


def test_a_line_that_bends_too_tightly_or_stands_still_is_refused() -> None:
    with pytest.raises(ShapeProblem, match="bends too tightly"):
        ribbon([(0, 0), (1, 0), (1.0, 0.3), (0, 0.3)], 1.2)
    with pytest.raises(ShapeProblem, match="point 2 lies where point 1 is"):
        ribbon([(1, 1), (1, 1), (2, 1)], 0.5)
    assert wrong_in(zoo.bed(along_m=[[0.0, 0.0], [3.0, 0.0]])) == ["beds[0].along_m"]


def test_a_bed_along_a_line_lies_there_and_a_place_moves_it() -> None:
    shape = {"kind": "round_mound", "length_m": 4.0, "width_m": 1.2, "height_m": 0.5}
    words = {"key": "m", "shape": shape, "headspace_m": None, "layers": [], "along_m": [[2.0, 3.0], [6.0, 3.0]]}
    ground = {"name": "T", "plot": {"corners_m": [[0, 0], [10, 0], [10, 8], [0, 8]]}}

    def placed(**more: Any) -> tuple[float, float, float]:
        plot = figures_of(zoo.plan(zoo.bed(**(words | more)), garden=ground)).plot
        assert plot is not None
        return plot.placed[0].x_m, plot.placed[0].y_m, plot.beds_m2

    x, y, taken = placed()
    assert (x, y) == pytest.approx((4.0, 3.0))
    assert taken == pytest.approx((4.0 - 1.2) * 1.2 + math.pi * 0.6**2)
    assert placed(places=[{"x_m": 5.0, "y_m": 5.0}])[:2] == pytest.approx((5.0, 5.0))


def test_faced_sides_hold_their_angle_and_their_pockets_ask_for_soil() -> None:
    shape = {"kind": "hipped_mound", "length_m": 4.0, "width_m": 1.2, "height_m": 0.7, "slope_deg": 50.0}
    plain = zoo.bed(shape=shape, headspace_m=None, layers=[{"material": "topsoil", "fill": True}])
    faced = plain | {"faced": {"with": "stone", "slope_deg": 70.0, "pocket_m3": 0.003, "pockets": 12}}
    bare, held = figures_of(zoo.plan(plain)), figures_of(zoo.plan(faced))
    run = 0.7 / math.tan(math.radians(70))
    wanted_m3 = 0.7 * (4.0 * 1.2 - run * (4.0 + 1.2) + 4 / 3 * run**2)
    assert held.beds[0].inside_volume_m3 == pytest.approx(wanted_m3)
    assert held.beds[0].mound is not None
    assert held.beds[0].mound.pockets_m3 == pytest.approx(0.036)
    top_m2 = (4.0 - 2 * run) * (1.2 - 2 * run)
    assert held.beds[0].mound.face_m2 == pytest.approx((4.0 * 1.2 - top_m2) / math.cos(math.radians(70)))
    assert held.needs[0].placed_m3 == pytest.approx(wanted_m3 + 0.036)
    assert {"steep_slope", "foot_spreads"} <= set(codes(bare.beds[0]))
    assert not {"steep_slope", "foot_spreads"} & set(codes(held.beds[0]))
    assert wrong_in(zoo.bed(faced={"with": "boards"})) == ["beds[0].faced"]


def test_a_foot_creeps_out_until_the_slope_rests() -> None:
    # by hand: 0.7 m at 50 degrees runs in 0.587 m, at 38 degrees 0.896 m; the slope turns about its middle
    assert foot_spread_m(hipped_mound(4.0, 1.8, 0.7, 50.0), 38.0) == pytest.approx((0.8960 - 0.5874) / 2, abs=1e-3)
    assert foot_spread_m(hipped_mound(4.0, 2.4, 0.7, 35.0), 38.0) == 0


@pytest.mark.parametrize("kind", ["hipped_mound", "round_mound"])
def test_what_stands_in_a_mound_takes_its_room_from_the_fill(kind: str) -> None:
    shape = {"kind": kind, "length_m": 4.0, "width_m": 1.8, "height_m": 0.7}
    shape |= {"slope_deg": 45.0} if kind == "hipped_mound" else {}
    pot = {"kind": "pot", "diameter_m": 0.3, "height_m": 0.4, "bottom_m": 0.1, "count": 2}
    pipe = {"kind": "pipe", "diameter_m": 0.1, "length_m": 2.5}
    whole, less = volume_of(vessel_of(shape)), volume_of(vessel_of(shape, buried=[pot, pipe]))
    solids_m3 = 2 * math.pi * 0.15**2 * 0.4 + math.pi * 0.05**2 * 2.5
    assert whole - less == pytest.approx(solids_m3, rel=1e-9)
    sunk = vessel_of(shape, buried=[pot, pipe]).hollow
    level = sunk.height_for_volume(0.0, less / 2)
    assert sunk.volume_between(0.0, level) == pytest.approx(less / 2)


def soaking(**pipe: Any) -> Figures:
    """A trench of gravel with a soak pipe, and some ground."""
    gravel = [{"material": "gravel_20", "thickness_m": 0.3}]
    laid = {"kind": "pipe", "diameter_m": 0.1, "length_m": 1.8} | pipe
    ground = {"corners_m": [[0, 0], [9, 0], [9, 9], [0, 9]], "fixed": [
        {"kind": "house", "line_m": [[0.0, 0.5], [9.0, 0.5]], "across_m": 0.2}]}  # fmt: skip
    bed = zoo.bed(
        key="pit", shape=TRENCH, headspace_m=None, layers=gravel, buried=[laid], places=[{"x_m": 4.0, "y_m": 4.0}]
    )
    return figures_of(zoo.plan(bed, garden={"name": "T", "plot": ground}))


def test_rain_that_is_led_in_is_reckoned_bought_for_and_judged() -> None:
    figures = soaking(inlet_m=0.6, runoff_m2=30.0, runoff_from="drive")
    bed, runoff = figures.beds[0], figures.beds[0].runoff
    assert runoff is not None
    assert runoff.rain_l == pytest.approx(30.0 * 25 * 0.8)
    gaps_m3 = bed.layers[0].void_m3
    assert runoff.held_l == pytest.approx(gaps_m3 * 1000)
    assert {"oily_runoff", "runs_over", "soaks_near_house"} <= set(codes(bed))
    assert next(each.level for each in bed.findings if each.code == "oily_runoff") == "caution"
    needs = {need.material: need for need in figures.needs}
    assert needs["drain_pipe"].lengths[0].length_m == pytest.approx(1.8)
    assert needs["water_tube"].lengths[0].length_m == pytest.approx(0.6)
    clean = soaking(inlet_m=0.6, runoff_m2=3.0, runoff_from="roof")
    assert not {"oily_runoff", "runs_over"} & set(codes(clean.beds[0]))
    assert soaking().beds[0].runoff is None
    assert "drain_pipe" not in {need.material for need in soaking().needs}


def test_layers_are_drawn_where_they_lie_with_the_pit_below_sunk() -> None:
    pit = zoo.bed(key="pit", name="Pit", shape=TRENCH, headspace_m=None, layers=WOOD)
    mound = {"kind": "hipped_mound", "length_m": 3.0, "width_m": 1.6, "height_m": 0.6, "slope_deg": 45.0}
    for words in ({"shape": BOX}, {"shape": mound, "headspace_m": None}):
        bed = zoo.bed(key="bed", layers=SOIL, over="pit") | words
        plan = Plan.model_validate(zoo.plan(pit, bed))
        supplies = build_plan(plan).holding().supplies
        told = figure_sunken(plan, plan.beds[1], supplies, 60)
        assert len(told.layers) == len(SOIL)
        assert told.layers[0].bottom_m < -0.02
        assert told.layers[-1].top_m == pytest.approx(told.surface_m, abs=0.02)


def test_a_pit_that_lies_elsewhere_or_stands_in_a_frame_is_told() -> None:
    plot = {"corners_m": [[0, 0], [20, 0], [20, 12], [0, 12]]}

    def over(pit_at: tuple[float, float], **pit_words: Any) -> list[str]:
        pit = zoo.bed(key="pit", name="Pit", shape=TRENCH, headspace_m=None, layers=WOOD,
                      places=[{"x_m": pit_at[0], "y_m": pit_at[1]}]) | pit_words  # fmt: skip
        bed = zoo.bed(key="bed", name="Bed", shape=BOX, layers=SOIL, over="pit", places=[{"x_m": 4.0, "y_m": 4.0}])
        figures = figures_of(zoo.plan(pit, bed, garden={"name": "Test ground", "units": "ft_in", "plot": plot}))
        return [each.message for each in figures.beds[1].findings if each.code == "pit_apart"]

    assert over((4.0, 4.0)) == []
    # 2 m boxes whose middles are 6.572 m apart leave 15 ft between them
    assert over((4.0 + 2.0 + 4.572, 4.0)) == ["Pit below it is 15' away on the plot."]
    boards = {"kind": "boards", "thickness_m": 0.038, "width_m": 0.14}
    framed = {"shape": BOX, "headspace_m": 0.025, "frame": boards}
    assert over((4.0, 4.0), **framed) == ["The pit, Pit, has a frame."]


@pytest.mark.parametrize("month", [12, 60, 120])
def test_a_mound_over_a_trench_sinks_without_spikes(month: int) -> None:
    """Its surface falls from one crest to either foot, or from two low shoulders no steeper than soil comes to rest."""
    pit = zoo.bed(key="pit", name="Pit", shape=TRENCH, headspace_m=None, layers=WOOD)
    mound = {"kind": "hipped_mound", "length_m": 4.0, "width_m": 1.8, "height_m": 0.7, "slope_deg": 40.0}
    bed = zoo.bed(key="bed", name="Bed", shape=mound, headspace_m=None, layers=SOIL, over="pit")
    plan, supplies = planned(zoo.plan(pit, bed))
    figures = figure_sunken(plan, plan.beds[1], supplies, month)
    top = [point for layer in figures.layers for ring in layer.outlines for point in ring if abs(point[0]) < 0.85]
    line = {}
    for x, y in top:
        line[round(x, 3)] = max(line.get(round(x, 3), -1.0), y)
    heights = [line[x] for x in sorted(line)]
    steps = [(two - one) / (b - a) for (a, one), (b, two) in itertools.pairwise(sorted(line.items()))]
    assert len(heights) > 20
    # a spike of one step between two places 3 cm apart would be a slope of many times that of soil at rest
    assert max(abs(each) for each in steps) < 1.6 * math.tan(math.radians(40))
