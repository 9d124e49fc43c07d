"""Heavy figures pass a gate: a few at once of one gardener and of all; others wait, or are asked to come again."""

from __future__ import annotations

import json
import threading
from contextlib import ExitStack
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client

from nolbet.api import gate as gates
from nolbet.api.gate import Crowded, Gate, TooMany
from nolbet.gardens import pictures
from nolbet.gardens.errors import Full
from nolbet.gardens.history import MOST_BYTES, thin_versions
from nolbet.gardens.models import Garden
from nolbet.gardens.quotas import check_room_for_bed, check_room_for_garden
from nolbet.water import rows as weather_rows
from nolbet_core.plan.garden import MOST_BEDS
from tests.core import zoo
from tests.server.asking import picture, send
from tests.server.test_keeping import at


def test_a_few_of_one_and_of_all_are_let_in_and_room_is_given_back() -> None:
    gate = Gate(each=2, in_all=3, waiting=0, wait_s=0.0)
    with ExitStack() as within:
        within.enter_context(gate.entered(7))
        within.enter_context(gate.entered(7))
        with pytest.raises(TooMany), gate.entered(7):
            pass
        within.enter_context(gate.entered(8))
        with pytest.raises(Crowded), gate.entered(9):
            pass
    with gate.entered(9), gate.entered(9):
        pass


def test_who_waits_is_let_in_as_soon_as_somebody_leaves() -> None:
    gate = Gate(each=2, in_all=2, waiting=3, wait_s=30.0)
    entered: list[int] = []

    def enter() -> None:
        with gate.entered(9):
            entered.append(9)

    waits = threading.Thread(target=enter)
    with gate.entered(7), gate.entered(8):
        waits.start()
        assert entered == []
    waits.join(30)
    assert entered == [9]


def test_no_more_wait_than_may_and_none_for_ever() -> None:
    gate = Gate(each=2, in_all=2, waiting=2, wait_s=0.05)
    with gate.entered(7), gate.entered(8), pytest.raises(Crowded), gate.entered(9):
        pass
    full = Gate(each=2, in_all=2, waiting=0, wait_s=60.0)
    with full.entered(7), full.entered(8), pytest.raises(Crowded), full.entered(9):
        pass


HEAVY = ("water", "compared", "schools", "sure", "what-if")


@pytest.mark.parametrize(("each", "in_all", "status"), [(0, 3, 429), (3, 0, 503)])
def test_who_asks_for_too_much_is_asked_to_come_again(
    signed_in: Client, garden: Garden, monkeypatch: pytest.MonkeyPatch, each: int, in_all: int, status: int
) -> None:
    monkeypatch.setattr(gates, "GATE", Gate(each, in_all, waiting=0, wait_s=0.0))
    body = {"bed": zoo.bed(name="Plain"), "key": "plain"}
    answers = [send(signed_in, "POST", at(garden, f"/figure/{path}"), body) for path in HEAVY]
    answers.append(signed_in.get(at(garden, "/figure/sure")))
    answers.append(send(signed_in, "POST", "/api/gardens/import/preview", {"text": "{}"}))
    for answer in answers:
        assert answer.status_code == status, answer.content[:200]
        assert answer.headers["Retry-After"] == "2"
        assert "come again" in answer.json()["detail"]
    # what is light is answered all the same
    assert send(signed_in, "POST", at(garden, "/figure/bed"), body).status_code == 200


def test_as_many_gardens_and_beds_as_may_be_are_kept(
    signed_in: Client, garden: Garden, gardener: User, stranger: User, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr("nolbet.gardens.quotas.MOST_GARDENS", 2)
    new: dict[str, Any] = {"garden": {"name": "Second"}}
    assert send(signed_in, "POST", "/api/gardens", new).status_code == 201
    for answer in (send(signed_in, "POST", "/api/gardens", new), signed_in.post(at(garden, "/copy"))):
        assert answer.status_code == 409
        assert "Up to 2 gardens are kept" in answer.json()["detail"]
    with pytest.raises(Full):
        check_room_for_garden(gardener.pk)
    check_room_for_garden(stranger.pk)
    with pytest.raises(Full):
        check_room_for_bed(MOST_BEDS)
    check_room_for_bed(MOST_BEDS - 1)


@pytest.mark.parametrize(
    ("part", "words"),
    [
        ("beds", [zoo.bed(key=f"b{number}") for number in range(1001)]),
        ("mixes", [{"key": f"m{number}", "parts": [{"material": "compost", "parts": 2}]} for number in range(501)]),
        ("stock", [{"material": "compost", "volume_m3": 0.2}] * 201),
    ],
)
def test_a_list_that_is_longer_than_may_be_is_named(signed_in: Client, part: str, words: list[Any]) -> None:
    text = json.dumps(zoo.plan() | {part: words})
    answer = send(signed_in, "POST", "/api/gardens/import", {"text": text})
    assert answer.status_code == 422
    assert answer.json()["detail"].startswith(f"{part}: ")


def test_photographs_of_all_gardens_together_have_a_most(
    signed_in: Client, garden: Garden, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(pictures, "MOST_OF_OWNER", 3_000)
    another = Garden.objects.create(owner=garden.owner, name="Another")
    another.step_photos.create(step="plain.dig", width=1, height=1, size=2_900, picture=b"x")
    sent = {"photo": SimpleUploadedFile("pile.png", picture(60, 40))}
    answer = signed_in.post(at(garden, "/works/photos") + "?step=plain.dig", sent)
    assert answer.status_code == 422
    assert "all your gardens together" in answer.json()["detail"]


def test_days_of_weather_have_a_most(signed_in: Client, garden: Garden, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(weather_rows, "MOST_DAYS", 2)
    text = "date,tmin_c,tmax_c,rain_mm\n2026-07-01,10,20,0\n2026-07-02,10,20,0\n"
    path = at(garden, "/weather")
    assert send(signed_in, "POST", path, {"text": text}).status_code == 200
    more = send(signed_in, "POST", path, {"text": text.replace("2026-07-02", "2026-07-03")})
    assert more.status_code == 409
    assert "days of weather" in more.json()["detail"]
    assert send(signed_in, "POST", path, {"text": text}).status_code == 200


def test_an_elaborate_beds_versions_take_no_more_than_they_may(garden: Garden) -> None:
    bed = garden.beds.get(key="plain")
    for revision in range(2, 120):
        bed.versions.create(
            revision=revision, name="Plain", cut={"note": "x" * 30_000}, saved_at=bed.saved_at, cut_version=1
        )
    thin_versions(bed)
    kept = [each.revision for each in bed.versions.all()]
    assert kept == list(range(119, 119 - len(kept), -1))
    assert 1_900_000 < sum(len(json.dumps(each.cut)) for each in bed.versions.all()) < MOST_BYTES
