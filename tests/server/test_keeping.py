"""What a garden keeps beside its beds: suppliers, heaps, own materials; and sizing the other way round."""

from __future__ import annotations

from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client

from nolbet.gardens.keys import key_for
from nolbet.gardens.models import Garden
from nolbet.plans.storing import store_plan
from nolbet.plans.supplies import garden_supplies
from nolbet.plans.whole import whole_plan
from nolbet_core.built.plan_file import read_plan
from tests.core import zoo
from tests.server.asking import send

BAG = {"form": "bag", "material": "topsoil", "volume_m3": 0.05, "price": "8.90"}
BULK = {
    "form": "bulk",
    "material": "topsoil",
    "price_per_m3": "62.781630",
    "step_m3": 0.382277,
    "minimum_m3": 0.764554,
    "load_m3": 4.0,
}


def at(garden: Garden, path: str) -> str:
    """An address within a garden."""
    return f"/api/gardens/{garden.pk}{path}"


def save(client: Client, garden: Garden, revision: int = 1, **changed: Any) -> Any:
    """The answer to saving changed suppliers or heaps, those not named as they are kept."""
    kept = client.get(at(garden, "/sources")).json()["sources"]
    return send(client, "PUT", at(garden, "/sources"), {"revision": revision, "sources": kept | changed})


def yard(**changed: Any) -> list[dict[str, Any]]:
    """One supplier, with its offers."""
    return [{"key": "yard", "name": "Pennyfold", "offers": [BAG], **changed}]


def test_sources_are_the_plans_own(signed_in: Client, garden: Garden) -> None:
    answer = signed_in.get(at(garden, "/sources")).json()
    sources = answer["sources"]
    assert answer["revision"] == 1
    assert [supplier["key"] for supplier in sources["suppliers"]] == ["yard"]
    assert sources["suppliers"][0]["offers"] == [offer | {"fetch": False} for offer in zoo.SUPPLIERS[0]["offers"]]
    assert sources["stock"] == [{"material": "branches", "volume_m3": 0.05}]


def test_suppliers_are_kept_with_all_their_offers_say(signed_in: Client, garden: Garden) -> None:
    second = {"key": "other", "name": "Other", "delivery": "45.00", "offers": [BAG, BULK]}
    saved = save(signed_in, garden, suppliers=[*yard(), second]).json()
    assert saved["revision"] == 2
    first, kept = saved["sources"]["suppliers"]
    assert first["delivery"] == "0.00"
    assert kept["offers"] == [BAG | {"fetch": False}, BULK | {"fetch": False, "price_per_m3": "62.78163"}]
    assert [each.key for each in whole_plan(Garden.objects.get(pk=garden.pk)).suppliers] == ["yard", "other"]


def test_a_forgotten_supplier_sells_nothing_and_comes_back_by_undo(signed_in: Client, garden: Garden) -> None:
    before = signed_in.get(at(garden, "/sources")).json()["sources"]
    assert save(signed_in, garden, suppliers=[]).status_code == 200
    assert signed_in.get(at(garden, "/figure")).json()["figures"]["haul"] is None
    history = signed_in.get(at(garden, "/history/sources/sources")).json()
    assert (history["past"], history["future"]) == ([1], [])
    (was,) = [each["document"] for each in history["versions"] if each["revision"] == 1]
    body = {"revision": 2, "restores": 1, "sources": was}
    assert send(signed_in, "PUT", at(garden, "/sources"), body).json()["sources"] == before
    history = signed_in.get(at(garden, "/history/sources/sources")).json()
    assert (history["past"], history["future"]) == ([], [2])


def test_a_save_that_comes_too_late_changes_nothing(signed_in: Client, garden: Garden) -> None:
    assert save(signed_in, garden, suppliers=yard()).status_code == 200
    late = save(signed_in, garden, suppliers=[])
    assert late.status_code == 409
    assert "Suppliers or heaps" in late.json()["detail"]
    assert len(signed_in.get(at(garden, "/sources")).json()["sources"]["suppliers"]) == 1


