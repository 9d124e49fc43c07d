"""A new password by a code: one that the keeper prints, or one sent to the account's mail address."""

from __future__ import annotations

import secrets
import threading
from datetime import datetime, timedelta

from django.conf import settings
from django.contrib.auth import get_user_model
from django.contrib.auth.models import AbstractBaseUser
from django.core.mail import send_mail
from django.db import transaction
from django.utils.crypto import constant_time_compare, salted_hmac

from nolbet.account.models import ResetCode

SIGNS = "ABCDEFGHJKLMNPQRSTUVWXYZ23456789"
"""Letters and digits that aren't taken for each other."""

GROUPS, SIGNS_A_GROUP = 4, 4
PRINTED_FOR = timedelta(days=1)
SENT_FOR = timedelta(minutes=10)
SENT_AGAIN_AFTER = timedelta(minutes=5)


def make_code(account: AbstractBaseUser, now: datetime, lasts: timedelta) -> str:
    """A code that sets an account's password once, within some time; those before it hold no more."""
    plain = "".join(secrets.choice(SIGNS) for _ in range(GROUPS * SIGNS_A_GROUP))
    hashed = _hashed(plain)
    with transaction.atomic():
        ResetCode.objects.filter(account_id=account.pk).delete()
        ResetCode.objects.create(account_id=account.pk, hashed=hashed, made_at=now, ends_at=now + lasts)
    return "-".join(plain[at : at + SIGNS_A_GROUP] for at in range(0, len(plain), SIGNS_A_GROUP))


def account_with_code(name: str, code: str, now: datetime) -> AbstractBaseUser | None:
    """The account of a name that a code is good for, if it is. The code is used up by it."""
    account = get_user_model().objects.filter(username=name, is_active=True).first()
    if account is None:
        return None
    found = ResetCode.objects.filter(account_id=account.pk, ends_at__gt=now).first()
    if found is None or not constant_time_compare(_hashed(_plain(code)), found.hashed):
        return None
    # of two who come with it at once, one finds it gone
    return account if ResetCode.objects.filter(pk=found.pk).delete()[0] else None


def send_code(name: str, now: datetime) -> None:
    """Send a code to an account's mail address, where it has one and none was sent just before.

    It is sent beside: how long the answer takes says nothing of whether there is such an account.
    """
    account = get_user_model().objects.filter(username=name, is_active=True).exclude(email="").first()
    if account is None:
        return
    if ResetCode.objects.filter(account_id=account.pk, made_at__gt=now - SENT_AGAIN_AFTER).exists():
        return
    code = make_code(account, now, SENT_FOR)
    threading.Thread(target=_send, args=(account.email, code), daemon=True).start()


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


def _hashed(plain: str) -> str:
    """A code as it is kept. Of 80 random bits nobody tries all: a quick hash does, and its time tells nothing."""
    return salted_hmac("nolbet.account.reset", plain, algorithm="sha256").hexdigest()


def _plain(code: str) -> str:
    return "".join(sign for sign in code.upper() if sign in SIGNS)
