"""The ground through the API: beds aligned, mirrored, laid in a rectangle, set out; floors, boards, paths, mixes."""

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
from tests.server.asking import send

GROUND: dict[str, Any] = {
    "corners_m": [[0.0, 0.0], [12.0, 0.0], [12.0, 9.0], [0.0, 9.0]],
    "aisle_m": 0.6,
    "fixed": [{"kind": "wall", "line_m": [[0.0, 9.0], [12.0, 9.0]], "across_m": 0.2}],
}


@pytest.fixture
def ground(gardener: User) -> Garden:
    """A garden with a plot, a bed on it, and four alike that lie nowhere."""
    one = zoo.bed(key="one", name="One", places=[{"x_m": 3.0, "y_m": 2.0}])
    document = zoo.plan(one, zoo.bed(key="row", count=4), garden={"name": "Ground", "plot": GROUND})
    return store_plan(gardener.pk, read_plan(document).plan)


def at(garden: Garden, path: str) -> str:
    """A path of a garden's API."""
    return f"/api/gardens/{garden.pk}{path}"


def aligned(client: Client, garden: Garden, **wish: Any) -> Any:
    return send(client, "POST", at(garden, "/figure/aligned"), {"bed": {"key": "one"}, **wish})


def test_a_bed_comes_to_lie_along_a_wall_and_where_its_mirror_image_is(signed_in: Client, ground: Garden) -> None:
    off = aligned(signed_in, ground, by="an_aisle_off", to_thing=0).json()
    assert (off["x_m"], off["y_m"]) == pytest.approx((3.0, 9.0 - 0.1 - 0.6 - 0.5))
    assert aligned(signed_in, ground, by="mirror_along").json()["x_m"] == pytest.approx(9.0)
    # what is drawn counts, not only what is kept
    moved = {"places": {"one": [{"x_m": 4.0, "y_m": 2.0}]}}
    assert aligned(signed_in, ground, by="mirror_along", **moved).json()["x_m"] == pytest.approx(8.0)


def test_a_wish_that_cant_be_is_told_with_its_place(signed_in: Client, ground: Garden) -> None:
    answer = aligned(signed_in, ground, by="left", to_bed={"key": "row"})
    assert answer.status_code == 422
    assert answer.json()["errors"][0]["path"] == "to_bed"


def test_rows_stay_within_what_was_drawn(signed_in: Client, ground: Garden) -> None:
    asked = {"beds": ["row"], "within_m": [[11.5, 8.5], [5.0, 3.5]]}
    (laid,) = send(signed_in, "POST", at(ground, "/figure/rows"), asked).json()["beds"]
    assert (len(laid["spots"]), laid["lacking"]) == (4, 0)
    assert all(5.5 <= spot["x_m"] <= 11 and 4 <= spot["y_m"] <= 8 for spot in laid["spots"])
    far = {"beds": ["row"], "within_m": [[0.0, 0.0], [900.0, 2.0]]}
    assert send(signed_in, "POST", at(ground, "/figure/rows"), far).status_code == 422


def test_the_plot_is_set_out_as_it_is_kept(signed_in: Client, ground: Garden, garden: Garden) -> None:
    told = signed_in.get(at(ground, "/figure/setting-out")).json()
    assert [bed["key"] for bed in told["beds"]] == ["one"]
    assert len(told["beds"][0]["pegs"]) == 4
    assert signed_in.get(at(garden, "/figure/setting-out")).json()["beds"] == []


def test_pieces_on_a_drafts_floor(signed_in: Client, ground: Garden) -> None:
    body = {"bed": zoo.bed(), "length_m": 0.5, "width_m": 0.25}
    told = send(signed_in, "POST", at(ground, "/figure/fit"), body).json()
    assert (told["count"], told["free_m2"]) == (16, pytest.approx(0.0))
    assert send(signed_in, "POST", at(ground, "/figure/fit"), {**body, "length_m": 0}).status_code == 422


