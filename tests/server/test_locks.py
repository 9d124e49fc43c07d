"""Guessing passwords: who is locked out and who isn't, from where a request comes, and how many are hashed at once."""

from __future__ import annotations

import threading
from datetime import timedelta
from typing import Any

import pytest
from axes.models import AccessAttempt
from django.contrib.auth.models import User
from django.core.exceptions import ValidationError
from django.test import Client, RequestFactory
from django.utils import timezone
from pytest_django.fixtures import Settings

from nolbet.account import door
from nolbet.account.address import NOWHERE, client_address
from nolbet.account.errors import HashingBusy
from nolbet.account.hashing import turn
from nolbet.account.pace import FREE_TRIES, LONGEST_WAIT_S, wait_after
from nolbet.account.passwords import NotCommonInDisguise
from nolbet.settings import base
from tests.server.asking import send
from tests.server.test_account import PASSWORD, sign_in

PROXY = "10.0.0.2"


def behind(proxy: str, forwarded: str) -> Client:
    """A client whose requests come through a proxy that says where they come from."""
    return Client(REMOTE_ADDR=proxy, headers={"X-Forwarded-For": forwarded})


def guess(times: int, name: str, **environ: Any) -> None:
    """Type so many wrong passwords."""
    for _ in range(times):
        sign_in(Client(**environ), name, "wrong")


def test_eight_wrong_ones_lock_the_account_for_that_address_alone(gardener: User) -> None:
    guess(8, "gardener", REMOTE_ADDR="192.0.2.7")
    locked = sign_in(Client(REMOTE_ADDR="192.0.2.7"), "gardener", PASSWORD)
    assert locked.status_code == 429
    assert int(locked["Retry-After"]) >= 600
    assert locked["Content-Type"] == "application/problem+json"
    assert sign_in(Client(REMOTE_ADDR="192.0.2.8"), "gardener", PASSWORD).status_code == 200


def test_who_guesses_behind_a_proxy_locks_nobody_else_out_behind_it(
    gardener: User, stranger: User, settings: Settings
) -> None:
    settings.TRUSTED_PROXIES = [PROXY]
    for _ in range(9):
        sign_in(behind(PROXY, "192.0.2.7"), "gardener", "wrong")
    assert sign_in(behind(PROXY, "192.0.2.7"), "gardener", PASSWORD).status_code == 429
    assert sign_in(behind(PROXY, "192.0.2.8"), "gardener", PASSWORD).status_code == 200
    assert sign_in(behind(PROXY, "192.0.2.7"), "stranger", PASSWORD).status_code == 200


def test_a_made_up_address_walks_round_no_lock(gardener: User, settings: Settings) -> None:
    settings.TRUSTED_PROXIES = [PROXY]
    for number in range(8):
        sign_in(behind(PROXY, f"203.0.113.{number}, 192.0.2.7"), "gardener", "wrong")
    assert sign_in(behind(PROXY, "203.0.113.99, 192.0.2.7"), "gardener", PASSWORD).status_code == 429
    for number in range(8):
        sign_in(behind("192.0.2.44", f"203.0.113.{number}"), "gardener", "wrong")
    assert sign_in(behind("192.0.2.44", "203.0.113.99"), "gardener", PASSWORD).status_code == 429


def test_a_lock_ends_though_somebody_goes_on_guessing(gardener: User) -> None:
    guess(8, "gardener")
    AccessAttempt.objects.update(attempt_time=timezone.now() - timedelta(minutes=50))
    guess(3, "gardener")
    assert sign_in(Client(), "gardener", PASSWORD).status_code == 429
    AccessAttempt.objects.update(attempt_time=timezone.now() - timedelta(minutes=61))
    assert sign_in(Client(), "gardener", PASSWORD).status_code == 200


def test_signing_in_oneself_gives_no_more_guesses_at_another(gardener: User, stranger: User) -> None:
    for _ in range(2):
        guess(4, "gardener")
        assert sign_in(Client(), "stranger", PASSWORD).status_code == 200
    assert sign_in(Client(), "gardener", PASSWORD).status_code == 429


@pytest.mark.parametrize(
    ("method", "path", "body"),
    [
        ("PUT", "/api/account/password", {"old": "wrong", "new": "quite another phrase"}),
        ("PUT", "/api/account/mail", {"mail": "", "password": "wrong"}),
        ("POST", "/api/account/leave", {"password": "wrong"}),
    ],
)
def test_other_doors_that_ask_for_the_password_are_counted_too(
    signed_in: Client, method: str, path: str, body: dict[str, str]
) -> None:
    assert [send(signed_in, method, path, body).status_code for _ in range(9)] == [422] * 7 + [429] * 2
    right = {key: PASSWORD if said == "wrong" else said for key, said in body.items()}
    assert send(signed_in, method, path, right).status_code == 429
    assert sign_in(Client(), "gardener", PASSWORD).status_code == 429


