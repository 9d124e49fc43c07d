"""Every school starts every shape it suits with a stack that fits; ways of filling stand side by side."""

from __future__ import annotations

import re
from datetime import date
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.built.plan_file import read_plan
from nolbet_core.figure.compare import figure_compared, figure_school, figure_schools
from nolbet_core.figure.figures import BedFigures
from nolbet_core.figure.forecast import figure_forecast, figure_sunken
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.quantities.units import System
from nolbet_core.schools.school import all_schools, starting_layers, starting_reservoir, unsuited
from nolbet_core.shelf.library import standard_shelf
from tests.core import zoo
from tests.core.ask import bed_of, planned
from tests.core.shapes import EVERY_SHAPE, layers, shape

SCHOOLS = all_schools()
PAIRS = [(key, kind) for key, school in SCHOOLS.items() for kind in EVERY_SHAPE if kind in school.shapes]


def deep(kind: str, school_key: str) -> dict[str, Any]:
    """A shape of a kind, as deep as a school wants it."""
    middle_m = max(SCHOOLS[school_key].least_m * 1.15, min(SCHOOLS[school_key].most_m, 0.6))
    return shape(kind, **({"depth_m": middle_m} if "depth_m" in EVERY_SHAPE[kind] else {}))


@pytest.mark.parametrize(("school_key", "kind"), PAIRS)
def test_every_school_builds_a_stack_that_fits(school_key: str, kind: str) -> None:
    bed = zoo.bed(shape=deep(kind, school_key), layers=[])
    bed.pop("headspace_m")
    plan, supplies = planned(zoo.plan(bed))
    offered = figure_school(SCHOOLS[school_key], plan, plan.beds[0], supplies)
    assert offered.unsuited is None
    figures = bed_of(bed | {"school": school_key, "layers": offered.layers, "reservoir": offered.reservoir})
    assert (figures.reservoir is not None) == (school_key == "wicking")
    assert figures.over_m == 0
    assert figures.to_fill_m <= 0.1 * max(figures.line_m, 0.1)
    assert all(layer.sheet or layer.thickness_m > 0.005 for layer in figures.layers)
    assert any(layer.material in standard_shelf() for layer in figures.layers)
    assert [each.code for each in figures.findings if each.level == "stop"] == []
    assert "soil_deep_over_water" not in [each.code for each in figures.findings]


def started(school_key: str) -> BedFigures:
    """A school's own stack in a bed as deep as it wants."""
    school = SCHOOLS[school_key]
    kind = "box" if "box" in school.shapes else min(school.shapes)
    bed = zoo.bed(shape=deep(kind, school_key), layers=[])
    bed.pop("headspace_m")
    plan, supplies = planned(zoo.plan(bed))
    figures = figure_school(school, plan, plan.beds[0], supplies).figures
    assert figures is not None
    return figures


@pytest.mark.parametrize("school_key", list(SCHOOLS))
def test_a_schools_stack_starts_packed_or_says_why_not(school_key: str) -> None:
    figures = started(school_key)
    assert (figures.vanishing_m3 > 0) == ("gaps stay open" in SCHOOLS[school_key].settling)


@pytest.mark.parametrize("school_key", list(SCHOOLS))
def test_a_school_says_how_far_its_own_stack_sinks(school_key: str) -> None:
    surface = started(school_key).surface_m
    said = re.search(
        r"about (\d+) % of its (?:depth|height) in the first year and (\d+) %", SCHOOLS[school_key].settling
    )
    assert said is not None
    for share, month in zip(said.groups(), (12, 120), strict=True):
        assert 100 * (surface[0] - surface[month]) / surface[0] == pytest.approx(int(share), abs=4)


