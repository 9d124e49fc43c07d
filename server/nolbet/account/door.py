"""The one door that a password goes through, wherever it is asked for: signing in, changing it, leaving."""

from __future__ import annotations

from axes.handlers.proxy import AxesProxyHandler
from django.contrib.auth import authenticate
from django.contrib.auth.models import AbstractBaseUser
from django.contrib.auth.signals import user_login_failed
from django.http import HttpRequest

from nolbet.account.errors import Locked, WrongPassword
from nolbet.account.events import tell
from nolbet.account.pace import check_pace


def checked(request: HttpRequest, name: str, password: str) -> AbstractBaseUser:
    """The account that a name and a password open.

    Raises WrongPassword where they don't go together, Locked after too many that didn't, TooSoon where it has to wait,
    HashingBusy where too many are checked at once.
    """
    check_pace(request, name)
    gardener = authenticate(request, username=name, password=password)
    if getattr(request, "axes_locked_out", False):
        tell(request, "locked")
        raise Locked
    if gardener is None:
        tell(request, "wrong password")
        raise WrongPassword
    return gardener


def check_not_locked(request: HttpRequest, name: str) -> None:
    """Raises Locked or TooSoon where a name can't be tried from here just now."""
    check_pace(request, name)
    if not AxesProxyHandler.is_allowed(request, {"username": name}):
        tell(request, "locked")
        raise Locked


def count_wrong(request: HttpRequest, name: str) -> None:
    """Count a wrong code as a wrong password is counted."""
    user_login_failed.send(sender=__name__, credentials={"username": name}, request=request)
    tell(request, "wrong code")
