"""What a gardener does with their own account: sessions, codes for a forgotten password, taking all out, leaving."""

from __future__ import annotations

import io
import json
import logging
import re
import zipfile
from datetime import UTC, datetime, timedelta
from typing import Any

import pytest
from axes.models import AccessAttempt, AccessLog
from django.contrib.auth.hashers import get_hasher
from django.contrib.auth.models import User
from django.core import mail
from django.core.management import CommandError, call_command
from django.db import OperationalError
from django.test import Client
from django.utils import timezone

from nolbet.account import reset
from nolbet.account.models import Asked, Leaving, ResetCode, Session
from nolbet.daily import clearing
from nolbet.daily.clearing import clear, clear_on_a_new_day
from nolbet.daily.days import days_ago, note_day
from nolbet.daily.models import ServedDay
from nolbet.gardens.bin import bin_bed, bin_garden
from nolbet.gardens.models import Garden
from nolbet.keeping.logs import WithoutSecrets
from nolbet.plans.archive import bring_archive
from nolbet.sharing.links import make_link
from nolbet.sharing.models import SharedLink
from tests.server.asking import send
from tests.server.test_account import PASSWORD, sign_in

NEW = "quite another phrase"


@pytest.fixture
def sent_at_once(monkeypatch: pytest.MonkeyPatch) -> None:
    """Mail is sent before the answer, so that it can be looked at."""

    class AtOnce:
        def __init__(self, target: Any, args: tuple[Any, ...], daemon: bool) -> None:
            assert daemon
            self.send = lambda: target(*args)

        def start(self) -> None:
            self.send()

    monkeypatch.setattr(reset.threading, "Thread", AtOnce)


def printed_code(name: str) -> str:
    """The code that the keeper prints."""
    out = io.StringIO()
    call_command("reset_code", name, stdout=out)
    return out.getvalue().strip()


def by_code(client: Client, code: str, new: str = NEW, name: str = "gardener") -> Any:
    """Try to set a new password by a code."""
    return send(client, "POST", "/api/account/reset", {"name": name, "code": code, "new": new})


def test_sessions_are_listed_with_their_device_and_ended_one_by_one(gardener: User) -> None:
    here = Client()
    phone = Client(headers={"User-Agent": "Something/5.0 (a phone) Mobile"})
    third = Client()
    for client in (here, phone, third):
        sign_in(client, "gardener", PASSWORD)
    listed = here.get("/api/account/sessions").json()
    assert [each["here"] for each in listed] == [True, False, False]
    assert sorted(each["device"] for each in listed) == ["computer", "computer", "phone"]
    assert here.session.session_key not in json.dumps(listed)
    name = next(each["name"] for each in listed if each["device"] == "phone")
    left = send(here, "DELETE", f"/api/account/sessions/{name}", {})
    assert len(left.json()) == 2
    assert phone.get("/api/gardens").status_code == 401
    assert third.get("/api/gardens").status_code == 200
    assert len(send(here, "DELETE", "/api/account/sessions", {}).json()) == 1
    assert third.get("/api/gardens").status_code == 401
    assert here.get("/api/gardens").status_code == 200


def test_nobody_ends_anothers_session(gardener: User, stranger: User) -> None:
    here, other = Client(), Client()
    sign_in(here, "gardener", PASSWORD)
    sign_in(other, "stranger", PASSWORD)
    (session,) = here.get("/api/account/sessions").json()
    assert send(other, "DELETE", f"/api/account/sessions/{session['name']}", {}).status_code == 404
    send(other, "DELETE", "/api/account/sessions", {})
    assert here.get("/api/gardens").status_code == 200


def test_a_printed_code_sets_a_password_once_and_ends_every_session(gardener: User) -> None:
    elsewhere, client = Client(), Client()
    sign_in(elsewhere, "gardener", PASSWORD)
    code = printed_code("gardener")
    assert re.fullmatch(r"([A-Z2-9]{4}-){3}[A-Z2-9]{4}", code)
    assert code.replace("-", "") not in str(list(ResetCode.objects.values()))
    assert by_code(client, code.lower().replace("-", " ")).json()["name"] == "gardener"
    assert elsewhere.get("/api/gardens").status_code == 401
    assert by_code(Client(), code).json()["errors"][0]["path"] == "code"
    assert sign_in(Client(), "gardener", NEW).status_code == 200


def test_a_code_holds_for_a_day_and_the_newest_alone_holds(gardener: User, stranger: User) -> None:
    first, second = printed_code("gardener"), printed_code("gardener")
    assert by_code(Client(), first).status_code == 422
    assert by_code(Client(), second, name="stranger").status_code == 422
    assert by_code(Client(), second, new="short").status_code == 422
    ResetCode.objects.update(ends_at=timezone.now())
    assert by_code(Client(), second).status_code == 422
    with pytest.raises(CommandError, match="no account 'nobody'"):
        printed_code("nobody")


