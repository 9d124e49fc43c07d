"""What nobody means to send is refused in words: numbers, days and files at the edge of what can be held."""

from __future__ import annotations

import json
from collections.abc import Iterator
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.http import StreamingHttpResponse
from django.test import Client, RequestFactory

from nolbet.gardens.models import Garden
from nolbet.heads import answers_heads
from tests.core import zoo
from tests.server.asking import send
from tests.server.test_closed import endpoints, filled
from tests.server.test_keeping import at, save, yard

TANK = zoo.bed(
    key="tank",
    name="Tank",
    layers=[{"material": "topsoil", "thickness_m": 0.25}],
    reservoir={
        "height_m": 0.15,
        "overflow_m": 0.0,
        "medium": "scoria",
        "wicks": [{"kind": "soil_column", "diameter_m": 0.1}],
    },
)
JSON = "application/json"


def refused(answer: Any, status: int = 422) -> str:
    """What an answer says that refuses in the one form there is."""
    assert answer.status_code == status, answer.content[:300]
    assert answer.headers["Content-Type"] == "application/problem+json"
    return str(answer.json()["detail"])


@pytest.mark.parametrize("number", [-1, 0, 2**31, 2**63, 10**30])
def test_a_revision_that_can_not_be_is_no_error_of_the_server(signed_in: Client, garden: Garden, number: int) -> None:
    bed = {"revision": 1, "bed": zoo.bed(name="Plain"), "restores": number}
    assert refused(send(signed_in, "PUT", at(garden, "/beds/plain"), bed)).startswith("restores: ")
    head = {"revision": number, "sources": {"suppliers": [], "stock": []}}
    answer = send(signed_in, "PUT", at(garden, "/sources"), head)
    assert answer.status_code == (409 if number == 0 else 422)
    if number > 0:
        assert "after" in refused(signed_in.get(at(garden, f"/season?after={number}")))


@pytest.mark.parametrize("moment", ["0001-01-01T00:00:00+14:00", "9999-12-31T23:59:59-14:00", "1899-12-31T12:00:00Z"])
def test_days_that_no_garden_sees_are_named(signed_in: Client, garden: Garden, moment: str) -> None:
    send(signed_in, "POST", at(garden, "/beds"), {"bed": TANK})
    dip = send(signed_in, "POST", at(garden, "/beds/tank/dips"), {"level_m": 0.05, "at": moment})
    assert "years from 1900 to 2199" in refused(dip)
    note = {"entry": {"key": "first", "kind": "note", "on": moment.replace("Z", "+00:00"), "text": "x"}}
    assert "years from 1900 to 2199" in refused(send(signed_in, "PUT", at(garden, "/season/first"), note))
    day = zoo.bed(name="Plain", built_on=moment[:10])
    for path in ("bed", "forecast", "sure"):
        assert "years from 1900 to 2199" in refused(
            send(signed_in, "POST", at(garden, f"/figure/{path}"), {"bed": day})
        )
    weather = {"text": f"date,tmin_c,tmax_c,rain_mm\n{moment[:10]},1,2,3\n"}
    kept = send(signed_in, "POST", at(garden, "/weather"), weather).json()
    assert (kept["taken"], kept["bad"][0]["line"]) == (0, 2)
    assert "years from 1900 to 2199" in kept["bad"][0]["message"]


def test_a_reservoir_that_holds_nothing_is_told_so_by_its_dips(signed_in: Client, garden: Garden) -> None:
    send(signed_in, "POST", at(garden, "/beds"), {"bed": TANK})
    for day in (1, 3):
        dip = {"level_m": 0.0, "at": f"2026-10-0{day}T08:00:00Z"}
        assert send(signed_in, "POST", at(garden, "/beds/tank/dips"), dip).status_code == 201
    assert "overflow lies on its floor" in signed_in.get(at(garden, "/beds/tank/dips/told")).json()["message"]


@pytest.mark.parametrize("text", ["date,tmin_c,tmax_c,rain_mm\n2026-06-01," + "1" * 140_000 + ",2,3\n", "d" * 140_000])
def test_a_field_of_a_weather_file_that_never_ends_is_told(signed_in: Client, garden: Garden, text: str) -> None:
    assert "larger than" in refused(send(signed_in, "POST", at(garden, "/weather"), {"text": text}))


def test_a_row_with_a_comma_too_many_is_told_and_not_cut_off(signed_in: Client, garden: Garden) -> None:
    text = "date,tmin_c,tmax_c,rain_mm\n2026-06-01,1,2,3,4\n2026-06-02,1\n2026-06-03,1,2,3,\n"
    kept = send(signed_in, "POST", at(garden, "/weather"), {"text": text}).json()
    assert (kept["taken"], [each["line"] for each in kept["bad"]]) == (1, [2, 3])
    assert "written with a point" in kept["bad"][0]["message"]


