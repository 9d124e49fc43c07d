"""Ways over the plot, paths through patches, shade, the lowest spot, barrow and mower."""

from __future__ import annotations

import math
from typing import Any

import pytest

from nolbet_core.built.plan import build_plan
from nolbet_core.figure.plot_figures import PlotFigures
from nolbet_core.figure.walk import figure_ways
from nolbet_core.figure.ways import Ways
from nolbet_core.plan.garden import Plan
from tests.core import zoo
from tests.core.ask import figures_of

GROUND = {"corners_m": [[0.0, 0.0], [10.0, 0.0], [10.0, 8.0], [0.0, 8.0]]}
GATE = {"kind": "gate", "name": "Gate", "line_m": [[0.0, 3.5], [0.0, 4.5]]}


def ways_of(*beds: dict[str, Any], **plot: Any) -> Ways:
    """Ways over a plot."""
    garden = {"name": "T", "plot": GROUND | {"fixed": [GATE]} | plot, "drop": [9.0, 1.0]}
    return figure_ways(build_plan(Plan.model_validate(zoo.plan(*beds, garden=garden))).holding())


def plot_of(*beds: dict[str, Any], garden: dict[str, Any] | None = None, **plot: Any) -> PlotFigures:
    """A plot in figures."""
    head = {"name": "T", "plot": GROUND | plot} | (garden or {})
    told = figures_of(zoo.plan(*beds, garden=head)).plot
    assert told is not None
    return told


def box(key: str, x: float, y: float, turn_deg: float = 0.0) -> dict[str, Any]:
    """A bed of 2 x 1 m at a place."""
    shape = {"kind": "box", "length_m": 2.0, "width_m": 1.0, "depth_m": 0.3}
    return zoo.bed(key=key, name=key, shape=shape, places=[{"x_m": x, "y_m": y, "turn_deg": turn_deg}])


def length(told: Ways, start: str, key: str) -> float | None:
    """How far it is to a bed."""
    return next(each.length_m for each in told.ways if each.start == start and each.key == key)


def test_a_way_leads_straight_where_nothing_stands() -> None:
    told = ways_of(box("far", 7.0, 4.0))
    # 6 m to its near side, less half the barrow's width and a hand's breadth
    assert length(told, "Gate", "far") == pytest.approx(6.0 - 0.3 - 0.15, abs=0.12)
    assert told.width_m == pytest.approx(0.6)
    assert told.starts == ["Gate", "where loads are dropped"]


def test_a_way_leads_round_a_wall_and_not_through_what_is_too_narrow() -> None:
    wall = {"kind": "wall", "name": "Wall", "line_m": [[4.0, 0.0], [4.0, 6.5]], "across_m": 0.2}
    told = ways_of(box("far", 7.0, 4.0), fixed=[GATE, wall])
    round_it = length(told, "Gate", "far")
    corner = 4.0, 6.5 + 0.3
    by_hand = math.dist((0.0, 4.0), corner) + math.dist(corner, (6.0 - 0.45, 4.5 + 0.0))
    assert round_it == pytest.approx(by_hand, abs=0.4)
    shut = wall | {"line_m": [[4.0, 0.0], [4.0, 7.6]]}
    assert length(ways_of(box("far", 7.0, 4.0), fixed=[GATE, shut]), "Gate", "far") is None
    slim = ways_of(box("far", 7.0, 4.0), fixed=[GATE, shut], barrow_m=0.35)
    assert length(slim, "Gate", "far") is not None


def test_a_patch_is_gone_round_but_on_a_path() -> None:
    patch = zoo.bed(key="patch", shape={"kind": "flat_area", "length_m": 2.0, "width_m": 7.9}, headspace_m=None,
                    layers=[], places=[{"x_m": 4.0, "y_m": 4.0}])  # fmt: skip
    assert length(ways_of(box("far", 7.0, 4.0), patch), "Gate", "far") is None
    through = {"line_m": [[0.0, 4.0], [6.5, 4.0]], "width_m": 0.8}
    assert length(ways_of(box("far", 7.0, 4.0), patch, paths=[through]), "Gate", "far") is not None