BOARDS = {"material": "larch", "thickness_m": 0.03, "width_m": 0.15, "length_m": 3.0, "count": 5, "usable_m": 1.4}


def test_boards_are_kept_as_they_were_entered(signed_in: Client, ground: Garden) -> None:
    sources = {"suppliers": [], "stock": [BOARDS, {"material": "compost", "volume_m3": 0.4}]}
    kept = send(signed_in, "PUT", at(ground, "/sources"), {"revision": 0, "sources": sources})
    if kept.status_code == 409:
        revision = signed_in.get(at(ground, "/sources")).json()["revision"]
        kept = send(signed_in, "PUT", at(ground, "/sources"), {"revision": revision, "sources": sources})
    boards, compost = signed_in.get(at(ground, "/sources")).json()["sources"]["stock"]
    assert {key: boards[key] for key in BOARDS} == BOARDS
    assert boards["volume_m3"] == pytest.approx(5 * 0.03 * 0.15 * 3.0)
    assert compost["volume_m3"] == pytest.approx(0.4)
    assert whole_plan(Garden.objects.get(pk=ground.pk)).stock[0].is_boards


def test_boards_of_soil_are_refused_and_nothing_is_lost(signed_in: Client, ground: Garden) -> None:
    revision = signed_in.get(at(ground, "/sources")).json()["revision"]
    wrong = {"suppliers": [], "stock": [{**BOARDS, "material": "topsoil"}]}
    answer = send(signed_in, "PUT", at(ground, "/sources"), {"revision": revision, "sources": wrong})
    assert answer.status_code == 422
    assert signed_in.get(at(ground, "/sources")).json()["revision"] == revision


def test_paths_are_kept_with_the_plot_and_counted(signed_in: Client, ground: Garden) -> None:
    path = {"line_m": [[0.0, 5.0], [12.0, 5.0]], "width_m": 1.0, "dug_m": 0.08,
            "courses": [{"material": "wood_chips", "thickness_m": 0.08}]}  # fmt: skip
    revision = Garden.objects.get(pk=ground.pk).plot_revision
    body = {"revision": revision, "plot": {**GROUND, "paths": [path], "rest": "lawn"}}
    assert send(signed_in, "PUT", at(ground, "/plot"), body).status_code == 200
    figures = signed_in.get(at(ground, "/figure")).json()["figures"]
    assert figures["plot"]["paths"][0]["area_m2"] == pytest.approx(12.0)
    chips = next(need for need in figures["needs"] if need["material"] == "wood_chips")
    assert chips["placed_m3"] == pytest.approx(12.0 * 0.08)
    assert whole_plan(Garden.objects.get(pk=ground.pk)).garden.plot.rest == "lawn"


def test_a_mix_keeps_what_is_weighed_in(signed_in: Client, ground: Garden) -> None:
    dose = {"material": "lime", "dose_kg_m3": 1.25}
    mix = {"key": "sour", "name": "Sour", "parts": [{"material": "peat", "parts": 2}], "doses": [dose]}
    kept = send(signed_in, "POST", at(ground, "/mixes"), mix).json()
    assert kept["mix"]["doses"] == [dose]
    wrong = {**mix, "doses": [{"material": "wood_chips", "dose_kg_m3": 2.0}]}
    assert send(signed_in, "POST", at(ground, "/mixes"), wrong).status_code == 422
    told = send(signed_in, "POST", at(ground, "/figure/mix"), {"mix": kept["mix"]}).json()
    assert told["doses"][0]["bucket_kg"] == pytest.approx(0.0125)


PIT = {
    "kind": "trench", "top_length_m": 2.0, "top_width_m": 1.0, "bottom_length_m": 1.8, "bottom_width_m": 0.8,
    "depth_m": 0.4,
}  # fmt: skip
WOOD = [{"material": "broadleaf_logs", "fill": True}]


