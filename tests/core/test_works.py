"""Works: the steps that follow from beds, their hours by hand, what waits for what, and what a tick changes."""

from __future__ import annotations

import itertools
from datetime import date, timedelta
from typing import Any

import pytest

from nolbet_core.built.plan_file import read_plan
from nolbet_core.figure.walk import figure_works
from nolbet_core.figure.works_figures import WorksFigures, WorkStep
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.schools.school import all_schools
from tests.core import zoo

TODAY = date(2026, 10, 20)
GARDEN = {"name": "Test ground", "units": "metric", "last_frost": "05-12", "first_frost": "10-03"}
BOARDS = {"kind": "boards", "thickness_m": 0.038, "width_m": 0.2, "corner": "butt"}
CARD = {"material": "cardboard", "plies": 2}
FILL = [CARD, {"material": "compost", "thickness_m": 0.1}, {"material": "topsoil", "fill": True}]
MULCHED = [*FILL[:2], {"material": "topsoil", "thickness_m": 0.35}, {"material": "straw", "thickness_m": 0.03}]
WICKING = {
    "height_m": 0.2,
    "overflow_m": 0.2,
    "medium": "gravel_20",
    "liner_lap_m": 0.15,
    "wicks": [{"kind": "fabric", "dips": True}],
}


def works_of(*beds: dict[str, Any], today: date | None = TODAY, works: Any = None, **more: Any) -> WorksFigures:
    """The works of beds in a garden. works: what is said of them. more: of the plan."""
    garden = GARDEN | ({"works": works} if works else {}) | more.pop("garden", {})
    return figure_works(read_plan(zoo.plan(*beds, garden=garden, **more)), today)


def by_key(works: WorksFigures) -> dict[str, WorkStep]:
    """Steps by their keys."""
    return {step.key: step for step in works.steps}


def trench(length_m: float, width_m: float, depth_m: float) -> dict[str, Any]:
    """The shape of a trench with upright sides."""
    return {"kind": "trench", "top_length_m": length_m, "bottom_length_m": length_m, "top_width_m": width_m,
            "bottom_width_m": width_m, "depth_m": depth_m}  # fmt: skip


def kinds(works: WorksFigures) -> list[str]:
    """Kinds of the steps of the bed called plain, in their order."""
    return [step.kind for step in works.steps if step.bed == "plain"]


def test_a_framed_bed_is_built_in_the_order_people_build_it() -> None:
    works = works_of(zoo.bed(frame=BOARDS, layers=MULCHED))
    order = kinds(works)
    steps = [
        "set_out",
        "turf",
        "level",
        "assemble",
        "set",
        "sheet",
        "layer",
        "filled",
        "top_up",
        "plant",
        "mulch",
        "label",
    ]
    assert [order.index(step) for step in steps] == sorted(order.index(step) for step in steps)
    assert order.index("cut") < order.index("assemble")
    step = by_key(works)
    assert "plain.cut" in step["plain.assemble"].after
    assert step["plain.layer.0"].after[0] == "plain.set"
    assert step["plain.layer.3"].after[0] == "plain.plant"


def test_a_wicking_bed_is_lined_and_tested_before_anything_goes_in() -> None:
    works = works_of(
        zoo.bed(shape=zoo.shape(2.4, 1.2, 0.6), reservoir=WICKING, layers=[{"material": "topsoil", "fill": True}])
    )
    step = by_key(works)
    chain = ["plain.underlay", "plain.liner", "plain.leak_test", "plain.reservoir", "plain.layer.0"]
    for before, after in itertools.pairwise(chain):
        assert before in step[after].after
    assert step["plain.leak_test"].wait_days == 1
    assert step["plain.reservoir"].on is not None and step["plain.leak_test"].until is not None
    assert step["plain.reservoir"].on >= step["plain.leak_test"].until + timedelta(days=1)
    assert "3 mm a metre" in step["plain.level"].hold


def test_a_pit_is_dug_and_filled_before_the_mound_over_it() -> None:
    pit = trench(3.0, 0.8, 0.4)
    mound = {"kind": "hipped_mound", "length_m": 4.0, "width_m": 1.6, "height_m": 0.5, "slope_deg": 38.0}
    works = works_of(
        zoo.bed(key="pit", shape=pit, layers=[{"material": "branches", "fill": True}]),
        zoo.bed(key="mound", shape=mound, over="pit", layers=[{"material": "topsoil", "fill": True}]),
    )
    step = by_key(works)
    assert "pit.filled" in step["mound.layer.0"].after
    assert "garden.services" in step["pit.set_out"].after
    assert "pit.plant" not in step
    assert step["pit.dig"].people == 2
    assert any("no depth is safe" in caution.lower() for caution in step["pit.dig"].cautions)


def test_posts_wait_for_the_marks_and_the_boards_for_the_concrete() -> None:
    frame = BOARDS | {"corner": "corner_post", "post_m": 0.09}
    step = by_key(works_of(zoo.bed(frame=frame, layers=FILL)))
    assert step["plain.posts"].wait_days == 2
    assert "plain.posts" in step["plain.assemble"].after
    assert "garden.services" in step["plain.set_out"].after
    assert step["plain.assemble"].on is not None and step["plain.posts"].until is not None
    assert step["plain.assemble"].on >= step["plain.posts"].until + timedelta(days=2)


