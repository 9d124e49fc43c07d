"""What a gardener does with their own account: sessions, mail address, taking all of it out, leaving."""

from __future__ import annotations

from datetime import datetime

from django.contrib.auth import get_user_model
from django.core.exceptions import ValidationError
from django.core.validators import validate_email
from django.http import FileResponse, HttpRequest
from django.utils import timezone
from ninja import Router, Schema
from pydantic import Field

from nolbet.account.errors import Refusal
from nolbet.account.events import tell
from nolbet.account.leaving import leave, stay
from nolbet.account.sessions import Device, end_other_sessions, end_session, open_sessions
from nolbet.api.account import Account, account_of, own_account
from nolbet.gardens.errors import Missing
from nolbet.gardens.owned import signed_in_id
from nolbet.plans.account_archive import account_archive

router = Router(tags=["account"])


class Session(Schema):
    """A device that is signed in. name: what it is ended by; here: whether it is the one that asks."""

    name: str
    begun_at: datetime | None
    ends_at: datetime
    device: Device
    here: bool


class NewMail(Schema):
    """A mail address that codes are sent to, empty for none, and the password typed again."""

    mail: str = Field(max_length=254)
    password: str = Field(min_length=1, max_length=500)


class Leave(Schema):
    """The password typed again, by who wants to leave."""

    password: str = Field(min_length=1, max_length=500)


@router.get("/sessions", response=list[Session])
def list_sessions(request: HttpRequest) -> list[Session]:
    """Where the account is signed in, this device first."""
    return _sessions(request)


@router.delete("/sessions/{name}", response=list[Session])
def end_one_session(request: HttpRequest, name: str) -> list[Session]:
    """Sign one device out."""
    if not end_session(signed_in_id(request), name):
        raise Missing
    tell(request, "session ended")
    return _sessions(request)


@router.delete("/sessions", response=list[Session])
def end_all_other_sessions(request: HttpRequest) -> list[Session]:
    """Sign all other devices out."""
    end_other_sessions(signed_in_id(request), request.session.session_key)
    tell(request, "other sessions ended")
    return _sessions(request)


@router.put("/mail", response=Account)
def change_mail(request: HttpRequest, changed: NewMail) -> Account:
    """Say where codes for a forgotten password are sent to."""
    gardener = own_account(request, "password", changed.password)
    mail = changed.mail.strip()
    try:
        if mail:
            validate_email(mail)
    except ValidationError as error:
        raise Refusal("mail", "is no mail address; leave it empty for none") from error
    get_user_model().objects.filter(pk=gardener.pk).update(email=mail)
    request.user.email = mail  # type: ignore[union-attr]  # somebody is signed in here
    tell(request, "mail changed")
    return account_of(request)


@router.get("/archive")
def export_account(request: HttpRequest) -> FileResponse:
    """All that is kept of the account: each garden's archive, in the bin too, and what is known of the account."""
    tell(request, "archive taken out")
    file = account_archive(get_user_model().objects.get(pk=signed_in_id(request)), timezone.now())
    return FileResponse(file, as_attachment=True, filename="nolbet-account.zip", content_type="application/zip")


@router.post("/leave", response=Account)
def leave_for_good(request: HttpRequest, asked: Leave) -> Account:
    """Have the account deleted after a week, with all gardens; until then it can be kept after all."""
    gardener = own_account(request, "password", asked.password)
    leave(gardener.pk, timezone.now())
    tell(request, "asked to be deleted")
    return account_of(request)


@router.post("/stay", response=Account)
def stay_after_all(request: HttpRequest) -> Account:
    """Keep the account that was to be deleted."""
    stay(signed_in_id(request))
    tell(request, "stays after all")
    return account_of(request)


def _sessions(request: HttpRequest) -> list[Session]:
    found = open_sessions(signed_in_id(request), request.session.session_key)
    return [
        Session(name=each.name, begun_at=each.begun_at, ends_at=each.ends_at, device=each.device, here=each.here)
        for each in found
    ]
