"""Accounts: opening one, signing in and out, changing the password, and being locked out."""

from __future__ import annotations

from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client

from nolbet.gardens.models import Garden
from tests.server.asking import send

PASSWORD = "a long enough phrase"  # noqa: S105 - the made-up gardener's


def sign_in(client: Client, name: str, password: str) -> Any:
    """Try to sign in."""
    return send(client, "POST", "/api/account/sign-in", {"name": name, "password": password})


def test_an_account_is_opened_and_has_no_gardens_yet(db: None, client: Client) -> None:
    made = send(client, "POST", "/api/account/sign-up", {"name": "oarsman", "password": PASSWORD})
    assert made.status_code == 201
    assert made.json() == {"name": "oarsman", "demo": False, "stand_ins": True, "mail": None, "leaves_at": None}
    assert client.get("/api/gardens").json() == []
    assert client.get("/api/account").json()["name"] == "oarsman"


@pytest.mark.parametrize(
    ("name", "password", "path", "said"),
    [
        ("gardener", PASSWORD, "name", "taken"),
        ("GARDENER", PASSWORD, "name", "taken"),
        ("oarsman", "short", "password", "too short"),
        ("oarsman", "password1234", "password", "too common"),
        ("riverkeeper", "riverkeepers1", "password", "too similar"),
        ("o", PASSWORD, "name", "at least 2"),
        ("two words", PASSWORD, "name", "pattern"),
    ],
)
def test_a_name_or_password_that_will_not_do_says_why(
    gardener: User, client: Client, name: str, password: str, path: str, said: str
) -> None:
    refused = send(client, "POST", "/api/account/sign-up", {"name": name, "password": password})
    assert refused.status_code == 422
    (error,) = refused.json()["errors"]
    assert error["path"].endswith(path)
    assert said in error["message"]
    assert User.objects.count() == 1


def test_signing_in_and_out(gardener: User, garden: Garden, client: Client) -> None:
    assert sign_in(client, "gardener", "wrong").status_code == 401
    assert client.get("/api/gardens").status_code == 401
    assert sign_in(client, "gardener", PASSWORD).json()["name"] == "gardener"
    assert [each["name"] for each in client.get("/api/gardens").json()] == ["Test ground"]
    assert send(client, "POST", "/api/account/sign-out", {}).json()["name"] is None
    assert client.get("/api/gardens").status_code == 401


def test_a_changed_password_is_the_one_that_holds(gardener: User) -> None:
    here, elsewhere = Client(), Client()
    for client in (here, elsewhere):
        sign_in(client, "gardener", PASSWORD)
    body = {"old": PASSWORD, "new": "quite another phrase"}
    assert send(here, "PUT", "/api/account/password", body | {"old": "wrong"}).status_code == 422
    assert send(here, "PUT", "/api/account/password", body | {"new": "short"}).status_code == 422
    assert send(here, "PUT", "/api/account/password", body).status_code == 200
    assert here.get("/api/gardens").status_code == 200
    assert elsewhere.get("/api/gardens").status_code == 401
    assert sign_in(Client(), "gardener", PASSWORD).status_code == 401
    assert sign_in(Client(), "gardener", "quite another phrase").status_code == 200


def test_a_few_wrong_ones_are_forgotten_with_the_right_one(gardener: User, client: Client) -> None:
    for _ in range(2):
        for _ in range(6):
            sign_in(client, "gardener", "wrong")
        assert sign_in(client, "gardener", PASSWORD).status_code == 200


@pytest.mark.parametrize("path", ["sign-up", "sign-in"])
def test_another_page_can_not_sign_anybody_in(gardener: User, path: str) -> None:
    client = Client(enforce_csrf_checks=True)
    answer = send(client, "POST", f"/api/account/{path}", {"name": "gardener", "password": PASSWORD})
    assert answer.status_code == 403
