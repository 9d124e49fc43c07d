"""Works through the API: ticks that are the bed's state, stale saves refused, the calendar, photographs."""

from __future__ import annotations

import io
from typing import Any

import pytest
import vobject
from django.contrib.auth.models import User
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from icalendar import Calendar
from PIL import Image

from nolbet.gardens import pictures
from nolbet.gardens.models import Garden
from nolbet.plans.importing import bring_into
from nolbet.plans.storing import store_plan
from nolbet.plans.whole import plan_to_take_out
from nolbet.works.models import KeptWorks
from nolbet_core.built.plan_file import read_plan
from tests.core import zoo
from tests.core.test_works import BOARDS, FILL, WICKING
from tests.server.asking import picture, placed, send

GARDEN = {"name": "Test ground", "units": "metric", "last_frost": "05-12", "first_frost": "10-03"}


@pytest.fixture
def works(gardener: User) -> Garden:
    """A garden with a framed bed and a wicking one, where nothing is said of the works."""
    wet = zoo.bed(
        key="wet", shape=zoo.shape(2.4, 1.2, 0.6), reservoir=WICKING, layers=[{"material": "topsoil", "fill": True}]
    )
    document = zoo.plan(zoo.bed(frame=BOARDS, layers=FILL), wet, garden=GARDEN)
    return store_plan(gardener.pk, read_plan(document).plan)


def say(client: Client, garden: Garden, **works: Any) -> Any:
    """Keep something said of works that nothing was said of, and the answer."""
    return send(client, "PUT", f"/api/gardens/{garden.pk}/works", {"revision": 0, "words": {"works": works}})


def tick(client: Client, garden: Garden, step: str, **more: Any) -> dict[str, Any]:
    """Tick a step, and what came of it."""
    answer = send(client, "POST", f"/api/gardens/{garden.pk}/works/tick", {"step": step, "done": True, **more})
    assert answer.status_code == 200, answer.content
    told: dict[str, Any] = answer.json()
    return told


def steps(client: Client, garden: Garden) -> dict[str, dict[str, Any]]:
    """The garden's steps by their keys."""
    told = client.get(f"/api/gardens/{garden.pk}/figure/works").json()
    return {step["key"]: step for step in told["steps"]}


def cut(garden: Garden, key: str = "plain") -> dict[str, Any]:
    """A bed's document as it is kept."""
    kept: dict[str, Any] = garden.beds.get(key=key).cut
    return kept


def test_a_layers_tick_is_the_beds_state_with_a_revision_of_its_own(signed_in: Client, works: Garden) -> None:
    told = tick(signed_in, works, "plain.layer.0", on="2026-10-24")
    assert (told["bed"], told["bed_revision"]) == ("plain", 2)
    assert cut(works)["laid"] == [1.0, 0.0, 0.0]
    needs = signed_in.get(f"/api/gardens/{works.pk}/figure").json()["figures"]["needs"]
    assert "cardboard" not in {need["material"] for need in needs}
    assert steps(signed_in, works)["plain.layer.0"]["done_on"] == "2026-10-24"
    tick(signed_in, works, "plain.layer.0", done=False)
    assert not cut(works).get("laid")
    assert works.beds.get(key="plain").versions.count() == 3


def test_a_tick_without_a_bed_of_its_own_leaves_every_bed_alone(signed_in: Client, works: Garden) -> None:
    told = tick(signed_in, works, "garden.order")
    assert "bed" not in told
    assert [bed.revision for bed in works.beds.all()] == [1, 1]
    assert steps(signed_in, works)["garden.order"]["done"]


def test_not_yet_keeps_the_gate_shut_and_says_what_was_measured(signed_in: Client, works: Garden) -> None:
    tick(signed_in, works, "wet.leak_test", done=False, passed=False, measured="fell 9 mm")
    step = steps(signed_in, works)["wet.leak_test"]
    assert (step["done"], step["passed"]) == (False, False)
    assert step["answers"][0]["measured"] == "fell 9 mm"
    assert cut(works, "wet")["reservoir"].get("tested") is None
    tick(signed_in, works, "wet.leak_test", passed=True, measured="1 mm")
    assert cut(works, "wet")["reservoir"]["tested"] is True
    assert [each["passed"] for each in steps(signed_in, works)["wet.leak_test"]["answers"]] == [False, True]


