"""Sessions: listed by whose they are, and ended one by one."""

from __future__ import annotations

import hashlib
from dataclasses import dataclass
from datetime import datetime
from typing import Any, Literal, cast

from django.contrib.auth import SESSION_KEY
from django.contrib.sessions.backends.db import SessionStore as DatabaseSessions
from django.http import HttpRequest
from django.utils import timezone
from django.utils.dateparse import parse_datetime

from nolbet.account.models import Session

Device = Literal["phone", "computer"]
BEGUN, DEVICE = "begun_at", "device"


class SessionStore(DatabaseSessions):
    """Django's sessions in the database, with whose each is in a column."""

    @classmethod
    def get_model_class(cls) -> type[Session]:
        """Where they are kept."""
        return Session

    def create_model_instance(self, data: dict[str, Any]) -> Session:
        """The row of a session."""
        row = cast("Session", super().create_model_instance(data))
        row.account_id = int(data[SESSION_KEY]) if SESSION_KEY in data else None
        return row


@dataclass(frozen=True, slots=True)
class OpenSession:
    """A session as its gardener sees it. name: what it is called when it is to be ended; its key is told to nobody."""

    name: str
    begun_at: datetime | None
    ends_at: datetime
    device: Device
    here: bool


def note_beginning(request: HttpRequest) -> None:
    """Write into a session that just began when that was, and on what kind of device."""
    request.session[BEGUN] = timezone.now().isoformat()
    request.session[DEVICE] = "phone" if "Mobi" in request.headers.get("User-Agent", "") else "computer"


def open_sessions(account_id: int, here: str | None) -> list[OpenSession]:
    """An account's sessions that haven't run out, the newest first. here: the key of the one that asks."""
    rows = Session.objects.filter(account_id=account_id, expire_date__gt=timezone.now())
    found = [_told(row, here) for row in rows]
    return sorted(found, key=lambda each: (each.here, each.begun_at or each.ends_at), reverse=True)


def end_session(account_id: int, name: str) -> bool:
    """End one of an account's sessions; whether there was such a one."""
    keys = [row.session_key for row in Session.objects.filter(account_id=account_id) if _name(row.session_key) == name]
    return bool(Session.objects.filter(account_id=account_id, session_key__in=keys).delete()[0])


def end_other_sessions(account_id: int, here: str | None) -> int:
    """End an account's sessions but the one that asks; how many there were."""
    return Session.objects.filter(account_id=account_id).exclude(session_key=here or "").delete()[0]


def _told(row: Session, here: str | None) -> OpenSession:
    data = row.get_decoded()
    device: Device = "phone" if data.get(DEVICE) == "phone" else "computer"
    return OpenSession(
        name=_name(row.session_key),
        begun_at=parse_datetime(data.get(BEGUN, "")),
        ends_at=row.expire_date,
        device=device,
        here=row.session_key == here,
    )


def _name(key: str) -> str:
    return hashlib.sha256(key.encode()).hexdigest()[:16]