@pytest.mark.parametrize(
    ("offer", "said"),
    [
        (BAG | {"material": "nosuch"}, "isn't on the shelf"),
        (BAG | {"volume_m3": 0}, "greater than or equal to 0.0001"),
        (BAG | {"price": "8.905"}, "to the cent"),
        (BAG | {"price": "-1"}, "decimal string"),
        (BAG | {"colour": "red"}, "not permitted"),
        (BULK | {"step_m3": -1}, "greater than or equal to 0.001"),
    ],
)
def test_an_offer_that_makes_no_sense_is_refused(
    signed_in: Client, garden: Garden, offer: dict[str, Any], said: str
) -> None:
    answer = save(signed_in, garden, suppliers=yard(offers=[offer]))
    assert answer.status_code == 422
    assert any(said in error["message"] for error in answer.json()["errors"])
    assert len(whole_plan(garden).suppliers[0].offers) == 2


def test_heaps_are_replaced_as_a_whole(signed_in: Client, garden: Garden) -> None:
    heaps = [{"material": "leaves", "volume_m3": 1.5}, {"material": "compost", "volume_m3": 0.2}]
    assert save(signed_in, garden, stock=heaps).json()["sources"]["stock"] == heaps
    refused = save(signed_in, garden, 2, stock=[{"material": "nosuch", "volume_m3": 1}])
    assert refused.json()["errors"][0]["path"] == "stock[0].material"
    assert signed_in.get(at(garden, "/sources")).json()["sources"]["stock"] == heaps


def test_an_own_material_is_made_changed_and_taken_off(signed_in: Client, garden: Garden) -> None:
    made = send(signed_in, "POST", at(garden, "/materials"), {"key": "x", "like": "compost", "name": "Heap compost"})
    assert made.status_code == 201
    assert made.json()["key"] == "heap_compost"
    changed = send(
        signed_in,
        "PUT",
        at(garden, "/materials/heap_compost"),
        {"material": {"key": "heap_compost", "like": "compost", "bulk_density_kg_m3": 700}, "revision": 1},
    )
    assert changed.json()["name"] == "Heap compost"
    assert "heap_compost" in {each["key"] for each in signed_in.get(at(garden, "/shelf")).json()}
    figures = {each["name"]: each for each in signed_in.get(at(garden, "/shelf/heap_compost")).json()}
    assert figures["bulk_density_kg_m3"]["value"] == 700
    assert not figures["bulk_density_kg_m3"]["is_default"]
    assert figures["moisture"]["is_default"]
    assert signed_in.delete(at(garden, "/materials/heap_compost")).status_code == 204
    assert signed_in.delete(at(garden, "/materials/heap_compost")).status_code == 404


def test_an_own_material_without_a_name_takes_its_models(signed_in: Client, garden: Garden) -> None:
    made = send(signed_in, "POST", at(garden, "/materials"), {"key": "x", "like": "compost"}).json()
    assert (made["key"], made["name"]) == ("compost_2", "Compost")


@pytest.mark.parametrize(
    ("body", "path"),
    [
        ({"key": "x", "like": "nosuch"}, "like"),
        ({"key": "x", "like": "compost", "moisture": 1.5}, "moisture"),
        ({"key": "x", "like": "compost", "loose_factor": 0.5}, "loose_factor"),
        ({"key": "x", "like": "compost", "smell": 1}, "smell"),
    ],
)
def test_an_own_material_that_makes_no_sense_is_refused(
    signed_in: Client, garden: Garden, body: dict[str, Any], path: str
) -> None:
    answer = send(signed_in, "POST", at(garden, "/materials"), body)
    assert answer.status_code == 422
    assert path in answer.json()["errors"][0]["path"]
    assert garden.materials.count() == 0


def test_what_something_is_made_of_stays_on_the_shelf(signed_in: Client, gardener: User) -> None:
    document = zoo.plan(
        zoo.bed(name="Plain", layers=[{"material": "heap", "fill": True}]),
        zoo.bed(
            key="other", name="Other", layers=[{"material": "branches", "fill": True, "infill": {"material": "heap"}}]
        ),
        materials=[{"key": "heap", "like": "compost", "name": "Heap"}],
        mixes=[{"key": "half", "name": "Half", "parts": [{"material": "heap", "parts": 1}]}],
        stock=[{"material": "heap", "volume_m3": 1}],
    )
    garden = store_plan(gardener.pk, read_plan(document).plan)
    refused = signed_in.delete(at(garden, "/materials/heap"))
    assert refused.status_code == 409
    for user in ("Plain", "Other", "Half", "your heaps"):
        assert user in refused.json()["detail"]
    assert garden.materials.count() == 1