def test_hours_are_those_of_the_rates() -> None:
    bed = zoo.bed(shape=trench(3.0, 1.0, 0.5), count=2)
    assert by_key(works_of(bed))["plain.dig"].hours == pytest.approx(2 * 1.5 / 0.5)
    assert by_key(works_of(bed, works={"ground": "rooty"}))["plain.dig"].hours == pytest.approx(2 * 1.5 / 0.15)
    assert by_key(works_of(bed, works={"rates": {"dig_loam_m3_h": 0.75}}))["plain.dig"].hours == pytest.approx(4.0)
    assert by_key(works_of(bed, works={"machine": True}))["plain.dig"].hours == pytest.approx(3.0 / 4.0)
    # two plies of card over 2 x 1 m in the usual pieces at 15 m2 an hour
    card = by_key(works_of(zoo.bed(layers=FILL)))["plain.layer.0"]
    assert card.hours == pytest.approx(float(card.materials[0].split()[0]) / 15, rel=0.01)
    # 12 cuts at 10 an hour; butt corners are screwed with 3 screws a joint at 20 an hour, a quarter of an hour a course
    step = by_key(works_of(zoo.bed(frame=BOARDS | {"courses": 3}, layers=FILL)))
    assert step["plain.cut"].hours == pytest.approx(12 / 10)
    assert step["plain.assemble"].hours == pytest.approx(4 * 3 * 3 / 20 + 3 * 0.25)


def test_carrying_is_shovelled_walked_and_tipped() -> None:
    plot = {"corners_m": [[0, 0], [30, 0], [30, 20], [0, 20]]}
    bed = zoo.bed(places=[{"x_m": 20.0, "y_m": 10.0}])
    near = by_key(works_of(bed, garden={"plot": plot, "drop": [20.0, 8.0]}))["plain.layer.0"]
    far = by_key(works_of(bed, garden={"plot": plot, "drop": [2.0, 10.0]}))["plain.layer.0"]
    assert near.barrows == far.barrows > 10
    # 18 m against 2 m, a third more for the way round, there and back at 1 m a second
    assert (far.hours - near.hours) * 3600 == pytest.approx(near.barrows * 2 * 1.3 * (18 - 2))


def test_a_helper_makes_days_longer_and_work_no_shorter() -> None:
    beds = [zoo.bed(key=f"bed_{index}", layers=FILL, count=2) for index in range(4)]
    alone, two = works_of(*beds), works_of(*beds, works={"helpers": 1})
    assert two.hours == pytest.approx(alone.hours)
    assert (alone.day_hours, two.day_hours, two.people) == (6.0, 12.0, 2)
    assert all(day.hours <= two.day_hours + 1e-6 for day in two.days)
    assert two.ends_on is not None and alone.ends_on is not None
    assert two.ends_on <= alone.ends_on


def test_without_a_day_there_are_steps_and_no_dates() -> None:
    works = works_of(zoo.bed(layers=FILL), today=None)
    assert works.ends_on is None
    assert works.days == works.upkeep == works.late == []
    assert all(step.on is None and step.hours >= 0 for step in works.steps)
    started = works_of(
        zoo.bed(layers=FILL), today=None, works={"start": "2026-11-02", "days": ["tue"], "hours_a_day": 2.5}
    )
    assert started.days[0].on == date(2026, 11, 3)
    assert {day.on.weekday() for day in started.days} == {1}


def test_days_off_are_kept_free_and_a_step_put_off_waits() -> None:
    said = {"step": "plain.set_out", "not_before": "2026-11-28"}
    works = works_of(zoo.bed(layers=FILL), works={"days_off": ["2026-10-24", "2026-10-25"], "steps": [said]})
    assert works.days[0].on == date(2026, 10, 31)
    assert by_key(works)["plain.set_out"].on == date(2026, 11, 28)


def test_fresh_wood_waits_through_the_winter_and_is_counted_back_from_sowing() -> None:
    layers = [{"material": "shredded_hardwood", "thickness_m": 0.3}, {"material": "topsoil", "fill": True}]
    works = works_of(zoo.bed(shape=zoo.shape(2.4, 1.2, 0.6), layers=layers))
    step = by_key(works)
    assert 150 < step["plain.rest"].wait_days < 260
    filled, plant = step["plain.filled"], step["plain.plant"]
    assert filled.until is not None and plant.on is not None and filled.latest is not None
    assert (plant.on - filled.until).days >= step["plain.rest"].wait_days
    assert (plant.latest or plant.on) >= filled.latest


