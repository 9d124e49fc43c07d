"""For whoever looks after the server: health, readiness and counts, an upgrade in one go, and what stops one."""

from __future__ import annotations

import os
import sqlite3
import stat
import subprocess
import sys
from contextlib import closing
from pathlib import Path
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.db import OperationalError, connection
from django.test import Client

from nolbet.gardens.models import Garden
from nolbet.watching import views
from tests.server.asking import send
from tests.server.test_account import PASSWORD

PROJECT = Path(__file__).resolve().parents[2]


def test_it_says_that_it_lives_and_is_ready(db: None, client: Client) -> None:
    assert client.get("/health").json() == {"lives": True}
    assert client.head("/health").status_code == 200
    ready = client.get("/ready")
    assert (ready.status_code, ready.json()) == (200, {"ready": True, "stands_in_the_way": []})


def test_a_name_that_is_not_its_own_is_refused_in_words_and_watchers_need_none(db: None) -> None:
    client = Client(headers={"Host": "elsewhere.example"}, raise_request_exception=False)
    for path in ("/", "/api/account"):
        refused = client.get(path)
        assert refused.status_code == 400
        assert "isn't answered by this name" in refused.json()["detail"]
    assert client.get("/health").status_code == 200
    assert client.get("/ready").status_code == 200