@pytest.fixture
def pitted(gardener: User) -> Garden:
    """A garden with a pit, a bed over it and one beside."""
    pit = zoo.bed(key="pit", name="Pit", shape=PIT, headspace_m=None, layers=WOOD)
    document = zoo.plan(pit, zoo.bed(key="over", name="Over", over="pit"), zoo.bed(key="other", name="Other"))
    return store_plan(gardener.pk, read_plan(document).plan)


def drafted(client: Client, garden: Garden, key: str, **changes: Any) -> Any:
    """Figures of a bed as kept, with changes."""
    bed = client.get(at(garden, "")).json()["beds"]
    words = next(each["bed"] for each in bed if each["key"] == key) | changes
    return send(client, "POST", at(garden, "/figure/bed"), {"bed": words}).json()


def test_a_draft_is_one_profile_with_the_pit_it_lies_over(signed_in: Client, pitted: Garden) -> None:
    kept, taken_off = drafted(signed_in, pitted, "over"), drafted(signed_in, pitted, "over", over=None)
    assert kept["section"]["pit"]["name"] == "Pit"
    assert taken_off["section"]["pit"] is None
    assert kept["surface_m"][120] < taken_off["surface_m"][120] - 0.01
    # another laid over it in a draft finds the pit as well, and the pit knows what lies over it
    assert drafted(signed_in, pitted, "other", over="pit")["section"]["pit"]["depth_m"] == pytest.approx(0.4)
    assert drafted(signed_in, pitted, "pit")["plants_need_kg"] == 0


def test_a_pit_that_is_gone_leaves_its_bed_whole(signed_in: Client, pitted: Garden) -> None:
    assert signed_in.delete(at(pitted, "/beds/pit")).status_code == 204
    assert drafted(signed_in, pitted, "over")["section"]["pit"] is None
    beds = signed_in.get(at(pitted, "/plan")).json()["beds"]
    assert [bed["key"] for bed in beds if "over" in bed] == []


def test_a_copy_lies_over_nothing(signed_in: Client, pitted: Garden) -> None:
    words = next(each["bed"] for each in signed_in.get(at(pitted, "")).json()["beds"] if each["key"] == "over")
    copy = send(signed_in, "POST", at(pitted, "/beds"), {"bed": words | {"name": "Copy"}}).json()["bed"]
    assert copy.get("over") is None


def test_a_facing_is_written_as_the_plan_file_names_it(signed_in: Client, garden: Garden) -> None:
    shape = {"kind": "hipped_mound", "length_m": 4.0, "width_m": 1.2, "height_m": 0.6, "slope_deg": 45.0}
    mound = zoo.bed(key="m", shape=shape, headspace_m=None, layers=[], faced={"with": "posts", "slope_deg": 70.0})
    kept = send(signed_in, "POST", at(garden, "/beds"), {"bed": mound}).json()["bed"]
    assert kept["faced"] == {"with": "posts", "slope_deg": 70.0}
    written = signed_in.get(at(garden, "/plan")).json()["beds"]
    assert next(bed["faced"] for bed in written if "faced" in bed)["with"] == "posts"


def test_ways_lead_to_each_bed_of_ones_own_plot(signed_in: Client, ground: Garden, stranger: User) -> None:
    gate = {"kind": "gate", "name": "Gate", "at_m": [0.2, 6.0]}
    ground.plot = GROUND | {"fixed": [gate]}
    ground.facts = {"drop": [11.0, 7.0]}
    ground.save()
    told = signed_in.get(at(ground, "/figure/ways")).json()
    assert told["starts"] == ["Gate", "where loads are dropped"]
    assert {way["key"] for way in told["ways"]} == {"one"}
    assert all(3 < way["length_m"] < 11 for way in told["ways"])
    signed_in.force_login(stranger)
    assert signed_in.get(at(ground, "/figure/ways")).status_code == 404