def test_time_taken_is_logged_once_and_can_be_corrected(signed_in: Client, works: Garden) -> None:
    tick(signed_in, works, "plain.set_out", hours=0.75)
    tick(signed_in, works, "plain.set_out", hours=0.5)
    tick(signed_in, works, "plain.turf", hours=0.5)
    log = [each for each in plan_to_take_out(works).log if each.kind == "hours"]
    assert sorted((each.step, each.hours) for each in log) == [("plain.set_out", 0.5), ("plain.turf", 0.5)]
    assert steps(signed_in, works)["plain.set_out"]["spent_hours"] == 0.5
    tick(signed_in, works, "plain.turf", hours=0)
    assert steps(signed_in, works)["plain.turf"]["spent_hours"] == 0.0


@pytest.mark.parametrize(
    ("step", "status", "said"),
    [
        ("nowhere.layer.0", 404, ""),
        ("plain.layer.9", 422, "has no layer 9"),
        ("plain.layer.first", 422, "has no layer first"),
        ("Plain!", 422, ""),
    ],
)
def test_a_step_that_isnt_there_is_told(signed_in: Client, works: Garden, step: str, status: int, said: str) -> None:
    answer = send(signed_in, "POST", f"/api/gardens/{works.pk}/works/tick", {"step": step, "done": True})
    assert answer.status_code == status
    assert said in answer.json()["detail"]
    assert not KeptWorks.objects.filter(garden=works).exists()


def test_what_is_said_is_kept_by_revision_and_a_stale_save_refused(signed_in: Client, works: Garden) -> None:
    address = f"/api/gardens/{works.pk}/works"
    assert signed_in.get(address).json()["revision"] == 0
    words = {"works": {"helpers": 2, "days": ["fri", "sat"]}, "pace": {"digging": 1.4}}
    kept = send(signed_in, "PUT", address, {"revision": 0, "words": words}).json()
    assert kept["revision"] == 1
    assert kept["words"]["works"]["helpers"] == 2
    stale = send(signed_in, "PUT", address, {"revision": 0, "words": {}})
    assert stale.status_code == 409
    assert signed_in.get(f"/api/gardens/{works.pk}/figure/works").json()["people"] == 3
    assert plan_to_take_out(works).garden.pace == {"digging": 1.4}


def test_own_steps_in_a_ring_are_not_kept(signed_in: Client, works: Garden) -> None:
    ring = [
        {"step": f"garden.own.{one}", "name": "Own", "after": [f"garden.own.{other}"]}
        for one, other in ((1, 2), (2, 1))
    ]
    answer = send(
        signed_in, "PUT", f"/api/gardens/{works.pk}/works", {"revision": 0, "words": {"works": {"own": ring}}}
    )
    assert answer.status_code == 422
    assert "wait for each other" in answer.json()["detail"]
    assert not KeptWorks.objects.filter(garden=works).exists()


def test_works_go_out_with_the_plan_and_come_in_again(signed_in: Client, works: Garden, gardener: User) -> None:
    tick(signed_in, works, "plain.set_out", on="2026-10-24", hours=0.75)
    words = {"works": {**signed_in.get(f"/api/gardens/{works.pk}/works").json()["words"]["works"], "helpers": 1}}
    send(signed_in, "PUT", f"/api/gardens/{works.pk}/works", {"revision": 1, "words": words})
    taken = plan_to_take_out(works)
    again = store_plan(gardener.pk, read_plan(taken.model_dump(mode="json", exclude_none=True)).plan)
    assert plan_to_take_out(again) == taken
    bring_into(works, taken)
    assert plan_to_take_out(works).log == taken.log
    assert plan_to_take_out(works).garden.works == taken.garden.works


def events(content: bytes) -> dict[str, Any]:
    """Events of a calendar by their ids."""
    return {str(event["uid"]): event for event in Calendar.from_ical(content).walk("VEVENT")}


