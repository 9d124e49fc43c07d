"""Accounts: sign up, sign in and out, change the password."""

from __future__ import annotations

from datetime import datetime

from django.conf import settings
from django.contrib.auth import get_user_model, login, logout, update_session_auth_hash
from django.contrib.auth.models import AbstractBaseUser, User
from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError
from django.db import IntegrityError, transaction
from django.http import HttpRequest
from django.middleware.csrf import get_token
from django.utils import timezone
from ninja import Router, Schema, Status
from ninja.utils import check_csrf
from pydantic import Field

from nolbet.account.door import check_not_locked, checked, count_wrong
from nolbet.account.errors import Refusal, WrongPassword
from nolbet.account.events import tell
from nolbet.account.leaving import leaves_at
from nolbet.account.pace import check_codes, check_sign_ups, note_code
from nolbet.account.reset import account_with_code, new_code, send_code
from nolbet.account.sessions import end_other_sessions, note_beginning
from nolbet.api.problems import CsrfMissing
from nolbet.gardens.owned import signed_in_id

router = Router(tags=["account"])

BACKEND = "django.contrib.auth.backends.ModelBackend"
NAME = r"^[\w.@+-]+$"


class Credentials(Schema):
    """A name and a password."""

    name: str = Field(min_length=1, max_length=150)
    password: str = Field(min_length=1, max_length=500)


class NewAccount(Schema):
    """An account to open."""

    name: str = Field(min_length=2, max_length=60, pattern=NAME)
    password: str = Field(min_length=1, max_length=500)


class NewPassword(Schema):
    """The password as it is and as it should be."""

    old: str = Field(min_length=1, max_length=500)
    new: str = Field(min_length=1, max_length=500)


class AskedCode(Schema):
    """Whose password is forgotten."""

    name: str = Field(min_length=1, max_length=150)


class PasswordByCode(Schema):
    """A code, and the password that it sets."""

    name: str = Field(min_length=1, max_length=150)
    code: str = Field(min_length=1, max_length=60)
    new: str = Field(min_length=1, max_length=500)


class Account(Schema):
    """Who is signed in; `demo` where nobody has to, `stand_ins` where devices and services are simulated.

    mail: where codes are sent to. leaves_at: from when on the account may be gone, where it is to be deleted.
    """

    name: str | None
    demo: bool
    stand_ins: bool
    mail: str | None = None
    leaves_at: datetime | None = None


def account_of(request: HttpRequest) -> Account:
    """Who is signed in."""
    account = Account(name=None, demo=settings.DEMO, stand_ins=settings.STAND_INS)
    if not request.user.is_authenticated:
        return account
    account.name = request.user.get_username()
    account.mail = request.user.email or None
    account.leaves_at = leaves_at(signed_in_id(request))
    return account


def from_this_page(request: HttpRequest) -> None:
    """Raise CsrfMissing for a request that another page made the browser send."""
    if check_csrf(request) is not None:
        raise CsrfMissing


@router.get("", auth=None, response=Account)
def who_is_signed_in(request: HttpRequest) -> Account:
    """Who is signed in, if anybody."""
    get_token(request)
    return account_of(request)


@router.post("/sign-up", auth=None, response={201: Account})
def sign_up(request: HttpRequest, new: NewAccount) -> Status[Account]:
    """Open an account and sign in. From one address, a few in an hour."""
    from_this_page(request)
    users = get_user_model()
    gardener = users(username=new.name)
    check_password(new.password, gardener)
    check_sign_ups(request)
    gardener.set_password(new.password)
    try:
        with transaction.atomic():
            if users.objects.filter(username__iexact=new.name).exists():
                raise Refusal("name", "is taken: choose another")
            gardener.save()
    except IntegrityError as error:
        raise Refusal("name", "is taken: choose another") from error
    _begin(request, gardener, "account opened")
    return Status(201, account_of(request))


@router.post("/sign-in", auth=None, response=Account)
def sign_in(request: HttpRequest, given: Credentials) -> Account:
    """Sign in. Too many wrong passwords lock the account for the address for a while."""
    from_this_page(request)
    _begin(request, checked(request, given.name, given.password), "signed in")
    return account_of(request)


@router.post("/sign-out", response=Account)
def sign_out(request: HttpRequest) -> Account:
    """Sign out on this device."""
    tell(request, "signed out")
    logout(request)
    return account_of(request)


@router.put("/password", response=Account)
def change_password(request: HttpRequest, changed: NewPassword) -> Account:
    """Change the password; other devices are signed out."""
    gardener = own_account(request, "old", changed.old)
    check_password(changed.new, gardener)
    gardener.set_password(changed.new)
    gardener.save(update_fields=["password"])
    update_session_auth_hash(request, gardener)
    end_other_sessions(gardener.pk, request.session.session_key)
    tell(request, "password changed")
    return account_of(request)


@router.post("/code", auth=None, response={202: None})
def ask_for_code(request: HttpRequest, asked: AskedCode) -> Status[None]:
    """Have a code sent to an account's mail address, if there is one: the answer is the same where there is none."""
    from_this_page(request)
    check_codes(request)
    code = new_code()
    # one write to the disk, whether there is such an account or not
    with transaction.atomic():
        note_code(request)
        send_code(asked.name, code, timezone.now())
    tell(request, "code asked for")
    return Status(202, None)


@router.post("/reset", auth=None, response=Account)
def reset_password(request: HttpRequest, given: PasswordByCode) -> Account:
    """Set a new password by a code, and sign in; other devices are signed out. Wrong codes count as wrong passwords."""
    from_this_page(request)
    check_not_locked(request, given.name)
    check_password(given.new, get_user_model()(username=given.name))
    gardener = account_with_code(given.name, given.code, timezone.now())
    if gardener is None:
        count_wrong(request, given.name)
        raise Refusal("code", "is none for this name, was used, or has run out")
    gardener.set_password(given.new)
    gardener.save(update_fields=["password"])
    end_other_sessions(gardener.pk, None)
    _begin(request, gardener, "password reset")
    return account_of(request)


def own_account(request: HttpRequest, path: str, password: str) -> User:
    """The account that asks, once its password was typed again. path: of the field it was typed in.

    Raises Refusal where it is wrong or there is none, Locked and TooSoon as at the front door.
    """
    gardener: User = get_user_model().objects.get(pk=signed_in_id(request))
    if not gardener.has_usable_password():
        raise Refusal(path, "the demo has no password")
    try:
        checked(request, gardener.get_username(), password)
    except WrongPassword as error:
        raise Refusal(path, "is not the password there is now") from error
    return gardener


def check_password(password: str, gardener: object) -> None:
    """Raises Refusal where a password won't do, in words."""
    try:
        validate_password(password, gardener)  # type: ignore[arg-type]  # the stubs want a saved user
    except ValidationError as error:
        raise Refusal("password", " ".join(error.messages)) from error


def _begin(request: HttpRequest, gardener: AbstractBaseUser, event: str) -> None:
    login(request, gardener, backend=BACKEND)  # type: ignore[arg-type]  # the one kind of account there is
    note_beginning(request)
    tell(request, event)
