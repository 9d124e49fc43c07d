"""Season through the API: entries kept once, with their history, in and out without loss, and what rests on them."""

from __future__ import annotations

import io
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from PIL import Image

from nolbet.gardens import pictures
from nolbet.gardens.models import Garden
from nolbet.plans.importing import bring_into
from nolbet.plans.storing import store_plan
from nolbet.plans.whole import plan_to_take_out
from nolbet.season import rows
from nolbet_core.built.plan_file import read_plan
from tests.core import zoo
from tests.core.test_season import BED, FIVE
from tests.server.asking import picture, placed, send

ALL_KINDS: list[dict[str, Any]] = [
    *FIVE[:2],
    {"kind": "refill", "bed": "plain", "on": "2026-06-01", "volume_m3": 0.03},
    {"kind": "rain", "on": "2026-06-02", "mm": 12.5},
    {"kind": "watered", "bed": "plain", "on": "2026-06-03T19:00:00+02:00", "who": "Ilse"},
    {
        "kind": "harvest",
        "bed": "plain",
        "on": "2026-07-01",
        "crop": "Beans",
        "mass_kg": 1.25,
        "worth": "4.80",
        "half": "left",
    },
    {"kind": "sown", "bed": "plain", "on": "2026-05-01", "crop": "Beans", "count": 40},
    {"kind": "soil_test", "bed": "plain", "on": "2026-04-01", "ph": 6.4, "lead_mg_kg": 38.0},
    {"kind": "soil_temperature", "bed": "plain", "on": "2026-04-02", "temp_c": 9.5},
    {"kind": "note", "bed": "plain", "on": "2026-09-01", "text": "=Less log,\nmore leaf.", "differently": True},
    {"kind": "note", "bed": "plain", "on": "2027-04-10", "text": "Joints tried", "upkeep": "plain.joints.2027"},
    {"kind": "top_up", "bed": "plain", "on": "2027-03-20", "material": "compost", "volume_m3": 0.144},
    {"kind": "dip", "bed": "plain", "on": "2026-06-05T08:00:00+00:00", "level_m": 0.12},
]


@pytest.fixture
def season(gardener: User) -> Garden:
    """A garden with a filled bed that nothing was seen of."""
    return store_plan(gardener.pk, read_plan(zoo.plan(BED)).plan)


def put(client: Client, garden: Garden, key: str, entry: dict[str, Any], revision: int = 0) -> Any:
    """Keep an entry, and the answer."""
    body = {"revision": revision, "entry": entry}
    return send(client, "PUT", f"/api/gardens/{garden.pk}/season/{key}", body)


def told(client: Client, garden: Garden, **asked: Any) -> dict[str, Any]:
    """A page of the garden's entries."""
    answer: dict[str, Any] = client.get(f"/api/gardens/{garden.pk}/season", asked).json()
    return answer


def fitted(client: Client, garden: Garden) -> Any:
    """What the bed's figures tell of its readings."""
    return send(client, "POST", f"/api/gardens/{garden.pk}/figure/bed", {"bed": BED}).json()["fitted"]


def test_an_entry_that_arrives_twice_is_kept_once(signed_in: Client, season: Garden) -> None:
    for _ in range(2):
        assert put(signed_in, season, "one", FIVE[0]).status_code == 200
    page = told(signed_in, season)
    assert (page["total"], page["entries"][0]["revision"]) == (1, 1)
    assert page["entries"][0]["entry"] == {**FIVE[0], "key": "one"}


def test_a_change_keeps_what_was_said_before_and_a_stale_one_is_refused(signed_in: Client, season: Garden) -> None:
    put(signed_in, season, "one", FIVE[0])
    changed = put(signed_in, season, "one", {**FIVE[0], "height_m": 0.59}, revision=1)
    assert changed.json()["revision"] == 2
    assert put(signed_in, season, "one", {**FIVE[0], "height_m": 0.58}, revision=1).status_code == 409
    before = signed_in.get(f"/api/gardens/{season.pk}/season/one/history").json()
    assert [(each["revision"], each["said"]["height_m"]) for each in before] == [(1, 0.60)]
    assert signed_in.delete(f"/api/gardens/{season.pk}/season/one").status_code == 204
    assert told(signed_in, season)["total"] == 0
    assert len(signed_in.get(f"/api/gardens/{season.pk}/season/one/history").json()) == 1


def test_readings_change_the_beds_figures_at_once(signed_in: Client, season: Garden) -> None:
    assert fitted(signed_in, season) is None
    for index, entry in enumerate(FIVE):
        put(signed_in, season, f"read-{index}", entry)
    assert fitted(signed_in, season)["readings"] == 5
    signed_in.delete(f"/api/gardens/{season.pk}/season/read-4")
    assert fitted(signed_in, season)["readings"] == 4


@pytest.mark.parametrize(
    ("entry", "status"),
    [
        ({"kind": "surface", "bed": "gone", "on": "2026-03-01", "height_m": 0.5}, 404),
        ({"kind": "top_up", "bed": "plain", "on": "2026-03-01", "material": "gold", "volume_m3": 0.2}, 422),
        ({"kind": "harvest", "bed": "plain", "on": "2026-03-01", "crop": "Beans"}, 422),
        ({"kind": "purchase", "on": "2026-03-01"}, 422),
    ],
)
def test_an_entry_that_can_not_be_is_refused(
    signed_in: Client, season: Garden, entry: dict[str, Any], status: int
) -> None:
    assert put(signed_in, season, "one", entry).status_code == status
    assert told(signed_in, season)["total"] == 0


