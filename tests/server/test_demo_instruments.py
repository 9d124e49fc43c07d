"""The demo's tank with its probe and its dips, and every bed of the demo looked ahead for."""

from __future__ import annotations

from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client

from nolbet.demo.load import DIPS, TANK, load_demo
from nolbet.demo.sign_in import GARDENER
from nolbet.gardens.models import Garden
from tests.server.asking import send


@pytest.fixture
def household(db: None) -> tuple[Client, Garden]:
    """The demo gardener, signed in, and the household's garden."""
    load_demo()
    client = Client()
    client.force_login(User.objects.get(username=GARDENER))
    return client, Garden.objects.get()


def test_the_tank_has_a_probe_and_a_summer_of_dips(household: tuple[Client, Garden]) -> None:
    client, garden = household
    path = f"/api/gardens/{garden.pk}/beds/{TANK}"
    dips = client.get(f"{path}/dips").json()
    assert sorted(dip["level_m"] for dip in dips) == sorted(DIPS.values())
    told = client.get(f"{path}/told").json()
    assert told["readings"] > 300
    assert told["leaks"]
    send(client, "PUT", f"{path}/probe", {"leak_m3_day": 0.0, "seed": 4})
    assert not client.get(f"{path}/told").json()["leaks"]


def beds_of(household: tuple[Client, Garden]) -> list[tuple[str, dict[str, Any]]]:
    """Keys and plans of the demo's beds."""
    client, garden = household
    return [(each["key"], each["bed"]) for each in client.get(f"/api/gardens/{garden.pk}").json()["beds"]]


def test_every_bed_of_the_demo_has_a_future_and_schools(household: tuple[Client, Garden]) -> None:
    client, garden = household
    for key, bed in beds_of(household):
        coming = send(client, "POST", f"/api/gardens/{garden.pk}/figure/forecast", {"bed": bed}).json()
        # a bed filled two springs ago has eight of its ten years before it
        assert len(coming["springs"]) == (8 if key == "brick_court" else 10), key
        assert all(low <= high + 1e-9 for low, high in zip(coming["low_m"], coming["high_m"], strict=True)), key
        schools = send(client, "POST", f"/api/gardens/{garden.pk}/figure/schools", {"bed": bed}).json()["schools"]
        assert any(school["unsuited"] is None for school in schools), key


def test_the_tank_holds_its_water_and_saves_some(household: tuple[Client, Garden]) -> None:
    client, garden = household
    tank = dict(beds_of(household))[TANK]
    year = send(client, "POST", f"/api/gardens/{garden.pk}/figure/water", {"bed": tank}).json()
    assert 0.1 < year["water_m3"] < 0.3
    assert 0 < year["saved_m3"]["middle"] < year["twin_m3"]["middle"]
    july = year["lasts_days"][6]
    assert july["low"] <= july["middle"] <= july["high"] < 60


def test_the_first_bed_has_four_ways_to_be_filled(household: tuple[Client, Garden]) -> None:
    client, garden = household
    bed = dict(beds_of(household))["long_table"]
    versions = send(client, "POST", f"/api/gardens/{garden.pk}/figure/compared", {"bed": bed}).json()["versions"]
    assert [each["index"] for each in versions] == [None, 0, 1, 2]
    assert len({each["figures"]["placed_m3"] for each in versions}) > 1
    assert all(each["cost"] is not None for each in versions)