def test_what_is_sent_as_parts_where_json_is_taken_is_told_so(gardener: User, garden: Garden) -> None:
    client = Client(enforce_csrf_checks=True)
    client.force_login(gardener)
    client.get("/api/account")
    token = {"X-CSRFToken": client.cookies["nolbet_csrf"].value}
    for path in (at(garden, "/beds"), "/api/gardens/import", "/api/quantities/read"):
        sent = client.post(path, {"text": "5 ft"}, headers=token)
        assert sent.status_code == 415
        assert "takes JSON" in sent.json()["detail"]


def test_a_garden_of_a_number_beyond_all_numbers_is_not_there(signed_in: Client) -> None:
    for path in ("", "/beds/plain/raw", "/beds/plain/dips/told", "/shelf/heap", "/season"):
        assert signed_in.get(f"/api/gardens/99999999999999999999{path}").status_code == 404


def test_a_format_of_five_thousand_digits_is_one_that_is_newer(signed_in: Client) -> None:
    for format_ in ("nolbet-plan/" + "9" * 5000, "nolbet-plan/" + "0" * 5000 + "1", "nolbet-plan/1"):
        text = json.dumps(zoo.plan(zoo.bed()) | {"format": format_})
        assert send(signed_in, "POST", "/api/gardens/import/preview", {"text": text}).status_code == 200


@pytest.mark.parametrize(
    ("method", "path", "status"),
    [
        ("OPTIONS", "/api/account", 405),
        ("PATCH", "/api/gardens", 405),
        ("GET", "/api/nothing", 404),
        ("POST", "/", 405),
    ],
)
def test_what_isnt_there_or_isnt_asked_that_way_is_told_in_the_one_form(
    signed_in: Client, method: str, path: str, status: int
) -> None:
    answer = signed_in.generic(method, path)
    assert (answer.status_code, answer["Content-Type"]) == (status, "application/problem+json")
    assert ("GET" in answer.headers.get("Allow", "")) == (status == 405)


@pytest.mark.parametrize("side_m", [0.001, 0.01])
def test_a_bed_of_a_few_square_millimetres_is_started_by_schools(
    signed_in: Client, garden: Garden, side_m: float
) -> None:
    tiny = zoo.bed(name="Tiny", shape={"kind": "box", "length_m": side_m, "width_m": side_m, "depth_m": 0.3}, wall_m=0)
    assert send(signed_in, "POST", at(garden, "/figure/schools"), {"bed": tiny}).status_code == 200


def test_two_suppliers_of_one_key_are_refused_by_name(signed_in: Client, garden: Garden) -> None:
    assert "suppliers[1].key: 'yard' is taken already" in refused(save(signed_in, garden, suppliers=yard() * 2))


def test_what_is_no_request_is_answered_in_the_one_form(signed_in: Client, garden: Garden) -> None:
    photos = at(garden, "/works/photos?step=a")
    for kind in ("multipart/form-data", "multipart/form-data; boundary=é"):
        assert refused(signed_in.generic("POST", photos, b"--x\r\nbroken", content_type=kind), 400)
    most = refused(signed_in.generic("POST", at(garden, "/beds"), b'"' + b"x" * 3_000_000 + b'"', JSON), 413)
    assert "Up to 2 MB" in most


@pytest.mark.parametrize("path", ["/", "/api/gardens", "/api/account"])
def test_head_answers_as_get_does_without_its_body(signed_in: Client, garden: Garden, path: str) -> None:
    got, head = signed_in.get(path), signed_in.head(path)
    assert head.status_code == got.status_code == 200
    assert head.content == b""
    assert head.headers["Content-Type"] == got.headers["Content-Type"]
    assert int(head.headers["Content-Length"]) > 0


def test_head_begins_nothing_that_would_be_worked_out_bit_by_bit() -> None:
    begun: list[int] = []

    def bits() -> Iterator[bytes]:
        begun.append(2)
        yield b"a bit"

    head = answers_heads(lambda request: StreamingHttpResponse(bits()))(RequestFactory().head("/"))
    assert isinstance(head, StreamingHttpResponse)
    assert (list(head), begun) == ([], [])


# the sun and the schools ask nothing of what lies in a bed
DRAFTS = [
    each for each in endpoints() if "layers" in str(each[2].get("bed")) and not each[1].endswith(("/sun", "/schools"))
]


@pytest.mark.parametrize(("method", "path", "body"), DRAFTS, ids=lambda part: part if isinstance(part, str) else "")
def test_a_draft_of_a_material_that_is_not_there_is_told_so(
    signed_in: Client, garden: Garden, method: str, path: str, body: dict[str, Any]
) -> None:
    draft = body | {"bed": body["bed"] | {"layers": [{"material": "nothing_here", "fill": True}]}}
    assert "nothing_here" in refused(send(signed_in, method, filled(path, garden), draft))
