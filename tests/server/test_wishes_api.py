"""Wishes through the API: looked for in a process of its own, ended by who leaves, taken whole or not at all."""

from __future__ import annotations

import json
import time
from collections.abc import Iterator
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client

from nolbet.gardens.models import Garden
from nolbet.plans import apart
from nolbet.plans.apart import BrokenOffError, end_work, lines_apart
from nolbet.plans.storing import store_plan
from nolbet.plans.whole import whole_plan
from nolbet_core.built.plan_file import read_plan
from tests.core import zoo
from tests.server.working_apart import break_down, count_up

BOARDS = {"material": "larch", "thickness_m": 0.038, "width_m": 0.19, "length_m": 2.4, "count": 8}
WISHES = {
    "have": {"money": "120", "stock": [BOARDS]},
    "want": {"area_m2": 2.0},
    "may": {"height_m": 0.2},
}
YARD = [
    {
        "key": "yard",
        "name": "Pennyfold yard",
        "delivery": "25.00",
        "offers": [{"material": "topsoil", "form": "bulk", "price_per_m3": "48.00", "step_m3": 0.25}],
    }
]


@pytest.fixture
def ground(gardener: User) -> Garden:
    """A garden of one bed with a yard that sells topsoil."""
    return store_plan(gardener.pk, read_plan(zoo.plan(zoo.bed(), suppliers=YARD)).plan)


def post(client: Client, garden: Garden, path: str, body: dict[str, Any]) -> Any:
    return client.post(f"/api/gardens/{garden.pk}/{path}", json.dumps(body), content_type="application/json")


def told(answer: Any) -> list[dict[str, Any]]:
    """Every line of a look."""
    assert answer.status_code == 200
    return [json.loads(line) for line in b"".join(answer.streaming_content).decode().splitlines()]


def test_a_look_is_told_line_by_line_and_a_proposal_taken(signed_in: Client, ground: Garden) -> None:
    lines = told(post(signed_in, ground, "figure/wishes", WISHES))
    assert len(lines) >= 2
    assert [line["ended"] for line in lines] == [False] * (len(lines) - 1) + [True]
    judged = [line["judged"] for line in lines]
    assert judged == sorted(judged) and judged[-1] == lines[-1]["of"]
    first = lines[-1]["proposals"][0]
    assert float(first["money"]) <= 120 and first["area_m2"] >= 2.0
    kept = post(signed_in, ground, "wishes/take", {"bed": first["bed"], "stock": [BOARDS]})
    assert kept.status_code == 201
    ground.refresh_from_db()
    plan = whole_plan(ground)
    assert [bed.key for bed in plan.beds] == ["plain", kept.json()["key"]]
    assert [each.count for each in plan.stock] == [8]


def test_a_proposal_lies_where_the_plot_has_room(signed_in: Client, gardener: User) -> None:
    plot = {"corners_m": [[0, 0], [6, 0], [6, 4], [0, 4]]}
    there = zoo.bed(places=[{"x_m": 1.0, "y_m": 0.5}])
    document = zoo.plan(there, suppliers=YARD, garden={"name": "Test ground", "plot": plot})
    garden = store_plan(gardener.pk, read_plan(document).plan)
    taken = post(signed_in, garden, "wishes/take", {"bed": zoo.bed(key="new", name="New", count=2), "stock": []})
    assert taken.status_code == 201
    garden.refresh_from_db()
    places = whole_plan(garden).beds[-1].places
    assert len(places) == 2
    # beside the bed that lies there, and each other, with the aisle between
    middles = [(1.0, 0.5), *((each.x_m, each.y_m) for each in places)]
    assert all(
        abs(ax - bx) >= 1.0 or abs(ay - by) >= 1.0 for at, (ax, ay) in enumerate(middles) for bx, by in middles[:at]
    )
    # where nothing is free it is kept, and lies nowhere yet
    full = post(signed_in, garden, "wishes/take", {"bed": zoo.bed(key="more", name="More", count=40), "stock": []})
    assert full.status_code == 201
    assert len(full.json()["bed"].get("places", [])) < 40


def test_wishes_start_from_what_lies_on_hand(signed_in: Client, gardener: User) -> None:
    plan = zoo.plan(stock=[BOARDS], garden={"name": "Test ground", "budget": "250.00"})
    garden = store_plan(gardener.pk, read_plan(plan).plan)
    said = signed_in.get(f"/api/gardens/{garden.pk}/wishes").json()
    assert said["have"]["money"] == "250.00"
    assert said["have"]["stock"][0]["length_m"] == pytest.approx(2.4)


def test_a_proposal_of_what_is_not_there_leaves_all_as_it_was(signed_in: Client, ground: Garden) -> None:
    wrong = {"bed": zoo.bed(key="new"), "stock": [{"material": "moon_dust", "volume_m3": 1.0}]}
    assert post(signed_in, ground, "wishes/take", wrong).status_code == 422
    ground.refresh_from_db()
    assert [bed.key for bed in whole_plan(ground).beds] == ["plain"]


@pytest.mark.parametrize(
    ("wishes", "path"),
    [
        ({"have": {"money": "-3"}}, "have.money"),
        ({"want": {"area_m2": 0}}, "want.area_m2"),
        ({"may": {"on": "a cloud"}}, "may.on"),
    ],
)
def test_wishes_that_cannot_be_are_refused(
    signed_in: Client, ground: Garden, wishes: dict[str, Any], path: str
) -> None:
    answer = post(signed_in, ground, "figure/wishes", wishes)
    assert answer.status_code == 422
    assert path in [each["path"] for each in answer.json()["errors"]]


def alive(name: str) -> bool:
    process = apart._going.get(name)
    return process is not None and process.is_alive()


def until_gone(name: str) -> None:
    ends = time.monotonic() + 20
    while alive(name) and time.monotonic() < ends:
        time.sleep(0.02)
    assert not alive(name)


def test_work_apart_ends_with_who_listens() -> None:
    assert list(lines_apart("three", 30, count_up, 3)) == ["0\n", "1\n", "2\n"]
    lines: Iterator[str] = lines_apart("left", 30, count_up, 10_000)
    assert next(lines) == "0\n"
    assert alive("left")
    lines.close()  # type: ignore[attr-defined] # a generator
    until_gone("left")


def test_newer_work_of_a_name_ends_the_older_and_so_does_its_owner() -> None:
    older = lines_apart("one", 30, count_up, 10_000)
    next(older)
    newer = lines_apart("one", 30, count_up, 10_000)
    next(newer)
    with pytest.raises(BrokenOffError):
        list(older)
    assert alive("one")
    end_work("one")
    with pytest.raises(BrokenOffError):
        list(newer)
    until_gone("one")


def test_work_that_fails_or_takes_too_long_is_told() -> None:
    broken = lines_apart("broken", 30, break_down)
    assert next(broken) == "begun\n"
    with pytest.raises(BrokenOffError):
        next(broken)
    slow = lines_apart("slow", 0.5, count_up, 10_000)
    with pytest.raises(BrokenOffError):
        list(slow)
    until_gone("slow")