def test_codes_are_guessed_no_more_often_than_passwords(gardener: User) -> None:
    code = printed_code("gardener")
    assert [by_code(Client(), "AAAA-BBBB").status_code for _ in range(9)] == [422] * 7 + [429] * 2
    assert by_code(Client(), code).status_code == 429
    assert by_code(Client(REMOTE_ADDR="192.0.2.8"), code).status_code == 200


def test_the_door_for_codes_hashes_as_much_whether_there_is_an_account_a_code_or_neither(
    gardener: User, stranger: User, sent_at_once: None, monkeypatch: pytest.MonkeyPatch
) -> None:
    stranger.email = "oarsman@example.org"
    stranger.save()
    printed_code("gardener")
    slow: list[str] = []
    hasher = type(get_hasher())
    usual = hasher.encode
    monkeypatch.setattr(hasher, "encode", lambda *given: slow.append("hash") or usual(*given))
    for name in ("gardener", "stranger", "nobody"):
        assert by_code(Client(), "AAAA-BBBB", name=name).status_code == 422
        assert send(Client(), "POST", "/api/account/code", {"name": name}).status_code == 202
        assert slow == ["hash"] * 2
        slow.clear()


def test_a_code_comes_by_mail_where_there_is_an_address(gardener: User, signed_in: Client, sent_at_once: None) -> None:
    said = {"mail": "oarsman@example.org", "password": PASSWORD}
    assert send(signed_in, "PUT", "/api/account/mail", said).json()["mail"] == "oarsman@example.org"
    assert send(signed_in, "PUT", "/api/account/mail", said | {"mail": "no address"}).status_code == 422
    for name in ("gardener", "gardener", "nobody"):
        assert send(Client(), "POST", "/api/account/code", {"name": name}).status_code == 202
    (letter,) = mail.outbox
    assert letter.to == ["oarsman@example.org"]
    code = re.search(r"code: (\S+)", letter.body)
    assert code
    assert by_code(Client(), code[1]).status_code == 200
    answers = [send(Client(), "POST", "/api/account/code", {"name": "nobody"}).status_code for _ in range(3)]
    assert answers == [202, 202, 429]


def test_all_of_an_account_is_taken_out_and_each_garden_comes_back(
    signed_in: Client, gardener: User, garden: Garden, stranger: User
) -> None:
    other = bring_archive(gardener.pk, io.BytesIO(signed_in.get(f"/api/gardens/{garden.pk}/archive").content))
    bin_garden(other, timezone.now())
    make_link(garden, "Helper", "garden", "", False, 30, timezone.now())
    answer = signed_in.get("/api/account/archive")
    with zipfile.ZipFile(io.BytesIO(b"".join(answer.streaming_content))) as archive:
        names = archive.namelist()
        account = json.loads(archive.read("account.json"))
        brought = bring_archive(stranger.pk, io.BytesIO(archive.read(names[1])))
    assert [name.split("/")[0] for name in names] == ["account.json", "gardens", "bin"]
    assert account["name"] == "gardener"
    assert [each["label"] for each in account["links"]] == ["Helper"]
    assert "digest" not in json.dumps(account)
    assert brought.beds.count() == garden.beds.count() == 2


def test_an_account_goes_a_week_after_it_was_asked_to_and_nothing_of_it_is_left(
    signed_in: Client, gardener: User, garden: Garden, stranger: User
) -> None:
    sign_in(Client(), "gardener", "wrong")
    left = send(signed_in, "POST", "/api/account/leave", {"password": PASSWORD}).json()
    assert datetime.fromisoformat(left["leaves_at"]) > timezone.now() + timedelta(days=6)
    now = timezone.now()
    for day in range(8):
        clear(now + timedelta(days=day))
        assert User.objects.filter(pk=gardener.pk).exists()
    clear(now + timedelta(days=8))
    assert list(User.objects.all()) == [stranger]
    assert Garden.objects.count() == Session.objects.count() == AccessLog.objects.count() == 0
    assert AccessAttempt.objects.count() == 0
    assert signed_in.get("/api/gardens").status_code == 401


def test_who_changes_their_mind_keeps_everything(signed_in: Client, gardener: User, garden: Garden) -> None:
    send(signed_in, "POST", "/api/account/leave", {"password": PASSWORD})
    assert sign_in(Client(), "gardener", PASSWORD).json()["leaves_at"] is not None
    assert send(signed_in, "POST", "/api/account/stay", {}).json()["leaves_at"] is None
    for day in range(20):
        clear(timezone.now() + timedelta(days=day))
    assert not Leaving.objects.exists()
    assert Garden.objects.count() == 1


def test_a_clock_that_was_a_month_ahead_empties_no_bin_and_deletes_no_account(garden: Garden, gardener: User) -> None:
    now = timezone.now()
    bin_bed(garden.beds.get(key="plain"), now)
    Leaving.objects.create(account=gardener, asked_at=now)
    clear(now)
    clear(now + timedelta(days=31))
    clear(now + timedelta(days=400))
    clear(now + timedelta(days=1))
    assert garden.beds.filter(key="plain").exists()
    for day in range(2, 40):
        if User.objects.filter(pk=gardener.pk).exists():
            Leaving.objects.all().delete()
        clear(now + timedelta(days=day))
    assert not garden.beds.filter(key="plain").exists()
    assert garden.beds.count() == 1