def test_many_guesses_from_one_address_make_the_next_wait_not_the_account(gardener: User, stranger: User) -> None:
    for number in range(FREE_TRIES):
        sign_in(Client(REMOTE_ADDR="192.0.2.7"), f"guess{number}", "wrong")
    too_soon = sign_in(Client(REMOTE_ADDR="192.0.2.7"), "stranger", PASSWORD)
    assert (too_soon.status_code, too_soon["Retry-After"]) == (429, "1")
    assert sign_in(Client(REMOTE_ADDR="192.0.2.8"), "stranger", PASSWORD).status_code == 200
    AccessAttempt.objects.update(attempt_time=timezone.now() - timedelta(seconds=2))
    assert sign_in(Client(REMOTE_ADDR="192.0.2.7"), "stranger", PASSWORD).status_code == 200


def test_guesses_from_everywhere_slow_the_account_down_but_not_where_its_gardener_was_before(gardener: User) -> None:
    at_home: dict[str, Any] = {"REMOTE_ADDR": "192.0.2.200"}
    assert sign_in(Client(**at_home), "gardener", PASSWORD).status_code == 200
    for number in range(FREE_TRIES):
        sign_in(Client(REMOTE_ADDR=f"203.0.113.{number}"), "gardener", "wrong")
    assert sign_in(Client(REMOTE_ADDR="203.0.113.99"), "gardener", PASSWORD).status_code == 429
    assert sign_in(Client(**at_home), "gardener", PASSWORD).status_code == 200


def test_the_wait_doubles_up_to_a_minute() -> None:
    assert [wait_after(FREE_TRIES + more) for more in (-1, 0, 1, 4, 6, 5000)] == [0, 1, 2, 16, 60, LONGEST_WAIT_S]


def test_a_few_accounts_in_an_hour_are_opened_from_one_address(db: None) -> None:
    def opened(number: int, address: str) -> Any:
        body = {"name": f"oarsman{number}", "password": PASSWORD}
        return send(Client(REMOTE_ADDR=address), "POST", "/api/account/sign-up", body)

    assert [opened(number, "192.0.2.7").status_code for number in range(6)] == [201] * 5 + [429]
    assert 3500 < int(opened(7, "192.0.2.7")["Retry-After"]) <= 3600
    assert opened(8, "192.0.2.8").status_code == 201


@pytest.mark.parametrize(
    ("trusted", "peer", "forwarded", "counted"),
    [
        ([], "192.0.2.7", "203.0.113.9", "192.0.2.7"),
        ([PROXY], "192.0.2.7", "203.0.113.9", "192.0.2.7"),
        ([PROXY], PROXY, "203.0.113.9", "203.0.113.9"),
        (["10.0.0.0/8"], PROXY, "203.0.113.9, 10.1.1.1", "203.0.113.9"),
        ([PROXY], PROXY, "198.51.100.1, 203.0.113.9", "203.0.113.9"),
        ([PROXY], PROXY, "", PROXY),
        ([PROXY], PROXY, "203.0.113.9, nonsense", PROXY),
        ([PROXY], "", "203.0.113.9", "203.0.113.9"),
        ([], "", "203.0.113.9", NOWHERE),
        ([], "2001:db8:1:2:3:4:5:6", "", "2001:db8:1:2::"),
        ([], "::ffff:192.0.2.7", "", "192.0.2.7"),
    ],
)
def test_where_a_request_comes_from(
    settings: Settings, trusted: list[str], peer: str, forwarded: str, counted: str
) -> None:
    settings.TRUSTED_PROXIES = trusted
    headers = {"X-Forwarded-For": forwarded} if forwarded else {}
    assert client_address(RequestFactory().get("/", REMOTE_ADDR=peer, headers=headers)) == counted


def test_two_passwords_are_hashed_at_once_and_the_next_is_asked_to_come_again(
    gardener: User, monkeypatch: pytest.MonkeyPatch
) -> None:
    turns = threading.BoundedSemaphore(2)
    with turn(turns, 0.01), turn(turns, 0.01), pytest.raises(HashingBusy), turn(turns, 0.01):
        pytest.fail("a third had a turn")
    with turn(turns, 0.01):
        pass

    def busy(*_: object, **__: object) -> None:
        raise HashingBusy

    monkeypatch.setattr(door, "authenticate", busy)
    answer = sign_in(Client(), "gardener", PASSWORD)
    assert (answer.status_code, answer["Retry-After"]) == (503, "2")


def test_passwords_are_kept_as_argon2id() -> None:
    assert base.PASSWORD_HASHERS == ["nolbet.account.hashing.BoundedArgon2"]


@pytest.mark.parametrize(
    "password",
    [
        "password1234",
        "P4ssw0rd!!!!",
        "12sunshine2026",
        "passwordpassword",
        "qwertyuiop12",
        "123456789012",
        "abcdefghijkl",
        "aaaaaaaaaaaaaa",
        "abababababab",
        "Nolbet-2026-!",
        "garden123456",
        "monkey qwerty",
    ],
)
def test_a_common_password_is_refused_also_dressed_up(password: str) -> None:
    with pytest.raises(ValidationError):
        NotCommonInDisguise().validate(password)


@pytest.mark.parametrize("password", [PASSWORD, "quite another phrase", "7 wet leaves, 2 stones"])
def test_a_phrase_of_ones_own_is_taken(password: str) -> None:
    NotCommonInDisguise().validate(password)
