"""Works once they are begun: what a tick changes, what was logged, what is late, and the years after."""

from __future__ import annotations

from datetime import date
from typing import Any

import pytest

from nolbet_core.built.plan_file import read_plan
from nolbet_core.figure.build_when import figure_autumn_or_spring
from nolbet_core.figure.works_mends import figure_mends
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.works.ticking import lowest_mulch, step_name, ticked, ticks_bed
from tests.core import zoo
from tests.core.ask import figures_of
from tests.core.test_works import BOARDS, FILL, GARDEN, MULCHED, TODAY, WICKING, by_key, trench, works_of


def bed_of(**changes: Any) -> Bed:
    """A bed of the zoo in the plan's words."""
    return Bed.model_validate(zoo.bed(layers=MULCHED, **changes))


def mulch_of(bed: Bed) -> int:
    """Where its mulch begins."""
    return lowest_mulch(read_plan(zoo.plan(bed.model_dump(mode="json", exclude_none=True))).beds[0])


def tick(bed: Bed, key: str, done: bool = True) -> Bed:
    """The bed with a step ticked on a day in October."""
    return ticked(bed, step_name(key), done, "2026-10-24", mulch_of(bed))


def test_a_tick_is_the_beds_state_from_the_first_layer_to_the_mulch() -> None:
    bed = tick(bed_of(), "plain.layer.0")
    assert (bed.state, bed.laid, bed.built_on) == ("filling", [1.0, 0.0, 0.0, 0.0], None)
    bed = tick(tick(bed, "plain.layer.1"), "plain.filled")
    # all under the mulch lies there; the mulch is still to come, so that it is still bought
    assert (bed.state, bed.laid, bed.built_on) == ("filling", [1.0, 1.0, 1.0, 0.0], "2026-10-24")
    step = by_key(works_of(bed.model_dump(mode="json", exclude_none=True), today=date(2026, 11, 8)))
    assert step["plain.filled"].done and step["plain.settle"].done and not step["plain.top_up"].done
    assert step["plain.top_up"].earliest == date(2026, 11, 8)
    bed = tick(bed, "plain.layer.3")
    assert (bed.state, bed.laid) == ("filled", [])


def test_a_tick_taken_back_takes_its_state_back() -> None:
    before = bed_of()
    assert tick(tick(before, "plain.layer.0"), "plain.layer.0", done=False) == before.model_copy(update={"state": None})
    full = tick(tick(before, "plain.filled"), "plain.layer.3")
    assert tick(full, "plain.filled", done=False).state == "filling"
    again = tick(full, "plain.layer.2", done=False)
    assert (again.state, again.laid[2], again.built_on) == ("filling", 0.0, None)


def test_frames_and_leak_tests_are_kept_with_the_bed_and_what_comes_before_is_done() -> None:
    framed = bed_of(frame=BOARDS)
    assert ticks_bed(step_name("plain.set"), framed)
    assert not ticks_bed(step_name("plain.assemble"), framed)
    stands = tick(framed, "plain.set")
    assert stands.frame is not None and stands.frame.built
    step = by_key(works_of(stands.model_dump(mode="json", exclude_none=True)))
    assert all(step[f"plain.{kind}"].done for kind in ("set_out", "turf", "level", "cut", "assemble", "set"))
    wet = bed_of(shape=zoo.shape(2.4, 1.2, 0.8), reservoir=WICKING)
    tested = tick(wet, "plain.leak_test")
    assert tested.reservoir is not None and tested.reservoir.tested
    assert tick(tested, "plain.leak_test", done=False).reservoir == wet.reservoir
    with pytest.raises(IndexError):
        tick(framed, "plain.layer.9")


def test_a_built_frame_is_no_longer_bought() -> None:
    needs = {need.material for need in figures_of(zoo.plan(zoo.bed(frame=BOARDS, layers=FILL))).needs}
    built = {need.material for need in figures_of(zoo.plan(zoo.bed(frame=BOARDS | {"built": True}, layers=FILL))).needs}
    assert "softwood" in needs - built
    assert "topsoil" in built


def test_a_hold_that_was_answered_with_not_yet_stays_to_be_done() -> None:
    not_yet = {"on": "2026-10-20", "passed": False, "measured": "14 mm"}
    refused = {"step": "plain.level", "done_on": "2026-10-20", "answers": [not_yet]}
    step = by_key(works_of(zoo.bed(frame=BOARDS, layers=FILL), works={"steps": [refused]}))["plain.level"]
    assert (step.done, step.passed) == (False, False)
    passed = refused | {"answers": [not_yet, {"on": "2026-10-24", "passed": True}]}
    assert by_key(works_of(zoo.bed(frame=BOARDS, layers=FILL), works={"steps": [passed]}))["plain.level"].done