def test_a_changed_shelf_shows_in_the_next_figures(signed_in: Client, garden: Garden) -> None:
    send(signed_in, "POST", at(garden, "/materials"), {"key": "x", "like": "topsoil", "name": "Own soil"})
    bed = zoo.bed(layers=[{"material": "own_soil", "fill": True}])
    before = send(signed_in, "POST", at(garden, "/figure/bed"), {"bed": bed}).json()["mass_moist_kg"]
    body = {"key": "own_soil", "like": "topsoil", "bulk_density_kg_m3": 1000}
    send(signed_in, "PUT", at(garden, "/materials/own_soil"), {"material": body})
    after = send(signed_in, "POST", at(garden, "/figure/bed"), {"bed": bed}).json()["mass_moist_kg"]
    assert (before, after) == (pytest.approx(1322.5 / 0.88), pytest.approx(1000))


def test_each_garden_has_a_shelf_of_its_own(gardener: User, stranger: User) -> None:
    document = zoo.plan(materials=[{"key": "heap", "like": "compost", "name": "Heap"}])
    mine = store_plan(gardener.pk, read_plan(document).plan)
    theirs = store_plan(stranger.pk, read_plan(zoo.plan()).plan)
    assert "heap" in garden_supplies(mine).materials
    assert "heap" not in garden_supplies(theirs).materials


def test_bags_lie_so_deep_over_an_area_and_cover_so_much_at_a_depth(signed_in: Client, garden: Garden) -> None:
    bags = {"material": "compost", "bags": 23, "bag_m3": 0.04}
    deep = send(signed_in, "POST", at(garden, "/figure/spread"), bags | {"over_m": [4, 2]}).json()
    assert deep == pytest.approx({"placed_m3": 0.8, "area_m2": 8.0, "depth_m": 0.1, "over_m": 0.0})
    wide = send(signed_in, "POST", at(garden, "/figure/spread"), bags | {"depth_m": 0.05}).json()
    assert wide["area_m2"] == pytest.approx(16.0)


@pytest.mark.parametrize(
    ("change", "path"),
    [({}, "over_m"), ({"material": "nosuch", "depth_m": 1}, "material"), ({"bags": 0, "depth_m": 1}, "bags")],
)
def test_a_spread_that_lacks_something_says_what(
    signed_in: Client, garden: Garden, change: dict[str, Any], path: str
) -> None:
    body = {"material": "compost", "bags": 23, "bag_m3": 0.04} | change
    answer = send(signed_in, "POST", at(garden, "/figure/spread"), body)
    assert answer.status_code == 422
    assert path in answer.json()["errors"][0]["path"]


def test_a_whole_plan_comes_back_as_it_was_stored(gardener: User) -> None:
    document = zoo.plan(
        zoo.bed(name="Plain", wall_m=0.05, measured="outside", corner_depths_m=[0.4, 0.4, 0.5, 0.5]),
        zoo.MIXED_AMOUNTS | {"name": "Mixed", "count": 3, "seen": [{"code": "dust", "reason": "masks are here"}]},
        materials=[{"key": "heap", "like": "compost", "name": "Heap", "bulk_density_kg_m3": 700.0}],
        mixes=[{"key": "half", "name": "Half", "parts": [{"material": "heap", "parts": 1.0}]}],
        stock=[{"material": "heap", "volume_m3": 1.0}, {"material": "leaves", "volume_m3": 2.0}],
        suppliers=[
            {"key": "b", "name": "B", "delivery": "1.00", "offers": [BULK, BAG | {"fetch": True}]},
            {"key": "a", "name": "A", "delivery": "0.00", "offers": []},
        ],
    )
    plan = read_plan(document).plan
    assert whole_plan(store_plan(gardener.pk, plan)) == plan


@pytest.mark.parametrize(
    ("name", "taken", "key"),
    [
        ("Long table", [], "long_table"),
        ("Long table", ["long_table"], "long_table_2"),
        ("Long table", ["long_table", "long_table_2"], "long_table_3"),
        ("Café bed №1", [], "cafe_bed_no1"),
        ("4 x 8", [], "own_4_x_8"),
        ("!!!", [], "own"),
        ("a" * 90, [], "a" * 50),
    ],
)
def test_keys_are_made_from_names(name: str, taken: list[str], key: str) -> None:
    assert key_for(name, taken) == key
