"""What is found amiss with the works, each where it shows and where it doesn't; weather that stands against a step."""

from __future__ import annotations

from datetime import date
from typing import Any

import pytest

from nolbet_core.built.plan_file import read_plan
from nolbet_core.climate.weather import MonthNormals
from nolbet_core.figure.walk import figure_whole
from nolbet_core.findings.finding import DEFER
from nolbet_core.quantities.units import System
from nolbet_core.works.gates import KnownDay, first_warm_day, frost_chance, weather_against, weather_on
from tests.core import zoo
from tests.core.ask import figures_of
from tests.core.test_works import BOARDS, FILL, GARDEN, TODAY, WICKING, trench, works_of

POSTED = BOARDS | {"corner": "corner_post", "post_m": 0.09}
COLD = [{"tmin_c": -4.0, "tmax_c": 3.0, "rain_mm": 60.0, "rain_days": 12.0}] * 12
MILD = [{"tmin_c": 11.0, "tmax_c": 19.0, "rain_mm": 60.0, "rain_days": 12.0}] * 12
WET = zoo.bed(shape=zoo.shape(2.4, 1.2, 0.6), reservoir=WICKING, layers=[{"material": "topsoil", "fill": True}])
PATH = {"line_m": [[0, 2.0], [9, 2.0]], "width_m": 0.8, "courses": [{"material": "path_base", "thickness_m": 0.1}]}


def codes(*beds: dict[str, Any], **more: Any) -> list[str]:
    """Codes of what is found on the works of beds."""
    return [each.finding.code for each in works_of(*beds, **more).findings]


def test_concrete_waits_for_warmth() -> None:
    posted = zoo.bed(frame=POSTED, layers=FILL)
    assert "concrete_in_frost" in codes(posted, garden={"normals": COLD})
    assert "concrete_in_frost" not in codes(posted, garden={"normals": MILD})
    tamped = zoo.bed(frame=POSTED | {"posts_in": "tamped"}, layers=FILL)
    assert "concrete_in_frost" not in codes(tamped, garden={"normals": COLD})
    (found,) = [each for each in works_of(posted, garden={"normals": COLD}).findings if "frost" in each.finding.code]
    assert found.steps == ["plain.posts"]
    assert found.finding.advice.endswith(DEFER)


def test_whoever_works_alone_is_told_what_takes_two() -> None:
    dug = zoo.bed(shape=trench(3.0, 0.8, 0.6))
    assert "alone_with_heavy" in codes(dug)
    assert "alone_with_heavy" not in codes(dug, works={"helpers": 1})
    assert "alone_with_heavy" not in codes(zoo.bed(shape=zoo.shape(0.6, 0.5, 0.3), layers=FILL))


def test_a_gate_that_was_passed_by_is_named() -> None:
    bed = zoo.bed(frame=BOARDS, layers=FILL, state="filling", laid=[1.0])
    level = {"step": "plain.level", "done_on": "2026-10-10"}
    passed = [{"on": "2026-10-10", "passed": True, "measured": "4 mm"}]
    others = [{"step": f"plain.{kind}", "done_on": "2026-10-10", "answers": passed} for kind in ("assemble", "set")]
    assert codes(bed, works={"steps": [level, *others]}).count("no_hold_answered") == 1
    answered = level | {"answers": passed}
    assert "no_hold_answered" not in codes(bed, works={"steps": [answered, *others]})
    refused = level | {"answers": [{"on": "2026-10-10", "passed": False}]}
    (found,) = [
        each
        for each in works_of(bed, works={"steps": [refused, *others]}).findings
        if each.finding.code == "no_hold_answered"
    ]
    assert found.finding.level == "caution"
    assert found.steps == ["plain.level"]
    # nothing was done yet: nothing was passed by
    assert "no_hold_answered" not in codes(zoo.bed(frame=BOARDS, layers=FILL))


def test_filling_over_an_untested_liner_is_stopped() -> None:
    def of(**changes: Any) -> set[str]:
        return {finding.code for finding in figures_of(zoo.plan(WET | changes)).beds[0].findings}

    assert "leak_test_due" in of() and "liner_untested_before_fill" not in of()
    begun = of(state="filling", laid=[0.4])
    assert "liner_untested_before_fill" in begun and "leak_test_due" not in begun
    tested = of(state="filling", laid=[0.4], reservoir=WICKING | {"tested": True})
    assert not tested & {"liner_untested_before_fill", "leak_test_due"}