def test_a_bed_broken_off_after_its_liner_says_what_to_make_safe() -> None:
    done = [
        {"step": f"plain.{kind}", "done_on": "2026-10-24"}
        for kind in ("set_out", "turf", "level", "place", "underlay", "liner")
    ]
    bed = zoo.bed(shape=zoo.shape(2.4, 1.2, 0.6), reservoir=WICKING, layers=[{"material": "topsoil", "fill": True}])
    (left,) = works_of(bed, works={"steps": done}).broken_off
    assert "liner" in left.done.lower()
    assert "24 h" in left.next
    assert any("drown" in line for line in left.safe)
    assert any("isn't tested" in line for line in left.safe)


def test_time_logged_corrects_one_factor_for_each_kind_of_work() -> None:
    log = [
        {"kind": "hours", "on": "2026-10-24", "step": "plain.layer.1", "hours": 3.0},
        {"kind": "hours", "on": "2026-10-24", "step": "plain.layer.2", "hours": 5.0},
        {"kind": "hours", "on": "2026-10-24", "step": "plain.nothing", "hours": 9.0},
    ]
    bed = zoo.bed(layers=FILL, laid=[1.0, 1.0, 1.0], state="filling")
    other = zoo.bed(key="other", layers=FILL)
    usual, logged = works_of(bed, other), works_of(bed, other, log=log)
    (pace,) = logged.pace
    both = [by_key(usual)[f"plain.layer.{index}"].usual_hours for index in (1, 2)]
    assert pace.factor == pytest.approx(8.0 / sum(both))
    assert (pace.work, pace.hours, pace.steps) == ("moving", 8.0, 2)
    assert by_key(logged)["other.layer.2"].hours == pytest.approx(pace.factor * both[1])
    assert by_key(logged)["other.layer.0"].hours == pytest.approx(by_key(usual)["other.layer.0"].hours)
    given = works_of(bed, other, garden={"pace": {"sheets": 1.5}})
    assert by_key(given)["other.layer.0"].hours == pytest.approx(1.5 * by_key(usual)["other.layer.0"].hours)


def late_bed() -> dict[str, Any]:
    """A bed of fresh shredded wood that should be sown on 1 March."""
    layers = [{"material": "shredded_hardwood", "thickness_m": 0.3}, {"material": "topsoil", "fill": True}]
    return zoo.bed(shape=zoo.shape(2.4, 1.2, 0.6), layers=layers, school="shredded_wood")


def test_what_is_late_says_how_late_and_what_would_mend_it() -> None:
    works = {"sow_on": "2027-03-28"}
    figures = works_of(late_bed(), works=works)
    (late,) = figures.late
    assert (late.bed, late.wanted_on) == ("plain", date(2027, 3, 28))
    assert late.days == (late.on - late.wanted_on).days > 0
    built = read_plan(zoo.plan(late_bed(), garden=GARDEN | {"works": works}))
    mends = figure_mends(built, TODAY)
    assert mends.late_days == late.days
    best = mends.mends[0]
    assert best.late_days == 0
    assert best.school is not None and best.bed == "plain"
    assert mends.mends[-1].key == "autumn"
    helper = next((each for each in mends.mends if each.key == "helper"), None)
    assert helper is None or helper.works is not None


def test_a_digger_is_offered_with_its_days_and_price() -> None:
    works = {"machine_day": "180.00", "sow_on": "2026-11-01"}
    built = read_plan(zoo.plan(zoo.bed(shape=trench(10.0, 1.0, 1.0)), garden=GARDEN | {"works": works}))
    digger = next(each for each in figure_mends(built, TODAY).mends if each.key == "machine")
    assert digger.hours_less == pytest.approx(10 / 0.5 - 10 / 4.0)
    assert str(digger.price) == "180.00"


def test_autumn_is_better_for_fresh_wood_and_makes_no_difference_to_soil() -> None:
    built = read_plan(zoo.plan(late_bed(), zoo.bed(key="soil"), garden=GARDEN))
    wood = figure_autumn_or_spring(built, "plain", TODAY)
    assert wood.better == "autumn"
    autumn, spring = wood.built
    assert autumn.filled_on == TODAY and spring.filled_on == date(2027, 3, 17)
    assert autumn.sow_from is not None and spring.sow_from is not None
    assert spring.sow_from > autumn.sow_from
    assert autumn.sunk_by_then_m > 0
    soil = figure_autumn_or_spring(built, "soil", TODAY)
    assert soil.built[0].sow_from == soil.built[1].sow_from
    with pytest.raises(PlanProblem, match="there is no bed"):
        figure_autumn_or_spring(built, "nowhere", TODAY)


def test_upkeep_comes_back_every_year_with_the_same_key() -> None:
    bed = zoo.bed(frame=BOARDS, layers=FILL, built_on="2025-10-11", state="filled")
    first, later = works_of(bed).upkeep, works_of(bed, today=date(2027, 1, 9)).upkeep
    yearly = [each for each in first if each.key.startswith("plain.top_up")]
    assert [each.on.year for each in yearly] == [2027, 2028, 2029]
    assert {each.key for each in first} & {each.key for each in later}
    assert all(each.on >= TODAY for each in first)
    assert any("frame" in each.key for each in works_of(bed | {"built_on": "2022-10-11"}).upkeep)