def test_days_are_counted_by_those_that_the_server_ran_on(db: None) -> None:
    first = datetime(2026, 3, 1, tzinfo=UTC).date()
    for days in (0, 1, 5, 40):
        assert note_day(first + timedelta(days=days))
        assert not note_day(first + timedelta(days=days))
    today = first + timedelta(days=6)
    assert days_ago(3, today) == datetime(2026, 3, 1, tzinfo=UTC)
    assert days_ago(1, today) == datetime(2026, 3, 6, tzinfo=UTC)
    assert days_ago(4, today) is None


def test_what_has_run_out_is_cleared_once_a_day(garden: Garden, signed_in: Client) -> None:
    link, _ = make_link(garden, "Helper", "garden", "", False, 30, timezone.now())
    SharedLink.objects.filter(pk=link.pk).update(ends_at=timezone.now())
    Asked.objects.create(what="code", address="192.0.2.7", at=timezone.now() - timedelta(hours=2))
    Session.objects.update(expire_date=timezone.now())
    assert clear_on_a_new_day()
    assert not clear_on_a_new_day()
    assert [each.objects.count() for each in (SharedLink, Asked, Session, ServedDay)] == [0, 0, 0, 1]


def test_a_day_on_which_clearing_failed_is_cleared_once_it_can_be(
    garden: Garden, signed_in: Client, monkeypatch: pytest.MonkeyPatch
) -> None:
    Session.objects.update(expire_date=timezone.now())

    def locked(_: datetime) -> None:
        raise OperationalError("database is locked")

    with monkeypatch.context() as patched, pytest.raises(OperationalError):
        patched.setattr(clearing, "forget_codes", locked)
        clear_on_a_new_day()
    assert (ServedDay.objects.count(), Session.objects.count()) == (0, 1)
    assert clear_on_a_new_day()
    assert Session.objects.count() == 0


def test_the_log_tells_what_happened_and_nothing_of_whom(
    gardener: User, client: Client, caplog: pytest.LogCaptureFixture
) -> None:
    caplog.set_level(logging.INFO)
    logging.getLogger("nolbet").propagate = True
    sign_in(client, "gardener", "wrong")
    sign_in(client, "gardener", PASSWORD)
    printed = [record.getMessage() for record in caplog.records if record.name == "nolbet.security"]
    assert any("event='wrong password' account=- " in line for line in printed)
    assert any(f"event='signed in' account={gardener.pk} " in line for line in printed)
    assert not any("127.0.0.1" in line or "'gardener'" in line for line in printed)


def test_a_links_secret_is_not_in_the_log() -> None:
    record = logging.LogRecord("django", logging.ERROR, "", 1, "Error: %s", ("/api/shared/Abc_def-123456/tick",), None)
    assert WithoutSecrets().filter(record)
    assert record.getMessage() == "Error: /api/shared/.../tick"


def test_the_keeper_signs_a_gardener_out_everywhere(gardener: User, stranger: User) -> None:
    clients = [Client(), Client()]
    for client, name in zip(clients, ("gardener", "stranger"), strict=True):
        sign_in(client, name, PASSWORD)
    call_command("end_sessions", "gardener", stdout=io.StringIO())
    assert [client.get("/api/gardens").status_code for client in clients] == [401, 200]
    call_command("end_sessions", stdout=io.StringIO())
    assert clients[1].get("/api/gardens").status_code == 401
    with pytest.raises(CommandError, match="no account"):
        call_command("end_sessions", "nobody", stdout=io.StringIO())


def test_no_answer_with_a_gardeners_data_lies_in_a_cache(signed_in: Client, garden: Garden) -> None:
    for path in ("/api/account", "/api/gardens", f"/api/gardens/{garden.pk}", f"/api/gardens/{garden.pk}/archive"):
        assert signed_in.get(path)["Cache-Control"] == "no-store"


def test_what_was_not_ones_own_to_ask_is_written_down(
    gardener: User, garden: Garden, stranger: User, caplog: pytest.LogCaptureFixture
) -> None:
    caplog.set_level(logging.INFO)
    logging.getLogger("nolbet").propagate = True
    client = Client(enforce_csrf_checks=True)
    client.get("/api/gardens")
    client.force_login(stranger)
    client.get(f"/api/gardens/{garden.pk}")
    send(client, "POST", "/api/account/sign-out", {})
    events = [record.getMessage().split(" account=") for record in caplog.records if record.name == "nolbet.security"]
    told = [(event, rest.split()[0]) for event, rest in events]
    assert ("event='nobody is signed in'", "-") in told
    assert ("event='not theirs or not there'", str(stranger.pk)) in told
    assert ("event='not from this page'", str(stranger.pk)) in told
