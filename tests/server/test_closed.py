"""Every endpoint of the API, tried as nobody and as another gardener; the test walks the API's own description."""

from __future__ import annotations

import json
from collections.abc import Iterator
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from django.utils import timezone

from nolbet.account.sessions import end_other_sessions, open_sessions
from nolbet.api.api import api
from nolbet.gardens.models import Garden
from nolbet.plans.storing import store_plan
from nolbet.sharing.links import make_link
from nolbet_core.plan.garden import FORMAT, Plan
from tests.core import zoo
from tests.server.asking import packed, picture, send

MIX = {
    "key": "half",
    "name": "Half",
    "parts": [{"material": "topsoil", "parts": 1}, {"material": "compost", "parts": 1}],
}
BODIES: dict[str, dict[str, Any]] = {
    "Draft": {"bed": zoo.bed()},
    "LaterDraft": {"bed": zoo.bed()},
    "SureDraft": {"bed": zoo.bed()},
    "WhatIfAsked": {"bed": zoo.bed(), "depth_m": 0.4},
    "ReadOff": {"way": "tape_again", "of": "plain"},
    "Wishes": {"want": {"area_m2": 2.0}, "may": {"height_m": 0.2}},
    "TakenProposal": {"bed": zoo.bed()},
    "DraftInMonth": {"bed": zoo.bed(), "month": 30},
    "WateredDraft": {"bed": zoo.bed(reservoir={"height_m": 0.1, "medium": "gravel_20"})},
    "WeatherFile": {"text": "date,tmin_c,tmax_c,rain_mm\n2026-07-01,10,20,0\n"},
    "AskedFeed": {},
    "DipIn": {"level_m": 0.1},
    "ProbeSettings": {},
    "NewBed": {"bed": zoo.bed()},
    "ChangedBed": {"revision": 1, "bed": zoo.bed()},
    "AskedSun": {"bed": zoo.bed()},
    "AskedShares": {"material": "compost", "volume_m3": 0.4, "beds": ["plain"], "by": "depth"},
    "EmptyBed": {"revision": 1},
    "AskedAlign": {
        "plot": {"corners_m": [[0, 0], [9, 0], [9, 6], [0, 6]]},
        "places": {"plain": [{"x_m": 3.0, "y_m": 2.0}]},
        "bed": {"key": "plain"},
        "by": "mirror_up",
    },
    "AskedFit": {"bed": zoo.bed(), "length_m": 0.4, "width_m": 0.3},
    "AskedRows": {"plot": {"corners_m": [[0, 0], [9, 0], [9, 6], [0, 6]]}, "beds": ["plain"], "aisle_m": 0.6},
    "ChangedGarden": {"revision": 0, "garden": {"name": "Renamed"}},
    "ChangedMaterial": {"material": {"key": "heap", "like": "compost"}, "revision": 1},
    "ChangedUnits": {"units": "metric"},
    "Spread": {"material": "compost", "bags": 1, "bag_m3": 0.04, "depth_m": 0.1},
    "Heaps": {"stock": []},
    "ChangedSources": {"revision": 1, "sources": {"suppliers": [{"key": "yard", "name": "Yard"}], "stock": []}},
    "ChangedMix": {"revision": 1, "mix": MIX},
    "OwnCrops": {"crops": [{"key": "giant", "like": "kale"}]},
    "OwnMaterial": {"key": "mine", "like": "compost"},
    "NewGarden": {"garden": {"name": "Another"}},
    "PlanFile": {"text": json.dumps(zoo.plan(zoo.bed(key="brought")))},
    "NewLink": {"label": "Helper", "shows": "garden"},
    "NewMail": {"mail": "oarsman@example.org", "password": "a long enough phrase"},
    "Leave": {"password": "a long enough phrase"},
    "NewPassword": {"old": "a long enough phrase", "new": "another long phrase"},
    "ChangedPlot": {"revision": 0, "plot": {"corners_m": [[0, 0], [9, 0], [9, 6], [0, 6]]}},
    "DraftPlot": {"plot": {"corners_m": [[0, 0], [9, 0], [9, 6], [0, 6]]}},
    "AskedRoom": {"plot": {"corners_m": [[0, 0], [9, 0], [9, 6], [0, 6]]}, "length_m": 2.0, "width_m": 1.0},
    "Boards": {"boards": 4, "board_m": 2.4, "wall_m": 0.038, "width_m": 1.2},
    "Liner": {"length_m": 4.0, "width_m": 3.0, "up_m": 0.3},
    "Measured": {"sides_m": [3.0, 4.0, 5.0]},
    "PlanMix": MIX,
    "PriceText": {"text": "supplier,material,form,price,volume_m3\nyard,compost,bag,6.20,0.04\n"},
    "AskedPrices": {},
    "DraftMix": {"mix": MIX},
    "MixForBed": {"mix": MIX, "bed": "plain"},
    "Wished": {"mix": MIX, "volume_m3": 0.1},
    "EntryIn": {"entry": {"kind": "surface", "bed": "plain", "on": "2026-03-01", "height_m": 0.5}},
    "LogText": {"text": "kind,on,mm\nrain,2026-03-01,12.5\n"},
    "ChangedWorks": {"revision": 0, "words": {"works": {"helpers": 1}}},
    "StepTick": {"step": "plain.layer.0", "done": True},
    "Typed": {"typed": "4 ft", "limit": "length", "units": "metric"},
}
ARCHIVE = packed(
    {
        "plan.nolbet.json": json.dumps(zoo.plan(zoo.bed(key="brought"))).encode(),
        "log.json": b"[]",
        "weather.json": b"[]",
        "photographs.json": b"[]",
    }
)
KEYS = {
    "/shelf/": "heap",
    "/beds/": "plain",
    "/when/": "plain",
    "/history/": "plot",
    "/cost-curve/": "compost",
    "/materials/": "heap",
    "/mixes/": "half",
}


