"""Taking kept beds apart: bed, shelf and heaps change together, once, and only as the bed was looked at."""

from __future__ import annotations

from typing import Any

import pytest
from django.test import Client

from nolbet.gardens.models import Garden
from tests.server.asking import send


@pytest.fixture
def filled(garden: Garden) -> Garden:
    """The garden with its plain bed filled three years ago, and another two alike."""
    bed = garden.beds.get(key="plain")
    bed.cut = bed.cut | {"built_on": "2023-10-01"}
    bed.count = 2
    bed.save()
    return garden


def empty(client: Client, garden: Garden, **wish: Any) -> Any:
    return send(client, "POST", f"/api/gardens/{garden.pk}/beds/plain/empty", {"revision": 1, **wish})


def test_a_whole_bed_comes_onto_the_heaps_once(signed_in: Client, filled: Garden) -> None:
    before = filled.stock.count()
    answer = empty(signed_in, filled)
    assert answer.status_code == 200
    kept = answer.json()
    assert (kept["state"], kept["revision"], kept["bed"]["emptied_on"]) == ("emptied", 2, "2026-10-20")
    heaps = list(filled.stock.filter(material__startswith="used").values_list("material", "volume_m3"))
    own = set(filled.materials.values_list("key", flat=True))
    assert heaps
    assert {material for material, _ in heaps} == own
    again = empty(signed_in, filled)
    assert again.status_code == 409
    assert filled.stock.count() == before + len(heaps)
    figures = signed_in.get(f"/api/gardens/{filled.pk}/figure").json()["figures"]
    assert not [bed for need in figures["needs"] for bed in need["beds"] if bed["bed"] == "plain"]


def test_a_bed_dug_out_half_keeps_the_rest_as_laid(signed_in: Client, filled: Garden) -> None:
    kept = empty(signed_in, filled, down_to_m=0.2).json()
    assert kept["state"] == "filling"
    assert set(kept["bed"]["laid"]) == {1.0}
    left = sum(layer["volume_m3"] for layer in kept["bed"]["layers"])
    area = 2.0
    assert left == pytest.approx(0.2 * area, abs=1e-6)


def test_a_planned_bed_has_nothing_to_take_out(signed_in: Client, garden: Garden) -> None:
    heaps = garden.stock.count()
    answer = empty(signed_in, garden)
    assert answer.status_code == 422
    assert "nothing in the bed" in answer.json()["detail"]
    assert (garden.stock.count(), garden.materials.count()) == (heaps, 0)


def test_typical_climates_are_listed_for_each_half(signed_in: Client) -> None:
    north, south = (signed_in.get(f"/api/climates/{half}").json() for half in ("north", "south"))
    assert [each["key"] for each in north] == [each["key"] for each in south]
    (one,) = [each for each in south if each["key"] == "oceanic"]
    assert one["latitude_deg"] < 0
    assert one["normals"][0]["tmax_c"] > one["normals"][6]["tmax_c"]
    assert signed_in.get("/api/climates/west").status_code == 422


def test_what_is_known_of_a_place_is_kept_and_comes_out_with_the_plan(signed_in: Client, garden: Garden) -> None:
    facts = {"hemisphere": "south", "ants": True, "burrowers": False, "water_table_m": 1.2, "wettest_day_mm": 60.0}
    head = {"name": "Here", "units": "metric", **facts}
    kept = send(signed_in, "PUT", f"/api/gardens/{garden.pk}", {"revision": 0, "garden": head})
    assert kept.status_code == 200
    plan = signed_in.get(f"/api/gardens/{garden.pk}/plan").json()
    assert {key: plan["garden"][key] for key in facts} == facts
