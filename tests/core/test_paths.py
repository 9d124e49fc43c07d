"""Paths of their own: their ground, courses, digging, and what is left; fill for levelling; things on the plot."""

from __future__ import annotations

from typing import Any

import pytest

from nolbet_core.plan.problems import PlanProblem
from tests.core import zoo
from tests.core.ask import figures_of

GRAVEL = [{"material": "path_base", "thickness_m": 0.06}, {"material": "pea_gravel", "thickness_m": 0.04}]
CORNERS = [[0, 0], [10, 0], [10, 8], [0, 8]]


def plotted(places: list[dict[str, float]] | None = None, **plot: Any) -> Any:
    bed = zoo.bed(key="bed", count=len(places or [1]), places=places or [])
    garden = {"name": "Test ground", "plot": {"corners_m": CORNERS, "aisle_m": 0.6, **plot}}
    return figures_of(zoo.plan(bed, garden=garden))


def loose(figures: Any) -> dict[str, float]:
    return {need.material: need.loose_m3 for need in figures.needs}


def test_a_path_along_a_line_covers_its_width_less_the_beds() -> None:
    line = {"line_m": [[0, 4], [10, 4]], "width_m": 1.2, "courses": GRAVEL, "dug_m": 0.07}
    figures = plotted([{"x_m": 5.0, "y_m": 4.0}], paths=[line])
    (path,) = figures.plot.paths
    # the bed of 2 x 1 m lies across it with all its width
    assert path.area_m2 == pytest.approx(10 * 1.2 - 2 * 1.0)
    assert (figures.plot.path_m2, figures.plot.rest_m2) == (pytest.approx(10.0), pytest.approx(80 - 2 - 10))
    assert path.spoil_m3 == pytest.approx(10 * 0.07 * 1.25)
    assert path.raised_m == pytest.approx(0.03)
    assert loose(figures)["pea_gravel"] == pytest.approx(10 * 0.04 * 1.05, rel=0.02)
    assert figures.plot.courses == []


def test_ground_where_paths_cross_counts_once() -> None:
    along = {"line_m": [[0, 4], [10, 4]], "width_m": 1.0}
    up = {"line_m": [[5, 0], [5, 8]], "width_m": 2.0, "courses": [{"material": "wood_chips", "thickness_m": 0.05}]}
    figures = plotted(paths=[along, up], courses=GRAVEL)
    first, second = figures.plot.paths
    assert (first.area_m2, second.area_m2) == (pytest.approx(10.0), pytest.approx(2.0 * 7.0))
    # the first says no courses of its own and takes the plot's
    assert [course.material for course in first.courses] == ["path_base", "pea_gravel"]
    assert [course.material for course in second.courses] == ["wood_chips"]


def test_without_paths_all_that_is_no_bed_is_path_as_before() -> None:
    before, none = plotted(courses=GRAVEL), plotted(courses=GRAVEL, paths=[])
    assert before.plot.path_m2 == pytest.approx(80)
    assert (none.plot.path_m2, none.plot.rest_m2) == (0, pytest.approx(80))
    assert "pea_gravel" in loose(before) and "pea_gravel" not in loose(none)


def test_an_outline_round_a_bed_has_a_hole_where_the_bed_lies() -> None:
    patio = {"outline_m": [[2, 2], [8, 2], [8, 6], [2, 6]]}
    (path,) = plotted([{"x_m": 5.0, "y_m": 4.0}], paths=[patio]).plot.paths
    assert path.area_m2 == pytest.approx(24 - 2)
    assert len(path.outlines) == 2


def test_fill_for_levelling_is_bought_where_the_ground_gives_too_little() -> None:
    spots = [{"at_m": at, "height_m": 0.0} for at in ([0, 0], [10, 0], [10, 8], [0, 8])]
    figures = plotted(spots=spots, level_m=0.1, fill_with="topsoil")
    (fill,) = figures.plot.brought_in
    assert fill.placed_m3 == pytest.approx(8.0)
    bare = plotted(spots=spots, level_m=0.1)
    assert loose(figures)["topsoil"] - loose(bare)["topsoil"] == pytest.approx(8.0 * 1.15)
    assert plotted(spots=spots, level_m=-0.1, fill_with="topsoil").plot.brought_in[0].placed_m3 == 0


@pytest.mark.parametrize(
    ("path", "where"),
    [
        ({"line_m": [[0, 0], [4, 0]]}, "paths[0].width_m"),
        ({}, "paths[0]"),
        ({"outline_m": [[0, 0], [4, 0], [4, 3]], "width_m": 1.0}, "paths[0].width_m"),
        ({"outline_m": [[0, 0], [4, 3], [4, 0], [0, 3]]}, "paths[0].outline_m"),
        (
            {"line_m": [[0, 0], [4, 0]], "width_m": 1, "courses": [{"material": "grit"}]},
            "paths[0].courses[0].thickness_m",
        ),
        ({"line_m": [[0, 0], [4, 0]], "width_m": 1, "courses": [{"material": "moss"}]}, "paths[0].courses[0].material"),
    ],
)
def test_paths_that_make_no_sense_are_refused(path: dict[str, Any], where: str) -> None:
    with pytest.raises(PlanProblem) as problem:
        plotted(paths=[path])
    assert problem.value.path == f"garden.plot.{where}"


def test_new_things_stand_on_the_plot() -> None:
    things = [
        {"kind": "shed", "at_m": [5, 4], "across_m": 1.5, "height_m": 2.2},
        {"kind": "gate", "at_m": [0, 4]},
        {"kind": "patio", "line_m": [[1, 7], [4, 7]]},
    ]
    figures = plotted([{"x_m": 5.0, "y_m": 4.0}], fixed=things)
    assert [clash.other for clash in figures.plot.clashes] == ["Shed"]