@pytest.mark.parametrize("school_key", list(SCHOOLS))
def test_a_school_says_when_its_own_stack_can_be_sown(school_key: str) -> None:
    ready, said = started(school_key).ready, SCHOOLS[school_key].planting
    shallow = next(each for each in ready.sowings if each.roots == "shallow")
    months = re.match(r"After about (\d+) months", said)
    if said.startswith("At once"):
        assert (ready.waits, shallow.years) == ([], 0)
    elif months:
        assert shallow.years is not None
        assert shallow.years * 12 == pytest.approx(int(months[1]), abs=0.7)
    else:
        assert said.startswith(("After one winter", "In spring"))
        assert any("winter" in wait or "spring" in wait for wait in ready.waits)


@pytest.mark.parametrize("school_key", list(SCHOOLS))
def test_a_school_says_whether_its_own_stack_feeds_the_first_season(school_key: str) -> None:
    figures, said = started(school_key), SCHOOLS[school_key].feeds
    short_kg_m2 = figures.nitrogen_short_kg / figures.top_area_m2
    assert said.startswith(("Enough", "Short", "May be short"))
    if not said.startswith("May"):
        assert (short_kg_m2 > 0.005) == said.startswith("Short")


def test_the_samples_leave_no_school_out() -> None:
    plan, supplies = planned(
        zoo.plan(*(zoo.bed(key=kind, shape=shape(kind), layers=[], headspace_m=None) for kind in EVERY_SHAPE))
    )
    suited = {
        each.key for bed in plan.beds for each in figure_schools(plan, bed, supplies).schools if not each.unsuited
    }
    assert suited == set(SCHOOLS)


@given(st.sampled_from(sorted(SCHOOLS)), st.floats(0.05, 3.0))
def test_depths_scale_and_never_pass_the_bed(key: str, depth_m: float) -> None:
    school = SCHOOLS[key]
    kind = sorted(school.shapes - {"flat_area"})[0]
    if unsuited(school, kind, depth_m, System.METRIC) is not None:
        return
    stack = starting_layers(school, kind, depth_m, 2.0)
    laid_m = sum(layer.get("thickness_m", 0.0) for layer in stack)
    assert laid_m <= depth_m + 0.001 * len(stack)
    assert sum("fill" in layer for layer in stack) <= 1


@pytest.mark.parametrize(
    ("depth_m", "height_m", "under_m"),
    # the mulch takes 6 % of the depth between 20 and 40 mm, the soil 260 mm
    [(0.36, 0.08, None), (0.5, 0.21, None), (0.64, 0.342, None), (0.9, 0.25, 0.350)],
)
def test_a_wicking_bed_starts_on_a_reservoir(depth_m: float, height_m: float, under_m: float | None) -> None:
    words = starting_reservoir(SCHOOLS["wicking"], depth_m)
    assert words is not None
    assert words["height_m"] == words["overflow_m"] == pytest.approx(height_m, abs=0.0005)
    assert words.get("under", {}).get("height_m") == (None if under_m is None else pytest.approx(under_m, abs=0.0005))
    assert starting_reservoir(SCHOOLS["straight_fill"], depth_m) is None


def test_a_bed_keeps_the_reservoir_it_has_and_schools_fill_what_is_over_it() -> None:
    own = {"height_m": 0.2, "overflow_m": 0.15, "medium": "scoria"}
    plan, supplies = planned(zoo.plan(zoo.bed(layers=[], reservoir=own)))
    offered = {each.key: each for each in figure_schools(plan, plan.beds[0], supplies).schools if not each.unsuited}
    assert "wicking" in offered
    assert all(each.reservoir == own for each in offered.values())
    assert all(each.figures is not None and each.figures.over_m == 0 for each in offered.values())


def test_a_way_set_aside_has_a_reservoir_of_its_own() -> None:
    wet = {"name": "Wet", "reservoir": {"height_m": 0.2, "medium": "gravel_20"}, "layers": zoo.bed()["layers"]}
    dry, kept = compared(layers=zoo.bed()["layers"], set_aside=[wet])
    assert dry.figures.reservoir is None
    assert kept.figures.reservoir is not None
    assert kept.loose_m3 != dry.loose_m3
    with pytest.raises(PlanProblem, match=r"set_aside\[0\]\.reservoir\.medium"):
        read_plan(zoo.plan(zoo.bed(set_aside=[wet | {"reservoir": {"height_m": 0.2, "medium": "moss"}}])))


