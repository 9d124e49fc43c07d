"""How often passwords are tried: wrong ones from anywhere make the next try wait, without locking anybody out."""

from __future__ import annotations

from datetime import datetime, timedelta
from math import ceil

from axes.models import AccessAttempt, AccessLog
from django.db.models import Max, QuerySet, Sum
from django.http import HttpRequest
from django.utils import timezone

from nolbet.account.address import client_address
from nolbet.account.errors import TooSoon
from nolbet.account.models import Asked

COUNTED_FOR = timedelta(hours=1)
FREE_TRIES = 24
"""So many wrong passwords from one address, or for one account from everywhere, cost nothing: people share lines."""

LONGEST_WAIT_S = 60

MOST_SIGN_UPS = 5
MOST_CODES = 5
"""From one address in an hour."""


def check_pace(request: HttpRequest, name: str) -> None:
    """Raises TooSoon where the last wrong password, of this account or from this address, was too short a while ago.

    An address that the account was signed in from isn't held up by what others try elsewhere.
    """
    now, address = timezone.now(), client_address(request)
    recent = AccessAttempt.objects.filter(attempt_time__gt=now - COUNTED_FOR)
    _check(recent.filter(ip_address=address), now)
    if not AccessLog.objects.filter(username=name, ip_address=address).exists():
        _check(recent.filter(username=name), now)


def wait_after(wrong: int) -> int:
    """How long to wait after so many wrong passwords [s]: nothing at first, then twice as long after each."""
    return 0 if wrong < FREE_TRIES else min(2 ** min(wrong - FREE_TRIES, 10), LONGEST_WAIT_S)


def check_sign_ups(request: HttpRequest) -> None:
    """Note that an account is opened from an address. Raises TooSoon where it is one too many in an hour."""
    _note(request, "sign-up", MOST_SIGN_UPS)


def check_codes(request: HttpRequest) -> None:
    """Raises TooSoon where one more code asked for from an address is one too many in an hour."""
    _check_asked(request, "code", MOST_CODES)


def note_code(request: HttpRequest) -> None:
    """Note that a code is asked for from an address. Raises TooSoon as check_codes does."""
    _note(request, "code", MOST_CODES)


def forget_asked(now: datetime) -> None:
    """Forget what was asked from which address once it isn't counted any more."""
    Asked.objects.filter(at__lt=now - COUNTED_FOR).delete()


def _check(attempts: QuerySet[AccessAttempt], now: datetime) -> None:
    found = attempts.aggregate(wrong=Sum("failures_since_start"), last=Max("attempt_time"))
    if not found["wrong"]:
        return
    left_s = wait_after(found["wrong"]) - (now - found["last"]).total_seconds()
    if left_s > 0:
        raise TooSoon(ceil(left_s))


def _check_asked(request: HttpRequest, what: str, most: int) -> None:
    now, address = timezone.now(), client_address(request)
    counted = Asked.objects.filter(what=what, address=address, at__gt=now - COUNTED_FOR).order_by("at")
    found = list(counted.values_list("at", flat=True))
    if len(found) >= most:
        raise TooSoon(ceil((found[-most] + COUNTED_FOR - now).total_seconds()))


def _note(request: HttpRequest, what: str, most: int) -> None:
    _check_asked(request, what, most)
    Asked.objects.create(what=what, address=client_address(request), at=timezone.now())
