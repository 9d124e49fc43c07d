"""Links to look at a garden: they show what they should and nothing else, and end."""

from __future__ import annotations

import json
from datetime import timedelta
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.db import transaction
from django.test import Client
from django.utils import timezone

from nolbet.gardens.models import Garden
from nolbet.sharing.links import MOST_LINKS
from nolbet.works.rows import kept_works, works_plan
from tests.core import zoo
from tests.server.asking import send
from tests.server.test_closed import asked, endpoints, filled


def made(client: Client, garden: Garden, **words: Any) -> Any:
    """A new link, as its gardener gets it."""
    body = {"label": "Anouk", "shows": "garden"} | words
    return send(client, "POST", f"/api/gardens/{garden.pk}/shared-links", body)


def look(secret: str) -> Any:
    """What somebody sees without an account."""
    return Client().get(f"/api/shared/{secret}")


def test_a_link_shows_the_garden_until_it_is_ended(signed_in: Client, garden: Garden) -> None:
    answer = made(signed_in, garden)
    assert answer.status_code == 201
    secret = answer.json()["secret"]
    assert len(secret) >= 32
    assert secret not in json.dumps(list(garden.shared_links.values("digest", "label")))
    shown = look(secret).json()
    assert shown["garden"] == "Test ground"
    assert {bed["name"] for bed in shown["beds"]} == {row.name for row in garden.beds.all()}
    assert shown["needs"] and shown["steps"]
    assert shown["lines"] is None and shown["supplier"] is None
    (told,) = signed_in.get(f"/api/gardens/{garden.pk}/shared-links").json()
    assert "secret" not in told
    assert send(signed_in, "DELETE", f"/api/gardens/{garden.pk}/shared-links/{told['id']}", {}).status_code == 204
    assert look(secret).status_code == 404


def test_a_link_runs_out_and_goes_with_its_garden(signed_in: Client, garden: Garden) -> None:
    secret = made(signed_in, garden, days=3).json()["secret"]
    assert look(secret).status_code == 200
    garden.shared_links.update(ends_at=timezone.now() - timedelta(seconds=1))
    assert look(secret).status_code == 404
    assert signed_in.get(f"/api/gardens/{garden.pk}/shared-links").json() == []
    secret = made(signed_in, garden).json()["secret"]
    Garden.objects.update(deleted_at=timezone.now())
    assert look(secret).status_code == 404
    assert look("nobody-made-this").status_code == 404


def test_a_list_shows_one_supplier_alone(signed_in: Client, garden: Garden) -> None:
    suppliers = zoo.SUPPLIERS
    first = suppliers[0]["key"]
    refused = made(signed_in, garden, shows="list", of="nowhere")
    assert refused.status_code == 422
    assert "one supplier's" in refused.json()["detail"]
    shown = look(made(signed_in, garden, shows="list", of=first, may_tick=True).json()["secret"]).json()
    assert shown["lines"]
    assert {line["supplier"] for line in shown["lines"]} == {first}
    assert {key for key in ("plot", "places", "beds", "needs", "steps") if shown[key] is not None} == set()
    assert not shown["may_tick"]
    assert not any(str(other["name"]) in json.dumps(shown) for other in suppliers[1:])


def test_steps_are_ticked_by_link_where_the_gardener_lets(signed_in: Client, garden: Garden) -> None:
    step = {"step": "plain.label", "done": True}
    closed = made(signed_in, garden, shows="works").json()["secret"]
    assert send(Client(), "POST", f"/api/shared/{closed}/tick", step).status_code == 404
    opened = made(signed_in, garden, shows="works", may_tick=True).json()["secret"]
    assert send(Client(), "POST", f"/api/shared/{opened}/tick", step).status_code == 204
    assert [each.step for each in works_plan(kept_works(garden)).steps] == ["plain.label"]
    assert send(Client(), "POST", f"/api/shared/{opened}/tick", step | {"step": "nobed.label"}).status_code == 404
    strict = Client(enforce_csrf_checks=True)
    assert send(strict, "POST", f"/api/shared/{opened}/tick", step).status_code == 403
    shown = look(opened).json()
    assert shown["steps"]
    assert shown["beds"] is None and shown["needs"] is None


def test_nothing_else_opens_to_who_holds_a_link(signed_in: Client, garden: Garden) -> None:
    secret = made(signed_in, garden, may_tick=True).json()["secret"]
    holder = Client(headers={"authorization": f"Bearer {secret}", "x-csrftoken": secret})
    holder.cookies["nolbet_session"] = secret
    assert holder.get(f"/api/shared/{secret}").status_code == 200
    tried = 0
    for method, path, body in endpoints():
        with transaction.atomic():
            address = filled(path, garden)
            ways = (
                address,
                address.replace(f"/gardens/{garden.pk}", f"/gardens/{secret}"),
                f"{address}?secret={secret}",
            )
            for aimed in ways:
                assert asked(holder, method, aimed, body).status_code in {401, 404, 422}, (method, aimed)
                tried += 1
            transaction.set_rollback(True)
    assert tried > 200


def test_links_are_their_gardeners_alone(signed_in: Client, garden: Garden, stranger: User) -> None:
    made(signed_in, garden)
    link = garden.shared_links.get()
    other = Client()
    other.force_login(stranger)
    base = f"/api/gardens/{garden.pk}/shared-links"
    assert other.get(base).status_code == 404
    assert made(other, garden).status_code == 404
    assert send(other, "DELETE", f"{base}/{link.pk}", {}).status_code == 404
    for _ in range(MOST_LINKS - 1):
        assert made(signed_in, garden).status_code == 201
    refused = made(signed_in, garden)
    assert refused.status_code == 422
    assert "end one first" in refused.json()["detail"]


@pytest.mark.parametrize(
    ("words", "part"),
    [({"days": 0}, "days"), ({"days": 400}, "days"), ({"label": ""}, "label"), ({"shows": "all"}, "shows")],
)
def test_nonsense_is_refused_by_its_field(signed_in: Client, garden: Garden, words: dict[str, Any], part: str) -> None:
    refused = made(signed_in, garden, **words)
    assert refused.status_code == 422
    assert any(part in each["path"] for each in refused.json()["errors"])
