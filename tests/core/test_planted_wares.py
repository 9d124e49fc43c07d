"""What planting asks for: seed and plants, covers, drip lines, their calendar and their upkeep."""

from __future__ import annotations

import math
from datetime import date
from typing import Any

import pytest
import shapely

from nolbet_core.built.plan_file import read_plan
from nolbet_core.figure.walk import figure_sowing
from nolbet_core.lines.routes import shortest_runs
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.works.upkeep import upkeep_of
from tests.core import zoo
from tests.core.planting import GARDEN, PLOT, SOIL, TODAY, at_work, figured, planted, whole


def test_seed_and_plants_are_needed_until_their_day() -> None:
    crops = [
        {"crop": "lettuce", "count": 8, "from": "2026-04-20", "every_weeks": 3},
        {"crop": "tomato", "count": 3, "from": "2026-05-20", "support": "stakes"},
        {"crop": "mint", "count": 1, "sunk_pot": True},
    ]
    units = {each.material: each.units for each in whole(planted(crops)).needs if each.units}
    lettuce = figured(planted(crops)).planting[0]
    assert units["seed_lettuce"] == lettuce.seeds == round(8 * len(lettuce.sowings) / 0.8)
    assert (units["plants_tomato"], units["plant_stake"], units["sunk_pot"]) == (3, 3, 1)
    later = {each.material for each in whole(planted(crops), date(2026, 6, 1)).needs}
    assert "plants_tomato" not in later


def test_planting_holes_follow_what_is_planted() -> None:
    holes = {"material": "compost", "each_m3": 0.003}
    bed = figured(planted([{"crop": "tomato", "count": 4}, {"crop": "lettuce", "count": 9}], holes=holes))
    assert bed.holes is not None
    assert (bed.holes.count, bed.holes.loose_m3) == (4, pytest.approx(0.012))


@pytest.mark.parametrize(
    ("cover", "material", "size_m"),
    [
        # 1.2 m wide and 0.5 m high: half of Ramanujan's perimeter, 1.73 m, and 0.3 m at either side
        ({"kind": "fleece"}, "fleece", (4.6, 2.332)),
        ({"kind": "mesh_flat"}, "garden_net", (3.6, 1.8)),
        ({"kind": "mesh_standing", "against": "rabbits"}, "wire_mesh", (8.7, 1.2)),
        ({"kind": "net", "against": "insects"}, "insect_net", (4.6, 2.332)),
    ],
)
def test_covers_are_bought_as_sheets(cover: dict[str, Any], material: str, size_m: tuple[float, float]) -> None:
    document = planted([], cover=cover)
    bed = figured(document)
    assert bed.cover is not None
    assert bed.cover.material == material
    assert sorted(bed.cover.sheet_m, reverse=True) == pytest.approx(size_m, abs=2e-3)
    needs = {each.material: each for each in whole(document).needs}
    assert needs[material].area_m2 == pytest.approx(size_m[0] * size_m[1], rel=2e-3)
    had = {each.material for each in whole(planted([], cover=cover | {"there": True})).needs}
    assert material not in had


def test_two_layers_of_film_are_two_sheets_and_leaves_are_a_heap() -> None:
    two = whole(planted([], cover={"kind": "double_film"}))
    one = whole(planted([], cover={"kind": "film"}))
    area = {name: next(n.area_m2 for n in each.needs if n.material == "cover_film") for name, each in
            (("two", two), ("one", one))}  # fmt: skip
    assert area["two"] == pytest.approx(2 * area["one"])
    leaves = whole(planted([], cover={"kind": "leaves", "height_m": 0.2}))
    cover = leaves.beds[0].cover
    assert cover is not None
    assert cover.leaves_m3 == pytest.approx(3.6 * 0.2)
    assert cover.weeks_spring is None


def test_runs_join_all_beds_with_as_little_pipe_as_can_be() -> None:
    grounds = [shapely.Point(0, 0), shapely.box(2, 0, 3, 1), shapely.box(4, 0, 5, 1), shapely.box(0, 3, 1, 4)]
    runs = shortest_runs(grounds)
    assert {(each.start, each.end) for each in runs} == {(0, 1), (1, 2), (1, 3)}
    assert sum(each.length_m for each in runs) == pytest.approx(2 + 1 + math.sqrt(5))


