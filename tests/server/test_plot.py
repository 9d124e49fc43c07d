"""The plot through the API: drafts of it, saving by revision, plan files with one, sizing."""

from __future__ import annotations

from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client

from nolbet.gardens.models import Garden
from nolbet.plans.storing import store_plan
from nolbet.plans.whole import whole_plan
from nolbet_core.built.plan_file import read_plan
from tests.core import zoo
from tests.core.shapes import EVERY_SHAPE, layers, shape
from tests.server.asking import send

GROUND: dict[str, Any] = {
    "corners_m": [[0.0, 0.0], [10.0, 0.0], [10.0, 8.0], [0.0, 8.0]],
    "courses": [{"material": "topsoil", "thickness_m": 0.1}],
}
PLACED = zoo.bed(key="one", name="One", places=[{"x_m": 3.0, "y_m": 2.0}])


@pytest.fixture
def ground(gardener: User) -> Garden:
    """A garden with a plot and two beds, one of them laid on it."""
    document = zoo.plan(PLACED, zoo.bed(key="two", name="Two"), garden={"name": "Ground", "plot": GROUND})
    return store_plan(gardener.pk, read_plan(document).plan)


def at(garden: Garden, path: str) -> str:
    """A path of a garden's API."""
    return f"/api/gardens/{garden.pk}{path}"


def test_a_draft_plot_is_figured_and_not_kept(signed_in: Client, ground: Garden) -> None:
    places = {"two": [{"x_m": 3.0, "y_m": 2.5}], "nosuch": [{"x_m": 0.0, "y_m": 0.0}]}
    body = send(signed_in, "POST", at(ground, "/figure/plot"), {"places": places}).json()
    assert [each["key"] for each in body["placed"]] == ["one", "two"]
    assert body["clashes"][0]["area_m2"] == pytest.approx(1.0)
    assert body["path_m2"] == pytest.approx(80 - 3)
    larger = {**GROUND, "corners_m": [[0.0, 0.0], [20.0, 0.0], [20.0, 8.0], [0.0, 8.0]]}
    body = send(signed_in, "POST", at(ground, "/figure/plot"), {"plot": larger}).json()
    assert body["path_m2"] == pytest.approx(158)
    assert (
        whole_plan(Garden.objects.get(pk=ground.pk)).garden.plot
        == read_plan(zoo.plan(garden={"name": "Ground", "plot": GROUND})).plan.garden.plot
    )


def test_places_beyond_the_beds_alike_are_left_out_of_a_draft(signed_in: Client, ground: Garden) -> None:
    places = {"two": [{"x_m": 7.0, "y_m": 2.0}, {"x_m": 7.0, "y_m": 6.0}]}
    body = send(signed_in, "POST", at(ground, "/figure/plot"), {"places": places}).json()
    assert len(body["placed"]) == 2


def test_without_ground_there_is_nothing_to_lay_on(signed_in: Client, garden: Garden) -> None:
    for path, body in (("/figure/plot", {}), ("/figure/room", {"length_m": 2.0, "width_m": 1.0})):
        answer = send(signed_in, "POST", at(garden, path), body)
        assert answer.status_code == 422
        assert "measured first" in answer.json()["detail"]


def test_a_plot_is_saved_by_its_revision(signed_in: Client, ground: Garden) -> None:
    changed = GROUND | {"north_deg": 20.0}
    kept = send(signed_in, "PUT", at(ground, "/plot"), {"revision": 0, "plot": changed})
    assert kept.status_code == 200
    assert (kept.json()["plot_revision"], kept.json()["garden"]["plot"]["north_deg"]) == (1, 20.0)
    stale = send(signed_in, "PUT", at(ground, "/plot"), {"revision": 0, "plot": GROUND})
    assert stale.status_code == 409
    assert Garden.objects.get(pk=ground.pk).plot["north_deg"] == 20.0  # type: ignore[index]  # kept above


@pytest.mark.parametrize(
    ("plot", "path"),
    [
        ({"corners_m": [[0, 0], [2, 2], [2, 0], [0, 2]]}, "plot.corners_m[2]"),
        ({"corners_m": [[0, 0], [2, 2]]}, "plot.corners_m"),
        (GROUND | {"courses": [{"material": "nosuch", "thickness_m": 0.1}]}, "plot.courses[0].material"),
    ],
)
def test_a_plot_that_does_not_hold_together_is_refused(
    signed_in: Client, ground: Garden, plot: dict[str, Any], path: str
) -> None:
    answer = send(signed_in, "PUT", at(ground, "/plot"), {"revision": 0, "plot": plot})
    assert answer.status_code == 422
    assert answer.json()["errors"][0]["path"].endswith(path)
    assert Garden.objects.get(pk=ground.pk).plot_revision == 0


