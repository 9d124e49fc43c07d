"""Ways of filling a bed as the page lays, keeps and swaps them: nothing is ever lost."""

from __future__ import annotations

from typing import Any

from nolbet_core.built.plan_file import read_plan
from tests.core import zoo
from tests.page.asking import ask_page

FILE = "schools/ways.ts"
SOIL = {"name": "Straight fill", "school": "straight_fill", "layers": [{"material": "compost", "fill": True}]}


def done(name: str, bed: dict[str, Any], *given: Any) -> dict[str, Any]:
    """A bed after it; it has to hold together."""
    (after,) = ask_page(FILE, [(name, bed, *given)])
    read_plan(zoo.plan(after))
    return dict(after)


def ways(bed: dict[str, Any]) -> list[Any]:
    """All ways that a bed holds, its own first."""
    return [bed["layers"], *(each["layers"] for each in bed.get("set_aside", []))]


def test_laying_a_school_sets_what_was_there_aside() -> None:
    after = done("layWay", zoo.WOODY, SOIL, "My own layers")
    assert after["school"] == "straight_fill"
    assert ways(after) == [SOIL["layers"], zoo.WOODY["layers"]]
    assert done("layWay", zoo.EMPTY, SOIL, "My own layers").get("set_aside") == []


def test_taking_one_over_swaps_the_two() -> None:
    laid = done("layWay", zoo.WOODY, SOIL, "My own layers")
    back = done("takeOver", laid, 0, "Straight fill")
    assert ways(back) == [zoo.WOODY["layers"], SOIL["layers"]]
    assert back["set_aside"][0]["name"] == "Straight fill"
    assert done("takeOver", back, 5, "Nothing") == back


def test_a_reservoir_goes_with_its_way() -> None:
    store = {"height_m": 0.15, "overflow_m": 0.15, "medium": "gravel_20"}
    wet = done("layWay", zoo.WOODY, SOIL | {"reservoir": store}, "My own layers")
    assert wet["reservoir"] == store
    dry = done("takeOver", wet, 0, "Straight fill")
    assert dry["reservoir"] is None
    assert dry["set_aside"][0]["reservoir"] == store


def test_setting_aside_leaves_the_bed_and_leaving_out_takes_one() -> None:
    two = done("setAside", done("setAside", zoo.WOODY, SOIL), SOIL | {"name": "Twin"})
    assert two["layers"] == zoo.WOODY["layers"]
    assert [each["name"] for each in done("leaveOut", two, 0)["set_aside"]] == ["Twin"]
    assert ask_page(FILE, [("roomAside", two), ("roomAside", done("setAside", two, SOIL))]) == [True, False]


def test_names_never_stand_twice() -> None:
    twice = zoo.bed(school="straight_fill", set_aside=[SOIL, SOIL | {"name": "Straight fill 2"}])
    assert ask_page(FILE, [("wayName", twice), ("wayName", zoo.bed())]) == ["Straight fill 3", "My own layers"]


def test_days_and_spans_are_said_plainly() -> None:
    assert ask_page("quantities/format.ts", [("showDay", "2027-03-07")]) == ["7 Mar 2027"]