def test_it_says_what_stands_in_the_way(db: None, client: Client, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(views, "room_left", lambda _: 5_000_000)

    def locked(*_: object) -> Any:
        raise OperationalError("database is locked")

    monkeypatch.setattr(views, "MigrationExecutor", locked)
    answer = client.get("/ready")
    assert answer.status_code == 503
    assert answer.json()["stands_in_the_way"] == ["the database: database is locked", "5 MB are left on the disk"]


@pytest.mark.parametrize("path", ["/ready", "/metrics"])
def test_nobody_else_is_told(db: None, path: str) -> None:
    assert Client(REMOTE_ADDR="192.0.2.7").get(path).status_code == 404
    assert Client(headers={"X-Forwarded-For": "127.0.0.1"}).get(path).status_code == 404


def test_counts_name_operations_and_nobody(signed_in: Client, garden: Garden) -> None:
    signed_in.get(f"/api/gardens/{garden.pk}")
    send(Client(), "POST", "/api/shared/very-secret-secret/tick", {"step": "plain.dig", "done": True})
    signed_in.generic("BREW", "/api/account")
    counts = signed_in.get("/metrics").content.decode()
    assert 'operation="api/gardens/<garden_id>",status="2xx"' in counts
    assert 'operation="api/shared/<secret>/tick",status="4xx"' in counts
    assert 'method="other"' in counts
    assert "very-secret-secret" not in counts
    assert "gardener" not in counts.replace("<", "")


def test_an_unfinished_upgrade_is_told_with_its_way_out(signed_in: Client, garden: Garden) -> None:
    with connection.cursor() as cursor:
        cursor.execute("ALTER TABLE gardens_bed RENAME COLUMN cut TO cut_before")
    try:
        answer = signed_in.get(f"/api/gardens/{garden.pk}")
    finally:
        with connection.cursor() as cursor:
            cursor.execute("ALTER TABLE gardens_bed RENAME COLUMN cut_before TO cut")
    assert answer.status_code == 503
    assert "bin/keep" in answer.json()["detail"]
    assert signed_in.get(f"/api/gardens/{garden.pk}").status_code == 200


def test_what_no_operation_caught_is_told_in_the_same_form(gardener: User, monkeypatch: pytest.MonkeyPatch) -> None:
    client = Client(raise_request_exception=False)

    def full(*_: object, **__: object) -> Any:
        raise OperationalError("database or disk is full")

    monkeypatch.setattr("nolbet.account.sessions.SessionStore.save", full)
    answer = send(client, "POST", "/api/account/sign-in", {"name": "gardener", "password": PASSWORD})
    assert answer.status_code == 507
    assert answer["Content-Type"] == "application/problem+json"
    monkeypatch.setattr("nolbet.account.sessions.SessionStore.save", lambda *_, **__: 1 / 0)
    answer = send(client, "POST", "/api/account/sign-in", {"name": "gardener", "password": PASSWORD})
    assert (answer.status_code, answer.json()["title"]) == (500, "Something went wrong")
    assert "division" not in answer.content.decode()


def manage(data: Path, *arguments: str, **environment: str) -> subprocess.CompletedProcess[str]:
    """A management command of a server on this machine alone, on a folder of its own."""
    said = {"NOLBET_DATA": str(data), "NOLBET_LOOPBACK": "1", "DJANGO_SETTINGS_MODULE": "nolbet.settings.production"}
    command = [sys.executable, "server/manage.py", *arguments]
    bare = {key: value for key, value in os.environ.items() if not key.startswith(("NOLBET", "DJANGO"))}
    env = bare | said | environment
    return subprocess.run(command, cwd=PROJECT, env=env, check=False, capture_output=True, text=True)


def test_a_fresh_folder_is_made_ready_in_one_go_and_closed_to_others(tmp_path: Path) -> None:
    data = tmp_path / "not" / "there"
    done = manage(data, "keep")
    assert done.returncode == 0, done.stderr
    assert "Ready" in done.stdout
    assert stat.S_IMODE(data.stat().st_mode) == 0o700
    assert {stat.S_IMODE(each.stat().st_mode) for each in data.iterdir()} == {0o600}
    assert {each.name for each in data.iterdir()} >= {"nolbet.sqlite3", "secret_key"}
    undone = manage(data, "migrate", "daily", "zero")
    assert undone.returncode == 0, undone.stderr
    upgraded = manage(data, "keep")
    assert upgraded.returncode == 0, upgraded.stderr
    (copy,) = data.glob("before-upgrade-*.sqlite3")
    with closing(sqlite3.connect(copy)) as before:
        tables = {name for (name,) in before.execute("SELECT name FROM sqlite_master")}
    assert "gardens_garden" in tables
    assert "daily_servedday" not in tables
    back = manage(data, "restore", str(copy))
    assert "Put back" in back.stdout, back.stderr


def test_an_upgrade_that_stops_says_what_was_done_and_how_to_go_back(tmp_path: Path) -> None:
    assert manage(tmp_path, "keep").returncode == 0
    assert manage(tmp_path, "migrate", "daily", "zero").returncode == 0
    with closing(sqlite3.connect(tmp_path / "nolbet.sqlite3")) as database:
        database.execute("CREATE TABLE daily_servedday (stands_in_the_way INTEGER)")
    stopped = manage(tmp_path, "keep")
    assert stopped.returncode != 0
    assert "The upgrade stopped" in stopped.stderr
    assert "bin/restore" in stopped.stderr
    with closing(sqlite3.connect(tmp_path / "nolbet.sqlite3")) as database:
        database.execute("DROP TABLE daily_servedday")
    assert manage(tmp_path, "keep").returncode == 0


@pytest.mark.parametrize(
    ("environment", "said"),
    [
        ({"NOLBET_LOOPBACK": "0"}, "Set NOLBET_HOSTS"),
        ({"NOLBET_LOOPBACK": "0", "NOLBET_HOSTS": "a.example", "NOLBET_SECRET_KEY": "short"}, "has 5 characters"),
        ({"NOLBET_LOOPBACK": "0", "NOLBET_HOSTS": "a.example", "NOLBET_PROXIES": "me"}, "'me' is neither an address"),
    ],
)
def test_settings_that_will_not_do_are_told_by_name(tmp_path: Path, environment: dict[str, str], said: str) -> None:
    refused = manage(tmp_path, "keep", **environment)
    assert refused.returncode != 0
    assert said in refused.stderr
