"""The API: plan in, figures out, saving by revision, and every garden closed to everyone else."""

from __future__ import annotations

from typing import Any

import pytest
from django.test import Client

from nolbet.clock import today
from nolbet.demo.load import load_demo
from nolbet.demo.sign_in import GARDENER
from nolbet.gardens.models import Garden
from nolbet.plans.whole import whole_plan
from nolbet_core.figure.written import written_document
from tests.core import zoo
from tests.core.ask import figures_of
from tests.server.asking import send


def named(bed: dict[str, Any]) -> dict[str, Any]:
    """A bed with a name, as the page sends it."""
    return bed | {"name": bed["key"].replace("_", " ").capitalize()}


def test_draft_figures_are_the_cores(signed_in: Client, garden: Garden) -> None:
    answer = send(signed_in, "POST", f"/api/gardens/{garden.pk}/figure/bed", {"bed": zoo.MIXED_AMOUNTS})
    assert answer.status_code == 200
    plan = zoo.plan(zoo.MIXED_AMOUNTS, garden={"name": "Test ground", "units": "ft_in"})
    assert answer.json() == written_document(figures_of(plan, today()).beds[0])


def test_a_draft_is_bought_alone_after_the_gardens_heaps(signed_in: Client, garden: Garden) -> None:
    answer = send(signed_in, "POST", f"/api/gardens/{garden.pk}/figure/buying", {"bed": zoo.WOODY})
    body = answer.json()
    assert [need["material"] for need in body["needs"]] == ["broadleaf_logs", "topsoil"]
    assert body["haul"]["unmet"] == ["broadleaf_logs", "topsoil"]
    assert body["tally"]["total"] == "0.00"


def test_the_whole_garden_tallies_as_its_needs(signed_in: Client, garden: Garden) -> None:
    body = signed_in.get(f"/api/gardens/{garden.pk}/figure").json()
    needs = body["figures"]["needs"]
    assert body["tally"]["loose_m3"] == pytest.approx(sum(need["loose_m3"] for need in needs))
    assert body["tally"]["from_stock_m3"] == pytest.approx(0.05)
    assert body["tally"]["to_buy_m3"] == pytest.approx(sum(need["to_buy_m3"] for need in needs))


def test_a_bed_is_kept_and_comes_back_as_it_was(signed_in: Client, garden: Garden) -> None:
    bed = named(zoo.WOODY) | {"wall_m": 0.038, "count": 2}
    made = send(signed_in, "POST", f"/api/gardens/{garden.pk}/beds", {"bed": bed})
    assert made.status_code == 201
    assert made.json()["revision"] == 1
    loaded = signed_in.get(f"/api/gardens/{garden.pk}").json()["beds"][-1]["bed"]
    for key, value in bed.items():
        assert loaded[key] == value


def test_beds_of_one_name_get_keys_of_their_own(signed_in: Client, garden: Garden) -> None:
    keys = [
        send(signed_in, "POST", f"/api/gardens/{garden.pk}/beds", {"bed": named(zoo.bed(key="long_table"))}).json()[
            "key"
        ]
        for _ in range(2)
    ]
    assert keys == ["long_table", "long_table_2"]


def test_a_stale_save_is_refused_with_what_is_kept(signed_in: Client, garden: Garden) -> None:
    path = f"/api/gardens/{garden.pk}/beds/plain"
    first = send(signed_in, "PUT", path, {"revision": 1, "bed": named(zoo.bed(count=3))})
    assert first.json()["revision"] == 2
    stale = send(signed_in, "PUT", path, {"revision": 1, "bed": named(zoo.bed(count=5))})
    assert stale.status_code == 409
    assert stale["Content-Type"] == "application/problem+json"
    assert stale.json()["current"]["bed"]["count"] == 3
    assert garden.beds.get(key="plain").count == 3


@pytest.mark.parametrize(
    ("change", "path", "said"),
    [
        ({"layers": [{"material": "topsoyl", "fill": True}]}, "bed.layers[0].material", "did you mean topsoil"),
        ({"layers": [{"material": "topsoil"}]}, "bed.layers[0]", "needs one of thickness_m"),
        ({"measured": "outside", "wall_m": 0.6}, "bed.shape.width_m", "leaves nothing"),
    ],
)
def test_a_bed_that_does_not_hold_together_is_refused_by_path(
    signed_in: Client, garden: Garden, change: dict[str, Any], path: str, said: str
) -> None:
    answer = send(signed_in, "POST", f"/api/gardens/{garden.pk}/figure/bed", {"bed": zoo.bed(**change)})
    assert answer.status_code == 422
    (error,) = answer.json()["errors"]
    assert error["path"] == path
    assert said in error["message"]
    before = garden.beds.count()
    assert send(signed_in, "POST", f"/api/gardens/{garden.pk}/beds", {"bed": zoo.bed(**change)}).status_code == 422
    assert garden.beds.count() == before


def test_nonsense_in_a_body_names_its_place(signed_in: Client, garden: Garden) -> None:
    answer = send(signed_in, "POST", f"/api/gardens/{garden.pk}/figure/bed", {"bed": zoo.bed(wall_m=7)})
    assert answer.status_code == 422
    assert answer.json()["errors"][0]["path"].endswith("wall_m")
    broken = signed_in.generic("POST", f"/api/gardens/{garden.pk}/figure/bed", "{", content_type="application/json")
    assert broken.status_code == 400


def test_the_page_comes_with_a_nonce_and_a_strict_policy(client: Client, db: None) -> None:
    one, two = client.get("/"), client.get("/garden/1/section/bed/x")
    assert one.status_code == two.status_code == 200
    policy = one["Content-Security-Policy"]
    assert "default-src 'none'" in policy
    assert "unsafe" not in policy
    nonces = {policy.split("'nonce-")[1].split("'")[0] for policy in (policy, two["Content-Security-Policy"])}
    assert len(nonces) == 2
    assert all(any(nonce in page.content.decode() for page in (one, two)) for nonce in nonces)
    assert "__NONCE__" not in one.content.decode()


def test_a_typed_text_is_read_by_the_core(signed_in: Client) -> None:
    body = {"typed": "3' 6 1/2\"", "limit": "length", "units": "metric"}
    answer = send(signed_in, "POST", "/api/quantities/read", body).json()
    assert answer["meanings"][0]["values"] == [pytest.approx(1.0795)]
    refused = send(signed_in, "POST", "/api/quantities/read", body | {"typed": "abc"}).json()
    assert refused["meanings"] == []
    assert "Try" in refused["problem"]


def test_the_demo_loads_once_and_never_over_a_change(db: None) -> None:
    assert load_demo()
    garden = Garden.objects.get(owner__username=GARDENER)
    assert whole_plan(garden).beds
    garden.beds.all().delete()
    assert not load_demo()
    assert garden.beds.count() == 0
    assert not garden.owner.has_usable_password()