def test_lines_bring_pipe_sleeves_and_fittings() -> None:
    plot = {
        **PLOT,
        "fixed": [{"kind": "tap", "at_m": [5.0, 1.0]}],
        "paths": [{"line_m": [[0.0, 2.5], [12.0, 2.5]], "width_m": 0.8}],
    }
    figures = whole(planted([], plot, lines={}))
    (zone,) = figures.zones
    (run,) = zone.runs
    # from the tap at 1.0 m to the bed's edge at 3.4 m, 0.8 m of it under the path
    assert (run.length_m, run.under_path_m) == (pytest.approx(2.4), pytest.approx(0.8))
    lengths = {each.material: each.lengths for each in figures.needs if each.lengths}
    assert [(each.length_m, each.count) for each in lengths["pipe_sleeve"]] == [(pytest.approx(1.4), 1)]
    assert [(each.length_m, each.count) for each in lengths["drip_line"]] == [(pytest.approx(3.0), 4)]
    # up to the rim and 10 cm on, and across; then the run from the tap
    assert sorted(each.length_m for each in lengths["supply_pipe"]) == pytest.approx([0.6 + 0.1 + 1.2, 2.4])
    units = {each.material: each.units for each in figures.needs if each.units}
    assert (units["line_shut_off"], units["line_end"], units["line_head"]) == (2, 4, 1)


def test_the_calendar_tells_every_day_of_every_bed() -> None:
    crops = [
        {"crop": "lettuce", "count": 8, "from": "2026-04-25", "every_weeks": 4},
        {"crop": "tomato", "count": 3, "from": "2026-05-20"},
    ]
    days = figure_sowing(read_plan(planted(crops, count=2)), TODAY)
    assert [each.on for each in days] == sorted(each.on for each in days)
    sown = [each for each in days if each.do == "sow"]
    assert [each.on for each in sown[:2]] == [date(2026, 4, 25), date(2026, 5, 23)]
    # eight in each of two beds, four in five come up
    assert {each.count for each in sown} == {20}
    (planted_out,) = [each for each in days if each.do == "plant"]
    assert (planted_out.count, planted_out.crop) == (6, "Tomato")
    assert {each.do for each in days} == {"sow", "plant", "clear"}


def test_an_arch_leads_over_the_path_to_another_bed() -> None:
    two = zoo.plan(
        zoo.bed(
            key="one", shape=zoo.shape(3.0, 1.2, 0.6), layers=SOIL, cover={"kind": "mesh_standing", "arch_to": "two"}
        ),
        zoo.bed(key="two", shape=zoo.shape(3.0, 1.2, 0.6), layers=SOIL),
        garden=GARDEN,
    )
    cover = whole(two).beds[0].cover
    assert cover is not None
    # a path of 0.6 m and 0.3 m into each bed, 2 m high: pi (7.8 - sqrt(3.8 x 6.6)) / 2 = 4.386, and both feet
    assert cover.sheet_m == (pytest.approx(4.386 + 0.6, abs=0.001), 3.0)
    two["beds"][0]["cover"]["arch_to"] = "three"
    with pytest.raises(PlanProblem, match="'three' is no bed"):
        read_plan(two)
    two["beds"][0]["cover"]["arch_to"] = "one"
    with pytest.raises(PlanProblem, match="is the bed itself"):
        read_plan(two)


def test_covers_and_lines_fall_due() -> None:
    document = planted([], cover={"kind": "fleece"}, lines={}, state="filled")
    worked = at_work(document)
    due = {each.key: each for each in upkeep_of(worked, date(2026, 3, 1), TODAY, years=3)}
    assert due["plain.cover.2029"].on == date(2029, 3, 1)
    assert [due[f"plain.lines.{year}"].on for year in (2026, 2027)] == [date(2026, 9, 28), date(2027, 9, 28)]