def endpoints() -> Iterator[tuple[str, str, dict[str, Any]]]:
    """Method, path and a body that would do, of every operation there is."""
    document = json.loads(json.dumps(api.get_openapi_schema(path_prefix="/api/")))
    for path, operations in document["paths"].items():
        for method, operation in operations.items():
            if "security" not in operation:
                continue
            schema = operation.get("requestBody", {}).get("content", {}).get("application/json", {}).get("schema", {})
            name = schema.get("$ref", "").rsplit("/", 1)[-1]
            yield method.upper(), path, BODIES[name] if name else {}


def begun_elsewhere(account_id: int) -> str:
    """The name of a session that an account has on another device."""
    elsewhere = Client()
    elsewhere.force_login(User.objects.get(pk=account_id))
    key = elsewhere.session.session_key
    return next(each.name for each in open_sessions(account_id, key) if each.here)


def filled(path: str, garden: Garden) -> str:
    """A path with the garden and a key that is there."""
    key = next((key for part, key in KEYS.items() if part in path), "")
    if "{dip_id}" in path:
        dip = garden.beds.get(key=key).dips.create(at=timezone.now(), level_m=0.1)
        path = path.replace("{dip_id}", str(dip.pk))
    if "{name}" in path:
        path = path.replace("{name}", begun_elsewhere(garden.owner_id))
    if "{link_id}" in path:
        link = garden.shared_links.create(digest="0" * 64, label="Helper", shows="garden", ends_at=timezone.now())
        path = path.replace("{link_id}", str(link.pk))
    if "{photo_id}" in path:
        photo = garden.step_photos.create(step="plain.dig", width=1, height=1, size=1, picture=b"x")
        path = path.replace("{photo_id}", str(photo.pk))
    if "{entry_key}" in path:
        said = {"kind": "surface", "on": "2026-03-01", "height_m": 0.5}
        bed = garden.beds.get(key="plain")
        entry = garden.entries.create(key="read", kind="surface", on="2026-03-01", said=said, bed=bed)
        entry.photos.create(garden=garden, key="top", width=2, height=2, size=1, picture=b"x")
        path = path.replace("{entry_key}", "read").replace("{photo_key}", "top")
    return (
        path.replace("{garden_id}", str(garden.pk))
        .replace("{key}", key)
        .replace("{kind}", "plot")
        .replace("{hemisphere}", "south")
    )


def asked(client: Client, method: str, address: str, body: dict[str, Any]) -> Any:
    """What an endpoint answers; one that takes a photograph gets one."""
    if address.endswith("/import/archive"):
        return client.post(address, {"archive": SimpleUploadedFile("garden.nolbet.zip", ARCHIVE)})
    if method == "POST" and "/photos" in address:
        return client.post(f"{address}?step=plain.dig", {"photo": SimpleUploadedFile("pile.png", picture(60, 40))})
    return send(client, method, address, body)


@pytest.mark.parametrize(
    ("method", "path", "body"), list(endpoints()), ids=lambda part: part if isinstance(part, str) else ""
)
def test_it_is_closed_to_nobody_and_to_strangers(
    garden: Garden, stranger: User, method: str, path: str, body: dict[str, Any]
) -> None:
    garden.materials.create(key="heap", name="Heap", like="compost")
    garden.mixes.create(key="half", name="Half", parts=MIX["parts"])
    address = filled(path, garden)
    client = Client()
    assert asked(client, method, address, body).status_code == 401
    client.force_login(stranger)
    answer = asked(client, method, address, body)
    if "{garden_id}" in path or "{name}" in path:
        assert answer.status_code == 404
        assert answer["Content-Type"] == "application/problem+json"
    else:
        assert answer.status_code in {200, 201}
        said = b"".join(answer.streaming_content) if answer.streaming else answer.content
        assert f'"id": {garden.pk},'.encode() not in said
        assert b"Test ground" not in said or "/import" in path
    garden.refresh_from_db()
    assert garden.beds.get(key="plain").revision == 1
    assert garden.suppliers.count() == garden.materials.count() == garden.mixes.count() == 1