def test_a_path_within_a_patch_gets_no_compost() -> None:
    patch = zoo.bed(key="patch", shape={"kind": "flat_area", "length_m": 4.0, "width_m": 3.0}, headspace_m=None,
                    layers=[{"material": "cardboard"}, {"material": "compost", "thickness_m": 0.1}],
                    places=[{"x_m": 5.0, "y_m": 4.0}])  # fmt: skip
    chips = {"line_m": [[5.0, 1.0], [5.0, 7.0]], "width_m": 0.5, "courses": [
        {"material": "wood_chips", "thickness_m": 0.08}]}  # fmt: skip
    garden = {"name": "T", "plot": GROUND | {"paths": [chips]}}
    figures = figures_of(zoo.plan(patch, garden=garden))
    bed, plot = figures.beds[0], figures.plot
    assert plot is not None
    assert bed.placed_m3 == pytest.approx((12.0 - 3.0 * 0.5) * 0.1)
    assert bed.path_saves_m3 == pytest.approx(3.0 * 0.5 * 0.1)
    assert bed.top_area_m2 == pytest.approx(12.0 - 1.5)
    assert plot.path_m2 == pytest.approx(6.0 * 0.5)
    assert plot.paths[0].courses[0].placed_m3 == pytest.approx(6.0 * 0.5 * 0.08)
    assert plot.beds_m2 == pytest.approx(10.5)
    assert plot.ground_m2 == pytest.approx(plot.beds_m2 + plot.path_m2 + plot.rest_m2)


def test_shade_at_noon_falls_away_from_the_sun() -> None:
    shed = {"kind": "wall", "name": "Shed", "line_m": [[4.0, 4.0], [6.0, 4.0]], "across_m": 0.2, "height_m": 2.0}
    north = plot_of(fixed=[shed], garden={"latitude_deg": 45.0})
    ys = [y for ring in north.shades[0].outlines for _, y in ring]
    # at 45 degrees north the sun stands 45 degrees high at noon of an equinox: as far as it is high
    assert north.shades[0].length_m == pytest.approx(2.0)
    assert (min(ys), max(ys)) == pytest.approx((3.9, 6.1))
    south = plot_of(fixed=[shed], garden={"latitude_deg": -45.0})
    assert min(y for ring in south.shades[0].outlines for _, y in ring) == pytest.approx(1.9)
    assert plot_of(fixed=[shed]).shades == []


def test_the_lowest_spot_on_the_plot_is_shown() -> None:
    spots = [{"at_m": [x, y], "height_m": round(0.1 * x - 0.05 * y, 2)} for x in (0.0, 5.0, 10.0) for y in (0.0, 8.0)]
    levels = plot_of(spots=spots).levels
    assert levels is not None
    assert levels.lowest == pytest.approx((0.0, 8.0))
    assert levels.lowest_m == pytest.approx(-0.4)


def test_aisles_are_judged_by_the_gardeners_own_barrow_and_mower() -> None:
    beds = box("one", 3.0, 4.0), box("two", 5.8, 4.0)
    usual, own = plot_of(*beds), plot_of(*beds, barrow_m=0.45, mower_m=0.95, paths=[])

    def told(plot: PlotFigures) -> set[str]:
        return {each.finding.code for each in plot.findings}

    assert usual.aisles[0].width_m == pytest.approx(0.8)
    assert "aisle_narrow" in told(usual)
    assert "mower_stuck" not in told(usual)
    assert "aisle_narrow" not in told(own)
    assert "mower_stuck" in told(own)
    assert "mower_stuck" not in told(plot_of(*beds, mower_m=0.95, paths=[], rest="gravel"))


@pytest.mark.parametrize(("below", "said"), [([], "without fabric"), ([{"material": "geotextile"}], "over fabric")])
def test_both_sides_are_heard_on_fabric_under_gravel(below: list[dict[str, Any]], said: str) -> None:
    courses = [*below, {"material": "path_base", "thickness_m": 0.1}, {"material": "pea_gravel", "thickness_m": 0.04}]
    found = [each.finding for each in plot_of(courses=courses).findings if each.finding.code == "fabric_under_gravel"]
    assert len(found) == 1
    assert said in found[0].message
    assert len(found[0].sides) == 2