def test_a_step_left_out_is_stepped_over_and_own_ones_come_between() -> None:
    own = {"step": "plain.own.1", "bed": "plain", "name": "Fetch the neighbour's roller", "hours": 1.5, "wait_days": 3,
           "after": ["plain.set_out"], "before": ["plain.level"], "hold": "Is it back?"}  # fmt: skip
    left = {"step": "plain.turf", "left_out": "nothing grows there"}
    works = works_of(zoo.bed(frame=BOARDS, layers=FILL), works={"own": [own], "steps": [left]})
    step = by_key(works)
    assert step["plain.turf"].left_out == "nothing grows there"
    assert step["plain.turf"].on is None
    assert "plain.own.1" in step["plain.level"].after
    assert step["plain.level"].on is not None and step["plain.own.1"].until is not None
    assert step["plain.level"].on >= step["plain.own.1"].until + timedelta(days=3)


def test_own_steps_in_a_ring_are_refused_by_name() -> None:
    one = {"step": "garden.own.1", "name": "One", "after": ["garden.own.2"]}
    two = {"step": "garden.own.2", "name": "Two", "after": ["garden.own.1"]}
    with pytest.raises(PlanProblem, match=r"garden\.own\.1, garden\.own\.2"):
        works_of(zoo.bed(), works={"own": [one, two]})


def test_a_bed_alike_takes_twice_the_work_and_one_chain_of_steps() -> None:
    one, two = works_of(zoo.bed(layers=FILL)), works_of(zoo.bed(layers=FILL, count=2))
    assert [step.key for step in one.steps if step.bed] == [step.key for step in two.steps if step.bed]
    assert by_key(two)["plain.layer.2"].hours == pytest.approx(2 * by_key(one)["plain.layer.2"].hours, rel=0.02)


def test_what_nobody_sells_is_got_together_weeks_before_and_what_is_sold_is_taken_in() -> None:
    yard = {"key": "yard", "name": "Tide yard", "delivery": "30.00", "offers": [
        {"material": "topsoil", "form": "bulk", "price_per_m3": "60.00", "step_m3": 0.5},
        {"material": "compost", "form": "bag", "volume_m3": 0.04, "price": "6.20", "fetch": True},
    ]}  # fmt: skip
    step = by_key(works_of(zoo.bed(layers=FILL), suppliers=[yard]))
    assert step["garden.gather.cardboard"].wait_days == 7
    assert "garden.gather.cardboard" in step["plain.layer.0"].after
    assert "garden.load.yard" in step["plain.layer.2"].after
    assert step["garden.load.yard"].hold
    assert any("topsoil" in line.lower() for line in step["garden.load.yard"].lines)


def test_a_mix_of_ones_own_is_mixed_before_it_is_laid() -> None:
    mix = {
        "key": "half",
        "name": "Half",
        "parts": [{"material": "topsoil", "parts": 1}, {"material": "compost", "parts": 1}],
    }
    step = by_key(works_of(zoo.bed(layers=[{"material": "half", "fill": True}]), mixes=[mix]))
    mixing = step["plain.mix.half"]
    assert "plain.mix.half" in step["plain.layer.0"].after
    assert mixing.work == "mixing"
    assert mixing.hours == pytest.approx(1.0 * 1.25 / 0.5, rel=0.12)


def test_paths_are_laid_once_all_beds_are_pegged_out() -> None:
    plot = {
        "corners_m": [[0, 0], [9, 0], [9, 6], [0, 6]],
        "paths": [{"line_m": [[0, 5.5], [9, 5.5]], "width_m": 0.8, "dug_m": 0.1,
                   "courses": [{"material": "path_base", "thickness_m": 0.1}]}],
    }  # fmt: skip
    step = by_key(works_of(zoo.bed(places=[{"x_m": 3.0, "y_m": 2.0}]), garden={"plot": plot}))
    assert "plain.set_out" in step["garden.path_dig.0"].after
    assert step["garden.path_dig.0"].hours == pytest.approx(9 * 0.8 * 0.1 / 0.5)
    assert "garden.path_dig.0" in step["garden.path_base.0"].after


@pytest.mark.parametrize("school", [school.key for school in all_schools().values() if "box" in school.shapes])
def test_every_school_has_steps_that_say_what_why_and_when_done(school: str) -> None:
    from nolbet_core.figure.compare import figure_school  # noqa: PLC0415 - asked for here alone

    own = all_schools()[school]
    depth_m = min(max(0.6, own.least_m), own.most_m)
    document = zoo.plan(zoo.bed(shape=zoo.shape(2.4, 1.2, depth_m), layers=[]), garden=GARDEN)
    built = read_plan(document)
    offered = figure_school(own, built.plan, built.plan.beds[0], built.supplies, TODAY)
    bed = document["beds"][0] | {"school": school, "layers": offered.layers}
    if offered.reservoir:
        bed |= {"reservoir": offered.reservoir}
    works = works_of(bed)
    laid = [step for step in works.steps if step.layer is not None]
    assert [step.layer for step in sorted(laid, key=lambda step: step.layer or 0)] == list(range(len(offered.layers)))
    for step in works.steps:
        assert step.title and step.why.endswith(".") and step.done_when.endswith(".")
        assert step.on is not None and step.earliest is not None and step.on >= step.earliest
    for lower, upper in itertools.pairwise(laid):
        assert (lower.layer or 0) < (upper.layer or 0) or upper.kind == "mulch"
