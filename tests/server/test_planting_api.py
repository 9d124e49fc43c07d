"""Own crops are kept and refused in words; a bed's sun and the garden's calendar are told."""

from __future__ import annotations

from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client

from nolbet.gardens.models import Garden
from nolbet.plans.storing import store_plan
from nolbet_core.built.plan_file import read_plan
from tests.core import zoo
from tests.server.asking import send

pytestmark = pytest.mark.django_db

PLOT = {
    "corners_m": [[0, 0], [9, 0], [9, 6], [0, 6]],
    "fixed": [{"kind": "wall", "line_m": [[0, 1], [9, 1]], "height_m": 2}],
}
GIANT = {"key": "giant_kale", "like": "kale", "name": "Giant kale", "spacing_m": 0.9}


@pytest.fixture
def garden(client: Client, gardener: User) -> Garden:
    """A garden with one bed that is planted, on a measured plot."""
    bed = zoo.bed(
        layers=[{"material": "topsoil", "fill": True}],
        places=[{"x_m": 4.0, "y_m": 3.0}],
        crops=[{"crop": "lettuce", "count": 6, "every_weeks": 3, "from": "2030-05-02"}],
    )
    head = {"name": "Test ground", "latitude_deg": 50.0, "plot": PLOT}
    client.force_login(gardener)
    return store_plan(gardener.pk, read_plan(zoo.plan(bed, garden=head)).plan)


def crops_path(garden: Garden) -> str:
    return f"/api/gardens/{garden.pk}/crops"


def test_an_own_crop_stands_on_the_shelf_and_in_beds(client: Client, garden: Garden) -> None:
    assert send(client, "put", f"{crops_path(garden)}/own", {"crops": [GIANT]}).status_code == 200
    shelf = {each["key"]: each for each in client.get(crops_path(garden)).json()}
    assert shelf["giant_kale"]["is_own"]
    assert not shelf["kale"]["is_own"]
    assert shelf["giant_kale"]["spacing_m"] == 0.9
    sources = {each["name"]: each["source"] for each in shelf["giant_kale"]["figures"]}
    assert sources["spacing_m"] != sources["root_depth_m"]
    bed = {**zoo.bed(), "crops": [{"crop": "giant_kale"}]}
    told = send(client, "post", f"/api/gardens/{garden.pk}/figure/bed", {"bed": bed}).json()
    assert told["planting"][0]["spread_m"] == 0.9


def test_a_crop_that_grows_somewhere_is_not_forgotten(client: Client, garden: Garden) -> None:
    own = f"{crops_path(garden)}/own"
    send(client, "put", own, {"crops": [GIANT]})
    kept = garden.beds.get()
    cut = {**kept.cut, "crops": [{"crop": "giant_kale"}]}
    changed = {"revision": kept.revision, "bed": {**cut, "key": kept.key, "name": kept.name}}
    assert send(client, "put", f"/api/gardens/{garden.pk}/beds/{kept.key}", changed).status_code == 200
    refused = send(client, "put", own, {"crops": []})
    assert refused.status_code == 409
    assert "giant_kale grows in" in refused.json()["detail"]
    assert client.get(own).json()[0]["key"] == "giant_kale"


@pytest.mark.parametrize(
    ("crop", "said"),
    [
        ({"key": "odd", "like": "kal"}, "did you mean kale"),
        ({"key": "kale", "like": "kale"}, "is taken already"),
        ({"key": "odd", "like": "kale", "spacing_m": 0}, "greater than or equal"),
    ],
)
def test_a_crop_that_does_not_hold_is_refused_in_words(
    client: Client, garden: Garden, crop: dict[str, Any], said: str
) -> None:
    refused = send(client, "put", f"{crops_path(garden)}/own", {"crops": [crop]})
    assert refused.status_code == 422
    assert said in str(refused.json())
    assert client.get(f"{crops_path(garden)}/own").json() == []


def test_the_sun_of_a_draft_is_told_by_month(client: Client, garden: Garden) -> None:
    bed = zoo.bed(places=[{"x_m": 4.0, "y_m": 3.0}])
    told = send(client, "post", f"/api/gardens/{garden.pk}/figure/sun", {"bed": bed}).json()
    assert len(told["points"]) == len(told["hours"])
    assert all(len(row) == 12 for row in told["hours"])
    june, december = (max(row[month] for row in told["hours"]) for month in (5, 11))
    assert june > 2 * december
    nowhere = send(client, "post", f"/api/gardens/{garden.pk}/figure/sun", {"bed": zoo.bed()}).json()
    assert nowhere["points"] == []
    assert "plot" in nowhere["why_not"]


def test_the_calendar_holds_each_sowing(client: Client, garden: Garden) -> None:
    days = client.get(f"/api/gardens/{garden.pk}/figure/sowing").json()
    sown = [each["on"] for each in days if each["do"] == "sow"]
    assert sown[:2] == ["2030-05-02", "2030-05-23"]
    assert {each["bed"] for each in days} == {garden.beds.get().key}


def test_what_is_said_of_neighbours_names_its_reason(client: Client, garden: Garden) -> None:
    asked = "crops=tomato&crops=basil&crops=kale&crops=nothing&crops=tomato"
    pairs = client.get(f"{crops_path(garden)}/neighbours?{asked}").json()
    # kale is one of the cabbages
    told = {(each["crop"], each["beside"], each["view"]) for each in pairs}
    assert told == {("tomato", "basil", "good"), ("tomato", "kale", "bad")}
    assert all(each["because"] for each in pairs)
    assert client.get(f"{crops_path(garden)}/neighbours").json() == []
    head = client.get(f"/api/gardens/{garden.pk}").json()
    view = {"crop": "kale", "beside": "tomato", "view": "good"}
    kept = send(
        client, "put", f"/api/gardens/{garden.pk}",
        {"revision": head["head_revision"], "garden": {**head["garden"], "plot": None, "neighbours": [view]}},
    )  # fmt: skip
    assert kept.status_code == 200, kept.content
    assert client.get(f"/api/gardens/{garden.pk}").json()["garden"]["neighbours"] == [view]