def test_changing_the_garden_leaves_its_plot(signed_in: Client, ground: Garden) -> None:
    answer = send(signed_in, "PUT", at(ground, ""), {"revision": 0, "garden": {"name": "Renamed"}})
    assert answer.json()["garden"]["plot"]["corners_m"] == GROUND["corners_m"]
    assert answer.json()["garden"]["name"] == "Renamed"


def test_paths_are_in_the_gardens_needs_and_not_in_one_beds(signed_in: Client, ground: Garden) -> None:
    def topsoil(body: dict[str, Any]) -> float:
        return float(next(need["placed_m3"] for need in body["needs"] if need["material"] == "topsoil"))

    assert topsoil(signed_in.get(at(ground, "/figure")).json()["figures"]) == pytest.approx(2 * 1.0 + 7.8)
    alone = send(signed_in, "POST", at(ground, "/figure/buying"), {"bed": PLACED}).json()
    assert topsoil(alone) == pytest.approx(1.0)


def test_a_plan_file_brings_its_plot(signed_in: Client, garden: Garden, ground: Garden) -> None:
    text = signed_in.get(at(ground, "/plan")).content.decode()
    review = send(signed_in, "POST", at(garden, "/import/preview"), {"text": text}).json()
    assert {(each["kind"], each["state"]) for each in review["changes"]} == {("bed", "new"), ("plot", "new")}
    assert send(signed_in, "POST", at(garden, "/import"), {"text": text}).status_code == 200
    review = send(signed_in, "POST", at(garden, "/import/preview"), {"text": text}).json()
    assert {each["state"] for each in review["changes"]} == {"same"}
    copied = send(signed_in, "POST", at(ground, "/copy"), {}).json()
    assert copied["garden"]["plot"]["corners_m"] == GROUND["corners_m"]


@pytest.mark.parametrize("kind", list(EVERY_SHAPE))
def test_every_shape_is_kept_and_comes_back_as_it_was(signed_in: Client, garden: Garden, kind: str) -> None:
    bed = {"key": kind, "name": "Odd", "shape": shape(kind), "layers": layers(kind)}
    made = send(signed_in, "POST", at(garden, "/beds"), {"bed": bed})
    assert made.status_code == 201
    back = signed_in.get(at(garden, "")).json()["beds"][-1]["bed"]
    assert back["shape"] == bed["shape"]


def test_a_shape_that_cannot_be_is_refused_by_its_key(signed_in: Client, garden: Garden) -> None:
    for measures, path in (({"kind": "nosuch"}, "bed.shape.kind"), (shape("keyhole", path_width_m=0.9), "path_width_m"),
                           (shape("circle", diameter_m=-1), "bed.shape.diameter_m")):  # fmt: skip
        answer = send(signed_in, "POST", at(garden, "/figure/bed"), {"bed": zoo.bed(shape=measures)})
        assert answer.status_code == 422
        assert answer.json()["errors"][0]["path"].endswith(path)


def test_bags_into_a_bed_stand_so_high(signed_in: Client, garden: Garden) -> None:
    tub = {"key": "tub", "shape": shape("round_tub"), "layers": []}
    body = {"material": "compost", "bags": 2, "bag_m3": 0.04, "bed": tub}
    into = send(signed_in, "POST", at(garden, "/figure/spread"), body).json()
    assert into["placed_m3"] == pytest.approx(0.08 / 1.15)
    assert 0.4 < into["depth_m"] < 0.45 and into["over_m"] == 0
    over = send(signed_in, "POST", at(garden, "/figure/spread"), body | {"bags": 4}).json()
    assert over["over_m"] == pytest.approx(over["depth_m"] - 0.45)
    loose = send(signed_in, "POST", at(garden, "/figure/spread"),
                 {"material": "compost", "volume_m3": 0.92, "depth_m": 0.1}).json()  # fmt: skip
    assert loose["area_m2"] == pytest.approx(8.0)


@pytest.mark.parametrize(
    ("path", "body", "said"),
    [
        ("/figure/boards", {"boards": 1, "board_m": 1.0, "wall_m": 0.04, "width_m": 1.2}, "don't go round"),
        ("/figure/liner", {"length_m": 2.0, "width_m": 1.0, "up_m": 0.6}, "doesn't run up"),
        ("/figure/corners", {"sides_m": [1.0, 1.0, 5.0]}, "don't close"),
        ("/figure/spread", {"material": "compost", "depth_m": 0.1}, "say what one bag holds"),
    ],
)
def test_sizing_that_cannot_be_says_why(
    signed_in: Client, garden: Garden, path: str, body: dict[str, Any], said: str
) -> None:
    answer = send(signed_in, "POST", at(garden, path), body)
    assert answer.status_code == 422
    assert said in answer.json()["detail"]