def test_the_calendar_keeps_its_ids_and_taken_in_again_makes_no_doubles(signed_in: Client, works: Garden) -> None:
    address = f"/api/gardens/{works.pk}/works.ics"
    first = signed_in.get(address)
    assert first["Content-Type"].startswith("text/calendar")
    before = events(first.content)
    send(
        signed_in,
        "PUT",
        f"/api/gardens/{works.pk}/works",
        {"revision": 0, "words": {"works": {"days": ["tue", "wed"]}}},
    )
    after = events(signed_in.get(address).content)
    assert before.keys() == after.keys()
    assert len(before) > 15
    moved = [uid for uid in before if before[uid]["dtstart"].dt != after[uid]["dtstart"].dt]
    assert moved
    assert all(after[uid]["sequence"] > before[uid]["sequence"] for uid in moved)
    # taken into another library twice, by id as calendars do
    kept: dict[str, Any] = {}
    for content in (first.content, signed_in.get(address).content):
        read = vobject.readOne(content.decode())
        kept |= {event.uid.value: event for event in read.vevent_list}
    assert kept.keys() == before.keys()
    assert any("flush the reservoir" in event.summary.value for event in kept.values())


def add(client: Client, garden: Garden, content: bytes, step: str = "plain.level") -> Any:
    """Send a photograph of a step."""
    return client.post(
        f"/api/gardens/{garden.pk}/works/photos?step={step}", {"photo": SimpleUploadedFile("a.jpg", content)}
    )


def test_a_photograph_is_turned_shrunk_and_loses_where_it_was_taken(
    signed_in: Client, works: Garden, stranger: User
) -> None:
    answer = add(signed_in, works, placed())
    assert answer.status_code == 201
    told = answer.json()
    assert (told["width"], told["height"]) == (1000, 2000)
    address = f"/api/gardens/{works.pk}/works/photos/{told['id']}"
    kept = signed_in.get(address)
    with Image.open(io.BytesIO(kept.content)) as shown:
        assert shown.size == (1000, 2000)
        assert not shown.getexif()
        assert "exif" not in shown.info
    other = Client()
    other.force_login(stranger)
    assert other.get(address).status_code == 404
    assert signed_in.delete(address).status_code == 204
    assert signed_in.get(address).status_code == 404


def test_what_is_no_photograph_or_too_much_is_refused(
    signed_in: Client, works: Garden, monkeypatch: pytest.MonkeyPatch
) -> None:
    assert "no photograph" in add(signed_in, works, b"<svg onload=alert(1)>").json()["detail"]
    assert "no photograph" in add(signed_in, works, placed()[:900]).json()["detail"]
    monkeypatch.setattr(pictures, "MOST_SENT_PIXELS", 1_000_000)
    assert "send it smaller" in add(signed_in, works, placed()).json()["detail"]
    monkeypatch.undo()
    for _ in range(3):
        assert add(signed_in, works, picture(40, 30)).status_code == 201
    assert "one more than the 3" in add(signed_in, works, picture(40, 30)).json()["detail"]
    monkeypatch.setattr(pictures, "MOST_A_GARDEN", 100)
    assert "doesn't fit" in add(signed_in, works, picture(40, 30), "plain.set").json()["detail"]
    assert "5 MB" in add(signed_in, works, b"x" * 5_000_001).json()["detail"]


def test_what_mends_it_and_autumn_or_spring_are_told(signed_in: Client, works: Garden) -> None:
    when = signed_in.get(f"/api/gardens/{works.pk}/figure/works/when/plain").json()
    assert [each["season"] for each in when["built"]] == ["autumn", "spring"]
    assert signed_in.get(f"/api/gardens/{works.pk}/figure/works/when/nowhere").status_code == 404
    send(
        signed_in,
        "PUT",
        f"/api/gardens/{works.pk}/works",
        {"revision": 0, "words": {"works": {"sow_on": "2020-05-01"}}},
    )
    mends = signed_in.get(f"/api/gardens/{works.pk}/figure/works/mends").json()
    assert mends["late_days"] > 0
    assert mends["mends"][-1]["key"] == "autumn"


def test_a_wet_day_that_is_known_stands_at_the_step_it_falls_on(signed_in: Client, works: Garden) -> None:
    before = steps(signed_in, works)
    step = next(each for each in before.values() if each["kind"] == "leak_test")
    works.weather_days.create(day=step["on"], tmin_c=-6.0, tmax_c=-1.0, rain_mm=0.0)
    works.weather_days.create(day="2019-01-04", tmin_c=-6.0, tmax_c=-1.0, rain_mm=0.0)
    (against,) = steps(signed_in, works)[step["key"]]["weather"]
    assert against["gate"] == "frost" and against["known"]
