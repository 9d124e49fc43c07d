"""How sure figures are, asked and narrowed through the API."""

from __future__ import annotations

import json
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client

from nolbet.gardens.models import Garden
from nolbet.plans.storing import store_plan
from nolbet.plans.whole import whole_plan
from nolbet_core.built.plan_file import read_plan
from tests.core import zoo

LAYERS = [{"material": "compost", "thickness_m": 0.2}, {"material": "topsoil", "fill": True}]


@pytest.fixture
def ground(gardener: User) -> Garden:
    """A garden of one bed with a yard that sells compost in bags and loose."""
    document = zoo.plan(zoo.bed(layers=LAYERS), suppliers=zoo.SUPPLIERS)
    return store_plan(gardener.pk, read_plan(document).plan)


def sure(client: Client, garden: Garden) -> dict[str, Any]:
    answer = client.get(f"/api/gardens/{garden.pk}/figure/sure")
    assert answer.status_code == 200
    found: dict[str, Any] = answer.json()
    return found


def wide(told: dict[str, Any], of: str, figure: str) -> float:
    """How wide a band is."""
    all_of = [*told["beds"], *told["needs"]]
    found = next(each for each in all_of if of in (each.get("key"), each.get("material")))
    band = next((each for each in found["figures"] if each["figure"] == figure), None)
    return 0.0 if band is None else float(band["high"] - band["low"])


def take_in(client: Client, garden: Garden, **read: Any) -> Any:
    return client.post(f"/api/gardens/{garden.pk}/measured", json.dumps(read), content_type="application/json")


def test_what_is_measured_goes_where_it_belongs_and_narrows(signed_in: Client, ground: Garden) -> None:
    before = sure(signed_in, ground)
    assert take_in(signed_in, ground, way="depth_places", of="plain").status_code == 204
    assert whole_plan(ground).beds[0].depth_places == 5
    assert take_in(signed_in, ground, way="tape_again", of="plain").status_code == 204
    tread = take_in(signed_in, ground, way="tread_bucket", of="compost", volume_m3=0.010, trodden_m3=0.0088)
    assert tread.status_code == 204
    weigh = take_in(signed_in, ground, way="weigh_bucket", of="compost", volume_m3=0.010, mass_kg=6.5)
    assert weigh.status_code == 204
    ground.refresh_from_db()
    own = {each.key: each for each in whole_plan(ground).materials}["compost"]
    assert own.loose_factor == pytest.approx(0.010 / 0.0088)
    assert own.bulk_density_kg_m3 == pytest.approx(650 * own.loose_factor)
    after = sure(signed_in, ground)
    for of, figure in (("plain", "placed_m3"), ("plain", "mass_moist_kg"), ("compost", "to_buy_m3")):
        assert wide(after, of, figure) < 0.95 * wide(before, of, figure)
    shelf = signed_in.get(f"/api/gardens/{ground.pk}/shelf/compost").json()
    assert {each["name"]: each["source"] for each in shelf}["loose_factor"] == "yours"


def test_a_bag_that_was_tipped_out_and_prices_that_were_asked(signed_in: Client, ground: Garden) -> None:
    before = sure(signed_in, ground)
    bag = take_in(signed_in, ground, way="check_bag", of="compost", volume_m3=0.040, trodden_m3=0.038)
    assert bag.status_code == 204
    assert take_in(signed_in, ground, way="ask_price", of="yard").status_code == 204
    ground.refresh_from_db()
    offers = whole_plan(ground).suppliers[0].offers
    assert offers[0].checked_m3 == pytest.approx(0.038)  # type: ignore[union-attr] # the first comes in bags
    assert all(each.priced_on is not None for each in offers)
    after = sure(signed_in, ground)
    assert after["total"]["high"] - after["total"]["low"] < before["total"]["high"] - before["total"]["low"]
    assert {"label", "price"} & {each["source"] for each in after["total"]["rests_on"]} == set()


def test_a_draft_is_told_as_the_kept_bed_is(signed_in: Client, ground: Garden) -> None:
    address = f"/api/gardens/{ground.pk}/figure/sure"
    body = {"bed": zoo.bed(layers=LAYERS)}
    draft = signed_in.post(address, json.dumps(body), content_type="application/json").json()
    kept = sure(signed_in, ground)["beds"][0]
    assert [(each["figure"], each["low"], each["high"]) for each in draft["figures"]] == [
        (each["figure"], pytest.approx(each["low"]), pytest.approx(each["high"])) for each in kept["figures"]
    ]


@pytest.mark.parametrize(
    ("read", "status", "path"),
    [
        ({"way": "tread_bucket", "of": "compost", "volume_m3": 0.01}, 422, "trodden_m3"),
        ({"way": "check_bag", "of": "compost", "volume_m3": 0.04}, 422, "volume_m3"),
        ({"way": "fill_voids", "of": "moon_dust", "volume_m3": 0.01, "water_m3": 0.005}, 404, None),
        ({"way": "depth_places", "of": "nowhere"}, 404, None),
        ({"way": "guess", "of": "compost"}, 422, "way"),
    ],
)
def test_what_cannot_be_is_refused_and_changes_nothing(
    signed_in: Client, ground: Garden, read: dict[str, Any], status: int, path: str | None
) -> None:
    before = whole_plan(ground)
    answer = take_in(signed_in, ground, **read)
    assert answer.status_code == status
    if path:
        assert [each["path"] for each in answer.json()["errors"]] == [path]
    ground.refresh_from_db()
    assert whole_plan(ground) == before