def test_each_says_its_trade_offs_and_who_argues_against_it() -> None:
    for school in SCHOOLS.values():
        for said in (school.cost, school.effort, school.settling, school.planting, school.feeds, school.against):
            assert said.endswith(".")


@pytest.mark.parametrize(("units", "said"), [("metric", "20 cm or more of soil"), ("ft_in", '8" or more of soil')])
def test_a_school_is_told_in_the_units_of_the_garden(units: str, said: str) -> None:
    plan, supplies = planned(zoo.plan(zoo.bed(), garden={"name": "Here", "units": units}))
    offered = {each.key: each for each in figure_schools(plan, plan.beds[0], supplies).schools}
    assert said in offered["wood_in_a_box"].summary
    assert not any("{" in value for each in offered.values() for value in (each.summary, each.planting, each.feeds))


@pytest.mark.parametrize(
    ("key", "kind", "depth_m", "said"),
    [
        ("wood_in_a_box", "box", 0.2, "36 cm or more"),
        ("no_dig_compost", "box", 0.6, "up to 32 cm"),
        ("wood_mound", "box", 0.6, "isn't laid in a box"),
    ],
)
def test_what_does_not_suit_says_why(key: str, kind: str, depth_m: float, said: str) -> None:
    why = unsuited(SCHOOLS[key], kind, depth_m, System.METRIC)
    assert why is not None
    assert said in why


def compared(**changes: Any) -> Any:
    """A bed beside two other ways of filling it."""
    aside = [
        {"name": "All soil", "school": "straight_fill", "layers": [{"material": "compost", "fill": True}]},
        {"name": "Chips", "layers": [{"material": "wood_chips", "thickness_m": 0.2}, *zoo.bed()["layers"]]},
    ]
    bed = zoo.bed(layers=[{"material": "leaves", "thickness_m": 0.3}, {"material": "compost", "fill": True}])
    plan, supplies = planned(zoo.plan(bed | {"set_aside": aside} | changes, suppliers=zoo.SUPPLIERS))
    return figure_compared(plan, plan.beds[0], supplies, date(2026, 10, 20)).versions


def test_ways_stand_side_by_side_with_the_best_marked() -> None:
    own, soil, chips = compared()
    assert [each.name for each in (own, soil, chips)] == ["As it is", "All soil", "Chips"]
    assert [each.index for each in (own, soil, chips)] == [None, 0, 1]
    assert own.unmet == ["Leaves"]
    assert soil.unmet == []
    assert "first_year_m" in soil.best
    assert all("cost" not in each.best for each in (own, soil, chips))
    # the soil over the chips runs down into their gaps, so that they sink more than soil alone
    assert own.first_year_m > chips.first_year_m > soil.first_year_m
    assert soil.cost_ten_years > soil.cost
    assert soil.hours == pytest.approx(soil.loose_m3)
    assert soil.first_sowing == date(2027, 2, 18)


def test_what_is_alike_is_nobodys_best() -> None:
    same = [{"name": "Twin", "layers": zoo.bed()["layers"]}]
    one, two = compared(layers=zoo.bed()["layers"], set_aside=same)
    assert one.best == two.best == []


def test_a_broken_way_set_aside_names_its_place() -> None:
    bad = [{"name": "Bad", "layers": [{"material": "moss", "fill": True}]}]
    with pytest.raises(PlanProblem, match=r"beds\[0\]\.set_aside\[0\]\.layers\[0\]\.material"):
        read_plan(zoo.plan(zoo.bed(set_aside=bad)))


def forecast(**changes: Any) -> Any:
    """A bed's coming years."""
    stack = [{"material": "leaves", "thickness_m": 0.2}, {"material": "compost", "fill": True}]
    plan, supplies = planned(zoo.plan(zoo.bed(layers=stack, **changes), suppliers=zoo.SUPPLIERS))
    return figure_forecast(plan, plan.beds[0], supplies, date(2026, 10, 20)), plan, supplies


