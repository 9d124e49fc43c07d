"""Accounts: sign up, sign in and out, change the password."""

from __future__ import annotations

from django.conf import settings
from django.contrib.auth import authenticate, get_user_model, login, logout, update_session_auth_hash
from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError
from django.db import IntegrityError, transaction
from django.http import HttpRequest
from django.middleware.csrf import get_token
from ninja import Router, Schema, Status
from ninja.utils import check_csrf
from pydantic import Field

from nolbet.account.errors import Locked, Refusal, WrongPassword
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


class Account(Schema):
    """Who is signed in; `demo` where nobody has to, `stand_ins` where devices and services are simulated."""

    name: str | None
    demo: bool
    stand_ins: bool


def _account(request: HttpRequest) -> Account:
    name = request.user.get_username() if request.user.is_authenticated else None
    return Account(name=name, demo=settings.DEMO, stand_ins=settings.STAND_INS)


def from_this_page(request: HttpRequest) -> None:
    """Raise CsrfMissing for a request that another page made the browser send."""
    if check_csrf(request) is not None:
        raise CsrfMissing


@router.get("", auth=None, response=Account)
def who_is_signed_in(request: HttpRequest) -> Account:
    """Who is signed in, if anybody."""
    get_token(request)
    return _account(request)


@router.post("/sign-up", auth=None, response={201: Account})
def sign_up(request: HttpRequest, new: NewAccount) -> Status[Account]:
    """Open an account and sign in."""
    from_this_page(request)
    users = get_user_model()
    gardener = users(username=new.name)
    _check_password(new.password, gardener)
    gardener.set_password(new.password)
    try:
        with transaction.atomic():
            if users.objects.filter(username__iexact=new.name).exists():
                raise Refusal("name", "is taken: choose another")
            gardener.save()
    except IntegrityError as error:
        raise Refusal("name", "is taken: choose another") from error
    login(request, gardener, backend=BACKEND)
    return Status(201, _account(request))


@router.post("/sign-in", auth=None, response=Account)
def sign_in(request: HttpRequest, given: Credentials) -> Account:
    """Sign in. Too many wrong passwords lock the account and the address for a while."""
    from_this_page(request)
    gardener = authenticate(request, username=given.name, password=given.password)
    if getattr(request, "axes_locked_out", False):
        raise Locked
    if gardener is None:
        raise WrongPassword
    login(request, gardener)
    return _account(request)


@router.post("/sign-out", response=Account)
def sign_out(request: HttpRequest) -> Account:
    """Sign out on this device."""
    logout(request)
    return _account(request)


@router.put("/password", response=Account)
def change_password(request: HttpRequest, changed: NewPassword) -> Account:
    """Change the password; other devices are signed out."""
    gardener = get_user_model().objects.get(pk=signed_in_id(request))
    if not gardener.has_usable_password():
        raise Refusal("old", "the demo has no password")
    if not gardener.check_password(changed.old):
        raise Refusal("old", "is not the password there is now")
    _check_password(changed.new, gardener)
    gardener.set_password(changed.new)
    gardener.save(update_fields=["password"])
    update_session_auth_hash(request, gardener)
    return _account(request)


def _check_password(password: str, gardener: object) -> None:
    try:
        validate_password(password, gardener)  # type: ignore[arg-type]  # the stubs want a saved user
    except ValidationError as error:
        raise Refusal("password", " ".join(error.messages)) from error
