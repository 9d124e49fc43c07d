"""A new password by a code: one that the keeper prints, or one sent to the account's mail address."""

from __future__ import annotations

import secrets
import threading
from dataclasses import dataclass
from datetime import datetime, timedelta

from django.conf import settings
from django.contrib.auth import get_user_model
from django.contrib.auth.hashers import check_password, make_password
from django.contrib.auth.models import AbstractBaseUser
from django.core.mail import send_mail
from django.db import transaction

from nolbet.account.models import ResetCode

SIGNS = "ABCDEFGHJKLMNPQRSTUVWXYZ23456789"
"""Letters and digits that aren't taken for each other."""

GROUPS, SIGNS_A_GROUP = 4, 4
PRINTED_FOR = timedelta(days=1)
SENT_FOR = timedelta(minutes=10)
SENT_AGAIN_AFTER = timedelta(minutes=5)


@dataclass(frozen=True)
class NewCode:
    """A code as it is shown, once, and as it is kept."""

    shown: str
    hashed: str


def new_code() -> NewCode:
    """A code that nobody has yet. It takes a moment: it is hashed as a password is."""
    groups = ("".join(secrets.choice(SIGNS) for _ in range(SIGNS_A_GROUP)) for _ in range(GROUPS))
    shown = "-".join(groups)
    return NewCode(shown, make_password(_plain(shown)))


def make_code(account: AbstractBaseUser, now: datetime, lasts: timedelta) -> str:
    """A code that sets an account's password once, within some time; those before it hold no more."""
    code = new_code()
    _keep(account, code, now, lasts)
    return code.shown


def account_with_code(name: str, code: str, now: datetime) -> AbstractBaseUser | None:
    """The account of a name that a code is good for, if it is. The code is used up by it."""
    account = get_user_model().objects.filter(username=name, is_active=True).first()
    found = ResetCode.objects.filter(account__username=name, ends_at__gt=now).first()
    if account is None or found is None:
        # hashed for nobody: how long the answer takes says nothing of whether a code waits
        make_password(_plain(code))
        return None
    if not check_password(_plain(code), found.hashed):
        return None
    # of two who come with it at once, one finds it gone
    return account if ResetCode.objects.filter(pk=found.pk).delete()[0] else None


def send_code(name: str, code: NewCode, now: datetime) -> None:
    """Send a code to an account's mail address, where it has one and none was sent just before.

    It was hashed before, for nobody as well, and is sent beside: how long the answer takes says nothing of whether
    there is such an account.
    """
    account = get_user_model().objects.filter(username=name, is_active=True).exclude(email="").first()
    if account is None:
        return
    if ResetCode.objects.filter(account_id=account.pk, made_at__gt=now - SENT_AGAIN_AFTER).exists():
        return
    _keep(account, code, now, SENT_FOR)
    threading.Thread(target=_send, args=(account.email, code.shown), daemon=True).start()


def forget_codes(now: datetime) -> None:
    """Forget codes that have run out."""
    ResetCode.objects.filter(ends_at__lte=now).delete()


def _send(address: str, code: str) -> None:
    minutes = int(SENT_FOR.total_seconds() // 60)
    send_mail(
        "Nolbet: a new password",
        f"Your code: {code}\n\nType it at the door, with a new password, within {minutes} minutes. Whoever didn't ask "
        "for it may leave it lying: without it nothing changes.\n",
        settings.DEFAULT_FROM_EMAIL,
        [address],
        fail_silently=True,
    )


def _keep(account: AbstractBaseUser, code: NewCode, now: datetime, lasts: timedelta) -> None:
    with transaction.atomic():
        ResetCode.objects.filter(account_id=account.pk).delete()
        ResetCode.objects.create(account_id=account.pk, hashed=code.hashed, made_at=now, ends_at=now + lasts)


def _plain(code: str) -> str:
    return "".join(sign for sign in code.upper() if sign in SIGNS)