def test_a_base_under_a_bed_is_told_and_one_beside_it_is_not() -> None:
    def of(y_m: float, **path: Any) -> set[str]:
        plot = {"corners_m": [[0, 0], [9, 0], [9, 6], [0, 6]], "paths": [PATH | path]}
        bed = zoo.bed(places=[{"x_m": 3.0, "y_m": y_m}])
        return {found.code for found in figures_of(zoo.plan(bed, garden=GARDEN | {"plot": plot})).beds[0].findings}

    assert "path_base_under_bed" in of(2.2)
    assert "path_base_under_bed" not in of(4.0)
    assert "path_base_under_bed" not in of(2.2, courses=[{"material": "geotextile"}])
    assert "path_base_under_bed" in of(2.2, courses=[{"material": "geotextile"}], dug_m=0.08)


def test_late_for_sowing_stands_with_its_bed_in_the_whole_figures() -> None:
    layers = [{"material": "shredded_hardwood", "thickness_m": 0.3}, {"material": "topsoil", "fill": True}]
    document = zoo.plan(
        zoo.bed(shape=zoo.shape(2.4, 1.2, 0.6), layers=layers),
        zoo.bed(key="soil"),
        garden=GARDEN | {"works": {"sow_on": "2027-03-28"}},
    )
    whole = figure_whole(read_plan(document), TODAY)
    woody, soil = whole.beds
    assert "late_for_sowing" in {each.code for each in woody.findings}
    assert "late_for_sowing" not in {each.code for each in soil.findings}
    assert whole.works is not None and [each.bed for each in whole.works.late] == ["plain"]
    dateless = figure_whole(read_plan(document), None).works
    assert dateless is not None and dateless.late == []


MONTHS = tuple(MonthNormals(**each) for each in MILD)


def test_frost_is_as_likely_as_the_usual_night_says() -> None:
    zero = tuple(MonthNormals(0.0, 9.0, 50.0, 10.0) for _ in range(12))
    assert frost_chance(date(2026, 11, 3), zero) == pytest.approx(0.5)
    assert frost_chance(date(2026, 11, 3), MONTHS) < 0.001
    # 3 degrees are 3 / hypot(3, 1.5) = 0.8944 standard deviations: 0.18555 each night, and concrete sets through two
    three = tuple(MonthNormals(3.0, 12.0, 50.0, 10.0) for _ in range(12))
    assert weather_on(date(2026, 11, 3), three, {}).frost == pytest.approx(1 - (1 - 0.185547) ** 2, abs=1e-4)


def test_a_known_day_counts_for_more_than_a_usual_one() -> None:
    day = date(2026, 7, 4)
    known = {day: KnownDay(-1.0, 4.0, 6.5)}
    weather = weather_on(day, MONTHS, known)
    assert weather.known and weather.too_cold and weather.wet == 1.0
    assert first_warm_day(day, MONTHS, known) == date(2026, 7, 5)
    (rain,) = weather_against(("wet",), day, MONTHS, known, System.METRIC)
    assert rain.known and rain.said == "Rain that day."
    assert weather_against(("frost",), date(2026, 7, 9), MONTHS, known, System.METRIC) == []
    usual = weather_on(date(2026, 7, 9), MONTHS, known)
    assert usual.wet == pytest.approx(12 / 31)


def test_nowhere_warm_has_no_day_to_wait_for() -> None:
    cold = tuple(MonthNormals(**each) for each in COLD)
    assert first_warm_day(date(2026, 7, 4), cold, {}) is None


def test_a_wet_day_of_the_weather_file_is_marked_on_the_step() -> None:
    wall = zoo.bed(frame={"kind": "units", "material": "brick", "joint_m": 0.0}, layers=FILL)
    said = {"step": "plain.wall", "hours": 1.5}

    def gates(rain_mm: float) -> list[tuple[str, bool]]:
        rain = {"from_day": "2026-10-31", "tmin_c": [9.0], "tmax_c": [15.0], "rain_mm": [rain_mm]}
        works = works_of(wall, weather=[rain], works={"steps": [said], "days": ["sat"], "hours_a_day": 12.0})
        step = next(each for each in works.steps if each.key == "plain.wall")
        assert step.on == date(2026, 10, 31)
        return [(each.gate, each.known) for each in step.weather]

    assert gates(12.0) == [("wet", True)]
    assert gates(0.2) == []
