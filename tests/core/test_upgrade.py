"""Documents of every edition there ever was: they are read for ever, and mean what they meant."""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

import pytest

from nolbet_core.built.plan_file import load_plan, read_plan, review_plan
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.plan.upgrade import EDITION, STEPS, TooNew, upgraded
from tests.core import zoo
from tests.core.ask import figures_of

DOCUMENTS = Path(__file__).parent / "documents"
KEPT = sorted(DOCUMENTS.glob("edition_*/*.nolbet.json"))


def test_a_document_of_every_edition_is_kept() -> None:
    assert {int(file.parent.name.removeprefix("edition_")) for file in KEPT} == set(range(1, EDITION + 1))


@pytest.mark.parametrize("file", KEPT, ids=[f"{file.parent.name} {file.name}" for file in KEPT])
def test_a_kept_document_is_read_and_worked_out(file: Path) -> None:
    built = load_plan(file.read_bytes())
    assert built.plan.edition == EDITION
    figures = figures_of(json.loads(file.read_text()))
    assert [bed.key for bed in figures.beds] == [bed["key"] for bed in json.loads(file.read_text())["beds"]]


def tilted(seen: list[dict[str, str]], tilt_m: float = 0.02) -> dict[str, Any]:
    """A tilted reservoir with findings that were seen."""
    return zoo.bed(reservoir={"height_m": 0.2, "tilt_m": tilt_m}, seen=seen)


SEEN = [{"code": "not_level", "reason": "it drains well"}]


def test_who_had_seen_a_tilted_reservoir_has_seen_it_still() -> None:
    document = zoo.plan(tilted(SEEN))
    found = {finding.code: finding.seen for finding in figures_of(document).beds[0].findings}
    assert found["reservoir_tilted"] == "it drains well"
    again = figures_of(document | {"edition": 2}).beds[0].findings
    assert {finding.code: finding.seen for finding in again}["reservoir_tilted"] is None


@pytest.mark.parametrize(
    "bed",
    [
        tilted([]),
        tilted(SEEN, tilt_m=0.01),
        zoo.bed(seen=SEEN),
        {"reservoir": "gone", "seen": SEEN},
        {"reservoir": {"tilt_m": "much"}, "seen": SEEN},
        {"reservoir": {"tilt_m": 0.5}, "seen": "all"},
    ],
)
def test_nothing_else_is_rewritten(bed: dict[str, Any]) -> None:
    assert upgraded("bed", bed, 1) == bed


def test_every_step_leads_to_an_edition_that_is_there() -> None:
    assert {step.to for step in STEPS} <= set(range(2, EDITION + 1))
    assert [step.to for step in STEPS] == sorted(step.to for step in STEPS)


@pytest.mark.parametrize(
    ("edition", "said"),
    [(EDITION + 1, "later than the"), (0, "whole number"), (True, "whole number"), ("2", "whole number")],
)
def test_an_edition_that_is_none_is_told(edition: Any, said: str) -> None:
    with pytest.raises(PlanProblem, match=said) as problem:
        read_plan(zoo.plan() | {"edition": edition})
    assert problem.value.path == "edition"
    with pytest.raises(TooNew):
        upgraded("mix", {}, EDITION + 1)


def test_all_that_is_wrong_is_told_at_once_with_its_path() -> None:
    wrong = zoo.bed(
        key="wrong",
        layers=[
            {"material": "nosuch", "thickness_m": 0.1},
            {"material": "topsoil"},
            {"material": "cardboard", "lifts": 2},
        ],
        wall_m=0.6,
        measured="outside",
        top_up="geotextile",
        set_aside=[{"name": "Other", "layers": [{"material": "moss", "fill": True}]}],
    )
    other = zoo.bed(key="wrong", reservoir={"height_m": 0.2, "medium": "topsoil", "wicks": [{"kind": "strip"}]})
    document = zoo.plan(wrong, other, stock=[{"material": "gold", "volume_m3": 0.5}])
    review = review_plan(json.dumps(document).encode())
    assert review.built is None
    assert sorted(problem.path for problem in review.problems) == [
        "beds[0].layers[0].material",
        "beds[0].layers[1]",
        "beds[0].layers[2].lifts",
        "beds[0].set_aside[0].layers[0].material",
        "beds[0].shape.width_m",
        "beds[0].top_up",
        "beds[1].key",
        "beds[1].reservoir.medium",
        "beds[1].reservoir.wicks[0].width_m",
        "stock[0].material",
    ]


LOG = {
    "weather": [{"from_day": "2026-05-01", "tmin_c": [4.0, 5.5], "tmax_c": [14.0, 15.5], "rain_mm": [0.0, 3.5]}],
    "log": [{"kind": "dip", "bed": "plain", "on": "2026-05-02T08:00:00+00:00", "level_m": 0.12}],
    "probes": [{"bed": "plain", "seed": 3, "leak_m3_day": 0.002}],
}


def test_what_was_seen_in_a_garden_is_written_and_read_again() -> None:
    plan = read_plan(zoo.plan(**LOG)).plan
    again = read_plan(json.loads(plan.model_dump_json(exclude_none=True))).plan
    assert again == plan
    assert again.log[0].level_m == 0.12


@pytest.mark.parametrize(
    ("change", "path", "said"),
    [
        ({"log": [LOG["log"][0] | {"bed": "gone"}]}, "log[0].bed", "no bed of this plan"),
        ({"log": [LOG["log"][0] | {"on": "2026-05-02T08:00"}]}, "log[0].on", "no moment"),
        ({"log": [LOG["log"][0] | {"on": "2026-13-02"}]}, "log[0].on", "no moment"),
        ({"probes": [{"bed": "gone"}]}, "probes[0].bed", "no bed of this plan"),
        ({"weather": [LOG["weather"][0] | {"rain_mm": [1.5]}]}, "weather[0]", "as many days each"),
    ],
)
def test_what_was_seen_has_to_make_sense(change: dict[str, Any], path: str, said: str) -> None:
    with pytest.raises(PlanProblem, match=said) as problem:
        read_plan(zoo.plan(**LOG) | change)
    assert problem.value.path == path
