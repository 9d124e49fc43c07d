"""A disk that is full or can only be read: told in words, nothing kept by half, and saved once there is room again."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from typing import Any

import pytest
from django.db import OperationalError, connection
from django.test import Client, RequestFactory

from nolbet.api.problems import HANDLERS
from nolbet.gardens.models import Bed, Garden
from tests.core import zoo
from tests.server.asking import send
from tests.server.test_keeping import at

LONG = [{"material": "topsoil", "thickness_m": 0.01} for _ in range(30)]


def pragma(said: str) -> int:
    """What SQLite answers to a setting."""
    with connection.cursor() as cursor:
        cursor.execute(f"PRAGMA {said}")
        row = cursor.fetchone()
    return int(row[0]) if row else 0


@contextmanager
def no_room() -> Iterator[None]:
    """The database may not grow by a page."""
    before = pragma("max_page_count")
    pragma(f"max_page_count={pragma('page_count')}")
    try:
        yield
    finally:
        pragma(f"max_page_count={before}")


@contextmanager
def only_read() -> Iterator[None]:
    """Nothing can be written."""
    pragma("query_only=1")
    try:
        yield
    finally:
        pragma("query_only=0")


def save_long(client: Client, garden: Garden) -> Any:
    """Save a bed that takes some pages, over and over, until it is refused or was kept a hundred times."""
    answer: Any = None
    for revision in range(1, 101):
        bed = zoo.bed(name="Plain", layers=[*LONG, {"material": "compost", "fill": True}])
        answer = send(client, "PUT", at(garden, "/beds/plain"), {"revision": revision, "bed": bed})
        if answer.status_code != 200:
            break
    return answer


@pytest.mark.django_db(transaction=True)
def test_a_full_disk_is_told_and_what_was_answered_is_kept(signed_in: Client, garden: Garden) -> None:
    with no_room():
        full = save_long(signed_in, garden)
    assert full.status_code == 507
    assert full.headers["Content-Type"] == "application/problem+json"
    assert "disk is full" in full.json()["detail"]
    kept = Bed.objects.get(garden=garden, key="plain")
    assert kept.versions.count() == kept.revision
    again = {"revision": kept.revision, "bed": zoo.bed(name="Plain")}
    assert send(signed_in, "PUT", at(garden, "/beds/plain"), again).status_code == 200


@pytest.mark.django_db(transaction=True)
def test_a_disk_that_can_only_be_read_is_told_and_still_read_from(signed_in: Client, garden: Garden) -> None:
    with only_read():
        refused = send(signed_in, "PUT", at(garden, "/beds/plain"), {"revision": 1, "bed": zoo.bed(name="Plain")})
        assert signed_in.get(at(garden, "")).status_code == 200
    assert refused.status_code == 503
    assert refused.headers["Retry-After"] == "10"
    assert "can only read" in refused.json()["detail"]
    assert Bed.objects.get(garden=garden, key="plain").revision == 1


def test_who_waited_too_long_for_others_comes_again_and_all_else_is_an_error() -> None:
    request = RequestFactory().get("/api/gardens")
    busy = HANDLERS[OperationalError](request, OperationalError("database is locked"))
    assert (busy.status_code, busy.headers["Retry-After"]) == (503, "10")
    with pytest.raises(OperationalError, match="no such function"):
        HANDLERS[OperationalError](request, OperationalError("no such function: x"))