def test_all_kinds_go_through_plan_file_and_table_without_loss(
    signed_in: Client, gardener: User, season: Garden
) -> None:
    bring_into(season, read_plan(zoo.plan(BED, log=ALL_KINDS)).plan)
    out = plan_to_take_out(season)
    assert len(out.log) == len(ALL_KINDS)
    elsewhere = store_plan(gardener.pk, out)
    assert plan_to_take_out(elsewhere).log == out.log
    # brought in again nothing is there twice, with keys or without
    bring_into(season, out)
    bring_into(season, read_plan(zoo.plan(BED, log=ALL_KINDS)).plan)
    assert plan_to_take_out(season).log == out.log
    text = signed_in.get(f"/api/gardens/{season.pk}/season.csv").content.decode()
    third = store_plan(gardener.pk, read_plan(zoo.plan(BED)).plan)
    taken = send(signed_in, "POST", f"/api/gardens/{third.pk}/season", {"text": text}).json()
    assert taken == {"taken": len(ALL_KINDS) - 1, "bad": []}
    assert plan_to_take_out(third).log == [each for each in out.log if each.kind != "dip"]


def add(client: Client, garden: Garden, photo: str, content: bytes) -> Any:
    """Send a photograph that goes with the reading called one."""
    address = f"/api/gardens/{garden.pk}/season/one/photos/{photo}"
    return client.post(address, {"photo": SimpleUploadedFile("a.jpg", content)})


def test_a_photograph_goes_with_its_entry_once_turned_and_without_its_place(
    signed_in: Client, season: Garden, stranger: User
) -> None:
    assert add(signed_in, season, "first", placed()).status_code == 404
    put(signed_in, season, "one", FIVE[0])
    for _ in range(2):
        assert add(signed_in, season, "first", placed()).json() == {"key": "first", "width": 1000, "height": 2000}
    photo = {"key": "first", "width": 1000, "height": 2000}
    assert told(signed_in, season)["entries"][0]["photos"] == [photo]
    address = f"/api/gardens/{season.pk}/season/one/photos/first"
    with Image.open(io.BytesIO(signed_in.get(address).content)) as shown:
        assert shown.size == (1000, 2000)
        assert not shown.getexif()
    other = Client()
    other.force_login(stranger)
    assert other.get(address).status_code == 404
    assert other.delete(address).status_code == 404
    assert signed_in.delete(f"/api/gardens/{season.pk}/season/one").status_code == 204
    assert signed_in.get(address).status_code == 404


def test_an_entry_keeps_three_photographs_and_a_garden_so_much(
    signed_in: Client, season: Garden, monkeypatch: pytest.MonkeyPatch
) -> None:
    put(signed_in, season, "one", FIVE[0])
    assert "no photograph" in add(signed_in, season, "a", b"<svg/>").json()["detail"]
    season.step_photos.create(step="plain.dig", width=2, height=2, size=900, picture=b"x")
    monkeypatch.setattr(pictures, "MOST_A_GARDEN", 1_000)
    assert "doesn't fit" in add(signed_in, season, "a", picture(400, 300)).json()["detail"]
    monkeypatch.undo()
    for photo in "abc":
        assert add(signed_in, season, photo, picture(40, 30)).status_code == 200
    assert "one more than the 3" in add(signed_in, season, "d", picture(40, 30)).json()["detail"]
    assert signed_in.delete(f"/api/gardens/{season.pk}/season/one/photos/a").status_code == 204
    assert add(signed_in, season, "d", picture(40, 30)).status_code == 200


def test_rows_of_what_is_not_there_are_named(signed_in: Client, season: Garden) -> None:
    text = (
        "key,kind,on,bed,height_m\na,surface,2026-03-01,plain,0.6\nb,surface,2026-03-02,gone,0.6\n"
        "a,surface,2026-03-03,plain,0.6\n,surface,2026-03-04,plain,\n"
    )
    answer = send(signed_in, "POST", f"/api/gardens/{season.pk}/season", {"text": text}).json()
    assert answer["taken"] == 1
    assert [each["line"] for each in answer["bad"]] == [3, 4, 5]


def test_pages_hold_so_many_and_a_bed_shows_its_own(signed_in: Client, season: Garden) -> None:
    rain = [
        {"kind": "rain", "on": f"2026-{month:02d}-{day:02d}", "mm": 2.5}
        for month in range(1, 6)
        for day in range(1, 29)
    ]
    bring_into(season, read_plan(zoo.plan(BED, log=[*rain, *FIVE])).plan)
    first, second = told(signed_in, season), told(signed_in, season, after=100)
    assert (first["total"], len(first["entries"]), len(second["entries"])) == (145, 100, 45)
    assert first["entries"][0]["entry"]["on"] == "2027-09-15"
    assert told(signed_in, season, bed="plain")["total"] == 5


def test_a_garden_keeps_so_many_and_no_more(signed_in: Client, season: Garden, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(rows, "MOST_ENTRIES", 3)
    answers = [put(signed_in, season, f"k{index}", entry).status_code for index, entry in enumerate(FIVE)]
    assert answers == [200, 200, 200, 422, 422]


def test_a_bed_in_the_bin_takes_its_entries_along(signed_in: Client, season: Garden) -> None:
    put(signed_in, season, "one", FIVE[0])
    assert signed_in.delete(f"/api/gardens/{season.pk}/beds/plain").status_code == 204
    assert told(signed_in, season)["total"] == 0
    assert plan_to_take_out(season).log == []