@pytest.mark.parametrize(
    ("method", "path", "body"), list(endpoints()), ids=lambda part: part if isinstance(part, str) else ""
)
def test_its_owner_gets_an_answer(
    signed_in: Client, garden: Garden, method: str, path: str, body: dict[str, Any]
) -> None:
    garden.materials.create(key="heap", name="Heap", like="compost")
    garden.mixes.create(key="half", name="Half", parts=MIX["parts"])
    if path.endswith("/beds/{key}/take-back"):
        garden.beds.filter(key="plain").update(deleted_at=timezone.now())
    elif path.endswith("/empty"):
        garden.beds.filter(key="plain").update(cut=garden.beds.get(key="plain").cut | {"state": "filled"})
    elif path.endswith("/take-back"):
        Garden.objects.update(deleted_at=timezone.now())
    assert asked(signed_in, method, filled(path, garden), body).status_code in {200, 201, 204}


@pytest.mark.parametrize(
    ("method", "path", "body"), list(endpoints()), ids=lambda part: part if isinstance(part, str) else ""
)
def test_an_ended_session_and_a_links_secret_open_nothing(
    gardener: User, garden: Garden, method: str, path: str, body: dict[str, Any]
) -> None:
    _, secret = make_link(garden, "Helper", "garden", "", True, 30, timezone.now())
    ended = Client()
    ended.force_login(gardener)
    end_other_sessions(gardener.pk, None)
    address = filled(path, garden)
    assert asked(ended, method, address, body).status_code == 401
    holder = Client(headers={"Authorization": f"Bearer {secret}"})
    holder.cookies["nolbet_session"] = secret
    assert asked(holder, method, f"{address}?secret={secret}", body).status_code == 401


OF_ONE_THING = [each for each in endpoints() if "{garden_id}" in each[1] and each[1].count("{") > 1]


@pytest.mark.parametrize(
    ("method", "path", "body"), OF_ONE_THING, ids=lambda part: part if isinstance(part, str) else ""
)
def test_what_lies_in_anothers_garden_is_not_found_through_ones_own(
    garden: Garden, stranger: User, method: str, path: str, body: dict[str, Any]
) -> None:
    """The keys and numbers are real ones, of another gardener; the garden asked through is one's own and empty."""
    garden.materials.create(key="heap", name="Heap", like="compost")
    garden.mixes.create(key="half", name="Half", parts=MIX["parts"])
    own = store_plan(stranger.pk, Plan(format=FORMAT, garden={"name": "Theirs", "units": "metric"}))
    address = filled(path, garden).replace(f"/gardens/{garden.pk}/", f"/gardens/{own.pk}/")
    client = Client()
    client.force_login(stranger)
    before = kept_of(garden)
    answer = asked(client, method, address, body)
    if "_id}" in path.replace("{garden_id}", "") or "/beds/{key}" in path:
        assert answer.status_code == 404
    assert "Test ground" not in answer.content.decode()
    assert kept_of(garden) == before


def kept_of(garden: Garden) -> list[int]:
    """How much of everything a garden has."""
    rows = (garden.beds, garden.materials, garden.mixes, garden.shared_links, garden.step_photos, garden.entries)
    return [each.count() for each in rows] + [garden.beds.get(key="plain").dips.count()]


def test_only_the_account_and_what_a_link_shows_is_open_to_nobody() -> None:
    document = json.loads(json.dumps(api.get_openapi_schema(path_prefix="/api/")))
    open_to_all = {
        path
        for path, operations in document["paths"].items()
        for operation in operations.values()
        if "security" not in operation
    }
    assert open_to_all == {
        "/api/account",
        "/api/account/sign-up",
        "/api/account/sign-in",
        "/api/account/code",
        "/api/account/reset",
        "/api/shared/{secret}",
        "/api/shared/{secret}/tick",
    }


def test_a_request_from_another_page_is_refused(gardener: User, garden: Garden) -> None:
    client = Client(enforce_csrf_checks=True)
    client.force_login(gardener)
    answer = send(client, "PUT", f"/api/gardens/{garden.pk}/units", {"units": "metric"})
    assert answer.status_code == 403
    garden.refresh_from_db()
    assert garden.units == "ft_in"