def test_top_ups_fill_back_to_where_it_stood() -> None:
    coming, plan, _ = forecast(count=2)
    first = coming.springs[0]
    sunk_m = 0.5 - first.surface_m
    assert first.day == date(2027, 4, 21)
    assert first.top_up_m3 == pytest.approx(2.0 * sunk_m)
    assert first.loose_m3 == pytest.approx(2 * first.top_up_m3 * standard_shelf()["compost"].loose_factor)
    assert first.price is not None
    assert coming.top_up_total == sum(spring.price for spring in coming.springs)
    assert plan.beds[0].top_up == "compost"


def test_the_band_lies_round_the_surface_and_widens() -> None:
    coming, plan, supplies = forecast()
    surface = bed_of(plan.beds[0].model_dump(mode="json", exclude_none=True)).surface_m
    assert coming.draws >= 500
    wide = [high - low for low, high in zip(coming.low_m, coming.high_m, strict=True)]
    assert all(
        low - 0.02 <= level <= high + 0.02
        for low, level, high in zip(coming.low_m, surface, coming.high_m, strict=True)
    )
    assert wide[0] == pytest.approx(0, abs=1e-9) and wide[60] > 0.005
    del supplies


def near_middle(line: Any, kind: str) -> float:
    """The highest point of a line, over the middle of a mound, whose sides may sink less."""
    return float(max(y for x, y in line if not kind.endswith("mound") or abs(x) < 0.02))


@pytest.mark.parametrize("kind", EVERY_SHAPE)
def test_every_shape_is_drawn_as_it_sinks(kind: str) -> None:
    document = {"key": kind, "shape": shape(kind), "layers": layers(kind)}
    plan, supplies = planned(zoo.plan(document))
    now, later = (figure_sunken(plan, plan.beds[0], supplies, month) for month in (0, 36))
    figures = bed_of(document)
    for drawn, layer in zip(now.layers, figures.layers, strict=True):
        assert drawn.top_m == pytest.approx(layer.top_m, abs=0.02)
    assert later.surface_m == pytest.approx(max(layer.top_m for layer in later.layers), abs=0.01)
    top = max(later.layers, key=lambda layer: layer.top_m)
    assert near_middle(top.outlines[0], kind) == pytest.approx(later.surface_m, abs=0.01)
    ghosts = figure_forecast(plan, plan.beds[0], supplies).ghosts
    assert [ghost.month for ghost in ghosts] == [6, 30]
    assert near_middle(ghosts[0].lines[0], kind) == pytest.approx(ghosts[0].surface_m, abs=0.01)


def test_a_bed_without_layers_has_a_future_too() -> None:
    plan, supplies = planned(zoo.plan(zoo.EMPTY))
    coming = figure_forecast(plan, plan.beds[0], supplies)
    assert coming.low_m == [0.0] * 121
    assert coming.springs[0].price is None
    assert Bed.model_validate(zoo.EMPTY).set_aside == []


@pytest.mark.parametrize("thickness_m", [0.12, 0.127, 0.13, 0.131, 0.15])
def test_a_ghost_over_a_patch_runs_out_over_its_edges_as_the_patch_does(thickness_m: float) -> None:
    bed = {
        "key": "strip",
        "name": "Strip",
        "shape": {"kind": "flat_area", "length_m": 4.8, "width_m": 1.2, "feather_m": 0.15},
        "layers": [
            {"material": "compost", "thickness_m": thickness_m},
            {"material": "wood_chips", "thickness_m": 0.0254},
        ],
    }
    plan, supplies = planned(zoo.plan(bed))
    for ghost in figure_forecast(plan, plan.beds[0], supplies).ghosts:
        left, shoulder, other, right = ghost.lines[0]
        assert (left, right) == ((-0.6, 0.0), (0.6, 0.0))
        assert [shoulder[0], other[0]] == pytest.approx([-0.45, 0.45])
        assert shoulder[1] == other[1] == pytest.approx(ghost.surface_m, abs=1e-4)
